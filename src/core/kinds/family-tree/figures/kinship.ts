import { kindWith } from '../model';
import type { Relations } from '../relations';

/** Ties by blood: parents by birth, and those of whom nothing else is said. */
function bloodParents(relations: Relations, id: string): string[] {
  for (const link of relations.parentsOf(id)) {
    const blood = link.union.partners.filter((one) => ['birth', 'unknown'].includes(kindWith(link, one)));
    if (blood.length > 0) return blood;
  }
  return [];
}

/**
 * Coefficients of kinship after Malécot (1948) and of relationship after S. Wright (1922), by recursion over the pedigree: Φ(x, x) = ½ (1 + Φ(parents)),
 * Φ(x, y) = ½ Σ Φ(parents of the younger, other). Kept by pairs; founders are not related. Rings count as founders where they close.
 */
export class Kinship {
  private readonly kept = new Map<string, number>();
  private readonly depth = new Map<string, number>();

  constructor(private readonly relations: Relations) {}

  /** Generations of known ancestors above a person, so that the younger of two can be told: nobody is above their own ancestors. */
  private depthOf(id: string): number {
    const stack: [string, boolean][] = [[id, false]];
    const open = new Set<string>();
    for (let next = stack.pop(); next; next = stack.pop()) {
      const [at, ready] = next;
      if (this.depth.has(at)) continue;
      const parents = bloodParents(this.relations, at);
      if (ready) {
        this.depth.set(
          at,
          parents.reduce((most, parent) => Math.max(most, (this.depth.get(parent) ?? -1) + 1), 0),
        );
        open.delete(at);
        continue;
      }
      open.add(at);
      stack.push([at, true]);
      for (const parent of parents) if (!open.has(parent) && !this.depth.has(parent)) stack.push([parent, false]);
    }
    return this.depth.get(id)!;
  }

  /** Probability that a gene drawn from each of the two is the same by descent. */
  coefficient(a: string, b: string): number {
    const pair = (x: string, y: string): [string, string] => {
      const [dx, dy] = [this.depthOf(x), this.depthOf(y)];
      return dx > dy || (dx === dy && x < y) ? [x, y] : [y, x];
    };
    const key = (x: string, y: string) => pair(x, y).join('\n');
    const stack: [string, string][] = [pair(a, b)];
    const open = new Set<string>();
    while (stack.length > 0) {
      const [younger, older] = stack.at(-1)!;
      const at = key(younger, older);
      if (this.kept.has(at)) {
        stack.pop();
        continue;
      }
      const parents = bloodParents(this.relations, younger);
      const parts: [string, string][] =
        younger === older
          ? parents.length === 2
            ? [pair(parents[0]!, parents[1]!)]
            : []
          : parents.map((parent) => pair(parent, older));
      const waiting = parts.filter(([x, y]) => !this.kept.has(key(x, y)) && !open.has(key(x, y)));
      if (waiting.length > 0) {
        open.add(at);
        stack.push(...waiting);
        continue;
      }
      const known = ([x, y]: [string, string]) => this.kept.get(key(x, y)) ?? 0;
      const value =
        younger === older
          ? 0.5 * (1 + (parts[0] ? known(parts[0]) : 0))
          : 0.5 * parts.reduce((sum, part) => sum + known(part), 0);
      this.kept.set(at, value);
      open.delete(at);
      stack.pop();
    }
    return this.kept.get(key(a, b))!;
  }

  /** Wright's inbreeding coefficient of a person: the kinship of the parents; 0 where they are not known. */
  inbreeding(id: string): number {
    const [father, mother] = bloodParents(this.relations, id);
    return father !== undefined && mother !== undefined ? this.coefficient(father, mother) : 0;
  }

  /** Wright's coefficient of relationship, 2Φ / √((1 + F)(1 + F)). */
  relationship(a: string, b: string): number {
    if (a === b) return 1;
    return (2 * this.coefficient(a, b)) / Math.sqrt((1 + this.inbreeding(a)) * (1 + this.inbreeding(b)));
  }
}

/** How far an ancestor is, over the nearest way, and on which one goes there. */
export interface Ascent {
  readonly distance: number;
  /** From the person up to the ancestor. */
  readonly way: readonly string[];
}

/** All ancestors of a person by blood, or also by adoption and the like, with the nearest way up. */
export function ascents(relations: Relations, id: string, ties: 'blood' | 'all'): Map<string, Ascent> {
  const found = new Map<string, Ascent>([[id, { distance: 0, way: [id] }]]);
  const waiting = [id];
  for (let k = 0; k < waiting.length; k++) {
    const at = waiting[k]!;
    const { distance, way } = found.get(at)!;
    const parents = ties === 'blood' ? bloodParents(relations, at) : relations.parents(at).map((one) => one.id);
    for (const parent of parents)
      if (!found.has(parent)) {
        found.set(parent, { distance: distance + 1, way: [...way, parent] });
        waiting.push(parent);
      }
  }
  return found;
}

/** The nearest ancestors that two have in common; each of the two counts as an ancestor of themselves. */
export interface Common {
  readonly ancestors: readonly string[];
  readonly up: number;
  readonly down: number;
  /** Everybody on the way from one to the other. */
  readonly way: readonly string[];
}

export function nearestCommon(relations: Relations, a: string, b: string, ties: 'blood' | 'all'): Common | null {
  const [ofA, ofB] = [ascents(relations, a, ties), ascents(relations, b, ties)];
  let best: { up: number; down: number } | null = null;
  for (const [id, { distance }] of ofA) {
    const other = ofB.get(id);
    if (!other) continue;
    if (
      !best ||
      distance + other.distance < best.up + best.down ||
      (distance + other.distance === best.up + best.down && distance < best.up)
    )
      best = { up: distance, down: other.distance };
  }
  if (!best) return null;
  const { up, down } = best;
  const ancestors = [...ofA]
    .filter(([id, { distance }]) => distance === up && ofB.get(id)?.distance === down)
    .map(([id]) => id);
  const way = [...new Set(ancestors.flatMap((id) => [...ofA.get(id)!.way, ...ofB.get(id)!.way]))];
  return { ancestors, up, down, way };
}
