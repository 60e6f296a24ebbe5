import { random } from './random';

/** Trees in level order for the measurements, from a fixed seed. */
export interface BenchTree {
  readonly name: string;
  readonly parent: Int32Array;
  readonly first: Int32Array;
  readonly count: Int32Array;
  readonly breadth: Float64Array;
}

/** Parents must rise along the list, which makes it level order. */
function levelOrder(name: string, parent: Int32Array, sizeOf: () => number): BenchTree {
  const n = parent.length;
  const first = new Int32Array(n);
  const count = new Int32Array(n);
  for (let i = 1; i < n; i++) count[parent[i]!]!++;
  let next = 1;
  for (let i = 0; i < n; i++) {
    first[i] = next;
    next += count[i]!;
  }
  return { name, parent, first, count, breadth: Float64Array.from({ length: n }, sizeOf) };
}

/** Managers have three to ten reports each; two in five posts of a tier lead others. */
export function organisation(n: number, seed = n): BenchTree {
  const draw = random(seed);
  const parent = new Int32Array(n).fill(-1);
  let at = 1;
  for (let manager = 0; at < n; manager++) {
    if (manager > 0 && draw() > 0.4 && at - manager > 2) continue;
    const reports = 3 + Math.floor(draw() * 8);
    for (let k = 0; k < reports && at < n; k++) parent[at++] = manager;
  }
  return levelOrder(`organisation, ${n.toLocaleString('en')}`, parent, () => 70 + Math.floor(draw() * 80));
}

export function star(n: number): BenchTree {
  const draw = random(n);
  return levelOrder(
    `one parent with all, ${n.toLocaleString('en')}`,
    new Int32Array(n).fill(0).with(0, -1),
    () => 70 + Math.floor(draw() * 80),
  );
}

export function chain(n: number): BenchTree {
  return levelOrder(
    `chain, ${n.toLocaleString('en')}`,
    Int32Array.from({ length: n }, (_, i) => i - 1),
    () => 100,
  );
}

/** Everybody under somebody before them, near the end of the list more likely than at its beginning. */
export function randomTree(n: number, seed: number): BenchTree {
  const draw = random(seed * 7919 + n);
  const parent = new Int32Array(n).fill(-1);
  for (let i = 1; i < n; i++)
    parent[i] = Math.min(i - 1, Math.max(parent[i - 1]!, Math.floor(i * (0.4 + 0.6 * draw())) - 2, 0));
  return levelOrder(`random, ${n}`, parent, () => 70 + Math.floor(draw() * 80));
}
