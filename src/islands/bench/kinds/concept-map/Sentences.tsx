import { Check, X } from 'lucide-react';
import { useState } from 'react';
import type { MapFigures } from '../../../../core/kinds/concept-map';
import { useParts } from '../../context';
import { linkPick } from '../../selection';

const firstShown = 40;

/** Every proposition as a sentence, to be marked valid or not. */
export function Sentences({
  sentences,
  light,
}: {
  sentences: MapFigures['sentences'];
  light: (entries: readonly string[]) => void;
}) {
  const { store } = useParts();
  const [all, setAll] = useState(false);
  const shown = all ? sentences : sentences.slice(0, firstShown);
  const mark = (link: string, now: 'valid' | 'notValid' | null, to: 'valid' | 'notValid') =>
    store.getState().perform([{ kind: 'markProposition', link, mark: now === to ? null : to }]);
  const button = (chosen: boolean) => `plain px-1 ${chosen ? 'bg-mosswash text-ink' : 'text-muted'}`;
  return (
    <section aria-label="Propositions as sentences" className="mt-5">
      <h2 className="label mb-1 font-sans">What the map says</h2>
      <ul className="text-sm">
        {shown.map(({ link, entries, sentence, across, mark: now }) => (
          <li
            key={link}
            className="grid grid-cols-[1fr_auto] items-start gap-1 border-t border-hair py-0.5 hover:bg-mosswash"
            onPointerEnter={() => light(entries)}
          >
            <button
              className={`text-left hover:underline ${now === 'notValid' ? 'text-muted line-through' : ''}`}
              onFocus={() => light(entries)}
              onClick={() => store.getState().pick([linkPick(link)])}
            >
              {sentence}
              {across && <span className="ml-1 text-muted">(cross-link)</span>}
            </button>
            <span className="flex">
              <button
                className={button(now === 'valid')}
                aria-pressed={now === 'valid'}
                aria-label={`Valid: ${sentence}`}
                title="Valid"
                onClick={() => mark(link, now, 'valid')}
              >
                <Check size={14} aria-hidden="true" />
              </button>
              <button
                className={button(now === 'notValid')}
                aria-pressed={now === 'notValid'}
                aria-label={`Not valid: ${sentence}`}
                title="Not valid"
                onClick={() => mark(link, now, 'notValid')}
              >
                <X size={14} aria-hidden="true" />
              </button>
            </span>
          </li>
        ))}
      </ul>
      {sentences.length > shown.length && (
        <button className="plain mt-1" onClick={() => setAll(true)}>
          All {sentences.length}
        </button>
      )}
    </section>
  );
}
