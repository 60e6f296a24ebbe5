import { fanLines, type Drop } from './fan';
import type { Polyline } from './lines';
import { besideChildren, besideLines, besidePlaces, stripBreadth, stripDepth, type Item } from './items';
import { cellOf, columnStep, dockOf, placeStack, stackOf, type Cell, type Stack } from './stack';
import { narrowTree } from './narrow-tree';
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
  /** Length of a mark at the end of each box along the growth, which lines do not meet; null where there are none. */
  readonly foot: Float64Array | null;
  readonly direction: 'down' | 'right';
  /**
   * In a top-down drawing, how many rows the leaves below one entry take at most: 1 stands side by side, more folds them into columns. `stacks`: whether
   * only those of whom none has others below fold, or any leaves that stand next to each other.
   */
  readonly stackRows: number;
  readonly stacks: 'teams' | 'runs';
  /** Leaves up to this many stay side by side. */
  readonly keptInRow: number;
  readonly mostColumns: number;
  /** What stands below each entry, as `itemsOf` tells it. */
  readonly items: readonly (readonly Item[])[];
  readonly siblingGap: number;
  readonly branchGap: number;
  /** As in `TidyTreeInput`. */
  readonly evenWithin?: number;
  /** Whether it is to be hardly wider than it has to, as `narrowTree` makes it; else tidy. */
  readonly narrow?: boolean;
  /** `tierGap[t]` is the distance between tier t and tier t + 1, counted from 1. */
  readonly tierGap: readonly number[];
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

/**
 * Tidy tree on tiers: all boxes of a tier begin on one line, whatever their size; across the tiers the rules of `tidyTree` hold.
 * Assistants stand in a strip of their own between their parent and its other children. O(n), no recursion.
 */
export function arrangeTierTree(input: TierTreeInput): TierTreeLayout {
  const drops = new Map<number, Drop[]>();
  const { shape, depths } = placeOnTiers(input, drops);
  const fans = new Map<number, Polyline[]>();
  for (let i = 0; i < input.tier.length; i++)
    if (input.count[i]! > 0) fans.set(i, fanOf(input, shape, depths, i, drops.get(i) ?? []));
  return finish(shape, depths, fans, input.direction);
}

/** Width and height of the drawing that `arrangeTierTree` would make, without its lines. CSS px. */
export function sizeOnTiers(input: TierTreeInput): { readonly width: number; readonly height: number } {
  const { shape, depths } = placeOnTiers(input);
  const { left, right } = extentAcross(shape);
  const along = depths.tiers.at(-1)?.end ?? 0;
  return input.direction === 'down' ? { width: right - left, height: along } : { width: along, height: right - left };
}

/** The middle of each box across, and its beginning along. `drops`: told what drops from each entry, if asked for. */
function placeOnTiers(input: TierTreeInput, drops: Map<number, Drop[]> | null = null) {
  const down = input.direction === 'down';
  const across = down ? input.width : input.height;
  const along = down ? input.height : input.width;
  const folds = foldsOf(input, across, along);
  const depths = tierDepths(input, along, folds);
  const nodes = layoutNodes(input, across, depths, folds);
  const { siblingGap, branchGap, evenWithin = 0 } = input;
  const forest = { ...nodes.forest, siblingGap, branchGap };
  const centre = input.narrow ? narrowTree(forest) : tidyTree({ ...forest, evenWithin });
  const n = input.tier.length;
  const b = new Float64Array(n);
  const d = new Float64Array(n);
  const shape: Shape = { across, along, b, d };
  for (let node = 0; node < nodes.what.length; node++) {
    const i = nodes.entry[node]!;
    const what = nodes.what[node]!;
    if (what === 'entry') {
      b[i] = centre[node]!;
      d[i] = depths.tiers[input.tier[i]! - 1]!.rowStart;
      if (drops) dropTo(drops, input.parent[i]!, { at: b[i], to: d[i], ticks: [] });
    } else if (what === 'strip') {
      placeBeside(input, shape, depths, i, centre[node]!);
    } else {
      const { fold, from, count } = what;
      const boxes = Array.from({ length: count }, (_, k) => ({
        across: across[from + k]!,
        along: along[from + k]!,
        dock: dockOf(along, input.foot, from + k),
      }));
      const origin = {
        // A single column stands in the middle, its spine before it; more stand as wide as they are.
        across: centre[node]! - (fold.stack.columns === 1 ? fold.stack.middles[0]! : fold.stack.across / 2),
        along: depths.tiers[input.tier[from]! - 1]!.rowStart,
      };
      const placed = placeStack(fold.stack, origin, boxes, fold.cell, columnStep(input));
      placed.at.forEach(({ middle, start }, k) => {
        b[from + k] = middle;
        d[from + k] = start;
      });
      if (drops) for (const drop of placed.drops) dropTo(drops, i, drop);
    }
  }
  return { shape, depths };
}

function dropTo(drops: Map<number, Drop[]>, parent: number, drop: Drop): void {
  if (parent < 0) return;
  const known = drops.get(parent);
  if (known) known.push(drop);
  else drops.set(parent, [drop]);
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

interface Fold {
  readonly stack: Stack;
  readonly cell: Cell;
}

/** How the leaves that fold do so, by the first of them. */
function foldsOf(input: TierTreeInput, across: Float64Array, along: Float64Array): Map<number, Fold> {
  const folds = new Map<number, Fold>();
  if (input.stackRows <= 1 || input.direction !== 'down') return folds;
  for (let i = 0; i < input.tier.length; i++) {
    if (input.count[i] === 0) continue;
    const items = input.items[i]!;
    if (input.stacks === 'teams' && items.length > 1) continue;
    for (const { from, count } of items) {
      if (count < 2 || count <= input.keptInRow) continue;
      const cell = cellOf(from, count, across, along);
      const columns = Math.max(1, Math.min(Math.ceil(count / input.stackRows), input.mostColumns));
      if (columns < count)
        folds.set(from, { cell, stack: stackOf(count, columns, cell, columnStep(input), input.siblingGap) });
    }
  }
  return folds;
}

function tierDepths(input: TierTreeInput, along: Float64Array, folds: ReadonlyMap<number, Fold>): Depths {
  const n = input.tier.length;
  const tierTotal = n === 0 ? 0 : input.tier[n - 1]!;
  const size = new Float64Array(tierTotal);
  const strip = new Float64Array(tierTotal);
  for (let i = 0; i < n; i++) {
    const t = input.tier[i]! - 1;
    if (input.beside[i] === 0) size[t] = Math.max(size[t]!, along[i]!);
    if (input.count[i]! > 0) strip[t + 1] = Math.max(strip[t + 1]!, stripDepth(besideChildren(input, i), along));
  }
  for (const [from, { stack }] of folds) {
    const t = input.tier[from]! - 1;
    size[t] = Math.max(size[t]!, stack.along);
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

/** What a layout node stands for: the entry itself, the strip of its assistants, or some of its leaves folded. */
type What = 'entry' | 'strip' | { readonly fold: Fold; readonly from: number; readonly count: number };

interface LayoutNodes {
  readonly forest: { roots: number; first: Int32Array; count: Int32Array; breadth: Float64Array };
  readonly what: readonly What[];
  /** The entry a node is for: itself, or the parent of a strip or fold. */
  readonly entry: readonly number[];
}

/** The forest that is drawn: entries, with a node for every strip of assistants and every fold in between. */
function layoutNodes(
  input: TierTreeInput,
  across: Float64Array,
  depths: Depths,
  folds: ReadonlyMap<number, Fold>,
): LayoutNodes {
  const what: What[] = [];
  const entry: number[] = [];
  const first: number[] = [];
  const count: number[] = [];
  const breadth: number[] = [];
  const push = (kind: What, i: number, size: number) => {
    what.push(kind);
    entry.push(i);
    breadth.push(size);
  };
  for (let r = 0; r < input.roots; r++) push('entry', r, across[r]!);
  for (let node = 0; node < what.length; node++) {
    first[node] = what.length;
    const i = entry[node]!;
    const kind = what[node]!;
    if (typeof kind === 'string' && input.count[i]! > 0) {
      if (kind === 'entry' && depths.tiers[input.tier[i]!]!.strip) push('strip', i, stripBreadth(input, across, i));
      else
        for (const { from, count: many } of input.items[i]!) {
          const fold = folds.get(from);
          if (fold) {
            const { stack, cell } = fold;
            push({ fold, from, count: many }, i, stack.columns === 1 ? 2 * stack.across - cell.across : stack.across);
          } else for (let c = from; c < from + many; c++) push('entry', c, across[c]!);
        }
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

/** Assistants in pairs: the first of a pair after the line, the second before it. */
function placeBeside(
  input: TierTreeInput,
  { across, along, b, d }: Shape,
  depths: Depths,
  i: number,
  centre: number,
): void {
  const start = depths.tiers[input.tier[i]!]!.start;
  for (const { entry, middle, at } of besidePlaces(besideChildren(input, i), across, along)) {
    b[entry] = centre + middle;
    d[entry] = start + at;
  }
}

/** Lines in (across, along) coordinates: a stem, the bus with its two ends, and what drops from it; a branch to each assistant. */
function fanOf(
  input: TierTreeInput,
  { across, along, b, d }: Shape,
  depths: Depths,
  i: number,
  drops: readonly Drop[],
): Polyline[] {
  const stem = b[i]!;
  const from = d[i]! + along[i]!;
  const { lines, end } = besideLines(besideChildren(input, i), stem, { across, along, b, d });
  if (drops.length === 0) return [{ points: [stem, from, stem, Math.max(from, end)] }, ...lines];
  const { bus } = depths.tiers[input.tier[i]!]!;
  return [...fanLines(stem, from, bus, drops), ...lines];
}

/** From the leftmost to the rightmost box across, spines outside them included. */
function extentAcross({ across, b }: Shape): { left: number; right: number } {
  let left = 0;
  let right = 0;
  for (let i = 0; i < b.length; i++) {
    left = Math.min(left, b[i]! - across[i]! / 2);
    right = Math.max(right, b[i]! + across[i]! / 2);
  }
  return { left, right };
}

function finish(
  shape: Shape,
  depths: Depths,
  fans: Map<number, Polyline[]>,
  direction: TierTreeInput['direction'],
): TierTreeLayout {
  const { across, b, d } = shape;
  const down = direction === 'down';
  const n = b.length;
  const extent = extentAcross(shape);
  const { right } = extent;
  let { left } = extent;
  for (const lines of fans.values())
    for (const { points } of lines) for (let p = 0; p < points.length; p += 2) left = Math.min(left, points[p]!);
  const start = new Float64Array(n);
  for (let i = 0; i < n; i++) start[i] = b[i]! - across[i]! / 2 - left;
  const depth = depths.tiers.at(-1)?.end ?? 0;
  const moved = new Map<number, Polyline[]>();
  for (const [i, lines] of fans) {
    moved.set(
      i,
      lines.map(({ points }) => ({ points: onSheet(points, left, direction) })),
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

/** Points in (across, along), shifted and turned the way the drawing grows. */
export const onSheet = (points: readonly number[], left: number, direction: TierTreeInput['direction']): number[] =>
  points.map((_, p) => {
    const isX = p % 2 === 0;
    if (direction === 'down') return isX ? points[p]! - left : points[p]!;
    return isX ? points[p + 1]! : points[p - 1]! - left;
  });
