import { headOf } from './head';
import {
  trunk,
  type BranchShape,
  type Column,
  type CompactInput,
  type ItemShape,
  type Plan,
  type Shapes,
  type Shelf,
} from './types';
import { fanLines, type Drop } from '../fan';
import { besideChildren, besideLines, besidePlaces, type Item } from '../items';
import { cellOf, columnStep, dockOf, placeStack } from '../stack';
import { type Polyline } from '../lines';

/** A drawing in (across, along) coordinates, CSS px. */
export interface CompactLayout {
  /** Middle of each box across; its beginning along. */
  readonly b: Float64Array;
  readonly d: Float64Array;
  readonly across: number;
  readonly along: number;
  readonly fans: ReadonlyMap<number, readonly Polyline[]>;
}

/** The shape of the whole that prints largest in a room; the widest of those that print alike. */
export function bestShape(shapes: Shapes, room: { readonly across: number; readonly along: number }, largest: number) {
  let best: { readonly shape: BranchShape; readonly scale: number } | null = null;
  for (const shape of shapes.whole) {
    const scale = Math.min(largest, room.across / shape.across, room.along / shape.along);
    if (best === null || scale >= best.scale - 1e-9) best = { shape, scale };
  }
  return best;
}

/** Puts every box and line of a chosen shape in its place. No recursion. O(entries). */
export function placeCompact(input: CompactInput, shapes: Shapes, whole: BranchShape): CompactLayout {
  const n = input.tier.length;
  const b = new Float64Array(n);
  const d = new Float64Array(n);
  const fans = new Map<number, Polyline[]>();
  const work: Work = { input, b, d, fans, waiting: [], shapes };
  if (input.roots === 1) work.waiting.push({ i: 0, shape: whole, across: 0, along: 0, head: 'over' });
  else placeItems(work, whole.plan, shapes.rootItems, { across: 0, along: 0 }, 0);
  while (work.waiting.length > 0) placeBranch(work, work.waiting.pop()!);
  return { b, d, across: whole.across, along: whole.along, fans };
}

interface Waiting {
  readonly i: number;
  readonly shape: BranchShape;
  readonly across: number;
  readonly along: number;
  /** Over the middle of what it leads, or at the beginning, where the line to it comes from. */
  readonly head: 'over' | 'beginning';
}
interface Work {
  readonly input: CompactInput;
  readonly b: Float64Array;
  readonly d: Float64Array;
  readonly fans: Map<number, Polyline[]>;
  readonly waiting: Waiting[];
  readonly shapes: Shapes;
}
interface Place {
  readonly across: number;
  readonly along: number;
}

function placeBranch(work: Work, { i, shape, across, along, head: where }: Waiting): void {
  const { input, b, d, fans } = work;
  b[i] = across + (where === 'over' ? shape.anchor : anchorHung(input, i, shape));
  d[i] = along;
  if (input.count[i] === 0) return;
  const head = headOf(input, i);
  const aside = besideChildren(input, i);
  const from = along + head.along;
  if (shape.plan.how === 'shelves') {
    const at = across + Math.min(trunk.at, head.across / 2);
    fans.set(i, hangingLines(work, { i, at, from, aside, plan: shape.plan, origin: { across, along } }, head.indent));
    return;
  }
  for (const { entry, middle, at } of besidePlaces(aside, input.across, input.along)) {
    b[entry] = b[i]! + middle;
    d[entry] = from + head.gap / 2 + at;
  }
  const { lines, end } = besideLines(aside, b[i]!, { across: input.across, along: input.along, b, d });
  const rows = placeItems(work, shape.plan, input.items[i]!, { across, along }, 0);
  const [row] = rows;
  if (!row) {
    fans.set(i, [{ points: [b[i]!, from, b[i]!, Math.max(from, end)] }, ...lines]);
    return;
  }
  const bus = row.start - head.gap * (aside.length > 0 ? 0.4 : 0.5);
  fans.set(i, [...fanLines(b[i]!, from, bus, row.drops), ...lines]);
}

interface PlacedRow {
  /** Where the boxes of the row begin along. */
  readonly start: number;
  readonly drops: readonly Drop[];
  readonly shelf: Shelf | null;
}

/** Puts the items of a head in their rows; branches wait for their turn. */
function placeItems(work: Work, plan: Plan, items: readonly Item[], origin: Place, indent: number): PlacedRow[] {
  if (plan.how === 'alone') return [];
  if (plan.how === 'row') {
    const ats = plan.ats().map((at) => origin.across + at);
    const start = origin.along + plan.start;
    return [{ start, drops: placeRow(work, items, plan.picks, { ats, along: start }), shelf: null }];
  }
  if (plan.how === 'columns') {
    const along = origin.along + plan.start;
    const from = items[0]!.from;
    const drops = plan
      .columns()
      .map((column) => placeColumn(work, column, from, { across: origin.across + plan.left, along }));
    return [{ start: along, drops, shelf: null }];
  }
  return plan.rows().map((shelf) => {
    const start = origin.along + shelf.start;
    const at = { ats: shelf.ats.map((across) => origin.across + indent + across), along: start };
    return {
      start,
      drops: placeRow(work, items.slice(shelf.from), shelf.picks, at, shelf.joined === 'ticks' ? 'beginning' : 'over'),
      shelf,
    };
  });
}

/** The middle of a head that hangs by a tick, from the beginning of its branch: at the beginning, unless assistants stand on both sides of its line. */
const anchorHung = (input: CompactInput, i: number, { anchor }: BranchShape): number =>
  besideChildren(input, i).length > 0 ? anchor : Math.min(anchor, input.across[i]! / 2);

/** Puts entries below each other beside their spine. */
function placeColumn(work: Work, { at, units }: Column, from: number, { across: left, along }: Place): Drop {
  const { input, shapes } = work;
  const ticks = units.map(({ entry: place, pick, start }) => {
    const entry = from + place;
    const shape = shapes.ofBranch[entry]![pick]!;
    const across = left + at + trunk.clear;
    work.waiting.push({ i: entry, shape, across, along: along + start, head: 'beginning' });
    return {
      edge: across + anchorHung(input, entry, shape) - input.across[entry]! / 2,
      at: along + start + dockOf(input.along, input.foot, entry),
    };
  });
  return { at: left + at, to: ticks.at(-1)!.at, ticks };
}

/** Puts items side by side and tells where the lines to them go. */
function placeRow(
  work: Work,
  items: readonly Item[],
  picks: readonly ItemShape[],
  { ats, along }: { readonly ats: readonly number[]; readonly along: number },
  head: Waiting['head'] = 'over',
): Drop[] {
  const { input, b, d } = work;
  const drops: Drop[] = [];
  for (const [k, pick] of picks.entries()) {
    const { from, count, leaves } = items[k]!;
    const at = ats[k]!;
    if (!leaves) {
      const shape = work.shapes.ofBranch[from]![pick.pick]!;
      work.waiting.push({ i: from, shape, across: at, along, head });
      const middle = head === 'over' ? shape.anchor : anchorHung(input, from, shape);
      drops.push({ at: at + middle, to: along, ticks: [] });
    } else if (pick.stack) {
      const cell = cellOf(from, count, input.across, input.along);
      const boxes = Array.from({ length: count }, (_, c) => ({
        across: input.across[from + c]!,
        along: input.along[from + c]!,
        dock: dockOf(input.along, input.foot, from + c),
      }));
      const placed = placeStack(pick.stack, { across: at, along }, boxes, cell, columnStep(input));
      placed.at.forEach(({ middle, start }, c) => {
        b[from + c] = middle;
        d[from + c] = start;
      });
      drops.push(...placed.drops);
    } else {
      let left = at;
      for (let c = from; c < from + count; c++) {
        b[c] = left + input.across[c]! / 2;
        d[c] = along;
        drops.push({ at: b[c]!, to: along, ticks: [] });
        left += input.across[c]! + input.siblingGap;
      }
    }
  }
  return drops;
}

interface Hanging {
  readonly i: number;
  /** Where the trunk stands across and where it begins along. */
  readonly at: number;
  readonly from: number;
  readonly aside: readonly number[];
  readonly plan: Plan;
  readonly origin: Place;
}

/** The trunk of a head, a tick to each box that hangs at it, and a bus to each row; the last of them ends the trunk. */
function hangingLines(work: Work, hanging: Hanging, indent: number): Polyline[] {
  const { input, b, d } = work;
  const { i, at, from, aside, plan, origin } = hanging;
  const ends: { readonly points: readonly number[]; readonly more: readonly Polyline[] }[] = [];
  const tick = (c: number, head: number): void => {
    const middle = d[c]! + dockOf(input.along, input.foot, c);
    ends.push({ points: [at, middle, head - input.across[c]! / 2, middle], more: [] });
  };
  let along = from;
  for (const c of aside) {
    along += columnStep(input);
    b[c] = origin.across + indent + input.across[c]! / 2;
    d[c] = along;
    along += input.along[c]!;
    tick(c, b[c]!);
  }
  const gap = headOf(input, i).gap;
  for (const { shelf, start, drops } of placeItems(work, plan, input.items[i]!, origin, indent)) {
    const item = input.items[i]![shelf!.from]!;
    if (shelf!.joined === 'ticks') {
      // The boxes stand where a column would put them, one trunk's distance from it.
      if (item.leaves) hangLeaves(work, item, origin.across + indent, tick);
      else {
        d[item.from] = start;
        tick(item.from, drops[0]!.at);
      }
      continue;
    }
    const bus = start - gap / 2;
    const last = drops.at(-1)!;
    const [toLast, ...ticks] = fanLines(last.at, bus, bus, [last]);
    const others = drops.slice(0, -1).flatMap((drop) => fanLines(drop.at, bus, bus, [drop]));
    ends.push({ points: [at, bus, ...toLast!.points], more: [...others, ...ticks] });
  }
  return ends.flatMap(({ points, more }, k) => [
    { points: k === ends.length - 1 ? [at, from, ...points] : points },
    ...more,
  ]);
}

/** Leaves in one column at a trunk: their column's own spine is not needed. */
function hangLeaves(
  { input, b }: Work,
  { from, count }: Item,
  left: number,
  tick: (c: number, middle: number) => void,
): void {
  for (let c = from; c < from + count; c++) {
    b[c] = left + input.across[c]! / 2;
    tick(c, b[c]!);
  }
}
