import bidiFactory from 'bidi-js';

const bidi = bidiFactory();

export type Base = 'ltr' | 'rtl';

/** Letters that are written from right to left, and the signs that turn the direction. */
const turns = /[\u0590-\u08ff\u200f\u202b\u202e\u2067\ufb1d-\ufdff\ufe70-\ufefc]/;

/** Whether anything in a text may be written from right to left. O(characters). */
export const mayTurn = (text: string): boolean => turns.test(text);

/** The direction of a paragraph by its first strong character (UAX #9, P2 and P3). */
export const baseOf = (text: string): Base =>
  mayTurn(text) && (bidi.getEmbeddingLevels(text).paragraphs[0]?.level ?? 0) % 2 === 1 ? 'rtl' : 'ltr';

export interface Stretch {
  readonly text: string;
  readonly rtl: boolean;
}

/** The stretches of one direction of a line, from left to right as they are seen; each text in the order of reading (UAX #9, L2). */
export function stretchesOf(line: string, base: Base = baseOf(line)): Stretch[] {
  const { levels } = bidi.getEmbeddingLevels(line, base);
  const stretches: (Stretch & { readonly level: number })[] = [];
  for (let start = 0, at = 1; at <= line.length; at++) {
    if (at < line.length && levels[at] === levels[start]) continue;
    const level = levels[start]!;
    stretches.push({ text: line.slice(start, at), rtl: level % 2 === 1, level });
    start = at;
  }
  const highest = Math.max(0, ...stretches.map(({ level }) => level));
  for (let level = highest; level > 0; level--)
    for (let from = 0; from < stretches.length; from++) {
      let to = from;
      while (to < stretches.length && stretches[to]!.level >= level) to++;
      if (to > from + 1) stretches.splice(from, to - from, ...stretches.slice(from, to).reverse());
      from = Math.max(from, to - 1);
    }
  return stretches;
}

/** Signs of a stretch from right to left as they are seen from left to right: turned round, brackets mirrored (UAX #9, L4). */
export const mirrored = (text: string): string =>
  [...text]
    .reverse()
    .map((character) => bidi.getMirroredCharacter(character) ?? character)
    .join('');
