import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { detailsInOrder, drawnDetails, StylePatch } from '.';

const order = fc.uniqueArray(fc.integer({ min: 1, max: 8 }), { maxLength: 8 }).map((places) => places.join(' '));
const details = fc.uniqueArray(fc.string({ minLength: 1, maxLength: 5 }), { maxLength: 8 });

describe('the order of details', () => {
  it('loses none and adds none, and what it names stands first, as it says', () => {
    fc.assert(
      fc.property(details, order, (told, places) => {
        const ordered = detailsInOrder({ details: told }, places);
        expect([...ordered].sort()).toEqual([...told].sort());
        const named = places.split(' ').flatMap((place) => told[Number(place) - 1] ?? []);
        expect(ordered.slice(0, named.length)).toEqual(named);
        const rest = ordered.slice(named.length);
        expect(rest).toEqual(told.filter((detail) => rest.includes(detail)));
      }),
    );
  });
  it('what a kind puts before the details of the list stays there', () => {
    fc.assert(
      fc.property(details, order, (told, places) => {
        const ahead = detailsInOrder({ details: ['1850–1921', ...told], ahead: 1 }, places);
        expect(ahead).toEqual(['1850–1921', ...detailsInOrder({ details: told }, places)]);
      }),
    );
  });
  it('of so many lines the first in that order are drawn', () => {
    expect(drawnDetails({ details: ['Warden', 'Quay', '204'] }, { details: 2, detailOrder: '3 1' })).toEqual([
      '204',
      'Warden',
    ]);
  });
  it('is refused where a place is told twice, or is none', () => {
    for (const wrong of ['1 1', '0', '9', '1,2', ' 1', 'name'])
      expect(StylePatch.safeParse({ detailOrder: wrong }).success).toBe(false);
    for (const right of ['', '2', '8 1 3']) expect(StylePatch.safeParse({ detailOrder: right }).success).toBe(true);
  });
});
