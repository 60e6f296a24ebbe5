import { bendAcross, edgePoint, overlap, pointAt, pushedOut, wayAround } from '../../../arrange/graph';
import type { BoxStyle } from '../../../model';
import { beginningAtShape, endingAtShape, standsBack, type Rect } from '../../../scene';
import { extentOf, type DrawnLink, type DrawnMap } from './drawn';

/** The map with the links that were moved by hand where they were put: to their words from either idea, around what is in the way. */
export function withBends(drawn: DrawnMap): DrawnMap {
  if (drawn.links.every(({ bend }) => bend === 0)) return drawn;
  const links = drawn.links.map((one) => (one.bend === 0 ? one : bent(one, drawn)));
  return { ...drawn, links, extent: extentOf(drawn.boxes, links) };
}

/** Words and bends keep so far from boxes. CSS px. */
const clear = 6;

function bent(one: DrawnLink, { boxes, links }: DrawnMap): DrawnLink {
  const { place, course, bend } = one;
  const [from, to] = [boxes[one.from]!, boxes[one.to]!];
  const [a, b] = [centreOf(from), centreOf(to)];
  const [atX, atY] = pointAt(course, 0.5);
  const at = place ? centreOf(place) : { x: atX, y: atY };
  const axis = bendAcross(a, b);
  const wished = axis === 'x' ? { x: at.x + bend, y: at.y } : { x: at.x, y: at.y + bend };
  const size = place ?? { width: 0, height: 0 };
  const others = links.flatMap(({ place: words }) => (words && words !== place ? [words] : []));
  const taken = [...boxes, ...others];
  const way = { axis, sign: Math.sign(bend), clear, off: clear + 0.5 };
  const { x, y } = pushedOut(wished, size, way, (area) => taken.find((box) => overlap(box, area)));
  const before = wayAround(boxes, [a.x, a.y], [x, y], [one.from]);
  const after = wayAround(boxes, [x, y], [b.x, b.y], [one.to]);
  const points = [
    ...edgePoint(a.x, a.y, before[2]!, before[3]!, from),
    ...before.slice(2),
    ...after.slice(2, -2),
    ...edgePoint(b.x, b.y, after.at(-4)!, after.at(-3)!, to),
  ];
  return {
    ...one,
    lines: [points],
    course: points,
    place: place && { ...place, x: x - place.width / 2, y: y - place.height / 2 },
  };
}

const centreOf = ({ x, y, width, height }: Rect) => ({ x: x + width / 2, y: y + height / 2 });

/** The map with lines that meet the shapes of its ideas, where these stand back from the edges of their boxes. `styles`: by index. */
export function meetingShapes(drawn: DrawnMap, styles: readonly BoxStyle[]): DrawnMap {
  if (!styles.some(standsBack)) return drawn;
  const links = drawn.links.map((one): DrawnLink => {
    const [from, to] = [styles[one.from]!, styles[one.to]!];
    if (!standsBack(from) && !standsBack(to)) return one;
    const met = (points: DrawnLink['course']): DrawnLink['course'] =>
      endingAtShape(beginningAtShape(points, drawn.boxes[one.from]!, from), drawn.boxes[one.to]!, to);
    return { ...one, lines: one.lines.map(met), course: met(one.course) };
  });
  return { ...drawn, links };
}
