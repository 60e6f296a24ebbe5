import { lineClear, neckOf, rowStart, type Head } from './head';
import type { Levels } from './levels';
import { branchShape, type FoundShape, type CompactInput, type ItemShape } from './types';

/** All items side by side, by each of the heights. */
export function rows(input: CompactInput, head: Head, { narrowest, flat }: Levels): FoundShape[] {
  const start = rowStart(head);
  const found: FoundShape[] = [];
  const n = narrowest[0]?.length ?? 0;
  const sizes = packedSizes(n);
  const ats: number[] = [];
  for (const levels of [narrowest, flat]) {
    let narrowestYet = Infinity;
    for (const level of levels) {
      if (level.includes(null)) continue;
      const picks = level as ItemShape[];
      ats.length = 0;
      pack(picks, 0, n, input.branchGap, sizes, ats);
      const [width, height] = [sizes.widths[n - 1]!, sizes.heights[n - 1]!];
      const first = ats[0]! + picks[0]!.firstDrop;
      const last = ats[n - 1]! + picks[n - 1]!.lastDrop;
      const single = picks.length === 1 && picks[0]!.stack !== null && picks[0]!.stack.columns > 1;
      // Over columns the head stands in the middle of the boxes, over a row in the middle between the first and the last.
      const centre = single ? width / 2 : (first + last) / 2;
      const half = Math.max(head.across, head.stripBreadth) / 2;
      const left = Math.max(0, half - centre);
      const across = Math.max(left + width, left + centre + half);
      // Levels go from low to high: what is no narrower than a lower one is of no use.
      if (across >= narrowestYet) continue;
      narrowestYet = across;
      const neck = neckOf(head, left + centre, start);
      const plan = { how: 'row' as const, picks, ats: atsOf(picks, input.branchGap, left), start };
      found.push(branchShape(across, start + height, left + centre, neck, plan));
    }
  }
  return found;
}

/** Made apart from where it is used, so that what waits to be asked keeps nothing else. */
const atsOf = (picks: readonly ItemShape[], gap: number, left: number) => () =>
  packed(picks, gap).map((at) => at + left);

/** Where the items of a row begin, so that all keep their distance: low ones stand beside the heads of high ones, over what these lead. */
export function packed(picks: readonly ItemShape[], gap: number): number[] {
  const ats: number[] = [];
  pack(picks, 0, picks.length, gap, packedSizes(picks.length), ats);
  return ats;
}

/** Boxes that a row has so far: left out and reused, as thousands of rows are tried. */
let rights = new Float64Array(64);
let tops = new Float64Array(64);
let bottoms = new Float64Array(64);

/** Drops those of the first boxes that one of the last reaches further than over all their height: they hold nothing back any more. How many are left. */
function uncovered(first: number, boxes: number): number {
  let kept = 0;
  for (let b = 0; b < boxes; b++) {
    let covered = false;
    if (b < first)
      for (let later = first; later < boxes && !covered; later++)
        covered = rights[later]! >= rights[b]! && tops[later]! <= tops[b]! && bottoms[later]! >= bottoms[b]!;
    if (covered) continue;
    if (kept < b) {
      rights[kept] = rights[b]!;
      tops[kept] = tops[b]!;
      bottoms[kept] = bottoms[b]!;
    }
    kept++;
  }
  return kept;
}

/** Sizes of the rows that some shapes make, each with one more of them: `widths[k]` and `heights[k]` of the first k + 1. */
export interface PackedSizes {
  readonly widths: Float64Array;
  readonly heights: Float64Array;
}

/** Puts the shapes from `from` to before `to` next to each other, and tells the size after each. `ats`: told where each begins, if asked for. */
export function pack(
  picks: readonly (ItemShape | null)[],
  from: number,
  to: number,
  gap: number,
  { widths, heights }: PackedSizes,
  ats: number[] | null = null,
): void {
  let [boxes, least, most, height] = [0, 0, 0, 0];
  if (rights.length < 2 * (to - from)) {
    rights = new Float64Array(4 * (to - from));
    tops = new Float64Array(4 * (to - from));
    bottoms = new Float64Array(4 * (to - from));
  }
  for (let k = from; k < to; k++) {
    const { across, along, neck } = picks[k]!;
    const whole = neck.depth >= along - 1e-6;
    let at = k === from ? 0 : -Infinity;
    const headLeft = whole ? 0 : neck.left;
    const headBottom = whole ? along : neck.depth;
    const bodyTop = headBottom + lineClear;
    for (let b = 0; b < boxes; b++) {
      const right = rights[b]! + gap;
      if (tops[b]! < headBottom && bottoms[b]! > 0 && right - headLeft > at) at = right - headLeft;
      if (!whole && tops[b]! < along && bottoms[b]! > bodyTop && right > at) at = right;
    }
    const before = boxes;
    rights[boxes] = at + (whole ? across : neck.right);
    tops[boxes] = 0;
    bottoms[boxes++] = headBottom;
    if (!whole) {
      rights[boxes] = at + across;
      tops[boxes] = bodyTop;
      bottoms[boxes++] = along;
    }
    boxes = uncovered(before, boxes);
    ats?.push(at);
    if (at < least) least = at;
    if (at + across > most) most = at + across;
    if (along > height) height = along;
    widths[k - from] = most - least;
    heights[k - from] = height;
  }
  if (ats) for (let k = 0; k < ats.length; k++) ats[k]! -= least;
}

/** Room for sizes, the same each time: whoever asks next writes over them. */
export function packedSizes(length: number): PackedSizes {
  if (room.widths.length < length)
    room = { widths: new Float64Array(2 * length), heights: new Float64Array(2 * length) };
  return room;
}
let room: PackedSizes = { widths: new Float64Array(64), heights: new Float64Array(64) };
