import { descendantsOf, kinOnly, type Relations } from '../relations';

/**
 * Ancestor numbers (Sosa–Stradonitz): the person 1, a father twice the number of his child, a mother one more. Of parents whose sex is not known the first
 * of the partnership counts as the father. Who is reached twice has the smaller number. Numbers beyond 2^52 are left out. O(ancestors).
 */
export function ancestorNumbers(of: string, all: Relations, isFemale: (id: string) => boolean): Map<string, number> {
  const relations = kinOnly(all);
  const numbers = new Map<string, number>([[of, 1]]);
  const waiting = [of];
  for (let k = 0; k < waiting.length; k++) {
    const id = waiting[k]!;
    const [parents] = relations.parentsOf(id);
    const number = numbers.get(id)! * 2;
    if (!parents || number > 2 ** 52) continue;
    const [a, b] = parents.union.partners;
    const turned = a !== undefined && isFemale(a) && !(b !== undefined && isFemale(b));
    for (const [parent, step] of [
      [a, turned ? 1 : 0],
      [b, turned ? 0 : 1],
    ] as const)
      if (parent !== undefined && !numbers.has(parent)) {
        numbers.set(parent, number + step);
        waiting.push(parent);
      }
  }
  return numbers;
}

/** Descendant numbers (d'Aboville): the person 1, the children 1.1, 1.2 … in birth order over all partnerships. O(descendants). */
export function descendantNumbers(of: string, all: Relations): Map<string, string> {
  const relations = kinOnly(all);
  const numbers = new Map([[of, '1']]);
  for (const id of descendantsOf(relations, of)) {
    const number = numbers.get(id);
    if (number === undefined) continue;
    let n = 0;
    for (const union of relations.unionsOf(id))
      for (const child of relations.childrenOf(union.id)) {
        n++;
        if (!numbers.has(child.id)) numbers.set(child.id, `${number}.${n}`);
      }
  }
  return numbers;
}
