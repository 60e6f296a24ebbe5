import { useEffect, useRef, useState, type PointerEvent, type MouseEvent, type RefObject } from 'react';
import { useParts } from '../context';
import { partsOf, type DropPlan, type Grabbed } from '../kinds';
import { toDrawing } from '../view';
import { entryUnder, grabbedUnder } from './hit';

interface Held {
  readonly grabbed: Grabbed;
  readonly x: number;
  readonly y: number;
  moved: boolean;
}

const startPx = 6;

/** Selecting by pressing; dragging does what the kind says of it: to another manager, into another region, to another's place. */
export function useEntryDrag(frame: RefObject<HTMLDivElement | null>) {
  const { store, view } = useParts();
  const held = useRef<Held | null>(null);
  const [ghost, setGhost] = useState<{ x: number; y: number; words: string } | null>(null);
  const [target, setTarget] = useState<DropPlan['target']>(null);

  const entryAt = (event: MouseEvent): string | null =>
    entryUnder(store.getState().drawn, view.getState(), frame.current!, event);
  const pointOf = (event: MouseEvent) => {
    const box = frame.current!.getBoundingClientRect();
    const { drawing } = store.getState().drawn.scene;
    return toDrawing(view.getState(), drawing, event.clientX - box.left, event.clientY - box.top);
  };
  const plan = (event: MouseEvent, grabbed: Grabbed): DropPlan => {
    const { diagram, drawn } = store.getState();
    const at = pointOf(event);
    return partsOf(diagram.kind).drop(diagram, drawn, grabbed, entryAt(event), at.x, at.y);
  };
  const stop = () => {
    held.current = null;
    setGhost(null);
    setTarget(null);
  };
  useEffect(() => {
    const escape = (event: KeyboardEvent) => event.key === 'Escape' && held.current && stop();
    window.addEventListener('keydown', escape);
    return () => window.removeEventListener('keydown', escape);
  }, []);

  return {
    ghost,
    target,
    entryAt,
    down(event: PointerEvent) {
      if (event.button !== 0 || (event.target instanceof Element && event.target.closest('input'))) return;
      const id = entryAt(event);
      store.getState().select(id);
      const { diagram, drawn } = store.getState();
      const grabbed = grabbedUnder(diagram, drawn, view.getState(), frame.current!, event);
      if (grabbed) held.current = { grabbed, x: event.clientX, y: event.clientY, moved: false };
    },
    move(event: PointerEvent) {
      const now = held.current;
      if (!now) return;
      if (!now.moved && Math.hypot(event.clientX - now.x, event.clientY - now.y) < startPx) return;
      if (!now.moved) frame.current!.setPointerCapture(event.pointerId);
      now.moved = true;
      const box = frame.current!.getBoundingClientRect();
      const { words, target: lit } = plan(event, now.grabbed);
      setGhost({ x: event.clientX - box.left, y: event.clientY - box.top, words });
      setTarget(lit);
    },
    up(event: PointerEvent) {
      const now = held.current;
      if (now?.moved) {
        store.getState().perform(plan(event, now.grabbed).gesture);
      }
      stop();
    },
    cancel: stop,
  };
}
