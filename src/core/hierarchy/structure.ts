import { byOrder, own, pushTo, shapeOf, type Entries, type Entry } from '../model';
import type { Listing } from './listing';

/**
 * Entries of which each stands under one other or under none, in level order: parents before children, the children of one entry side by side.
 * The children of i are `first[i] … first[i] + count[i] − 1`; the `roots` entries without a parent come first. `tier[i]` counts from 1.
 */
export interface Hierarchy extends Listing {
  readonly roots: number;
  /** −1 at the top. */
  readonly parent: Int32Array;
  readonly first: Int32Array;
  readonly count: Int32Array;
}

const latest = new WeakMap<object, Hierarchy>();

/**
 * O(n log n) for sorting siblings, no recursion. Entries of a loop (which the model's invariants exclude) are left out.
 * The result is kept by the shape of the entries, so that a change of names costs nothing here.
 */
export function hierarchyOf(entries: Entries): Hierarchy {
  const shape = shapeOf(entries);
  const known = latest.get(shape);
  if (known) return known;
  const structure = build(entries);
  latest.set(shape, structure);
  return structure;
}

function build(entries: Entries): Hierarchy {
  const children = new Map<string | null, Entry[]>();
  for (const id in entries) {
    const entry = own(entries, id)!;
    pushTo(children, entry.parent, entry);
  }
  for (const siblings of children.values()) siblings.sort(byOrder);
  const roots = children.get(null) ?? [];
  const level: Entry[] = [...roots];
  const total = Object.keys(entries).length;
  const parent = new Int32Array(total).fill(-1);
  const first = new Int32Array(total);
  const count = new Int32Array(total);
  const tier = new Int32Array(total).fill(1);
  const tierStart = total > 0 ? [0] : [];
  for (let i = 0; i < level.length; i++) {
    if (i > 0 && tier[i] !== tier[i - 1]) tierStart.push(i);
    const below = children.get(level[i]!.id);
    first[i] = level.length;
    if (!below) continue;
    count[i] = below.length;
    for (const child of below) {
      parent[level.length] = i;
      tier[level.length] = tier[i]! + 1;
      level.push(child);
    }
  }
  tierStart.push(level.length);
  const n = level.length;
  const index = new Map(level.map((entry, i) => [entry.id, i]));
  return {
    ids: level.map((entry) => entry.id),
    index,
    roots: roots.length,
    parent: parent.subarray(0, n),
    first: first.subarray(0, n),
    count: count.subarray(0, n),
    tier: tier.subarray(0, n),
    outline: outlineOf(n, roots.length, first, count),
    tierStart,
  };
}

function outlineOf(n: number, roots: number, first: Int32Array, count: Int32Array): Int32Array {
  const outline = new Int32Array(n);
  const stack: number[] = [];
  for (let r = roots - 1; r >= 0; r--) stack.push(r);
  for (let at = 0; stack.length > 0; at++) {
    const i = stack.pop()!;
    outline[at] = i;
    for (let c = first[i]! + count[i]! - 1; c >= first[i]!; c--) stack.push(c);
  }
  return outline;
}

/** Entries under each index, itself not counted. */
export function sizesBelow(structure: Hierarchy): Int32Array {
  const below = new Int32Array(structure.ids.length);
  for (let i = below.length - 1; i > 0; i--) {
    const parent = structure.parent[i]!;
    if (parent >= 0) below[parent]! += below[i]! + 1;
  }
  return below;
}

/** Ids from the top down to and with the entry. */
export function pathTo(entries: Entries, id: string): string[] {
  const path: string[] = [];
  for (let at: string | null = id; at !== null && own(entries, at); at = own(entries, at)!.parent) path.unshift(at);
  return path;
}
