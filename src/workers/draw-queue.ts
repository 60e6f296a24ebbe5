import type { Diagram, Drawn } from '../core/diagram';
import { diagramDelta, withDrawnDelta, type DiagramDelta, type DrawnDelta } from './delta';

/** Draws what differs from the diagram drawn before; the other end of a `DrawQueue`. */
export type DrawDelta = (delta: DiagramDelta, anew: boolean) => Promise<DrawnDelta>;

interface Waiting {
  readonly diagram: Diagram;
  readonly resolve: (drawn: Drawn | null) => void;
  readonly reject: (error: unknown) => void;
}

/**
 * One drawing at a time; while one is made only the newest waits, and one that a newer takes the place of is answered with null. Only what changed is sent
 * and sent back. After a failure all is sent anew.
 */
export class DrawQueue {
  private waiting: Waiting | null = null;
  private running = false;
  private last: { readonly diagram: Diagram; readonly drawn: Drawn } | null = null;
  /** `onFound`: told how a diagram was arranged, so that this side need not search for it. */
  constructor(
    private readonly away: DrawDelta,
    private readonly onFound: (diagram: Diagram, found: unknown) => void = () => undefined,
  ) {}

  draw(diagram: Diagram): Promise<Drawn | null> {
    return new Promise((resolve, reject) => {
      this.waiting?.resolve(null);
      this.waiting = { diagram, resolve, reject };
      if (!this.running) void this.run();
    });
  }

  private async run(): Promise<void> {
    this.running = true;
    while (this.waiting) {
      const { diagram, resolve, reject }: Waiting = this.waiting;
      this.waiting = null;
      try {
        const before = this.last;
        this.last = null;
        const delta = await this.away(diagramDelta(before?.diagram ?? null, diagram), before === null);
        const drawn = withDrawnDelta(before?.drawn ?? null, delta);
        this.last = { diagram, drawn };
        this.onFound(diagram, delta.found ?? null);
        resolve(drawn);
      } catch (error) {
        reject(error);
      }
    }
    this.running = false;
  }
}
