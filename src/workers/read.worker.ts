import { expose } from 'comlink';
import { draw, readInAllKinds, type Drawn, type KindId } from '../core/diagram';
import { tierCount } from '../core/hierarchy';
import type { Fit } from '../core/kind';
import type { ReadChoices, Reading } from '../core/read';

/** Drawings of more entries are made on the Bench, not beside the list. */
const mostDrawn = 6000;

/** What one kind understands of a list, as it goes from the worker to the page. */
export interface ReadAway {
  readonly kind: KindId;
  readonly read: Reading;
  /** Null where this kind cannot show the list. */
  readonly fit: Fit | null;
  readonly tiers: number;
  /** Null where it does not fit, or has too many entries to be drawn small. */
  readonly drawn: Drawn | null;
}

/** What every kind understands of a list, the one that fits best first; drawn only where it fits. */
export function readAndDraw(
  text: string,
  choices: ReadChoices,
  /** Told before a kind reads or draws the list. */
  goesOn: (kind: KindId) => void = () => undefined,
): ReadAway[] {
  return readInAllKinds(text, choices, goesOn).map(({ kind, read, fit }): ReadAway => {
    goesOn(kind.id);
    if (!fit) return { kind: kind.id, read, fit, tiers: 0, drawn: null };
    const diagram = kind.make(read, '');
    const drawn = read.entries.length <= mostDrawn ? draw(diagram) : null;
    const tiers = drawn ? drawn.scene.tiers.length : tierCount(kind.structure(diagram));
    return { kind: kind.id, read, fit, tiers, drawn };
  });
}

const work = { read: readAndDraw };
export type ReadWorker = typeof work;
// In a test this module is read without a worker around it.
if (typeof self !== 'undefined' && 'postMessage' in self) expose(work);
