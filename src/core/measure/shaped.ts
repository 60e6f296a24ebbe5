/** How letters that join take their forms: Arabic. All widths in font units. */
export interface Joining {
  /** By code point: whether it joins the letter before and the one after it, and its widths alone, first, in the middle and last. */
  readonly letters: ReadonlyMap<number, JoiningLetter>;
  /** By `pairKey`: what two letters beside each other take more than each alone in its form, as kerning and joined signs do. */
  readonly pairs: ReadonlyMap<number, number>;
}
export interface JoiningLetter {
  readonly before: boolean;
  readonly after: boolean;
  /** Alone, joined after, joined on both sides, joined before. */
  readonly widths: readonly [number, number, number, number];
}

/** Bits of a context: the first of two letters is joined to one before it; the second to one after it. */
export const pairKey = (a: number, b: number, joinedBefore: boolean, joinedAfter: boolean): number =>
  ((a & 0xfff) * 0x1000 + (b & 0xfff)) * 4 + (joinedBefore ? 1 : 0) + (joinedAfter ? 2 : 0);

const nonJoiner = 0x200c;
const joiner = 0x200d;
const isMark = (point: number): boolean =>
  (point >= 0x064b && point <= 0x065f) || point === 0x0670 || (point >= 0x06d6 && point <= 0x06ed && point !== 0x06dd);

/**
 * Width of Arabic text in font units: every letter in the form that its neighbours ask for. Marks take no room and are passed over; the zero-width
 * joiner and non-joiner do as they say. `other`: the width of what does not join. Equal to what HarfBuzz gives (tested). O(characters).
 */
export function joinedWidth(text: string, { letters, pairs }: Joining, other: (point: number) => number): number {
  const points: number[] = [];
  for (const character of text) {
    const point = character.codePointAt(0)!;
    if (!isMark(point)) points.push(point);
  }
  const letterAt = (i: number): JoiningLetter | undefined => letters.get(points[i]!);
  const joins = (i: number): boolean =>
    (points[i] === joiner || (letterAt(i)?.after ?? false)) &&
    (points[i + 1] === joiner || (letterAt(i + 1)?.before ?? false));
  let width = 0;
  for (let i = 0; i < points.length; i++) {
    const point = points[i]!;
    const letter = letterAt(i);
    if (!letter) {
      if (point !== nonJoiner && point !== joiner) width += other(point);
      continue;
    }
    const before = i > 0 && joins(i - 1);
    const after = joins(i);
    width += letter.widths[before ? (after ? 2 : 3) : after ? 1 : 0];
    if (letterAt(i + 1)) width += pairs.get(pairKey(point, points[i + 1]!, before, joins(i + 1))) ?? 0;
  }
  return width;
}

/** How consonants without a vowel between them are set: Devanagari. All widths in font units. */
export interface Syllables {
  /** Width of a consonant before another one. */
  readonly half: ReadonlyMap<number, number>;
  /** By `clusterKey`: what two consonants take more than the half and the whole one, as joined signs do. */
  readonly pairs: ReadonlyMap<number, number>;
  /** What three take more than their pairs tell. */
  readonly triples: ReadonlyMap<number, number>;
  /** By `clusterKey` of consonant and sign, where the sign takes another width on that consonant. */
  readonly signs: ReadonlyMap<number, number>;
}
export const clusterKey = (...points: readonly number[]): number =>
  points.reduce((key, point) => key * 0x80 + (point & 0x7f), 0);

const virama = 0x094d;
const nukta = 0x093c;
const isConsonant = (point: number): boolean =>
  (point >= 0x0915 && point <= 0x0939) || (point >= 0x0958 && point <= 0x095f) || point >= 0x0979;

/**
 * Width of Devanagari text in font units: consonants with a virama between them as the font joins them, signs at what they add. Equal to what HarfBuzz
 * gives but for rare clusters of four consonants and more. O(characters).
 */
export function syllablesWidth(text: string, syllables: Syllables, own: (point: number) => number): number {
  const points = Array.from(text, (character) => character.codePointAt(0)!).filter((point) => point !== nukta);
  let width = 0;
  let i = 0;
  while (i < points.length) {
    if (!isConsonant(points[i]!)) {
      const point = points[i++]!;
      if (point !== nonJoiner && point !== joiner) width += own(point);
      continue;
    }
    const cluster = [points[i++]!];
    while (points[i] === virama && i + 1 < points.length && isConsonant(points[i + 1]!)) {
      cluster.push(points[i + 1]!);
      i += 2;
    }
    width += clusterWidth(cluster, syllables, own);
    const sign = points[i];
    // After others a consonant has another form, on which signs are as wide as usual.
    if (sign !== undefined && cluster.length === 1) width += syllables.signs.get(clusterKey(cluster[0]!, sign)) ?? 0;
  }
  return width;
}

function clusterWidth(cluster: readonly number[], { half, pairs, triples }: Syllables, own: (point: number) => number) {
  let width = own(cluster.at(-1)!);
  for (let k = 0; k + 1 < cluster.length; k++) {
    const [a, b, c] = [cluster[k]!, cluster[k + 1]!, cluster[k + 2]];
    width += (half.get(a) ?? own(a)) + (pairs.get(clusterKey(a, b)) ?? 0);
    if (c !== undefined) width += triples.get(clusterKey(a, b, c)) ?? 0;
  }
  return width;
}
