import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { widthOf } from './measure';
import { foldsOf, wrapWithin } from './wrap';

const face = 'sans600' as const;
const name = (text: string, widestDouble = 120) =>
  foldsOf(text, face, 13, 3, { widestDouble }).map(({ lines }) => lines);

describe('names that are broken', () => {
  it('keep particles with what follows them', () => {
    expect(name('Noor van der Veen').at(-1)).toEqual(['Noor', 'van der Veen']);
    for (const way of name('Maria de la Cruz Okoro')) for (const line of way) expect(line).not.toMatch(/ (de|la)$/);
    for (const way of name('Petra Ó Súilleabháin')) for (const line of way) expect(line).not.toMatch(/ Ó$/);
  });
  it('keep initials and titles with the name, and numbers with what comes before', () => {
    expect(name('A. Okoro')).toEqual([['A. Okoro']]);
    expect(name('Dr. Ilse Marsh').at(-1)).toEqual(['Dr. Ilse', 'Marsh']);
    expect(name('Person 12')).toEqual([['Person 12']]);
  });
  it('part a double name at its hyphen only where it is very wide', () => {
    expect(name('Ngaire Holmström-Okafor').at(-1)).toEqual(['Ngaire', 'Holmström-Okafor']);
    expect(name('Ngaire Holmström-Okafor', 60).at(-1)).toEqual(['Ngaire', 'Holmström-', 'Okafor']);
  });
  it('take fewer lines before they take more, each way narrower than the one before', () => {
    fc.assert(
      fc.property(fc.array(fc.stringMatching(/^[a-zé]{1,11}$/), { minLength: 1, maxLength: 7 }), (words) => {
        const ways = foldsOf(words.join(' '), face, 13, 4);
        ways.forEach((way, k) => {
          expect(way.lines.join(' ')).toBe(words.join(' '));
          expect(way.width).toBeCloseTo(Math.max(...way.lines.map((line) => widthOf(line, face, 13))), 6);
          if (k > 0) {
            expect(way.lines.length).toBeGreaterThan(ways[k - 1]!.lines.length);
            expect(way.width).toBeLessThan(ways[k - 1]!.width);
          }
        });
      }),
    );
  });
  it('are as narrow as any breaks into that many lines, by trying all', () => {
    fc.assert(
      fc.property(fc.array(fc.stringMatching(/^[a-z]{1,9}$/), { minLength: 2, maxLength: 6 }), (words) => {
        const two = foldsOf(words.join(' '), face, 13, 2).at(-1)!;
        const all = words.map((_, k) =>
          Math.max(...[words.slice(0, k), words.slice(k)].map((part) => widthOf(part.join(' '), face, 13))),
        );
        expect(two.width).toBeLessThanOrEqual(Math.min(...all) + 0.5);
      }),
    );
  });
});

describe('text that has to stay within a width', () => {
  it('does, whatever it is, and loses nothing', () => {
    fc.assert(
      fc.property(
        fc.string({ unit: 'grapheme-ascii', maxLength: 120 }),
        fc.integer({ min: 30, max: 400 }),
        (text, width) => {
          const lines = wrapWithin(text, 'serif600', 22, width);
          for (const line of lines) expect(widthOf(line, 'serif600', 22) <= width || [...line].length === 1).toBe(true);
          expect(lines.join('').replace(/\s/g, '')).toBe(text.replace(/\s/g, ''));
        },
      ),
    );
  });
});
