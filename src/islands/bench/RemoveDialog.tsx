import { own } from '../../core/model';
import { branchIds, removeBranch, removeOnly } from '../../core/hierarchy';
import { Dialog } from '../shared/Dialog';
import { useBench, useParts } from './context';
import { neighbourAfterRemoval } from './tree/outline-moves';

/** Asks what becomes of the entries below the one that is removed. */
export function RemoveDialog() {
  const id = useBench((state) => state.removing);
  const { store } = useParts();
  if (id === null) return null;
  const { diagram, perform, set } = store.getState();
  const entry = own(diagram.entries, id);
  if (!entry) return null;
  const below = branchIds(diagram, id).length - 1;
  const name = entry.name || 'this entry';
  const above = entry.parent === null ? null : own(diagram.entries, entry.parent)?.name;
  const close = () => set({ removing: null });
  const removed = (gesture: Parameters<typeof perform>[0]) => {
    const next = neighbourAfterRemoval(store.getState().drawn.structure, id);
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
        <button className="button button-main justify-start" onClick={() => removed(removeOnly(diagram, id))}>
          Remove {name} only; those below {above ? `go to ${above}` : 'stand at the top'}
        </button>
        <button className="button justify-start text-brick" onClick={() => removed(removeBranch(diagram, id))}>
          Remove the whole branch, {below + 1} entries
        </button>
        <button className="button justify-start" onClick={close}>
          Keep everything
        </button>
      </div>
    </Dialog>
  );
}
