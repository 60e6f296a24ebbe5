import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { vennOf, venns } from '../../testing/arbitrary-venn';
import { Entry } from '../../model';
import { brokenInvariants, openDiagram } from '../../diagram';
import { Venn, keyOfMask, maskOf, regionKey, setsInOrder, setsOfMask } from './model';

describe('the model of a Venn diagram', () => {
  it('holds together as generated, and comes back from JSON', () => {
    fc.assert(
      fc.property(venns(1, 20), (diagram) => {
        expect(brokenInvariants(diagram)).toEqual([]);
        expect(openDiagram(JSON.parse(JSON.stringify(diagram)))).toEqual(diagram);
      }),
    );
  });
  it('masks and keys of regions tell the same sets', () => {
    fc.assert(
      fc.property(venns(1, 12), (diagram) => {
        const sets = setsInOrder(diagram.venn);
        for (const id of Object.keys(diagram.entries)) {
          const mask = maskOf(diagram.venn, sets, id);
          expect(keyOfMask(sets, mask)).toBe((diagram.venn.members[id] ?? []).join(','));
          expect(setsOfMask(sets, mask).map((set) => set.id)).toEqual(diagram.venn.members[id] ?? []);
        }
      }),
    );
  });
  it('a key does not depend on the order in which sets are named', () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.constantFrom('a', 'b', 'c', 'd'), { maxLength: 4 }), (ids) => {
        expect(regionKey(ids)).toBe(regionKey([...ids].reverse()));
      }),
    );
  });
  it('sets are in the order of their keys, those with equal keys by id', () => {
    const part = vennOf(3, []).venn;
    const same = Object.fromEntries(Object.entries(part.sets).map(([id, set]) => [id, { ...set, order: 'V' }]));
    expect(setsInOrder({ ...part, sets: same }).map(({ id }) => id)).toEqual(['s0', 's1', 's2']);
    const turned = { ...same, s0: { ...same.s0!, order: 'z' } };
    expect(setsInOrder({ ...part, sets: turned }).map(({ id }) => id)).toEqual(['s1', 's2', 's0']);
  });
  it.each<[string, (diagram: Venn) => Venn, RegExp]>([
    [
      'memberships of an entry that is gone',
      (one) => ({ ...one, venn: { ...one.venn, members: { ...one.venn.members, gone: ['s0'] } } }),
      /memberships are kept for gone/,
    ],
    [
      'an entry in a set that is gone',
      (one) => ({ ...one, venn: { ...one.venn, members: { e0: ['zz'] } } }),
      /in set zz, which is not there/,
    ],
    [
      'sets of an entry out of order',
      (one) => ({ ...one, venn: { ...one.venn, members: { e0: ['s1', 's0'] } } }),
      /not each once and in order/,
    ],
    [
      'a region of a set that is gone',
      (one) => ({ ...one, venn: { ...one.venn, regions: { 's0,zz': { title: 'x', style: {} } } } }),
      /region is kept for set zz/,
    ],
    [
      'a set under another’s id',
      (one) => ({ ...one, venn: { ...one.venn, sets: { ...one.venn.sets, other: one.venn.sets.s0! } } }),
      /set other is kept under the id of s0/,
    ],
  ])('%s is found', (_, spoil, words) => expect(brokenInvariants(spoil(vennOf(2, [1, 2]))).join('\n')).toMatch(words));
  it('more than five sets are found', () => {
    const five = vennOf(5, [1]);
    const sets = { ...five.venn.sets, x: { id: 'x', name: 'Sixth', order: 'zz', colour: null } };
    expect(brokenInvariants({ ...five, venn: { ...five.venn, sets } }).join()).toContain('more than 5 sets');
  });
  it('a picture is named by 32 hexadecimal digits and has a size, or is left out', () => {
    const entry = Object.values(vennOf(1, [1]).entries)[0]!;
    const image = { id: '0123456789abcdef0123456789abcdef', width: 4, height: 3 };
    expect(Entry.safeParse({ ...entry, image }).success).toBe(true);
    for (const bad of [{ ...image, id: '../secret' }, { ...image, width: 0 }, { ...image, more: 1 }, null])
      expect(Entry.safeParse({ ...entry, image: bad }).success).toBe(false);
  });
  it('what a later hand would add is not taken for part of it', () => {
    const diagram = vennOf(2, [1]);
    expect(Venn.safeParse({ ...diagram, venn: { ...diagram.venn, surprise: 1 } }).success).toBe(false);
  });
});
