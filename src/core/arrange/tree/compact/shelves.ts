import type { Item } from '../items';
import { columnStep } from '../stack';
import { lineClear, type Head } from './head';
import type { Levels } from './levels';
import { pack, packed, packedSizes } from './row';
import { branchShape, looks, type FoundShape, type CompactInput, type ItemShape, type Shelf } from './types';

/** True where what hangs needs no bus: one branch, or leaves in one column. */
const hangs = (picks: readonly ItemShape[], item: Item): boolean =>
  picks.length === 1 && (!item.leaves || item.count === 1 || picks[0]!.stack?.columns === 1);

/** Some items next to each other as one shelf, in one of its shapes: those of a level, or a single shape. */
interface Row {
  readonly shapes: readonly (ItemShape | null)[];
  readonly from: number;
  readonly to: number;
  readonly width: number;
  /** Free distance above it, the first shelf being at the top, and its height. */
  readonly lead: number;
  readonly height: number;
}

/** For each first item and each number of items, the rows they can make, from low to high. */
type Rows = readonly (readonly (readonly Row[])[])[];

function rowsOf(
  input: CompactInput,
  head: Head,
  items: readonly Item[],
  { narrowest, flat, all }: Levels,
  caps: readonly number[],
): Rows {
  const { inShelf } = looks[input.look];
  const sizes = packedSizes(inShelf);
  return items.map((item, i) => {
    const ways: Row[][] = [];
    ways.push(alone(input, head, item, all[i]!, i > 0, caps));
    const lead = leadOf(input, head, [], item, i > 0);
    const end = Math.min(items.length, i + inShelf);
    for (let to = i + 2; to <= end; to++) ways.push([]);
    // Levels go from low to high; a level that changes nothing for these items is passed over.
    for (const levels of [narrowest, flat]) {
      const narrowFrom = ways.map(({ length }) => length);
      for (const [l, shapes] of levels.entries()) {
        const before = l > 0 ? levels[l - 1]! : null;
        let [there, freshFrom] = [i, end];
        for (; there < end && shapes[there] !== null; there++)
          if (freshFrom === end && shapes[there] !== before?.[there]) freshFrom = there;
        if (there < i + 2 || freshFrom >= there) continue;
        pack(shapes, i, there, input.branchGap, sizes);
        for (let to = Math.max(i + 2, freshFrom + 1); to <= there; to++) {
          const k = to - i - 1;
          const made = ways[k]!;
          const width = sizes.widths[k]!;
          // Only what is the lowest within some width is of use; a lower one of these levels may be within it already.
          const within = caps.find((cap) => width <= cap + 1e-9);
          if (within !== undefined && !(made.length > narrowFrom[k]! && made.at(-1)!.width <= within + 1e-9))
            made.push({ shapes, from: i, to, width, height: sizes.heights[k]!, lead });
        }
      }
    }
    if (flat.length > 0)
      for (const made of ways.slice(1)) made.sort((a, b) => a.height - b.height || a.width - b.width);
    return ways;
  });
}

/** The shapes of one item as shelves of their own, from low to high: those that are the lowest within some width. */
function alone(
  input: CompactInput,
  head: Head,
  item: Item,
  all: readonly ItemShape[],
  later: boolean,
  caps: readonly number[],
): Row[] {
  const rowOf = (shape: ItemShape): Row => {
    const { across: width, along: height } = shape;
    return { shapes: [shape], from: 0, to: 1, width, height, lead: leadOf(input, head, [shape], item, later) };
  };
  if (item.leaves) return all.map(rowOf).sort((a, b) => a.lead + a.height - b.lead - b.height || a.width - b.width);
  // Shapes of a branch stand from narrow to wide, and so from long to short.
  const made: Row[] = [];
  let reached = Infinity;
  for (let k = all.length - 1; k >= 0; k--) {
    const within = caps.find((cap) => all[k]!.across <= cap + 1e-9);
    if (within === undefined || reached <= within + 1e-9) continue;
    made.push(rowOf(all[k]!));
    reached = all[k]!.across;
  }
  return made;
}

/** Items in shelves: for some widths, the breaks into shelves that make them least high, by dynamic programming. */
export function shelves(input: CompactInput, head: Head, items: readonly Item[], levels: Levels): FoundShape[] {
  const n = items.length;
  const { narrowest, all } = levels;
  const widest = Math.max(...all.map((shapes) => Math.min(...shapes.map(({ across }) => across))));
  const middle = narrowest[Math.floor(narrowest.length / 2)]!;
  const total = middle.reduce((sum, shape, k) => sum + (shape ?? all[k]![0]!).across + input.branchGap, 0);
  const caps = new Set([widest]);
  for (const share of looks[input.look].shelfWidths)
    if (share <= n || n === 1) caps.add(Math.max(widest, (total / share) * 1.1));
  if (n === 1) caps.add(Infinity);
  const rising = [...caps].sort((a, b) => a - b);
  const table = rowsOf(input, head, items, levels, rising);
  const found: FoundShape[] = [];
  for (const cap of caps) {
    const broken = breakInto(head, items, table, cap);
    if (broken === null || (n > 1 && broken.length === 1)) continue;
    const only = broken[0]!;
    if (n === 1 && only.joined === 'bus') continue;
    const asideAcross = head.stripBreadth > 0 ? head.indent + head.stripBreadth / 2 : 0;
    const across = Math.max(head.across, asideAcross, ...broken.map(({ row }) => head.indent + row.width));
    const last = broken.at(-1)!;
    const along = last.start + last.row.height;
    if (found.some((one) => one.across <= across && one.along <= along)) continue;
    const depth = Math.max(0, only.start - (only.joined === 'bus' ? head.gap / 2 : 0) - lineClear);
    found.push(
      branchShape(
        across,
        along,
        head.across / 2,
        { left: 0, right: Math.max(head.across, head.hanging > 0 ? across : 0), depth },
        { how: 'shelves', rows: shelvesOf(broken, input.branchGap) },
      ),
    );
  }
  return found;
}

/** Made apart from where it is used, so that what waits to be asked keeps nothing else. */
const shelvesOf = (broken: readonly Broken[], gap: number) => (): Shelf[] =>
  broken.map(({ from, row, start, joined }) => {
    const picks = picksOf(row);
    return { from, picks, ats: packed(picks, gap), start, joined };
  });

const picksOf = ({ shapes, from, to }: Row): ItemShape[] => shapes.slice(from, to) as ItemShape[];

interface Broken {
  readonly from: number;
  readonly row: Row;
  readonly start: number;
  readonly joined: Shelf['joined'];
}

function breakInto(head: Head, items: readonly Item[], table: Rows, cap: number): Broken[] | null {
  const n = items.length;
  const best = new Float64Array(n + 1).fill(Infinity);
  const from = new Int32Array(n + 1);
  const chosen: (Row | null)[] = new Array<Row | null>(n + 1).fill(null);
  best[0] = 0;
  for (let i = 0; i < n; i++) {
    if (best[i] === Infinity) continue;
    let to = i;
    for (const ways of table[i]!) {
      to++;
      for (const row of ways) {
        if (row.width > cap + 1e-9) continue;
        const along = best[i]! + row.lead + row.height;
        if (along < best[to]!) {
          best[to] = along;
          from[to] = i;
          chosen[to] = row;
        }
        break;
      }
    }
  }
  if (best[n] === Infinity) return null;
  const rows: { from: number; row: Row }[] = [];
  for (let to = n; to > 0; to = from[to]!) rows.unshift({ from: from[to]!, row: chosen[to]! });
  let at = head.along + head.hanging;
  return rows.map(({ from: i, row }): Broken => {
    const start = at + row.lead;
    at = start + row.height;
    return { from: i, row, start, joined: head.along > 0 && hangs(picksOf(row), items[i]!) ? 'ticks' : 'bus' };
  });
}

/** Free distance above a shelf. */
function leadOf(input: CompactInput, head: Head, picks: readonly ItemShape[], item: Item, later: boolean): number {
  if (head.along === 0) return later ? input.branchGap * 1.5 : 0;
  if (!hangs(picks, item)) return head.gap;
  if (!later) return Math.max(8, head.gap * 0.5);
  return item.leaves ? columnStep(input) : input.branchGap * 0.8;
}
