import type { Rect } from '../../../scene';
import type { Placed } from './fit';
import { stackMiddle } from './lanes';
import { placeInBlock } from './loose';

/** Tells where the box of each person stands in the drawing, CSS px. `right`: generations follow each other to the right. */
export function boxesOf(
  {
    rows,
    across,
    along,
    width,
    height,
    loose,
  }: Pick<Placed, 'rows' | 'across' | 'along' | 'width' | 'height' | 'loose'>,
  right: boolean,
): (i: number) => Rect {
  const apart = new Map(loose?.persons.map((m, k) => [m, placeInBlock(loose.block, k)]));
  return (i) => {
    const size = { width: width[i]!, height: height[i]! };
    const free = apart.get(i);
    if (free) return { ...free, ...size };
    const [breadth, length] = right ? [size.height, size.width] : [size.width, size.height];
    const { members, stacked, row } = rows.blocks[rows.blockOf[i]!]!;
    const band = along.rows[row]!;
    const begin = across.middle[i]! - across.left - breadth / 2;
    const middle = stackMiddle(band, stacked ? members.indexOf(i) : 0);
    const start = right && !stacked ? band.start : middle - length / 2;
    return { x: right ? start : begin, y: right ? begin : start, ...size };
  };
}
