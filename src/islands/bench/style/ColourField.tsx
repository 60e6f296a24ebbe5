import { formatHex, parse } from 'culori';
import { useState } from 'react';
import { useBench } from '../context';
import { swatchesOf } from './swatches';

/** What was typed as a colour, as `#rrggbb`: hex with or without its sign, short or long, or as CSS writes colours; null where it is none. */
export const colourOf = (typed: string): string | null => {
  const text = typed.trim().toLowerCase();
  const parsed = parse(/^[0-9a-f]{3}$|^[0-9a-f]{6}$/.test(text) ? `#${text}` : text);
  return parsed ? formatHex({ ...parsed, alpha: 1 }) : null;
};

/** A colour picked, typed, or taken from the swatches of the look, of the diagram, and of what was used last. */
export function ColourField({
  id,
  name,
  value,
  onChange,
}: {
  id: string;
  name: string;
  value: string | null;
  onChange: (value: string) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const [open, setOpen] = useState(false);
  const take = () => {
    const colour = typed === null ? null : colourOf(typed);
    if (colour && colour !== value) onChange(colour);
    if (colour || typed?.trim() === '') setTyped(null);
  };
  const wrong = typed !== null && typed.trim() !== '' && colourOf(typed) === null;
  return (
    <span className="grid gap-1">
      <span className="flex items-center gap-1.5">
        <input
          id={id}
          type="color"
          className="h-7 w-9 shrink-0 border border-edge bg-raised p-0.5"
          value={value ?? '#ffffff'}
          onChange={(event) => onChange(event.target.value)}
        />
        <input
          aria-label={`${name}, typed`}
          aria-invalid={wrong}
          className="field min-h-7 w-22 py-0 text-sm"
          value={typed ?? value ?? ''}
          placeholder="they differ"
          spellCheck={false}
          onChange={(event) => setTyped(event.target.value)}
          onBlur={take}
          onKeyDown={(event) => {
            if (event.key === 'Enter') take();
            if (event.key === 'Escape') setTyped(null);
          }}
        />
        <button
          type="button"
          className="plain px-1"
          aria-expanded={open}
          aria-label={`${name}: swatches`}
          title="Swatches"
          onClick={() => setOpen(!open)}
        >
          ▾
        </button>
      </span>
      {wrong && <span className="text-sm text-brick">A colour is written #2f6d4f, or as a word such as “navy”.</span>}
      {open && <Swatches name={name} onChoose={onChange} />}
    </span>
  );
}

function Swatches({ name, onChoose }: { name: string; onChoose: (colour: string) => void }) {
  const diagram = useBench((state) => state.diagram);
  const used = useBench((state) => state.usedColours);
  return (
    <span className="grid gap-1">
      {swatchesOf(diagram, used).map(({ words, colours }) => (
        <span key={words} className="grid gap-0.5">
          <span className="text-sm text-muted">{words}</span>
          <span className="flex flex-wrap gap-1">
            {colours.map((colour) => (
              <button
                key={colour}
                type="button"
                className="h-6 w-6 border border-edge hover:outline-2 hover:outline-moss"
                style={{ background: colour }}
                aria-label={`${name}: ${colour}`}
                title={colour}
                onClick={() => onChoose(colour)}
              />
            ))}
          </span>
        </span>
      ))}
    </span>
  );
}
