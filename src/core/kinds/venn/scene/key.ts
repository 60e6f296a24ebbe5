import { ellipsePath, type Point } from '../../../arrange/curves';
import { roundedPath } from '../../../arrange/graph';
import { capHeightOf, runsOf, widthOf, type Run } from '../../../measure';
import type { Primitive, Rect, SceneGroup } from '../../../scene';
import { dotRadius, uncrossed, type Mark } from './key-lines';
import {
  besideFrame,
  besideNumber,
  bestPlan,
  chip,
  chipRoom,
  columnsFor,
  columnsOf,
  columnX,
  headingFace,
  headingLeading,
  headingSize,
  heightOf,
  numberSize,
  rowGap,
  type Columns,
  type KeyPart,
  type KeyRoom,
  type PartSet,
} from './key-plan';
import type { ListedPlace } from './lists';

export interface Key {
  readonly groups: readonly SceneGroup[];
  readonly places: readonly ListedPlace[];
  /** What frame and key take together. */
  readonly bounds: Rect;
}

/**
 * The key at the side: for each region that is too small, which region it is, and its entries, numbered through; in the region stand their
 * numbers, joined to the key by a line. It stands on the right or on both sides, its entries in one column or several, whichever lets the drawing be largest on the sheet.
 */
export function keyBeside(parts: readonly KeyPart[], room: KeyRoom, ink: string): Key {
  if (parts.length === 0) return { groups: [], places: [], bounds: room.frame };
  const columns = columnsFor(parts);
  const plan = bestPlan(parts, columns, room);
  const groups: SceneGroup[] = [];
  const places: ListedPlace[] = [];
  const { frame } = room;
  for (const { x, tops, sets, marks, lines } of uncrossed(plan, room)) {
    let next = 0;
    sets.forEach((set, i) => {
      const [y, mark] = [tops[i]!, marks[i]!];
      const own = entryPlaces(set, x, y, plan.inARow, columns);
      places.push(...own);
      const line = set.part.from ? lines.lines[next++]! : null;
      groups.push(partGroup(set, own, mark, { x, y, width: plan.width }, ink, line));
    });
  }
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

function entryPlaces(set: PartSet, x: number, y: number, inARow: number, columns: Columns): ListedPlace[] {
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
  { part, lines, height }: PartSet,
  places: readonly ListedPlace[],
  mark: Mark,
  { x, y, width }: { readonly x: number; readonly y: number; readonly width: number },
  ink: string,
  line: readonly number[] | null,
): SceneGroup {
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
  if (part.from && line) {
    const { words, half, fits } = mark;
    children.push(
      { type: 'path', d: roundedPath(line, 4), stroke: ink, strokeWidth: 0.7, dashed: false },
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

const dot = ({ x: cx, y: cy }: Point): string => ellipsePath({ cx, cy, rx: dotRadius, ry: dotRadius, turn: 0 });
