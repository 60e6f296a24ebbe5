import type { SyntheticEvent } from 'react';

/**
 * Lets a cell that has the focus grow within its list as its text asks: to the right, and where that would lead out of the list, as far to the left as is
 * needed, so that the list does not move aside for it. To be called when a cell takes the focus and when something is typed.
 */
export function roomFor(event: SyntheticEvent<HTMLElement>): void {
  const cell = event.target;
  const holder = cell instanceof HTMLInputElement && cell.classList.contains('cell-input') ? cell.parentElement : null;
  if (!(cell instanceof HTMLElement) || !holder) return;
  const frame = event.currentTarget.getBoundingClientRect();
  const end = frame.left + event.currentTarget.clientWidth;
  cell.style.setProperty('--room', `${Math.floor(end - frame.left)}px`);
  cell.style.setProperty('--back', '0px');
  const { left, right } = cell.getBoundingClientRect();
  const back = Math.min(Math.max(0, right - end), Math.max(0, left - frame.left));
  cell.style.setProperty('--back', `${Math.ceil(back)}px`);
}
