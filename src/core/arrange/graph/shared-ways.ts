import { legsOf, type Leg } from './legs';
import type { Polyline } from './polyline';

type Span = readonly [from: number, to: number];

/** Where a leg lies upon legs of other lines, merged, from its beginning. */
function sharedOn(leg: Leg, others: readonly Leg[]): Span[] {
  const over = others
    .filter((other) => other.upright === leg.upright && Math.abs(other.at - leg.at) < 0.01)
    .map((other): Span => [Math.max(leg.from, other.from), Math.min(leg.to, other.to)])
    .filter(([from, to]) => to - from > 0.5);
  return merged(over);
}

function merged(over: readonly Span[]): Span[] {
  const spans: [number, number][] = [];
  for (const [from, to] of [...over].sort((a, b) => a[0] - b[0])) {
    const last = spans.at(-1);
    if (last && from <= last[1] + 0.01) last[1] = Math.max(last[1], to);
    else spans.push([from, to]);
  }
  return spans;
}

/**
 * What level and upright lines have in common: for each its own pieces, which lie upon no other, from its beginning on; and the stretches where two or
 * more lie upon each other, each once. O(legs²).
 */
export function sharedWays(lines: readonly Polyline[]): {
  readonly own: readonly (readonly Polyline[])[];
  readonly shared: readonly Polyline[];
} {
  const legs = lines.map(legsOf);
  const found = new Map<string, { readonly upright: boolean; readonly at: number; readonly spans: Span[] }>();
  const own = lines.map((line, k) => {
    const others = legs.flatMap((all, i) => (i === k ? [] : all));
    const pieces: number[][] = [];
    let open: number[] | null = null;
    legs[k]!.forEach((leg, p) => {
      const [x0, y0, x1, y1] = line.slice(2 * p, 2 * p + 4) as [number, number, number, number];
      const forward = leg.upright ? y1 >= y0 : x1 >= x0;
      const at = (along: number): [number, number] => (leg.upright ? [leg.at, along] : [along, leg.at]);
      const spans = sharedOn(leg, others);
      if (spans.length > 0) {
        const key = `${leg.upright} ${leg.at.toFixed(2)}`;
        const known = found.get(key) ?? { upright: leg.upright, at: leg.at, spans: [] };
        known.spans.push(...spans);
        found.set(key, known);
      }
      const free: Span[] = [];
      let start = leg.from;
      for (const [from, to] of spans) {
        if (from - start > 0.5) free.push([start, from]);
        start = to;
      }
      if (leg.to - start > 0.5) free.push([start, leg.to]);
      for (const [from, to] of forward ? free : [...free].reverse()) {
        const [begin, end] = forward ? [from, to] : [to, from];
        const goesOn = open !== null && open.at(-2) === at(begin)[0] && open.at(-1) === at(begin)[1];
        if (goesOn) open!.push(...at(end));
        else pieces.push((open = [...at(begin), ...at(end)]));
      }
    });
    return pieces;
  });
  const shared = [...found.values()].flatMap(({ upright, at, spans }) =>
    merged(spans).map(([from, to]) => (upright ? [at, from, at, to] : [from, at, to, at])),
  );
  return { own, shared };
}
