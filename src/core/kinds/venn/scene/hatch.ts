import { short } from '../../../arrange/graph';
import type { Point } from '../../../arrange/curves';

/**
 * Path data of slanting lines across an area, `apart` from each other: what is drawn and yet stands for nothing. The area is left by
 * even–odd; turned by an eighth, every line is a level one, cut where the outline crosses it.
 */
export function hatchPath(loops: readonly (readonly Point[])[], apart: number): string {
  const c = Math.SQRT1_2;
  const turned = loops.map((loop) => loop.map(({ x, y }) => ({ x: (x + y) * c, y: (y - x) * c })));
  const ys = turned.flat().map(({ y }) => y);
  const last = Math.max(...ys);
  let d = '';
  for (let y = Math.ceil(Math.min(...ys) / apart) * apart; y < last; y += apart) {
    const cuts: number[] = [];
    for (const loop of turned) {
      loop.forEach((a, i) => {
        const b = loop[(i + 1) % loop.length]!;
        if (a.y < y !== b.y < y) cuts.push(a.x + ((y - a.y) * (b.x - a.x)) / (b.y - a.y));
      });
    }
    cuts.sort((a, b) => a - b);
    for (let i = 0; i + 1 < cuts.length; i += 2) {
      const at = (x: number): string => `${short((x - y) * c)} ${short((x + y) * c)}`;
      d += `M${at(cuts[i]!)}L${at(cuts[i + 1]!)}`;
    }
  }
  return d;
}
