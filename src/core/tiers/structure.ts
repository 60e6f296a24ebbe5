import { byOrder, type Diagram, type Entry, own } from '../model';

/**
 * The structure of a hierarchy in level order: parents before children, the children of one entry side by side.
 * Index i stands for `ids[i]`; the children of i are `first[i] … first[i] + count[i] − 1`; the `roots` entries without
 * a parent come first. `tier[i]` counts from 1. `outline` lists the same indices as the list reads, depth first.
 */
export interface Structure {
  readonly ids: readonly string[];
  readonly index: ReadonlyMap<string, number>;
  readonly roots: number;
  readonly parent: Int32Array;
  readonly first: Int32Array;
  readonly count: Int32Array;
  readonly tier: Int32Array;
  readonly outline: Int32Array;
  /** Where each tier begins in level order; `tierStart[t]` is tier t + 1, the last item is the number of entries. */
  readonly tierStart: readonly number[];
}

const latest = new WeakMap<Diagram['entries'], Structure>();

/**
 * O(n log n) for sorting siblings, no recursion. Entries of a loop (which the model's invariants exclude) are left out.
 * The result is kept per `entries` object, which no command ever changes in place.
 */
export function structureOf(entries: Diagram['entries']): Structure {
  const known = latest.get(entries);
  if (known) return known;
  const structure = build(entries);
  latest.set(entries, structure);
  return structure;
}

/**
 * For a change that leaves every entry its parent and order: the structure of the old entries, if it is known, is that of the new ones.
 * Whoever changes parents, orders or the set of entries must not call this.
 */
export function keepStructure(from: Diagram['entries'], to: Diagram['entries']): void {
  const known = latest.get(from);
  if (known) latest.set(to, known);
}

/** For a record of entries that was changed in place: what was known of its structure no longer holds. */
export function forgetStructure(entries: Diagram['entries']): void {
  latest.delete(entries);
}

function build(entries: Diagram['entries']): Structure {
  const children = new Map<string | null, Entry[]>();
  for (const id in entries) {
    const entry = own(entries, id)!;
    const siblings = children.get(entry.parent);
    if (siblings) siblings.push(entry);
    else children.set(entry.parent, [entry]);
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

export const tierCount = (structure: Structure): number => Math.max(0, structure.tierStart.length - 1);

/** Entries under each index, itself not counted. */
export function sizesBelow(structure: Structure): Int32Array {
  const below = new Int32Array(structure.ids.length);
  for (let i = below.length - 1; i > 0; i--) {
    const parent = structure.parent[i]!;
    if (parent >= 0) below[parent]! += below[i]! + 1;
  }
  return below;
}

/** Ids from the top down to and with the entry. */
export function pathTo(entries: Diagram['entries'], id: string): string[] {
  const path: string[] = [];
  for (let at: string | null = id; at !== null && own(entries, at); at = own(entries, at)!.parent) path.unshift(at);
  return path;
}
