import { own } from '../../../core/model';
import type { KeyboardEvent } from 'react';
import { useParts } from '../context';
import { addEntry, addWhere, moveEntry, removeEntry, removeSelected } from '../edit-actions';
import { entryPick, isPicked, lineRange, toggled } from '../selection';
import type { BenchStore } from '../store';
import { lineAway } from '../tree/outline-moves';

/** The selection grown, or shrunk again, from where it began to a line of the list. */
export function extendTo(store: BenchStore, to: string): void {
  const { structure, selection, pick } = store.getState();
  const lines = Array.from(structure.outline, (i) => structure.ids[i]!);
  const first = selection.find((one) => one.for === 'entry');
  pick(lineRange(lines, first?.id ?? null, to));
}

/** A line pressed in the list: alone, with Ctrl one more or one less, with Shift all up to it. */
export function pressLine(
  store: BenchStore,
  id: string,
  event: { shiftKey: boolean; ctrlKey: boolean; metaKey: boolean },
): void {
  const { selection, pick, select } = store.getState();
  if (event.shiftKey) extendTo(store, id);
  else if (event.ctrlKey || event.metaKey) pick(toggled(selection, entryPick(id)));
  else select(id);
}

/** A cell that takes the focus selects its line, unless the line is selected with others. */
export function focusLine(store: BenchStore, id: string): void {
  const { selection, select } = store.getState();
  if (!isPicked(selection, entryPick(id))) select(id);
}

/** Keys in a cell of the list; as fast as a plain text editor. */
export function useCellKeys(id: string) {
  const { store } = useParts();
  return (event: KeyboardEvent<HTMLInputElement>) => {
    if (handle(event)) {
      event.preventDefault();
      event.stopPropagation();
    }
  };

  function handle(event: KeyboardEvent<HTMLInputElement>): boolean {
    const { structure, set } = store.getState();
    const input = event.currentTarget;
    const column = Number(input.dataset.column);
    const focus = (entry: string | null, to = column): boolean => {
      if (entry !== null) set({ focus: { entry, column: to } });
      return entry !== null;
    };
    switch (event.key) {
      case 'Enter':
        focus(addEntry(store, addWhere(event), id), 0);
        return true;
      case 'Tab':
        if (moveEntry(store, id, event.shiftKey ? 'tierUp' : 'tierDown')) focus(id);
        return true;
      case 'ArrowUp':
      case 'ArrowDown': {
        const up = event.key === 'ArrowUp';
        if (event.altKey) {
          if (moveEntry(store, id, up ? 'earlier' : 'later')) focus(id);
          return true;
        }
        const next = lineAway(structure, id, up ? -1 : 1);
        if (event.shiftKey && next !== null) {
          extendTo(store, next);
          set({ focus: { entry: next, column } });
          return true;
        }
        return focus(next) || true;
      }
      case 'ArrowLeft':
        return (isTick(input) || input.selectionEnd === 0) && column > 0 && focus(id, column - 1);
      case 'ArrowRight':
        return (isTick(input) || input.selectionStart === input.value.length) && focusRight(input, column);
      case 'Delete':
        if (!event.ctrlKey && !event.metaKey) return false;
        removeSelected(store, { focusAfter: 'list' });
        return true;
      case 'Backspace':
        if (column !== 0 || input.value !== '' || own(store.getState().diagram.entries, id)?.details.some(Boolean))
          return false;
        removeEntry(store, id);
        return true;
      case 'Escape':
        leave(input);
        return true;
      default:
        return false;
    }
  }

  function focusRight(input: HTMLInputElement, column: number): boolean {
    const next = input.closest('[role=row]')?.querySelector(`[data-column="${column + 1}"]`);
    if (next) store.getState().set({ focus: { entry: id, column: column + 1 } });
    return next !== null && next !== undefined;
  }
}

/** A box to tick has no place for the caret: arrows leave it at once. */
const isTick = (input: HTMLInputElement): boolean => input.type === 'checkbox';

/** Out of the list: the focus goes to the drawing, from where Tab goes on as usual. */
function leave(input: HTMLInputElement): void {
  input.blur();
  document.querySelector<HTMLElement>('[aria-label^="The drawing."]')?.focus();
}
