import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyGesture, brokenInvariants, tokensOf } from '../../../diagram';
import { familyTree } from '../kind';
import type { FamilyTree } from '../model';
import { familyGedcom } from '../write/gedcom';
import { readFamily } from './read';

const make = (text: string): FamilyTree => familyTree.make(readFamily(tokensOf(text)), '');

/** Tags below a person, a family and an event; what has a value, and what points to somebody. */
const ofPerson = ['NAME', 'SEX', 'BIRT', 'DEAT', 'NOTE', 'OCCU', 'RESI', 'EVEN', '_OWN', 'BURI', 'TITL'];
const ofFamily = ['MARR', 'DIV', 'ENGA', 'NOTE', '_OWN', 'EVEN', 'NCHI'];
const ofEvent = ['DATE', 'PLAC', 'NOTE', 'SOUR', 'AGE', 'TYPE', '_OWN', 'CAUS'];
const ofDetail = ['MAP', 'TIME', 'NOTE', 'FORM', 'PAGE'];

/** Draws from a row of numbers, so that one array makes a whole file. */
function dealer(draws: readonly number[]) {
  let at = 0;
  let words = 0;
  const next = (n: number): number => draws[at++ % draws.length]! % n;
  const word = (): string => `Zq${(words++).toString(36).padStart(3, 'w')}v`;
  return { next, of: <T>(list: readonly T[]): T => list[next(list.length)]!, word };
}

/** A file of persons and families with structures of all sorts, every value a word that stands there once. */
function fileFrom(draws: readonly number[]): string {
  const { next, of, word } = dealer(draws);
  const persons = 1 + next(4);
  const families = next(4);
  const lines = ['0 HEAD', `1 SOUR ${word()}`, `1 FILE ${word()}`, `1 NOTE ${word()}`, '1 GEDC', '2 VERS 5.5.1'];
  const below = (level: number, tags: readonly string[], deeper: readonly string[]): void => {
    for (let k = next(3); k > 0; k--) {
      const tag = of(tags);
      lines.push(`${level} ${tag}${next(4) > 0 ? ` ${word()}` : ''}`);
      if (level < 4) below(level + 1, deeper, ofDetail);
    }
  };
  for (let i = 1; i <= persons; i++) {
    lines.push(`0 @I${i}@ INDI`);
    if (next(5) > 0) lines.push(`1 NAME ${word()} ${next(2) > 0 ? `/${word()}/` : word()}`);
    below(1, ofPerson, ofEvent);
    below(1, ofPerson, ofEvent);
    for (const tag of ['FAMS', 'FAMC', 'ASSO']) {
      if (next(3) > 0) continue;
      lines.push(`1 ${tag} @${tag === 'ASSO' ? 'I' : 'F'}${1 + next(4)}@`);
      if (tag === 'FAMC' && next(2) > 0) lines.push(`2 PEDI ${of(['adopted', 'birth', word()])}`);
      below(2, ['NOTE', '_FREL', 'RELA'], ofDetail);
    }
  }
  for (let i = 1; i <= families; i++) {
    lines.push(`0 @F${i}@ FAM`);
    for (const tag of ['HUSB', 'WIFE', 'WIFE', 'CHIL', 'CHIL']) {
      if (next(3) === 0) continue;
      lines.push(`1 ${tag} @I${1 + next(5)}@`);
      below(2, ['NOTE', '_FREL', '_MREL'], ofDetail);
    }
    below(1, ofFamily, ofEvent);
    below(1, ofFamily, ofEvent);
  }
  lines.push(`0 @S1@ SOUR`, `1 TITL ${word()}`, '0 TRLR');
  if (next(3) === 0) lines.push(word());
  return lines.join('\n');
}

const draws = fc.array(fc.nat({ max: 1_000_000 }), { minLength: 120, maxLength: 120 });
const wordsIn = (text: string): string[] => text.match(/Zq[0-9a-z]{3}v/g) ?? [];
const missing = (text: string, told: string): string[] => {
  const there = new Set(wordsIn(told));
  return wordsIn(text).filter((word) => !there.has(word));
};

describe('what came in as GEDCOM leaves again', () => {
  it('every word of every structure, once, and written again it stays what it is', () => {
    fc.assert(
      fc.property(draws.map(fileFrom), (text) => {
        const diagram = make(text);
        expect(brokenInvariants(diagram)).toEqual([]);
        const out = familyGedcom(diagram);
        expect(wordsIn(out).sort()).toEqual(wordsIn(text).sort());
        const again = make(out);
        // Of families that contradict themselves the order may change, never a line.
        const lines = (of: string) => of.replace(/@\w+@/g, '@').split('\n').sort();
        expect(lines(familyGedcom(again))).toEqual(lines(out));
      }),
      { numRuns: 400 },
    );
  });
  it('every word of a file in which lines were lost, cut, swapped or broken', () => {
    fc.assert(
      fc.property(draws, draws, (first, second) => {
        const { next, of } = dealer(second);
        const lines = fileFrom(first).split('\n');
        for (let k = 1 + next(5); k > 0; k--) {
          const at = 1 + next(lines.length - 1);
          const how = of(['drop', 'cut', 'swap', 'level', 'break']);
          if (how === 'drop') lines.splice(at, 1);
          else if (how === 'cut') lines[at] = lines[at]!.slice(next(lines[at]!.length));
          else if (how === 'swap') [lines[at], lines[1]] = [lines[1]!, lines[at]!];
          else if (how === 'level') lines[at] = lines[at]!.replace(/^\d/, String(next(6)));
          else lines[at] = lines[at]!.replace(' ', '\n');
        }
        const text = lines.join('\n');
        expect(missing(text, familyGedcom(make(text)))).toEqual([]);
      }),
      { numRuns: 400 },
    );
  });
  it('the second of an event, what stands below dates and places, and who is the wife', () => {
    const text = [
      ...['0 HEAD', '0 @I7@ INDI', '1 NAME Ada /Quill/', '1 SEX U', '1 BIRT', '2 DATE 1850', '3 TIME 08:15'],
      ...['2 DATE 1851', '2 PLAC Brackwater', '3 MAP', '4 LATI N51.5', '1 BIRT', '2 DATE 1852', '2 NOTE from a letter'],
      ...['1 FAMS @F3@', '2 NOTE kept apart', '1 ASSO @I8@', '2 RELA friend', '0 @I8@ INDI', '1 NAME Bo'],
      ...['1 FAMC @F3@', '2 PEDI sealing', '0 @F3@ FAM', '1 WIFE @I7@', '1 CHIL @I8@', '2 _FREL Natural'],
      ...['1 MARR', '2 DATE 1870', '1 MARR', '2 DATE 1871', '0 TRLR'],
    ].join('\n');
    const out = familyGedcom(make(text));
    for (const part of [
      '1 BIRT\n2 DATE 1850\n3 TIME 08:15\n2 PLAC Brackwater\n3 MAP\n4 LATI N51.5\n2 DATE 1851\n',
      '1 BIRT\n2 DATE 1852\n2 NOTE from a letter\n',
      '1 SEX U\n',
      '1 FAMS @F1@\n2 NOTE kept apart\n',
      // Pointers follow the persons to their new numbers.
      '1 ASSO @I2@\n2 RELA friend\n',
      '1 FAMC @F1@\n2 PEDI sealing\n',
      '1 WIFE @I1@\n1 CHIL @I2@\n2 _FREL Natural\n1 MARR\n2 DATE 1870\n1 MARR\n2 DATE 1871\n',
    ])
      expect(`${out}\n`).toContain(part);
    expect(out).not.toContain('HUSB');
  });
  it('a surname is marked, also of a name that was changed since', () => {
    const made = make('0 HEAD\n0 @I1@ INDI\n1 NAME Ada /Quill/\n2 SURN Quill\n2 NOTE as in the book\n0 TRLR');
    const renamed = applyGesture(made, [{ kind: 'rename', id: 'p1', name: 'Ada van der Veen Jr' }]);
    if (!renamed.ok) throw new Error(renamed.reason);
    const out = familyGedcom(renamed.diagram as FamilyTree);
    expect(out).toContain('1 NAME Ada /van der Veen/ Jr\n2 NOTE as in the book\n');
    expect(out).not.toContain('Quill');
    expect(familyGedcom(make('Name,Father\nBo Lin,\nCy,Bo Lin'))).toContain('1 NAME Bo /Lin/\n');
  });
});
