import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { drawSet, draw, tokensOf } from '../../../diagram';
import { pxPerPt } from '../../../model';
import { families } from '../../../testing/arbitrary-family';
import { familyTree } from '../kind';
import { relationsOf } from '../relations';

const onSheet = (sheet: NonNullable<ReturnType<typeof drawSet>>['sheets'][number]) =>
  new Set(sheet.scene.groups.flatMap(({ stands }) => (stands.for === 'entry' ? [stands.id] : [])));

describe('a family over several sheets', () => {
  it('shows everybody, and every couple with all its children on one sheet', () => {
    fc.assert(
      fc.property(families(60), (diagram) => {
        const { sheets } = drawSet(diagram, 9)!;
        const shown = sheets.map(onSheet);
        for (const id of Object.keys(diagram.entries)) expect(shown.some((ids) => ids.has(id))).toBe(true);
        const relations = relationsOf(diagram);
        for (const { id, partners } of Object.values(diagram.family.unions)) {
          const all = [...partners, ...relations.childrenOf(id).map((child) => child.id)];
          expect(shown.some((ids) => all.every((one) => ids.has(one)))).toBe(true);
        }
      }),
      { numRuns: 40 },
    );
  });
  it('says where somebody’s family goes on, and that sheet shows it', () => {
    fc.assert(
      fc.property(families(60), (diagram) => {
        const { sheets } = drawSet(diagram, 9)!;
        const relations = relationsOf(diagram);
        for (const { scene } of sheets)
          for (const { stands, x, y, bounds } of scene.groups) {
            if (stands.for !== 'onward' && stands.for !== 'back') continue;
            const there = sheets[Number(stands.id) - 1]!;
            expect(there.scene).not.toBe(scene);
            // The way is the box of whom it is about, who stands on the other sheet too.
            const who = scene.groups.find(
              (one) => one.stands.for === 'entry' && one.x === x && one.y === y && one.bounds.width === bounds.width,
            )!.stands.id;
            expect(onSheet(there)).toContain(who);
            if (stands.for === 'back') continue;
            for (const union of relations.unionsOf(who))
              for (const child of relations.childrenOf(union.id)) expect(onSheet(there)).toContain(child.id);
          }
      }),
      { numRuns: 40 },
    );
  });
  it('prints larger than the whole on one sheet', () => {
    const demo = familyTree.make(
      familyTree.read(
        tokensOf(readFileSync(new URL('../../../../../demo/lists/boathouse-family.csv', import.meta.url), 'utf8')),
      ),
      'The boathouse family',
    );
    const one = draw(demo).scene.smallestText! / pxPerPt;
    const { sheets, print } = drawSet(demo, one * 1.08)!;
    expect(sheets.length).toBeGreaterThan(1);
    expect(print).toBeGreaterThanOrEqual(one * 1.08 - 0.01);
    expect(sheets[0]!.name).toBe('Overview');
    expect(sheets[1]!.scene.notes.map(({ label }) => label).join()).toContain(`Sheet 2 of ${sheets.length}`);
  });
});
