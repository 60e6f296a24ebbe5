import { roundedPath, type Point } from '../arrange';
import { capHeightOf, runsOf, sansFace, widthOf, wrap, type Run } from '../measure';
import type { Primitive, Rect, SceneGroup } from './scene';
import type { Listed, ListedPlace } from './venn-lists';

export interface KeyPart {
  readonly mask: number;
  readonly heading: string;
  readonly entries: readonly Listed[];
  /** A point inside the region; null where the curves do not have it. */
  readonly from: Point | null;
}

export interface KeyRoom {
  /** What the key stands beside: curves with their frame. */
  readonly frame: Rect;
  /** Room on the sheet for all of it; null where the sheet is as large as the drawing. */
  readonly sheet: { readonly width: number; readonly height: number } | null;
  /** Text that lines should not pass through. */
  readonly avoid: readonly Rect[];
}

export interface Key {
  readonly groups: readonly SceneGroup[];
  readonly places: readonly ListedPlace[];
  /** What frame and key take together. */
  readonly bounds: Rect;
}

const headingFace = sansFace(600, 'upright');
const headingSize = 12.5;
const numberSize = 12;
const headingLeading = 1.25;
/** Entries stand in from the heading's number by this. */
const indent = 18;
const betweenColumns = 12;
const betweenParts = 14;
const besideFrame = 28;
const rowGap = 3;
const mostInARow = 4;

interface Set {
  readonly part: KeyPart;
  readonly lines: readonly (readonly Run[])[];
  readonly headingHeight: number;
  readonly height: number;
}

interface Plan {
  /** Parts on the left and on the right, from the top. */
  readonly sides: readonly [left: readonly Set[], right: readonly Set[]];
  readonly inARow: number;
  readonly width: number;
  readonly height: number;
  readonly scale: number;
}

/**
 * The key at the side: for each region that is too small, its number, which region it is, and its entries; joined to the region by a line.
 * It stands on the right or on both sides, its entries in one column or several, whichever lets the drawing be largest on the sheet.
 */
export function keyBeside(parts: readonly KeyPart[], room: KeyRoom, ink: string): Key {
  if (parts.length === 0) return { groups: [], places: [], bounds: room.frame };
  const entryWidth = Math.max(60, ...parts.flatMap(({ entries }) => entries.map(({ width }) => width)));
  const plan = bestPlan(parts, entryWidth, room);
  const numbers = new Map(plan.sides.flat().map(({ part }, i) => [part, String(i + 1)]));
  const groups: SceneGroup[] = [];
  const places: ListedPlace[] = [];
  const { frame } = room;
  plan.sides.forEach((side, s) => {
    const left = s === 0;
    const x = left ? frame.x - besideFrame - plan.width : frame.x + frame.width + besideFrame;
    const tops = topsOf(side, frame);
    side.forEach((set, i) => {
      const y = tops[i]!;
      places.push(...entryPlaces(set, x, y, plan.inARow, entryWidth));
      groups.push(partGroup(set, numbers.get(set.part)!, { x, y, width: plan.width, left }, ink, room.avoid));
    });
  });
  const [onLeft, onRight] = plan.sides.map((side) => (side.length > 0 ? besideFrame + plan.width : 0));
  return {
    groups,
    places,
    bounds: {
      x: frame.x - onLeft!,
      y: frame.y,
      width: frame.width + onLeft! + onRight!,
      height: Math.max(frame.height, ...plan.sides.map(heightOf)),
    },
  };
}

const heightOf = (side: readonly Set[]): number =>
  side.reduce((sum, { height }) => sum + height + betweenParts, side.length > 0 ? -betweenParts : 0);

/** Each part at the height of its region as nearly as the parts above and below allow, within the frame where they fit there. */
function topsOf(side: readonly Set[], frame: Rect): number[] {
  const bottom = frame.y + Math.max(frame.height, heightOf(side));
  const tops: number[] = [];
  let next = frame.y;
  for (const { part, height } of side) {
    tops.push(Math.max(next, part.from ? part.from.y - height / 2 : next));
    next = tops.at(-1)! + height + betweenParts;
  }
  let limit = bottom;
  for (let i = side.length - 1; i >= 0; i--) {
    tops[i] = Math.min(tops[i]!, limit - side[i]!.height);
    limit = tops[i]! - betweenParts;
  }
  return tops;
}

function bestPlan(parts: readonly KeyPart[], entryWidth: number, { frame, sheet }: KeyRoom): Plan {
  const plans: Plan[] = [];
  for (let inARow = 1; inARow <= mostInARow; inARow++) {
    const width = indent + inARow * entryWidth + (inARow - 1) * betweenColumns;
    const sets = parts.map((part) => setPart(part, width, inARow));
    for (const sides of [[[], byHeight(sets)], bothSides(sets)] as const) {
      const filled = sides.filter((side) => side.length > 0).length;
      const height = Math.max(frame.height, ...sides.map(heightOf));
      const across = frame.width + filled * (besideFrame + width);
      const scale = sheet ? Math.min(sheet.width / across, sheet.height / height) : 1000 / Math.max(across, height);
      plans.push({ sides, inARow, width, height, scale });
    }
  }
  // The plainer of two plans is kept unless the other one is a good part larger.
  return plans.reduce((best, one) => (one.scale > best.scale * 1.04 ? one : best));
}

const byHeight = (sets: readonly Set[]): Set[] =>
  [...sets].sort((a, b) => (a.part.from?.y ?? Infinity) - (b.part.from?.y ?? Infinity) || a.part.mask - b.part.mask);

/** Regions further left go to the left until about half of the height stands there. */
function bothSides(sets: readonly Set[]): [Set[], Set[]] {
  const across = [...sets].sort((a, b) => (a.part.from?.x ?? Infinity) - (b.part.from?.x ?? Infinity));
  const half = heightOf(across) / 2;
  let at = 0;
  while (at < across.length - 1 && heightOf(across.slice(0, at + 1)) <= half + across[at]!.height / 2) at++;
  return [byHeight(across.slice(0, at)), byHeight(across.slice(at))];
}

function setPart(part: KeyPart, width: number, inARow: number): Set {
  const lines = wrap(part.heading, headingFace, headingSize, width - indent, 4).lines.map((text) =>
    runsOf(text, headingFace, headingSize),
  );
  const headingHeight = headingSize * headingLeading * lines.length + 4;
  const columns = columnsOf(part.entries, inARow);
  const tallest = Math.max(0, ...columns.map((column) => column.reduce((sum, one) => sum + one.height + rowGap, 0)));
  return { part, lines, headingHeight, height: headingHeight + tallest };
}

/** Entries go down the first column, then down the next. */
function columnsOf(entries: readonly Listed[], inARow: number): (readonly Listed[])[] {
  const rows = Math.ceil(entries.length / inARow);
  return Array.from({ length: inARow }, (_, c) => entries.slice(c * rows, (c + 1) * rows));
}

function entryPlaces(set: Set, x: number, y: number, inARow: number, entryWidth: number): ListedPlace[] {
  return columnsOf(set.part.entries, inARow).flatMap((column, c) => {
    let top = y + set.headingHeight;
    return column.map(({ id, height }) => {
      const place = { id, x: x + indent + c * (entryWidth + betweenColumns), y: top };
      top += height + rowGap;
      return place;
    });
  });
}

function partGroup(
  { part, lines, height }: Set,
  number: string,
  column: { readonly x: number; readonly y: number; readonly width: number; readonly left: boolean },
  ink: string,
  avoid: readonly Rect[],
): SceneGroup {
  const { x, y, width, left } = column;
  const text = (at: Point, size: number, runs: readonly Run[]): Primitive => ({
    type: 'text',
    ...at,
    size,
    fill: ink,
    runs,
    part: 'note',
  });
  const children: Primitive[] = lines.map((runs, k) =>
    text({ x: x + indent, y: y + headingSize * (1 + k * headingLeading) }, headingSize, runs),
  );
  const numeral = runsOf(number, headingFace, numberSize);
  children.push(text({ x, y: y + headingSize }, numberSize, numeral));
  if (part.from) {
    const half = widthOf(number, headingFace, numberSize) / 2;
    const end = { x: left ? x + width + 8 : x - 7, y: y + headingSize * 0.6 };
    const begin = { x: part.from.x + (left ? -half - 3 : half + 3), y: part.from.y };
    children.push(
      { type: 'path', d: roundedPath(leader(begin, end, avoid), 4), stroke: ink, strokeWidth: 0.7, dashed: false },
      text({ x: part.from.x - half, y: part.from.y + capHeightOf(headingFace, numberSize) / 2 }, numberSize, numeral),
    );
  }
  return {
    type: 'group',
    stands: { for: 'key', id: String(part.mask) },
    label: '',
    x: 0,
    y: 0,
    bounds: { x, y, width, height },
    children,
  };
}

/** From the number in the region to the side of the key: of a few ways, straight or bent once, the one that meets least text. */
function leader(from: Point, to: Point, avoid: readonly Rect[]): number[] {
  const way = to.x > from.x ? 1 : -1;
  const stub = to.x - way * 14;
  const ways = [0.5, 0, -8, 8, -18, 18, -32, 32].map((bend) =>
    bend === 0.5
      ? [from.x, from.y, stub, to.y, to.x, to.y]
      : [from.x, from.y, from.x + way * 16, from.y + bend, stub, to.y, to.x, to.y],
  );
  const cost = (points: readonly number[]): number =>
    avoid.filter((box) => points.slice(2).some((_, k) => k % 2 === 0 && passes(box, points, k))).length;
  return ways.reduce((a, b) => (cost(b) < cost(a) ? b : a));
}

/** Whether the line from point k to the next meets a box. */
function passes(box: Rect, points: readonly number[], k: number): boolean {
  const [x1, y1, x2, y2] = [points[k]!, points[k + 1]!, points[k + 2]!, points[k + 3]!];
  if (Math.max(x1, x2) < box.x || Math.min(x1, x2) > box.x + box.width) return false;
  if (Math.max(y1, y2) < box.y || Math.min(y1, y2) > box.y + box.height) return false;
  for (let i = 0; i <= 24; i++) {
    const [x, y] = [x1 + ((x2 - x1) * i) / 24, y1 + ((y2 - y1) * i) / 24];
    if (x > box.x && x < box.x + box.width && y > box.y && y < box.y + box.height) return true;
  }
  return false;
}
