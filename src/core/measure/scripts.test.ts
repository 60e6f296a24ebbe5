import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import fc from 'fast-check';
import * as hb from 'harfbuzzjs';
import { describe, expect, it } from 'vitest';
import { faceFiles } from '../../export/font-files';
import { faceCss, type Face } from './face';
import { faceFor, missingCharacters, runsOf, widthOf } from './measure';

const require = createRequire(import.meta.url);
const fonts = new Map<Face, hb.Font>();
/** Width of a text at one px an em, shaped by HarfBuzz, which browsers shape with. */
function shaped(text: string, face: Face): number {
  let font = fonts.get(face);
  if (!font)
    fonts.set(face, (font = new hb.Font(new hb.Face(new hb.Blob(readFileSync(require.resolve(faceFiles[face])))))));
  const buffer = new hb.Buffer();
  buffer.addText(text);
  buffer.guessSegmentProperties();
  hb.shape(font, buffer);
  const width = buffer.getGlyphPositions().reduce((sum, { xAdvance }) => sum + xAdvance, 0);
  return width / font.face.upem;
}

const faces = (script: 'arab' | 'hebr' | 'deva'): Face[] => [`${script}400`, `${script}600`, `${script}700`];
const wordsOf = (letters: string, most = 9) =>
  fc.string({ unit: fc.constantFrom(...letters), minLength: 1, maxLength: most });

describe('widths of scripts are those of the shaped text', () => {
  const arabic = wordsOf('ابتثجحخدذرزسشصضطظعغفقكلمنهويىةأإآؤئءپچژگکیٹڈڑںھہے');
  it.each(faces('arab'))('words of joined letters, in %s', (face) => {
    fc.assert(fc.property(arabic, (word) => void expect(widthOf(word, face, 1)).toBeCloseTo(shaped(word, face), 6)));
  });
  it('joined letters with vowel signs, and with joins that are forbidden or asked for', () => {
    for (const word of ['مُحَمَّد', 'كِتَابٌ', 'می‌خواهم', 'لا', 'الله', 'ه‍', '٢٠٢٦'])
      expect(widthOf(word, 'arab600', 1), word).toBeCloseTo(shaped(word, 'arab600'), 6);
  });
  it.each(faces('hebr'))('words with and without points, in %s', (face) => {
    fc.assert(
      fc.property(wordsOf('אבגדהוזחטיכךלמםנןסעפףצץקרשת־'), (word) => {
        expect(widthOf(word, face, 1)).toBeCloseTo(shaped(word, face), 6);
      }),
    );
    for (const word of ['שָׁלוֹם', 'יִשְׂרָאֵל']) expect(widthOf(word, face, 1), word).toBeCloseTo(shaped(word, face), 6);
  });
  it.each(faces('deva'))('syllables with joined consonants and signs, in %s', (face) => {
    const consonants = fc.constantFrom(...'कखगघङचछजझञटठडढणतथदधनपफबभमयरलवशषसह');
    const cluster = fc.array(consonants, { minLength: 1, maxLength: 3 }).map((list) => list.join('्'));
    const syllable = fc.tuple(cluster, fc.constantFrom('', 'ा', 'ि', 'ी', 'ु', 'ू', 'े', 'ै', 'ो', 'ौ', 'ं', 'ः'));
    const word = fc.array(syllable, { minLength: 1, maxLength: 4 }).map((list) => list.flat().join(''));
    fc.assert(
      fc.property(word, (each) => {
        const true_ = shaped(each, face);
        expect(Math.abs(widthOf(each, face, 1) - true_) / true_).toBeLessThan(0.03);
      }),
    );
    for (const name of 'अनुष्का शर्मा प्रियंका कृष्णमूर्ति लक्ष्मी विश्वनाथ इंद्रजीत राष्ट्रपति स्त्री चंद्रशेखर ज्ञानेश्वर संयुक्ता श्रीकांत ऋत्विक हृदयनाथ'.split(
      ' ',
    ))
      expect(widthOf(name, face, 1), name).toBeCloseTo(shaped(name, face), 6);
  });
  it('East Asian names', () => {
    for (const [name, face] of [
      ['田中さくら', 'jpan400'],
      ['スズキ', 'jpan700'],
      ['김민준', 'kore700'],
      ['张伟', 'hans400'],
      ['欧阳娜娜（主任）', 'hans700'],
    ] as const)
      expect(widthOf(name, face, 1), name).toBeCloseTo(shaped(name, face), 6);
  });
});

describe('which face draws a name', () => {
  const familiesOf = (name: string, face: Face = 'sans600') =>
    runsOf(name, face, 10).map((run) => faceCss(run.face).family);
  it.each([
    ['田中さくら', ['Noto Sans JP']],
    ['高橋', ['Noto Sans JP']],
    ['张伟', ['Noto Sans SC']],
    ['김민준', ['Noto Sans KR']],
    ['金민준', ['Noto Sans KR']],
    ['Ada 张伟', ['Atkinson Hyperlegible Next', 'Noto Sans SC']],
    ['प्रिया', ['Noto Sans']],
    ['Иван', ['Noto Sans']],
  ])('%s', (name, wanted) => expect(familiesOf(name)).toEqual(wanted));
  it('in the weight of the text, where the script has it', () => {
    expect(faceFor('sans600', 'م'.codePointAt(0)!, 'م')).toBe('arab600');
    expect(faceFor('sans600', '张'.codePointAt(0)!, '张')).toBe('hans700');
    expect(faceFor('sans400i', 'ש'.codePointAt(0)!, 'ש')).toBe('hebr400');
  });
  it('nothing is missing of these scripts; of others it is named', () => {
    expect(missingCharacters('محمد علی שלום प्रिया 田中さくら 김민준 张伟 \u200f\u200e')).toEqual([]);
    expect(missingCharacters('ஜோதி')).toEqual(['ஜ', 'ோ', 'த', 'ி']);
  });
});

describe('right to left (UAX #9)', () => {
  const seen = (line: string, base?: 'ltr' | 'rtl') =>
    runsOf(line, 'sans400', 10, base).map(({ text, rtl }) => (rtl ? `<${text}` : text));
  it('a name in Hebrew letters stands as it is read, its first word on the right', () =>
    expect(seen('שלום עולם')).toEqual(['<עולם', ' ', '<שלום']));
  it('numbers within it are read from left to right, and stand to the left of what comes before', () =>
    expect(seen('כיתה 12ב')).toEqual(['<ב', '12', ' ', '<כיתה']));
  it('brackets are turned round', () => expect(seen('(שלום)')).toEqual(['(', '<שלום', ')']));
  it('in a line from left to right, two words from right to left change places, and a bracket after them goes with them (N0)', () => {
    expect(seen('Team: אבג דהו b', 'ltr')).toEqual(['Team: ', '<דהו', ' ', '<אבג', ' b']);
    expect(seen('Team: אבג (3)', 'ltr').join('')).toBe('Team: (3) <אבג');
  });
  it('the same line in a paragraph from right to left begins on the right', () =>
    expect(seen('Team אבג', 'rtl')).toEqual(['<אבג', ' ', 'Team']));
  it('nothing is lost, whatever stands beside what', () => {
    const unit = fc.constantFrom(...'abאבمع12()[] -.,:张');
    fc.assert(
      fc.property(fc.string({ unit, maxLength: 16 }), (line) => {
        const drawn = seen(line)
          .map((text) => text.replace('<', ''))
          .join('');
        const sorted = (text: string) =>
          [...text]
            .map((sign) => ({ ')': '(', ']': '[' })[sign] ?? sign)
            .sort()
            .join('');
        expect(sorted(drawn)).toBe(sorted(line));
      }),
    );
  });
});
