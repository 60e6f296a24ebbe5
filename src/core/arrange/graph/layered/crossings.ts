import type { Layers } from './layers';

/** The vertices of each layer, in order. */
export type Orders = readonly (readonly number[])[];

/**
 * Crossings of the lines between each two neighbouring layers, by an accumulator tree (W. Barth, M. Jünger, P. Mutzel, "Simple and Efficient Bilayer Cross
 * Counting", 2002). O(lines × log vertices).
 */
export function crossingsOf({ after, count }: Pick<Layers, 'after' | 'count'>, orders: Orders): number {
  const place = new Int32Array(count);
  let crossings = 0;
  for (let l = 0; l + 1 < orders.length; l++) {
    const next = orders[l + 1]!;
    next.forEach((vertex, i) => (place[vertex] = i));
    const tree = new Int32Array(next.length + 1);
    let drawn = 0;
    for (const vertex of orders[l]!) {
      const ends = after[vertex]!;
      for (const end of ends) {
        let notAfter = 0;
        for (let i = place[end]! + 1; i > 0; i -= i & -i) notAfter += tree[i]!;
        crossings += drawn - notAfter;
      }
      for (const end of ends) for (let i = place[end]! + 1; i <= next.length; i += i & -i) tree[i]!++;
      drawn += ends.length;
    }
  }
  return crossings;
}
