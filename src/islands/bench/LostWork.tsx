import { useBench, useParts } from './context';

/** What was done here and the server will never take: with its reason, to be copied out before it is put away. */
export function LostWork() {
  const { store } = useParts();
  const lost = useBench((state) => state.lost);
  if (lost.length === 0) return null;
  const reasons = [...new Set(lost.map(({ reason }) => reason))];
  const copy = async () => {
    try {
      await navigator.clipboard.writeText(JSON.stringify(lost, null, 1));
      store.getState().notify(['What was not kept is on the clipboard.']);
    } catch {
      store
        .getState()
        .notify(['The browser did not let it onto the clipboard. Allow this page to use it and try again.']);
    }
  };
  return (
    <section
      aria-label="Not kept"
      className="flex shrink-0 flex-wrap items-center gap-3 border-b border-brick bg-brick/10 px-4 py-2"
    >
      <p className="flex-1" role="alert">
        <strong>
          {lost.length === 1 ? 'One change could not be kept.' : `${lost.length} changes could not be kept.`}
        </strong>{' '}
        {reasons.slice(0, 3).join(' ')}
      </p>
      <button className="button" onClick={() => void copy()}>
        Copy what was not kept
      </button>
      <button className="plain" onClick={() => store.getState().set({ lost: [] })}>
        Put this away
      </button>
    </section>
  );
}
