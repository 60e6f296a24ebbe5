import type { ClipboardEvent, KeyboardEvent } from 'react';
import type { Entry } from '../../../core/model';
import { useParts } from '../context';
import { rowForm } from './RowForm';
import { focusLine } from './useCellKeys';

/** The first cell of a line: the entry's name. */
export function NameCell({
  entry,
  label,
  className,
  keys,
  onPaste,
}: {
  entry: Entry;
  label: string;
  className: string;
  keys: (event: KeyboardEvent<HTMLInputElement>) => void;
  onPaste: (event: ClipboardEvent<HTMLInputElement>) => void;
}) {
  const { store } = useParts();
  return (
    <input
      type="text"
      form={rowForm(entry.id)}
      aria-label={label}
      className={`cell-input h-full font-semibold -outline-offset-2 ${className}`}
      data-column={0}
      title={entry.name}
      value={entry.name}
      placeholder="Name"
      onChange={(event) =>
        store.getState().perform([{ kind: 'rename', id: entry.id, name: event.target.value }], {
          merge: `cell:${entry.id}:0`,
        })
      }
      onFocus={() => focusLine(store, entry.id)}
      onKeyDown={keys}
      onPaste={onPaste}
    />
  );
}
