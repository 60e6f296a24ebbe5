import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { tokensOf } from '../../../diagram';
import { families } from '../../../testing/arbitrary-family';
import { familyTree } from '../kind';
import { personOf, type FamilyTree } from '../model';
import { relationsOf, type Relations } from '../relations';
import { relatedStructure } from '../structure';
import { figureFamily } from './figures';
import { Kinship } from './kinship';
import { ancestorNumbers, descendantNumbers } from './numbers';
import { bloodTerm, relationBetween } from './terms';

const make = (text: string): FamilyTree => familyTree.make(familyTree.read(tokensOf(text)), '');
/** Two founders and their descendants, as a table: id, name = id, parents. */
const pedigree = (rows: readonly (readonly [id: string, father?: string, mother?: string])[]): FamilyTree =>
  make(`Id,Name,Father,Mother\n${rows.map(([id, f = '', m = '']) => `${id},N${id},${f},${m}`).join('\n')}\n`);
const idsOf = (diagram: FamilyTree) =>
  new Map(Object.values(diagram.entries).map(({ id, name }) => [name.slice(1), id]));

const big = pedigree([
  ['A'],
  ['B'],
  ['C'],
  ['D'],
  ['E'],
  ['F'],
  ['G'],
  ['H'],
  ['P1', 'A', 'B'],
  ['P2', 'A', 'B'],
  ['P3', 'A', 'C'],
  ['Q1', 'P1', 'D'],
  ['Q2', 'P2', 'E'],
  ['Q3', 'P3', 'F'],
  ['S1', 'Q1', 'G'],
  ['S2', 'Q2', 'H'],
  ['X1', 'C', 'D'],
  ['X2', 'C', 'D'],
  ['DC1', 'P1', 'X1'],
  ['DC2', 'P2', 'X2'],
  ['K', 'Q1', 'Q2'],
  ['L', 'P1', 'P2'],
  ['M', 'P1', 'P3'],
]);

describe('coefficients (S. Wright 1922)', () => {
  const ids = idsOf(big);
  const kinship = new Kinship(relationsOf(big));
  it.each([
    ['parent and child', 'A', 'P1', 1 / 2],
    ['full siblings', 'P1', 'P2', 1 / 2],
    ['half siblings', 'P1', 'P3', 1 / 4],
    ['grandparent', 'A', 'Q1', 1 / 4],
    ['uncle and niece', 'P1', 'Q2', 1 / 4],
    ['first cousins', 'Q1', 'Q2', 1 / 8],
    ['double first cousins', 'DC1', 'DC2', 1 / 4],
    ['half first cousins', 'Q1', 'Q3', 1 / 16],
    ['second cousins', 'S1', 'S2', 1 / 32],
  ])('%s', (_, a, b, value) => expect(kinship.relationship(ids.get(a)!, ids.get(b)!)).toBeCloseTo(value, 12));
  it.each([
    ['first cousins', 'K', 1 / 16],
    ['half siblings', 'M', 1 / 8],
    ['full siblings', 'L', 1 / 4],
  ])('inbreeding of a child of %s', (_, child, value) =>
    expect(kinship.inbreeding(ids.get(child)!)).toBeCloseTo(value, 12),
  );
  it('equals the tabular method on random pedigrees', () => {
    fc.assert(
      fc.property(families(24), (diagram) => {
        const relations = relationsOf(diagram);
        const all = Object.keys(diagram.entries);
        const table = tabular(all, relations);
        const own = new Kinship(relations);
        all.forEach((a, i) =>
          all.forEach((b, j) => expect(Math.abs(own.coefficient(a, b) - table[i]![j]!)).toBeLessThan(1e-12)),
        );
      }),
      { numRuns: 60 },
    );
  });
});

/** The kinship matrix, person after person in the order of birth (the tabular method of Emik and Terrill 1949); ours are listed parents first. */
function tabular(all: readonly string[], relations: Relations): number[][] {
  const at = new Map(all.map((id, i) => [id, i]));
  const parents = all.map((id) => {
    const [first] = relations.parentsOf(id).filter(({ kind }) => kind === 'birth');
    const blood = (first?.union.partners ?? []).filter((one) => one !== first?.otherwise?.parent);
    return blood.map((one) => at.get(one)!);
  });
  // Parents before children, whatever order the list has.
  const order: number[] = [];
  const seen = new Set<number>();
  const visit = (i: number): void => {
    if (seen.has(i)) return;
    seen.add(i);
    parents[i]!.forEach(visit);
    order.push(i);
  };
  all.forEach((_, i) => visit(i));
  const table = all.map(() => all.map(() => 0));
  for (const i of order) {
    const above = parents[i]!;
    for (const j of order) {
      if (j === i) break;
      const value = above.reduce((sum, p) => sum + 0.5 * table[p]![j]!, 0);
      table[i]![j] = value;
      table[j]![i] = value;
    }
    table[i]![i] = 0.5 * (1 + (above.length === 2 ? table[above[0]!]![above[1]!]! : 0));
  }
  return table;
}

describe('a child who belongs to its two parents in two ways', () => {
  const family = make(
    'Id,Name,Father,Mother,Partner,Parentage\n1,Ada,,,2,\n2,Bo,,,,\n3,Cy,2,1,,step of 2\n4,Di,2,1,,\n5,Ed,2,1,,adopted; birth of 1\n',
  );
  const ids = new Map(Object.values(family.entries).map(({ id, name }) => [name, id]));
  const relations = relationsOf(family);
  const between = (a: string, b: string) => relationBetween(ids.get(a)!, ids.get(b)!, relations, () => null);
  it('is related by blood to whom it is a child by birth of', () => {
    expect(between('Cy', 'Ada').term).toBe('parent');
    expect(between('Cy', 'Bo').term).toBe('stepparent');
    expect(between('Bo', 'Cy').term).toBe('stepchild');
    expect(between('Cy', 'Di').term).toBe('half-sibling');
    expect(between('Ed', 'Bo').term).toBe('parent, by adoption');
    const kinship = new Kinship(relations);
    expect(kinship.relationship(ids.get('Cy')!, ids.get('Di')!)).toBe(1 / 4);
    expect(kinship.relationship(ids.get('Cy')!, ids.get('Bo')!)).toBe(0);
    expect(kinship.relationship(ids.get('Ed')!, ids.get('Ada')!)).toBe(1 / 2);
  });
});

describe('terms', () => {
  const ordinals = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh'];
  it('cousins for all distances up to 8 by 8: n-th by the shorter way less one, removed by the difference', () => {
    for (let up = 2; up <= 8; up++)
      for (let down = 2; down <= 8; down++) {
        const term = bloodTerm(up, down, null, 'full');
        expect(term.startsWith(`${ordinals[Math.min(up, down) - 2]!} cousin`)).toBe(true);
        const removed = Math.abs(up - down);
        expect(/removed/.test(term)).toBe(removed > 0);
        if (removed === 1) expect(term).toMatch(/ once removed$/);
        if (removed === 2) expect(term).toMatch(/ twice removed$/);
        if (removed > 2) expect(term).toMatch(/(three|4|5|6) times removed$/);
      }
  });
  it.each([
    [1, 0, 'mother'],
    [2, 0, 'grandmother'],
    [3, 0, 'great-grandmother'],
    [5, 0, 'great-great-great-grandmother'],
    [0, 1, 'daughter'],
    [0, 3, 'great-granddaughter'],
    [1, 1, 'sister'],
    [2, 1, 'aunt'],
    [3, 1, 'great-aunt'],
    [4, 1, 'great-great-aunt'],
    [1, 2, 'niece'],
    [1, 3, 'great-niece'],
  ])('%d up, %d down is a %s', (up, down, term) => expect(bloodTerm(up, down, 'female', 'full')).toBe(term));

  const house = make(`Id,Name,Sex,Father,Mother,Partner,Married,Parentage
1,Ada,F,,,2,1900,
2,Bo,M,,,1,,
3,Cy,M,2,1,4,1925,
4,Di,F,,,3,,
5,Ed,M,2,1,,,
6,Fay,F,3,4,,,
7,Gus,M,,,4,,
8,Hal,M,7,4,,,
9,Ida,F,3,4,,,adopted
10,Jon,M,7,,,,
11,Kit,F,2,12,,,
12,Lou,F,,,,,
13,Max,M,,,6,1950,
14,Nan,F,13,,,,
`);
  const ids = new Map(Object.values(house.entries).map(({ id, name }) => [name, id]));
  const relations = relationsOf(house);
  const term = (a: string, b: string) =>
    relationBetween(ids.get(a)!, ids.get(b)!, relations, (id) => personOf(house, id).sex).term;
  it.each([
    ['Fay', 'Ada', 'grandmother'],
    ['Fay', 'Ed', 'uncle'],
    ['Ed', 'Fay', 'niece'],
    ['Fay', 'Hal', 'half-brother'],
    ['Cy', 'Kit', 'half-sister'],
    ['Ada', 'Bo', 'husband'],
    ['Fay', 'Gus', 'stepfather'],
    ['Hal', 'Cy', 'stepfather'],
    ['Fay', 'Jon', 'stepbrother'],
    ['Cy', 'Hal', 'stepson'],
    ['Di', 'Ada', 'mother-in-law'],
    ['Ada', 'Di', 'daughter-in-law'],
    ['Ed', 'Di', 'sister-in-law'],
    ['Di', 'Ed', 'brother-in-law'],
    ['Ada', 'Ida', 'granddaughter, by adoption'],
    ['Ada', 'Max', 'husband of the granddaughter'],
    ['Lou', 'Gus', 'not related as far as the tree tells'],
    ['Ada', 'Ada', 'the same person'],
  ])('to %s, %s is %s', (a, b, expected) => expect(term(a, b)).toBe(expected));
  it('degrees by civil and canon law come with the way', () => {
    const found = relationBetween(ids.get('Kit')!, ids.get('Fay')!, relations, () => null);
    expect(found).toMatchObject({ civil: 3, canon: 2 });
    expect(found.way).toContain(ids.get('Bo'));
  });
});

describe('numbers of ancestors and descendants', () => {
  const ids = idsOf(big);
  const names = <V>(numbers: ReadonlyMap<string, V>) =>
    Object.fromEntries([...numbers].map(([id, value]) => [big.entries[id]!.name.slice(1), value]));
  it('Sosa–Stradonitz: a father twice the number, a mother one more', () => {
    expect(names(ancestorNumbers(ids.get('S1')!, relationsOf(big), () => false))).toEqual({
      S1: 1,
      Q1: 2,
      G: 3,
      P1: 4,
      D: 5,
      A: 8,
      B: 9,
    });
  });
  it('a mother who stands first is still the mother', () => {
    const mother = ids.get('Q1')!;
    expect(names(ancestorNumbers(ids.get('S1')!, relationsOf(big), (id) => id === mother))).toMatchObject({
      Q1: 3,
      G: 2,
    });
  });
  it('d’Aboville: children numbered in their order', () => {
    const numbers = names(descendantNumbers(ids.get('A')!, relationsOf(big)));
    expect(numbers).toMatchObject({ A: '1', P1: '1.1', P2: '1.2', P3: '1.3', Q1: '1.1.1' });
  });
});

describe('figures', () => {
  it('ages at birth and death where dates tell them, and how complete ancestors are', () => {
    const diagram = make(
      'Id,Name,Born,Died,Father,Mother\n1,Ada,1 May 1900,2 June 1980,,\n2,Bo,1898,,,\n3,Cy,7 July 1925,,2,1\n',
    );
    const chosen = { ...diagram, family: { ...diagram.family, manner: { ...diagram.family.manner, of: 'p4' } } };
    const { atBirth, atDeath, completeness, persons } = figureFamily(chosen, relatedStructure(chosen));
    expect(persons).toBe(3);
    expect(atDeath).toEqual([{ year: 1980, age: 80, id: 'p2' }]);
    expect(atBirth.find(({ parent }) => parent === 'p2')).toMatchObject({ age: 25, year: 1925 });
    expect(completeness).toEqual([{ generation: 1, known: 2, possible: 2 }]);
  });
});
