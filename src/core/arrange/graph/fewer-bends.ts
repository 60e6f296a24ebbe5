import { extentOfLines, type Extent, type Polyline } from './polyline';
import { crossingsBetween, grown, overlap, runsThrough } from './segments';

/** Lines keep so far from boxes they do not belong to. CSS px. */
const clear = 3;
/** How far along a line goes at its ends against how far across, at least. */
const steep = 0.14;

/**
 * Lines with as few bends as can be left out one after the other without a line meeting a box or crossing more lines than it did. `ends`: the boxes each line
 * begins and ends at, which do not stand in its way; it meets them steeply enough to be seen to, `along` being the direction of growth. O(lines × bends × what is near).
 */
export function fewerBends(
  lines: readonly Polyline[],
  boxes: readonly Extent[],
  ends: readonly (readonly number[])[],
  along: 'x' | 'y',
): Polyline[] {
  const now = lines.map((line) => [...line]);
  const around = now.map((line) => extentOfLines([line]));
  const walls = boxes.map((box) => grown(box, clear));
  const crossings = (line: Polyline, own: number): number => {
    const room = grown(extentOfLines([line]), 0.5);
    let sum = 0;
    for (let k = 0; k < now.length; k++)
      if (k !== own && overlap(room, grown(around[k]!, 0.5))) sum += crossingsBetween(line, now[k]!);
    return sum;
  };
  lines.forEach((_, k) => {
    const near = grown(around[k]!, clear);
    const inTheWay = walls.filter((wall, i) => !ends[k]!.includes(i) && overlap(wall, near));
    let before: number | null = null;
    const isSteep = (line: Polyline, p: number): boolean => {
      const [dx, dy] = [Math.abs(line[p + 2]! - line[p]!), Math.abs(line[p + 3]! - line[p + 1]!)];
      return along === 'y' ? dy >= dx * steep : dx >= dy * steep;
    };
    const isBetter = (line: Polyline, at: number, upTo: number): boolean => {
      if (!isSteep(line, 0) || !isSteep(line, line.length - 4)) return false;
      for (let p = at; p < upTo; p += 2)
        if (inTheWay.some((wall) => runsThrough(line[p]!, line[p + 1]!, line[p + 2]!, line[p + 3]!, wall)))
          return false;
      before ??= crossings(now[k]!, k);
      return crossings(line, k) <= before;
    };
    const take = (line: number[]): void => {
      now[k] = line;
      around[k] = extentOfLines([line]);
      before = null;
    };
    const direct = [...now[k]!.slice(0, 2), ...now[k]!.slice(-2)];
    if (now[k]!.length > 4 && isBetter(direct, 0, 2)) {
      take(direct);
      return;
    }
    for (let p = 2; p < now[k]!.length - 2;) {
      const without = [...now[k]!.slice(0, p), ...now[k]!.slice(p + 2)];
      if (isBetter(without, p - 2, p)) take(without);
      else p += 2;
    }
  });
  return now;
}
