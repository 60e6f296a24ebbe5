import { own } from '../../../core/model';
import type { TreeBenchWords } from './words';
import { kindOf } from '../../../core/diagram';
import { useBench, useParts } from '../context';
import { entriesOf } from '../selection';

/** For the selected entry, or all that are selected: the role, and further details. */
export function RoleChoice({ words }: { words: TreeBenchWords }) {
  const { store } = useParts();
  const selected = useBench((state) => state.selected);
  const selection = useBench((state) => state.selection);
  const diagram = useBench((state) => state.diagram);
  const leads = selected !== null && Object.values(diagram.entries).some(({ parent }) => parent === selected);
  const entry = selected === null ? undefined : own(diagram.entries, selected);
  if (!entry) return null;
  const kind = kindOf(diagram.kind);
  const shown = (kind.shownColumns?.(diagram) ?? kind.columns).filter(({ id }) => id.startsWith('detail-')).length;
  const roles = words.choosesRole?.(diagram) ?? true;
  const further = entry.details.slice(shown).join('; ');
  const picked = entriesOf(selection);
  const all = picked.length > 1 ? picked : [entry.id];

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
  return (
    <section
      aria-label={all.length > 1 ? `About ${all.length} entries` : `About ${entry.name || 'the selected entry'}`}
      className="grid shrink-0 grid-cols-[auto_1fr] items-center gap-x-3 gap-y-1 border-t border-hair px-4 py-2 text-sm"
    >
      {roles && (
        <>
          <label htmlFor="role">{all.length > 1 ? `Role of ${all.length}` : 'Role'}</label>
          <select
            id="role"
            className="field min-h-7 py-0"
            value={entry.role ?? ''}
            onChange={(event) =>
              store.getState().perform(all.map((id) => ({ kind: 'setRole', id, role: event.target.value || null })))
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
        </>
      )}
      {all.length === 1 && (
        <>
          <label htmlFor="further">Further details</label>
          <input
            id="further"
            className="field min-h-7 py-0"
            value={further}
            placeholder="parted by ;"
            onChange={(event) => setFurther(event.target.value)}
          />
        </>
      )}
    </section>
  );
}
