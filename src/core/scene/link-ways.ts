import {
  bendAxis,
  bentBy,
  boxAround,
  extentOfLines,
  freePlace,
  grown,
  labelPlace,
  laneGap,
  lineRunsThrough,
  LinkRouter,
  Places,
  pointAt,
  pushedOut,
  type Extent,
  type Polyline,
  type RouteEnds,
  type RouteGround,
} from '../arrange/graph';
import type { LinkStyle } from '../model';
import { markExtents, markWidth } from './line-marks';

/** A link to be led through a drawing: its ends, its style, and the size of its words, null for none. CSS px. */
export interface LinkToLead {
  readonly ends: RouteEnds;
  readonly style: LinkStyle;
  readonly words: { readonly width: number; readonly height: number } | null;
}

export interface LedLinks {
  readonly ways: readonly Polyline[];
  /** Room of the words of each; null where there are none. */
  readonly words: readonly (Extent | null)[];
}

/** Words keep so far from boxes and from each other. CSS px. */
const clear = 2;
/** A way to words leads straight before and after them for so long. */
const stub = 8;
/** So many places are tried for words that have none on their line. */
const mostTried = 5;
/** Boxes on a bent way are passed at this distance at least. */
const beside = 4;

/**
 * Links around boxes: those with a bend by hand through the place it leads to, around what is in the way of it; and where the words of a link have no clear
 * place on its way, the way leads through the nearest one there is. O(links · lanes² log lanes).
 * @param atShape Leads a way to the shapes of its ends.
 */
export function leadLinks(
  ground: Omit<RouteGround, 'docking'>,
  links: readonly LinkToLead[],
  atShape: (way: Polyline, k: number) => Polyline,
): LedLinks {
  const docking = Math.max(laneGap + 1, ...links.map(({ style }) => markWidth(style) + 1));
  const router = new LinkRouter(
    { ...ground, docking },
    links.map(({ ends }) => ends),
  );
  const boxes = new Places(ground.boxes);
  links.forEach((link, k) => bend(router, boxes, ground, link, k));
  // Ways may be led elsewhere for the words.
  const words = setWords({ router, boxes, ground, links, atShape });
  return { ways: router.ways.map(atShape), words };
}

/** Whether a way passes through a box: any but its own two, and these but for where it begins and ends. */
function meetsBoxes(
  way: Polyline,
  boxes: Places,
  { from, to }: RouteEnds,
  ground: Pick<RouteGround, 'boxes'>,
): boolean {
  const [a, b] = [ground.boxes[from]!, ground.boxes[to]!];
  return boxes
    .within(grown(extentOfLines([way]), 1))
    .some((box) => lineRunsThrough(way, box === a || box === b ? grown(box, -1) : grown(box, beside - 1)));
}

/** Bends a way by hand: as it was bent, or around what would be in the way of that. */
function bend(
  router: LinkRouter,
  boxes: Places,
  ground: Pick<RouteGround, 'boxes'>,
  { ends, style }: LinkToLead,
  k: number,
): void {
  if (style.bend === 0) return;
  const plain = router.ways[k]!;
  const bent = bentBy(plain, style.bend);
  if (!meetsBoxes(bent, boxes, ends, ground)) {
    router.put(k, bent);
    return;
  }
  const axis = bendAxis(plain);
  const [x, y] = movedMiddle(plain, bent);
  const way = { axis, sign: Math.sign(style.bend), clear: beside, off: beside + 1 };
  const free = pushedOut({ x, y }, { width: 0, height: 0 }, way, (area) => boxes.within(area)[0]);
  router.through(k, { ...free, along: axis === 'y' ? 'x' : 'y' });
}

/** The middle of the leg that a bend moved. */
function movedMiddle(plain: Polyline, bent: Polyline): [number, number] {
  const same = plain.length === bent.length;
  const legs = bent.length / 2 - 1;
  for (let leg = 0; leg < legs; leg++) {
    const at = bent.slice(2 * leg, 2 * leg + 4) as [number, number, number, number];
    const moved = same
      ? at.every((_, i) => i % 2 === 1 || at[i] !== plain[2 * leg + i] || at[i + 1] !== plain[2 * leg + i + 1])
      : leg === Math.floor(legs / 2);
    if (moved) return [(at[0] + at[2]) / 2, (at[1] + at[3]) / 2];
  }
  return pointAt(bent, 0.5);
}

interface Setting {
  readonly router: LinkRouter;
  readonly boxes: Places;
  readonly ground: Pick<RouteGround, 'boxes' | 'lines'>;
  readonly links: readonly LinkToLead[];
  readonly atShape: (way: Polyline, k: number) => Polyline;
}

/** Sets the words of one link after another, leading its way to a clear place where there is none on it. */
function setWords({ router, boxes, ground, links, atShape }: Setting): (Extent | null)[] {
  if (links.every(({ words }) => words === null)) return links.map(() => null);
  const wayOf = (k: number): Polyline => atShape(router.ways[k]!, k);
  const lines = new Places(ground.lines.flatMap(legExtents));
  let courses = legsOfAll(links, wayOf);
  const set = new Places([]);
  return links.map((link, k) => {
    if (link.words === null) return null;
    const hard = (area: Extent): Extent[] => [
      ...boxes.within(area),
      ...set.within(area),
      ...courses.within(area).flatMap((one) => (one.mark ? [one] : [])),
    ];
    const placed = (): { box: Extent; isClear: boolean } => {
      const way = wayOf(k);
      const reach = grown(extentOfLines([way]), Math.max(link.words!.width, link.words!.height));
      const others = courses.within(reach).filter((one) => one.link !== k || one.mark);
      const avoid = [...boxes.within(reach), ...lines.within(reach), ...others, ...set.within(reach)];
      const { box } = labelPlace(way, link.words!, avoid, link.style.phraseAt);
      return { box, isClear: hard(box).length === 0 && !isTooLong(box, way) };
    };
    let { box, isClear } = placed();
    const [x, y] = pointAt(router.ways[k]!, 0.5);
    const size = { width: link.words.width + 2 * stub, height: link.words.height + 2 * clear };
    const tried = new Places([]);
    for (let turn = 0; turn < mostTried && !isClear; turn++) {
      const free =
        freePlace({ x, y }, size, [boxes, set, lines, courses, tried]) ??
        freePlace({ x, y }, size, [boxes, set, tried]);
      if (!free) break;
      const led = router.through(k, { ...free, along: 'x' });
      courses = legsOfAll(links, wayOf);
      box = boxAround(free, link.words);
      isClear = led !== null && hard(box).length === 0;
      if (led && !isClear) {
        const again = placed();
        if (again.isClear) ({ box, isClear } = again);
      }
      tried.add({ x: free.x - stub, y: free.y - stub, width: 2 * stub, height: 2 * stub });
    }
    set.add(grown(box, clear));
    router.keepClear(grown(box, clear));
    return box;
  });
}

/** Whether words stand over an end of their line. */
const isTooLong = (box: Extent, way: Polyline): boolean =>
  [way.slice(0, 2), way.slice(-2)].some(
    ([x, y]) => x! > box.x && x! < box.x + box.width && y! > box.y && y! < box.y + box.height,
  );

interface LegExtent extends Extent {
  readonly link: number;
  /** Whether it is the mark at an end. */
  readonly mark: boolean;
}

class Courses extends Places {
  override within(area: Extent): LegExtent[] {
    return super.within(area) as LegExtent[];
  }
}

const legsOfAll = (links: readonly LinkToLead[], wayOf: (k: number) => Polyline): Courses =>
  new Courses(
    links.flatMap(({ style }, k): LegExtent[] => {
      const way = wayOf(k);
      return [
        ...legExtents(way).map((leg) => ({ ...leg, link: k, mark: false })),
        ...markExtents(way, style).map((mark) => ({ ...mark, link: k, mark: true })),
      ];
    }),
  );

/** The room that each leg of a line takes, a little to its sides. */
function legExtents(line: Polyline): Extent[] {
  return Array.from({ length: Math.max(0, line.length / 2 - 1) }, (_, k) =>
    grown(extentOfLines([line.slice(2 * k, 2 * k + 4)]), 1),
  );
}
