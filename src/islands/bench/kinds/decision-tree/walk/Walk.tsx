import { guarded } from '../../../../shared/Guarded';
import { useLayoutEffect, useMemo, useState } from 'react';
import { kindOf } from '../../../../../core/diagram';
import { hierarchyOf } from '../../../../../core/hierarchy';
import { litScene, stepAt, type DecisionTree } from '../../../../../core/kinds/decision-tree';
import { Picture } from '../../../../drawing/Picture';
import { Mark } from '../../../../shared/Mark';
import { StoredDiagram } from '../../../StoredDiagram';

/** A key, one question after another, with the way lit in the drawing. */
export const Walk = guarded(WalkPage, 'The diagram is kept; begin anew.');

function WalkPage({ id }: { id: string }) {
  return (
    <StoredDiagram
      id={id}
      kind="decision-tree"
      cannot="This cannot be walked through"
      otherKind="Only a decision tree can be walked through."
    >
      {(diagram) => <Steps id={id} diagram={diagram} />}
    </StoredDiagram>
  );
}

function Steps({ id, diagram }: { id: string; diagram: DecisionTree }) {
  const structure = hierarchyOf(diagram.entries);
  const [at, setAt] = useState<string | null>(null);
  const step = stepAt(diagram, structure, at);
  const back = step?.way.at(-1)?.id ?? null;
  const way = useMemo(() => {
    const now = stepAt(diagram, structure, at);
    return new Set(now ? [...now.way.map((one) => one.id), now.id] : []);
  }, [diagram, structure, at]);
  const scene = useMemo(
    () => litScene(diagram, structure, kindOf(diagram.kind).styles(diagram, structure), way),
    [diagram, structure, way],
  );
  // Before the question is seen, so that no key is lost.
  useLayoutEffect(() => {
    const key = (event: KeyboardEvent) => {
      const answer = step?.answers[Number(event.key) - 1];
      if (answer) setAt(answer.id);
      else if (event.key === 'Backspace' || event.key === 'ArrowLeft') setAt(back);
      else return;
      event.preventDefault();
    };
    window.addEventListener('keydown', key);
    return () => window.removeEventListener('keydown', key);
  }, [step, back]);
  return (
    <div className="flex min-h-screen flex-col">
      <header className="flex h-12 shrink-0 items-center gap-4 border-b border-hair px-4">
        <Mark />
        <a className="plain" href={`/diagrams/${id}`}>
          Back to the Bench
        </a>
        <h1 className="min-w-0 flex-1 truncate text-lg">{diagram.title || 'Walk through'}</h1>
      </header>
      <main className="mx-auto grid w-full max-w-5xl flex-1 content-start gap-6 p-6">
        {step === null ? (
          <p className="text-muted">The key is empty.</p>
        ) : (
          <>
            <section aria-live="polite" aria-label={step.answers.length > 0 ? 'Question' : 'Result'}>
              <p className="label mb-2">
                {step.answers.length > 0 ? `Question ${step.way.length + 1}` : 'You have come to'}
              </p>
              <h2 className="text-4xl leading-tight">{step.words}</h2>
              {step.details.map((detail) => (
                <p key={detail} className="mt-2 text-lg text-muted">
                  {detail}
                </p>
              ))}
              <div className="mt-6 grid gap-3 sm:grid-cols-2">
                {step.answers.map((answer, k) => (
                  <button
                    key={answer.id}
                    className="flex items-center gap-4 border border-edge bg-raised px-5 py-4 text-left text-xl hover:border-moss hover:bg-mosswash"
                    onClick={() => setAt(answer.id)}
                  >
                    <kbd className="border border-edge px-2 text-base text-muted">{k + 1}</kbd>
                    {answer.words}
                  </button>
                ))}
              </div>
              <div className="mt-6 flex gap-2">
                <button className="button" disabled={step.way.length === 0} onClick={() => setAt(back)}>
                  Back a step
                </button>
                <button className="button" disabled={step.way.length === 0} onClick={() => setAt(null)}>
                  From the beginning
                </button>
              </div>
            </section>
            {step.way.length > 0 && (
              <section aria-label="The way so far">
                <h2 className="label mb-1 font-sans">The way so far</h2>
                <ol className="grid gap-1">
                  {step.way.map((one) => (
                    <li key={one.id}>
                      <button className="hover:underline" onClick={() => setAt(one.id)}>
                        {one.question || 'A question without words'}
                      </button>{' '}
                      <strong>{one.answer}</strong>
                    </li>
                  ))}
                </ol>
              </section>
            )}
            <section aria-label="The key" className="border border-hair bg-white p-3">
              <div className="h-80">
                <Picture scene={scene} label="The key with the way lit" />
              </div>
            </section>
          </>
        )}
      </main>
    </div>
  );
}
