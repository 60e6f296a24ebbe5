import { useState } from 'react';
import type { Finding } from '../../core/model';
import type { Question, Reading } from '../../core/read';

function Ask({
  question,
  read,
  onAnswer,
  onGo,
}: {
  question: Question;
  read: Reading;
  onAnswer: (answer: string) => void;
  onGo: (line: number) => void;
}) {
  const [choosing, setChoosing] = useState(false);
  if (question.options) {
    return (
      <li className="flex flex-wrap items-center gap-x-3 gap-y-2 border-l-4 border-brass bg-brasswash px-3 py-2">
        <p className="min-w-56 flex-1">
          <button className="font-semibold underline underline-offset-2" onClick={() => onGo(question.line)}>
            Line {question.line}
          </button>
          {': '}
          {question.text}
        </p>
        {question.options.map(({ value, words }) => (
          <button key={value} className="button" onClick={() => onAnswer(value)}>
            {words}
          </button>
        ))}
      </li>
    );
  }
  const several = question.candidates.length > 1;
  const options = several
    ? question.candidates
    : read.entries.filter((entry) => entry.id !== question.entry).slice(0, 2000);
  return (
    <li className="flex flex-wrap items-center gap-x-3 gap-y-2 border-l-4 border-brass bg-brasswash px-3 py-2">
      <p className="min-w-56 flex-1">
        <button className="font-semibold underline underline-offset-2" onClick={() => onGo(question.line)}>
          Line {question.line}
        </button>
        {': '}
        {question.text}
      </p>
      {!choosing && !several && question.guess !== null && (
        <button className="button" onClick={() => onAnswer(question.guess!)}>
          Yes
        </button>
      )}
      {!choosing && question.guess === null && (
        <button className="button" onClick={() => onAnswer('add')}>
          Add “{question.wanted}”
        </button>
      )}
      {choosing || several ? (
        <select
          aria-label={`Who is “${question.wanted}” of line ${question.line}?`}
          className="field w-auto max-w-64"
          defaultValue=""
          onChange={(event) => onAnswer(event.target.value)}
        >
          <option value="" disabled>
            Choose …
          </option>
          {options.map((one) => (
            <option key={one.id} value={one.id}>
              {one.name}, line {one.line}
            </option>
          ))}
          <option value="add">Add “{question.wanted}”</option>
          <option value="top">Nobody: stands at the top</option>
        </select>
      ) : (
        <button className="button" onClick={() => setChoosing(true)}>
          Someone else
        </button>
      )}
    </li>
  );
}

/** Lines that need a decision, and what else was found, each with its line. */
export function Decisions({
  read,
  findings,
  onAnswer,
  onGo,
}: {
  read: Reading;
  findings: readonly Finding[];
  onAnswer: (answers: Readonly<Record<string, string>>) => void;
  onGo: (line: number) => void;
}) {
  const open = read.questions.filter((question) => !question.answered);
  const guessed = open.filter(({ guess, candidates, options }) => guess !== null && candidates.length <= 1 && !options);
  const asked = new Set(open.map((question) => question.line));
  const rest = findings.filter((one) => !(one.line !== null && asked.has(one.line) && /superior$/.test(one.code)));
  if (open.length === 0 && rest.length === 0) return null;
  return (
    <section aria-label="To decide" className="max-h-[38vh] overflow-auto">
      {guessed.length > 1 && (
        <p className="mb-2">
          <button
            className="button"
            onClick={() => onAnswer(Object.fromEntries(guessed.map(({ id, guess }) => [id, guess!])))}
          >
            Yes to all {guessed.length}
          </button>
        </p>
      )}
      <ul className="grid gap-2">
        {open.slice(0, 50).map((question) => (
          <Ask
            key={question.id + question.wanted}
            question={question}
            read={read}
            onAnswer={(answer) => onAnswer({ [question.id]: answer })}
            onGo={onGo}
          />
        ))}
        {rest.slice(0, 50).map((one, i) => (
          <li
            key={one.code + String(i)}
            className={`border-l-4 px-3 py-1.5 ${one.severity === 'error' ? 'border-brick bg-brick/10' : one.severity === 'warning' ? 'border-brass bg-brasswash' : 'border-edge bg-paper'}`}
          >
            {one.message}{' '}
            {one.line !== null && (
              <button className="link" onClick={() => onGo(one.line!)}>
                Go to line {one.line}
              </button>
            )}
          </li>
        ))}
      </ul>
      {open.length + rest.length > 100 && (
        <p className="mt-1 text-sm text-muted">… and {open.length + rest.length - 100} more.</p>
      )}
    </section>
  );
}
