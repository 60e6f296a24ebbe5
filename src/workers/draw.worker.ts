import { expose } from 'comlink';
import { draw, type Diagram, type Drawn } from '../core/diagram';
import { drawnDelta, withDelta, type DiagramDelta, type DrawnDelta } from './delta';

/** What was drawn last: what comes next tells only what differs from it. */
let last: { readonly diagram: Diagram; readonly drawn: Drawn } | null = null;

const work = {
  draw(delta: DiagramDelta, anew: boolean): DrawnDelta {
    const before = anew ? null : last;
    last = null;
    const diagram = withDelta(before?.diagram ?? null, delta);
    const drawn = draw(diagram);
    last = { diagram, drawn };
    return drawnDelta(before?.drawn ?? null, drawn);
  },
};
export type DrawWorker = typeof work;
expose(work);
