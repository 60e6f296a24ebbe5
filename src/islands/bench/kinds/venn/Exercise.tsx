import { useParts } from '../../context';

/** The diagram as an exercise: to sort on screen, to fill in on paper, and the answers. */
export function Exercise() {
  const { sync } = useParts();
  const row = 'grid grid-cols-[1fr_auto] items-center gap-3 border-b border-hair py-2';
  return (
    <section aria-label="For the classroom" className="mt-5">
      <h2 className="label mb-1 font-sans">For the classroom</h2>
      <div className={row}>
        <span>
          <strong>Sort on screen</strong>
          <span className="block text-sm text-muted">
            The names in a word bank, to be put into empty curves and checked
          </span>
        </span>
        <a className="button" href={`/diagrams/${sync.id}/sort`}>
          Sort
        </a>
      </div>
      <div className={row}>
        <span>
          <strong>On paper</strong>
          <span className="block text-sm text-muted">Empty curves with the word bank below</span>
        </span>
        <a className="button" href={`/diagrams/${sync.id}/print?sheet=blank`} target="_blank">
          Print
        </a>
      </div>
      <div className={row}>
        <span>
          <strong>Answers on paper</strong>
          <span className="block text-sm text-muted">Everything where it belongs</span>
        </span>
        <a className="button" href={`/diagrams/${sync.id}/print?sheet=answers`} target="_blank">
          Print
        </a>
      </div>
    </section>
  );
}
