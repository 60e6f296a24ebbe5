import {
  extentOfLines,
  outside,
  placeLabel,
  roundedPath,
  short,
  shortened,
  type Extent,
  type Polyline,
} from '../arrange/graph';
import { sideRouter, type TierTreeInput, type TierTreeLayout } from '../arrange/tree';
import type { Hierarchy } from '../hierarchy';
import { capHeightOf, runsOf, sansFace } from '../measure';
import { KeptFor, own, type DiagramCommon, type Link, type LinkStyle } from '../model';
import { linkStyle, type LinkKind } from '../style';
import type { PathPrimitive, Primitive, SceneGroup } from './scene';

interface LaidOut {
  readonly input: TierTreeInput;
  readonly layout: TierTreeLayout;
}

/** Links beside the structure: routed between the boxes, with their words upright in a gap of the line. */
export function sideLinks(
  diagram: DiagramCommon,
  structure: Hierarchy,
  { input, layout }: LaidOut,
  kinds: readonly LinkKind[],
): SceneGroup[] {
  const links = Object.values(diagram.links);
  if (links.length === 0) return [];
  const route = sideRouter(input, layout);
  const placed: Extent[] = [];
  return links.map((link) => {
    const points = route(structure.index.get(link.from)!, structure.index.get(link.to)!);
    const style = linkStyle(diagram, link, kinds);
    const near = link.phrase === '' ? [] : [...boxesNear(points, input, layout), ...placed];
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

interface Made {
  readonly manner: string;
  readonly group: SceneGroup;
  /** Room that its words take; null without words. */
  readonly words: Extent | null;
}
const kept = new KeptFor<Link, Made>();

/** The sentence a link says: "Ada, safety, Bo". */
function labelOf({ entries }: DiagramCommon, { from, to, phrase }: Link): string {
  const name = (id: string) => own(entries, id)?.name || 'an entry without a name';
  return `Link from ${name(from)} to ${name(to)}${phrase ? `: ${phrase}` : ''}`;
}

function boxesNear(points: Polyline, { width, height }: TierTreeInput, { x, y }: TierTreeLayout): Extent[] {
  const around = extentOfLines([points]);
  const reach = 120;
  const near: Extent[] = [];
  for (let i = 0; i < x.length; i++) {
    const box = { x: x[i]!, y: y[i]!, width: width[i]!, height: height[i]! };
    const apart =
      box.x > around.x + around.width + reach ||
      box.x + box.width < around.x - reach ||
      box.y > around.y + around.height + reach ||
      box.y + box.height < around.y - reach;
    if (!apart) near.push(box);
  }
  return near;
}

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
  const size = markSize(style);
  const reach = (mark: LinkStyle['endMark']) => style.endGap + (mark === 'arrow' ? size * 0.8 : 0);
  const course = shortened(points, reach(style.startMark), reach(style.endMark));
  const tips = shortened(points, style.endGap, style.endGap);
  const face = sansFace(400, 'italic');
  const runs = phrase === '' ? [] : runsOf(phrase, face, style.phraseSize);
  const width = runs.reduce((sum, run) => sum + run.width, 0);
  const label = runs.length === 0 ? null : placeLabel(points, { width, height: style.phraseSize * 1.2 }, avoid);
  const stroke: Omit<PathPrimitive, 'd'> = {
    type: 'path',
    stroke: style.lineColour,
    strokeWidth: style.lineWidth,
    dashed: style.dash === 'dashed',
    ...(style.dash === 'dotted' ? { dotted: true as const } : {}),
  };
  const lines = label ? outside(course, label) : [course];
  const children: Primitive[] = [];
  const d = lines.map((line) => roundedPath(line, joinRadius)).join('');
  if (d !== '') children.push({ ...stroke, d });
  const last = tips.length;
  const start = markPath(style.startMark, tips.slice(0, 4), size);
  const end = markPath(style.endMark, [tips[last - 2]!, tips[last - 1]!, tips[last - 4]!, tips[last - 3]!], size);
  for (const mark of [start, end])
    if (mark) children.push({ ...stroke, d: mark, fill: style.lineColour, dashed: false, strokeWidth: 0.5 });
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

const markSize = ({ lineWidth }: LinkStyle): number => 5 + lineWidth * 2;
/** A filled mark whose tip stands on the first point and which looks away from the second. */
function markPath(mark: LinkStyle['endMark'], [x, y, bx, by]: readonly number[], size: number): string | null {
  if (mark === 'none' || x === undefined || y === undefined || bx === undefined || by === undefined) return null;
  const length = Math.hypot(x - bx, y - by) || 1;
  const [ux, uy] = [(x - bx) / length, (y - by) / length];
  if (mark === 'dot') {
    const r = size / 3;
    const k = r * 0.5522847498;
    const at = (dx: number, dy: number) => `${short(x + dx)} ${short(y + dy)}`;
    return `M${at(r, 0)}C${at(r, k)} ${at(k, r)} ${at(0, r)}C${at(-k, r)} ${at(-r, k)} ${at(-r, 0)}C${at(-r, -k)} ${at(-k, -r)} ${at(0, -r)}C${at(k, -r)} ${at(r, -k)} ${at(r, 0)}Z`;
  }
  const [mx, my] = [x - ux * size, y - uy * size];
  const half = size * 0.36;
  return `M${short(x)} ${short(y)}L${short(mx - uy * half)} ${short(my + ux * half)}L${short(mx + uy * half)} ${short(my - ux * half)}Z`;
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
