import { useState } from 'react';
import { type Judgement, type VennSet, regionWords } from '../../../../../core/kinds/venn';

interface ResultProps {
  readonly judgement: Judgement | null;
  readonly unsorted: number;
  readonly sets: readonly VennSet[];
  nameOf(entry: string): string;
  onCheck(): void;
  onBack(): void;
  onRestart(): void;
}

/** Checking the answers: how many are right, which are not, and, when asked, where these belong. */
export function Result({ judgement, unsorted, sets, nameOf, onCheck, onBack, onRestart }: ResultProps) {
  const [told, setTold] = useState(false);
  const total = judgement ? judgement.right.length + judgement.wrong.length : 0;
  return (
    <section aria-label="Check the answers" className="mt-5 border-t border-hair pt-4">
      <div className="flex flex-wrap gap-2">
        <button className="button button-main" onClick={onCheck}>
          Check the answers
        </button>
        <button className="button" onClick={onRestart}>
          Start again
        </button>
      </div>
      <div aria-live="polite" className="mt-3">
        {judgement && (
          <>
            <p className="text-lg">
              <strong>
                {judgement.right.length} of {total}
              </strong>{' '}
              {total === 1 ? 'is' : 'are'} right
              {unsorted > 0 && `; ${unsorted} still to sort`}.
            </p>
            {judgement.wrong.length > 0 && (
              <>
                <ul className="mt-1">
                  {judgement.wrong.map(({ id, put, belongs }) => (
                    <li key={id}>
                      <strong className="text-brick">{nameOf(id)}</strong>: put in {regionWords(sets, put)}
                      {told && <span>; belongs in {regionWords(sets, belongs)}</span>}
                    </li>
                  ))}
                </ul>
                <div className="mt-2 flex flex-wrap gap-2">
                  <button className="button" onClick={onBack}>
                    These back to the bank
                  </button>
                  <button className="button" aria-pressed={told} onClick={() => setTold(!told)}>
                    {told ? 'Hide where they belong' : 'Tell where they belong'}
                  </button>
                </div>
              </>
            )}
          </>
        )}
      </div>
    </section>
  );
}
