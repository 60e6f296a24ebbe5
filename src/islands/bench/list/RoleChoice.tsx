import { own } from '../../../core/model';
import { childrenOf } from '../../../core/hierarchy';
import type { TreeBenchWords } from '../tree/words';
import { useState } from 'react';
import type { Command } from '../../../core/diagram';
import { kindOf } from '../../../core/diagram';
import { newId } from '../../shared/ids';
import { useBench, useParts } from '../context';

/** For the selected entry: its role, further details, and a second superior beside the list's own line. */
export function RoleChoice({ words }: { words: TreeBenchWords }) {
  const { store } = useParts();
  const selected = useBench((state) => state.selected);
  const diagram = useBench((state) => state.diagram);
  const leads = selected !== null && childrenOf(diagram, selected).length > 0;
  const entry = selected === null ? undefined : own(diagram.entries, selected);
  if (!entry) return null;
  const kind = kindOf(diagram.kind);
  const shown = kind.columns.length;
  const further = entry.details.slice(shown).join('; ');
  const link = Object.values(diagram.links).find((one) => one.from === entry.id);

  const setFurther = (text: string) => {
    const rest = text === '' ? [] : text.split(/;\s?/).slice(0, 8 - shown);
    const first = Array.from({ length: shown }, (_, i) => entry.details[i] ?? '');
    store.getState().perform(
      [
        {
          kind: 'setDetails',
          id: entry.id,
          details: rest.length > 0 ? [...first, ...rest] : entry.details.slice(0, shown),
        },
      ],
      { merge: `further:${entry.id}` },
    );
  };
  const setLink = (to: string) => {
    const gesture: Command[] = [];
    if (link) gesture.push({ kind: 'removeLink', id: link.id });
    if (to !== '')
      gesture.push({ kind: 'addLink', link: { id: newId(), from: entry.id, to, kind: 'side', phrase: '' } });
    store.getState().perform(gesture);
  };
  return (
    <section
      aria-label={`About ${entry.name || 'the selected entry'}`}
      className="grid shrink-0 grid-cols-[auto_1fr] items-center gap-x-3 gap-y-1 border-t border-hair px-4 py-2 text-sm"
    >
      <label htmlFor="role">Role</label>
      <select
        id="role"
        className="field min-h-7 py-0"
        value={entry.role ?? ''}
        onChange={(event) =>
          store.getState().perform([{ kind: 'setRole', id: entry.id, role: event.target.value || null }])
        }
      >
        <option value="">{leads && words.leading ? words.leading : 'None'}</option>
        {kind.roles
          .filter((role) => kind.settableRoles.includes(role.id) && !(role.beside && leads))
          .map((role) => (
            <option key={role.id} value={role.id}>
              {role.name} ({role.told})
            </option>
          ))}
      </select>
      <label htmlFor="further">Further details</label>
      <input
        id="further"
        className="field min-h-7 py-0"
        value={further}
        placeholder="parted by ;"
        onChange={(event) => setFurther(event.target.value)}
      />
      <label htmlFor="side">Side link to</label>
      <SideLink entry={entry.id} parent={entry.parent} to={link?.to ?? null} onChange={setLink} />
    </section>
  );
}

const collator = new Intl.Collator();
const mostChoices = 3000;

/** The choice of a second superior; the names are gathered only once the choice is turned to. */
function SideLink({
  entry,
  parent,
  to,
  onChange,
}: {
  entry: string;
  parent: string | null;
  to: string | null;
  onChange: (to: string) => void;
}) {
  const { store } = useParts();
  const chosen = useBench((state) => (to === null ? '' : (own(state.diagram.entries, to)?.name ?? '')));
  const [choices, setChoices] = useState<readonly { id: string; name: string }[]>([]);
  const gather = () => {
    const others = Object.values(store.getState().diagram.entries).filter(
      (one) => one.id !== entry && one.id !== parent && one.id !== to && one.name !== '',
    );
    setChoices(others.sort((a, b) => collator.compare(a.name, b.name)).slice(0, mostChoices));
  };
  return (
    <select
      id="side"
      className="field min-h-7 py-0"
      value={to ?? ''}
      onFocus={gather}
      onPointerDown={() => choices.length === 0 && gather()}
      onBlur={() => setChoices([])}
      onChange={(event) => onChange(event.target.value)}
    >
      <option value="">nobody</option>
      {to !== null && <option value={to}>{chosen}</option>}
      {choices.map((one) => (
        <option key={one.id} value={one.id}>
          {one.name}
        </option>
      ))}
    </select>
  );
}
