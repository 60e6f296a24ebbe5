import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { contrastRatio, leastContrast } from '../style';
import { draw, type Diagram } from '../diagram';
import { diagrams } from '../testing/arbitrary';
import { cutToDrawing } from './cut';

describe('a drawing cut out of its sheet', () => {
  it('is as large as it was, keeps an even edge, and leaves title and empty paper', () => {
    fc.assert(
      fc.property(diagrams, (diagram) => {
        const { scene } = draw(diagram);
        if (scene.groups.length === 0) return;
        const cut = cutToDrawing(scene);
        const { x, y, scale } = cut.drawing;
        expect(scale).toBe(scene.drawing.scale);
        const all = cut.groups.map((group) => ({
          left: x + (group.x + group.bounds.x) * scale,
          top: y + (group.y + group.bounds.y) * scale,
          right: x + (group.x + group.bounds.x + group.bounds.width) * scale,
          bottom: y + (group.y + group.bounds.y + group.bounds.height) * scale,
        }));
        expect(Math.min(...all.map(({ left }) => left))).toBeCloseTo(10, 6);
        expect(Math.min(...all.map(({ top }) => top))).toBeCloseTo(10, 6);
        expect(Math.max(...all.map(({ right }) => right))).toBeCloseTo(cut.sheet.width - 10, 6);
        expect(Math.max(...all.map(({ bottom }) => bottom))).toBeCloseTo(cut.sheet.height - 10, 6);
        expect(cut.notes).toEqual([]);
      }),
      { numRuns: 40 },
    );
  });
});

describe('bands behind tiers', () => {
  it('meet, hold the boxes of their tier alone, and keep the names of tiers legible', () => {
    fc.assert(
      fc.property(diagrams, (plain) => {
        const diagram: Diagram = {
          ...plain,
          nudges: {},
          arrangement: {
            ...plain.arrangement,
            tiers: 'bands',
            direction: 'down',
            tierBands: 'drawn',
            tierNames: 'drawn',
          },
        };
        const { scene, structure } = draw(diagram);
        const bands = scene.groups
          .filter(({ stands }) => stands.for === 'tierBand')
          .map(({ bounds, children: [box] }) => ({ ...bounds, fill: box!.type === 'box' ? box!.fill : '' }));
        bands.slice(1).forEach((band, t) => expect(band.y).toBeCloseTo(bands[t]!.y + bands[t]!.height, 6));
        for (const group of scene.groups.filter(({ stands }) => stands.for === 'entry')) {
          const band = bands[structure.tier[structure.index.get(group.stands.id)!]! - 1]!;
          expect(group.y).toBeGreaterThanOrEqual(band.y - 0.01);
          expect(group.y + group.bounds.height).toBeLessThanOrEqual(band.y + band.height + 0.01);
        }
        const names = scene.groups.filter(({ stands }) => stands.for === 'tierName');
        names.forEach(({ children: [name] }, t) =>
          expect(name!.type === 'text' && contrastRatio(name!.fill, bands[t]!.fill)).toBeGreaterThanOrEqual(
            leastContrast,
          ),
        );
      }),
      { numRuns: 60 },
    );
  });
});
