import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { draw } from '../../core/diagram';
import { diagramFromParents, parents } from '../../core/testing/arbitrary';
import { entryUnder, grabbedUnder } from './stage/hit';
import { overlap } from '../../core/arrange/graph';
import { fitting, isOutlineOnly, toDrawing, visiblePart, zoomLimits, type View } from './view';

const stage = { width: 800, height: 600 };
const drawing = { x: 40, y: 60, scale: 0.5, width: 900, height: 400 };
const view = fc.record({
  x: fc.integer({ min: -3000, max: 3000 }),
  y: fc.integer({ min: -3000, max: 3000 }),
  k: fc.integer({ min: 5, max: 4000 }).map((n) => n / 100),
});
/** From the drawing to the stage, as the transforms of the SVG put it. */
const onStage = ({ x, y, k }: View, px: number, py: number) => ({
  x: x + k * (drawing.x + drawing.scale * px),
  y: y + k * (drawing.y + drawing.scale * py),
});

describe('how the sheet is seen', () => {
  it('a point goes to the drawing and back to where it was', () => {
    fc.assert(
      fc.property(view, fc.integer({ min: 0, max: 800 }), fc.integer({ min: 0, max: 600 }), (seen, px, py) => {
        const at = toDrawing(seen, drawing, px, py);
        const back = onStage(seen, at.x, at.y);
        expect(back.x).toBeCloseTo(px, 6);
        expect(back.y).toBeCloseTo(py, 6);
      }),
    );
  });
  it('what is on the stage is in the visible part, and nothing beyond its margin', () => {
    fc.assert(
      fc.property(view, fc.nat({ max: 900 }), fc.nat({ max: 400 }), (seen, px, py) => {
        const part = visiblePart(seen, stage, drawing, 100);
        const at = onStage(seen, px, py);
        const near = (margin: number) =>
          at.x > -margin && at.x < stage.width + margin && at.y > -margin && at.y < stage.height + margin;
        const inside = overlap(part, { x: px, y: py, width: 0.001, height: 0.001 });
        if (near(99)) expect(inside).toBe(true);
        if (!near(101)) expect(inside).toBe(false);
      }),
    );
  });
  it('a fitted rectangle is wholly on the stage, in its middle, with the edge free', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 8000 }), fc.integer({ min: 1, max: 8000 }), (width, height) => {
        const rect = { x: 10, y: -20, width, height };
        const { x, y, k } = fitting(rect, stage, 14, 2);
        const [left, right] = [x + k * rect.x, x + k * (rect.x + width)];
        const [top, bottom] = [y + k * rect.y, y + k * (rect.y + height)];
        expect((left + right) / 2).toBeCloseTo(400, 6);
        expect((top + bottom) / 2).toBeCloseTo(300, 6);
        expect(k).toBeLessThanOrEqual(2);
        // Down to the least zoom there is.
        if (k > 0.05) {
          expect(left).toBeGreaterThanOrEqual(14 - 1e-6);
          expect(top).toBeGreaterThanOrEqual(14 - 1e-6);
        }
      }),
    );
  });
  it('however small a drawing had to be made, one can go near enough to read it', () => {
    for (const scale of [1, 0.2, 0.01, 0.0005]) {
      const small = { ...drawing, scale };
      const { least, most } = zoomLimits(small);
      expect(isOutlineOnly({ x: 0, y: 0, k: most }, small)).toBe(false);
      // 13 px text is at least as large as life.
      expect(13 * scale * most).toBeGreaterThanOrEqual(13);
      expect(least).toBeLessThan(0.1);
    }
  });
  it('names are left out where they would be less than 4 px high', () => {
    expect(isOutlineOnly({ x: 0, y: 0, k: 0.61 }, drawing)).toBe(true);
    expect(isOutlineOnly({ x: 0, y: 0, k: 0.62 }, drawing)).toBe(false);
  });
});

describe('what is under the pointer', () => {
  const frame = { getBoundingClientRect: () => ({ left: 100, top: 50 }) } as Element;
  it('is the entry whose box it is in, wherever the view stands; between boxes there is none', () => {
    fc.assert(
      fc.property(parents(20), view, (list, seen) => {
        const diagram = diagramFromParents(list);
        const drawn = draw(diagram);
        const { groups, drawing: placed } = drawn.scene;
        const boxes = groups.filter(({ stands }) => stands.for === 'entry');
        const client = (px: number, py: number) => ({
          clientX: 100 + seen.x + seen.k * (placed.x + placed.scale * px),
          clientY: 50 + seen.y + seen.k * (placed.y + placed.scale * py),
        });
        for (const { x, y, bounds, stands } of boxes) {
          const middle = client(x + bounds.width / 2, y + bounds.height / 2);
          expect(entryUnder(drawn, seen, frame, middle)).toBe(stands.id);
          expect(grabbedUnder(diagram, drawn, seen, frame, middle)).toEqual({ for: 'entry', id: stands.id });
          expect(entryUnder(drawn, seen, frame, client(x - 1, y - 1))).not.toBe(stands.id);
        }
        expect(entryUnder(drawn, seen, frame, client(-50, -50))).toBeNull();
      }),
      { numRuns: 40 },
    );
  });
});
