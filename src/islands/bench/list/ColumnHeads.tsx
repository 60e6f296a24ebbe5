import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { own } from '../../../core/model';
import type { Widths } from './column-widths';

export const headHeight = 26;
const widths = { least: 32, most: 600, step: 12 };

export interface Heading {
  readonly id: string;
  readonly name: string;
  readonly unit?: string;
  /** How a long name stands in a narrow column: cut, on several lines, or turned to run upward. Cut where it is left out. */
  readonly stands?: 'cut' | 'lines' | 'upright';
}

const lettering = {
  cut: 'block truncate px-1.5 label font-sans',
  lines: 'line-clamp-3 px-0.5 py-1 text-center text-[12px] leading-tight font-semibold wrap-break-word hyphens-auto',
  upright:
    'mx-auto block max-h-28 rotate-180 overflow-hidden px-1.5 text-[12px] leading-tight font-semibold whitespace-nowrap [writing-mode:vertical-rl]',
};

/** The headings of the list's columns, each with a grip at its right edge that sets its width; twice pressed, the width follows the content again. */
export function ColumnHeads({
  columns,
  tracks,
  set,
  onWidth,
}: {
  columns: readonly Heading[];
  tracks: string;
  /** Widths that were set by hand. */
  set: Widths;
  onWidth: (id: string, width: number | null) => void;
}) {
  return (
    <div
      role="row"
      aria-rowindex={1}
      className="sticky top-0 z-[5] grid items-stretch border-b border-edge bg-paper"
      style={{ gridTemplateColumns: tracks, minHeight: headHeight }}
    >
      <span role="presentation" />
      {columns.map((column) => (
        <Head key={column.id} column={column} width={own(set, column.id)} onWidth={onWidth} />
      ))}
    </div>
  );
}

function Head({
  column: { id, name, unit, stands = 'cut' },
  width,
  onWidth,
}: {
  column: Heading;
  width: number | undefined;
  onWidth: (id: string, width: number | null) => void;
}) {
  const cell = useRef<HTMLSpanElement>(null);
  const held = useRef<{ from: number; width: number } | null>(null);
  const now = () => cell.current?.offsetWidth ?? widths.least;
  const set = (next: number) => onWidth(id, Math.round(Math.min(widths.most, Math.max(widths.least, next))));
  return (
    <span ref={cell} role="columnheader" className="relative flex min-w-0 items-end" title={name}>
      <span className={`min-w-0 ${stands === 'cut' ? 'self-center' : 'w-full'} ${lettering[stands]}`}>
        {name || '–'}
        {unit && <span className="normal-case"> ({unit})</span>}
      </span>
      <span
        role="slider"
        tabIndex={0}
        aria-label={`Width of the column ${name}`}
        aria-orientation="horizontal"
        aria-valuemin={widths.least}
        aria-valuemax={widths.most}
        aria-valuenow={width ?? now()}
        className="absolute inset-y-0 right-0 w-6 cursor-col-resize touch-none border-r border-hair hover:border-r-2 hover:border-moss"
        onDoubleClick={() => onWidth(id, null)}
        onKeyDown={(event: KeyboardEvent) => {
          if (event.key === 'ArrowRight') set(now() + widths.step);
          else if (event.key === 'ArrowLeft') set(now() - widths.step);
          else return;
          event.preventDefault();
        }}
        onPointerDown={(event: PointerEvent) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          held.current = { from: event.clientX, width: now() };
        }}
        onPointerMove={(event) => held.current && set(held.current.width + event.clientX - held.current.from)}
        onPointerUp={() => (held.current = null)}
        onPointerCancel={() => (held.current = null)}
      />
    </span>
  );
}
