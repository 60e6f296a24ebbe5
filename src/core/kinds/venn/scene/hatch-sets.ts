import type { Ellipse } from '../../../arrange/curves';
import { lengthOf, outside, roundedPath } from '../../../arrange/graph';
import { widthOfRuns } from '../../../measure';
import type { Rect, SceneGroup } from '../../../scene';

/** Directions of the lines of the first set, the second, and so on, in degrees. */
const directions = [45, -45, 0, 90, 20, -70];
const apart = 9;
/** Free room around text, CSS px. */
const clear = 2.5;

/** Every set in lines of a direction of its own, so that on a copier each region is told by the directions that cross in it. No line meets text. */
export function hatchedSets(ellipses: readonly Ellipse[], groups: readonly SceneGroup[], stroke: string): SceneGroup[] {
  const texts = groups.flatMap(textRects);
  return ellipses.map((ellipse, i): SceneGroup => {
    const d = linesIn(ellipse, (directions[i % directions.length]! * Math.PI) / 180, texts);
    return {
      type: 'group',
      stands: { for: 'hatch', id: String(i) },
      label: '',
      x: 0,
      y: 0,
      bounds: { x: ellipse.cx, y: ellipse.cy, width: 0, height: 0 },
      children: d === '' ? [] : [{ type: 'path', d, stroke, strokeWidth: 0.5, dashed: false }],
    };
  });
}

function textRects({ x, y, children }: SceneGroup): Rect[] {
  return children.flatMap((one): Rect[] => {
    if (one.type !== 'text') return [];
    const width = widthOfRuns(one.runs);
    return [
      {
        x: x + one.x - clear,
        y: y + one.y - one.size * 0.85 - clear,
        width: width + 2 * clear,
        height: one.size * 1.12 + 2 * clear,
      },
    ];
  });
}

/** Parallel lines within an ellipse, parted where they would meet a rectangle, as path data. */
function linesIn(e: Ellipse, angle: number, rects: readonly Rect[]): string {
  const [ux, uy] = [Math.cos(angle), Math.sin(angle)];
  const reach = Math.max(e.rx, e.ry);
  let d = '';
  for (let offset = -Math.floor(reach / apart) * apart; offset < reach; offset += apart) {
    const [px, py] = [e.cx - uy * offset, e.cy + ux * offset];
    const chord = chordOf(e, px, py, ux, uy);
    if (!chord) continue;
    const [from, to] = chord;
    let lines = [[px + ux * from, py + uy * from, px + ux * to, py + uy * to]];
    for (const rect of rects) lines = lines.flatMap((line) => outside(line, rect));
    for (const line of lines) if (lengthOf(line) > 1) d += roundedPath(line, 0);
  }
  return d;
}

/** Where a line from a point in a direction enters and leaves an ellipse. */
function chordOf(e: Ellipse, px: number, py: number, ux: number, uy: number): [number, number] | null {
  const [c, s] = [Math.cos(e.turn), Math.sin(e.turn)];
  const local = (x: number, y: number): [number, number] => [(x * c + y * s) / e.rx, (y * c - x * s) / e.ry];
  const [ax, ay] = local(px - e.cx, py - e.cy);
  const [bx, by] = local(ux, uy);
  const a = bx * bx + by * by;
  const b = ax * bx + ay * by;
  const discriminant = b * b - a * (ax * ax + ay * ay - 1);
  if (discriminant <= 0) return null;
  const root = Math.sqrt(discriminant);
  return [(-b - root) / a, (-b + root) / a];
}
