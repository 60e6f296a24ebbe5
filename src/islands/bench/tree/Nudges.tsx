import { own } from '../../../core/model';
import { useBench, useParts } from '../context';
import { sentBack } from './nudging';

/** The entries that stand off their computed places, each with the way back; nothing where none does. */
export function Nudges() {
  const { store } = useParts();
  const nudges = useBench((state) => state.diagram.nudges);
  const entries = useBench((state) => state.diagram.entries);
  const ids = Object.keys(nudges);
  if (ids.length === 0) return null;
  const back = (which: readonly string[]) => store.getState().perform(sentBack(store.getState().diagram, which));
  return (
    <section aria-label="Nudged" className="mt-5">
      <h2 className="label mb-2 font-sans">Nudged off their places</h2>
      <ul>
        {ids.map((id) => (
          <li key={id} className="flex items-center gap-2 border-b border-hair py-1">
            <button
              className="min-w-0 flex-1 truncate text-left hover:underline"
              onClick={() => store.getState().select(id)}
            >
              {own(entries, id)?.name || 'No name yet'}
            </button>
            <button className="plain" onClick={() => back([id])}>
              Send back
            </button>
          </li>
        ))}
      </ul>
      {ids.length > 1 && (
        <button className="plain mt-1" onClick={() => back(ids)}>
          Send all {ids.length} back
        </button>
      )}
    </section>
  );
}
