import type { ReactNode } from 'react';
import type { Gesture } from '../../../core/diagram';
import { useParts } from '../context';
import { useTrial } from '../useTrial';

/** A choice that is tried on the drawing while it is pointed at or has the keyboard's focus, and kept by a click. */
export function Tried({
  gesture,
  chosen,
  title,
  label,
  children,
}: {
  gesture: Gesture;
  chosen: boolean;
  title: string;
  /** Read out where what is inside says nothing. */
  label?: string;
  children: ReactNode;
}) {
  const { store } = useParts();
  const trial = useTrial();
  return (
    <button
      aria-pressed={chosen}
      aria-label={label}
      title={title}
      className={`block w-full border text-left hover:border-moss ${chosen ? 'border-moss outline-2 outline-moss' : 'border-edge'}`}
      {...trial(chosen ? null : gesture)}
      onClick={() => !chosen && store.getState().perform(gesture)}
    >
      {children}
    </button>
  );
}
