import fc from 'fast-check';
import { readGedcom } from 'read-gedcom';
import { describe, expect, it } from 'vitest';
import { decodeAnsel, saysAnsel } from './ansel';
import { decodeList } from './decode';

const bytesOf = (...parts: readonly (string | number)[]): Uint8Array =>
  Uint8Array.from(parts.flatMap((part) => (typeof part === 'number' ? [part] : [...new TextEncoder().encode(part)])));
const file = (...name: readonly (string | number)[]): Uint8Array =>
  bytesOf('0 HEAD\n1 CHAR ANSEL\n0 @I1@ INDI\n1 NAME ', ...name, '\n0 TRLR\n');

describe('ANSEL', () => {
  it('puts marks, which stand before their letter there, on it', () => {
    expect(decodeAnsel(bytesOf('Maja ', 0xea, 'A', 'ngstr', 0xe8, 'om'))).toBe('Maja Ångström');
    expect(decodeAnsel(bytesOf(0xa1, 0xe2, 'od', 0xe2, 'z'))).toBe('Łódź');
    expect(decodeAnsel(bytesOf('Fran', 0xf0, 'cois Stra', 0xcf, 'er'))).toBe('François Straßer');
  });
  it('keeps several marks on one letter, and a mark without one at the end of its line', () => {
    expect(decodeAnsel(bytesOf(0xe3, 0xe2, 'a'))).toBe('ấ');
    expect(decodeAnsel(bytesOf('x', 0xe2, '\ny'))).toBe('x\u0301\ny');
  });
  it('agrees with an independent reader about letters, and the marks it knows', () => {
    // Signs on which the two differ are left to the standard: D with stroke, ayn, the hooked letters, boxes.
    const letter = fc.constantFrom(...'aeiouAEIOU', 0xa1, 0xa2, 0xa4, 0xa5, 0xa6, 0xb1, 0xb2, 0xb3, 0xb4, 0xb5, 0xb6);
    const marked = fc.tuple(fc.constantFrom(0xe1, 0xe2, 0xe3, 0xe8), fc.constantFrom('a', 'e', 'i', 'o', 'u'));
    const name = fc.array(
      fc.oneof(
        letter.map((one) => [one]),
        marked,
      ),
      { minLength: 1, maxLength: 12 },
    );
    fc.assert(
      fc.property(name, (parts) => {
        const bytes = file(...parts.flat());
        const theirs = readGedcom(bytes.buffer as ArrayBuffer)
          .getIndividualRecord()
          .getName()
          .value()[0]!;
        expect(decodeAnsel(bytesOf(...parts.flat()))).toBe(theirs.normalize('NFC'));
      }),
    );
  });
  it('is taken where the head of a GEDCOM file says so, and nowhere else', () => {
    expect(saysAnsel(file('x'))).toBe(true);
    expect(saysAnsel(bytesOf('0 HEAD\n1 CHAR UTF-8\n'))).toBe(false);
    expect(saysAnsel(bytesOf('Name\n1 CHAR ANSEL\n'))).toBe(false);
    const { text, findings } = decodeList(file('Ren', 0xe2, 'e /No', 0xe8, 'el/'));
    expect(text).toContain('1 NAME René /Noël/');
    expect(findings).toEqual([]);
  });
});
