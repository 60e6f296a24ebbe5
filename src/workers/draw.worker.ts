import { expose } from 'comlink';
import { draw, type Drawn } from '../core/diagram';
import type { Diagram } from '../core/diagram';

const work = {
  draw: (diagram: Diagram): Drawn => draw(diagram),
};
export type DrawWorker = typeof work;
expose(work);
