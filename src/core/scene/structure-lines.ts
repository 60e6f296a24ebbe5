import { extentOfLines, roundedPath, short, type Polyline } from '../arrange/graph';
import type { TierTreeLayout } from '../arrange/tree';
import type { Hierarchy } from '../hierarchy';
import { KeptFor, type BoxStyle, type DiagramCommon, type LinkStyle } from '../model';
import { structureLine } from '../style';
import { courseBetween, marksOn, strokeOf, type Ends } from './line-marks';
import { beginningAtShape, endingAtShape, standsBack } from './meet-shape';
import type { PathPrimitive, Rect, SceneGroup } from './scene';

interface Kept {
  readonly manner: string;
  readonly groups: readonly SceneGroup[];
}
const kept = new KeptFor<TierTreeLayout, Kept>();

interface Where {
  readonly places: readonly Rect[];
  /** By index, as `places`. */
  readonly boxStyles: readonly BoxStyle[];
  readonly direction: 'down' | 'right';
}

/** The lines from each entry to those below it, in the style of the tier they lead to; kept per layout. O(entries). */
export function structureLines(
  diagram: DiagramCommon,
  structure: Hierarchy,
  layout: TierTreeLayout,
  where: Where,
): readonly SceneGroup[] {
  const { joinRadius } = diagram.arrangement;
  const styles = Array.from({ length: structure.tierStart.length }, (_, t) => structureLine(diagram, t + 1));
  // Lines meet the boxes below in the middle of a side, where every shape reaches its edge; they may leave the one above elsewhere.
  const shapes = Array.from(layout.fans.keys(), (i) => shapeOf(where.boxStyles[i]!));
  const manner = JSON.stringify([joinRadius, where.direction, styles, shapes]);
  const before = kept.get(layout);
  if (before?.manner === manner) return before.groups;
  const groups = Array.from(layout.fans, ([i, lines]): SceneGroup => {
    const style = styles[structure.tier[i]!]!;
    const [head, box] = [where.places[i]!, where.boxStyles[i]!];
    const points = lines.map((line) => endingAtShape(beginningAtShape(line.points, head, box), head, box));
    return {
      type: 'group',
      stands: { for: 'links', id: structure.ids[i]! },
      label: '',
      x: 0,
      y: 0,
      bounds: extentOfLines(points),
      children: isPlain(style)
        ? [strokeOf(style, points.map((line) => roundedPath(line, joinRadius)).join(''))]
        : drawnFan(points, style, {
            ...docksOf(structure, i, where),
            head,
            joinRadius,
            direction: where.direction,
          }),
    };
  });
  kept.set(layout, { manner, groups });
  return groups;
}

const shapeOf = (style: BoxStyle): string => (standsBack(style) ? `${style.shape} ${style.corner}` : '');

/** Whether lines are drawn all along, so that where they end need not be told. */
const isPlain = ({ course, startMark, endMark, endGap }: LinkStyle): boolean =>
  course === 'joined' && startMark === 'none' && endMark === 'none' && endGap === 0;

/** Places are told to a hundredth of a CSS px, so that what is worked out in two ways is the same place. */
const keyOf = (x: number, y: number): string => `${Math.round(x * 100)} ${Math.round(y * 100)}`;

/** Where the lines of an entry may end: in the middles of all sides of the boxes below it; of these, `near` are those of the sides towards it. */
function docksOf({ first, count }: Hierarchy, i: number, { places, direction }: Where): Pick<Fan, 'docks' | 'near'> {
  const docks = new Set<string>();
  const near = new Set<string>();
  for (let c = first[i]!, end = c + count[i]!; c < end; c++) {
    const { x, y, width, height } = places[c]!;
    const [middle, centre] = [x + width / 2, y + height / 2];
    near.add(direction === 'down' ? keyOf(middle, y) : keyOf(x, centre));
    for (const key of [keyOf(middle, y), keyOf(middle, y + height), keyOf(x, centre), keyOf(x + width, centre)])
      docks.add(key);
  }
  return { docks, near };
}

/** Whether a place lies on an edge of a box, or on the outline of a shape within it. */
function isOn({ x: left, y: top, width, height }: Rect, x: number, y: number): boolean {
  const [across, along] = [x - left, y - top];
  const within = across > -0.01 && across < width + 0.01 && along > -0.01 && along < height + 0.01;
  return within;
}

interface Fan {
  readonly docks: ReadonlySet<string>;
  readonly near: ReadonlySet<string>;
  /** The box that the lines lead from. */
  readonly head: Rect;
  readonly joinRadius: number;
  readonly direction: 'down' | 'right';
}

/** All lines of a fan as one path, and the marks where they begin and end. */
function drawnFan(lines: readonly Polyline[], style: LinkStyle, fan: Fan): PathPrimitive[] {
  const own = style.course === 'joined' ? null : ownWays(lines, style, fan);
  if (own) return own;
  const marks: PathPrimitive[] = [];
  const d = lines.map((points) => {
    const docked = endsOf(points, fan.docks);
    const ends: Ends = {
      start: isOn(fan.head, points[0]!, points[1]!) ? style.startMark : docked.first ? style.endMark : null,
      end: docked.last ? style.endMark : null,
    };
    marks.push(...marksOn(points, style, ends));
    return roundedPath(courseBetween(points, style, ends), fan.joinRadius);
  });
  return [strokeOf(style, d.join('')), ...marks];
}

function endsOf(points: Polyline, docks: ReadonlySet<string>): { readonly first: boolean; readonly last: boolean } {
  return {
    first: docks.has(keyOf(points[0]!, points[1]!)),
    last: docks.has(keyOf(points.at(-2)!, points.at(-1)!)),
  };
}

/**
 * Each line on a way of its own from the stem through the gap between two tiers. Null where those below do not stand in a row, and lines have to
 * lead around them.
 */
function ownWays(
  lines: readonly Polyline[],
  style: LinkStyle,
  { docks, near, head, direction }: Fan,
): PathPrimitive[] | null {
  const down = direction === 'down';
  const ends = lines.flatMap((points): [number, number][] => {
    const { first, last } = endsOf(points, docks);
    return [
      ...(first ? [[points[0]!, points[1]!] as [number, number]] : []),
      ...(last ? [[points.at(-2)!, points.at(-1)!] as [number, number]] : []),
    ];
  });
  const stemLine = lines.find(({ 0: x, 1: y }) => isOn(head, x!, y!));
  if (!stemLine) return null;
  const [wide, deep] = (down ? [0, 1] : [1, 0]) as readonly [0 | 1, 0 | 1];
  const [stem, start] = [stemLine[wide]!, stemLine[deep]!];
  // The common line stands in the middle of the gap, if there is one; ways of their own begin where the gap does.
  const bus = stemLine[2 + deep] ?? start;
  const isNear = ([x, y]: [number, number]): boolean => near.has(keyOf(x, y));
  const inRow = ends.filter(isNear);
  const row = inRow[0]?.[deep];
  if (row === undefined || inRow.some((end) => Math.abs(end[deep] - row) > 0.01)) return null;
  // What is led to from the side stands beside the stem, above the gap; elsewhere lines lead around boxes.
  if (ends.some((end) => !isNear(end) && end[deep] > bus - 0.01)) return null;
  const begin = Math.max(start, Math.abs(bus - row) < 0.01 ? start : 2 * bus - row);
  const at = (across: number, along: number): string =>
    down ? `${short(across)} ${short(along)}` : `${short(along)} ${short(across)}`;
  const half = (begin + row) / 2;
  const children: PathPrimitive[] = [];
  let d = '';
  const on = (line: readonly [number, number, number, number]): Polyline =>
    down ? line : [line[1], line[0], line[3], line[2]];
  const upTo = { ...style, endGap: 0 };
  for (const end of inRow) {
    const across = end[wide];
    // The mark looks along the end of the way, which keeps its gap from the row however flat it comes in.
    const least = row - style.endGap;
    const share = Math.max(0, (least - begin) / Math.max(0.01, row - begin));
    const whole = on(
      style.course === 'curved' ? [across, half, across, least] : [stem, begin, stem + (across - stem) * share, least],
    );
    const stop = courseBetween(whole, upTo, { start: null, end: style.endMark });
    const tip = at(stop.at(down ? -2 : -1)!, stop.at(down ? -1 : -2)!);
    d += `M${at(stem, start + style.endGap)}L${at(stem, begin + style.endGap)}`;
    d += style.course === 'curved' ? `C${at(stem, half)} ${at(across, half)} ${tip}` : `L${tip}`;
    children.push(...marksOn(whole, upTo, { start: null, end: style.endMark }));
  }
  // Those beside the line are led to from it, straight.
  for (const end of ends) {
    if (isNear(end)) continue;
    const whole = on([stem, end[deep], end[wide], end[deep]]);
    d += roundedPath(courseBetween(whole, style, { start: null, end: style.endMark }), 0);
    children.push(...marksOn(whole, style, { start: null, end: style.endMark }));
  }
  children.push(...marksOn(on([stem, start, stem, start + 40]), style, { start: style.startMark, end: null }));
  return [strokeOf(style, d), ...children];
}
