import { describe, expect, it } from 'vitest';
import { decodeList } from './decode';

/** Bytes of a text in an encoding of one byte a sign. */
function bytesIn(label: string, text: string): Uint8Array {
  const byte = new Map(Array.from({ length: 256 }, (_, i) => [new TextDecoder(label).decode(Uint8Array.of(i)), i]));
  return Uint8Array.from(text, (sign) => byte.get(sign)!);
}

const samples = [
  ['windows-1252', 'Maëlle, Direção\nBjörn Åkesson, Küche'],
  ['windows-1252', 'Chef de cuisine: Hélène Lefèvre\nÉlodie Garçon'],
  ['windows-1252', 'Søren Nørgård, Ræv'],
  ['windows-1252', 'Íñigo Peña, Año'],
  ['windows-1250', 'Łukasz Wiśniewski, Kierownik łodzi\nZażółć Gęślą'],
  ['iso-8859-2', 'Łukasz Wiśniewski, Kierownik łodzi\nŻaneta Dąbrowska'],
  ['windows-1250', 'Jiří Dvořák, vedoucí\nŽofie Černá, účetní'],
] as const;

describe('bytes that say no encoding', () => {
  for (const [label, text] of samples)
    it(`are told from the letters of their words: ${text.slice(0, 14)} in ${label}`, () => {
      const read = decodeList(bytesIn(label, text));
      expect(read.text).toBe(text);
      expect(read.findings[0]).toMatchObject({ code: 'encoding-guessed', severity: 'warning', line: 1 });
    });
});
