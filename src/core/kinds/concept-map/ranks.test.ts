import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { mapOf, maps } from '../../testing/arbitrary-map';
import { canonicalOrder } from './canonical';
import { ranksOf, type Lead } from './ranks';

const graphs = fc.integer({ min: 1, max: 16 }).chain((n) =>
  fc.record({
    n: fc.constant(n),
    links: fc
      .array(fc.record({ from: fc.nat({ max: n - 1 }), to: fc.nat({ max: n - 1 }) }), { maxLength: 26 })
      .map((links) => links.filter(({ from, to }) => from !== to)),
  }),
);

/** Shortest ways either way, by looking at every pair again and again. */
function away(n: number, links: readonly Lead[], start: number): (number | null)[] {
  const steps: (number | null)[] = Array.from({ length: n }, (_, v) => (v === start ? 0 : null));
  for (let round = 0; round < n; round++)
    for (const { from, to } of links)
      for (const [a, b] of [
        [from, to],
        [to, from],
      ] as const)
        if (steps[a] !== null && (steps[b] === null || steps[b]! > steps[a]! + 1)) steps[b] = steps[a]! + 1;
  return steps;
}

describe('ranks', () => {
  it('around the focus are the numbers of links to it, whichever way they lead', () => {
    fc.assert(
      fc.property(graphs, ({ n, links }) => {
        const { rank } = ranksOf(n, links, 0, 'around');
        const linked = links.some(({ from, to }) => from === 0 || to === 0);
        if (!linked) return;
        away(n, links, 0).forEach((steps, v) => {
          if (steps !== null) expect(rank[v]).toBe(steps);
        });
      }),
      { numRuns: 300 },
    );
  });
  it('below the focus: without rings every link leads to a later rank, and no rank is further than it must be', () => {
    fc.assert(
      fc.property(graphs, ({ n, links }) => {
        // Links from lower to higher numbers close no ring.
        const forward = links.map(({ from, to }) => ({ from: Math.min(from, to), to: Math.max(from, to) }));
        const { rank } = ranksOf(n, forward, null, 'below');
        const into = (v: number) => forward.filter(({ to }) => to === v);
        for (const { from, to } of forward) expect(rank[from]).toBeLessThan(rank[to]!);
        for (let v = 0; v < n; v++)
          if (into(v).length > 0) expect(rank[v]).toBe(Math.max(1, ...into(v).map(({ from }) => rank[from]! + 1)));
      }),
      { numRuns: 300 },
    );
  });
  it('a focus that is chosen stands alone at the top of its island, and a ring is opened where it is entered', () => {
    const ring = [
      { from: 0, to: 1 },
      { from: 1, to: 2 },
      { from: 2, to: 0 },
    ];
    expect(Array.from(ranksOf(3, ring, 1, 'below').rank)).toEqual([2, 0, 1]);
    const fed = [...ring, { from: 3, to: 2 }];
    expect(Array.from(ranksOf(4, fed, 3, 'below').rank)).toEqual([2, 3, 1, 0]);
    fc.assert(
      fc.property(graphs, fc.nat(), ({ n, links }, draw) => {
        const focus = draw % n;
        if (!links.some(({ from, to }) => from === focus || to === focus)) return;
        const { rank } = ranksOf(n, links, focus, 'below');
        const steps = away(n, links, focus);
        expect(rank[focus]).toBe(0);
        for (let v = 0; v < n; v++) if (v !== focus && steps[v] !== null) expect(rank[v]).toBeGreaterThan(0);
      }),
      { numRuns: 200 },
    );
  });
  it('what nothing leads to stands right above the first it leads to; what is linked to nothing comes last', () => {
    const links = [
      { from: 0, to: 1 },
      { from: 1, to: 2 },
      { from: 2, to: 3 },
      { from: 4, to: 3 },
    ];
    expect(Array.from(ranksOf(6, links, null, 'below').rank)).toEqual([0, 1, 2, 3, 2, 4]);
  });
  it('of a chain of twenty thousand and of many rings within each other are told without a deep stack', () => {
    const chain = Array.from({ length: 20_000 }, (_, i) => ({ from: i, to: i + 1 }));
    expect(ranksOf(20_001, chain, 0, 'below').rank[20_000]).toBe(20_000);
    const rings = Array.from({ length: 300 }, (_, i) => [
      { from: i, to: i + 1 },
      { from: i + 1, to: i },
    ]).flat();
    expect(ranksOf(301, rings, 0, 'below').rank[300]).toBe(300);
  });
});

describe('the order of ideas', () => {
  it('depends on how they are linked and named, not on ids or on the order in which they are listed', () => {
    fc.assert(
      fc.property(maps(14), fc.nat(), (map, seed) => {
        const other = (id: string) => `x${(Number(id.slice(1)) * 7919 + seed) % 100_003}`;
        const entries = Object.fromEntries(
          Object.values(map.entries)
            .reverse()
            .map((entry) => [other(entry.id), { ...entry, id: other(entry.id) }]),
        );
        const links = Object.fromEntries(
          Object.values(map.links)
            .reverse()
            .map((link) => [link.id, { ...link, from: other(link.from), to: other(link.to) }]),
        );
        expect(canonicalOrder({ ...map, entries, links })).toEqual(canonicalOrder(map).map(other));
      }),
      { numRuns: 200 },
    );
  });
  it('typing a name moves an idea among its likes alone', () => {
    const map = mapOf([0, 0, 0, 1, 1, 2]);
    const renamed = { ...map, entries: { ...map.entries, e0: { ...map.entries['e0']!, name: 'zzz' } } };
    const alone = Object.values(map.links).filter(({ from, to }) => from === 'e0' || to === 'e0').length > 1;
    if (alone) expect(canonicalOrder(renamed)).toEqual(canonicalOrder(map));
  });
});
