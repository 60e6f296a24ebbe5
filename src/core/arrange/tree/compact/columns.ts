import type { Item } from '../items';
import { sample } from '../sample';
import { columnStep } from '../stack';
import { neckOf, rowStart, type Head } from './head';
import { branchShape, looks, trunk, type BranchShape, type FoundShape, type Column, type CompactInput } from './types';

/**
 * Entries below each other in columns: for some heights the breaks into columns that take the least width, by dynamic programming. Within a column every
 * entry takes its flattest shape that is no wider than the column. O(entries² · widths · heights), columns of `longestColumn` entries at most.
 */
export function columnsOf(
  input: CompactInput,
  head: Head,
  items: readonly Item[],
  branch: (child: number) => readonly BranchShape[],
): FoundShape[] {
  const units: number[] = [];
  for (const { from, count } of items) for (let k = 0; k < count; k++) units.push(from + k);
  const shapes = units.map((entry) => branch(entry));
  const n = units.length;
  const widths = sample(widthsOf(shapes), looks[input.look].columnWidths);
  const gaps = new Float64Array(n);
  for (let u = 0; u < n; u++) {
    const plain = input.count[units[u]!] === 0 && (u === 0 || input.count[units[u - 1]!] === 0);
    gaps[u] = plain ? columnStep(input) : input.branchGap * 0.8;
  }
  const tables = widths.map((width) => lengthsWithin(shapes, gaps, width));
  const lengthOf = ({ sums, lengths }: Lengths, from: number, to: number): number => {
    if (sums[to] !== Infinity) return sums[to]! - sums[from]! - gaps[from]!;
    let length = -gaps[from]!;
    for (let u = from; u < to; u++) length += gaps[u]! + lengths[u]!;
    return length;
  };
  let shortest = 0;
  for (const all of shapes) shortest = Math.max(shortest, all.at(-1)!.along);
  const heights = new Set<number>();
  for (const w of [0, widths.length >> 1, widths.length - 1]) {
    const all = lengthOf(tables[w]!, 0, n);
    if (all === Infinity) continue;
    for (let count = head.along > 0 ? 2 : 1; count <= Math.min(n - 1, mostBranchColumns); count++)
      heights.add(Math.ceil(Math.max(shortest, (all / count) * 1.04)));
  }
  const start = rowStart(head);
  const { best, from, width } = roomFor(n + 1);
  const found: FoundShape[] = [];
  for (const height of sample(
    [...heights].sort((a, b) => a - b),
    looks[input.look].columnHeights,
  )) {
    best.fill(Infinity, 0, n + 1);
    best[0] = 0;
    for (let to = 1; to <= n; to++)
      for (let u = to - 1, w = 0; u >= Math.max(0, to - longestColumn); u--) {
        // A longer column needs at least the width of the shorter one.
        while (w < widths.length && lengthOf(tables[w]!, u, to) > height + 1e-6) w++;
        if (w === widths.length) break;
        const sum = best[u]! + widths[w]! + trunk.clear + (u > 0 ? input.branchGap : 0);
        if (sum < best[to]! - 1e-9) {
          best[to] = sum;
          from[to] = u;
          width[to] = w;
        }
      }
    if (best[n] === Infinity || (head.along > 0 && from[n] === 0)) continue;
    const ends: number[] = [];
    const picks: number[] = new Array<number>(n);
    for (let to = n; to > 0; to = from[to]!) {
      ends.push(to);
      for (let u = from[to]!; u < to; u++) picks[u] = tables[width[to]!]!.picks[u]!;
    }
    found.push(columnsShape(input, head, start, { units, picks, shapes, gaps, ends: ends.reverse() }));
  }
  return found;
}

/** What the breaks into columns are worked out in, used again and again. */
function roomFor(length: number): ColumnRoom {
  if (columnRoom.best.length < length) columnRoom = newRoom(2 * length);
  return columnRoom;
}
interface ColumnRoom {
  readonly best: Float64Array;
  readonly from: Int32Array;
  readonly width: Int32Array;
}
const newRoom = (length: number): ColumnRoom => ({
  best: new Float64Array(length),
  from: new Int32Array(length),
  width: new Int32Array(length),
});
let columnRoom = newRoom(64);

/** All widths that some shapes have, from narrow to wide. */
function widthsOf(shapes: readonly (readonly BranchShape[])[]): number[] {
  const all = new Set<number>();
  for (const ofOne of shapes) for (const { across } of ofOne) all.add(across);
  return [...all].sort((a, b) => a - b);
}

/** Entries below each other within a width. `sums`: lengths up to each entry, with the gap before it; Infinity from one on that has no shape that narrow. */
interface Lengths {
  readonly picks: Int32Array;
  readonly lengths: Float64Array;
  readonly sums: Float64Array;
}

function lengthsWithin(shapes: readonly (readonly BranchShape[])[], gaps: Float64Array, width: number): Lengths {
  const n = shapes.length;
  const [picks, lengths, sums] = [new Int32Array(n), new Float64Array(n), new Float64Array(n + 1)];
  for (let u = 0; u < n; u++) {
    const all = shapes[u]!;
    // Shapes stand from narrow to wide, and so from long to short.
    let pick = all.length - 1;
    while (pick >= 0 && all[pick]!.across > width + 1e-9) pick--;
    picks[u] = pick;
    lengths[u] = pick < 0 ? Infinity : all[pick]!.along;
    sums[u + 1] = sums[u]! + gaps[u]! + lengths[u]!;
  }
  return { picks, lengths, sums };
}
const mostBranchColumns = 9;
const longestColumn = 40;

/** Entries with the shapes they take, and before which of them a column ends. */
interface BrokenIntoColumns {
  readonly units: readonly number[];
  readonly picks: readonly number[];
  readonly shapes: readonly (readonly BranchShape[])[];
  readonly gaps: Float64Array;
  readonly ends: readonly number[];
}

/** Made apart from where it is used, so that what waits to be asked keeps nothing else. */
const columnsTold = (branchGap: number, broken: BrokenIntoColumns) => (): Column[] => {
  const columns: Column[] = [];
  walkColumns(branchGap, broken, columns);
  return columns;
};

/** Goes through the columns and tells the size of all. `told`: each of them put here, if asked for. */
function walkColumns(
  branchGap: number,
  { units, picks, shapes, gaps, ends }: BrokenIntoColumns,
  told: Column[] | null = null,
): { readonly across: number; readonly along: number } {
  let [across, along, from] = [0, 0, 0];
  for (const end of ends) {
    if (from > 0) across += branchGap;
    const column: Column['units'][number][] | null = told && [];
    let [at, widest] = [0, 0];
    for (let u = from; u < end; u++) {
      if (u > from) at += gaps[u]!;
      column?.push({ entry: units[u]! - units[0]!, pick: picks[u]!, start: at });
      const shape = shapes[u]![picks[u]!]!;
      at += shape.along;
      widest = Math.max(widest, shape.across);
    }
    if (column) told!.push({ at: across, units: column });
    across += trunk.clear + widest;
    along = Math.max(along, at);
    from = end;
  }
  return { across, along };
}

function columnsShape(input: CompactInput, head: Head, start: number, broken: BrokenIntoColumns): FoundShape {
  const { across, along } = walkColumns(input.branchGap, broken);
  const half = Math.max(head.across, head.stripBreadth) / 2;
  const left = Math.max(0, half - across / 2);
  return branchShape(
    Math.max(left + across, left + across / 2 + half),
    start + along,
    left + across / 2,
    neckOf(head, left + across / 2, start),
    { how: 'columns', columns: columnsTold(input.branchGap, broken), start, left },
  );
}
