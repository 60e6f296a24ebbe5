import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { crossingsAmong, lineRunsThrough, overlap, type Extent } from '..';
import { crossingsOf } from './crossings';
import { layersOf, type RowGraph, type WordedLink } from './layers';
import { layeredDrawing, orderedRows, withSizes, type LayeredDrawing } from './layered';
import { orderedLayers } from './order';

const gaps = { ideas: 16, words: 10, lines: 8, rows: 16 };

/** Ideas in rows with links in any direction but within a row; links of one idea may share words. */
const graphs: fc.Arbitrary<RowGraph> = fc.array(fc.nat({ max: 5 }), { minLength: 2, maxLength: 24 }).chain((wanted) => {
  const used = [...new Set(wanted)].sort((a, b) => a - b);
  const row = wanted.map((one) => used.indexOf(one));
  const n = row.length;
  const link = fc.record({ from: fc.nat({ max: n - 1 }), to: fc.nat({ max: n - 1 }), words: fc.nat({ max: 3 }) });
  // What is said twice by the same words would lie on itself.
  return fc
    .uniqueArray(link, { maxLength: 34, selector: ({ from, to, words }) => `${from} ${to} ${words}` })
    .map((drawn): RowGraph => ({
      row,
      across: row.map((_, i) => 50 + ((i * 37) % 60)),
      along: row.map((_, i) => 24 + ((i * 13) % 20)),
      links: drawn
        .filter(({ from, to }) => row[from] !== row[to])
        .map(({ from, to, words }): WordedLink => ({
          from,
          to,
          words: words === 0 ? '' : `w${words}`,
          across: words === 0 ? 0 : 20 + words * 15,
          along: words === 0 ? 0 : 14,
        })),
    }));
});

const drawingOf = (graph: RowGraph): LayeredDrawing => layeredDrawing(orderedRows(graph), gaps);
const centred = (x: number, y: number, width: number, height: number): Extent => ({
  x: x - width / 2,
  y: y - height / 2,
  width,
  height,
});
const boxesOf = ({ across, along }: RowGraph, drawing: LayeredDrawing): Extent[] =>
  Array.from(drawing.across, (x, i) => centred(x, drawing.along[i]!, across[i]!, along[i]!));

describe('layers', () => {
  it('lead from one to the next: every vertex has neighbours only in the layers beside its own', () => {
    fc.assert(
      fc.property(graphs, (graph) => {
        const { layer, before, after, bundles } = layersOf(graph);
        layer.forEach((at, v) => {
          for (const end of before[v]!) expect(layer[end]).toBe(at - 1);
          for (const end of after[v]!) expect(layer[end]).toBe(at + 1);
        });
        // Every link has its words once, and a way from them to its idea.
        const drawn = bundles.flatMap(({ links }) => links).sort((a, b) => a - b);
        expect(drawn).toEqual(graph.links.map((_, k) => k));
        for (const { links, ways, from, stem } of bundles) {
          expect(stem[0]).toBe(from);
          links.forEach((k, i) => expect(ways[i]!.at(-1)).toBe(graph.links[k]!.to));
        }
      }),
      { numRuns: 200 },
    );
  });
  it('share words only among links of one idea with the same words that lead the same way', () => {
    fc.assert(
      fc.property(graphs, (graph) => {
        for (const { links } of layersOf(graph).bundles) {
          const told = links.map((k) => graph.links[k]!);
          expect(new Set(told.map(({ from }) => from)).size).toBe(1);
          if (links.length > 1) expect(told[0]!.words).not.toBe('');
          expect(new Set(told.map(({ words }) => words)).size).toBe(1);
          expect(new Set(told.map(({ from, to }) => graph.row[to]! > graph.row[from]!)).size).toBe(1);
        }
      }),
      { numRuns: 200 },
    );
  });
});

describe('crossings of layers', () => {
  /** Counted pair by pair, from the definition. */
  const pairwise = (after: readonly (readonly number[])[], orders: readonly (readonly number[])[]): number => {
    let crossings = 0;
    for (let l = 0; l + 1 < orders.length; l++) {
      const place = new Map(orders[l + 1]!.map((v, i) => [v, i]));
      orders[l]!.forEach((a, i) => {
        for (const b of orders[l]!.slice(i + 1))
          for (const p of after[a]!) for (const q of after[b]!) if (place.get(p)! > place.get(q)!) crossings++;
      });
    }
    return crossings;
  };
  it('are counted as pair by pair', () => {
    fc.assert(
      fc.property(graphs, fc.nat(), (graph, seed) => {
        const { layer, after, count, total } = layersOf(graph);
        const orders: number[][] = Array.from({ length: total }, () => []);
        for (let v = 0; v < count; v++) orders[layer[v]!]!.push(v);
        for (const order of orders) order.sort((a, b) => ((a * 7919 + seed) % 101) - ((b * 7919 + seed) % 101));
        expect(crossingsOf({ after, count }, orders)).toBe(pairwise(after, orders));
      }),
      { numRuns: 200 },
    );
  });
  it('are fewer or as many in the order that is found than in that of the vertices, and the order holds every vertex once', () => {
    fc.assert(
      fc.property(graphs, (graph) => {
        const layers = layersOf(graph);
        const plain: number[][] = Array.from({ length: layers.total }, () => []);
        for (let v = 0; v < layers.count; v++) plain[layers.layer[v]!]!.push(v);
        const orders = orderedLayers(layers);
        orders.forEach((order, l) => expect([...order].sort((a, b) => a - b)).toEqual(plain[l]));
        expect(crossingsOf(layers, orders)).toBeLessThanOrEqual(crossingsOf(layers, plain));
      }),
      { numRuns: 150 },
    );
  });
  it('a tree is drawn without any, however its ideas are numbered', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(), { minLength: 2, maxLength: 40 }), (draws) => {
        const row: number[] = [0];
        const links: WordedLink[] = [];
        draws.forEach((draw, k) => {
          const from = draw % (k + 1);
          row.push(row[from]! + 1);
          links.push({ from, to: k + 1, words: `${k}`, across: 20, along: 14 });
        });
        const size = row.map(() => 40);
        expect(orderedRows({ row, across: size, along: size, links }).crossings).toBe(0);
      }),
      { numRuns: 100 },
    );
  });
  it('two ideas that each lead to the same three cannot do with fewer than three, and do with three', () => {
    // K(2,3) in two layers: the least number of crossings is 1 · 3 (G. Ringel 1964 for complete bipartite graphs).
    const links = [0, 1].flatMap((from) =>
      [2, 3, 4].map((to): WordedLink => ({ from, to, words: '', across: 0, along: 0 })),
    );
    const size = [40, 40, 40, 40, 40];
    expect(orderedRows({ row: [0, 0, 1, 1, 1], across: size, along: size, links }).crossings).toBe(3);
  });
});

describe('a drawing in layers', () => {
  it('has no box or words over another, and no line through either', () => {
    fc.assert(
      fc.property(graphs, fc.constantFrom(16, 9, 6), (graph, rows) => {
        const drawing = layeredDrawing(orderedRows(graph), { ...gaps, rows });
        const words = drawing.bundles.flatMap(({ links, across, along }) => {
          const one = graph.links[links[0]!]!;
          return one.words === '' ? [] : [centred(across, along, one.across, one.along)];
        });
        const rects = [...boxesOf(graph, drawing), ...words].map(({ x, y, width, height }) => ({
          x: x + 0.5,
          y: y + 0.5,
          width: width - 1,
          height: height - 1,
        }));
        rects.forEach((a, i) => {
          for (const b of rects.slice(i + 1)) expect(overlap(a, b)).toBe(false);
          for (const { stem, arms } of drawing.bundles)
            for (const line of [stem, ...arms]) expect(lineRunsThrough(line, a)).toBe(false);
        });
      }),
      { numRuns: 200 },
    );
  });
  it('crosses no more often than its order says', () => {
    fc.assert(
      fc.property(graphs, (graph) => {
        const drawing = drawingOf(graph);
        const lines = drawing.bundles.flatMap(({ stem, arms }) => [stem, ...arms]);
        expect(crossingsAmong(lines)).toBeLessThanOrEqual(drawing.crossings);
      }),
      { numRuns: 150 },
    );
  });
  it('keeps the order of its rows in other sizes, and the room wished for before a row', () => {
    fc.assert(
      fc.property(graphs, (graph) => {
        const ordered = orderedRows(graph);
        const wide: RowGraph = { ...graph, across: Array.from(graph.across, (one) => one * 1.7) };
        const after = layeredDrawing(withSizes(ordered, wide), gaps);
        const before = layeredDrawing(ordered, gaps);
        Array.from(graph.row).forEach((row, a) => {
          Array.from(graph.row).forEach((other, b) => {
            if (row === other && before.across[a]! < before.across[b]!)
              expect(after.across[a]!).toBeLessThan(after.across[b]!);
          });
        });
        const rows = before.rows.length;
        const wished = layeredDrawing(ordered, { ...gaps, before: Array.from({ length: rows }, () => 120) });
        for (let r = 1; r < rows; r++)
          expect(wished.rows[r]!.start - wished.rows[r - 1]!.end).toBeGreaterThanOrEqual(120 - 1e-9);
      }),
      { numRuns: 100 },
    );
  });
  it('stands a single parent over the middle of its children', () => {
    const links = [1, 2, 3].map((to): WordedLink => ({ from: 0, to, words: 'has', across: 30, along: 14 }));
    const size = [60, 60, 60, 60];
    const { across } = drawingOf({ row: [0, 1, 1, 1], across: size, along: size, links });
    const children = [across[1]!, across[2]!, across[3]!].sort((a, b) => a - b);
    expect(across[0]).toBeCloseTo(children[1]!, 1);
    expect(children[1]! - children[0]!).toBeCloseTo(children[2]! - children[1]!, 1);
  });
});
