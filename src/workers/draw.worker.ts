import { expose } from 'comlink';
import { arrangementFound, draw, drawSet, type Diagram, type Drawn } from '../core/diagram';
import type { SheetSet } from '../core/scene';
import { drawnDelta, withDelta, type DiagramDelta, type DrawnDelta } from './delta';

/** What was drawn last: what comes next tells only what differs from it. */
let last: { readonly diagram: Diagram; readonly drawn: Drawn } | null = null;

const work = {
  set: (diagram: Diagram, least: number): SheetSet | null => drawSet(diagram, least),
  draw(delta: DiagramDelta, anew: boolean): DrawnDelta {
    const before = anew ? null : last;
    last = null;
    const diagram = withDelta(before?.diagram ?? null, delta);
    const drawn = draw(diagram);
    last = { diagram, drawn };
    return { ...drawnDelta(before?.drawn ?? null, drawn), found: arrangementFound(diagram) };
  },
};
export type DrawWorker = typeof work;
expose(work);
