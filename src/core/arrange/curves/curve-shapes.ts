import { stretched, type Ellipse } from './ellipse';

const circle = (cx: number, cy: number): Ellipse => ({ cx, cy, rx: 1, ry: 1, turn: 0 });

/** Ellipses alike around the origin: `out` from it, turned by `lean` against the way out. */
function ring(n: number, out: number, ry: number, lean: number): Ellipse[] {
  return Array.from({ length: n }, (_, i) => {
    const way = -Math.PI / 2 + (i * 2 * Math.PI) / n;
    return { cx: out * Math.cos(way), cy: out * Math.sin(way), rx: 1, ry, turn: way + lean };
  });
}

const made = new Map<string, readonly Ellipse[]>();

/**
 * Curves that show all 2^n regions of n sets, the first axis 1: circles alike for up to three, four ellipses (as J. Venn 1880 showed to
 * be possible; circles cannot, Ruskey & Weston, "A Survey of Venn Diagrams"), five congruent ellipses (B. Grünbaum 1975). The measures of
 * the last two were found by a search for the most room for text in the smallest region, every region in one piece. `overlap` sets how far circles reach into each other, from 0
 * (little) to 1 (much); ellipses have their one good measure. The same curves are the same object each time.
 */
export function equalShapes(n: number, overlap = 0.5): readonly Ellipse[] {
  const key = `${n}:${overlap}`;
  let found = made.get(key);
  if (!found) made.set(key, (found = make(n, overlap)));
  return found;
}

function make(n: number, overlap: number): Ellipse[] {
  switch (n) {
    case 0:
      return [];
    case 1:
      return [circle(0, 0)];
    case 2: {
      const half = 0.78 - 0.4 * overlap;
      return [circle(-half, 0), circle(half, 0)];
    }
    case 3:
      return ring(3, 0.74 - 0.3 * overlap, 1, 0);
    case 4:
      return fourEllipses();
    case 5:
      return ring(5, 0.3619, 0.4833, 2.9286);
    default:
      throw new RangeError('A Venn diagram is drawn for up to five sets.');
  }
}

const wides = new Map<string, readonly (readonly Ellipse[])[]>();

/**
 * Wider curves, `wide` times as wide as high, for words that find no room in the equal ones: the equal ones stretched, and for five sets others, no two
 * alike, that were found by a search for the most room in all their regions together (the sum of the logarithms of what a box of 9 : 2 finds in each).
 * None for a set alone.
 */
export function wideShapes(n: number, wide: number): readonly (readonly Ellipse[])[] {
  if (n < 2) return [];
  const key = `${n}:${wide}`;
  let found = wides.get(key);
  if (!found) {
    const begins = [...overlapShares(n).map((overlap) => equalShapes(n, overlap)), ...(n === 5 ? [roomyFive] : [])];
    wides.set(key, (found = begins.map((shapes) => shapes.map((e) => stretched(e, wide)))));
  }
  return found;
}

/** How far circles may reach into each other, from which the arrangement takes what needs least room. */
export const overlapShares = (n: number): readonly number[] => (n === 2 || n === 3 ? [0.5, 0.2, 0.8] : [0.5]);

function fourEllipses(): Ellipse[] {
  const pair = (cx: number, cy: number, turn: number): [Ellipse, Ellipse] => [
    { cx: -cx, cy, rx: 1, ry: 0.5922, turn },
    { cx, cy, rx: 1, ry: 0.5922, turn: -turn },
  ];
  const [outerLeft, outerRight] = pair(0.3809, 0.1254, 0.4266);
  const [innerLeft, innerRight] = pair(-0.0084, -0.1254, 2.4825);
  return [outerLeft, innerLeft, innerRight, outerRight];
}

/** Of the search's curves, one and a half times as wide as high, what they are when made as high as wide. */
const roomyFive: readonly Ellipse[] = [
  [-0.079, -0.2935, 1.1594, 0.6849, 0.8731],
  [0.3655, -0.0572, 1.6232, 0.5468, -0.293],
  [0.2075, 0.3326, 1.7266, 0.5426, 0.4093],
  [-0.5588, 0.2887, 1.2084, 0.7274, -0.7833],
  [-0.343, -0.1162, 1.5855, 0.4652, 0.0366],
].map(([cx, cy, rx, ry, turn]) => stretched({ cx: cx!, cy: cy!, rx: rx!, ry: ry!, turn: turn! }, 2 / 3));
