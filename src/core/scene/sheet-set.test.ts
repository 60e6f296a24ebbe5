import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { drawSet, type Diagram } from '../diagram';
import { pxPerPt } from '../model';
import { diagramFromParents, parents } from '../testing/arbitrary';
import type { Scene, SheetSet } from './index';
import { tileEdge, tileOverlap, tilingOf } from './tiles';

const charts = fc
  .tuple(parents(120), fc.integer({ min: 8, max: 14 }))
  .filter(([list]) => list.length > 0)
  .map(([list, least]) => ({ diagram: diagramFromParents(list), list, least }));
const entriesOn = ({ groups }: Scene): string[] =>
  groups.filter(({ stands }) => stands.for === 'entry').map(({ stands }) => stands.id);
const marksOn = ({ groups }: Scene, which: 'onward' | 'back'): string[] =>
  groups.filter(({ stands }) => stands.for === which).map(({ stands }) => stands.id);
const setOf = (diagram: Diagram, least: number): SheetSet => drawSet(diagram, least)!;

describe('a chart over several sheets', () => {
  it('shows everybody, and those under one head on one sheet with it', () => {
    fc.assert(
      fc.property(charts, ({ diagram, list, least }) => {
        const { sheets } = setOf(diagram, least);
        const on = sheets.map(({ scene }) => new Set(entriesOn(scene)));
        const children = (i: number) => list.flatMap((parent, c) => (parent === i ? [`e${c}`] : []));
        list.forEach((_, i) => {
          expect(on.some((ids) => ids.has(`e${i}`))).toBe(true);
          const team = children(i);
          if (team.length > 0)
            expect(on.filter((ids) => ids.has(`e${i}`) && team.every((id) => ids.has(id)))).toHaveLength(1);
        });
        // Nobody twice on one sheet.
        for (const { scene } of sheets) expect(new Set(entriesOn(scene)).size).toBe(entriesOn(scene).length);
      }),
      { numRuns: 40 },
    );
  });
  it('says on both sides of a cut where it goes on', () => {
    fc.assert(
      fc.property(charts, ({ diagram, least }) => {
        const { sheets } = setOf(diagram, least);
        const onward = sheets.flatMap(({ scene }, k) => marksOn(scene, 'onward').map((to) => `${k + 1}>${to}`));
        const back = sheets.flatMap(({ scene }, k) => marksOn(scene, 'back').map((from) => `${from}>${k + 1}`));
        expect([...back].sort()).toEqual([...onward].sort());
        sheets.forEach(({ scene }, k) => {
          const page = scene.notes.find(({ stands }) => stands.id === 'signed')?.label ?? '';
          expect(page.includes(`Sheet ${k + 1} of ${sheets.length}`)).toBe(sheets.length > 1);
        });
      }),
      { numRuns: 40 },
    );
  });
  it('prints as large as wished wherever a sheet can be made smaller by a further cut', () => {
    fc.assert(
      fc.property(charts, ({ diagram, list, least }) => {
        for (const { scene } of setOf(diagram, least).sheets) {
          const shown = new Set(entriesOn(scene));
          const couldCut = list.some(
            (parent, i) =>
              shown.has(`e${i}`) &&
              shown.has(`e${parent}`) &&
              list.some((up, c) => up === i && shown.has(`e${c}`)) &&
              list.filter((up) => up === i).length > 2,
          );
          if (couldCut) expect(scene.smallestText! / pxPerPt).toBeGreaterThanOrEqual(least - 0.01);
        }
      }),
      { numRuns: 40 },
    );
  });
  it('is one sheet, and says nothing of others, where all fit on it', () => {
    const { sheets } = setOf(diagramFromParents([-1, 0, 0]), 8);
    expect(sheets).toHaveLength(1);
    expect(marksOn(sheets[0]!.scene, 'onward')).toEqual([]);
  });
  it('gives every tier the style it has in the whole', () => {
    const chart = diagramFromParents(Array.from({ length: 200 }, (_, i) => (i === 0 ? -1 : Math.floor((i - 1) / 5))));
    const fillOf = (scene: Scene, id: string) => {
      const box = scene.groups.find(({ stands }) => stands.for === 'entry' && stands.id === id)?.children[0];
      return box?.type === 'box' ? box.fill : null;
    };
    const { sheets } = setOf(chart, 10);
    const whole = setOf(chart, 4).sheets[0]!.scene;
    for (const { scene } of sheets)
      for (const id of entriesOn(scene)) expect(fillOf(scene, id)).toBe(fillOf(whole, id));
  });
});

describe('a poster in tiles', () => {
  it('shows every point of the sheet, neighbours overlapping by 10 mm', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 200, max: 4600 }),
        fc.integer({ min: 200, max: 4600 }),
        fc.constantFrom('A4' as const, 'A3' as const, 'letter' as const),
        (width, height, paper) => {
          const { tiles, columns, rows, width: w, height: h } = tilingOf({ width, height }, paper);
          expect(tiles).toHaveLength(rows * columns);
          const last = tiles.at(-1)!.cut;
          expect(last.x + last.width).toBeGreaterThanOrEqual(width - 1e-6);
          expect(last.y + last.height).toBeGreaterThanOrEqual(height - 1e-6);
          for (const { cut } of tiles) expect([cut.width, cut.height]).toEqual([w - 2 * tileEdge, h - 2 * tileEdge]);
          for (const [k, { cut, column }] of tiles.entries())
            if (column > 1) expect(tiles[k - 1]!.cut.x + cut.width - cut.x).toBeCloseTo(tileOverlap, 6);
        },
      ),
    );
  });
});
