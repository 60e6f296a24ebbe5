import { tidyTree } from './tidy-tree';

/** A hierarchy in level order (see `TidyTreeInput`), with the sizes of its boxes. All lengths in CSS px. */
export interface TierTreeInput {
  readonly roots: number;
  readonly parent: Int32Array;
  readonly first: Int32Array;
  readonly count: Int32Array;
  /** Tier of each entry, from 1, rising along level order. */
  readonly tier: Int32Array;
  readonly width: Float64Array;
  readonly height: Float64Array;
  /** 1 for an entry without children that stands beside the line below its parent. */
  readonly beside: Uint8Array;
  readonly direction: 'down' | 'right';
  /** `column`: in a top-down drawing the children of one parent stand below each other where none of them has children. */
  readonly lowest: 'row' | 'column';
  readonly siblingGap: number;
  readonly branchGap: number;
  /** `tierGap[t]` is the distance between tier t and tier t + 1, counted from 1. */
  readonly tierGap: readonly number[];
}

export interface Polyline {
  /** x, y, x, y … */
  readonly points: readonly number[];
}

export interface TierTreeLayout {
  /** Left upper corner of each box. */
  readonly x: Float64Array;
  readonly y: Float64Array;
  readonly width: number;
  readonly height: number;
  /** Where each tier begins and ends along the direction of growth; its boxes begin at `rowStart`, below its assistants. Index 0 is tier 1. */
  readonly tiers: readonly { readonly start: number; readonly rowStart: number; readonly end: number }[];
  /** The lines from each parent to its children, by the parent's index. */
  readonly fans: ReadonlyMap<number, readonly Polyline[]>;
}

/** Free distance between a line and an assistant's box beside it, and between a column's boxes and their line. */
const clear = 14;

/**
 * Tidy tree on tiers: all boxes of a tier begin on one line, whatever their size; across the tiers the rules of `tidyTree` hold.
 * Assistants stand in a strip of their own between their parent and its other children. O(n), no recursion.
 */
export function arrangeTierTree(input: TierTreeInput): TierTreeLayout {
  const down = input.direction === 'down';
  const across = down ? input.width : input.height;
  const along = down ? input.height : input.width;
  const depths = tierDepths(input, along);
  const nodes = layoutNodes(input, across, depths);
  const centre = tidyTree({ ...nodes.forest, siblingGap: input.siblingGap, branchGap: input.branchGap });
  const n = input.tier.length;
  const b = new Float64Array(n);
  const d = new Float64Array(n);
  const shape: Shape = { across, along, b, d };
  const fans = new Map<number, Polyline[]>();
  for (let node = 0; node < nodes.what.length; node++) {
    const i = nodes.entry[node]!;
    if (nodes.what[node] === 'entry') {
      b[i] = centre[node]!;
      d[i] = depths.tiers[input.tier[i]! - 1]!.rowStart;
    } else if (nodes.what[node] === 'column') {
      placeColumn(input, shape, depths, i, centre[node]!);
    } else {
      placeBeside(input, shape, depths, i, centre[node]!);
    }
  }
  for (let i = 0; i < n; i++) if (input.count[i]! > 0) fans.set(i, fanOf(input, shape, depths, i));
  return finish(shape, depths, fans, down);
}

interface Shape {
  readonly across: Float64Array;
  readonly along: Float64Array;
  /** Centre of each box across the tiers; beginning of each box along them. */
  readonly b: Float64Array;
  readonly d: Float64Array;
}

interface Depths {
  /** `start`: of the band with its strip; `rowStart`: of the boxes; `bus`: the line that joins the boxes of one parent. */
  readonly tiers: readonly { start: number; rowStart: number; end: number; bus: number; strip: boolean }[];
}

function regularChildren(input: TierTreeInput, i: number): number[] {
  const list: number[] = [];
  for (let c = input.first[i]!, end = c + input.count[i]!; c < end; c++) if (input.beside[c] === 0) list.push(c);
  return list;
}

function besideChildren(input: TierTreeInput, i: number): number[] {
  const list: number[] = [];
  for (let c = input.first[i]!, end = c + input.count[i]!; c < end; c++) if (input.beside[c] === 1) list.push(c);
  return list;
}

/** In a top-down drawing with columns: those below one entry of whom none has others below, two or more of them. */
function standsInColumn(input: TierTreeInput, i: number): boolean {
  if (input.lowest !== 'column' || input.direction !== 'down') return false;
  const kids = regularChildren(input, i);
  return kids.length > 1 && kids.every((c) => input.count[c] === 0);
}

const columnStep = (input: TierTreeInput): number => Math.max(6, input.siblingGap * 0.75);

function tierDepths(input: TierTreeInput, along: Float64Array): Depths {
  const n = input.tier.length;
  const tierTotal = n === 0 ? 0 : input.tier[n - 1]!;
  const size = new Float64Array(tierTotal);
  const strip = new Float64Array(tierTotal);
  for (let i = 0; i < n; i++) {
    const t = input.tier[i]! - 1;
    if (input.beside[i] === 0) size[t] = Math.max(size[t]!, along[i]!);
  }
  for (let i = 0; i < n; i++) {
    const t = input.tier[i]!;
    if (input.count[i] === 0) continue;
    strip[t] = Math.max(strip[t]!, stripDepth(besideChildren(input, i), along));
    if (standsInColumn(input, i)) {
      const kids = regularChildren(input, i);
      size[t] = Math.max(size[t]!, kids.reduce((sum, c) => sum + along[c]!, 0) + (kids.length - 1) * columnStep(input));
    }
  }
  const tiers: { start: number; rowStart: number; end: number; bus: number; strip: boolean }[] = [];
  let at = 0;
  for (let t = 0; t < tierTotal; t++) {
    const gap = t === 0 ? 0 : (input.tierGap[t] ?? 0);
    const hasStrip = t > 0 && strip[t]! > 0;
    const start = at + (hasStrip ? gap / 2 : gap);
    const rowStart = hasStrip ? start + strip[t]! + (size[t]! > 0 ? gap * 0.8 : 0) : start;
    const bus = hasStrip ? rowStart - gap * 0.4 : rowStart - gap / 2;
    at = rowStart + size[t]!;
    tiers.push({ start, rowStart, end: at, bus, strip: hasStrip });
  }
  return { tiers };
}

/** Assistants stand in pairs, pair below pair. */
function stripDepth(aside: readonly number[], along: Float64Array): number {
  let depth = 0;
  for (let k = 0; k < aside.length; k += 2)
    depth += Math.max(along[aside[k]!]!, along[aside[k + 1] ?? aside[k]!]!) + (k > 0 ? clear : 0);
  return depth;
}

interface LayoutNodes {
  readonly forest: { roots: number; first: Int32Array; count: Int32Array; breadth: Float64Array };
  /** For each layout node, what it is and the entry it is for: itself, or the parent of a column or strip. */
  readonly what: readonly ('entry' | 'column' | 'strip')[];
  readonly entry: readonly number[];
}

/** The forest that is drawn: entries, with a node for every strip of assistants and every column in between. */
function layoutNodes(input: TierTreeInput, across: Float64Array, depths: Depths): LayoutNodes {
  const what: ('entry' | 'column' | 'strip')[] = [];
  const entry: number[] = [];
  const first: number[] = [];
  const count: number[] = [];
  const breadth: number[] = [];
  const push = (kind: 'entry' | 'column' | 'strip', i: number, size: number) => {
    what.push(kind);
    entry.push(i);
    breadth.push(size);
  };
  for (let r = 0; r < input.roots; r++) push('entry', r, across[r]!);
  for (let node = 0; node < what.length; node++) {
    first[node] = what.length;
    const i = entry[node]!;
    const below = input.tier[i]!;
    if (what[node] !== 'column' && input.count[i]! > 0) {
      if (what[node] === 'entry' && depths.tiers[below]!.strip) push('strip', i, stripBreadth(input, across, i));
      else pushChildren(input, across, i, push);
    }
    count[node] = what.length - first[node]!;
  }
  return {
    forest: {
      roots: input.roots,
      first: Int32Array.from(first),
      count: Int32Array.from(count),
      breadth: Float64Array.from(breadth),
    },
    what,
    entry,
  };
}

function pushChildren(
  input: TierTreeInput,
  across: Float64Array,
  i: number,
  push: (kind: 'entry' | 'column', i: number, size: number) => void,
): void {
  const kids = regularChildren(input, i);
  if (standsInColumn(input, i)) {
    push('column', i, kids.reduce((most, c) => Math.max(most, across[c]!), 0) + 2 * clear);
  } else {
    for (const c of kids) push('entry', c, across[c]!);
  }
}

function stripBreadth(input: TierTreeInput, across: Float64Array, i: number): number {
  let widest = 0;
  for (const c of besideChildren(input, i)) widest = Math.max(widest, across[c]!);
  return widest === 0 ? 0 : 2 * (widest + clear);
}

function placeColumn(input: TierTreeInput, { along, b, d }: Shape, depths: Depths, i: number, centre: number): void {
  let at = depths.tiers[input.tier[i]!]!.rowStart;
  for (const c of regularChildren(input, i)) {
    b[c] = centre;
    d[c] = at;
    at += along[c]! + columnStep(input);
  }
}

/** Assistants in pairs: the first of a pair after the line, the second before it. */
function placeBeside(
  input: TierTreeInput,
  { across, along, b, d }: Shape,
  depths: Depths,
  i: number,
  centre: number,
): void {
  let at = depths.tiers[input.tier[i]!]!.start;
  const aside = besideChildren(input, i);
  for (let k = 0; k < aside.length; k += 2) {
    let deepest = 0;
    for (const [side, c] of [
      [1, aside[k]],
      [-1, aside[k + 1]],
    ] as const) {
      if (c === undefined) continue;
      b[c] = centre + side * (clear + across[c]! / 2);
      d[c] = at;
      deepest = Math.max(deepest, along[c]!);
    }
    at += deepest + clear;
  }
}

/** Lines in (across, along) coordinates: a stem, the bus with its two ends, and a drop to each child in between. */
function fanOf(input: TierTreeInput, { across, along, b, d }: Shape, depths: Depths, i: number): Polyline[] {
  const lines: Polyline[] = [];
  const stem = b[i]!;
  const from = d[i]! + along[i]!;
  const kids = regularChildren(input, i);
  const { bus } = depths.tiers[input.tier[i]!]!;
  let stemEnd = from;
  for (const c of besideChildren(input, i)) {
    const middle = d[c]! + along[c]! / 2;
    const edge = b[c]! > stem ? b[c]! - across[c]! / 2 : b[c]! + across[c]! / 2;
    lines.push({ points: [stem, middle, edge, middle] });
    stemEnd = Math.max(stemEnd, middle);
  }
  if (kids.length === 0) return [{ points: [stem, from, stem, stemEnd] }, ...lines];
  const firstKid = kids[0]!;
  const lastKid = kids.at(-1)!;
  if (kids.length > 1 && b[firstKid] === b[lastKid]) {
    const spine = b[firstKid]! - Math.max(...kids.map((c) => across[c]!)) / 2 - clear;
    for (const c of kids) {
      const middle = d[c]! + along[c]! / 2;
      const edge = b[c]! - across[c]! / 2;
      lines.push(
        c === lastKid
          ? { points: [stem, from, stem, bus, spine, bus, spine, middle, edge, middle] }
          : { points: [spine, middle, edge, middle] },
      );
    }
    return lines;
  }
  if (kids.length === 1) return [{ points: [stem, from, stem, d[firstKid]!] }, ...lines];
  lines.push({ points: [stem, from, stem, bus] });
  lines.push({ points: [b[firstKid]!, d[firstKid]!, b[firstKid]!, bus, b[lastKid]!, bus, b[lastKid]!, d[lastKid]!] });
  for (const c of kids.slice(1, -1)) lines.push({ points: [b[c]!, bus, b[c]!, d[c]!] });
  return lines;
}

function finish(shape: Shape, depths: Depths, fans: Map<number, Polyline[]>, down: boolean): TierTreeLayout {
  const { across, b, d } = shape;
  const n = b.length;
  let left = 0;
  let right = 0;
  for (let i = 0; i < n; i++) {
    left = Math.min(left, b[i]! - across[i]! / 2);
    right = Math.max(right, b[i]! + across[i]! / 2);
  }
  for (const lines of fans.values())
    for (const { points } of lines) for (let p = 0; p < points.length; p += 2) left = Math.min(left, points[p]!);
  const start = new Float64Array(n);
  for (let i = 0; i < n; i++) start[i] = b[i]! - across[i]! / 2 - left;
  const depth = depths.tiers.at(-1)?.end ?? 0;
  const moved = new Map<number, Polyline[]>();
  for (const [i, lines] of fans) {
    moved.set(
      i,
      lines.map(({ points }) => ({ points: points.map((_, p) => at(points, p, left, down)) })),
    );
  }
  const tiers = depths.tiers.map((tier) => ({
    start: tier.start,
    rowStart: tier.rowStart,
    end: Math.max(tier.end, tier.start),
  }));
  return down
    ? { x: start, y: d, width: right - left, height: depth, tiers, fans: moved }
    : { x: d, y: start, width: depth, height: right - left, tiers, fans: moved };
}

/** Ordinate p of a point list, shifted, with the axes swapped where the drawing grows to the right. */
function at(points: readonly number[], p: number, left: number, down: boolean): number {
  const isX = p % 2 === 0;
  if (down) return isX ? points[p]! - left : points[p]!;
  return isX ? points[p + 1]! : points[p - 1]! - left;
}
