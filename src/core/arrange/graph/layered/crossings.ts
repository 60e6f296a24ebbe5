import { flat } from './flat';
import type { Layers } from './layers';

/** The vertices of each layer, in order. */
export type Orders = readonly (readonly number[])[];

/** Used again and again: where vertices stand in the next layer, and how many lines end up to there. */
let place = new Int32Array(256);
let tree = new Int32Array(256);

/**
 * Crossings of the lines between each two neighbouring layers, by an accumulator tree (W. Barth, M. Jünger, P. Mutzel, "Simple and Efficient Bilayer Cross
 * Counting", 2002); from `enough` on they are not counted further. O(lines × log vertices).
 */
export function crossingsOf(
  { after, count }: Pick<Layers, 'after' | 'count'>,
  orders: Orders,
  enough = Infinity,
): number {
  const { start, ends } = flat(after);
  if (place.length < count) place = new Int32Array(2 * count);
  if (tree.length <= count) tree = new Int32Array(2 * count);
  let crossings = 0;
  for (let l = 0; l + 1 < orders.length && crossings < enough; l++) {
    const [order, next] = [orders[l]!, orders[l + 1]!];
    const { length } = next;
    for (let i = 0; i < length; i++) place[next[i]!] = i;
    tree.fill(0, 0, length + 1);
    let drawn = 0;
    for (let k = 0; k < order.length; k++) {
      const [first, last] = [start[order[k]!]!, start[order[k]! + 1]!];
      for (let e = first; e < last; e++) {
        let notAfter = 0;
        for (let i = place[ends[e]!]! + 1; i > 0; i -= i & -i) notAfter += tree[i]!;
        crossings += drawn - notAfter;
      }
      for (let e = first; e < last; e++) for (let i = place[ends[e]!]! + 1; i <= length; i += i & -i) tree[i]!++;
      drawn += last - first;
    }
  }
  return crossings;
}
