import { Plus, Trash2 } from 'lucide-react';
import { keyBetween } from '../../../../core/model';
import { mostSets, type VennSet, shownColour } from '../../../../core/kinds/venn';
import { lookOf } from '../../../../core/style';
import { useBench, useParts } from '../../context';
import { dropSetGesture, newSet } from './set-actions';

/** The names of the sets, their order and colours. */
export function Sets({ sets }: { sets: readonly VennSet[] }) {
  const { store } = useParts();
  const look = useBench((state) => lookOf(state.diagram));
  const perform = store.getState().perform;
  const swap = (i: number, step: -1 | 1) => {
    const at = i + step;
    const [low, high] = step === 1 ? [sets[at], sets[at + 1]] : [sets[at - 1], sets[at]];
    const order = keyBetween(low?.order ?? null, high?.order ?? null);
    if (order) perform([{ kind: 'changeSet', id: sets[i]!.id, patch: { order } }]);
  };
  return (
    <section aria-label="Sets" className="shrink-0 px-3 pb-2">
      <h2 className="label mb-1 font-sans">Sets</h2>
      <ul className="grid gap-1">
        {sets.map((set, i) => (
          <li key={set.id} className="flex items-center gap-1">
            <input
              type="color"
              aria-label={`Colour of the set ${set.name || i + 1}`}
              title={set.colour ? 'Colour set here' : 'Colour from the look'}
              className="h-7 w-7 shrink-0 border border-edge bg-raised p-0.5"
              value={shownColour(look, set, i, sets.length)}
              onChange={(event) =>
                perform([{ kind: 'changeSet', id: set.id, patch: { colour: event.target.value } }], {
                  merge: `colour:${set.id}`,
                })
              }
            />
            {sets.some(({ colour }) => colour !== null) && (
              <button
                className={`plain text-sm ${set.colour ? '' : 'invisible'}`}
                title="Take the look's colour again"
                onClick={() => perform([{ kind: 'changeSet', id: set.id, patch: { colour: null } }])}
              >
                Hand back
              </button>
            )}
            <input
              aria-label={`Name of set ${i + 1}`}
              className="field min-h-7 flex-1 py-0 font-semibold"
              value={set.name}
              maxLength={200}
              onChange={(event) =>
                perform([{ kind: 'changeSet', id: set.id, patch: { name: event.target.value } }], {
                  merge: `set:${set.id}`,
                })
              }
              onKeyDown={(event) => {
                if (!event.altKey || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return;
                event.preventDefault();
                const step = event.key === 'ArrowUp' ? -1 : 1;
                if (sets[i + step]) swap(i, step);
              }}
            />
            <button
              className="plain"
              aria-label={`Set ${set.name || i + 1} earlier`}
              title="Earlier (Alt+↑)"
              disabled={i === 0}
              onClick={() => swap(i, -1)}
            >
              ↑
            </button>
            <button
              className="plain"
              aria-label={`Set ${set.name || i + 1} later`}
              title="Later (Alt+↓)"
              disabled={i === sets.length - 1}
              onClick={() => swap(i, 1)}
            >
              ↓
            </button>
            <button
              className="plain"
              aria-label={`Remove the set ${set.name || i + 1}`}
              title="Remove the set; its entries stay"
              onClick={() => perform(dropSetGesture(set.id))}
            >
              <Trash2 size={15} aria-hidden="true" />
            </button>
          </li>
        ))}
      </ul>
      <button
        className="plain mt-1"
        disabled={sets.length >= mostSets}
        title={sets.length >= mostSets ? `A Venn diagram holds at most ${mostSets} sets` : undefined}
        onClick={() => perform(newSet(sets))}
      >
        <Plus size={15} aria-hidden="true" /> Add a set
      </button>
    </section>
  );
}
