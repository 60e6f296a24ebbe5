/**
 * How wide band arrangements are beside the smallest width there is by the same rules (order, gaps, parents over the middle of their children), found by
 * a linear program (K. J. Supowit, E. M. Reingold, "The Complexity of Drawing Trees Nicely", Acta Informatica 18, 1983), and beside d3-flextree.
 */
import highs from 'highs';
import { flextree } from 'd3-flextree';
import { narrowTree } from '../src/core/arrange/tree';
import { chain, organisation, randomTree, type BenchTree } from './trees';

const gaps = { siblingGap: 12, branchGap: 22 };

function widthOf(x: Float64Array, breadth: Float64Array): number {
  let [left, right] = [Infinity, -Infinity];
  x.forEach((at, i) => {
    left = Math.min(left, at - breadth[i]! / 2);
    right = Math.max(right, at + breadth[i]! / 2);
  });
  return right - left;
}

/** The linear program in the LP format: the width is the least number that no box ends beyond. */
function programOf({ parent, first, count, breadth }: BenchTree): string {
  const n = parent.length;
  const tier = new Int32Array(n);
  const rules: string[] = [];
  for (let i = 1; i < n; i++) tier[i] = tier[parent[i]!]! + 1;
  for (let i = 0; i < n; i++) {
    rules.push(`x${i} - w <= ${-breadth[i]! / 2}`);
    if (i > 0 && tier[i] === tier[i - 1]) {
      const gap = parent[i] === parent[i - 1] ? gaps.siblingGap : gaps.branchGap;
      rules.push(`x${i} - x${i - 1} >= ${(breadth[i]! + breadth[i - 1]!) / 2 + gap}`);
    }
    if (count[i]! > 0) {
      const [a, b] = [first[i]!, first[i]! + count[i]! - 1];
      const side = (breadth[b]! - breadth[a]!) / 2;
      rules.push(a === b ? `x${i} - x${a} = 0` : `2 x${i} - x${a} - x${b} = ${side}`);
    }
  }
  const bounds = Array.from(breadth, (each, i) => `x${i} >= ${each / 2}`);
  return ['Minimize', 'w', 'Subject To', ...rules, 'Bounds', ...bounds, 'End'].join('\n');
}

export async function measureWidths(): Promise<string[]> {
  const solver = await highs();
  const lines: string[] = [];
  const sets: [string, BenchTree[]][] = [
    [
      '60 organisations of 10 to 300',
      Array.from({ length: 60 }, (_, k) => organisation(10 + Math.round(k * 4.9), k + 1)),
    ],
    ['60 random trees of 5 to 300', Array.from({ length: 60 }, (_, k) => randomTree(5 + k * 5, k + 1))],
    ['chains of 10 to 300', [10, 50, 300].map((n) => chain(n))],
  ];
  for (const [name, trees] of sets) {
    const ratios: number[] = [];
    const flex: number[] = [];
    for (const tree of trees) {
      const solved = solver.solve(programOf(tree));
      const ours = widthOf(narrowTree({ ...tree, roots: 1, ...gaps }), tree.breadth);
      ratios.push(ours / solved.ObjectiveValue);
      flex.push(flexWidth(tree) / solved.ObjectiveValue);
    }
    const mean = (list: readonly number[]) => list.reduce((sum, one) => sum + one, 0) / list.length;
    lines.push(
      `${name}: width beside the smallest there is: mean ${mean(ratios).toFixed(4)}, most ${Math.max(...ratios).toFixed(4)}; d3-flextree ${mean(flex).toFixed(3)}, most ${Math.max(...flex).toFixed(2)}`,
    );
  }
  return lines;
}

interface Node {
  readonly id: number;
  readonly children: Node[];
}

function flexWidth({ parent, breadth }: BenchTree): number {
  const nodes: Node[] = Array.from(parent, (_, id) => ({ id, children: [] }));
  for (let i = 1; i < parent.length; i++) nodes[parent[i]!]!.children.push(nodes[i]!);
  const layout = flextree<Node>({
    nodeSize: ({ data }) => [breadth[data.id]!, 40],
    spacing: (a, b) => (a.parent === b.parent ? gaps.siblingGap : gaps.branchGap),
  });
  const root = layout(layout.hierarchy(nodes[0]!));
  const x = new Float64Array(parent.length);
  root.each((node) => {
    x[node.data.id] = node.x;
  });
  return widthOf(x, breadth);
}
