import type { Item } from '../items';
import { columnStep } from '../stack';
import { lineClear, type Head } from './head';
import type { Levels } from './levels';
import { pack, packed } from './row';
import { looks, type BranchShape, type CompactInput, type ItemShape, type Shelf } from './types';

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

function rowsOf(input: CompactInput, head: Head, items: readonly Item[], { narrowest, flat, all }: Levels): Rows {
  const { inShelf } = looks[input.look];
  return items.map((item, i) => {
    const ways: Row[][] = [];
    const single = all[i]!.map((shape): Row => {
      const { across: width, along: height } = shape;
      return { shapes: [shape], from: 0, to: 1, width, height, lead: leadOf(input, head, [shape], item, i > 0) };
    });
    ways.push(single.sort((a, b) => a.lead + a.height - b.lead - b.height || a.width - b.width));
    const lead = leadOf(input, head, [], item, i > 0);
    for (let to = i + 2; to <= Math.min(items.length, i + inShelf); to++) {
      const made: Row[] = [];
      // Levels go from low to high; a level that changes nothing for these items is passed over.
      for (const levels of [narrowest, flat])
        for (const [l, shapes] of levels.entries()) {
          let fresh = false;
          let there = true;
          for (let k = i; k < to && there; k++) {
            there = shapes[k] !== null;
            fresh ||= l === 0 || shapes[k] !== levels[l - 1]![k];
          }
          if (there && fresh) made.push({ shapes, from: i, to, ...pack(shapes, i, to, input.branchGap), lead });
        }
      ways.push(flat.length > 0 ? made.sort((a, b) => a.height - b.height || a.width - b.width) : made);
    }
    return ways;
  });
}

/** Items in shelves: for some widths, the breaks into shelves that make them least high, by dynamic programming. */
export function shelves(input: CompactInput, head: Head, items: readonly Item[], levels: Levels): BranchShape[] {
  const n = items.length;
  const { narrowest, all } = levels;
  const widest = Math.max(...all.map((shapes) => Math.min(...shapes.map(({ across }) => across))));
  const middle = narrowest[Math.floor(narrowest.length / 2)]!;
  const total = middle.reduce((sum, shape, k) => sum + (shape ?? all[k]![0]!).across + input.branchGap, 0);
  const caps = new Set([widest]);
  for (const share of looks[input.look].shelfWidths)
    if (share <= n || n === 1) caps.add(Math.max(widest, (total / share) * 1.1));
  if (n === 1) caps.add(Infinity);
  const table = rowsOf(input, head, items, levels);
  const found: BranchShape[] = [];
  for (const cap of caps) {
    const broken = breakInto(head, items, table, cap);
    if (broken === null || (n > 1 && broken.length === 1)) continue;
    const only = broken[0]!;
    if (n === 1 && only.joined === 'bus') continue;
    const asideAcross = head.stripBreadth > 0 ? head.indent + head.stripBreadth / 2 : 0;
    const across = Math.max(head.across, asideAcross, ...broken.map(({ row }) => head.indent + row.width));
    const last = broken.at(-1)!;
    const depth = Math.max(0, only.start - (only.joined === 'bus' ? head.gap / 2 : 0) - lineClear);
    found.push({
      across,
      along: last.start + last.row.height,
      anchor: head.across / 2,
      neck: { left: 0, right: Math.max(head.across, head.hanging > 0 ? across : 0), depth },
      plan: {
        how: 'shelves',
        rows: broken.map(({ from, row, start, joined }) => {
          const picks = picksOf(row);
          return { from, picks, ats: packed(picks, input.branchGap).ats, start, joined };
        }),
      },
    });
  }
  return found;
}

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
    table[i]!.forEach((ways, k) => {
      const row = ways.find(({ width }) => width <= cap + 1e-9);
      if (!row) return;
      const along = best[i]! + row.lead + row.height;
      if (along >= best[i + k + 1]!) return;
      best[i + k + 1] = along;
      from[i + k + 1] = i;
      chosen[i + k + 1] = row;
    });
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
