import { extentOfLines, placeLabel, roundedPath, routeLinks, type Extent, type Polyline } from '../arrange/graph';
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
  const ways = routesOf(drawn, boxes, links, structure);
  const placed: Extent[] = [];
  return links.map((link, k) => {
    const points = ways[k]!;
    const style = linkStyle(diagram, link, kinds);
    const near = link.phrase === '' ? [] : [...boxesNear(points, boxes), ...placed];
    const label = labelOf(diagram, link);
    const { joinRadius } = diagram.arrangement;
    const manner = JSON.stringify([points, style, label, joinRadius, near]);
    const before = kept.get(link);
    const made =
      before?.manner === manner
        ? before
        : { manner, ...linkGroup(link, label, points, labelledLine(points, style, link.phrase, near, joinRadius)) };
    kept.set(link, made);
    if (made.words) placed.push(made.words);
    return made.group;
  });
}

const boxesOf = ({ layout: { x, y }, width, height }: Drawn): Extent[] =>
  Array.from(x, (left, i) => ({ x: left, y: y[i]!, width: width[i]!, height: height[i]! }));

const routed = new KeptFor<TierTreeLayout, { readonly ends: string; readonly ways: readonly Polyline[] }>();

/** The ways of all links; kept per arrangement while their ends stay. */
function routesOf(
  { layout, gaps }: Drawn,
  boxes: readonly Extent[],
  links: readonly Link[],
  { index }: Hierarchy,
): readonly Polyline[] {
  const ends = links.map(({ from, to }) => ({ from: index.get(from)!, to: index.get(to)! }));
  const key = ends.map(({ from, to }) => `${from}>${to}`).join(' ');
  const before = routed.get(layout);
  if (before?.ends === key) return before.ways;
  const lines = [...layout.fans.values()].flatMap((fan) => fan.map(({ points }) => points));
  const ways = routeLinks({ boxes, lines, out: Math.min(mostBeside, gaps.sibling / 2, gaps.branch / 2) }, ends);
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
 * draw them so.
 */
export function labelledLine(
  points: Polyline,
  style: LinkStyle,
  phrase: string,
  avoid: readonly Extent[],
  joinRadius: number,
): LabelledLine {
  const face = sansFace(400, 'italic');
  const runs = phrase === '' ? [] : runsOf(phrase, face, style.phraseSize);
  const width = widthOfRuns(runs);
  const label = runs.length === 0 ? null : placeLabel(points, { width, height: style.phraseSize * 1.2 }, avoid);
  const children: Primitive[] = [...styledLine(points, style, label, joinRadius)];
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
