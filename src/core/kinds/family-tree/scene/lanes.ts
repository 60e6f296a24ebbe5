import type { Across } from './place';
import type { Rows, ShownUnion } from './blocks';
import { bracket, bracketGap, highestOf, stackGap } from './stacks';

/** A line of a family in (across, along), with what it says of a child; null for the line that joins partners, or carries all children. */
export interface FamilyLine {
  readonly union: number;
  readonly points: readonly number[];
  readonly child: number | null;
  readonly kind: string | null;
}

/** Where a row is. `first`: where those end who stand on nobody; further down are only stacks. CSS px. */
export interface Band {
  readonly start: number;
  readonly first: number;
  readonly end: number;
}

/** Where the middle of somebody in a stack is along, or of anybody else where `k` is 0. */
export const stackMiddle = ({ start, first }: Band, k: number): number =>
  (start + first) / 2 + k * (first - start + stackGap);

/** Where the rows are, and the lines between them. CSS px. */
export interface Along {
  readonly rows: readonly Band[];
  readonly lines: readonly FamilyLine[];
  /** Distance above each row; 0 for the first. */
  readonly gaps: readonly number[];
}

/** Between two lines that run beside each other, and between a line and a row. CSS px. */
const lane = 9;
const edge = 12;
/** Two upright lines nearer than this are taken for one. */
const nearly = 5;

/** A level stretch that has to find its place in the gap below a row. */
interface Level {
  readonly union: number;
  readonly from: number;
  readonly to: number;
  /** Where upright lines come to it from above, and leave it downwards. */
  readonly above: readonly number[];
  readonly below: readonly number[];
  at: number;
}

/**
 * Lines of all families: partners joined at the middle of their row, a line down from between them, a level one to the children, each family on a level of
 * its own where they would run over each other. Partners who do not stand next to each other are joined below their row; a line to a child further down
 * passes the rows between where they have room. Who stands in a stack is led to from its side. `depth`: of the boxes of each row.
 */
export function linesOf(
  rows: Rows,
  across: Across,
  {
    breadth,
    depth,
    least,
  }: { readonly breadth: Float64Array; readonly depth: readonly number[]; readonly least: number },
): Along {
  const { unions, blocks, blockOf } = rows;
  const rowOf = (m: number) => blocks[blockOf[m]!]!.row;
  const levels: Level[][] = depth.map(() => []);
  const level = (
    row: number,
    union: number,
    xs: readonly number[],
    above: readonly number[],
    below: readonly number[],
  ): Level => {
    const one: Level = { union, from: Math.min(...xs), to: Math.max(...xs), above, below, at: 0 };
    levels[row]!.push(one);
    return one;
  };
  /** The partnerships each is a child of. */
  const ties = new Map<number, number[]>();
  unions.forEach(({ children }, u) => {
    for (const { child } of children) ties.set(child, [...(ties.get(child) ?? []), u]);
  });
  // The middle of a child; beside it for further partnerships; before a stack.
  const dockOf = (u: number, child: number) =>
    blocks[blockOf[child]!]!.stacked
      ? across.middle[child]! - breadth[child]! / 2 - bracketGap
      : across.middle[child]! + Math.max(0, ties.get(child)!.indexOf(u)) * 11;
  const plans = unions.map((union, u) => planOf(rows, across, breadth, { union, u, rowOf, level, dockOf }));
  const highest = highestOf(rows);
  const starts: Band[] = [];
  const gaps: number[] = [];
  let at = 0;
  depth.forEach((deep, r) => {
    const lanes = r === 0 ? 0 : assignLevels(levels[r - 1]!);
    const gap = r === 0 ? 0 : Math.max(least, 2 * edge + Math.max(0, lanes - 1) * lane);
    gaps.push(gap);
    if (r > 0) {
      // The lanes stand in the middle of the gap.
      const begin = at + (gap - Math.max(0, lanes - 1) * lane) / 2;
      for (const one of levels[r - 1]!) one.at = begin + one.at * lane;
    }
    const start = at + gap;
    at = start + deep + (highest[r]! - 1) * (deep + stackGap);
    starts.push({ start, first: start + deep, end: at });
  });
  const last = levels.at(-1);
  if (last && last.length > 0) {
    assignLevels(last);
    for (const one of last) one.at = at + edge + one.at * lane;
  }
  return { rows: starts, gaps, lines: plans.flatMap((plan) => plan(starts)) };
}

interface Planning {
  readonly union: ShownUnion;
  readonly u: number;
  rowOf(m: number): number;
  /** Where the line of a partnership meets a child. */
  dockOf(u: number, child: number): number;
  level(row: number, union: number, xs: readonly number[], above: readonly number[], below: readonly number[]): Level;
}

type Finish = (rows: Along['rows']) => FamilyLine[];

/** Announces the level stretches of a family, and draws its lines once they have their places. */
function planOf(
  rows: Rows,
  across: Across,
  breadth: Float64Array,
  { union, u, rowOf, level, dockOf }: Planning,
): Finish {
  const [a, b] = union.partners;
  const row = rowOf(a!);
  const { members } = rows.blocks[rows.blockOf[a!]!]!;
  const adjacent = b !== undefined && Math.abs(members.indexOf(a!) - members.indexOf(b)) === 1 && members.includes(b);
  const tied = b !== undefined && !adjacent;
  const line = (points: readonly number[], child: number | null = null, kind: string | null = null): FamilyLine => ({
    union: u,
    points,
    child,
    kind,
  });
  const docks = new Map<number, number>();
  for (const { child } of union.children) docks.set(child, dockOf(u, child));
  const xs = [...docks.values()];
  // Partners apart are joined by a level of their own, off the middle of each, so that it is no child's line.
  const tie = tied
    ? level(
        row,
        u,
        [across.middle[a!]! + breadth[a!]! / 4, across.middle[b]! - breadth[b]! / 4],
        [across.middle[a!]! + breadth[a!]! / 4, across.middle[b]! - breadth[b]! / 4],
        [(across.middle[a!]! + breadth[a!]! / 4 + across.middle[b]! - breadth[b]! / 4) / 2],
      )
    : null;
  const stem = tie ? tie.below[0]! : across.union[u]!;
  const near = union.children.filter(({ child }) => rowOf(child) === row + 1);
  const far = union.children.filter(({ child }) => rowOf(child) > row + 1);
  const passes = far.map(({ child, kind }) => ({
    child,
    kind,
    way: passOf(rows, across, breadth, row, rowOf(child), docks.get(child)!),
  }));
  const ends = [...near.map(({ child }) => docks.get(child)!), ...passes.map(({ way }) => way[0]!)];
  const bus = xs.length > 0 ? level(row, u, [stem, ...ends], [stem], ends) : null;
  const jogs = passes.map(({ child, way }) =>
    way.map((x, k) => {
      const next = way[k + 1] ?? docks.get(child)!;
      return Math.abs(next - x) < 0.5 ? null : level(row + 1 + k, u, [x, next], [x], [next]);
    }),
  );
  return (at) => {
    const lines: FamilyLine[] = [];
    const { first } = at[row]!;
    const middle = (at[row]!.start + first) / 2;
    if (adjacent) {
      const [left, right] = across.middle[a!]! < across.middle[b]! ? [a!, b] : [b, a!];
      lines.push(
        line([across.middle[left]! + breadth[left]! / 2, middle, across.middle[right]! - breadth[right]! / 2, middle]),
      );
    }
    if (tie) {
      const [from, to] = tie.above as [number, number];
      lines.push(line([from, first, from, tie.at, to, tie.at, to, first]));
    }
    if (!bus) return lines;
    const begin = tie ? tie.at : adjacent ? middle : first;
    lines.push(line([stem, begin, stem, bus.at]));
    if (bus.to - bus.from > 0.5) lines.push(line([bus.from, bus.at, bus.to, bus.at]));
    for (const { child, kind } of near) {
      const dock = docks.get(child)!;
      const { members: beside, stacked } = rows.blocks[rows.blockOf[child]!]!;
      const middleOfChild = stackMiddle(at[row + 1]!, stacked ? beside.indexOf(child) : 0);
      const end = stacked
        ? [dock, middleOfChild, across.middle[child]! - breadth[child]! / 2, middleOfChild]
        : [dock, at[row + 1]!.start];
      lines.push(line([dock, bus.at, ...end], child, kind));
    }
    passes.forEach(({ child, kind, way }, p) => {
      const points: number[] = [way[0]!, bus.at];
      way.forEach((x, k) => {
        const jog = jogs[p]![k];
        const next = way[k + 1] ?? docks.get(child)!;
        if (jog) points.push(x, jog.at, next, jog.at);
      });
      points.push(docks.get(child)!, at[rowOf(child)]!.start);
      lines.push(line(points, child, kind));
    });
    return lines;
  };
}

/** Where a line passes the rows between two: in the gap between blocks that is nearest to where it goes. */
function passOf(rows: Rows, across: Across, breadth: Float64Array, from: number, to: number, target: number): number[] {
  const way: number[] = [];
  for (let r = from + 1; r < to; r++) {
    const edges = rows.rows[r]!.map((b) => {
      const { members, stacked } = rows.blocks[b]!;
      const [first, last] = [members[0]!, members.at(-1)!];
      const left = across.middle[first]! - breadth[first]! / 2;
      if (!stacked) return { left, right: across.middle[last]! + breadth[last]! / 2 };
      return { left: left - bracket, right: Math.max(...members.map((m) => across.middle[m]! + breadth[m]! / 2)) };
    });
    const room: number[] = [];
    edges.forEach(({ left, right }, k) => {
      const before = edges[k - 1]?.right ?? left - 2 * edge;
      room.push((before + left) / 2);
      if (k === edges.length - 1) room.push(right + edge);
      const free = target < left && target > before ? [Math.min(left - 4, Math.max(before + 4, target))] : [];
      room.push(...free);
    });
    way.push(room.reduce((best, x) => (Math.abs(x - target) < Math.abs(best - target) ? x : best), room[0] ?? target));
  }
  return way;
}

/**
 * Gives each level stretch of a gap its lane, from 0: none runs over another in one lane, and where an upright line would come down onto another's, the one
 * it belongs to is above. Returns how many lanes there are. O(levels²).
 */
function assignLevels(levels: readonly Level[]): number {
  const sorted = [...levels].sort((p, q) => p.from - q.from || p.to - q.to || p.union - q.union);
  /** Whether p has to be above q: p comes down, or q goes up, where the other has an upright line too. */
  const over = (p: Level, q: Level) => p.above.some((x) => q.below.some((y) => Math.abs(x - y) < nearly));
  const done = new Set<Level>();
  const placing = new Set<Level>();
  const lanes: Level[][] = [];
  const place = (one: Level) => {
    if (done.has(one) || placing.has(one)) return;
    placing.add(one);
    let least = 0;
    for (const other of sorted)
      if (other !== one && over(other, one)) {
        place(other);
        if (done.has(other)) least = Math.max(least, other.at + 1);
      }
    let at = least;
    while (lanes[at]?.some((other) => one.from < other.to + nearly && other.from < one.to + nearly)) at++;
    (lanes[at] ??= []).push(one);
    one.at = at;
    done.add(one);
    placing.delete(one);
  };
  for (const one of sorted) place(one);
  return lanes.length;
}
