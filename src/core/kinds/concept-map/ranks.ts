import { connectedParts } from '../../arrange/graph';

/** A link between ideas by their indices. */
export interface Lead {
  readonly from: number;
  readonly to: number;
}

export interface Ranks {
  /** Of each idea, from 0; the focus of each island has 0. */
  readonly rank: Int32Array;
  /** The idea that each island begins with, the one with the focus first. */
  readonly starts: readonly number[];
}

/**
 * Ranks away from the focus. `around`: how many links an idea is away from it, whichever way they lead. `below`: every idea stands below all that lead to it, so that as many links as can be are read downwards; links that close a ring, and
 * those that lead to the focus, are read upwards. An idea that nothing leads to stands right above the first it leads to. Ideas that are linked to nothing
 * have the last rank. Indices tell which comes first where two are alike. O(ideas + links).
 */
export function ranksOf(
  count: number,
  links: readonly Lead[],
  focus: number | null,
  manner: 'below' | 'around',
): Ranks {
  const after: number[][] = Array.from({ length: count }, () => []);
  const before: number[][] = Array.from({ length: count }, () => []);
  for (const { from, to } of links) {
    after[from]!.push(to);
    before[to]!.push(from);
  }
  const byIndex = (a: number, b: number) => a - b;
  for (const ends of [...after, ...before]) ends.sort(byIndex);
  // The largest first, then by their first ideas.
  const islands = connectedParts(count, [after, before]).sort((a, b) => b.length - a.length || a[0]! - b[0]!);
  const linked = islands.filter(({ length }) => length > 1);
  const starts = linked.map((island) =>
    focus !== null && island.includes(focus) ? focus : leadingOf(island, after, before),
  );
  const rank = new Int32Array(count);
  linked.forEach((island, i) => {
    if (manner === 'below') rankIsland(rank, island, starts[i]!, after);
    else rankAround(rank, starts[i]!, after, before);
  });
  const last = linked.flat().reduce((most, v) => Math.max(most, rank[v]! + 1), 0);
  const alone = islands.filter(({ length }) => length === 1).map(([v]) => v!);
  for (const v of alone) rank[v] = v === focus ? 0 : last;
  const withFocus = starts.findIndex((start) => start === focus);
  const sorted = withFocus > 0 ? [starts[withFocus]!, ...starts.filter((_, i) => i !== withFocus)] : starts;
  return { rank, starts: [...sorted, ...alone] };
}

/** Of larger islands only so many ideas are tried. */
const mostTried = 40;

/** The idea from which most others are reached; of those the one with most links from it and least to it. */
function leadingOf(
  island: readonly number[],
  after: readonly (readonly number[])[],
  before: readonly (readonly number[])[],
): number {
  const lead = (v: number) => after[v]!.length - before[v]!.length;
  const tried = [...island].sort((a, b) => lead(b) - lead(a) || a - b).slice(0, mostTried);
  let best = tried[0]!;
  let most = -1;
  for (const start of tried) {
    const seen = new Set([start]);
    const reached = [start];
    for (let i = 0; i < reached.length; i++)
      for (const next of after[reached[i]!]!)
        if (!seen.has(next)) {
          seen.add(next);
          reached.push(next);
        }
    if (reached.length > most) [best, most] = [start, reached.length];
    if (most === island.length) break;
  }
  return best;
}

function rankAround(
  rank: Int32Array,
  start: number,
  after: readonly (readonly number[])[],
  before: readonly (readonly number[])[],
): void {
  const seen = new Set([start]);
  const reached = [start];
  rank[start] = 0;
  for (let i = 0; i < reached.length; i++)
    for (const next of [...after[reached[i]!]!, ...before[reached[i]!]!])
      if (!seen.has(next)) {
        seen.add(next);
        rank[next] = rank[reached[i]!]! + 1;
        reached.push(next);
      }
}

function rankIsland(
  rank: Int32Array,
  island: readonly number[],
  start: number,
  after: readonly (readonly number[])[],
): void {
  const forward = withoutRings(island, start, after);
  const waiting = new Map<number, number>();
  for (const ends of forward.values()) for (const to of ends) waiting.set(to, (waiting.get(to) ?? 0) + 1);
  const sources = [...island].sort((a, b) => a - b);
  const ready = sources.filter((v) => !waiting.has(v));
  for (const v of island) rank[v] = v === start ? 0 : 1;
  const order: number[] = [];
  for (let i = 0; i < ready.length; i++) {
    const v = ready[i]!;
    order.push(v);
    for (const to of forward.get(v) ?? []) {
      rank[to] = Math.max(rank[to]!, rank[v]! + 1);
      const left = waiting.get(to)! - 1;
      waiting.set(to, left);
      if (left === 0) ready.push(to);
    }
  }
  // What only leads to others stands right above the first of them.
  const led = new Set([...forward.values()].flat());
  for (let i = order.length - 1; i >= 0; i--) {
    const v = order[i]!;
    const ends = forward.get(v);
    if (v === start || led.has(v) || !ends) continue;
    rank[v] = Math.max(
      1,
      ends.reduce((least, to) => Math.min(least, rank[to]! - 1), Infinity),
    );
  }
}

/** Rings within rings are opened so deep; further ones as they come. */
const mostOpened = 60;

/**
 * The links without those that close rings: of every ring, the ones that lead back to where it is entered from the focus. What hangs together in rings is found
 * by the method of R. E. Tarjan (1972), opened at its idea nearest to the focus, and looked at again. O(rings within rings × links).
 */
function withoutRings(
  island: readonly number[],
  start: number,
  after: readonly (readonly number[])[],
): Map<number, number[]> {
  const away = stepsFrom(island, start, after);
  const forward = new Map<number, number[]>();
  for (const v of island) {
    const ends = after[v]!.filter((to) => to !== start);
    if (ends.length > 0) forward.set(v, ends);
  }
  const open: (readonly number[])[] = [island];
  for (let turn = 0; open.length > 0; turn++) {
    for (const ring of ringsIn(open.pop()!, forward)) {
      const within = new Set(ring);
      const nearest = ring.reduce((best, v) =>
        away.get(v)! < away.get(best)! || (away.get(v) === away.get(best) && v < best) ? v : best,
      );
      // Where too many rings lie within each other, all links that do not lead away are taken for closing ones.
      const closes = (from: number, to: number) =>
        to === nearest ||
        (turn > mostOpened * 4 && (away.get(to)! < away.get(from)! || (away.get(to) === away.get(from) && to < from)));
      for (const v of ring) {
        const ends = forward.get(v)?.filter((to) => !within.has(to) || !closes(v, to)) ?? [];
        if (ends.length > 0) forward.set(v, ends);
        else forward.delete(v);
      }
      open.push(ring);
    }
  }
  return forward;
}

/** How many links each idea is away from the focus; those that cannot be reached are further than all others, in the order of their indices. */
function stepsFrom(
  island: readonly number[],
  start: number,
  after: readonly (readonly number[])[],
): Map<number, number> {
  const away = new Map([[start, 0]]);
  const reached = [start];
  const sources = [...island].sort((a, b) => a - b);
  let at = 0;
  for (let i = 0; ; i++) {
    if (i === reached.length) {
      while (at < sources.length && away.has(sources[at]!)) at++;
      const next = sources[at];
      if (next === undefined) return away;
      away.set(next, away.get(reached.at(-1)!)! + 1);
      reached.push(next);
    }
    const v = reached[i]!;
    for (const to of after[v]!)
      if (!away.has(to)) {
        away.set(to, away.get(v)! + 1);
        reached.push(to);
      }
  }
}

/** Sets of ideas that all lead to each other, of two or more. No recursion. */
function ringsIn(ideas: readonly number[], forward: ReadonlyMap<number, readonly number[]>): number[][] {
  const within = new Set(ideas);
  const index = new Map<number, number>();
  const low = new Map<number, number>();
  const onStack = new Set<number>();
  const stack: number[] = [];
  const rings: number[][] = [];
  for (const first of ideas) {
    if (index.has(first)) continue;
    const path: { v: number; i: number }[] = [];
    const enter = (v: number): void => {
      index.set(v, index.size);
      low.set(v, index.get(v)!);
      stack.push(v);
      onStack.add(v);
      path.push({ v, i: 0 });
    };
    enter(first);
    while (path.length > 0) {
      const top = path.at(-1)!;
      const next = forward.get(top.v)?.[top.i++];
      if (next !== undefined) {
        if (!within.has(next)) continue;
        if (!index.has(next)) enter(next);
        else if (onStack.has(next)) low.set(top.v, Math.min(low.get(top.v)!, index.get(next)!));
        continue;
      }
      path.pop();
      const parent = path.at(-1);
      if (parent) low.set(parent.v, Math.min(low.get(parent.v)!, low.get(top.v)!));
      if (low.get(top.v) !== index.get(top.v)) continue;
      const ring: number[] = [];
      for (let v = stack.pop()!; ; v = stack.pop()!) {
        onStack.delete(v);
        ring.push(v);
        if (v === top.v) break;
      }
      if (ring.length > 1) rings.push(ring);
    }
  }
  return rings;
}
