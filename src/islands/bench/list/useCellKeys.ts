import { own } from '../../../core/model';
import type { KeyboardEvent } from 'react';
import { useParts } from '../context';
import { addEntry, moveEntry, removeEntry, type AddWhere } from '../edit-actions';
import { lineAway } from '../tree/outline-moves';

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
    const { drawn, set } = store.getState();
    const input = event.currentTarget;
    const column = Number(input.dataset.column);
    const focus = (entry: string | null, to = column): boolean => {
      if (entry !== null) set({ focus: { entry, column: to } });
      return entry !== null;
    };
    switch (event.key) {
      case 'Enter': {
        const where: AddWhere = event.shiftKey ? 'under' : event.altKey ? 'above' : 'next';
        focus(addEntry(store, where, id), 0);
        return true;
      }
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
        return focus(lineAway(drawn.structure, id, up ? -1 : 1)) || true;
      }
      case 'ArrowLeft':
        return (isTick(input) || input.selectionEnd === 0) && column > 0 && focus(id, column - 1);
      case 'ArrowRight':
        return (isTick(input) || input.selectionStart === input.value.length) && focusRight(input, column);
      case 'Delete':
        if (!event.ctrlKey && !event.metaKey) return false;
        removeEntry(store, id, true);
        return true;
      case 'Backspace':
        if (column !== 0 || input.value !== '' || own(store.getState().diagram.entries, id)?.details.some(Boolean))
          return false;
        removeEntry(store, id, true);
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
