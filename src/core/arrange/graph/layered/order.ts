import { sequence } from '../../sequence';
import { connectedParts } from '../connected-parts';
import { exchanged } from '../exchanged';
import { crossingsOf, type Orders } from './crossings';
import { flat, type Flat } from './flat';
import type { Layers } from './layers';

/** Work is bounded by counts, never by time, so that the same graph is always drawn alike. */
const vertexStarts = 1800;
/** Vertices laid out anew, all trials of one start together. */
const laidAnew = 120_000;
const mostRounds = 12;
const mostStarts = 10;
const mostTrials = 1500;
/** In wider layers only neighbours change places. */
const widestMatrix = 420;
const widestOfLarge = 70;

/**
 * Orders of the vertices in their layers with few crossings: the layer-by-layer sweep of K. Sugiyama, S. Tagawa, M. Toda (1981) by mean places, each layer
 * then improved by putting every vertex where it crosses least ("sifting", C. Matuszewski, R. Schönfeld, P. Molitor 1999); begun from several orders in which
 * whole branches have changed places. `light`: with fewer of them. Deterministic; depends on the numbering of the vertices alone.
 */
export function orderedLayers(layers: Layers, effort: 'full' | 'light' = 'full'): Orders {
  const parts = connectedParts(layers.count, [layers.before, layers.after]).map((part) =>
    orderedPart(layers, part, effort === 'full' ? mostStarts : 2),
  );
  return Array.from({ length: layers.total }, (_, l) => parts.flatMap((orders) => orders[l]!));
}

function orderedPart(layers: Layers, part: readonly number[], mostStarts: number): number[][] {
  const work = new Ordering(layers, part);
  const next = sequence(part.length);
  let best: Tried | null = null;
  const better = (other: Tried): void => {
    if (!best || other.crossings < best.crossings) best = other;
  };
  const starts = Math.max(1, Math.min(mostStarts, Math.floor(vertexStarts / part.length)));
  for (let start = 0; start < starts; start++) {
    if (best !== null && (best as Tried).crossings === 0) break;
    better(work.improved(work.byBranches(start === 0 ? null : next)));
  }
  return best!.orders;
}

interface Tried {
  readonly orders: number[][];
  readonly crossings: number;
}

/** Of what has nothing below it. */
const none: number[] = [];

class Ordering {
  private readonly place: Float64Array;
  private readonly mean: Float64Array;

  constructor(
    private readonly layers: Layers,
    private readonly part: readonly number[],
  ) {
    this.place = new Float64Array(layers.count);
    this.mean = new Float64Array(layers.count);
  }

  /**
   * An order by branches: each vertex belongs to one in the layer before, and branches keep together, so that only what leads beside them crosses anything.
   * Branches then change places as long as that takes crossings away. `next`: leads the choice by chance; null for the first choice each time.
   */
  byBranches(next: (() => number) | null): number[][] {
    const { layer, before, total, count } = this.layers;
    const children: number[][] = new Array<number[]>(count).fill(none);
    const families: number[][] = [];
    const tops: number[] = [];
    for (const v of [...this.part].sort((a, b) => layer[a]! - layer[b]! || a - b)) {
      const ends = before[v]!;
      if (ends.length === 0) tops.push(v);
      else {
        const parent = ends[next ? Math.floor(next() * ends.length) : 0]!;
        const known = children[parent]!;
        if (known === none) families.push((children[parent] = [v]));
        else known.splice(next ? Math.floor(next() * (known.length + 1)) : known.length, 0, v);
      }
    }
    const orders: number[][] = Array.from({ length: total }, () => []);
    const stack: number[] = [];
    const laid = (enough: number): number => {
      for (const order of orders) order.length = 0;
      for (let i = tops.length - 1; i >= 0; i--) stack.push(tops[i]!);
      for (let v = stack.pop(); v !== undefined; v = stack.pop()) {
        orders[layer[v]!]!.push(v);
        const below = children[v]!;
        for (let i = below.length - 1; i >= 0; i--) stack.push(below[i]!);
      }
      return crossingsOf(this.layers, orders, enough);
    };
    exchanged([tops, ...families], laid, Math.min(mostTrials, Math.floor(laidAnew / this.part.length)));
    laid(0);
    return orders;
  }

  /** An order improved by sweeps until no sweep makes it better. */
  improved(start: number[][]): Tried {
    const { layers } = this;
    let orders = start;
    let best: Tried = { orders: copied(orders), crossings: crossingsOf(layers, orders) };
    const most = this.part.length > 1000 ? 2 : mostRounds;
    for (let round = 0, idle = 0; round < most && idle < 2 && best.crossings > 0; round++) {
      if (round < 3) this.sweep(orders, round);
      this.sift(orders);
      const crossings = crossingsOf(layers, orders);
      if (crossings < best.crossings) {
        best = { orders: copied(orders), crossings };
        idle = 0;
      } else idle++;
      if (idle > 0) orders = copied(best.orders);
    }
    return best;
  }

  /** Layer after layer by the mean places of the neighbours in the layer before, and then back. */
  private sweep(orders: number[][], round: number): void {
    const { before, after } = this.layers;
    const last = orders.length - 1;
    for (let l = 0; l <= last; l++) this.numbered(orders[l]!);
    const sorted = (order: number[], near: Layers['before']) => {
      const { start, ends } = flat(near);
      order.forEach((vertex, i) => {
        const [first, last] = [start[vertex]!, start[vertex + 1]!];
        let sum = 0;
        for (let e = first; e < last; e++) sum += this.place[ends[e]!]!;
        this.mean[vertex] = last > first ? sum / (last - first) : i;
      });
      order.sort((a, b) => this.mean[a]! - this.mean[b]! || (round % 2 === 1 ? this.place[b]! - this.place[a]! : 0));
      this.numbered(order);
    };
    for (let l = 1; l <= last; l++) sorted(orders[l]!, before);
    for (let l = last - 1; l >= 0; l--) sorted(orders[l]!, after);
  }

  private numbered(order: readonly number[]): void {
    order.forEach((vertex, i) => (this.place[vertex] = i));
  }

  /** Every layer, down and up again, with each vertex put where it crosses least. */
  private sift(orders: number[][]): void {
    for (const order of orders) this.numbered(order);
    const last = orders.length - 1;
    for (let l = 0; l <= last; l++) this.siftLayer(orders[l]!);
    for (let l = last - 1; l >= 0; l--) this.siftLayer(orders[l]!);
  }

  private siftLayer(order: number[]): void {
    const n = order.length;
    if (n < 2) return;
    const near = [this.placesOf(order, this.layers.before), this.placesOf(order, this.layers.after)];
    const saved = (a: number, b: number) => savedBy(near[0]!, a, b) + savedBy(near[1]!, a, b);
    const at = order.map((_, i) => i);
    if (n > (this.part.length > 1000 ? widestOfLarge : widestMatrix)) {
      for (let turn = 0; turn < 3; turn++)
        for (let i = 0; i + 1 < n; i++) if (saved(at[i]!, at[i + 1]!) > 0) [at[i], at[i + 1]] = [at[i + 1]!, at[i]!];
    } else {
      const matrix = new Int32Array(n * n);
      for (let a = 0; a < n; a++)
        for (let b = a + 1; b < n; b++) matrix[b * n + a] = -(matrix[a * n + b] = saved(a, b));
      for (let turn = 0; turn < 4; turn++) if (!inserted(at, matrix, n)) break;
    }
    const before_ = [...order];
    at.forEach((one, i) => (order[i] = before_[one]!));
    this.numbered(order);
  }

  /** Neighbours of each vertex of a layer by their places, in rising order. */
  private placesOf(order: readonly number[], near: Layers['before']): Flat {
    const { start, ends } = flat(near);
    const from = new Int32Array(order.length + 1);
    order.forEach((vertex, i) => (from[i + 1] = from[i]! + start[vertex + 1]! - start[vertex]!));
    const places = new Int32Array(from[order.length]!);
    order.forEach((vertex, i) => {
      for (let e = start[vertex]!, k = from[i]!; e < start[vertex + 1]!; e++, k++) places[k] = this.place[ends[e]!]!;
      if (from[i + 1]! - from[i]! > 1) places.subarray(from[i], from[i + 1]).sort();
    });
    return { start: from, ends: places };
  }
}

const copied = (orders: Orders): number[][] => orders.map((order) => [...order]);

/** How many crossings fewer the lines of two vertices have when the second stands before the first; places of their ends in rising order. */
function savedBy({ start, ends }: Flat, a: number, b: number): number {
  const [a0, a1, b0, b1] = [start[a]!, start[a + 1]!, start[b]!, start[b + 1]!];
  if (a1 - a0 === 1 && b1 - b0 === 1) return Math.sign(ends[a0]! - ends[b0]!);
  let saved = 0;
  // Of each end of the first, those of the second before it less those after it.
  for (let i = a0, less = b0, upTo = b0; i < a1; i++) {
    while (less < b1 && ends[less]! < ends[i]!) less++;
    while (upTo < b1 && ends[upTo]! <= ends[i]!) upTo++;
    saved += less - b0 - (b1 - upTo);
  }
  return saved;
}

/** Puts each vertex where it costs least; true where any moved. `matrix[a, b]`: what is saved where b stands before a, not after it. */
function inserted(at: number[], matrix: Int32Array, n: number): boolean {
  let moved = false;
  for (let vertex = 0; vertex < n; vertex++) {
    const now = at.indexOf(vertex);
    let least = 0;
    let best = now;
    let sum = 0;
    for (let i = now - 1; i >= 0; i--) {
      sum += matrix[vertex * n + at[i]!]!;
      if (sum < least) [least, best] = [sum, i];
    }
    sum = 0;
    for (let i = now + 1; i < n; i++) {
      sum -= matrix[vertex * n + at[i]!]!;
      if (sum < least) [least, best] = [sum, i];
    }
    if (best === now) continue;
    at.splice(now, 1);
    at.splice(best, 0, vertex);
    moved = true;
  }
  return moved;
}
