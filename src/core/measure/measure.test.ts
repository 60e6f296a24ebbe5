import { createRequire } from 'node:module';
import * as fontkit from 'fontkit';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { faceFiles } from '../../export/font-files';
import { createEntry } from '../model';
import { tierStyle, looks } from '../style';
import { boxText } from './box-text';
import { faceFor, missingCharacters, runsOf, widthOf } from './measure';
import { wrap } from './wrap';
import { type Face } from './face';

const require = createRequire(import.meta.url);
const open = (face: Face) => fontkit.openSync(require.resolve(faceFiles[face])) as fontkit.Font;

describe('widths', () => {
  it.each<[Face, string]>([
    ['sans600', 'Maëlle Adeyemi-Fox'],
    ['sans400', 'Þóra Einarsdóttir AVATAR To Ty'],
    ['sans700', 'Łódź Ćwikła “Żółw” — Office fi ffl'],
    ['sans600i', 'Vacant Water quality lead'],
    ['serif600', 'Brackwater Field Centre'],
    ['noto600', 'Ελένη Παπαδοπούλου Иван Петров'],
  ])('in %s of “%s” are those of the font itself, kerning included', (face, text) => {
    const font = open(face);
    const { advanceWidth } = font.layout(text, { liga: false, clig: false, calt: false, ccmp: false, locl: false });
    expect(widthOf(text, face, 1000)).toBeCloseTo((advanceWidth / font.unitsPerEm) * 1000, 6);
  });
  it('grow in step with the size', () =>
    expect(widthOf('Noor van der Veen', 'sans600', 26)).toBeCloseTo(
      2 * widthOf('Noor van der Veen', 'sans600', 13),
      9,
    ));
  it('characters the main font lacks are drawn in Noto Sans, in runs', () => {
    expect(faceFor('sans600', 'ω'.codePointAt(0)!, 'ω')).toBe('noto600');
    expect(runsOf('Ada ωμέγα', 'sans600', 10).map((run) => run.face)).toEqual(['sans600', 'noto600']);
    expect(
      runsOf('Ada ωμέγα', 'sans600', 10)
        .map((run) => run.text)
        .join(''),
    ).toBe('Ada ωμέγα');
  });
  it('names characters that no shipped font has', () => {
    expect(missingCharacters('Ada ဗမာ Łódź')).toEqual(['ဗ', 'မ', 'ာ']);
    expect(missingCharacters('Иван Ελένη Phạm')).toEqual([]);
  });
});

describe('wrapping', () => {
  const words = fc
    .array(fc.string({ unit: fc.constantFrom(...'abcdefgß é'), minLength: 1, maxLength: 12 }), {
      minLength: 1,
      maxLength: 6,
    })
    .map((list) => list.join(' '));
  it('never loses a letter, keeps to the lines allowed, and says the true width', () => {
    fc.assert(
      fc.property(words, fc.integer({ min: 20, max: 200 }), fc.integer({ min: 1, max: 4 }), (text, wanted, lines) => {
        const set = wrap(text, 'sans600', 13, wanted, lines);
        expect(set.lines.join('').replaceAll(' ', '')).toBe(text.replaceAll(' ', ''));
        expect(set.lines.length).toBeLessThanOrEqual(lines);
        expect(set.width).toBeCloseTo(Math.max(...set.lines.map((line) => widthOf(line, 'sans600', 13))), 6);
      }),
    );
  });
  it('breaks after a hyphen and between words, evenly', () => {
    expect(wrap('Ngaire Holmström-Okafor', 'sans600', 15, 60, 3).lines).toEqual(['Ngaire', 'Holmström-', 'Okafor']);
    expect(wrap('Oluwaseun Bright', 'sans600', 13, 90, 3).lines).toEqual(['Oluwaseun', 'Bright']);
  });
  it('widens rather than cuts where there is no place to break', () => {
    expect(wrap('Donaudampfschifffahrtsgesellschaft', 'sans600', 13, 60, 3).lines).toHaveLength(1);
  });
});

describe('the text of a box', () => {
  const style = tierStyle(looks[0]!, 3);
  it('sets the name bold above lighter details, in the middle, lines apart', () => {
    const text = boxText(
      createEntry({ id: 'a', order: 'V', name: 'Hana Petrović', details: ['Schools lead', '', 'Classrooms'] }),
      { ...style, details: 3 },
    );
    expect(text.lines.map((line) => line.part)).toEqual(['name', 'detail', 'detail']);
    const baselines = text.lines.map((line) => line.baseline);
    expect([...baselines].sort((a, b) => a - b)).toEqual(baselines);
    expect(text.height / 2).toBeGreaterThan(baselines.at(-1)!);
    expect(text.lines[0]!.face).toBe('sans600');
    expect(text.lines[1]!.face).toBe('sans400');
  });
  it('shows as many detail lines as the style says', () => {
    const entry = createEntry({ id: 'a', order: 'V', name: 'Hana', details: ['one', 'two', 'three'] });
    expect(boxText(entry, { ...style, details: 1 }).lines).toHaveLength(2);
    expect(boxText(entry, { ...style, details: 0 }).lines).toHaveLength(1);
  });
});
