import {
  bentBy,
  extentOfLines,
  laneGap,
  placeLabel,
  roundedPath,
  routeLinks,
  type Extent,
  type Polyline,
  type RouteEnds,
} from '../arrange/graph';
import { bundlesOf, trunksOf } from './bundles';
import type { Gaps, TierTreeLayout } from '../arrange/tree';
import type { Hierarchy } from '../hierarchy';
import { capHeightOf, runsOf, sansFace, widthOfRuns } from '../measure';
import { KeptFor, own, type DiagramCommon, type Link, type LinkStyle } from '../model';
import { linkStyle, type LinkKind } from '../style';
import { styledLine } from './line-marks';
import type { Primitive, SceneGroup } from './scene';

/** A drawing of a hierarchy: places and sizes of its boxes, its lines and its gaps. */
export interface Drawn {
  readonly layout: TierTreeLayout;
  readonly width: Float64Array;
  readonly height: Float64Array;
  readonly gaps: Gaps;
  readonly direction: 'down' | 'right';
}

/** Links run in the middle of the narrowest gap between boxes, but no further from these than this. CSS px. */
const mostBeside = 20;

/** Links beside the structure: routed between the boxes, with their words upright in a gap of the line. */
export function sideLinks(
  diagram: DiagramCommon,
  structure: Hierarchy,
  drawn: Drawn,
  kinds: readonly LinkKind[],
): SceneGroup[] {
  const links = Object.values(diagram.links);
  if (links.length === 0) return [];
  const boxes = boxesOf(drawn);
  const styles = links.map((link) => linkStyle(diagram, link, kinds));
  // One that was moved by hand runs on its own.
  const bundles = bundlesOf(links, structure).map((bundle, k) => (styles[k]!.bend === 0 ? bundle : undefined));
  const ways = routesOf(drawn, boxes, links, structure, { bundles, styles }).map((way, k) =>
    bentBy(way, styles[k]!.bend),
  );
  const { own: parts, trunks } = trunksOf(ways, bundles);
  const worded = links.some(({ phrase }) => phrase !== '');
  // What words keep clear of beside boxes; nobody asks where there are none.
  const reporting = worded
    ? [...drawn.layout.fans.values()].flatMap((fan) => fan.flatMap((line) => legExtents(line.points)))
    : [];
  const courses = worded ? ways.map(legExtents) : [];
  const placed: Extent[] = [];
  const lines = links.map((link, k) => {
    const points = ways[k]!;
    const own = parts[k] ?? null;
    const style = styles[k]!;
    const near =
      link.phrase === ''
        ? []
        : [
            ...boxesNear(points, boxes),
            ...boxesNear(points, reporting),
            ...courses.flatMap((course, j) => (j === k ? [] : boxesNear(points, course))),
            ...placed,
          ];
    const label = labelOf(diagram, link);
    const { joinRadius } = diagram.arrangement;
    const manner = JSON.stringify([points, own, style, label, joinRadius, near]);
    const before = kept.get(link);
    const made =
      before?.manner === manner
        ? before
        : {
            manner,
            ...linkGroup(link, label, points, labelledLine(points, style, link.phrase, near, joinRadius, own)),
          };
    kept.set(link, made);
    if (made.words) placed.push(made.words);
    return made.group;
  });
  return [...trunks.map(({ first, lines: of }) => trunkGroup(of, styles[first]!)), ...lines];
}

/** The room that each leg of a line takes, a little to its sides. */
function legExtents(line: Polyline): Extent[] {
  return Array.from({ length: Math.max(0, line.length / 2 - 1) }, (_, k) => {
    const { x, y, width, height } = extentOfLines([line.slice(2 * k, 2 * k + 4)]);
    return { x: x - 1, y: y - 1, width: width + 2, height: height + 2 };
  });
}

/** The stretch that several links share: in the line of the first of them, twice as wide. */
function trunkGroup(lines: readonly Polyline[], { lineColour, lineWidth, dash }: LinkStyle): SceneGroup {
  return {
    type: 'group',
    stands: { for: 'trunk', id: lines[0]!.join(' ') },
    label: '',
    x: 0,
    y: 0,
    bounds: extentOfLines(lines),
    children: [
      {
        type: 'path',
        d: lines.map((line) => roundedPath(line, 0)).join(''),
        stroke: lineColour,
        strokeWidth: lineWidth * 2,
        dashed: dash === 'dashed',
        ...(dash === 'dotted' && { dotted: true as const }),
      },
    ],
  };
}

const boxesOf = ({ layout: { x, y }, width, height }: Drawn): Extent[] =>
  Array.from(x, (left, i) => ({ x: left, y: y[i]!, width: width[i]!, height: height[i]! }));

const routed = new KeptFor<TierTreeLayout, { readonly ends: string; readonly ways: readonly Polyline[] }>();

/** The ways of all links; kept per arrangement while their ends stay. */
function routesOf(
  { layout, gaps, direction }: Drawn,
  boxes: readonly Extent[],
  links: readonly Link[],
  { index }: Hierarchy,
  { bundles, styles }: { readonly bundles: readonly (number | undefined)[]; readonly styles: readonly LinkStyle[] },
): readonly Polyline[] {
  const ends = links.map(({ from, to }, k): RouteEnds => {
    const bundle = bundles[k];
    const { startSide, endSide } = styles[k]!;
    return {
      ...{ from: index.get(from)!, to: index.get(to)! },
      ...(bundle !== undefined && { bundle }),
      ...(startSide !== 'nearest' && { leaves: startSide }),
      ...(endSide !== 'nearest' && { meets: endSide }),
    };
  });
  const key = JSON.stringify(ends);
  const before = routed.get(layout);
  if (before?.ends === key) return before.ways;
  const lines = [...layout.fans.values()].flatMap((fan) => fan.map(({ points }) => points));
  const beside = Math.min(mostBeside, gaps.sibling / 2, gaps.branch / 2);
  // Between two tiers, halfway between the boxes and the lines of the structure, as far as these leave room for both.
  const least = Math.min(Infinity, ...gaps.tier.slice(1));
  const between = Math.max(beside, Math.min(mostBeside / 2, least / 2 - laneGap));
  const out = direction === 'down' ? { x: beside, y: between } : { x: between, y: beside };
  const ways = routeLinks({ boxes, lines, out }, ends);
  routed.set(layout, { ends: key, ways });
  return ways;
}

/** The sentence a link says: "Ada, safety, Bo". */
function labelOf({ entries }: DiagramCommon, { from, to, phrase }: Link): string {
  const name = (id: string) => own(entries, id)?.name || 'an entry without a name';
  return `Link from ${name(from)} to ${name(to)}${phrase ? `: ${phrase}` : ''}`;
}

/** The boxes near a line, which its words keep clear of. */
function boxesNear(points: Polyline, boxes: readonly Extent[]): Extent[] {
  const around = extentOfLines([points]);
  const reach = 120;
  return boxes.filter(
    (box) =>
      box.x <= around.x + around.width + reach &&
      box.x + box.width >= around.x - reach &&
      box.y <= around.y + around.height + reach &&
      box.y + box.height >= around.y - reach,
  );
}

interface Made {
  readonly manner: string;
  readonly group: SceneGroup;
  /** Room that its words take; null without words. */
  readonly words: Extent | null;
}
const kept = new KeptFor<Link, Made>();

export interface LabelledLine {
  readonly children: readonly Primitive[];
  /** Room the words take; null without words. */
  readonly label: Extent | null;
}

/**
 * A line in its style with its words: the line is parted where they stand, ends before the boxes by its gap, and has its marks. Any kind with links may
 * draw them so. `own`: the pieces that it shares with no other, where it does; the rest is drawn as their trunk.
 */
export function labelledLine(
  points: Polyline,
  style: LinkStyle,
  phrase: string,
  avoid: readonly Extent[],
  joinRadius: number,
  own: readonly Polyline[] | null = null,
): LabelledLine {
  const face = sansFace(400, 'italic');
  const runs = phrase === '' ? [] : runsOf(phrase, face, style.phraseSize);
  const width = widthOfRuns(runs);
  const label =
    runs.length === 0 ? null : placeLabel(points, { width, height: style.phraseSize * 1.2 }, avoid, style.phraseAt);
  const pieces = own && ((course: Polyline) => withEnds(own, course));
  const children: Primitive[] = [...styledLine(points, style, label, joinRadius, pieces ?? undefined)];
  if (label)
    children.push({
      type: 'text',
      x: label.x + (label.width - width) / 2,
      y: label.y + (label.height + capHeightOf(face, style.phraseSize)) / 2,
      size: style.phraseSize,
      fill: style.phraseColour,
      runs,
      part: 'detail',
    });
  return { children, label };
}

/** Pieces of a line whose ends are those of its course, which stops before the boxes. */
const withEnds = (pieces: readonly Polyline[], course: Polyline): Polyline[] =>
  pieces.map((piece, k) => [
    ...(k === 0 ? course.slice(0, 2) : piece.slice(0, 2)),
    ...piece.slice(2, -2),
    ...(k === pieces.length - 1 ? course.slice(-2) : piece.slice(-2)),
  ]);

function linkGroup(
  link: Link,
  label: string,
  points: Polyline,
  { children, label: words }: LabelledLine,
): Omit<Made, 'manner'> {
  const course = extentOfLines([points]);
  const right = Math.max(course.x + course.width, words ? words.x + words.width : -Infinity);
  const bottom = Math.max(course.y + course.height, words ? words.y + words.height : -Infinity);
  const left = Math.min(course.x, words?.x ?? Infinity);
  const top = Math.min(course.y, words?.y ?? Infinity);
  const group: SceneGroup = {
    type: 'group',
    stands: { for: 'link', id: link.id },
    label,
    x: 0,
    y: 0,
    bounds: { x: left, y: top, width: right - left, height: bottom - top },
    children,
    selectable: { outline: roundedPath(points, 0), hit: 'line', course: points },
  };
  return { group, words };
}
