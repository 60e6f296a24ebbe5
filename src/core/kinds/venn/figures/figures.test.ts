import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { maskOf, setsInOrder } from '../model';
import { vennOf, venns } from '../../../testing/arbitrary-venn';
import { answerQuestion } from './set-question';
import { exerciseSheet, judgeSorting, sortedSoFar, wordBank } from './sorting';
import { figureVenn, operate, setExpression } from './figures';
import { scaleWords } from './scale-words';

describe('figures of a Venn diagram', () => {
  it('inclusion–exclusion gives the count that going through the list gives', () => {
    fc.assert(
      fc.property(venns(1, 40), (diagram) => {
        const { inclusionExclusion, regions, entries } = figureVenn(diagram);
        const inSome = Object.keys(diagram.entries).filter((id) => diagram.venn.members[id]).length;
        expect(inclusionExclusion.union).toBe(inSome);
        expect(regions.reduce((sum, { count }) => sum + count, 0)).toBe(entries);
        for (const { sets, count } of inclusionExclusion.terms) {
          const ids = setsInOrder(diagram.venn).filter(({ name }) => sets.includes(name));
          const counted = Object.keys(diagram.entries).filter((id) =>
            ids.every((set) => diagram.venn.members[id]?.includes(set.id)),
          ).length;
          expect(count).toBe(counted);
        }
      }),
    );
  });
  // L. Carroll, "A Tangled Tale", 1885, knot X: of a hundred, 70 lost an eye, 75 an ear, 80 an arm, 85 a leg; at least how many all four?
  it('Carroll’s pensioners: at least 10 in a hundred lost all four', () => {
    const lost = [70, 75, 80, 85];
    // The fewest: the losses laid one after the other around the hundred, each beginning where the one before ended.
    const masks = new Array<number>(100).fill(0);
    let at = 0;
    lost.forEach((count, set) => {
      for (let i = 0; i < count; i++) masks[(at + i) % 100]! |= 1 << set;
      at += count;
    });
    const figures = figureVenn(vennOf(4, masks));
    expect(figures.sets.map(({ entries }) => entries.length)).toEqual(lost);
    expect(figures.regions[15]!.count).toBe(10);
    // Fewer cannot be: 310 losses among 100 people, of whom each bears three without being one of these.
    expect(lost.reduce((a, b) => a + b) - 3 * 100).toBe(10);
  });
  it('overlap is what both have by what either has (Jaccard 1901)', () => {
    const { overlaps } = figureVenn(vennOf(2, [1, 1, 3, 3, 3, 2, 0]));
    expect(overlaps).toMatchObject([{ both: 3, either: 6, jaccard: 0.5 }]);
    expect(figureVenn(vennOf(2, [0])).overlaps[0]!.jaccard).toBeNull();
  });
  it('regions are told as set expressions', () => {
    const sets = setsInOrder(vennOf(3, []).venn);
    expect(setExpression(sets, 0b011)).toBe('(mudflat ∩ saltmarsh) ∖ open water');
    expect(setExpression(sets, 0b100)).toBe('open water ∖ (mudflat ∪ saltmarsh)');
    expect(setExpression(sets, 0)).toBe('U ∖ (mudflat ∪ saltmarsh ∪ open water)');
  });
  it('operations on chosen sets leave the regions that their definitions name', () => {
    const all = Array.from({ length: 8 }, (_, mask) => mask);
    const inA = (mask: number) => (mask & 1) > 0;
    const inB = (mask: number) => (mask & 2) > 0;
    expect(operate('union', [0, 1], 3)).toEqual(all.filter((mask) => inA(mask) || inB(mask)));
    expect(operate('intersection', [0, 1], 3)).toEqual(all.filter((mask) => inA(mask) && inB(mask)));
    expect(operate('difference', [0, 1], 3)).toEqual(all.filter((mask) => inA(mask) && !inB(mask)));
    expect(operate('symmetric difference', [0, 1], 3)).toEqual(all.filter((mask) => inA(mask) !== inB(mask)));
  });
});

describe('questions in words', () => {
  const names = ['first aid', 'boat', 'minibus'];
  const holds = (of: (a: boolean, b: boolean, c: boolean) => boolean) =>
    Array.from({ length: 8 }, (_, mask) => mask).filter((mask) => of((mask & 1) > 0, (mask & 2) > 0, (mask & 4) > 0));
  it.each<[string, (a: boolean, b: boolean, c: boolean) => boolean]>([
    ['in first aid or boat, but not minibus', (a, b, c) => (a || b) && !c],
    ['first aid and boat', (a, b) => a && b],
    ['boat not minibus', (_, b, c) => b && !c],
    ['neither boat nor minibus', (_, b, c) => !b && !c],
    ['exactly one', (a, b, c) => Number(a) + Number(b) + Number(c) === 1],
    ['at least two', (a, b, c) => Number(a) + Number(b) + Number(c) >= 2],
    ['in none', (a, b, c) => !a && !b && !c],
    ['all of them', (a, b, c) => a && b && c],
    ['Who has FIRST AID and (boat or minibus)?', (a, b, c) => a && (b || c)],
    ['first aid ∩ boat ∖ minibus', (a, b, c) => a && b && !c],
    ['boat or minibus and first aid', (a, b, c) => b || (c && a)],
  ])('“%s”', (question, of) => expect(answerQuestion(question, names)).toEqual({ ok: true, masks: holds(of) }));
  it.each([
    ['in helicopter', 'helicopter'],
    ['boat and', 'ends'],
    ['(boat', 'not closed'],
    ['boat)', 'not opened'],
    ['???', 'Ask with'],
  ])('“%s” is answered by what is wrong', (question, word) => {
    const answer = answerQuestion(question, names);
    expect(answer.ok).toBe(false);
    expect(!answer.ok && answer.reason).toContain(word);
  });
  it('never fails, whatever is typed', () => {
    const words = fc.constantFrom(
      ...names,
      'and',
      'or',
      'not',
      'but',
      ',',
      '(',
      ')',
      'exactly two',
      'xor',
      'zebra',
      '',
    );
    fc.assert(
      fc.property(fc.array(words, { maxLength: 9 }), (list) => {
        const answer = answerQuestion(list.join(' '), names);
        if (answer.ok) for (const mask of answer.masks) expect(mask).toBeLessThan(8);
        else expect(answer.reason).toMatch(/\.$/);
      }),
      { numRuns: 500 },
    );
  });
});

describe('sorting as an exercise', () => {
  const diagram = vennOf(3, [1, 3, 7, 0], (i) => ['wren', 'Ant', 'Élan', 'bee'][i]!);
  it('the word bank is in the order of names, which tells nothing of where they belong', () =>
    expect(wordBank(diagram)).toEqual(['e1', 'e3', 'e2', 'e0']));
  it('tells right, wrong and still to sort apart', () =>
    expect(judgeSorting(diagram, { e0: 1, e1: 2, gone: 1 })).toEqual({
      right: ['e0'],
      wrong: [{ id: 'e1', put: 2, belongs: 3 }],
      left: ['e3', 'e2'],
    }));
  it('the diagram’s own memberships are all right', () => {
    fc.assert(
      fc.property(venns(1, 20), (one) => {
        const sets = setsInOrder(one.venn);
        const own = Object.fromEntries(Object.keys(one.entries).map((id) => [id, maskOf(one.venn, sets, id)]));
        expect(judgeSorting(one, own)).toMatchObject({ wrong: [], left: [] });
        expect(sortedSoFar(one, own).venn.members).toEqual(one.venn.members);
      }),
    );
  });
  it('shows only what was put somewhere, there', () => {
    const { entries, venn } = sortedSoFar(diagram, { e2: 0b100 });
    expect(Object.keys(entries)).toEqual(['e2']);
    expect(venn.members).toEqual({ e2: ['s2'] });
  });
  it('has a sheet to fill in with the word bank, and one filled in', () => {
    expect(exerciseSheet(diagram, 'to-fill-in').venn.manner).toMatchObject({ content: 'blank', wordBank: true });
    expect(exerciseSheet(diagram, 'answered').venn.manner).toMatchObject({ content: 'names' });
  });
});

describe('how far areas are off, in words', () => {
  it.each([
    [0, [], 'exactly'],
    [0.013, [], '1.3 %'],
    [0.21, [3], '21 % of the whole (stress 0, diagError 0.210). One region'],
    [0.21, [3, 5], '2 regions'],
  ])('%f', (diagError, unwanted, words) => expect(scaleWords({ stress: 0, diagError, unwanted })).toContain(words));
});
