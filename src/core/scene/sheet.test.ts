import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { paperSize } from '../model';
import { createDiagram, type Diagram } from '../diagram';
import { looks } from '../style';
import { freeRoom, placeOnSheet } from './place-sheet';
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
const legend = fc.constantFrom('', 'Dashed: vacant');

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
        const { drawing, sheet } = placeOnSheet(diagram, { width, height }, '', 1.25);
        const free = freeRoom(diagram, '');
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
          ...(words ? ['legend'] : []),
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
