/** Generated families for property tests. */
import fc from 'fast-check';
import { createDiagram } from '../diagram';
import type { FamilyTree, Parentage, Person, Union } from '../kinds/family-tree';
import { createEntry, evenKeys } from '../model';

const noFacts: Person = { born: '', died: '', birthPlace: '', deathPlace: '', sex: null, extra: '' };

/**
 * A family from draws: person i either comes in from outside, or is a child of an earlier couple; some marry somebody earlier, cousins among them, some a
 * second time; some children are adopted, some are stepchildren of one of the two, some are pets or guests of a household.
 */
export function familyOf(draws: readonly number[], nameOf: (i: number) => string = (i) => `Person ${i}`): FamilyTree {
  const keys = evenKeys(draws.length);
  const unions: Union[] = [];
  const parentage: Record<string, Parentage[]> = {};
  const people: Record<string, Person> = {};
  const generation: number[] = [];
  draws.forEach((draw, i) => {
    const parents = unions.length > 0 && draw % 5 > 0 ? unions[draw % unions.length]! : null;
    generation[i] = parents ? generation[Number(parents.partners[0]!.slice(1))]! + 1 : i === 0 ? 0 : draw % 3;
    if (parents) {
      const kind = draw % 11 === 0 ? 'adopted' : draw % 13 === 0 ? 'household' : 'birth';
      const other = parents.partners[1];
      const otherwise = draw % 17 === 0 && kind === 'birth' && other ? { parent: other, kind: 'step' as const } : null;
      parentage[`e${i}`] = [{ union: parents.id, kind, ...(otherwise && { otherwise }) }];
    }
    people[`e${i}`] = {
      ...noFacts,
      born: String(1800 + generation[i]! * 28 + (draw % 9)),
      sex: draw % 2 === 0 ? 'female' : 'male',
    };
    // With the nearest earlier person of the same generation, who is no sibling.
    if (i === 0 || draw % 7 > 4) return;
    for (let j = i - 1; j >= 0; j--) {
      const siblings = parents && parentage[`e${j}`]?.[0]?.union === parents.id;
      const taken = unions.filter(({ partners }) => partners.includes(`e${j}`)).length;
      if (generation[j] !== generation[i] || siblings || taken > (draw % 4 === 0 ? 1 : 0)) continue;
      const kind = draw % 3 === 0 ? 'married' : draw % 3 === 1 ? 'unknown' : 'parted';
      unions.push({ id: `u${unions.length}`, partners: [`e${j}`, `e${i}`], kind, from: '', to: '', extra: '' });
      break;
    }
    if (unions.length === 0)
      unions.push({ id: 'u0', partners: [`e${i}`], kind: 'unknown', from: '', to: '', extra: '' });
  });
  const entries = draws.map((_, i) => createEntry({ id: `e${i}`, name: nameOf(i), order: keys[i]! }));
  const empty = createDiagram('family-tree', 'Generated');
  return {
    ...empty,
    entries: Object.fromEntries(entries.map((entry) => [entry.id, entry])),
    family: { ...empty.family, people, unions: Object.fromEntries(unions.map((one) => [one.id, one])), parentage },
  };
}

export const families = (most: number): fc.Arbitrary<FamilyTree> =>
  fc.array(fc.nat({ max: 1_000_000 }), { minLength: 1, maxLength: most }).map((draws) => familyOf(draws));
