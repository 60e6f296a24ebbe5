import { inOrder } from '../isotonic';
import type { Orders } from './crossings';
import type { Layers } from './layers';

/** Between neighbours of a layer, CSS px. */
export interface LayerGaps {
  readonly ideas: number;
  readonly words: number;
  readonly lines: number;
}

/** Fewer where there is much to place. */
const roundsFor = (count: number): number => (count > 800 ? 6 : 12);

/**
 * Places across of all vertices, in the order of their layers and with their gaps, each as near to the middle of its neighbours as the others allow; lines
 * that pass several layers are as straight as they can be. By turns layer after layer down and up, each the least sum of squares within its order
 * (compare the priority method of K. Sugiyama, S. Tagawa, M. Toda 1981). O(rounds × lines).
 */
export function placesAcross(layers: Layers, orders: Orders, gaps: LayerGaps): Float64Array {
  const { ideas, across, before, after, count } = layers;
  const x = new Float64Array(count);
  const words = ideas + layers.bundles.length;
  const gapOf = (vertex: number) => (vertex < ideas ? gaps.ideas : vertex < words ? gaps.words : gaps.lines);
  const apart = orders.map((order) =>
    order.map((vertex, i) => {
      const last = order[i - 1];
      if (last === undefined) return 0;
      return (across[last]! + across[vertex]!) / 2 + Math.max(gapOf(last), gapOf(vertex));
    }),
  );
  orders.forEach((order, l) => {
    let at = 0;
    order.forEach((vertex, i) => (x[vertex] = at += apart[l]![i]!));
    for (const vertex of order) x[vertex]! -= at / 2;
  });
  const pull = (a: number, b: number): number => (a >= words && b >= words ? 8 : a >= words || b >= words ? 2 : 1);
  const settle = (l: number, near: readonly Layers['before'][]): void => {
    const order = orders[l]!;
    const wanted = new Float64Array(order.length);
    const weight = new Float64Array(order.length);
    order.forEach((vertex, i) => {
      let [sum, heavy] = [0, 0];
      for (const ends of near)
        for (const end of ends[vertex]!) {
          const one = pull(vertex, end);
          sum += one * x[end]!;
          heavy += one;
        }
      wanted[i] = heavy > 0 ? sum / heavy : x[vertex]!;
      weight[i] = heavy > 0 ? heavy : 0.01;
    });
    const placed = inOrder(wanted, weight, apart[l]!);
    order.forEach((vertex, i) => (x[vertex] = placed[i]!));
  };
  const last = orders.length - 1;
  const rounds = roundsFor(count);
  for (let round = 0; round < rounds; round++) {
    const near = round < rounds - 4 ? null : [before, after];
    for (let l = 1; l <= last; l++) settle(l, near ?? [before]);
    for (let l = last; l >= 0; l--) settle(l, near ?? [after]);
  }
  for (let l = 1; l <= last; l++) settle(l, [before, after]);
  return x;
}
