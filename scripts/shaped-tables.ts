/** What a font does with letters that join, asked of HarfBuzz: the tables by which `core/measure/shaped` measures Arabic and Devanagari. */
import { readFileSync } from 'node:fs';
import * as hb from 'harfbuzzjs';
import type { StoredTable } from '../src/core/measure/tables';

const joiner = '\u200d';
const virama = '\u094d';
const text = (...points: number[]): string => String.fromCodePoint(...points);
const range = (from: number, to: number): number[] => Array.from({ length: to - from + 1 }, (_, i) => from + i);

export interface Shaper {
  /** Width in font units. */
  width(text: string): number;
  /** The glyphs of the character at an index, as a key. */
  glyphs(text: string, index: number): string;
}

export function shaperOf(file: string): Shaper {
  const font = new hb.Font(new hb.Face(new hb.Blob(readFileSync(file))));
  const buffer = new hb.Buffer();
  const shape = (of: string) => {
    buffer.reset();
    buffer.addText(of);
    buffer.guessSegmentProperties();
    hb.shape(font, buffer);
    return buffer.getGlyphInfosAndPositions();
  };
  return {
    width: (of) => shape(of).reduce((sum, { xAdvance }) => sum + xAdvance!, 0),
    glyphs: (of, index) =>
      shape(of)
        .filter(({ cluster }) => cluster === index)
        .map(({ codepoint }) => codepoint)
        .join(' '),
  };
}

/** Letters of Arabic, Persian, Urdu, Pashto, Kurdish and Uyghur, whose pairs are looked at; other letters are measured by their forms alone. */
const paired = new Set([
  ...range(0x0621, 0x063a),
  ...range(0x0641, 0x064a),
  ...'ٱٹپچڈڑژکگںھہۂۃیےۓۀټځڅډړږښګڼۍېڕڵڤۆێەڭۇۈۋ'.split('').map((letter) => letter.codePointAt(0)!),
]);

/** Letters of these and further languages, and the stroke that lengthens. */
const arabicLetters = [
  ...range(0x0620, 0x063f),
  ...range(0x0640, 0x064a),
  ...range(0x0671, 0x06d3),
  0x06d5,
  ...range(0x06fa, 0x06fc),
];

export function joiningOf(shaper: Shaper, has: (point: number) => boolean): NonNullable<StoredTable['joining']> {
  const points = arabicLetters.filter(has);
  const beh = 0x0628;
  const alone = shaper.glyphs(text(beh), 0);
  const joins = new Map(
    points.map((point) => [
      point,
      {
        before: shaper.glyphs(text(beh, point), 0) !== alone,
        after: shaper.glyphs(text(point, beh), 1) !== alone,
      },
    ]),
  );
  const widths = new Map(
    points.map((point) => {
      const { before, after } = joins.get(point)!;
      const letter = text(point);
      const forms = [
        shaper.width(letter),
        after ? shaper.width(letter + joiner) : 0,
        before && after ? shaper.width(joiner + letter + joiner) : 0,
        before ? shaper.width(joiner + letter) : 0,
      ];
      return [point, forms];
    }),
  );
  const pairs: number[][] = [];
  const looked = points.filter((point) => paired.has(point));
  for (const a of looked)
    for (const b of looked) {
      const joined = joins.get(a)!.after && joins.get(b)!.before;
      for (const context of [0, 1, 2, 3]) {
        const [before, after] = [(context & 1) > 0, (context & 2) > 0];
        if ((before && !joins.get(a)!.before) || (after && !joins.get(b)!.after)) continue;
        const set = shaper.width(`${before ? joiner : ''}${text(a, b)}${after ? joiner : ''}`);
        const apart =
          widths.get(a)![before ? (joined ? 2 : 3) : joined ? 1 : 0]! +
          widths.get(b)![joined ? (after ? 2 : 3) : after ? 1 : 0]!;
        if (set !== apart) pairs.push([a, b, context, set - apart]);
      }
    }
  return {
    letters: points.map((point) => {
      const { before, after } = joins.get(point)!;
      return [point, (before ? 1 : 0) + (after ? 2 : 0), ...widths.get(point)!];
    }),
    pairs,
  };
}

/** Kerning of Hebrew letters, in the rows of a table. */
export function hebrewKerns(shaper: Shaper): number[][] {
  const letters = [0x05be, ...range(0x05d0, 0x05ea)];
  const alone = new Map(letters.map((point) => [point, shaper.width(text(point))]));
  return letters
    .map((a) => [
      a,
      ...letters.flatMap((b) => {
        const kern = shaper.width(text(a, b)) - alone.get(a)! - alone.get(b)!;
        return kern === 0 ? [] : [b, kern];
      }),
    ])
    .filter((row) => row.length > 1);
}

const consonants = [
  ...range(0x0915, 0x0928),
  ...range(0x092a, 0x0930),
  ...range(0x0932, 0x0933),
  ...range(0x0935, 0x0939),
];
const signs = [...range(0x0900, 0x0903), ...range(0x093e, 0x094f), ...range(0x0951, 0x0957), 0x0962, 0x0963];

/** The commonest of some numbers. */
function commonest(values: readonly number[]): number {
  const times = new Map<number, number>();
  for (const value of values) times.set(value, (times.get(value) ?? 0) + 1);
  return [...times].sort(([a, n], [b, m]) => m - n || a - b)[0]![0];
}

/** The widths of single signs too, which stand in the runs of the table: a sign is as wide as what it adds to a consonant. */
export function syllablesOf(shaper: Shaper): {
  readonly syllables: NonNullable<StoredTable['syllables']>;
  readonly signs: ReadonlyMap<number, number>;
} {
  const whole = new Map(consonants.map((point) => [point, shaper.width(text(point))]));
  const cluster = (...points: number[]): number => shaper.width(points.map((point) => text(point)).join(virama));
  const two = new Map(consonants.map((a) => [a, new Map(consonants.map((b) => [b, cluster(a, b)]))]));
  const half = new Map(
    consonants.map((a) => [a, commonest(consonants.map((b) => two.get(a)!.get(b)! - whole.get(b)!))]),
  );
  const more = (a: number, b: number): number => two.get(a)!.get(b)! - half.get(a)! - whole.get(b)!;
  const pairs: number[][] = [];
  const triples: number[][] = [];
  for (const a of consonants)
    for (const b of consonants) {
      if (more(a, b) !== 0) pairs.push([a, b, more(a, b)]);
      for (const c of consonants) {
        const left = cluster(a, b, c) - (half.get(a)! + more(a, b) + half.get(b)! + more(b, c) + whole.get(c)!);
        if (left !== 0) triples.push([a, b, c, left]);
      }
    }
  const widths = new Map<number, number>();
  const rows: number[][] = [];
  for (const sign of signs) {
    const added = consonants.map((point) => shaper.width(text(point, sign)) - whole.get(point)!);
    const usual = commonest(added);
    widths.set(sign, usual);
    consonants.forEach((point, i) => {
      if (added[i] !== usual) rows.push([point, sign, added[i]! - usual]);
    });
  }
  return { syllables: { half: [...half], pairs, triples, signs: rows }, signs: widths };
}
