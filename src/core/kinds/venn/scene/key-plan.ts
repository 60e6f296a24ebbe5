import type { Point } from '../../../arrange/curves';
import { baseOf, foldsOf, runsOf, sansFace, widthOf, wrap, type Run } from '../../../measure';
import { remember } from '../../../model';
import type { Rect } from '../../../scene';
import type { Listed } from './lists';

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

export const headingFace = sansFace(600, 'upright');
export const headingSize = 12.5;
export const numberSize = 12;
export const headingLeading = 1.25;
/** The chip in a region's colour before its heading. CSS px. */
export const chip = 10;
export const chipRoom = chip + 6;
/** Between an entry's number and the entry. */
export const besideNumber = 6;
const betweenColumns = 12;
export const betweenParts = 14;
export const besideFrame = 28;
export const rowGap = 3;
const mostInARow = 4;

export interface PartSet {
  readonly part: KeyPart;
  readonly lines: readonly (readonly Run[])[];
  readonly headingHeight: number;
  readonly height: number;
}

export interface Plan {
  /** Parts on the left and on the right, from the top. */
  readonly sides: readonly [left: readonly PartSet[], right: readonly PartSet[]];
  readonly inARow: number;
  readonly width: number;
  readonly scale: number;
}

/** Widths in px that hold for all parts. */
export interface Columns {
  readonly entry: number;
  /** Of the numbers in front of the entries, with the space behind them. */
  readonly number: number;
}
export const columnX = ({ entry, number }: Columns, c: number): number =>
  c * (number + entry + betweenColumns) + number;

/** How large a drawing with its key may be on the sheet: 1 where it fits as it is, less where it has to be made smaller. */
export const scaleWithKey = (parts: readonly KeyPart[], { frame, sheet }: Pick<KeyRoom, 'frame' | 'sheet'>): number =>
  parts.length > 0
    ? bestPlan(parts, columnsFor(parts), { frame, sheet }).scale
    : sheet
      ? Math.min(sheet.width / frame.width, sheet.height / frame.height)
      : 1;

export function columnsFor(parts: readonly KeyPart[]): Columns {
  const entries = parts.flatMap((part) => part.entries);
  return {
    entry: Math.max(
      60,
      ...entries.map(({ width }) => width),
      // A heading breaks between its words, of which the longest needs its room.
      ...parts.map(({ heading }) => chipRoom + longestWord(heading)),
    ),
    number: widthOf(String(entries.length), headingFace, numberSize) + besideNumber,
  };
}

export const heightOf = (side: readonly PartSet[]): number =>
  side.reduce((sum, { height }) => sum + height + betweenParts, side.length > 0 ? -betweenParts : 0);

/** A key on both sides is kept unless one on the right alone lets the drawing be larger by this. */
const worthOneSide = 1.1;
/** More columns are taken only for a drawing larger by this. */
const worthColumns = 1.04;

export function bestPlan(
  parts: readonly KeyPart[],
  columns: Columns,
  { frame, sheet }: Pick<KeyRoom, 'frame' | 'sheet'>,
): Plan {
  let best: Plan | null = null;
  for (let inARow = 1; inARow <= mostInARow; inARow++) {
    const width = columnX(columns, inARow - 1) + columns.entry;
    const sets = parts.map((part) => setPart(part, width, inARow));
    const planOf = (sides: Plan['sides']): Plan => {
      const filled = sides.filter((side) => side.length > 0).length;
      const height = Math.max(frame.height, ...sides.map(heightOf));
      const across = frame.width + filled * (besideFrame + width);
      const scale = sheet ? Math.min(sheet.width / across, sheet.height / height) : 1000 / Math.max(across, height);
      return { sides, inARow, width, scale };
    };
    const nearer = planOf(bySide(sets, frame));
    const right = planOf([[], byHeight(sets)]);
    const one = right.scale > nearer.scale * worthOneSide ? right : nearer;
    if (!best || one.scale > best.scale * worthColumns) best = one;
  }
  return best!;
}

const byHeight = (sets: readonly PartSet[]): PartSet[] =>
  [...sets].sort((a, b) => (a.part.from?.y ?? Infinity) - (b.part.from?.y ?? Infinity) || a.part.mask - b.part.mask);

/** Regions further left go to the left: of the ways to part them those that take least height, of these the one with the shortest lines. */
function bySide(sets: readonly PartSet[], frame: Rect): [PartSet[], PartSet[]] {
  const across = [...sets].sort((a, b) => (a.part.from?.x ?? Infinity) - (b.part.from?.x ?? Infinity));
  const ways = Array.from({ length: across.length + 1 }, (_, at) => {
    const [left, right] = [across.slice(0, at), across.slice(at)];
    const reach =
      left.reduce((sum, { part }) => sum + (part.from ? part.from.x - frame.x : frame.width), 0) +
      right.reduce((sum, { part }) => sum + (part.from ? frame.x + frame.width - part.from.x : 0), 0);
    return { left, right, reach, height: Math.max(frame.height, heightOf(left), heightOf(right)) };
  });
  const least = Math.min(...ways.map(({ height }) => height));
  const { left, right } = ways
    .filter(({ height }) => height <= least * 1.02)
    .reduce((a, b) => (b.reach < a.reach ? b : a));
  return [byHeight(left), byHeight(right)];
}

const longestWord = remember(
  600,
  (heading: string) => heading,
  (heading) => foldsOf(heading, headingFace, headingSize, 4).at(-1)!.width,
);

const headingLines = remember(
  600,
  (heading: string, width: number) => `${width} ${heading}`,
  (heading, width) =>
    wrap(heading, headingFace, headingSize, width - chipRoom, 4).lines.map((text) =>
      runsOf(text, headingFace, headingSize, baseOf(heading)),
    ),
);

function setPart(part: KeyPart, width: number, inARow: number): PartSet {
  const lines = headingLines(part.heading, width);
  const headingHeight = headingSize * headingLeading * lines.length + 4;
  const columns = columnsOf(part.entries, inARow);
  const tallest = Math.max(0, ...columns.map((column) => column.reduce((sum, one) => sum + one.height + rowGap, 0)));
  return { part, lines, headingHeight, height: headingHeight + tallest };
}

/** Entries go down the first column, then down the next. */
export function columnsOf(entries: readonly Listed[], inARow: number): (readonly Listed[])[] {
  const rows = Math.ceil(entries.length / inARow);
  return Array.from({ length: inARow }, (_, c) => entries.slice(c * rows, (c + 1) * rows));
}
