import type { Relations } from './relations';
import type { Union } from './model';
import { kinOnly, partnersOf } from './relations';

/**
 * The generation of each person, from 0: partners stand on one tier, children below their parents. From the person with the most generations below, the
 * others follow by how they are related; where marriages across generations allow no such tiers, whoever would stand beside or above a parent goes
 * further down. Rings (somebody their own ancestor) are cut where they close. Pets and guests of a household stand below its children, or below the
 * couple where there are none. O(persons + relations), no recursion.
 */
export function generationsOf(all: readonly string[], relations: Relations): Map<string, number> {
  const kin = kinOnly(relations);
  const households = (id: string) => relations.parentsOf(id).filter(({ kind }) => kind === 'household');
  const isKept = (id: string): boolean =>
    households(id).length > 0 && kin.parents(id).length === 0 && kin.unionsOf(id).length === 0;
  const generation = generationsOfKin(
    all.filter((id) => !isKept(id)),
    relations,
  );
  // Where the children of a household stand, or the couple: asked once, however many are kept there.
  const lowest = new Map<string, number>();
  const lowestOf = (union: Union): number => {
    let low = lowest.get(union.id);
    if (low !== undefined) return low;
    low = -1;
    for (const id of union.partners) low = Math.max(low, generation.get(id) ?? -1);
    for (const { id } of kin.childrenOf(union.id)) low = Math.max(low, generation.get(id) ?? -1);
    lowest.set(union.id, low);
    return low;
  };
  for (const id of all)
    if (isKept(id))
      generation.set(id, households(id).reduce((low, { union }) => Math.max(low, lowestOf(union)), -1) + 1);
  return generation;
}

function generationsOfKin(ids: readonly string[], relations: Relations): Map<string, number> {
  const shown = new Set(ids);
  const depth = depthBelow(ids, shown, relations);
  const generation = new Map<string, number>();
  const byDepth = [...ids].sort((a, b) => depth.get(b)! - depth.get(a)!);
  for (const start of byDepth) {
    if (generation.has(start)) continue;
    const part = spread(start, shown, relations);
    settle(part, shown, relations);
    // One after another, so that no tier is empty.
    const rank = new Map([...new Set(part.values())].sort((a, b) => a - b).map((g, k) => [g, k]));
    for (const [id, g] of part) generation.set(id, rank.get(g)!);
  }
  return generation;
}

/** Generations below each person; those of a ring count once. */
function depthBelow(ids: readonly string[], shown: ReadonlySet<string>, relations: Relations): Map<string, number> {
  const depth = new Map<string, number>();
  const state = new Map<string, 'open' | 'done'>();
  for (const start of ids) {
    const stack: string[] = [start];
    while (stack.length > 0) {
      const id = stack.at(-1)!;
      if (state.get(id) === 'done') {
        stack.pop();
        continue;
      }
      const below = childrenOf(id, shown, relations);
      if (!state.has(id)) {
        state.set(id, 'open');
        for (const child of below) if (!state.has(child)) stack.push(child);
      } else {
        depth.set(
          id,
          below.reduce((most, child) => Math.max(most, (depth.get(child) ?? -1) + 1), 0),
        );
        state.set(id, 'done');
        stack.pop();
      }
    }
  }
  return depth;
}

const childrenOf = (id: string, shown: ReadonlySet<string>, relations: Relations): string[] =>
  relations
    .unionsOf(id)
    .flatMap((union) => relations.childrenOf(union.id).map((child) => child.id))
    .filter((child) => shown.has(child));

/** Generations relative to a start, by the nearest relation. */
function spread(start: string, shown: ReadonlySet<string>, relations: Relations): Map<string, number> {
  const part = new Map([[start, 0]]);
  const waiting = [start];
  for (let k = 0; k < waiting.length; k++) {
    const id = waiting[k]!;
    const at = part.get(id)!;
    const go = (other: string, step: number) => {
      if (part.has(other) || !shown.has(other)) return;
      part.set(other, at + step);
      waiting.push(other);
    };
    for (const partner of partnersOf(relations, id)) go(partner, 0);
    for (const child of childrenOf(id, shown, relations)) go(child, 1);
    for (const parent of relations.parents(id)) go(parent.id, -1);
  }
  return part;
}

/** Children below their parents and partners side by side, as far as no ring forbids it. */
function settle(part: Map<string, number>, shown: ReadonlySet<string>, relations: Relations): void {
  const passes = Math.min(part.size, 60);
  for (let pass = 0; pass < passes; pass++) {
    let moved = false;
    for (const [id, at] of part) {
      let wanted = at;
      for (const parent of relations.parents(id))
        if (shown.has(parent.id) && parent.id !== id) wanted = Math.max(wanted, part.get(parent.id)! + 1);
      for (const partner of partnersOf(relations, id))
        if (shown.has(partner)) wanted = Math.max(wanted, part.get(partner)!);
      if (wanted > at) {
        part.set(id, wanted);
        moved = true;
      }
    }
    if (!moved) return;
  }
}
