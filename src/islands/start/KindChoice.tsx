import { Picture } from '../drawing/Picture';
import type { DrawnReading } from './useReading';

/** The same list in every kind that fits it, drawn small; one of them is made. */
export function KindChoice({
  readings,
  chosen,
  empty,
  onChoose,
}: {
  readings: readonly DrawnReading[];
  chosen: DrawnReading | null;
  empty: boolean;
  onChoose: (kind: DrawnReading['kind']['id']) => void;
}) {
  return (
    <ul aria-label="Kinds of diagram" className="flex flex-wrap gap-2">
      {readings.map((reading) => {
        const { kind, fit, drawn, read } = reading;
        const possible = empty || fit !== null;
        const current = reading === chosen;
        return (
          <li key={kind.id}>
            <button
              aria-pressed={current}
              disabled={!possible}
              className={`flex items-center gap-2 border bg-paper py-1 pr-3 pl-1 text-left disabled:opacity-60 ${current ? 'border-moss outline-1 outline-moss' : 'border-edge hover:border-moss'}`}
              onClick={() => onChoose(kind.id)}
            >
              <span className="block h-11 w-16 shrink-0 bg-white p-0.5">
                {fit && drawn && read.entries.length > 0 && <Picture scene={drawn.scene} small label="" />}
              </span>
              <span>
                <span className={`block leading-tight ${current ? 'font-semibold' : ''}`}>{kind.name}</span>
                <span className="block text-[12.5px] leading-tight text-muted">
                  {empty ? 'to begin with nothing' : (fit?.words ?? 'the list does not tell one')}
                </span>
              </span>
            </button>
          </li>
        );
      })}
    </ul>
  );
}
