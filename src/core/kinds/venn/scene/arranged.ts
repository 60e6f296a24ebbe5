import { suited, wideShapes, type Scaled, type VennLayout } from '../../../arrange/curves';
import { freeRoom, type Rect } from '../../../scene';
import type { Venn, VennSet } from '../model';
import { arrangeVenn, countsOf, largestScale, scaledShapes, usualShapes, type Placed } from './arrangement';
import { vennLegend } from './legend';
import { namesInside } from './nested';
import { scaleWithKey, type KeyPart } from './key-plan';

/** Entries with the text that was measured for them, the curves, and where the entries stand in these. */
export interface Arranged {
  readonly entries: readonly Placed[];
  readonly layout: VennLayout;
  readonly scaled: Scaled | null;
  /** The sets whose names stand inside, by the mask of the region. */
  readonly named: ReadonlyMap<number, number>;
}

/** What stands around curves: the frame, and the parts of the key beside it. */
interface Surroundings {
  readonly frame: Rect;
  readonly parts: readonly KeyPart[];
}

/** How much wider curves may be than they are high, so that more names find room in them. */
const widenings = [1.25, 1.5];
/** Names that print smaller do not read well on a handout (common practice), in points. */
const leastPrint = 8;

/**
 * Entries in curves: on one line each, or broken into several where otherwise more of them would go to the key. Where even so some do not
 * fit, wider curves are taken if more do and all still print at a size that reads, the key with them.
 */
export function arranged<T extends Surroundings>(
  diagram: Venn,
  sets: readonly VennSet[],
  shown: boolean,
  broken: (text: 'wide' | 'narrow') => readonly Placed[],
  around: (one: Arranged) => T,
): { readonly whole: Arranged; readonly surroundings: T } {
  const wide = broken('wide');
  let narrow: readonly Placed[] | null = null;
  const counts = countsOf(sets.length, wide);
  const scaled = scaledShapes(diagram, counts, sets.length);
  const named =
    scaled && diagram.venn.manner.content !== 'counts' ? namesInside(diagram, sets, counts) : new Map<number, number>();
  const set = (entries: readonly Placed[], shapes: Parameters<typeof arrangeVenn>[3]): Arranged => ({
    entries,
    layout: arrangeVenn(diagram, sets, shown ? entries : [], shapes, named),
    scaled,
    named,
  });
  const inShapes = (shapes: Parameters<typeof arrangeVenn>[3]): Arranged => {
    const first = set(wide, shapes);
    if (keyedIn(first) === 0) return first;
    const second = set((narrow ??= broken('narrow')), shapes);
    return keyedIn(second) < keyedIn(first) ? second : first;
  };
  const usual = inShapes(usualShapes(sets.length, scaled));
  if (keyedIn(usual) === 0 || scaled) return { whole: usual, surroundings: around(usual) };
  const sheet = freeRoom(diagram, vennLegend(diagram));
  const judged = (whole: Arranged): Judged<T> => {
    const surroundings = around(whole);
    const scale = scaleWithKey(surroundings.parts, { frame: surroundings.frame, sheet });
    const smallest = Math.min(...whole.entries.flatMap(({ text }) => text.lines.map(({ size }) => size)));
    return { whole, surroundings, keyed: keyedIn(whole), print: smallest * 0.75 * Math.min(largestScale, scale) };
  };
  const enough = roomWanted(wide, usual.layout.size);
  return widenings
    .flatMap((by) =>
      wideShapes(sets.length, by).map((shape) =>
        judged(inShapes([sets.length > 3 ? suited(shape, counts, enough) : shape])),
      ),
    )
    .reduce((best, other) => (isBetter(other, best) ? other : best), judged(usual));
}

/** What the longer ones of some entries need, as a share of the size of the curves. */
function roomWanted(entries: readonly Placed[], size: number): number {
  const widths = entries.map(({ width }) => width).sort((a, b) => a - b);
  return (widths[Math.floor(widths.length * 0.75)]! * 1.25) / size;
}

interface Judged<T> {
  readonly whole: Arranged;
  readonly surroundings: T;
  readonly keyed: number;
  /** Of the smallest names, in points. */
  readonly print: number;
}

/** More names inside is better as long as they can be read; where they cannot, only print that is no smaller. */
function isBetter(one: Judged<unknown>, than: Judged<unknown>): boolean {
  if (one.keyed !== than.keyed) {
    const fewer = one.keyed < than.keyed;
    const [few, many] = fewer ? [one, than] : [than, one];
    return few.print >= Math.min(leastPrint, many.print) ? fewer : !fewer;
  }
  return one.print > than.print * 1.02;
}

/** The regions whose entries stand in the key. */
export const keyedMasks = ({ regions, absent }: VennLayout): Set<number> =>
  new Set([...regions.filter(({ places }) => places === null).map(({ mask }) => mask), ...absent]);

/** How many entries do not fit into their regions. */
function keyedIn({ entries, layout }: Arranged): number {
  const masks = keyedMasks(layout);
  return entries.filter(({ mask }) => masks.has(mask)).length;
}
