import { useRef, type ClipboardEvent, type KeyboardEvent } from 'react';
import { kindOf } from '../../../core/diagram';
import { limits, own, type Entry } from '../../../core/model';
import { useParts } from '../context';
import { addedStep } from '../edit-actions';
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
  const typed = useRef(false);
  /** "Bo Lin, Cook" typed is parted as it is when it is pasted, once the cell is left. */
  const part = () => {
    if (!typed.current) return;
    typed.current = false;
    const { diagram, perform } = store.getState();
    const now = own(diagram.entries, entry.id);
    const parted = now && !now.details.some(Boolean) ? kindOf(diagram.kind).partTyped?.(now.name) : undefined;
    if (!parted || parted.name === '' || parted.details.length === 0) return;
    perform(
      [
        { kind: 'rename', id: entry.id, name: parted.name },
        { kind: 'setDetails', id: entry.id, details: parted.details.slice(0, limits.details) },
      ],
      { merge: `parted:${entry.id}`, joins: `cell:${entry.id}:0` },
    );
  };
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
      onChange={(event) => {
        typed.current = true;
        store.getState().perform([{ kind: 'rename', id: entry.id, name: event.target.value }], {
          merge: `cell:${entry.id}:0`,
          joins: addedStep(entry.id),
        });
      }}
      onBlur={part}
      onFocus={() => focusLine(store, entry.id)}
      onKeyDown={keys}
      onPaste={onPaste}
    />
  );
}
