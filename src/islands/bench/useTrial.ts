import type { FocusEvent } from 'react';
import type { Gesture } from '../../core/diagram';
import { useParts } from './context';

/** Handlers of something that is tried on the drawing while it is pointed at or has the keyboard's focus; null: nothing to try. */
export function useTrial(): (gesture: Gesture | null) => {
  onPointerEnter(): void;
  onPointerLeave(): void;
  onFocus(event: FocusEvent): void;
  onBlur(): void;
} {
  const { store } = useParts();
  const leave = () => store.getState().tryOut(null);
  return (gesture) => {
    const attempt = () => store.getState().tryOut(gesture);
    return {
      onPointerEnter: attempt,
      onPointerLeave: leave,
      onFocus: (event) => event.currentTarget.matches(':focus-visible') && attempt(),
      onBlur: leave,
    };
  };
}
