import type { Polyline } from './lines';
import type { ColumnsInput } from './tier-columns';
import type { TierTreeLayout } from './tier-tree';

/** As `ColumnsInput`, without gaps between tiers. */
export interface IndentedInput extends Omit<ColumnsInput, 'tierGap' | 'direction' | 'ends' | 'zones'> {
  /** All entries in the order of the list: each before those under it. */
  readonly outline: Int32Array;
  /** How far each tier begins after the one above it. */
  readonly step: number;
  /** The list stands in this many columns at most, parted between branches. */
  readonly columns: number;
  readonly columnGap: number;
}

/** Entries of one column, as places in the outline: from, to (not included). */
interface Part {
  readonly from: number;
  readonly to: number;
}

interface Stepped {
  readonly parts: readonly Part[];
  /** Upper left corner of each part. */
  readonly left: readonly number[];
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

/**
 * A stepped outline: one line an entry, in the order of the list, each tier indented by a step, a line down from each entry along those under it. Where the
 * list is parted into columns, no branch of the second tier is torn, and the columns are as even as that allows. O(n log n), no recursion.
 */
export function arrangeIndented(input: IndentedInput): TierTreeLayout {
  const made = stepped(input);
  const n = input.tier.length;
  const x = new Float64Array(n);
  const y = new Float64Array(n);
  const partOf = new Int32Array(n);
  if (headed(input)) place(input, { x, y }, 0, 0, 0);
  made.parts.forEach(({ from, to }, k) => {
    let at = made.top;
    for (let p = from; p < to; p++) {
      const i = input.outline[p]!;
      place(input, { x, y }, i, made.left[k]!, at);
      partOf[i] = k;
      at += input.height[i]! + input.gap;
    }
  });
  const fans = new Map<number, readonly Polyline[]>();
  for (let i = 0; i < n; i++) if (input.count[i]! > 0) fans.set(i, fanOf(input, i, { x, y, partOf }));
  return { x, y, width: made.width, height: made.height, tiers: [], fans };
}

/** Width and height of the drawing that `arrangeIndented` would make. CSS px. */
export function sizeIndented(input: IndentedInput): { readonly width: number; readonly height: number } {
  const { width, height } = stepped(input);
  return { width, height };
}

/** True where one entry stands over all, at the head of every column. */
const headed = ({ roots, tier }: IndentedInput): boolean => roots === 1 && tier.length > 1;

const place = (
  { tier, step }: IndentedInput,
  { x, y }: { readonly x: Float64Array; readonly y: Float64Array },
  i: number,
  left: number,
  top: number,
): void => {
  x[i] = left + (tier[i]! - 1) * step;
  y[i] = top;
};

function stepped(input: IndentedInput): Stepped {
  const { tier, outline, width, height, gap, step } = input;
  const head = headed(input);
  const from = head ? 1 : 0;
  const top = head ? height[0]! + gap : 0;
  const parts = partsOf(input, outline, from);
  const left: number[] = [];
  let [at, lowest] = [0, Math.max(0, top - gap)];
  for (const part of parts) {
    left.push(at);
    let [right, depth] = [0, -gap];
    for (let p = part.from; p < part.to; p++) {
      const i = outline[p]!;
      right = Math.max(right, (tier[i]! - 1) * step + width[i]!);
      depth += height[i]! + gap;
    }
    at += right + input.columnGap;
    lowest = Math.max(lowest, top + depth);
  }
  const right = Math.max(0, at - input.columnGap, head ? width[0]! : 0);
  return { parts, left, top, width: right, height: lowest };
}

/** The columns: as few and as even as the branches allow, by the least height at which they fit into so many. */
function partsOf({ tier, height, gap, columns }: IndentedInput, outline: Int32Array, from: number): Part[] {
  const n = outline.length;
  if (from >= n) return [];
  const lead = from + 1;
  const blocks: { from: number; to: number; size: number }[] = [];
  for (let p = from; p < n; p++) {
    const size = height[outline[p]!]! + gap;
    const last = blocks.at(-1);
    if (last && tier[outline[p]!]! > lead) {
      last.to = p + 1;
      last.size += size;
    } else blocks.push({ from: p, to: p + 1, size });
  }
  const within = (most: number): Part[] => {
    const parts: Part[] = [];
    let size = 0;
    for (const block of blocks) {
      const last = parts.at(-1);
      if (last && size + block.size <= most) {
        parts[parts.length - 1] = { from: last.from, to: block.to };
        size += block.size;
      } else {
        parts.push({ from: block.from, to: block.to });
        size = block.size;
      }
    }
    return parts;
  };
  let low = Math.max(...blocks.map(({ size }) => size));
  let high = blocks.reduce((sum, { size }) => sum + size, 0);
  if (columns <= 1) return within(high);
  for (let step = 0; step < 40 && high - low > 0.01; step++) {
    const middle = (low + high) / 2;
    if (within(middle).length <= columns) high = middle;
    else low = middle;
  }
  return within(high);
}

/** Where the line down from an entry stands, from its left edge. */
const trunkAt = ({ step, width }: IndentedInput, i: number): number => Math.min(step / 2, width[i]! / 2);

/** The line down along the children with a tick to each; where they go on in a further column, one across to it. */
function fanOf(
  input: IndentedInput,
  i: number,
  { x, y, partOf }: { readonly x: Float64Array; readonly y: Float64Array; readonly partOf: Int32Array },
): Polyline[] {
  const { first, count, height, gap, tier, step } = input;
  const lines: Polyline[] = [];
  const bottom = y[i]! + height[i]!;
  const middle = (c: number) => y[c]! + height[c]! / 2;
  const end = first[i]! + count[i]!;
  for (let c = first[i]!; c < end;) {
    let last = c;
    while (last + 1 < end && partOf[last + 1] === partOf[c]) last++;
    // In a further column the trunk stands where that of the first would.
    const trunk = x[c]! - step + trunkAt(input, i);
    const begin =
      c === first[i]! || tier[i] !== 1
        ? [trunk, bottom]
        : [x[first[i]!]! - step + trunkAt(input, i), bottom + gap / 2, trunk, bottom + gap / 2];
    lines.push({ points: [...begin, trunk, middle(last), x[last]!, middle(last)] });
    for (let k = c; k < last; k++) lines.push({ points: [trunk, middle(k), x[k]!, middle(k)] });
    c = last + 1;
  }
  return lines;
}
