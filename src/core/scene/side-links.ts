import { extentOfBoxes, extentOfLines, laneGap, roundedPath, type Extent, type Polyline } from '../arrange/graph';
import type { Gaps, TierTreeLayout } from '../arrange/tree';
import type { Hierarchy } from '../hierarchy';
import { capHeightOf, runsOf, sansFace, widthOfRuns, type Run } from '../measure';
import { KeptFor, own, type BoxStyle, type DiagramCommon, type Link, type LinkStyle } from '../model';
import { linkStyle, type LinkKind } from '../style';
import { bundlesOf, trunksOf } from './bundles';
import { styledLine } from './line-marks';
import { leadLinks, type LedLinks, type LinkToLead } from './link-ways';
import { beginningAtShape, endingAtShape, standsBack } from './meet-shape';
import type { Primitive, Rect, SceneGroup } from './scene';

/** A drawing of a hierarchy: its boxes with their styles, its lines and its gaps. */
export interface Drawn {
  readonly layout: TierTreeLayout;
  /** By index. */
  readonly places: readonly Rect[];
  readonly boxStyles: readonly BoxStyle[];
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
  const styles = links.map((link) => linkStyle(diagram, link, kinds));
  // One that was moved by hand runs on its own.
  const bundles = bundlesOf(links, structure).map((bundle, k) => (styles[k]!.bend === 0 ? bundle : undefined));
  const texts = links.map(({ phrase }, k) => wordsOf(phrase, styles[k]!.phraseSize));
  const { ways, words } = ledOn(
    drawn,
    links.map(({ from, to }, k): LinkToLead => {
      const { startSide, endSide } = styles[k]!;
      const [bundle, text] = [bundles[k], texts[k]];
      const ends = {
        ...{ from: structure.index.get(from)!, to: structure.index.get(to)! },
        ...(bundle !== undefined && { bundle }),
        ...(startSide !== 'nearest' && { leaves: startSide }),
        ...(endSide !== 'nearest' && { meets: endSide }),
      };
      return {
        ends,
        style: styles[k]!,
        words: text ? { width: text.width, height: styles[k]!.phraseSize * 1.2 } : null,
      };
    }),
  );
  const { own: parts, trunks } = trunksOf(ways, bundles);
  const { joinRadius } = diagram.arrangement;
  const lines = links.map((link, k) => {
    const [points, own, style, place] = [ways[k]!, parts[k] ?? null, styles[k]!, words[k] ?? null];
    const label = labelOf(diagram, link);
    const manner = JSON.stringify([points, own, style, label, joinRadius, place]);
    const before = kept.get(link);
    if (before?.manner === manner) return before.group;
    const children = labelledLine({ points, style, text: texts[k]!, place, joinRadius, own });
    const group = linkGroup(link, label, points, children, place);
    kept.set(link, { manner, group });
    return group;
  });
  return [...trunks.map(({ first, lines: of }) => trunkGroup(of, styles[first]!)), ...lines];
}

interface Words {
  readonly runs: readonly Run[];
  readonly width: number;
}
const face = sansFace(400, 'italic');

/** The words of a link, set on one line; null for none. */
function wordsOf(phrase: string, size: number): Words | null {
  if (phrase.trim() === '') return null;
  const runs = runsOf(phrase, face, size);
  return { runs, width: widthOfRuns(runs) };
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

const led = new KeptFor<TierTreeLayout, { readonly from: string; readonly led: LedLinks }>();

/** The ways of all links and the places of their words; kept per arrangement while nothing about them changes. */
function ledOn({ layout, places, boxStyles, gaps, direction }: Drawn, links: readonly LinkToLead[]): LedLinks {
  const shapes = boxStyles.map((style) => (standsBack(style) ? `${style.shape} ${style.corner}` : ''));
  const from = JSON.stringify([
    links.map(({ ends, words, style: { bend, phraseAt, startMark, endMark, endGap, lineWidth } }) => [
      ...[ends, words, bend, phraseAt, startMark, endMark, endGap, lineWidth],
    ]),
    shapes,
    places.map(({ x, y, width, height }) => [x, y, width, height]),
  ]);
  const before = led.get(layout);
  if (before?.from === from) return before.led;
  const lines = [...layout.fans.values()].flatMap((fan) => fan.map(({ points }) => points));
  const beside = Math.min(mostBeside, gaps.sibling / 2, gaps.branch / 2);
  // Between two tiers, halfway between the boxes and the lines of the structure, as far as these leave room for both.
  const least = Math.min(Infinity, ...gaps.tier.slice(1));
  const between = Math.max(beside, Math.min(mostBeside / 2, least / 2 - laneGap));
  const out = direction === 'down' ? { x: beside, y: between } : { x: between, y: beside };
  const made = leadLinks({ boxes: places, lines, out }, links, (way, k) => {
    const { from: a, to: b } = links[k]!.ends;
    return endingAtShape(beginningAtShape(way, places[a]!, boxStyles[a]!), places[b]!, boxStyles[b]!);
  });
  led.set(layout, { from, led: made });
  return made;
}

/** The sentence a link says: "Ada, safety, Bo". */
function labelOf({ entries }: DiagramCommon, { from, to, phrase }: Link): string {
  const name = (id: string) => own(entries, id)?.name || 'an entry without a name';
  return `Link from ${name(from)} to ${name(to)}${phrase ? `: ${phrase}` : ''}`;
}

const kept = new KeptFor<Link, { readonly manner: string; readonly group: SceneGroup }>();

interface ToDraw {
  readonly points: Polyline;
  readonly style: LinkStyle;
  readonly text: Words | null;
  /** Room of the words. */
  readonly place: Extent | null;
  readonly joinRadius: number;
  /** The pieces that it shares with no other, where it does; the rest is drawn as their trunk. */
  readonly own: readonly Polyline[] | null;
}

/** A line in its style with its words: the line is parted where they stand, ends before the boxes by its gap, and has its marks. */
function labelledLine({ points, style, text, place, joinRadius, own }: ToDraw): readonly Primitive[] {
  const pieces = own && ((course: Polyline) => withEnds(own, course));
  const children: Primitive[] = [...styledLine(points, style, place, joinRadius, pieces ?? undefined)];
  if (text && place)
    children.push({
      type: 'text',
      x: place.x + (place.width - text.width) / 2,
      y: place.y + (place.height + capHeightOf(face, style.phraseSize)) / 2,
      size: style.phraseSize,
      fill: style.phraseColour,
      runs: text.runs,
      part: 'detail',
    });
  return children;
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
  children: readonly Primitive[],
  words: Extent | null,
): SceneGroup {
  return {
    type: 'group',
    stands: { for: 'link', id: link.id },
    label,
    x: 0,
    y: 0,
    bounds: extentOfBoxes([extentOfLines([points]), ...(words ? [words] : [])]),
    children,
    selectable: { outline: roundedPath(points, 0), hit: 'line', course: points },
  };
}
