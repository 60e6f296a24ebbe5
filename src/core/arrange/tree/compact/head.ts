import { besideChildren, stripBreadth, stripDepth } from '../items';
import { columnStep } from '../stack';
import { trunk, type CompactInput, type Neck } from './types';

/** The box that leads a branch, or nothing over several roots. */
export interface Head {
  readonly across: number;
  readonly along: number;
  /** Strip of assistants below it. */
  readonly strip: number;
  readonly stripBreadth: number;
  /** Length of the assistants where they hang at a trunk, one below another. */
  readonly hanging: number;
  readonly gap: number;
  /** Beginning of what hangs at its trunk. */
  readonly indent: number;
}

export function headOf(input: CompactInput, i: number): Head {
  const aside = input.count[i] === 0 ? [] : besideChildren(input, i);
  return {
    across: input.across[i]!,
    along: input.along[i]!,
    strip: stripDepth(aside, input.along),
    stripBreadth: aside.length > 0 ? stripBreadth(input, input.across, i) : 0,
    hanging: aside.reduce((sum, c) => sum + input.along[c]! + columnStep(input), 0),
    gap: input.tierGap[input.tier[i]!] ?? 0,
    indent: Math.min(trunk.at, input.across[i]! / 2) + trunk.clear,
  };
}

export const noHead = (input: CompactInput): Head => ({
  across: 0,
  along: 0,
  strip: 0,
  stripBreadth: 0,
  hanging: 0,
  gap: input.branchGap,
  indent: 0,
});

/** Where the items begin below a head whose line goes straight down through the strip of its assistants. */
export const rowStart = ({ along, strip, gap }: Head): number =>
  along + (strip > 0 ? gap * 1.3 + strip : along > 0 ? gap : 0);

/** The part of a branch above the bus to what it leads. */
export function neckOf(head: Head, anchor: number, start: number): Neck {
  const half = Math.max(head.across, head.stripBreadth) / 2;
  const bus = start - head.gap * (head.strip > 0 ? 0.4 : 0.5);
  return { left: anchor - half, right: anchor + half, depth: Math.max(0, bus - lineClear) };
}
/** Free distance between a box and a line that runs below it. CSS px. */
export const lineClear = 5;
