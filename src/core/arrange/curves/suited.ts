import { roomsOf } from './curves-layout';
import type { Ellipse } from './ellipse';

const orders = new Map<number, readonly (readonly number[])[]>();

/** All orders of the numbers below n, the rising one first. */
function ordersOf(n: number): readonly (readonly number[])[] {
  let found = orders.get(n);
  if (!found) {
    const made: number[][] = [];
    const extend = (begun: number[]): void => {
      if (begun.length === n) made.push(begun);
      for (let i = 0; i < n; i++) if (!begun.includes(i)) extend([...begun, i]);
    };
    extend([]);
    orders.set(n, (found = made));
  }
  return found;
}

const reordered = new WeakMap<readonly Ellipse[], Map<string, readonly Ellipse[]>>();

/**
 * The same curves, given to the sets in the order that gives most room to regions with something in them. `counts`: how many stand in each
 * region, by mask; `enough`: the room that one needs, beyond which more does not help (in `roomsOf` the curves). Of orders that serve alike the
 * first is taken. The same object for the same order. O(n! 2^n) for n ≤ 5 curves.
 */
export function suited(unit: readonly Ellipse[], counts: readonly number[], enough: number): readonly Ellipse[] {
  const n = unit.length;
  const rooms = roomsOf(unit);
  const occupied = counts.flatMap((count, mask) => (mask > 0 && count > 0 ? [mask] : []));
  let best = ordersOf(n)[0]!;
  let most = -Infinity;
  for (const order of ordersOf(n)) {
    let sum = 0;
    for (const mask of occupied) {
      let there = 0;
      for (let i = 0; i < n; i++) if ((mask >> i) & 1) there |= 1 << order[i]!;
      sum += counts[mask]! * Math.min(1, rooms[there]! / (enough * Math.sqrt(counts[mask]!)));
    }
    if (sum > most + 1e-9) [best, most] = [order, sum];
  }
  let known = reordered.get(unit);
  if (!known) reordered.set(unit, (known = new Map()));
  const key = best.join();
  let found = known.get(key);
  if (!found) known.set(key, (found = best.map((at) => unit[at]!)));
  return found;
}
