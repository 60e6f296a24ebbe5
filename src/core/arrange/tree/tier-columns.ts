import type { Polyline } from './lines';
import type { TierTreeLayout } from './tier-tree';

/** A hierarchy in level order with the sizes of its boxes. All lengths in CSS px. */
export interface ColumnsInput {
  readonly roots: number;
  readonly parent: Int32Array;
  readonly first: Int32Array;
  readonly count: Int32Array;
  /** Tier of each entry, from 1, rising along level order. */
  readonly tier: Int32Array;
  readonly width: Float64Array;
  readonly height: Float64Array;
  readonly direction: 'down' | 'right';
  /** Between boxes of one column. */
  readonly gap: number;
  /** `aligned`: entries without others below them all stand in the last column. */
  readonly ends: 'own' | 'aligned';
  /** By tier, the stretch at the beginning of each box that stays in its own column where its end does not; null for none. */
  readonly zones: readonly number[] | null;
  /** `tierGap[t]` is the distance between tier t and tier t + 1, counted from 1. */
  readonly tierGap: readonly number[];
}

/** Columns as wide as their widest box, and the one distance between the middles of neighbouring rows. */
interface Grid {
  /** Row of each entry: leaves are numbered in the order of the list, others stand at the middle of their children. */
  readonly row: Float64Array;
  readonly pitch: number;
  readonly columns: readonly { readonly start: number; readonly end: number }[];
}

/**
 * Tiers as columns of evenly spaced rows: every entry without others below it has a row of its own, at one distance from the next; who has some stands at
 * the middle between its first and its last. The distance is the least at which no two boxes of a column come nearer than the gap. O(n), no recursion.
 */
export function arrangeColumns(given: ColumnsInput): TierTreeLayout {
  const input = turned(given);
  const grid = gridOf(input);
  const { top, bottom } = extentOf(input, grid);
  const n = input.tier.length;
  const along = new Float64Array(n);
  const across = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    along[i] = grid.columns[input.tier[i]! - 1]!.start;
    across[i] = grid.row[i]! * grid.pitch - top - input.height[i]! / 2;
  }
  const down = given.direction === 'down';
  const fans = new Map<number, readonly Polyline[]>();
  for (let i = 0; i < n; i++)
    if (input.count[i]! > 0)
      fans.set(
        i,
        fanOf(input, grid, i, { x: along, y: across }).map(({ points }) => ({
          points: down ? points.map((_, p) => points[p % 2 === 0 ? p + 1 : p - 1]!) : points,
        })),
      );
  const length = grid.columns.at(-1)?.end ?? 0;
  const breadth = bottom - top;
  return {
    ...(down
      ? { x: across, y: along, width: breadth, height: length }
      : { x: along, y: across, width: length, height: breadth }),
    tiers: grid.columns.map(({ start, end }) => ({ start, rowStart: start, end })),
    fans,
  };
}

/** Width and height of the drawing that `arrangeColumns` would make. CSS px. */
export function sizeInColumns(given: ColumnsInput): { readonly width: number; readonly height: number } {
  const input = turned(given);
  const grid = gridOf(input);
  const { top, bottom } = extentOf(input, grid);
  const length = grid.columns.at(-1)?.end ?? 0;
  return given.direction === 'down' ? { width: bottom - top, height: length } : { width: length, height: bottom - top };
}

/** The input with boxes turned so that it grows to the right. */
const turned = (input: ColumnsInput): ColumnsInput =>
  input.direction === 'right' ? input : { ...input, width: input.height, height: input.width };

function gridOf(input: ColumnsInput): Grid {
  const { row, begin, leaves } = rowsOf(input);
  const pitch = Math.max(
    pitchOf(input, row),
    input.ends === 'aligned' ? pitchOfEnds(input, { row, begin, leaves }) : 0,
  );
  return { row, pitch, columns: columnsOf(input) };
}

function columnsOf({ tier, count, width, tierGap, ends, zones }: ColumnsInput): { start: number; end: number }[] {
  const n = tier.length;
  const last = n === 0 ? 0 : tier[n - 1]!;
  const widest = new Float64Array(last);
  const widen = (t: number, to: number) => (widest[t] = Math.max(widest[t]!, to));
  const zone = (t: number) => zones?.[t] ?? 0;
  for (let i = 0; i < n; i++) {
    const t = tier[i]! - 1;
    if (ends === 'own' || count[i]! > 0 || t === last - 1) widen(t, width[i]!);
    else {
      widen(t, zone(t));
      widen(last - 1, zone(last - 1) + width[i]! - zone(t));
    }
  }
  let at = 0;
  return Array.from(widest, (wide, t) => {
    const start = at + (t === 0 ? 0 : (tierGap[t] ?? 0));
    at = start + wide;
    return { start, end: at };
  });
}

/** Rows by counting the leaves under each entry from below, then numbering them from above. */
interface Rows {
  readonly row: Float64Array;
  /** The first row of the leaves under each entry, and how many they are. */
  readonly begin: Float64Array;
  readonly leaves: Float64Array;
}

function rowsOf({ roots, parent, first, count, tier }: ColumnsInput): Rows {
  const n = tier.length;
  const leaves = new Float64Array(n);
  for (let i = n - 1; i >= 0; i--) {
    if (count[i] === 0) leaves[i] = 1;
    if (parent[i]! >= 0) leaves[parent[i]!]! += leaves[i]!;
  }
  const begin = new Float64Array(n);
  for (let i = 1; i < roots; i++) begin[i] = begin[i - 1]! + leaves[i - 1]!;
  for (let i = 0; i < n; i++) {
    let at = begin[i]!;
    for (let c = first[i]!, end = c + count[i]!; c < end; c++) {
      begin[c] = at;
      at += leaves[c]!;
    }
  }
  const row = new Float64Array(n);
  for (let i = n - 1; i >= 0; i--)
    row[i] = count[i] === 0 ? begin[i]! : (row[first[i]!]! + row[first[i]! + count[i]! - 1]!) / 2;
  return { row, begin, leaves };
}

function pitchOf({ tier, height, gap }: ColumnsInput, row: Float64Array): number {
  let pitch = 0;
  for (let i = 1; i < tier.length; i++)
    if (tier[i] === tier[i - 1])
      pitch = Math.max(pitch, ((height[i - 1]! + height[i]!) / 2 + gap) / (row[i]! - row[i - 1]!));
  return pitch;
}

/** Ends stand in one column, and lines to them run along their rows through all columns, where others' boxes have to leave them room. */
function pitchOfEnds({ count, height, gap }: ColumnsInput, { row, begin, leaves }: Rows): number {
  let [pitch, line] = [0, 0];
  for (let i = 0; i < row.length; i++) if (count[i] === 0) line = Math.max(line, height[i]!);
  for (let i = 0; i < row.length; i++) {
    const away = Math.min(row[i]! - begin[i]!, begin[i]! + leaves[i]! - 1 - row[i]!) + 1;
    pitch = Math.max(pitch, count[i] === 0 ? line + gap : (height[i]! / 2 + line / 2 + gap) / away);
  }
  return pitch;
}

function extentOf({ height }: ColumnsInput, { row, pitch }: Grid): { top: number; bottom: number } {
  let [top, bottom] = [Infinity, -Infinity];
  for (let i = 0; i < row.length; i++) {
    top = Math.min(top, row[i]! * pitch - height[i]! / 2);
    bottom = Math.max(bottom, row[i]! * pitch + height[i]! / 2);
  }
  return row.length === 0 ? { top: 0, bottom: 0 } : { top, bottom };
}

/** A stem to the middle of the gap, an upright line along the children, and one to each of them. */
function fanOf(
  input: ColumnsInput,
  { columns }: Grid,
  i: number,
  { x, y }: { readonly x: Float64Array; readonly y: Float64Array },
): Polyline[] {
  const { first, count, tier, width, height, tierGap } = input;
  const stem = y[i]! + height[i]! / 2;
  const from = x[i]! + width[i]!;
  const start = columns[tier[i]!]!.start;
  const bus = start - (tierGap[tier[i]!] ?? 0) / 2;
  const middle = (c: number) => y[c]! + height[c]! / 2;
  const begin = first[i]!;
  const end = begin + count[i]! - 1;
  if (begin === end) return [{ points: [from, stem, x[begin]!, middle(begin)] }];
  const lines: Polyline[] = [
    { points: [x[begin]!, middle(begin), bus, middle(begin), bus, middle(end), x[end]!, middle(end)] },
    { points: [from, stem, bus, stem] },
  ];
  for (let c = begin + 1; c < end; c++) lines.push({ points: [bus, middle(c), x[c]!, middle(c)] });
  return lines;
}
