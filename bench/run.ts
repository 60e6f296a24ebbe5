/**
 * Measures the arrangement beside general-purpose libraries and a bare pass over the same arrays, and, with a built application and
 * Chromium (npm run bench -- browser), the Bench in the browser. Prints medians and ratios; asserts nothing.
 */
import { flextree, type FlexNode } from 'd3-flextree';
import { hierarchy, tree as d3tree } from 'd3-hierarchy';
import { tidyTree } from '../src/core/arrange/tree';
import { draw } from '../src/core/diagram';
import { diagramFromParents } from '../src/core/testing/arbitrary';
import { benchDecisions } from './decisions';
import { benchFamilies } from './families';
import { benchMaps } from './maps';
import { measureHandOut } from './hand-out';
import { measureReading } from './reading';
import { measureScale } from './scale';
import { measureSheets } from './sheets';
import { measureWidths } from './widths';
import { chain, organisation, star, type BenchTree } from './trees';

const gaps = { siblingGap: 12, branchGap: 22 };

/** Median of several runs in ms, after some to warm up; fewer of both where one run is long. Null where it throws. */
function median(work: () => unknown): number | null {
  const times: number[] = [];
  try {
    const began = performance.now();
    for (let i = 0; i < 40 && performance.now() - began < 400; i++) work();
    const start = performance.now();
    while (times.length < 3 || (performance.now() - start < 1200 && times.length < 400)) {
      const at = performance.now();
      work();
      times.push(performance.now() - at);
    }
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
  return times.sort((a, b) => a - b)[Math.floor(times.length / 2)]!;
}

interface Node {
  i: number;
  children?: Node[];
}
function objects(tree: BenchTree): Node {
  const nodes: Node[] = Array.from({ length: tree.parent.length }, (_, i) => ({ i }));
  tree.parent.forEach((parent, i) => parent >= 0 && (nodes[parent]!.children ??= []).push(nodes[i]!));
  return nodes[0]!;
}

/** Chains longer than this take d3-hierarchy's height pass minutes. */
const longestChainForD3 = 20_000;

function measure(tree: BenchTree): string[] {
  const n = tree.parent.length;
  const x = new Float64Array(n);
  const y = new Float64Array(n);
  // The least any arrangement has to do: read each entry's parent, write one x and one y.
  const bare = median(() => {
    x[0] = y[0] = 0;
    for (let i = 1; i < n; i++) {
      x[i] = x[tree.parent[i]!]! + tree.breadth[i]!;
      y[i] = y[tree.parent[i]!]! + 60;
    }
  })!;
  const ours = median(() => tidyTree({ roots: 1, ...tree, ...gaps }))!;
  const data = objects(tree);
  const flex = median(() => {
    const layout = flextree<Node>({
      nodeSize: (node) => [tree.breadth[node.data.i]!, 60],
      spacing: (a: FlexNode<Node>, b: FlexNode<Node>) => (a.parent === b.parent ? gaps.siblingGap : gaps.branchGap),
    });
    layout(layout.hierarchy(data));
  });
  const isLongChain = tree.name.startsWith('chain') && n > longestChainForD3;
  const root = isLongChain ? null : hierarchy(data);
  const d3 = root ? median(() => d3tree<Node>().nodeSize([100, 60])(root)) : null;
  const show = (ms: number | null) => (ms === null ? '–' : ms < 10 ? ms.toFixed(3) : ms.toFixed(1));
  const ratio = (a: number | null, b: number) => (a === null ? '–' : `${(a / b).toFixed(1)} ×`);
  return [
    tree.name,
    show(bare),
    show(ours),
    ratio(ours, bare),
    show(d3),
    ratio(d3, ours),
    flex === null ? 'stack overflow' : show(flex),
    ratio(flex, ours),
  ];
}

function table(rows: string[][]): void {
  const widths = rows[0]!.map((_, c) => Math.max(...rows.map((row) => row[c]!.length)));
  for (const row of rows)
    console.log(row.map((cell, c) => (c === 0 ? cell.padEnd(widths[c]!) : cell.padStart(widths[c]!))).join('  '));
}

console.log('Tidy tree, median ms (d3 tree: all boxes one size, hierarchy made beforehand; d3-flextree: any size)\n');
const trees = [1000, 10_000, 100_000].flatMap((n) => [organisation(n), star(n), chain(n)]);
table([
  ['tree', 'bare pass', 'ours', 'to bare', 'd3 tree', 'to ours', 'd3-flextree', 'to ours'],
  ...trees.map(measure),
]);

console.log('\nThe whole river from Diagram to Scene after a rename, median ms\n');
const rows = [['entries', 'rename and draw']];
for (const n of [500, 5000]) {
  const tree = organisation(n);
  const diagram = diagramFromParents([...tree.parent]);
  draw(diagram);
  let turn = 0;
  const ms = median(() =>
    draw({
      ...diagram,
      entries: { ...diagram.entries, e7: { ...diagram.entries.e7!, name: `Person ${turn++ % 90}` } },
    }),
  )!;
  rows.push([n.toLocaleString('en'), ms.toFixed(2)]);
}
table(rows);

measureScale();

console.log('\nLists read\n');
for (const line of measureReading()) console.log(line);

console.log('\nDrawings on their sheets');
for (const line of measureSheets()) console.log(line);
for (const line of await measureWidths()) console.log(line);

console.log('\nTopic trees and decision trees\n');
benchDecisions();

console.log('\nFamilies\n');
await benchFamilies();
await benchMaps();

console.log('\nFiles\n');
for (const line of await measureHandOut()) console.log(line);

if (process.argv.includes('browser')) {
  const { measureBrowser } = await import('./browser');
  await measureBrowser();
}
