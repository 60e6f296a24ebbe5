import type { Listing } from '../hierarchy';
import { widthOfRuns } from '../measure';
import { finding, own, type BoxStyle, type DiagramCommon, type Finding, type Link } from '../model';
import {
  distanceToShape,
  extentOfLines,
  flattenPath,
  grown,
  lineRunsThrough,
  overlap,
  placedBounds,
  Places,
  type Extent,
  type Polyline,
  type Scene,
  type SceneGroup,
} from '../scene';
import { nameOf } from './list-checks';

export type LinkFinding = 'link-through-box' | 'words-covered' | 'words-astray' | 'marks-meet' | 'link-short';

/** A link as it is drawn: its course, and the room of its words and of the marks at its ends. Drawing px. */
interface DrawnLink {
  readonly link: Link;
  readonly course: Polyline;
  readonly words: readonly Extent[];
  readonly marks: readonly Extent[];
}

/** A box of an entry in its place. */
interface DrawnBox extends Extent {
  readonly id: string;
}

/** Of one of these a link has one each. */
type Part = Extent & { readonly of: DrawnLink };

/** How near is on each other, and how far is apart. CSS px. */
const touch = 1;
const apart = 1.5;
/** Words further than this from their line do not read as its. CSS px. */
const astray = 8;

function drawnLink(link: Link, { x, y, children, selectable }: SceneGroup): DrawnLink {
  const words: Extent[] = [];
  const marks: Extent[] = [];
  for (const child of children) {
    if (child.type === 'text')
      words.push({
        x: child.x + x,
        y: child.y + y - child.size * 0.8,
        width: widthOfRuns(child.runs),
        height: child.size,
      });
    else if (child.type === 'path' && child.fill !== undefined)
      marks.push(extentOfLines([flattenPath(child.d).flatMap(([px, py]) => [px + x, py + y])]));
  }
  const course = selectable?.course ?? [];
  return { link, words, marks, course: course.map((at, p) => at + (p % 2 === 0 ? x : y)) };
}

/** Whether a course runs through a box: any but those at its ends, and these but for the legs that lead to them. */
function runsInto({ link, course }: DrawnLink, box: DrawnBox): boolean {
  const inner = grown(box, -touch);
  const isOwn = box.id === link.from || box.id === link.to;
  return lineRunsThrough(isOwn ? course.slice(2, -2) : course, inner);
}

/** What is wrong with the links of a drawing as it is drawn. O((links + boxes) · log boxes + what lies near). */
export function linkChecks(
  diagram: DiagramCommon,
  { ids }: Listing,
  styles: readonly BoxStyle[],
  { groups }: Scene,
): Finding<LinkFinding>[] {
  const links = groups.flatMap((group) => {
    const link = group.stands.for === 'link' ? own(diagram.links, group.stands.id) : undefined;
    return link && group.selectable?.hit === 'line' ? [drawnLink(link, group)] : [];
  });
  if (links.length === 0) return [];
  const drawn = groups.flatMap((group): DrawnBox[] =>
    group.stands.for === 'entry' ? [{ ...placedBounds(group), id: group.stands.id }] : [],
  );
  const boxes = new Places(drawn);
  const near = (area: Extent): DrawnBox[] => boxes.within(area) as DrawnBox[];
  const parts = (which: 'words' | 'marks'): Places =>
    new Places(links.flatMap((of) => of[which].map((one): Part => ({ ...one, of }))));
  const [words, marks] = [parts('words'), parts('marks')];
  const other = (of: DrawnLink, area: Extent, among: Places): boolean =>
    among.within(area).some((one) => (one as Part).of !== of);

  const boxOf = new Map(drawn.map((box) => [box.id, box]));
  const styleOf = new Map(ids.map((id, i) => [id, styles[i]!]));
  const isShort = ({ link, course }: DrawnLink): boolean =>
    (
      [
        [link.from, course.slice(0, 2)],
        [link.to, course.slice(-2)],
      ] as const
    ).some(([id, at]) => {
      const [box, style] = [boxOf.get(id), styleOf.get(id)];
      return box && style && at.length === 2 && distanceToShape(at as [number, number], box, style) > apart;
    });
  const found = (
    code: LinkFinding,
    isFaulty: (one: DrawnLink) => boolean,
    what: string,
    remedy: string,
  ): Finding<LinkFinding>[] => {
    const faulty = links.filter(isFaulty);
    const [first] = faulty;
    if (!first) return [];
    const name = (id: string): string => nameOf(diagram, id);
    const more =
      faulty.length === 1 ? '' : `, and so ${faulty.length === 2 ? 'does one more' : `do ${faulty.length - 1} more`}`;
    const message = `The link from ${name(first.link.from)} to ${name(first.link.to)} ${what}${more}. ${remedy}`;
    const entries = [...new Set(faulty.flatMap(({ link }) => [link.from, link.to]))];
    return [finding(code, 'warning', message, { entries })];
  };
  return [
    ...found(
      'link-through-box',
      (one) => near(extentOfLines([one.course])).some((box) => runsInto(one, box)),
      'runs through a box',
      'Send its bend, or the box, back to its place.',
    ),
    ...found(
      'words-covered',
      (one) =>
        one.words.some(
          (area) => near(area).some((box) => overlap(grown(box, -touch), area)) || other(one, area, words),
        ),
      'has words on a box or on other words',
      'Take shorter words, put them nearer to an end, or make the gaps wider.',
    ),
    ...found(
      'words-astray',
      ({ words: own, course }) => own.some((area) => !lineRunsThrough(course, grown(area, astray))),
      'has words that do not stand on it',
      'Take shorter words, or make the gaps wider.',
    ),
    ...found(
      'marks-meet',
      (one) =>
        one.marks.some((area) => {
          const inner = grown(area, -touch);
          return other(one, inner, marks) || words.within(inner).length > 0;
        }),
      'has an arrowhead on another or on words',
      'Let it leave or meet the box at another side, or make the gaps wider.',
    ),
    ...found('link-short', isShort, 'ends before its box', 'Send it back to its place.'),
  ];
}
