import { guarded } from '../../../../shared/Guarded';
import { useDeferredValue, useMemo, useState } from 'react';
import { draw } from '../../../../../core/diagram';
import {
  blankWords,
  filledMap,
  gapsOf,
  judgeFilling,
  type ConceptMap,
  type FillingResult,
} from '../../../../../core/kinds/concept-map';
import { own } from '../../../../../core/model';
import { Picture } from '../../../../drawing/Picture';
import { ExerciseHead } from '../../../ExerciseHead';
import { StoredDiagram } from '../../../StoredDiagram';
import { useFilling } from './useFilling';

/** The exercise on screen: the gaps of a map are filled from a word bank, and the answers checked. */
export const Fill = guarded(FillPage, 'The diagram is kept; begin anew.');

function FillPage({ id }: { id: string }) {
  return (
    <StoredDiagram
      id={id}
      kind="concept-map"
      cannot="This cannot be filled in"
      otherKind="Only a concept map can be filled in."
    >
      {(diagram) => <Exercise id={id} diagram={diagram} />}
    </StoredDiagram>
  );
}

function Exercise({ id, diagram }: { id: string; diagram: ConceptMap }) {
  const [filling, setFilling] = useFilling(id);
  const [result, setResult] = useState<FillingResult | null>(null);
  const gaps = useMemo(() => gapsOf(diagram), [diagram]);
  const words = blankWords(diagram);
  const used = new Set(Object.values(filling).map((word) => word.trim().toLowerCase()));
  const shown = useDeferredValue(filling);
  const scene = useMemo(() => draw(filledMap(diagram, shown)).scene, [diagram, shown]);
  const put = (gap: string, word: string) => {
    setFilling({ ...filling, [gap]: word });
    setResult(null);
  };
  const filled = gaps.filter((gap) => (own(filling, gap.id) ?? '').trim() !== '').length;
  return (
    <div className="flex h-dvh flex-col">
      <ExerciseHead id={id} title={`Fill in: ${diagram.title}`} />
      <main className="flex min-h-0 flex-1 max-md:flex-col">
        <section
          aria-label="Gaps"
          className="flex shrink-0 flex-col gap-3 overflow-auto border-r border-hair p-4 max-md:max-h-[50%] md:w-[400px]"
        >
          {gaps.length === 0 && (
            <p className="text-muted">
              Nothing is left blank. Choose on the Bench, in Hand out, which words are to be filled in.
            </p>
          )}
          {words.length > 0 && (
            <div>
              <h2 className="label mb-1 font-sans">Word bank</h2>
              <ul className="flex flex-wrap gap-1.5">
                {words.map((word) => (
                  <li
                    key={word}
                    className={`border border-edge px-2 py-0.5 ${used.has(word.toLowerCase()) ? 'text-muted line-through' : 'bg-raised'}`}
                  >
                    {word}
                  </li>
                ))}
              </ul>
            </div>
          )}
          <datalist id="words">
            {words.map((word) => (
              <option key={word} value={word} />
            ))}
          </datalist>
          <ol className="grid gap-1.5">
            {gaps.map((gap, i) => {
              const isRight = result?.right.includes(gap.id);
              const wrong = result?.wrong.find((one) => one.id === gap.id);
              return (
                <li key={gap.id} className="flex flex-wrap items-center gap-1.5">
                  <span>{gap.before}</span>
                  <input
                    className={`field min-h-8 w-40 py-0 ${isRight ? 'border-moss' : wrong ? 'border-brick' : ''}`}
                    list="words"
                    aria-label={`Gap ${i + 1}: ${[gap.before, 'gap', gap.after].filter(Boolean).join(' ')}`}
                    aria-invalid={wrong !== undefined}
                    maxLength={400}
                    value={own(filling, gap.id) ?? ''}
                    onChange={(event) => put(gap.id, event.target.value)}
                  />
                  <span>{gap.after}</span>
                  {isRight && <span className="text-moss">right</span>}
                  {wrong && <span className="text-brick">not that</span>}
                </li>
              );
            })}
          </ol>
          {gaps.length > 0 && (
            <div className="grid gap-2">
              <p role="status" aria-live="polite">
                {result
                  ? `${result.right.length} of ${gaps.length} right${result.open.length > 0 ? `, ${result.open.length} still open` : ''}.`
                  : `${filled} of ${gaps.length} filled in.`}
              </p>
              <div className="flex flex-wrap gap-2">
                <button className="button button-main" onClick={() => setResult(judgeFilling(diagram, filling))}>
                  Check
                </button>
                <button
                  className="button"
                  disabled={!result || result.wrong.length === 0}
                  onClick={() => {
                    const wrong = new Set(result!.wrong.map((one) => one.id));
                    setFilling(Object.fromEntries(Object.entries(filling).filter(([gap]) => !wrong.has(gap))));
                    setResult(null);
                  }}
                >
                  Clear what is wrong
                </button>
                <button
                  className="button"
                  disabled={filled === 0}
                  onClick={() => {
                    setFilling({});
                    setResult(null);
                  }}
                >
                  Begin again
                </button>
              </div>
            </div>
          )}
        </section>
        <section aria-label="Drawing" className="min-h-0 min-w-0 flex-1 bg-ground p-4">
          <Picture scene={scene} label={`${diagram.title}: ${filled} of ${gaps.length} gaps filled in`} />
        </section>
      </main>
    </div>
  );
}
