/**
 * Concept maps in ranks beside general-purpose layered layouts on the same graphs, rows of ideas with words on their links: crossings, words that something
 * else lies over, area, length of lines and time, all together over forty graphs; and the time of edits. Prints; asserts nothing.
 */
import { spawnSync } from 'node:child_process';
import dagre from '@dagrejs/dagre';
import ELK, { type ElkExtendedEdge, type ElkNode } from 'elkjs';
import {
  crossingsAmong,
  layeredDrawing,
  lengthOf,
  lineRunsThrough,
  orderedRows,
  overlap,
  type Extent,
  type Polyline,
} from '../src/core/arrange/graph';
import { applyGesture, draw, type Diagram } from '../src/core/diagram';
import { ranksOf } from '../src/core/kinds/concept-map';
import { mapOf } from '../src/core/testing/arbitrary-map';
import { median } from './median';
import { random } from './random';

interface Graph {
  readonly width: readonly number[];
  readonly links: readonly { readonly from: number; readonly to: number; readonly width: number }[];
}
interface Drawn {
  readonly lines: readonly (readonly Polyline[])[];
  readonly words: readonly Extent[];
  readonly boxes: readonly Extent[];
  readonly width: number;
  readonly height: number;
}

const high = { idea: 34, words: 14 } as const;
const gaps = { idea: 16, rows: 20, lines: 8 } as const;

/** A tree of so many ideas with a share of cross-links in any direction. */
function graphOf(seed: number, n: number, share: number): Graph {
  const next = random(seed * 7919 + 13);
  const width = Array.from({ length: n }, () => 60 + Math.floor(next() * 60));
  const links: { from: number; to: number; width: number }[] = [];
  const seen = new Set<string>();
  const link = (from: number, to: number): void => {
    if (from === to || seen.has(`${from} ${to}`) || seen.has(`${to} ${from}`)) return;
    seen.add(`${from} ${to}`);
    links.push({ from, to, width: 20 + Math.floor(next() * 60) });
  };
  for (let i = 1; i < n; i++) link(Math.floor(next() * i * 0.9), i);
  for (let k = 0; k < Math.round(share * (n - 1)); k++) link(Math.floor(next() * n), Math.floor(next() * n));
  return { width, links };
}

function ours({ width, links }: Graph): Drawn {
  const { rank } = ranksOf(width.length, links, 0, 'below');
  const drawing = layeredDrawing(
    orderedRows({
      row: rank,
      across: width,
      along: width.map(() => high.idea),
      links: links.map((one, k) => ({ ...one, words: `${k}`, across: one.width, along: high.words })),
    }),
    { ideas: gaps.idea, words: 10, lines: gaps.lines, rows: 16 },
  );
  const lines: Polyline[][] = [];
  const words: Extent[] = [];
  for (const bundle of drawing.bundles) {
    const k = bundle.links[0]!;
    lines[k] = [bundle.stem, bundle.arms[0]!];
    words[k] = centred(bundle.across, bundle.along, links[k]!.width, high.words);
  }
  const boxes = width.map((w, i) => centred(drawing.across[i]!, drawing.along[i]!, w, high.idea));
  return { lines, words, boxes, width: drawing.size.across, height: drawing.size.along };
}

const centred = (x: number, y: number, width: number, height: number): Extent => ({
  x: x - width / 2,
  y: y - height / 2,
  width,
  height,
});

async function byElk({ width, links }: Graph): Promise<Drawn> {
  const graph: ElkNode = {
    id: 'root',
    layoutOptions: {
      'elk.algorithm': 'layered',
      'elk.direction': 'DOWN',
      'elk.edgeRouting': 'POLYLINE',
      'elk.spacing.nodeNode': `${gaps.idea}`,
      'elk.layered.spacing.nodeNodeBetweenLayers': `${gaps.rows}`,
    },
    children: width.map((w, i) => ({ id: `n${i}`, width: w, height: high.idea })),
    edges: links.map(({ from, to, width: w }, k): ElkExtendedEdge => ({
      id: `e${k}`,
      sources: [`n${from}`],
      targets: [`n${to}`],
      labels: [{ id: `l${k}`, text: 'x', width: w, height: high.words }],
    })),
  };
  const drawn = await new ELK().layout(graph);
  return {
    lines: drawn.edges!.map(({ sections }) =>
      (sections ?? []).map(({ startPoint, bendPoints = [], endPoint }) =>
        [startPoint, ...bendPoints, endPoint].flatMap(({ x, y }) => [x, y]),
      ),
    ),
    words: drawn.edges!.map(({ labels }) => {
      const { x, y, width: w, height } = labels![0]!;
      return { x: x!, y: y!, width: w!, height: height! };
    }),
    boxes: drawn.children!.map(({ x, y, width: w, height }) => ({ x: x!, y: y!, width: w!, height: height! })),
    width: drawn.width!,
    height: drawn.height!,
  };
}

function byDagre({ width, links }: Graph): Drawn {
  const graph = new dagre.graphlib.Graph({ multigraph: true });
  graph.setGraph({ nodesep: gaps.idea, ranksep: gaps.rows, edgesep: gaps.lines });
  graph.setDefaultEdgeLabel(() => ({}));
  width.forEach((w, i) => graph.setNode(`n${i}`, { width: w, height: high.idea }));
  links.forEach(({ from, to, width: w }, k) =>
    graph.setEdge(`n${from}`, `n${to}`, { width: w, height: high.words, labelpos: 'c' }, `e${k}`),
  );
  dagre.layout(graph);
  const edges = links.map(({ from, to }, k) => graph.edge(`n${from}`, `n${to}`, `e${k}`));
  const size = graph.graph() as { width: number; height: number };
  return {
    lines: edges.map(({ points }) => [points.flatMap(({ x, y }: { x: number; y: number }) => [x, y])]),
    words: edges.map(({ x, y, width: w, height }) => centred(x as number, y as number, w as number, height as number)),
    boxes: width.map((w, i) => {
      const { x, y } = graph.node(`n${i}`) as { x: number; y: number };
      return centred(x, y, w, high.idea);
    }),
    ...size,
  };
}

/** Debian's general graph-layout program; null where it is not installed. Lengths in points, read as px. */
function byDot({ width, links }: Graph): Drawn | null {
  const lines = [
    'digraph { nodesep=0.22; ranksep=0.28; node [shape=box, fixedsize=true, label=""];',
    ...width.map((w, i) => `n${i} [width=${w / 72}, height=${high.idea / 72}];`),
    ...links.map(
      ({ from, to, width: w }) =>
        `n${from} -> n${to} [label=<<TABLE BORDER="0" FIXEDSIZE="TRUE" WIDTH="${w}" HEIGHT="${high.words}"><TR><TD></TD></TR></TABLE>>];`,
    ),
    '}',
  ];
  const ran = spawnSync('dot', ['-Tjson'], { input: lines.join('\n'), maxBuffer: 1e9 });
  if (ran.error || ran.status !== 0) return null;
  const told = JSON.parse(ran.stdout.toString()) as {
    bb: string;
    objects: { pos: string }[];
    edges: { lp: string; _draw_: { op: string; points?: [number, number][] }[] }[];
  };
  const [, , wide, tall] = told.bb.split(',').map(Number) as [number, number, number, number];
  const at = (pos: string) => pos.split(',').map(Number) as [number, number];
  return {
    lines: told.edges.map(({ _draw_: strokes }) =>
      strokes.flatMap(({ op, points }) => (op.toLowerCase() === 'b' ? [flat(points!)] : [])),
    ),
    words: told.edges.map(({ lp }, k) => centred(...at(lp), links[k]!.width, high.words)),
    boxes: told.objects.map(({ pos }, i) => centred(...at(pos), width[i]!, high.idea)),
    width: wide,
    height: tall,
  };
}

type Eight = [number, number, number, number, number, number, number, number];

/** Cubic curves as polylines of twelve pieces each. */
function flat(points: readonly [number, number][]): number[] {
  const line = [...points[0]!];
  for (let i = 1; i + 2 < points.length; i += 3) {
    const [ax, ay, bx, by, cx, cy, dx, dy] = points.slice(i - 1, i + 3).flat() as Eight;
    for (let step = 1; step <= 12; step++) {
      const t = step / 12;
      const u = 1 - t;
      line.push(
        u ** 3 * ax + 3 * u * u * t * bx + 3 * u * t * t * cx + t ** 3 * dx,
        u ** 3 * ay + 3 * u * u * t * by + 3 * u * t * t * cy + t ** 3 * dy,
      );
    }
  }
  return line;
}

interface Sum {
  crossings: number;
  over: number;
  area: number;
  length: number;
  ms: number;
}

function add(sum: Sum, { lines, words, boxes, width, height }: Drawn, ms: number): void {
  sum.crossings += crossingsAmong(lines.flat());
  words.forEach((place, k) => {
    const small = { x: place.x + 1, y: place.y + 1, width: place.width - 2, height: place.height - 2 };
    if (boxes.some((box) => overlap(box, small))) sum.over++;
    if (words.some((other, j) => j < k && overlap(other, small))) sum.over++;
    if (lines.some((line, j) => j !== k && line.some((one) => lineRunsThrough(one, small)))) sum.over++;
  });
  sum.area += width * height;
  sum.length += lines.flat().reduce((all, line) => all + lengthOf(line), 0);
  sum.ms += ms;
}

export async function benchMaps(): Promise<void> {
  const sums = new Map<string, Sum>();
  const run = async (name: string, work: () => Drawn | null | Promise<Drawn>): Promise<void> => {
    const began = performance.now();
    const drawn = await work();
    if (!drawn) return;
    const sum = sums.get(name) ?? { crossings: 0, over: 0, area: 0, length: 0, ms: 0 };
    sums.set(name, sum);
    add(sum, drawn, performance.now() - began);
  };
  let seed = 0;
  for (const n of [5, 8, 12, 18, 25, 40, 60, 80])
    for (const share of [0.1, 0.2, 0.3, 0.4, 0.25]) {
      const graph = graphOf(++seed, n, share);
      await run('ours', () => ours(graph));
      await run('elkjs', () => byElk(graph));
      await run('dagre', () => byDagre(graph));
      await run('dot', () => byDot(graph));
    }
  console.log('\nConcept maps in ranks, forty graphs of 5 to 80 ideas, together:');
  const own = sums.get('ours')!;
  for (const [name, { crossings, over, area, length, ms }] of sums)
    console.log(
      `  ${name.padEnd(6)} ${String(crossings).padStart(4)} crossings, ${String(over).padStart(4)} words that something lies over, ` +
        `area ${(area / own.area).toFixed(2)}, lines ${(length / own.length).toFixed(2)} of ours, ${ms.toFixed(0)} ms`,
    );
  if (!sums.has('dot')) console.log('  dot    is not installed here');
  edits();
}

/** An edit in a map, until its Scene is there: a name typed, and a link added, which finds the order of the rows anew. */
function edits(): void {
  for (const [n, across] of [
    [25, 8],
    [46, 16],
    [300, 150],
  ] as const) {
    const next = random(n);
    const draws = (count: number) => Array.from({ length: count }, () => Math.floor(next() * 1e6));
    let map: Diagram = mapOf(draws(n), draws(across));
    draw(map);
    const timed = (gesture: (k: number) => Parameters<typeof applyGesture>[1]): number => {
      const times = Array.from({ length: 9 }, (_, k) => {
        const outcome = applyGesture(map, gesture(k));
        if (outcome.ok) map = outcome.diagram;
        const began = performance.now();
        draw(map);
        return performance.now() - began;
      });
      return median(times);
    };
    const typed = timed((k) => [{ kind: 'rename', id: 'e3', name: `silt ${'abcdefghi'.slice(0, k + 1)}` }]);
    const linked = timed((k) => [
      {
        kind: 'addLink',
        link: { id: `n${k}`, from: `e${k + 1}`, to: `e${n - 1 - k}`, kind: 'proposition', phrase: 'holds' },
      },
    ]);
    const { length } = Object.keys(map.links);
    console.log(
      `  ${n} ideas, ${length} links: ${typed.toFixed(0)} ms after a name was typed, ${linked.toFixed(0)} ms after a link was added`,
    );
  }
}
