import { ellipsePath, type Point } from '../../../arrange/curves';
import { roundedPath } from '../../../arrange/graph';
import { capHeightOf, foldsOf, runsOf, sansFace, widthOf, wrap, type Run } from '../../../measure';
import { remember } from '../../../model';
import type { Primitive, Rect, SceneGroup } from '../../../scene';
import { leader } from './leader';
import type { Listed, ListedPlace } from './lists';

export interface KeyPart {
  readonly mask: number;
  readonly heading: string;
  /** Fill and border of its region, for the chip beside the heading, and what reads on that fill. */
  readonly fill: string;
  readonly border: string;
  readonly ink: string;
  readonly entries: readonly Listed[];
  /** A point inside the region and the width of the room (2 : 1) around it, margins off; null where the curves do not have it. */
  readonly from: (Point & { readonly room: number }) | null;
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
/** The chip in a region's colour before its heading. CSS px. */
const chip = 10;
const chipRoom = chip + 6;
/** Between an entry's number and the entry. */
const besideNumber = 6;
/** Numbers may come nearer to curves than words, by this on both sides together; the room is also half as high as it is wide. */
const besideDigits = 8;
const leastRoom = 2;
/** Stands in a region that has no room for its numbers. */
const dotRadius = 2;
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

/** Widths in px that hold for all parts. */
interface Columns {
  readonly entry: number;
  /** Of the numbers in front of the entries, with the space behind them. */
  readonly number: number;
}
const columnX = ({ entry, number }: Columns, c: number): number => c * (number + entry + betweenColumns) + number;

/**
 * The key at the side: for each region that is too small, which region it is, and its entries, numbered through; in the region stand their
 * numbers, joined to the key by a line. It stands on the right or on both sides, its entries in one column or several, whichever lets the drawing be largest on the sheet.
 */
export function keyBeside(parts: readonly KeyPart[], room: KeyRoom, ink: string): Key {
  if (parts.length === 0) return { groups: [], places: [], bounds: room.frame };
  const entries = parts.flatMap((part) => part.entries);
  const columns: Columns = {
    entry: Math.max(
      60,
      ...entries.map(({ width }) => width),
      // A heading breaks between its words, of which the longest needs its room.
      ...parts.map(({ heading }) => chipRoom + foldsOf(heading, headingFace, headingSize, 4).at(-1)!.width),
    ),
    number: widthOf(String(entries.length), headingFace, numberSize) + besideNumber,
  };
  const plan = bestPlan(parts, columns, room);
  const marks = marksIn(plan.sides.flat().map(({ part }) => part));
  const groups: SceneGroup[] = [];
  const places: ListedPlace[] = [];
  const { frame } = room;
  plan.sides.forEach((side, s) => {
    const left = s === 0;
    const x = left ? frame.x - besideFrame - plan.width : frame.x + frame.width + besideFrame;
    const tops = topsOf(side, frame);
    side.forEach((set, i) => {
      const y = tops[i]!;
      const own = entryPlaces(set, x, y, plan.inARow, columns);
      places.push(...own);
      const mark = marks.find(({ part }) => part === set.part)!;
      const others = marks.flatMap((one) => (one !== mark && one.box ? [one.box] : []));
      const column = { x, y, width: plan.width, left };
      groups.push(partGroup(set, own, mark, column, ink, [...room.avoid, ...others]));
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

function bestPlan(parts: readonly KeyPart[], columns: Columns, { frame, sheet }: KeyRoom): Plan {
  const plans: Plan[] = [];
  for (let inARow = 1; inARow <= mostInARow; inARow++) {
    const width = columnX(columns, inARow - 1) + columns.entry;
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

const headingLines = remember(
  600,
  (heading: string, width: number) => `${width} ${heading}`,
  (heading, width) =>
    wrap(heading, headingFace, headingSize, width - chipRoom, 4).lines.map((text) =>
      runsOf(text, headingFace, headingSize),
    ),
);

function setPart(part: KeyPart, width: number, inARow: number): Set {
  const lines = headingLines(part.heading, width);
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

function entryPlaces(set: Set, x: number, y: number, inARow: number, columns: Columns): ListedPlace[] {
  return columnsOf(set.part.entries, inARow).flatMap((column, c) => {
    let top = y + set.headingHeight;
    return column.map(({ id, height }) => {
      const place = { id, x: x + columnX(columns, c), y: top };
      top += height + rowGap;
      return place;
    });
  });
}

function partGroup(
  { part, lines, height }: Set,
  places: readonly ListedPlace[],
  mark: Mark,
  column: { readonly x: number; readonly y: number; readonly width: number; readonly left: boolean },
  ink: string,
  avoid: readonly Rect[],
): SceneGroup {
  const { x, y, width, left } = column;
  const text = (at: Point, size: number, runs: readonly Run[], fill = ink): Primitive => ({
    type: 'text',
    ...at,
    size,
    fill,
    runs,
    part: 'note',
  });
  const number = (at: Point, words: string, fill = ink): Primitive =>
    text(at, numberSize, runsOf(words, headingFace, numberSize), fill);
  const children: Primitive[] = [
    {
      type: 'box',
      shape: 'rounded',
      corner: 2,
      x,
      y: y + headingSize * 0.62 - chip / 2,
      width: chip,
      height: chip,
      fill: part.fill,
      stroke: part.border,
      strokeWidth: 1,
      dashed: false,
    },
    ...lines.map((runs, k) =>
      text({ x: x + chipRoom, y: y + headingSize * (1 + k * headingLeading) }, headingSize, runs),
    ),
    ...part.entries.map(({ baseline }, i) => {
      const words = String(mark.first + i);
      const at = places[i]!;
      return number({ x: at.x - besideNumber - widthOf(words, headingFace, numberSize), y: at.y + baseline }, words);
    }),
  ];
  if (part.from) {
    const { words, half, fits } = mark;
    const reach = fits ? half + 3 : dotRadius;
    const end = { x: left ? x + width + 8 : x - 7, y: y + headingSize * 0.6 };
    const begin = { x: part.from.x + (left ? -reach : reach), y: part.from.y };
    children.push(
      {
        type: 'path',
        d: roundedPath(leader(begin, end, besideFrame + 4, avoid), 4),
        stroke: ink,
        strokeWidth: 0.7,
        dashed: false,
      },
      fits
        ? number({ x: part.from.x - half, y: part.from.y + capHeightOf(headingFace, numberSize) / 2 }, words, part.ink)
        : { type: 'path', d: dot(part.from), fill: ink, stroke: ink, strokeWidth: 0, dashed: false },
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

/** What stands in the region of a part: the numbers of its entries, or a dot. */
interface Mark {
  readonly part: KeyPart;
  /** Number of its first entry. */
  readonly first: number;
  readonly words: string;
  /** Half the width of the words. */
  readonly half: number;
  readonly fits: boolean;
  readonly box: Rect | null;
}

/** Numbers run through all parts, in the order in which they stand in the key. */
function marksIn(parts: readonly KeyPart[]): Mark[] {
  let next = 1;
  return parts.map((part) => {
    const first = next;
    next += part.entries.length;
    const words = numbersOf(first, part.entries.length);
    const half = widthOf(words, headingFace, numberSize) / 2;
    const { from } = part;
    const fits = from !== null && half > 0 && 2 * half <= from.room + besideDigits && from.room >= leastRoom;
    const [w, h] = fits ? [half + 2, numberSize / 2] : [dotRadius + 2, dotRadius + 2];
    return {
      part,
      first,
      words,
      half,
      fits,
      box: from && { x: from.x - w, y: from.y - h, width: 2 * w, height: 2 * h },
    };
  });
}

/** "3", or "3–9". */
const numbersOf = (first: number, count: number): string =>
  count === 0 ? '' : count === 1 ? String(first) : `${first}–${first + count - 1}`;

const dot = ({ x: cx, y: cy }: Point): string => ellipsePath({ cx, cy, rx: dotRadius, ry: dotRadius, turn: 0 });
