import { own } from '../../../../core/model';
import {
  keptLink,
  parentsWritten,
  partnersOf,
  partnersWritten,
  roleGiven,
  personOf,
  relationsOf,
  unionWords,
  type FamilyTree,
  type Parentage,
  type Person,
  type Union,
} from '../../../../core/kinds/family-tree';
import { newId } from '../../../shared/ids';
import { useBench, useParts } from '../../context';
import { entriesOf } from '../../selection';
import { NamedPersons } from './NamedPersons';
import { ParentsOf } from './ParentsOf';

const row = 'grid grid-cols-[6.5rem_1fr] items-center gap-x-2';

/** What is known of the selected person, whose child they are, and with whom they are. */
export function AboutPerson() {
  const { store } = useParts();
  const selected = useBench((state) => state.selected);
  const diagram = useBench((state) => state.diagram as FamilyTree);
  const selection = useBench((state) => state.selection);
  const entry = selected === null ? undefined : own(diagram.entries, selected);
  if (!entry) return null;
  const picked = entriesOf(selection);
  const all = picked.length > 1 ? picked : [entry.id];
  const { id } = entry;
  const person = personOf(diagram, id);
  const relations = relationsOf(diagram);
  const { perform } = store.getState();
  const names = (ids: readonly string[]) =>
    ids.map((one) => own(diagram.entries, one)?.name || 'no name yet').join('; ');
  const set = (patch: Partial<Person>) =>
    perform([{ kind: 'setPerson', id, patch }], { merge: `person:${id}:${Object.keys(patch).join()}` });
  const links = relations.parentsOf(id);
  const setLink = (union: string, change: (link: Parentage) => Parentage) =>
    perform([
      {
        kind: 'setParentage',
        child: id,
        of: links.map(keptLink).map((link) => (link.union === union ? change(link) : link)),
      },
    ]);
  const parents = names(links[0]?.union.partners ?? []);
  const partners = names(partnersOf(relations, id));
  return (
    <section
      aria-label={`About ${entry.name || 'the selected person'}`}
      className="grid max-h-[38%] shrink-0 gap-1 overflow-auto border-t border-hair px-4 py-2 text-sm"
      tabIndex={0}
    >
      <NamedPersons
        key={`parents ${id} ${parents}`}
        label="Parents"
        shown={parents}
        write={(typed) => parentsWritten(diagram, id, typed, newId)}
      />
      {links.map((link) => (
        <ParentsOf
          key={link.union.id}
          link={link}
          nameOf={(one) => names([one])}
          change={(change) => setLink(link.union.id, change)}
        />
      ))}
      <NamedPersons
        key={`partners ${id} ${partners}`}
        label="Partners"
        shown={partners}
        write={(typed) => partnersWritten(diagram, id, typed, newId)}
      />
      {relations
        .unionsOf(id)
        .filter((union) => union.partners.length === 2)
        .map((union) => (
          <Together key={union.id} union={union} other={names(union.partners.filter((one) => one !== id))} />
        ))}
      <label className={row}>
        Born in
        <input
          className="field min-h-7 py-0"
          value={person.birthPlace}
          maxLength={200}
          onChange={(event) => set({ birthPlace: event.target.value })}
        />
      </label>
      <label className={row}>
        Died in
        <input
          className="field min-h-7 py-0"
          value={person.deathPlace}
          maxLength={200}
          onChange={(event) => set({ deathPlace: event.target.value })}
        />
      </label>
      <label className={row}>
        Sex
        <select
          className="field min-h-7 py-0"
          value={person.sex ?? ''}
          onChange={(event) => set({ sex: (event.target.value || null) as Person['sex'] })}
        >
          <option value="">not said</option>
          <option value="female">female</option>
          <option value="male">male</option>
          <option value="other">other</option>
        </select>
      </label>
      <label className={row}>
        {all.length > 1 ? `The ${all.length} are each a` : 'Is a'}
        <select
          className="field min-h-7 py-0"
          value={entry.role ?? ''}
          onChange={(event) => perform(all.flatMap((one) => roleGiven(diagram, one, event.target.value || null)))}
        >
          <option value="">person of the family</option>
          <option value="pet">pet</option>
          <option value="guest">guest</option>
        </select>
      </label>
      <label className={row}>
        Details
        <input
          className="field min-h-7 py-0"
          placeholder="parted by ;"
          value={entry.details.join('; ')}
          onChange={(event) => {
            const details = event.target.value === '' ? [] : event.target.value.split(/;\s?/).slice(0, 8);
            perform([{ kind: 'setDetails', id, details }], { merge: `details:${id}` });
          }}
        />
      </label>
    </section>
  );
}

function Together({ union, other }: { union: Union; other: string }) {
  const { store } = useParts();
  const set = (patch: Partial<Omit<Union, 'id'>>) =>
    store.getState().perform([{ kind: 'changeUnion', id: union.id, patch }], {
      merge: `union:${union.id}:${Object.keys(patch).join()}`,
    });
  return (
    <fieldset className="grid grid-cols-[6.5rem_1fr_1fr] items-center gap-x-2 gap-y-1">
      <legend className="sr-only">With {other}</legend>
      <span className="row-span-2 [overflow-wrap:anywhere]">With {other}</span>
      <select
        aria-label={`How they are together: ${other}`}
        className="field col-span-2 min-h-7 min-w-0 py-0"
        value={union.kind}
        onChange={(event) => set({ kind: event.target.value as Union['kind'] })}
      >
        {Object.entries(unionWords).map(([value, told]) => (
          <option key={value} value={value}>
            {told}
          </option>
        ))}
      </select>
      <input
        aria-label={`Since: ${other}`}
        className="field min-h-7 min-w-0 py-0"
        placeholder="since"
        maxLength={80}
        value={union.from}
        onChange={(event) => set({ from: event.target.value })}
      />
      <input
        aria-label={`Until: ${other}`}
        className="field min-h-7 min-w-0 py-0"
        placeholder="until"
        maxLength={80}
        value={union.to}
        onChange={(event) => set({ to: event.target.value })}
      />
    </fieldset>
  );
}
