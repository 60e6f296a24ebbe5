import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { paperSize } from '../model';
import { createDiagram, type Diagram } from '../diagram';
import { looks } from '../style';
import type { Legend } from './legend';
import { freeRoom, placeOnSheet } from './place-sheet';
import type { Rect } from './scene';
import { sheetNotes } from './sheet-notes';

const plain = createDiagram('org-chart', 'Brackwater');
const diagrams: fc.Arbitrary<Diagram> = fc
  .record({
    size: fc.constantFrom('A4' as const, 'A3' as const, 'letter' as const, 'drawing' as const),
    orientation: fc.constantFrom('landscape' as const, 'portrait' as const),
    margin: fc.integer({ min: 0, max: 120 }),
    shown: fc.boolean(),
    title: fc.constantFrom('', 'Who answers to whom'),
    subtitle: fc.constantFrom('', 'Brackwater Coastal Trust'),
    author: fc.constantFrom('', 'The office'),
    date: fc.constantFrom('', '24 November 2026'),
  })
  .map(({ size, orientation, margin, ...block }) => ({
    ...plain,
    sheet: { size, orientation, margin, leastPrint: null },
    titleBlock: { ...plain.titleBlock, ...block },
  }));
const size = fc.record({ width: fc.integer({ min: 1, max: 9000 }), height: fc.integer({ min: 1, max: 9000 }) });
const legend = fc.constantFrom<Legend>([], [{ words: 'Vacant' }]);

describe('a drawing on its sheet', () => {
  it('keeps to the margins and clear of what is written above and below it', () => {
    fc.assert(
      fc.property(diagrams, size, legend, (diagram, { width, height }, words) => {
        const { sheet, drawing, notes: room } = placeOnSheet(diagram, { width, height }, words, 1.25);
        const { margin } = diagram.sheet;
        const right = drawing.x + width * drawing.scale;
        const bottom = drawing.y + height * drawing.scale;
        expect(drawing.x).toBeGreaterThanOrEqual(Math.min(margin, sheet.width / 2) - 1);
        expect(right).toBeLessThanOrEqual(sheet.width - Math.min(margin, sheet.width / 2) + 1);
        expect(drawing.y).toBeGreaterThanOrEqual(margin + room.top - 1e-6);
        expect(bottom).toBeLessThanOrEqual(sheet.height - margin - room.bottom + 1);
        // In the middle from left to right.
        expect(drawing.x + (width * drawing.scale) / 2).toBeCloseTo(sheet.width / 2, 6);
      }),
    );
  });
  it('is as large as one of both sides allows, up to the largest scale', () => {
    fc.assert(
      fc.property(diagrams, size, (diagram, { width, height }) => {
        const { drawing, sheet } = placeOnSheet(diagram, { width, height }, [], 1.25);
        const free = freeRoom(diagram, []);
        if (!free) {
          expect(drawing.scale).toBe(1);
          expect(sheet.width).toBeGreaterThanOrEqual(width);
          return;
        }
        expect(sheet).toEqual(paperSize(diagram.sheet));
        const filled = Math.max((width * drawing.scale) / free.width, (height * drawing.scale) / free.height);
        expect(filled).toBeLessThanOrEqual(1 + 1e-9);
        if (drawing.scale < 1.25) expect(filled).toBeCloseTo(1, 9);
      }),
    );
  });
});

describe('what is written on the sheet', () => {
  it('stands within the margins, above or below the drawing, and is left out where there is nothing to say', () => {
    fc.assert(
      fc.property(diagrams, size, legend, (diagram, extent, words) => {
        const { sheet, drawing, notes: room } = placeOnSheet(diagram, extent, words, 1.25);
        const notes = sheetNotes(diagram, looks[0]!, sheet, room);
        const { shown, title, subtitle, author, date } = diagram.titleBlock;
        const wanted = [
          ...(shown && title ? ['title'] : []),
          ...(shown && subtitle ? ['subtitle'] : []),
          ...(words.length > 0 ? ['legend'] : []),
          ...(shown && (author || date) ? ['signed'] : []),
        ];
        expect(notes.map(({ stands }) => stands.id)).toEqual(wanted);
        for (const { stands, bounds } of notes) {
          const above = stands.id === 'title' || stands.id === 'subtitle';
          if (above) expect(bounds.y + bounds.height).toBeLessThanOrEqual(drawing.y + 1e-6);
          else expect(bounds.y).toBeGreaterThanOrEqual(drawing.y + extent.height * drawing.scale - 1);
          if (above) expect(bounds.x + bounds.width / 2).toBeCloseTo(sheet.width / 2, 6);
        }
        const signed = notes.find(({ stands }) => stands.id === 'signed');
        if (signed) {
          expect(signed.bounds.x + signed.bounds.width).toBeCloseTo(sheet.width - diagram.sheet.margin, 6);
          expect(signed.label).toBe([author, date].filter(Boolean).join(', '));
        }
      }),
    );
  });
});

describe('long texts around a drawing', () => {
  const long = fc.oneof(
    fc.string({ maxLength: 200 }),
    fc.array(fc.stringMatching(/^[a-zA-Zé]{1,14}$/), { maxLength: 14 }).map((words) => words.join(' ')),
    fc.constant('Brackwaterfieldcentrestaffandvolunteers'.repeat(5)),
  );
  const blocks = fc.record({
    title: long,
    subtitle: long,
    author: long,
    date: long,
    words: long.map((words): Legend => (words === '' ? [] : [{ words }, { words: 'Vacant' }])),
    margin: fc.integer({ min: 0, max: 60 }),
  });
  const rect = ({ bounds }: { readonly bounds: Rect }) => bounds;

  it('stay on the sheet and off each other', () => {
    fc.assert(
      fc.property(
        blocks,
        fc.constantFrom('landscape' as const, 'portrait' as const),
        ({ words, margin, ...block }, orientation) => {
          const diagram: Diagram = {
            ...plain,
            titleBlock: {
              ...plain.titleBlock,
              ...block,
              title: block.title.slice(0, 200),
              author: block.author.slice(0, 120),
              date: block.date.slice(0, 60),
            },
            sheet: { ...plain.sheet, margin, orientation },
          };
          const { sheet, notes } = placeOnSheet(diagram, { width: 300, height: 200 }, words, 1);
          const groups = sheetNotes(diagram, looks[0]!, sheet, notes);
          for (const { x, width } of groups.map(rect)) {
            expect(x).toBeGreaterThanOrEqual(margin - 1);
            expect(x + width).toBeLessThanOrEqual(sheet.width - margin + 1);
          }
          const foot = groups.filter(({ stands }) => stands.id === 'legend' || stands.id === 'signed').map(rect);
          if (foot.length === 2) expect(foot[0]!.x + foot[0]!.width).toBeLessThanOrEqual(foot[1]!.x + 1);
          const [title, subtitle] = ['title', 'subtitle'].map(
            (id) => groups.find(({ stands }) => stands.id === id)?.bounds,
          );
          if (title && subtitle) expect(title.y + title.height).toBeLessThanOrEqual(subtitle.y + 1e-6);
        },
      ),
    );
  });
  it('leave the drawing its place below the title and above the foot', () => {
    const title = 'Who answers to whom at the field centre, the boathouse and the reserve '.repeat(2).trim();
    const diagram: Diagram = { ...plain, titleBlock: { ...plain.titleBlock, title, author: 'The office' } };
    const { sheet, drawing, notes } = placeOnSheet(diagram, { width: 900, height: 600 }, [{ words: 'Vacant' }], 1);
    const groups = sheetNotes(diagram, looks[0]!, sheet, notes);
    expect(groups[0]!.children.length).toBeGreaterThan(1);
    const head = Math.max(
      ...groups.filter(({ stands }) => stands.id === 'title').map(({ bounds }) => bounds.y + bounds.height),
    );
    const foot = Math.min(...groups.filter(({ stands }) => stands.id === 'legend').map(({ bounds }) => bounds.y));
    expect(drawing.y).toBeGreaterThanOrEqual(head);
    expect(drawing.y + drawing.height * drawing.scale).toBeLessThanOrEqual(foot);
  });
});
