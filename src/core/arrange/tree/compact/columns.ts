import type { Item } from '../items';
import { sample } from '../sample';
import { columnStep } from '../stack';
import { neckOf, rowStart, type Head } from './head';
import { looks, trunk, type BranchShape, type Column, type CompactInput } from './types';

/**
 * Entries below each other in columns: for some heights the breaks into columns that take the least width, by dynamic programming. Within a column every
 * entry takes its flattest shape that is no wider than the column. O(entries² · widths · heights), columns of `longestColumn` entries at most.
 */
export function columnsOf(
  input: CompactInput,
  head: Head,
  items: readonly Item[],
  branch: (child: number) => readonly BranchShape[],
): BranchShape[] {
  const units = items.flatMap(({ from, count }) => Array.from({ length: count }, (_, k) => from + k));
  const shapes = units.map((entry) => branch(entry));
  const n = units.length;
  const widths = sample(
    [...new Set(shapes.flatMap((all) => all.map(({ across }) => across)))].sort((a, b) => a - b),
    looks[input.look].columnWidths,
  );
  // Shapes stand from narrow to wide, and so from long to short.
  const picks = widths.map((width) => shapes.map((all) => all.findLastIndex(({ across }) => across <= width + 1e-9)));
  const gaps = units.map((entry, u) => {
    const plain = input.count[entry] === 0 && (u === 0 || input.count[units[u - 1]!] === 0);
    return plain ? columnStep(input) : input.branchGap * 0.8;
  });
  // Lengths up to each entry, by width; Infinity where an entry has no shape that narrow.
  const upTo = picks.map((row) => {
    const sums = new Float64Array(n + 1);
    row.forEach((pick, u) => (sums[u + 1] = sums[u]! + gaps[u]! + (pick < 0 ? Infinity : shapes[u]![pick]!.along)));
    return sums;
  });
  const lengthOf = (w: number, from: number, to: number): number => {
    const sums = upTo[w]!;
    if (sums[to] !== Infinity) return sums[to]! - sums[from]! - gaps[from]!;
    let length = -gaps[from]!;
    for (let u = from; u < to; u++)
      length += gaps[u]! + (picks[w]![u]! < 0 ? Infinity : shapes[u]![picks[w]![u]!]!.along);
    return length;
  };
  const shortest = Math.max(...shapes.map((all) => all.at(-1)!.along));
  const heights = new Set<number>();
  for (const w of [0, widths.length >> 1, widths.length - 1])
    for (let count = head.along > 0 ? 2 : 1; count <= Math.min(n - 1, mostBranchColumns); count++) {
      const all = lengthOf(w, 0, n);
      if (all !== Infinity) heights.add(Math.ceil(Math.max(shortest, (all / count) * 1.04)));
    }
  const start = rowStart(head);
  return sample(
    [...heights].sort((a, b) => a - b),
    looks[input.look].columnHeights,
  ).flatMap((height) => {
    const best = new Float64Array(n + 1).fill(Infinity);
    const from = new Int32Array(n + 1);
    const width = new Int32Array(n + 1);
    best[0] = 0;
    for (let to = 1; to <= n; to++)
      for (let u = to - 1, w = 0; u >= Math.max(0, to - longestColumn); u--) {
        // A longer column needs at least the width of the shorter one.
        while (w < widths.length && lengthOf(w, u, to) > height + 1e-6) w++;
        if (w === widths.length) break;
        const sum = best[u]! + widths[w]! + trunk.clear + (u > 0 ? input.branchGap : 0);
        if (sum < best[to]! - 1e-9) {
          best[to] = sum;
          from[to] = u;
          width[to] = w;
        }
      }
    if (best[n] === Infinity || (head.along > 0 && from[n] === 0)) return [];
    const ends: number[] = [];
    const chosen: number[] = new Array<number>(n);
    for (let to = n; to > 0; to = from[to]!) {
      ends.unshift(to);
      for (let u = from[to]!; u < to; u++) chosen[u] = picks[width[to]!]![u]!;
    }
    return [columnsShape(input, head, start, { units, picks: chosen, shapes, gaps, ends })];
  });
}
const mostBranchColumns = 9;
const longestColumn = 40;

function columnsShape(
  input: CompactInput,
  head: Head,
  start: number,
  {
    units,
    picks,
    shapes,
    gaps,
    ends,
  }: {
    readonly units: readonly number[];
    readonly picks: readonly number[];
    readonly shapes: readonly (readonly BranchShape[])[];
    readonly gaps: readonly number[];
    readonly ends: readonly number[];
  },
): BranchShape {
  const columns: Column[] = [];
  let [across, along, from] = [0, 0, 0];
  for (const end of ends) {
    if (from > 0) across += input.branchGap;
    const column: { entry: number; pick: number; start: number }[] = [];
    let [at, widest] = [0, 0];
    for (let u = from; u < end; u++) {
      if (u > from) at += gaps[u]!;
      column.push({ entry: units[u]!, pick: picks[u]!, start: at });
      const shape = shapes[u]![picks[u]!]!;
      at += shape.along;
      widest = Math.max(widest, shape.across);
    }
    columns.push({ at: across, units: column });
    across += trunk.clear + widest;
    along = Math.max(along, at);
    from = end;
  }
  const half = Math.max(head.across, head.stripBreadth) / 2;
  const left = Math.max(0, half - across / 2);
  return {
    across: Math.max(left + across, left + across / 2 + half),
    along: start + along,
    anchor: left + across / 2,
    neck: neckOf(head, left + across / 2, start),
    plan: { how: 'columns', columns, start, left },
  };
}
