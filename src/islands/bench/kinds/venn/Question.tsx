import { useState } from 'react';
import { answerQuestion, type VennFigures } from '../../../../core/kinds/venn';
import { useParts } from '../../context';

/** A question in words, typed or clicked together; its regions light up and its entries are listed. */
export function Question({ figures, light }: { figures: VennFigures; light(masks: readonly number[]): void }) {
  const { store } = useParts();
  const [text, setText] = useState('');
  const names = figures.sets.map((set) => set.name);
  const answer = text.trim() === '' ? null : answerQuestion(text, names);
  const ask = (next: string) => {
    setText(next);
    const found = next.trim() === '' ? null : answerQuestion(next, names);
    light(found?.ok ? found.masks : []);
  };
  const add = (word: string) => ask(`${text.trimEnd()} ${word}`.trimStart());
  const nameOf = new Map(figures.where.map(({ id, name }) => [id, name]));
  const entries = answer?.ok ? answer.masks.flatMap((mask) => figures.regions[mask]!.entries) : [];
  return (
    <section aria-label="Ask">
      <label className="block">
        <span className="label">Ask</span>
        <input
          className="field mt-1 w-full"
          placeholder={names.length > 1 ? `in ${names[0]} or ${names[1]}, but not …` : 'in …'}
          value={text}
          onChange={(event) => ask(event.target.value)}
          onFocus={() => answer?.ok && light(answer.masks)}
        />
      </label>
      <p className="mt-1 flex flex-wrap gap-1">
        {[...names, 'and', 'or', 'but not', 'exactly one', 'none'].map((word) => (
          <button key={word} className="plain border border-hair px-1.5 text-sm" onClick={() => add(word)}>
            {word}
          </button>
        ))}
        {text !== '' && (
          <button className="plain px-1.5 text-sm text-muted" onClick={() => ask('')}>
            Clear
          </button>
        )}
      </p>
      <div aria-live="polite" className="mt-1 text-sm">
        {answer && !answer.ok && <p className="border-l-4 border-brass bg-brasswash px-2 py-1">{answer.reason}</p>}
        {answer?.ok && (
          <p>
            <strong>
              {entries.length} {entries.length === 1 ? 'entry' : 'entries'}
            </strong>
            {entries.length > 0 && ': '}
            {entries.map((id, i) => (
              <span key={id}>
                {i > 0 && ', '}
                <button className="hover:underline" onClick={() => store.getState().select(id)}>
                  {nameOf.get(id) || 'no name yet'}
                </button>
              </span>
            ))}
          </p>
        )}
      </div>
    </section>
  );
}
