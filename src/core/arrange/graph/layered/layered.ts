import type { Polyline } from '../polyline';
import { placesAcross, type LayerGaps } from './coordinates';
import { crossingsOf, type Orders } from './crossings';
import { layersOf, layersWithSizes, type Layers, type RowGraph } from './layers';
import { orderedLayers } from './order';
import { StraightLines } from './straight';

export interface LayeredGaps extends LayerGaps {
  /** Between a row and the words before and after it, at least. CSS px. */
  readonly rows: number;
  /** From one row to the next at least, by the later row; 0 for no wish. Left out for none. */
  readonly before?: ArrayLike<number>;
}

/** Words that one link or several share, and their lines. */
export interface DrawnBundle {
  readonly links: readonly number[];
  /** Middle of the words. */
  readonly across: number;
  readonly along: number;
  /** From the idea to the words; and for each link from the words to the idea it leads to. Across and along by turns. */
  readonly stem: Polyline;
  readonly arms: readonly Polyline[];
}

/** Places across and along the rows, CSS px, from 0 on. */
export interface LayeredDrawing {
  /** Middles of the ideas. */
  readonly across: Float64Array;
  readonly along: Float64Array;
  readonly bundles: readonly DrawnBundle[];
  readonly rows: readonly { readonly start: number; readonly end: number }[];
  readonly size: { readonly across: number; readonly along: number };
  readonly crossings: number;
}

/** The layers of a graph in the order that crosses least, which does not depend on gaps. */
export interface Ordered {
  readonly layers: Layers;
  readonly orders: Orders;
  readonly crossings: number;
}

export function orderedRows(graph: RowGraph, effort: 'full' | 'light' = 'full'): Ordered {
  const layers = layersOf(graph);
  const orders = orderedLayers(layers, effort);
  return { layers, orders, crossings: crossingsOf(layers, orders) };
}

/** The same order for the same rows and links in other sizes. */
export const withSizes = ({ layers, ...order }: Ordered, graph: RowGraph): Ordered => ({
  ...order,
  layers: layersWithSizes(layers, graph),
});

/** A gap that lines cross at a slant is at least this share of how far they go across, within limits. */
const slant = 0.07;
const mostSlant = 3.2;

/**
 * Ideas in rows with the words of their links between the rows as parts of the drawing: no box or words overlap any other, and no line runs through either,
 * as lines pass rows and words only where they have a place of their own among them.
 */
export function layeredDrawing({ layers, orders, crossings }: Ordered, gaps: LayeredGaps): LayeredDrawing {
  const x = placesAcross(layers, orders, gaps);
  const { ideas, across, along, after, layer, bundles } = layers;
  const words = ideas + bundles.length;
  let [left, right] = [Infinity, -Infinity];
  for (let v = 0; v < layers.count; v++) {
    left = Math.min(left, x[v]! - across[v]! / 2);
    right = Math.max(right, x[v]! + across[v]! / 2);
  }
  for (let v = 0; v < layers.count; v++) x[v]! -= left;
  const docks = docksOf(layers, x);
  const deep = orders.map((order) => order.reduce((most, v) => Math.max(most, along[v]!), 0));
  const hasWords = orders.map((order) => order.some((v) => v >= ideas && v < words && along[v]! > 0));
  const start: number[] = [];
  const end: number[] = [];
  let at = 0;
  orders.forEach((order, l) => {
    if (l > 0) {
      let widest = 0;
      for (const v of orders[l - 1]!) for (const w of after[v]!) widest = Math.max(widest, Math.abs(x[v]! - x[w]!));
      const bare = (l % 2 === 1 && !hasWords[l]) || (l % 2 === 0 && !hasWords[l - 1]);
      const least = bare ? gaps.rows * 0.7 : gaps.rows;
      at +=
        orders[l - 1]!.length + order.length === 0 ? 0 : Math.max(least, Math.min(least * mostSlant, widest * slant));
    }
    const wish = l % 2 === 0 ? (gaps.before?.[l / 2] ?? 0) : 0;
    if (wish > 0 && l > 1) at = Math.max(at, end[l - 2]! + wish);
    start.push(at);
    end.push((at += deep[l]!));
  });
  const middle = (v: number): number => (start[layer[v]!]! + end[layer[v]!]!) / 2;

  const lines = new StraightLines(layers, orders, { x: x.slice(), start, end, dock: docks.get });
  return {
    across: x.slice(0, ideas),
    along: Float64Array.from({ length: ideas }, (_, v) => middle(v)),
    bundles: bundles.map(({ links, ways, stem }) => ({
      links,
      across: x[stem[1]!]!,
      along: middle(stem[1]!),
      stem: lines.through(stem),
      arms: ways.map((way) => lines.through(way)),
    })),
    rows: orders.flatMap((_, l) => (l % 2 === 0 ? [{ start: start[l]!, end: end[l]! }] : [])),
    size: { across: Math.max(0, right - left), along: at },
    crossings,
  };
}

/** Where lines meet the edges of ideas: beside each other in the order of their other ends, over the middle of the edge. Elsewhere at the middle. */
function docksOf(
  { ideas, across, before, after }: Layers,
  x: Float64Array,
): { get(at: number, towards: number): number } {
  const docks = new Map<string, number>();
  for (let v = 0; v < ideas; v++)
    for (const ends of [before[v]!, after[v]!]) {
      if (ends.length < 2) continue;
      const sorted = [...ends].sort((a, b) => x[a]! - x[b]! || a - b);
      const step = Math.min(16, (across[v]! * 0.7) / (sorted.length - 1));
      sorted.forEach((end, i) => docks.set(`${v} ${end}`, x[v]! + (i - (sorted.length - 1) / 2) * step));
    }
  return { get: (at, towards) => docks.get(`${at} ${towards}`) ?? x[at]! };
}
