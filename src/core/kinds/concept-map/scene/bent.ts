import { bendAcross, edgePoint, pointAt } from '../../../arrange/graph';
import type { Rect } from '../../../scene';
import { extentOf, type DrawnLink, type DrawnMap } from './drawn';

/** The map with the links that were moved by hand where they were put: straight from either idea to their words, which stand that far off their place. */
export function withBends(drawn: DrawnMap): DrawnMap {
  if (drawn.links.every(({ bend }) => bend === 0)) return drawn;
  const links = drawn.links.map((one) => (one.bend === 0 ? one : bent(one, drawn.boxes)));
  return { ...drawn, links, extent: extentOf(drawn.boxes, links) };
}

function bent(one: DrawnLink, boxes: readonly Rect[]): DrawnLink {
  const { place, course, bend } = one;
  const [from, to] = [boxes[one.from]!, boxes[one.to]!];
  const [a, b] = [centreOf(from), centreOf(to)];
  const [atX, atY] = pointAt(course, 0.5);
  const at = place ? centreOf(place) : { x: atX, y: atY };
  const axis = bendAcross(a, b);
  const by = axis === 'x' ? { x: bend, y: 0 } : { x: 0, y: bend };
  const [x, y] = [at.x + by.x, at.y + by.y];
  const points = [...edgePoint(a.x, a.y, x, y, from), x, y, ...edgePoint(b.x, b.y, x, y, to)];
  return {
    ...one,
    lines: [points],
    course: points,
    place: place && { ...place, x: place.x + by.x, y: place.y + by.y },
  };
}

const centreOf = ({ x, y, width, height }: Rect) => ({ x: x + width / 2, y: y + height / 2 });
