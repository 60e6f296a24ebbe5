import type { Gesture } from '../../core/diagram';
import { removeOnly, withBranches } from '../../core/hierarchy';
import { own } from '../../core/model';
import { Dialog } from '../shared/Dialog';
import { useBench, useParts } from './context';
import { neighbourAfterRemoval } from './tree/outline-moves';

/** Asks what becomes of the entries below those that are removed. */
export function RemoveDialog() {
  const ids = useBench((state) => state.removing);
  const { store } = useParts();
  if (ids === null) return null;
  const { diagram, perform, set } = store.getState();
  const [only, ...more] = ids;
  const entry = only === undefined || more.length > 0 ? undefined : own(diagram.entries, only);
  const all = withBranches(diagram, ids);
  const below = all.length - ids.length;
  const name = ids.length > 1 ? `${ids.length} entries` : entry?.name || 'this entry';
  const above = entry?.parent ? own(diagram.entries, entry.parent)?.name : null;
  const close = () => set({ removing: null });
  const removed = (gesture: Gesture | null, going: readonly string[]) => {
    const next = neighbourAfterRemoval(store.getState().structure, going);
    perform(gesture, next ? { select: next, focus: { entry: next, column: 0 } } : {});
    close();
  };
  return (
    <Dialog
      title={`Remove ${name}?`}
      told={`${below} ${below === 1 ? 'entry stands' : 'entries stand'} below. What becomes of ${below === 1 ? 'it' : 'them'}?`}
      onClose={close}
    >
      <div className="grid gap-2">
        {entry && (
          <button
            className="button button-main justify-start"
            onClick={() => removed(removeOnly(diagram, entry.id), [entry.id])}
          >
            Remove {name} only; those below {above ? `go to ${above}` : 'stand at the top'}
          </button>
        )}
        <button
          className="button justify-start text-brick"
          onClick={() => removed([{ kind: 'removeEntries', ids: all }], all)}
        >
          {entry
            ? `Remove the whole branch, ${all.length} entries`
            : `Remove all with their branches, ${all.length} entries`}
        </button>
        <button className="button justify-start" onClick={close}>
          Keep everything
        </button>
      </div>
    </Dialog>
  );
}
