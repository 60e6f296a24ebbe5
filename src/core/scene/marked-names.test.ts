import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { draw, type Diagram } from '../diagram';
import { boxText, unmarked } from '../measure';
import { createEntry } from '../model';
import { looks, tierStyle } from '../style';
import { diagramFromParents } from '../testing/arbitrary';

const plain = tierStyle(looks[0]!, 2);
const set = { ...plain, nameMarks: 'set' as const };
const word = fc.constantFrom(
  'salt',
  '*marsh*',
  '**creek**',
  'H_{2}O',
  'm^{2}',
  '*half*way',
  'tide',
  '2 * 3',
  '**',
  'x^{}',
);
const names = fc.array(word, { minLength: 1, maxLength: 7 }).map((words) => words.join(' '));
const textOf = (name: string, style: typeof plain, width = 400): string =>
  boxText(createEntry({ id: 'x', name, order: 'V' }), style, width)
    .lines.map(({ runs }) => runs.map(({ text }) => text).join(''))
    .join(' ');

describe('names in which signs tell a manner', () => {
  it('show all words without the signs, and as typed where that is not asked for', () => {
    fc.assert(
      fc.property(names, fc.integer({ min: 20, max: 400 }), (name, width) => {
        const bare = (text: string): string => text.replace(/\s+/g, '');
        expect(bare(textOf(name, set, width))).toBe(bare(unmarked(name)));
        expect(bare(textOf(name, plain, width))).toBe(bare(name));
      }),
    );
  });
  it('are broken where that makes them narrower, each piece within its line', () => {
    fc.assert(
      fc.property(names, (name) => {
        const entry = createEntry({ id: 'x', name, order: 'V' });
        const [wide, narrow] = [boxText(entry, set, 1000), boxText(entry, set, 1)];
        expect(narrow.width).toBeLessThanOrEqual(wide.width + 1e-9);
        expect(wide.lines).toHaveLength(1);
        expect(narrow.lines.length).toBeLessThanOrEqual(3);
        for (const { pieces = [], width } of [...wide.lines, ...narrow.lines])
          for (const { x, runs } of pieces)
            expect(x + runs.reduce((sum, run) => sum + run.width, 0)).toBeLessThanOrEqual(width + 1e-6);
      }),
    );
  });
  it('letters above stand higher and smaller, letters below lower, bold ones in a bold face; the label says the words', () => {
    const chart = diagramFromParents([-1], () => 'H_{2}O and m^{2} in *italics* and **bold**');
    const diagram: Diagram = {
      ...chart,
      styles: { ...chart.styles, everything: { nameMarks: 'set', nameWeight: 400 } },
    };
    const [group] = draw(diagram).scene.groups.filter(({ stands }) => stands.for === 'entry');
    expect(group!.label).toMatch(/^H2O and m2 in italics and bold/);
    const texts = group!.children.flatMap((one) => (one.type === 'text' ? [one] : []));
    const has = (text: string) => (one: (typeof texts)[number]) => one.runs.some((run) => run.text.trim() === text);
    const [below, above] = texts.flatMap((one, i) => (has('2')(one) ? [i] : []));
    expect(texts[below!]!.y).toBeGreaterThan(texts[below! - 1]!.y);
    expect(texts[above!]!.y).toBeLessThan(texts[above! - 1]!.y);
    expect(texts[above!]!.size).toBeLessThan(texts[above! - 1]!.size);
    const faceOf = (text: string) => texts.find(has(text))!.runs[0]!.face;
    expect(new Set([faceOf('H'), faceOf('italics'), faceOf('bold')]).size).toBe(3);
  });
  it('in details tell it too, and those that begin with a hyphen stand after dots, one below the other', () => {
    const entry = createEntry({
      id: 'x',
      order: 'V',
      name: 'Ama',
      details: ['- has the keys', '- m^{2}', 'Skipper - boats'],
    });
    const details = (style: typeof plain) => boxText(entry, { ...style, details: 3 }, 400).lines.slice(1);
    const told = (style: typeof plain) => details(style).map(({ runs }) => runs.map(({ text }) => text).join(''));
    expect(told(plain)).toEqual(entry.details);
    expect(told(set)).toEqual(['•has the keys', '•m2', 'Skipper - boats']);
    const [first, second, third] = details(set);
    expect(first!.pieces!.slice(0, 2).map(({ x }) => x)).toEqual(second!.pieces!.slice(0, 2).map(({ x }) => x));
    expect(first!.pieces![1]!.x).toBeGreaterThan(first!.pieces![0]!.runs[0]!.width);
    expect(third!.pieces).toBeUndefined();
  });
});
