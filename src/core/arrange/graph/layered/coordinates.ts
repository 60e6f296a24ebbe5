import { inOrder } from '../isotonic';
import type { Orders } from './crossings';
import { flat } from './flat';
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
  // Lines that pass layers are pulled straight.
  const pull = (a: number, b: number): number => (a >= words && b >= words ? 8 : a >= words || b >= words ? 2 : 1);
  const [linesBefore, linesAfter] = [flat(before), flat(after)];
  const widest = orders.reduce((most, { length }) => Math.max(most, length), 0);
  const [wanted, weight] = [new Float64Array(widest), new Float64Array(widest)];
  const settle = (l: number, isUp: boolean, isDown: boolean): void => {
    const order = orders[l]!;
    const n = order.length;
    for (let i = 0; i < n; i++) {
      const vertex = order[i]!;
      let [sum, heavy] = [0, 0];
      for (let side = 0; side < 2; side++) {
        if (side === 0 ? !isUp : !isDown) continue;
        const { start, ends } = side === 0 ? linesBefore : linesAfter;
        for (let e = start[vertex]!; e < start[vertex + 1]!; e++) {
          const one = pull(vertex, ends[e]!);
          sum += one * x[ends[e]!]!;
          heavy += one;
        }
      }
      wanted[i] = heavy > 0 ? sum / heavy : x[vertex]!;
      weight[i] = heavy > 0 ? heavy : 0.01;
    }
    const placed = inOrder(wanted.subarray(0, n), weight, apart[l]!);
    for (let i = 0; i < n; i++) x[order[i]!] = placed[i]!;
  };
  const last = orders.length - 1;
  const rounds = roundsFor(count);
  for (let round = 0; round < rounds; round++) {
    const both = round >= rounds - 4;
    for (let l = 1; l <= last; l++) settle(l, true, both);
    for (let l = last; l >= 0; l--) settle(l, both, true);
  }
  for (let l = 1; l <= last; l++) settle(l, true, true);
  return x;
}
