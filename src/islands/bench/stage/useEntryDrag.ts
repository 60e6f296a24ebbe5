import { useEffect, useRef, useState, type MouseEvent, type PointerEvent, type RefObject } from 'react';
import type { Rect } from '../../../core/scene';
import { useParts } from '../context';
import { partsOf, type DropPlan, type Grabbed } from '../kinds';
import { entryPick, isPicked, toggled, type Selection } from '../selection';
import { toDrawing } from '../view';
import { entryUnder, grabbedUnder, groupsIn, thingUnder } from './hit';
import { linkPlan } from './link-plan';

interface Held {
  /** What is dragged; `link`: a link is drawn from an entry; `frame`: a frame around what is to be selected. */
  readonly grabbed: Grabbed | { readonly for: 'link' | 'frame'; readonly id: string };
  readonly x: number;
  readonly y: number;
  readonly from: { readonly x: number; readonly y: number };
  /** What a press that is no drag does when it ends. */
  readonly click: (() => void) | null;
  moved: boolean;
}

const startPx = 6;

/**
 * Selecting by pressing (with Shift or Ctrl one more or one less; with Shift on empty ground a frame), and dragging: what the kind says of it, or with
 * Alt held a link from one entry to another.
 */
export function useEntryDrag(frame: RefObject<HTMLDivElement | null>) {
  const { store, view } = useParts();
  const held = useRef<Held | null>(null);
  const [ghost, setGhost] = useState<{ x: number; y: number; words: string } | null>(null);
  const [target, setTarget] = useState<DropPlan['target']>(null);
  const [framed, setFramed] = useState<Rect | null>(null);

  const entryAt = (event: MouseEvent): string | null =>
    entryUnder(store.getState().drawn, view.getState(), frame.current!, event);
  const pointOf = (event: MouseEvent) => {
    const box = frame.current!.getBoundingClientRect();
    const { drawing } = store.getState().drawn.scene;
    return toDrawing(view.getState(), drawing, event.clientX - box.left, event.clientY - box.top);
  };
  const plan = (event: MouseEvent, { grabbed, from }: Held): DropPlan => {
    const { diagram, drawn, selection } = store.getState();
    const at = pointOf(event);
    const over = entryAt(event);
    if (grabbed.for === 'link') {
      const toGround = over === null ? partsOf(diagram.kind).linkToGround?.(diagram, grabbed.id) : undefined;
      return toGround ?? linkPlan(diagram, grabbed.id, over);
    }
    return partsOf(diagram.kind).drop(diagram, drawn, {
      ...{ grabbed, selection, over, ...at },
      by: { x: at.x - from.x, y: at.y - from.y },
    });
  };
  const stop = () => {
    held.current = null;
    setGhost(null);
    setTarget(null);
    setFramed(null);
  };
  useEffect(() => {
    const escape = (event: KeyboardEvent) => event.key === 'Escape' && held.current && stop();
    window.addEventListener('keydown', escape);
    return () => window.removeEventListener('keydown', escape);
  }, []);

  return {
    ghost,
    target,
    framed,
    entryAt,
    down(event: PointerEvent) {
      if (event.button !== 0 || (event.target instanceof Element && event.target.closest('input'))) return;
      const { diagram, drawn, selection, pick } = store.getState();
      const under = thingUnder(drawn, view.getState(), frame.current!, event);
      const more = event.shiftKey || event.ctrlKey || event.metaKey;
      const from = pointOf(event);
      const hold = (grabbed: Held['grabbed'], click: Held['click'] = null): void => {
        held.current = { grabbed, x: event.clientX, y: event.clientY, from, click, moved: false };
      };
      const thing = under?.selectable?.as ?? under?.stands ?? null;
      // Within an area a frame begins as on empty ground.
      if ((!under || under.selectable?.hit === 'area') && event.shiftKey) return hold({ for: 'frame', id: '' });
      if (!thing) pick([]);
      else if (more) {
        pick(toggled(selection, thing));
        return;
      } else if (!isPicked(selection, thing)) pick([thing]);
      if (event.altKey && thing?.for === 'entry' && partsOf(diagram.kind).drawsLinks)
        return hold({ for: 'link', id: thing.id });
      const grabbed = grabbedUnder(diagram, drawn, view.getState(), frame.current!, event);
      // Of several that are selected, a press alone leaves only the one pressed.
      if (grabbed) hold(grabbed, thing && selection.length > 1 ? () => pick([thing]) : null);
    },
    move(event: PointerEvent) {
      const now = held.current;
      if (!now) return;
      if (!now.moved && Math.hypot(event.clientX - now.x, event.clientY - now.y) < startPx) return;
      if (!now.moved) frame.current!.setPointerCapture(event.pointerId);
      now.moved = true;
      if (now.grabbed.for === 'frame') {
        const at = pointOf(event);
        setFramed({
          x: Math.min(at.x, now.from.x),
          y: Math.min(at.y, now.from.y),
          width: Math.abs(at.x - now.from.x),
          height: Math.abs(at.y - now.from.y),
        });
        return;
      }
      const box = frame.current!.getBoundingClientRect();
      const { words, target: lit } = plan(event, now);
      setGhost({ x: event.clientX - box.left, y: event.clientY - box.top, words });
      setTarget(lit);
    },
    up(event: PointerEvent) {
      const now = held.current;
      if (now && !now.moved) now.click?.();
      if (now?.moved && now.grabbed.for === 'frame' && framed) {
        const { drawn, selection, pick } = store.getState();
        const inside = groupsIn(drawn, framed).flatMap(({ stands, x, y, bounds }) =>
          stands.for === 'entry' &&
          x + bounds.x >= framed.x &&
          y + bounds.y >= framed.y &&
          x + bounds.x + bounds.width <= framed.x + framed.width &&
          y + bounds.y + bounds.height <= framed.y + framed.height
            ? [entryPick(stands.id)]
            : [],
        );
        const kept: Selection = event.ctrlKey || event.metaKey ? selection.filter((one) => !isPicked(inside, one)) : [];
        pick([...kept, ...inside]);
      } else if (now?.moved) {
        const { gesture, picks, edits } = plan(event, now);
        const { perform, pick, set } = store.getState();
        if (perform(gesture) && picks) {
          pick(picks);
          if (edits !== undefined) set({ editing: edits });
        }
      }
      stop();
    },
    cancel: stop,
  };
}
