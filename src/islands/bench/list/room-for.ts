import type { FocusEvent } from 'react';

/** Tells a cell that takes the focus how wide it may grow within its list, so that the list does not move aside for it. */
export function roomFor(event: FocusEvent<HTMLElement>): void {
  const frame = event.currentTarget;
  const room = frame.getBoundingClientRect().left + frame.clientWidth - event.target.getBoundingClientRect().left;
  event.target.style.setProperty('--room', `${Math.max(0, Math.floor(room))}px`);
}
