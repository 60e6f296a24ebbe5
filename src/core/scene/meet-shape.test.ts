import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { beginningAtShape, endingAtShape } from './meet-shape';

const box = { x: 100, y: 40, width: 120, height: 60 };
const style = (shape: 'ellipse' | 'diamond' | 'rounded' | 'square' | 'dot', corner = 0) => ({ shape, corner });

describe('lines that end at a shape', () => {
  it('meet an ellipse: (x/a)² + (y/b)² = 1', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.03, max: 0.97, noNaN: true }), fc.boolean(), (share, level) => {
        const line = level
          ? [20, box.y + box.height * share, box.x, box.y + box.height * share]
          : [box.x + box.width * share, 0, box.x + box.width * share, box.y];
        const [x, y] = endingAtShape(line, box, style('ellipse')).slice(-2) as [number, number];
        const [a, b] = [box.width / 2, box.height / 2];
        expect(((x - box.x - a) / a) ** 2 + ((y - box.y - b) / b) ** 2).toBeCloseTo(1, 1);
        expect(level ? y : x).toBeCloseTo(level ? line[3]! : line[2]!, 9);
      }),
    );
  });
  it('meet a diamond: |x|/a + |y|/b = 1, whichever end of the line it is', () => {
    const line = [130, 0, 130, 40];
    const end = endingAtShape(line, box, style('diamond'));
    expect(end.slice(-2)).toEqual([130, expect.closeTo(40 + 15, 9)]);
    expect(beginningAtShape([130, 40, 130, 0], box, style('diamond'))).toEqual([130, end[3], 130, 0]);
  });
  it('meet rounded corners', () => {
    const [, y] = endingAtShape([102, 0, 102, 40], box, style('rounded', 12)).slice(-2);
    expect(y).toBeCloseTo(40 + 12 - Math.sqrt(12 ** 2 - 10 ** 2), 0);
  });
  it('stay where the shape reaches to the edge, and where they end elsewhere', () => {
    for (const shape of ['square', 'dot'] as const) {
      const line = [130, 0, 130, 40];
      expect(endingAtShape(line, box, style(shape))).toBe(line);
    }
    const elsewhere = [130, 0, 130, 30];
    expect(endingAtShape(elsewhere, box, style('ellipse'))).toBe(elsewhere);
    const middle = [160, 0, 160, 40];
    expect(endingAtShape(middle, box, style('ellipse'))).toBe(middle);
  });
});
