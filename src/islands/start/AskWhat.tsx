import type { KindId } from '../../core/diagram';
import type { DrawnReading } from './useReading';

/** Where no kind reads the list well: says so, and asks what it holds instead of drawing a wrong one. */
export function AskWhat({
  readings,
  onChoose,
}: {
  readings: readonly DrawnReading[];
  onChoose: (kind: KindId) => void;
}) {
  return (
    <section aria-label="What does the list hold?" className="border border-brass bg-brasswash p-4">
      <h2 className="mb-1 text-lg">What does the list hold?</h2>
      <p className="mb-3">
        Nothing in it tells for sure. Say what it is, or help it along: indent lines under the one they belong to, or
        put a heading such as “Name” and “Reports to” over the columns.
      </p>
      <div className="flex flex-wrap gap-2">
        {readings
          .filter(({ fit }) => fit !== null)
          .map(({ kind }) => (
            <button key={kind.id} className="button" onClick={() => onChoose(kind.id)}>
              {kind.holds}
            </button>
          ))}
      </div>
      {readings.every(({ fit }) => fit === null) && (
        <p className="text-muted">No kind of diagram can be made of it as it stands.</p>
      )}
    </section>
  );
}
