import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { draw, drawSet, tokensOf } from '../../../diagram';
import { pxPerPt } from '../../../model';
import { maps } from '../../../testing/arbitrary-map';
import { conceptMap } from '../kind';

type Sheets = NonNullable<ReturnType<typeof drawSet>>['sheets'];
const shownOn = ({ scene }: Sheets[number], what: 'entry' | 'link') =>
  new Set(scene.groups.flatMap(({ stands }) => (stands.for === what ? [stands.id] : [])));
/** The ideas of a sheet that say that they go on on another, and where. */
const goingOn = ({ scene }: Sheets[number]) =>
  scene.groups.flatMap(({ stands, x, y }) => {
    if (stands.for !== 'onward' && stands.for !== 'back') return [];
    const idea = scene.groups.find((one) => one.stands.for === 'entry' && one.x === x && one.y === y)!.stands.id;
    return [{ idea, to: stands.for, sheet: Number(stands.id) }];
  });

describe('a map over several sheets', () => {
  it('shows every idea and every proposition, and each proposition with both its ideas', () => {
    fc.assert(
      fc.property(maps(50), fc.integer({ min: 7, max: 13 }), (diagram, least) => {
        const { sheets, leftOut } = drawSet(diagram, least)!;
        const ideas = sheets.map((sheet) => shownOn(sheet, 'entry'));
        const links = sheets.map((sheet) => shownOn(sheet, 'link'));
        for (const id of Object.keys(diagram.entries)) expect(ideas.some((ids) => ids.has(id))).toBe(true);
        for (const { id, from, to } of Object.values(diagram.links)) {
          const on = links.flatMap((ids, k) => (ids.has(id) ? [k] : []));
          expect(on.length).toBeGreaterThan(0);
          for (const k of on) expect([ideas[k]!.has(from), ideas[k]!.has(to)]).toEqual([true, true]);
        }
        expect(leftOut).toBe(0);
      }),
      { numRuns: 40 },
    );
  });
  it('says where an idea goes on, and what it leads to stands on that sheet', () => {
    fc.assert(
      fc.property(maps(50), (diagram) => {
        const { sheets } = drawSet(diagram, 10)!;
        sheets.forEach((sheet, k) => {
          for (const { idea, to, sheet: number } of goingOn(sheet)) {
            expect(number).not.toBe(k + 1);
            const there = sheets[number - 1]!;
            if (to === 'back') expect(shownOn(there, 'entry')).toContain(idea);
            else {
              const links = shownOn(there, 'link');
              for (const { id, from } of Object.values(diagram.links))
                if (from === idea && !shownOn(sheet, 'link').has(id)) expect(links).toContain(id);
            }
          }
        });
      }),
      { numRuns: 40 },
    );
  });
  it('every idea that stands on two sheets says so on all but one', () => {
    fc.assert(
      fc.property(maps(40), (diagram) => {
        const { sheets } = drawSet(diagram, 10)!;
        for (const id of Object.keys(diagram.entries)) {
          const without = sheets.filter(
            (sheet) =>
              shownOn(sheet, 'entry').has(id) && !goingOn(sheet).some(({ idea, to }) => idea === id && to === 'onward'),
          );
          expect(without).toHaveLength(1);
        }
      }),
      { numRuns: 40 },
    );
  });
  it('prints larger than the whole on one sheet, with the words that are blank on each', () => {
    const list = readFileSync(new URL('../../../../../demo/lists/productive-estuary.txt', import.meta.url), 'utf8');
    const demo = conceptMap.make(conceptMap.read(tokensOf(list)), 'A productive estuary');
    const one = draw(demo).scene.smallestText! / pxPerPt;
    const { sheets, print } = drawSet(demo, one * 1.25)!;
    expect(sheets.length).toBeGreaterThan(1);
    expect(print).toBeGreaterThanOrEqual(one * 1.25 - 0.01);
    expect(sheets[0]!.name).toBe('Overview');
    expect(sheets[1]!.scene.notes.map(({ label }) => label).join()).toContain(`Sheet 2 of ${sheets.length}`);
    const [first] = Object.values(demo.links);
    const blanked = {
      ...demo,
      map: {
        ...demo.map,
        blanks: { [first!.id]: true as const },
        manner: { ...demo.map.manner, blanked: true },
      },
    };
    for (const sheet of drawSet(blanked, one * 1.25)!.sheets) {
      const told = sheet.scene.notes.map(({ label }) => label).join(' ');
      expect(told.includes(`Words: ${first!.phrase}`)).toBe(shownOn(sheet, 'link').has(first!.id));
    }
  });
});
