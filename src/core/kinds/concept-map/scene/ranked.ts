import {
  fewerBends,
  layeredDrawing,
  orderedRows,
  withSizes,
  type Ordered,
  type Polyline,
  type RowGraph,
} from '../../../arrange/graph';
import { remember } from '../../../model';
import type { Rect } from '../../../scene';
import { extentOf, type DrawnLink, type DrawnMap, type LinkToDraw, type Sizes } from './drawn';
import type { TierRows } from './rows';

/** The order that crosses least depends on rows and links alone. */
const ordered = remember(
  24,
  ({ row, links }: RowGraph, effort: 'full' | 'light') =>
    JSON.stringify([effort, Array.from(row), links.map(({ from, to, words }) => [from, to, words])]),
  (graph, effort): Ordered => orderedRows(graph, effort),
);

/** Ideas in their rows, below or beside each other, with the words of links between the rows. */
export function rankedMap(
  { row, begin }: TierRows,
  links: readonly LinkToDraw[],
  { width, height, gaps, before }: Sizes,
  { direction, effort }: { readonly direction: 'down' | 'right'; readonly effort: 'full' | 'light' },
): DrawnMap {
  const right = direction === 'right';
  const graph: RowGraph = {
    row,
    across: right ? height : width,
    along: right ? width : height,
    links: links.map(({ link, from, to, words, bend }) => ({
      // One that was moved by hand shares its words with no other.
      ...{ from, to, words: words.lines.length === 0 ? '' : link.phrase.trim() + (bend === 0 ? '' : `\n${link.id}`) },
      across: right ? words.height : words.width,
      along: right ? words.width : words.height,
    })),
  };
  const drawing = layeredDrawing(withSizes(ordered(graph, effort), graph), {
    ideas: gaps.ideas,
    words: gaps.words,
    lines: 7,
    rows: gaps.rows,
    before: rowsBefore(begin, before),
  });
  const turned = (points: Polyline): Polyline =>
    right ? points.map((_, p) => points[p % 2 === 0 ? p + 1 : p - 1]!) : points;
  const rect = (across: number, along: number, w: number, h: number): Rect =>
    right
      ? { x: along - w / 2, y: across - h / 2, width: w, height: h }
      : { x: across - w / 2, y: along - h / 2, width: w, height: h };
  const boxes = Array.from(width, (w, i) => rect(drawing.across[i]!, drawing.along[i]!, w, height[i]!));
  const drawn: DrawnLink[] = [];
  for (const bundle of drawing.bundles) {
    const stem = turned(bundle.stem);
    bundle.links.forEach((k, i) => {
      const one = links[k]!;
      const arm = turned(bundle.arms[i]!);
      const bare = one.words.lines.length === 0;
      const course = [...stem, ...arm];
      drawn[k] = {
        ...one,
        lines: bare ? [course] : i === 0 ? [stem, arm] : [arm],
        course,
        place: bare || i > 0 ? null : rect(bundle.across, bundle.along, one.words.width, one.words.height),
        wordsOf: bundle.links[0]!,
      };
    });
  }
  return {
    boxes,
    links: drawn,
    rows: begin.slice(0, -1).map((first, t) => ({
      start: drawing.rows[first]!.start,
      end: drawing.rows[begin[t + 1]! - 1]!.end,
    })),
    extent: extentOf(boxes, drawn),
  };
}

/** The wish of a tier holds before its first row. */
function rowsBefore(begin: readonly number[], before: readonly number[]): Float64Array {
  const wishes = new Float64Array(begin.at(-1) ?? 0);
  begin.slice(0, -1).forEach((row, t) => (wishes[row] = before[t] ?? 0));
  return wishes;
}

/** Lines of more links than this keep the bends of their rows. */
const mostStraightened = 160;

/** The map with as few bends in its lines as there can be. */
export function withFewBends(drawn: DrawnMap, direction: 'down' | 'right'): DrawnMap {
  // Words that stand on their line would lose it.
  const onLine = drawn.links.some(({ place, lines }) => place !== null && lines.length === 1);
  if (onLine || drawn.links.length > mostStraightened) return drawn;
  const places = drawn.links.map(({ place }) => place);
  const standing = places.flatMap((place, k) => (place ? [k] : []));
  const boxes = [...drawn.boxes, ...standing.map((k) => places[k]!)];
  const boxOfWords = new Map(standing.map((k, i) => [k, drawn.boxes.length + i]));
  const lines = drawn.links.flatMap(({ lines: own, from, to, wordsOf }) =>
    own.map((points) => ({ points, ends: [from, to, boxOfWords.get(wordsOf) ?? -1] })),
  );
  const straight = fewerBends(
    lines.map(({ points }) => points),
    boxes,
    lines.map(({ ends }) => ends),
    direction === 'right' ? 'x' : 'y',
  );
  let next = 0;
  const own = drawn.links.map((one) => straight.slice(next, (next += one.lines.length)));
  const links = drawn.links.map((one, k): DrawnLink => {
    const [stem] = own[one.wordsOf]!;
    const arm = own[k]!.at(-1)!;
    return { ...one, lines: own[k]!, course: places[one.wordsOf] ? [...stem!, ...arm] : arm };
  });
  return { ...drawn, links };
}
