import { useEffect, useRef, useState, type PointerEvent, type MouseEvent, type RefObject } from 'react';
import { moveUnder } from '../../../core/edit';
import { useParts } from '../context';
import { movingWords } from '../moving-words';
import { entryUnder } from './hit';

interface Held {
  readonly id: string;
  readonly x: number;
  readonly y: number;
  moved: boolean;
}

const startPx = 6;

/** Selecting by pressing; dragging an entry onto another moves its whole branch there. */
export function useEntryDrag(frame: RefObject<HTMLDivElement | null>) {
  const { store, view } = useParts();
  const held = useRef<Held | null>(null);
  const [ghost, setGhost] = useState<{ x: number; y: number; words: string } | null>(null);
  const [target, setTarget] = useState<string | null>(null);

  const entryAt = (event: MouseEvent): string | null =>
    entryUnder(store.getState().drawn, view.getState(), frame.current!, event);
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
      if (id) held.current = { id, x: event.clientX, y: event.clientY, moved: false };
    },
    move(event: PointerEvent) {
      const now = held.current;
      if (!now) return;
      if (!now.moved && Math.hypot(event.clientX - now.x, event.clientY - now.y) < startPx) return;
      if (!now.moved) frame.current!.setPointerCapture(event.pointerId);
      now.moved = true;
      const box = frame.current!.getBoundingClientRect();
      const over = entryAt(event);
      const { words, allowed } = movingWords(store.getState().diagram, now.id, over);
      setGhost({ x: event.clientX - box.left, y: event.clientY - box.top, words });
      setTarget(allowed ? over : null);
    },
    up(event: PointerEvent) {
      const now = held.current;
      if (now?.moved) {
        const over = entryAt(event);
        if (over && over !== now.id) store.getState().perform(moveUnder(store.getState().diagram, now.id, over));
      }
      stop();
    },
    cancel: stop,
  };
}
