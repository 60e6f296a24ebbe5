import { expose } from 'comlink';
import { draw, type Drawn } from '../core/kind';
import type { Diagram } from '../core/model';

const work = {
  draw: (diagram: Diagram): Drawn => draw(diagram),
};
export type DrawWorker = typeof work;
expose(work);
