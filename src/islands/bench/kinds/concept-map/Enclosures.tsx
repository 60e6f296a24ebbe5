import { Trash2 } from 'lucide-react';
import type { ConceptMap, Enclosure } from '../../../../core/kinds/concept-map';
import { own } from '../../../../core/model';
import { newId } from '../../../shared/ids';
import { useBench, useParts } from '../../context';
import { entriesOf, entryPick } from '../../selection';

const hues = [
  ['', 'as the look'],
  ['30', 'red'],
  ['85', 'yellow'],
  ['145', 'green'],
  ['250', 'blue'],
  ['310', 'purple'],
] as const;

/** Outlines around some ideas, which follow them through every arrangement. */
export function Enclosures() {
  const { store } = useParts();
  const diagram = useBench((state) => state.diagram as ConceptMap);
  const picked = entriesOf(useBench((state) => state.selection));
  const all = Object.values(diagram.map.enclosures).sort((a, b) => (a.id < b.id ? -1 : 1));
  const { perform } = store.getState();
  const change = (id: string, patch: Partial<Omit<Enclosure, 'id'>>, merge?: string) =>
    perform([{ kind: 'changeEnclosure', id, patch }], merge ? { merge } : {});
  return (
    <section aria-label="Enclosures" className="mt-5 grid gap-2">
      <h2 className="label font-sans">Enclosures</h2>
      {all.map((one) => {
        const members = one.members.filter((id) => own(diagram.entries, id));
        return (
          <div key={one.id} className="grid grid-cols-[1fr_6.5rem_auto] items-center gap-1 text-sm">
            <input
              className="field min-h-7 min-w-0 py-0"
              aria-label={`Name of the enclosure around ${members.length} ideas`}
              placeholder="no name"
              maxLength={200}
              value={one.name}
              onChange={(event) => change(one.id, { name: event.target.value }, `enclosure:${one.id}`)}
            />
            <select
              className="field min-h-7 min-w-0 py-0"
              aria-label={`Colour of ${one.name || 'the enclosure'}`}
              value={one.hue === null ? '' : String(one.hue)}
              onChange={(event) =>
                change(one.id, { hue: event.target.value === '' ? null : Number(event.target.value) })
              }
            >
              {hues.map(([value, name]) => (
                <option key={value} value={value}>
                  {name}
                </option>
              ))}
            </select>
            <button
              className="plain px-1"
              aria-label={`Remove the enclosure ${one.name}`}
              onClick={() => perform([{ kind: 'dropEnclosure', id: one.id }])}
            >
              <Trash2 size={15} aria-hidden="true" />
            </button>
            <p className="col-span-3 text-muted">
              {members.length} {members.length === 1 ? 'idea' : 'ideas'}
              <button className="plain ml-2" onClick={() => store.getState().pick(members.map((id) => entryPick(id)))}>
                Select them
              </button>
              {picked.length > 0 && (
                <button
                  className="plain ml-2"
                  onClick={() =>
                    change(one.id, {
                      members: picked.every((id) => members.includes(id))
                        ? members.filter((id) => !picked.includes(id))
                        : [...new Set([...members, ...picked])],
                    })
                  }
                >
                  {picked.every((id) => members.includes(id)) ? 'Take the selected out' : 'Take the selected in'}
                </button>
              )}
            </p>
          </div>
        );
      })}
      <div>
        <button
          className="button"
          disabled={picked.length === 0}
          onClick={() =>
            perform([{ kind: 'putEnclosure', enclosure: { id: newId(), name: '', members: [...picked], hue: null } }])
          }
        >
          Enclose{' '}
          {picked.length === 0
            ? 'what is selected'
            : picked.length === 1
              ? 'the selected idea'
              : `the ${picked.length} selected ideas`}
        </button>
      </div>
    </section>
  );
}
