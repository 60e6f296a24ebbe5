import { lineClear, neckOf, rowStart, type Head } from './head';
import type { Levels } from './levels';
import type { BranchShape, CompactInput, ItemShape } from './types';

/** All items side by side, by each of the heights. */
export function rows(input: CompactInput, head: Head, { narrowest, flat }: Levels): BranchShape[] {
  const start = rowStart(head);
  const found: BranchShape[] = [];
  for (const level of [...narrowest, ...flat]) {
    if (level.some((shape) => shape === null)) continue;
    const picks = level as ItemShape[];
    const row = packed(picks, input.branchGap);
    const first = row.ats[0]! + picks[0]!.firstDrop;
    const last = row.ats.at(-1)! + picks.at(-1)!.lastDrop;
    const single = picks.length === 1 && picks[0]!.stack !== null && picks[0]!.stack.columns > 1;
    // Over columns the head stands in the middle of the boxes, over a row in the middle between the first and the last.
    const centre = single ? row.width / 2 : (first + last) / 2;
    const half = Math.max(head.across, head.stripBreadth) / 2;
    const left = Math.max(0, half - centre);
    found.push({
      across: Math.max(left + row.width, left + centre + half),
      along: start + row.height,
      anchor: left + centre,
      neck: neckOf(head, left + centre, start),
      plan: { how: 'row', picks, ats: row.ats.map((at) => at + left), start },
    });
  }
  return found;
}

/** Where the items of a row begin, so that all keep their distance: low ones stand beside the heads of high ones, over what these lead. */
export function packed(picks: readonly ItemShape[], gap: number): { ats: number[]; width: number; height: number } {
  const ats: number[] = [];
  const size = pack(picks, 0, picks.length, gap, ats);
  return { ats, ...size };
}

/** Boxes that a row has so far: left out and reused, as thousands of rows are tried. */
let rights = new Float64Array(64);
let tops = new Float64Array(64);
let bottoms = new Float64Array(64);

/** Drops boxes that a later one reaches further than over all their height: they hold nothing back any more. How many are left. */
function uncovered(boxes: number): number {
  let kept = 0;
  for (let b = 0; b < boxes; b++) {
    let covered = false;
    for (let later = b + 1; later < boxes && !covered; later++)
      covered = rights[later]! >= rights[b]! && tops[later]! <= tops[b]! && bottoms[later]! >= bottoms[b]!;
    if (covered) continue;
    rights[kept] = rights[b]!;
    tops[kept] = tops[b]!;
    bottoms[kept++] = bottoms[b]!;
  }
  return kept;
}

/** Size of the row of some of the shapes; `ats`: told where each begins, if asked for. */
export function pack(
  picks: readonly (ItemShape | null)[],
  from: number,
  to: number,
  gap: number,
  ats: number[] | null = null,
): { width: number; height: number } {
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
      if (tops[b]! < headBottom && bottoms[b]! > 0) at = Math.max(at, right - headLeft);
      if (!whole && tops[b]! < along && bottoms[b]! > bodyTop) at = Math.max(at, right);
    }
    rights[boxes] = at + (whole ? across : neck.right);
    tops[boxes] = 0;
    bottoms[boxes++] = headBottom;
    if (!whole) {
      rights[boxes] = at + across;
      tops[boxes] = bodyTop;
      bottoms[boxes++] = along;
    }
    boxes = uncovered(boxes);
    ats?.push(at);
    least = Math.min(least, at);
    most = Math.max(most, at + across);
    height = Math.max(height, along);
  }
  if (ats) for (let k = 0; k < ats.length; k++) ats[k]! -= least;
  return { width: most - least, height };
}
