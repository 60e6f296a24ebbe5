import { useBench, useParts } from './context';
import type { Lost } from './sync';
import { typedIn } from './typed-in';

/** At most so many stand on the page; all are copied. */
const mostShown = 4;

/** What was done here and the server will never take: whose entry, what was typed, when, and why, to be copied out before it is put away. */
export function LostWork() {
  const { store } = useParts();
  const lost = useBench((state) => state.lost);
  if (lost.length === 0) return null;
  const lines = lost.flatMap((one) => linesOf(one, store.getState().diagram));
  const copy = async () => {
    try {
      await navigator.clipboard.writeText(lines.join('\n'));
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
      className="flex shrink-0 flex-wrap items-start gap-3 border-b border-brick bg-brick/10 px-4 py-2"
    >
      <div className="flex-1" role="alert">
        <strong>
          {lost.length === 1 ? 'One change could not be kept.' : `${lost.length} changes could not be kept.`}
        </strong>
        <ul className="max-h-40 overflow-auto">
          {lines.slice(0, mostShown).map((line, k) => (
            <li key={k} className="break-words select-text">
              {line}
            </li>
          ))}
          {lines.length > mostShown && <li>and {lines.length - mostShown} more</li>}
        </ul>
      </div>
      <button className="button" onClick={() => void copy()}>
        Copy what was not kept
      </button>
      <button className="plain" onClick={() => store.getState().set({ lost: [] })}>
        Put this away
      </button>
    </section>
  );
}

/** "Bo Lin: “Cook” (typed at 14:03). Somebody removed this entry." */
function linesOf({ commands, reason, at }: Lost, diagram: Parameters<typeof typedIn>[0]): string[] {
  const when =
    at === undefined
      ? ''
      : ` (done at ${new Date(at).toLocaleString('en-GB', { hour: '2-digit', minute: '2-digit', day: 'numeric', month: 'short' })})`;
  const typed = typedIn(diagram, commands);
  if (typed.length === 0) return [`${reason}${when}`];
  return typed.map(
    ({ whose, words }) =>
      `${whose === null ? '' : `${whose}: `}${words.map((word) => `“${word}”`).join(', ')}${when}. ${reason}`,
  );
}
