import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { overlap } from '../arrange/graph';
import { draw, type Diagram } from '../diagram';
import { setMarked, unmarked } from '../measure';
import { plainNote, type SheetNote } from '../model';
import { diagramFromParents, diagrams } from '../testing/arbitrary';
import type { Rect, Scene, SceneGroup } from './scene';

const noted = (diagram: Diagram, ...all: (Partial<SheetNote> & { id: string })[]): Diagram => ({
  ...diagram,
  notes: Object.fromEntries(all.map((one) => [one.id, { ...plainNote, text: 'Seen again in spring', ...one }])),
});
const placed = ({ x, y, bounds }: SceneGroup): Rect => ({ ...bounds, x: bounds.x + x, y: bounds.y + y });
const onPaper = ({ drawing: { x, y, scale } }: Scene, box: Rect): Rect => ({
  x: x + box.x * scale,
  y: y + box.y * scale,
  width: box.width * scale,
  height: box.height * scale,
});
const text = fc.constantFrom(
  'Low water',
  'Boats go out **two hours** before\n- high water\n- at dusk',
  'm^{2} '.repeat(12),
);
const onSheet = fc.record({
  text,
  place: fc.record({
    kind: fc.constant('sheet' as const),
    row: fc.constantFrom('above' as const, 'below' as const),
    at: fc.constantFrom('left' as const, 'middle' as const, 'right' as const),
  }),
  width: fc.integer({ min: 180, max: 900 }),
  framed: fc.boolean(),
});

describe('notes on the sheet', () => {
  it('stay on it, off each other, off the title and off the drawing', () => {
    fc.assert(
      fc.property(diagrams, fc.array(onSheet, { minLength: 1, maxLength: 3 }), (plain, all) => {
        const diagram = noted({ ...plain, nudges: {} }, ...all.map((one, k) => ({ id: `n${k}`, ...one })));
        const { scene } = draw(diagram);
        const notes = scene.notes.map(placed);
        const boxes = scene.groups
          .filter(({ stands }) => stands.for === 'entry')
          .map((one) => onPaper(scene, placed(one)));
        notes.forEach((note, k) => {
          expect(note.x).toBeGreaterThanOrEqual(-0.01);
          expect(note.x + note.width).toBeLessThanOrEqual(scene.sheet.width + 0.01);
          expect(note.y + note.height).toBeLessThanOrEqual(scene.sheet.height + 0.01);
          for (const other of [...notes.slice(k + 1), ...boxes]) expect(overlap(note, other)).toBe(false);
        });
      }),
      { numRuns: 80 },
    );
  });
  it('beside an entry stands clear of all boxes, and follows it', () => {
    fc.assert(
      fc.property(diagrams, text, fc.nat(), (plain, words, n) => {
        const ids = Object.keys(plain.entries);
        if (ids.length === 0) return;
        const entry = ids[n % ids.length]!;
        const diagram = noted({ ...plain, nudges: {} }, { id: 'n', text: words, place: { kind: 'entry', entry } });
        const { groups } = draw(diagram).scene;
        const note = placed(groups.find(({ stands }) => stands.for === 'note')!);
        for (const box of groups.filter(({ stands }) => stands.for === 'entry'))
          expect(overlap(note, placed(box))).toBe(false);
      }),
      { numRuns: 80 },
    );
  });
  it('whose entry is gone says nothing, and says it again when that is back', () => {
    const chart = diagramFromParents([-1, 0]);
    const diagram = noted(chart, { id: 'n', place: { kind: 'entry', entry: 'e1' } });
    const rest = { ...diagram, entries: { e0: chart.entries.e0! } };
    const shown = (of: Diagram) => draw(of).scene.groups.some(({ stands }) => stands.for === 'note');
    expect([shown(diagram), shown(rest)]).toEqual([true, false]);
  });
});

describe('words in several manners', () => {
  const setting = { typeface: 'clear', size: 12, weight: 400 } as const;
  const facesOf = (words: string) =>
    setMarked(words, setting, 500).flatMap(({ pieces }) =>
      pieces.map(({ runs, rise, size }) => [runs[0]!.text, runs[0]!.face, Math.sign(rise), size < 12]),
    );
  it('are slanted, bold, above and below the line, and both where one is within the other', () => {
    expect(facesOf('a *b* **c *d*** e^{2} f_{3}')).toEqual([
      ['a ', 'sans400', 0, false],
      ['b', 'sans400i', 0, false],
      [' ', 'sans400', 0, false],
      ['c ', 'sans700', 0, false],
      ['d', 'sans700i', 0, false],
      [' e', 'sans400', 0, false],
      ['2', 'sans400', 1, true],
      [' f', 'sans400', 0, false],
      ['3', 'sans400', -1, true],
    ]);
  });
  it('signs that close nothing stand for themselves: 3 * 4, *never', () => {
    expect(unmarked('3 * 4, *never')).toBe('3 * 4, *never');
    expect(unmarked('H_{2}O is *wet*')).toBe('H2O is wet');
  });
  it('no line is wider than its room, and nothing is lost, for any words', () => {
    const word = fc.constantFrom('mud', '*silt*', '**boats**', 'm^{2}', 'CO_{2}', 'tide,');
    fc.assert(
      fc.property(
        fc.array(word, { minLength: 1, maxLength: 40 }),
        fc.integer({ min: 60, max: 400 }),
        (words, width) => {
          const lines = setMarked(words.join(' '), setting, width);
          for (const line of lines) expect(line.width).toBeLessThanOrEqual(width + 0.01);
          const told = lines
            .map(({ pieces }) => pieces.flatMap(({ runs }) => runs.map((run) => run.text)).join(''))
            .join(' ');
          expect(told.replace(/\s+/g, ' ')).toBe(unmarked(words.join(' ')));
        },
      ),
    );
  });
});
