import { useState, type ClipboardEvent, type KeyboardEvent } from 'react';
import type { Gesture } from '../../../core/diagram';
import type { ListColumn } from '../../../core/kind';
import { useBench, useParts } from '../context';
import { rowForm } from './RowForm';
import { focusLine } from './useCellKeys';

const keyboards: Partial<Record<ListColumn['type'], 'decimal' | 'text'>> = {
  number: 'decimal',
  probability: 'decimal',
  money: 'decimal',
};

/**
 * The cell of an entry in a column that its kind states: shown and written as the column says. What cannot be taken stays in the cell, marked, with the
 * reason, and goes when the cell is left.
 */
export function ListCell({
  entry,
  column,
  at,
  label,
  keys,
  onPaste,
}: {
  entry: string;
  column: ListColumn;
  at: number;
  label: string;
  keys: (event: KeyboardEvent<HTMLInputElement>) => void;
  onPaste?: (event: ClipboardEvent<HTMLInputElement>) => void;
}) {
  const { store } = useParts();
  const shown = useBench((state) => column.show(state.diagram, entry));
  const [amiss, setAmiss] = useState<{ typed: string; reason: string } | null>(null);
  const write = (typed: string) => {
    const { diagram, perform } = store.getState();
    const written = column.write(diagram, entry, typed);
    if (written.ok) perform(written.gesture as Gesture, { merge: `cell:${entry}:${column.id}` });
    setAmiss(written.ok ? null : { typed, reason: written.reason });
  };
  const value = amiss?.typed ?? shown;
  if (column.choices)
    return (
      <select
        form={rowForm(entry)}
        aria-label={label}
        className="h-full w-full min-w-0 bg-transparent px-1 text-sm text-muted -outline-offset-2"
        data-column={at}
        value={shown}
        onChange={(event) => write(event.target.value)}
        onFocus={() => focusLine(store, entry)}
      >
        {!column.choices.includes(shown) && <option value={shown}>{shown}</option>}
        {column.choices.map((choice) => (
          <option key={choice}>{choice}</option>
        ))}
      </select>
    );
  return (
    <input
      form={rowForm(entry)}
      type={column.type === 'date' ? 'date' : 'text'}
      inputMode={keyboards[column.type]}
      aria-label={label}
      aria-invalid={amiss ? true : undefined}
      className={`cell-input h-full px-1 text-sm text-muted -outline-offset-2 ${amiss ? 'outline-2 outline-brick' : ''}`}
      data-column={at}
      title={amiss?.reason ?? value}
      value={value}
      onChange={(event) => write(event.target.value)}
      onFocus={() => focusLine(store, entry)}
      onBlur={() => {
        if (amiss) store.getState().notify([amiss.reason]);
        setAmiss(null);
      }}
      onKeyDown={keys}
      onPaste={onPaste}
    />
  );
}
