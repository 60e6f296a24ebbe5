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

/** So many questions stand at once. */
const askedAtOnce = 3;

/** Questions that are open, those first that decide most: what the whole list is, then whom most others stand below. O(entries + questions). */
function weightiest({ questions, entries }: Reading): Question[] {
  const open = questions.filter(({ answered }) => !answered);
  if (open.length < 2) return open;
  const below = new Map<string | null, string[]>();
  for (const { id, parent } of entries) {
    const siblings = below.get(parent);
    if (siblings) siblings.push(id);
    else below.set(parent, [id]);
  }
  // Every branch is counted from its lowest entries up; a ring has no lowest and counts nothing.
  const sizes = new Map<string, number>();
  const order: string[] = [...(below.get(null) ?? [])];
  for (let i = 0; i < order.length; i++) order.push(...(below.get(order[i]!) ?? []));
  for (const id of order.toReversed())
    sizes.set(id, 1 + (below.get(id) ?? []).reduce((sum, child) => sum + (sizes.get(child) ?? 0), 0));
  const weight = ({ options, entry }: Question): number => (options ? Infinity : (sizes.get(entry) ?? 0));
  return open.toSorted((a, b) => (weight(a) === weight(b) ? a.line - b.line : weight(b) - weight(a)));
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
  const open = weightiest(read);
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
        {open.slice(0, askedAtOnce).map((question) => (
          <Ask
            key={question.id + question.wanted}
            question={question}
            read={read}
            onAnswer={(answer) => onAnswer({ [question.id]: answer })}
            onGo={onGo}
          />
        ))}
        {open.length > askedAtOnce && (
          <li className="px-3 text-sm text-muted">
            {open.length - askedAtOnce === 1 ? 'One more question' : `${open.length - askedAtOnce} more questions`}{' '}
            after these.
          </li>
        )}
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
      {rest.length > 50 && <p className="mt-1 text-sm text-muted">… and {rest.length - 50} more.</p>}
    </section>
  );
}
