import { expose } from 'comlink';
import { draw, kinds, type Drawn, type Fit } from '../core/kind';
import type { KindId } from '../core/model';
import type { ReadChoices, ReadResult } from '../core/read';

/** Drawings of more entries are made on the Bench, not beside the list. */
const mostDrawn = 6000;

/** What one kind understands of a list. */
export interface KindReading {
  readonly kind: KindId;
  readonly read: ReadResult;
  /** Null where this kind cannot show the list. */
  readonly fit: Fit | null;
  readonly tiers: number;
  /** Null where it does not fit, or has too many entries to be drawn small. */
  readonly drawn: Drawn | null;
}

/** What every kind understands of a list, the one that fits best first; drawn only where it fits. */
export function readInAllKinds(text: string, choices: ReadChoices): KindReading[] {
  return kinds
    .map((kind): KindReading => {
      const read = kind.read(text, choices);
      const fit = kind.fits(read);
      if (!fit) return { kind: kind.id, read, fit, tiers: 0, drawn: null };
      const diagram = kind.make(read, '');
      const drawn = read.entries.length <= mostDrawn ? draw(diagram) : null;
      const tiers = drawn ? drawn.scene.tiers.length : kind.structure(diagram).tierStart.length - 1;
      return { kind: kind.id, read, fit, tiers, drawn };
    })
    .sort((a, b) => (b.fit?.strength ?? 0) - (a.fit?.strength ?? 0));
}

const work = { read: readInAllKinds };
export type ReadWorker = typeof work;
// In a test this module is read without a worker around it.
if (typeof self !== 'undefined' && 'postMessage' in self) expose(work);
