import { kindQuestion, type KindId } from '../../core/diagram';
import type { DrawnReading } from './useReading';

/** Where two kinds read the list nearly as well: both are told with what speaks for them, and one is chosen. */
export function WhichKind({ near, onChoose }: { near: readonly DrawnReading[]; onChoose: (kind: KindId) => void }) {
  if (near.length < 2) return null;
  return (
    <section aria-label="Which kind is meant" className="border-l-4 border-brass bg-brasswash px-3 py-2">
      <p className="mb-2">{kindQuestion(near)}</p>
      <ul className="flex flex-wrap gap-x-4 gap-y-2">
        {near.map(({ kind, fit }) => (
          <li key={kind.id} className="flex flex-wrap items-center gap-2">
            <button className="button" onClick={() => onChoose(kind.id)}>
              {kind.name}
            </button>
            <span className="text-sm">{fit?.because}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
