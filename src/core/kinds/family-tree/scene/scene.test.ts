import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { printPt } from '../../../check';
import { applyGesture, check, draw, fixOf, tokensOf } from '../../../diagram';
import { inOrder } from '../../../arrange/graph';
import type { Rect } from '../../../scene';
import { families, familyOf } from '../../../testing/arbitrary-family';
import { relationBetween } from '../figures/terms';
import { familyTree } from '../kind';
import type { FamilyTree } from '../model';
import { relationsOf } from '../relations';
import { relatedStructure } from '../structure';
import { blocksOf, rowsOf, shownUnions, ways } from './blocks';
import { linesOf } from './lanes';
import { placeAcross } from './place';
import { boxesOf as placesOf } from './place-boxes';
import { stackedRows } from './stacks';
import { largerWay, readably } from './turned';

const demo = familyTree.make(
  familyTree.read(
    tokensOf(readFileSync(new URL('../../../../../demo/lists/boathouse-family.csv', import.meta.url), 'utf8')),
  ),
  'The boathouse family',
);
const demoOf = (text: string): FamilyTree => familyTree.make(familyTree.read(tokensOf(text)), 'Family');
const boxesOf = (diagram: FamilyTree) =>
  new Map(
    draw(diagram)
      .scene.groups.filter(({ stands }) => stands.for === 'entry')
      .map(({ stands, x, y, bounds }): [string, Rect] => [stands.id, { ...bounds, x: x + bounds.x, y: y + bounds.y }]),
  );
const overlap = (a: Rect, b: Rect): boolean =>
  a.x + 0.5 < b.x + b.width && b.x + 0.5 < a.x + a.width && a.y + 0.5 < b.y + b.height && b.y + 0.5 < a.y + a.height;

/** Rows, places and lines as the drawing has them, with boxes of one size; siblings stand on each other, `most` of them. */
function placed(diagram: FamilyTree, most = 1) {
  const listing = relatedStructure(diagram);
  const breadth = new Float64Array(listing.ids.length).fill(80);
  const beside = rowsOf(listing, shownUnions(listing), blocksOf(listing), ways[0]!);
  const rows = stackedRows(beside, () => most);
  const across = placeAcross(rows, breadth, { partner: 24, sibling: 12, branch: 20 });
  const depth = rows.rows.map(() => 40);
  const along = linesOf(rows, across, { breadth, depth, least: 40 });
  const height = new Float64Array(listing.ids.length).fill(40);
  const boxAt = placesOf({ rows, across, along, width: breadth, height, loose: null }, false);
  return { listing, beside, rows, across, along, boxAt };
}

describe('generations', () => {
  it('partners share a tier and children stand below their parents, where no ring forbids it', () => {
    fc.assert(
      fc.property(families(60), (diagram) => {
        const { index, tier, relations } = relatedStructure(diagram);
        const at = (id: string) => tier[index.get(id)!]!;
        for (const union of Object.values(diagram.family.unions)) {
          expect(new Set(union.partners.map(at)).size).toBe(1);
          for (const { id } of relations.childrenOf(union.id)) expect(at(id)).toBeGreaterThan(at(union.partners[0]!));
        }
      }),
      { numRuns: 150 },
    );
  });
  it('pets and guests stand below the children of their household, with a dotted line, and are nobody’s children', () => {
    const home = familyTree.make(
      familyTree.read(
        tokensOf(
          'Id,Name,Born,Mother,Father,Partners,Role\n1,Ada,1970,,,2,\n2,Bo,1968,,,,\n3,Cy,1998,1,2,,\n4,Rex,1960,1,2,,pet\n5,Di,,,,6,\n6,Ed,,,,,\n7,Tom,,5,6,,guest\n',
        ),
      ),
      'Home',
    );
    const { index, tier } = relatedStructure(home);
    const idOf = (name: string) => Object.values(home.entries).find((entry) => entry.name === name)!.id;
    expect(['Ada', 'Cy', 'Rex', 'Di', 'Tom'].map((name) => tier[index.get(idOf(name))!])).toEqual([1, 2, 3, 1, 2]);
    const drawn = draw(home);
    expect(drawn.scene.notes.map(({ label }) => label).join()).toContain('Of the household');
    // Born before both of them, and no finding; a child so old would be one.
    expect(check(home, drawn).map(({ code }) => code)).not.toContain('before-parent');
    expect(relationBetween(idOf('Rex'), idOf('Ada'), relationsOf(home), () => null).term).toBe('of the same household');
    expect(relationBetween(idOf('Cy'), idOf('Rex'), relationsOf(home), () => null).term).not.toMatch(
      /sibling|brother|sister/,
    );
  });
  it('a ring is drawn all the same, and found', () => {
    const ring: FamilyTree = {
      ...demo,
      family: {
        ...demo.family,
        parentage: {
          ...demo.family.parentage,
          p2: [
            {
              union: Object.values(demo.family.unions).find(({ partners }) => partners.includes('p4'))!.id,
              kind: 'birth',
            },
          ],
        },
      },
    };
    const found = check(ring, draw(ring)).find(({ code }) => code === 'own-ancestor')!;
    expect(found.message).toContain('child of');
    expect(found.entries).toContain('p2');
  });
});

describe('the drawing of a family', () => {
  it('no two boxes meet, and everybody is drawn once, in both directions', () => {
    fc.assert(
      fc.property(
        families(45),
        fc.constantFrom('down' as const, 'right' as const),
        fc.constantFrom('drawing' as const, 'A4' as const),
        (diagram, direction, size) => {
          const arrangement = { ...diagram.arrangement, direction };
          const boxes = [...boxesOf({ ...diagram, arrangement, sheet: { ...diagram.sheet, size } })];
          expect(boxes).toHaveLength(Object.keys(diagram.entries).length);
          boxes.forEach(([, a], i) => {
            for (const [, b] of boxes.slice(i + 1)) expect(overlap(a, b)).toBe(false);
          });
        },
      ),
      { numRuns: 120 },
    );
  });
  it('partners stand next to each other unless somebody has more than two partnerships', () => {
    fc.assert(
      fc.property(families(45), (diagram) => {
        const { rows, listing } = placed(diagram);
        const relations = relationsOf(diagram);
        for (const union of Object.values(diagram.family.unions)) {
          if (
            union.partners.length < 2 ||
            union.partners.some(
              (id) => relations.unionsOf(id).filter(({ partners }) => partners.length === 2).length > 2,
            )
          )
            continue;
          const [a, b] = union.partners.map((id) => listing.index.get(id)!);
          const { members } = rows.blocks[rows.blockOf[a!]!]!;
          // Rings of couples, each with two partners, cannot all stand so.
          if (
            members.every(
              (m) => relations.unionsOf(listing.ids[m]!).filter(({ partners }) => partners.length === 2).length === 2,
            )
          )
            continue;
          expect(Math.abs(members.indexOf(a!) - members.indexOf(b!))).toBe(1);
        }
      }),
      { numRuns: 120 },
    );
  });
  it('no line runs through a box, and level lines of different families never run along each other', () => {
    fc.assert(
      fc.property(families(45), fc.integer({ min: 1, max: 5 }), (diagram, most) => {
        const { rows, across, along, boxAt } = placed(diagram, most);
        const boxes = rows.rows.flat().flatMap((b) =>
          rows.blocks[b]!.members.map((m) => {
            const box = boxAt(m);
            return { ...box, x: box.x + across.left };
          }),
        );
        const stretches = along.lines.flatMap(({ points, union }) =>
          Array.from({ length: points.length / 2 - 1 }, (_, k) => ({
            union,
            x0: points[2 * k]!,
            y0: points[2 * k + 1]!,
            x1: points[2 * k + 2]!,
            y1: points[2 * k + 3]!,
          })),
        );
        for (const { x0, y0, x1, y1 } of stretches)
          for (const box of boxes)
            expect(
              overlap(
                {
                  x: Math.min(x0, x1) - 0.01,
                  y: Math.min(y0, y1) - 0.01,
                  width: Math.abs(x1 - x0) + 0.02,
                  height: Math.abs(y1 - y0) + 0.02,
                },
                { ...box, x: box.x + 0.6, width: box.width - 1.2, y: box.y + 0.6, height: box.height - 1.2 },
              ),
            ).toBe(false);
        const level = stretches.filter(({ y0, y1, x0, x1 }) => Math.abs(y0 - y1) < 0.01 && Math.abs(x1 - x0) > 1);
        level.forEach((a, i) => {
          for (const b of level.slice(i + 1))
            if (a.union !== b.union && Math.abs(a.y0 - b.y0) < 1)
              expect(
                Math.min(Math.max(a.x0, a.x1), Math.max(b.x0, b.x1)) -
                  Math.max(Math.min(a.x0, a.x1), Math.min(b.x0, b.x1)),
              ).toBeLessThan(0.5);
        });
      }),
      { numRuns: 200 },
    );
  });
  it('only siblings who have nobody of their own stand on each other, in the order of their birth', () => {
    let stacks = 0;
    fc.assert(
      fc.property(families(60), fc.integer({ min: 2, max: 6 }), (diagram, most) => {
        const { beside, rows, listing } = placed(diagram, most);
        const relations = relationsOf(diagram);
        const inOrder = ({ rows: order, blocks }: typeof rows) =>
          order.map((row) => row.flatMap((b) => blocks[b]!.members));
        expect(inOrder(rows)).toEqual(inOrder(beside));
        for (const { members, stacked } of rows.rows.flat().map((b) => rows.blocks[b]!)) {
          if (!stacked) continue;
          stacks++;
          expect(members.length).toBeGreaterThan(1);
          expect(members.length).toBeLessThanOrEqual(most);
          const ids = members.map((m) => listing.ids[m]!);
          expect(new Set(ids.map((id) => JSON.stringify(diagram.family.parentage[id]))).size).toBe(1);
          for (const id of ids) expect(relations.unionsOf(id)).toEqual([]);
        }
      }),
      { numRuns: 160 },
    );
    expect(stacks).toBeGreaterThan(40);
  });
  it('the line to somebody in a stack ends at the side of the box, half way down', () => {
    fc.assert(
      fc.property(families(45), (diagram) => {
        const { rows, across, along, boxAt } = placed(diagram, 4);
        for (const { child, points } of along.lines) {
          if (child === null || !rows.blocks[rows.blockOf[child]!]!.stacked) continue;
          const box = boxAt(child);
          expect(points.at(-2)! - across.left).toBeCloseTo(box.x, 6);
          expect(points.at(-1)).toBeCloseTo(box.y + box.height / 2, 6);
        }
      }),
      { numRuns: 80 },
    );
  });
  it('the line to the children begins at the middle between the parents', () => {
    const { rows, across, along } = placed(demo);
    rows.unions.forEach((union, u) => {
      const [a, b] = union.partners;
      if (b === undefined || union.children.length === 0) return;
      const stem = along.lines.find(
        (line) => line.union === u && line.child === null && line.points[0] === line.points[2],
      );
      expect(stem!.points[0]).toBeCloseTo((across.middle[a!]! + across.middle[b]!) / 2, 6);
    });
  });
  it('children stand under the middle of their parents where nothing else forces them aside', () => {
    const plain = familyTree.make(
      familyTree.read(tokensOf('Ada + Bo\n\tCy + Di\n\t\tEd\n\t\tFay\n\tGus + Hal\n\t\tIda\n\t\tJon\n')),
      '',
    );
    const { rows, across } = placed(plain);
    rows.unions.forEach(({ children }, u) => {
      const middles = children.map(({ child }) => across.middle[child]!);
      if (middles.length > 0)
        expect((Math.min(...middles) + Math.max(...middles)) / 2).toBeCloseTo(across.union[u]!, 6);
    });
  });
  it('adopted children have a dashed line, and the legend says so', () => {
    const { scene } = draw(demo);
    expect(scene.groups.some(({ children }) => children.some((one) => one.type === 'path' && one.dashed))).toBe(true);
    expect(scene.notes.map(({ label }) => label).join()).toContain('Child: adopted');
  });
  it('around somebody only their relatives are drawn, and tiers are named after them', () => {
    const around = {
      ...demo,
      family: {
        ...demo.family,
        manner: { ...demo.family.manner, view: 'ancestors' as const, of: 'p31', numbers: 'ancestors' as const },
      },
    };
    const { scene } = draw(around);
    expect(scene.tiers.map(({ name }) => name)).toContain('Grandparents of Ines Vantongeren');
    expect(boxesOf(around).size).toBeLessThan(boxesOf(demo).size);
    const texts = scene.groups.flatMap(({ children }) =>
      children.flatMap((one) => (one.type === 'text' ? [one.runs.map(({ text }) => text).join('')] : [])),
    );
    expect(texts.some((text) => text.startsWith('2 · '))).toBe(true);
  });
});

/** Persons nobody is related to, each on a line. */
const alone = (names: readonly string[]): FamilyTree =>
  familyTree.make(familyTree.read(tokensOf(names.join('\n'))), 'Crew');

describe('a family on its sheet', () => {
  const printed = (diagram: FamilyTree): number => printPt(draw(diagram).scene)!;
  const crowd = familyOf(
    Array.from({ length: 60 }, (_, i) => (i * 7919) % 1000),
    (i) => `Salome Achterberg ${i}`,
  );
  it('is made from left to right where that can be read and the other way cannot, and offered so later', () => {
    const turned = readably(crowd);
    expect(crowd.arrangement.direction).toBe('down');
    expect(turned.arrangement.direction).toBe('right');
    expect(printed(turned)).toBeGreaterThan(printed(crowd) * 1.15);
    const found = check(crowd, draw(crowd)).find(({ code }) => code === 'small-print')!;
    const fix = fixOf(crowd, found)!;
    expect(fix.words).toBe(`Draw it from left to right, at ${printed(turned).toFixed(1)} pt`);
    const outcome = applyGesture(crowd, fix.gesture);
    expect(outcome.ok && printed(outcome.diagram as FamilyTree)).toBe(printed(turned));
  });
  it('stands from the top down where that can be read', () => {
    expect(readably(demoOf('Ada + Bo\n\tCy + Di\n\t\tEd')).arrangement.direction).toBe('down');
    expect(largerWay(demoOf('Ada + Bo\n\tCy + Di\n\t\tEd'))).toBeNull();
  });
  it('siblings side by side where that can be read, on each other where there are many', () => {
    const tops = (diagram: FamilyTree): number => new Set([...boxesOf(diagram).values()].map(({ y }) => y)).size;
    const children = (n: number) => Array.from({ length: n }, (_, i) => `\n\tChild of the creek ${i}`).join('');
    expect(tops({ ...demoOf(`Ada + Bo${children(4)}`) })).toBe(2);
    const many = demoOf(`Ada + Bo${children(17)}`);
    const down = { ...many, arrangement: { ...many.arrangement, direction: 'down' as const } };
    expect(tops(down)).toBeGreaterThan(2);
    expect(printed(down)).toBeGreaterThan(8);
  });
  it('who is related to nobody stands beside or below the family, as large as the room allows', () => {
    const crew = Array.from({ length: 30 }, (_, i) => `Deckhand ${i}`);
    expect(printed(alone(crew))).toBeGreaterThan(9);
    const rowsOfCrew = new Set([...boxesOf(alone(crew)).values()].map(({ y }) => y)).size;
    expect(rowsOfCrew).toBeGreaterThan(3);
    fc.assert(
      fc.property(fc.integer({ min: 3, max: 20 }), fc.boolean(), (count, right) => {
        const family = familyTree.make(
          familyTree.read(tokensOf(`Ada + Bo\n\tCy + Di\n\t\tEd\n${crew.slice(0, count).join('\n')}`)),
          '',
        );
        const direction = right ? ('right' as const) : ('down' as const);
        const boxes = boxesOf({ ...family, arrangement: { ...family.arrangement, direction } });
        const isCrew = (id: string) => family.entries[id]!.name.startsWith('Deckhand');
        const kin = [...boxes].filter(([id]) => !isCrew(id)).map(([, box]) => box);
        const around = {
          right: Math.max(...kin.map(({ x, width }) => x + width)),
          bottom: Math.max(...kin.map(({ y, height }) => y + height)),
        };
        for (const [id, box] of boxes) if (isCrew(id)) expect(box.x > around.right || box.y > around.bottom).toBe(true);
      }),
      { numRuns: 20 },
    );
  });
});

describe('places in order', () => {
  it('keep their order and their distance, and are as near as can be to where they want to be', () => {
    const wish = fc.array(
      fc.record({
        at: fc.integer({ min: -50, max: 50 }),
        weight: fc.integer({ min: 1, max: 5 }),
        apart: fc.integer({ min: 1, max: 9 }),
      }),
      { minLength: 1, maxLength: 7 },
    );
    fc.assert(
      fc.property(wish, (list) => {
        const at = list.map((one) => one.at);
        const weight = list.map((one) => one.weight);
        const apart = list.map((one) => one.apart);
        const found = inOrder(at, weight, apart);
        const cost = (places: ArrayLike<number>) =>
          list.reduce((sum, one, i) => sum + one.weight * (places[i]! - one.at) ** 2, 0);
        for (let i = 1; i < found.length; i++)
          expect(found[i]! - found[i - 1]!).toBeGreaterThanOrEqual(apart[i]! - 1e-9);
        // Moving any run of places a little, as far as the distances allow, makes it no better.
        for (let from = 0; from < found.length; from++)
          for (let to = from; to < found.length; to++)
            for (const step of [-0.01, 0.01]) {
              const moved = found.map((place, i) => (i >= from && i <= to ? place + step : place));
              const allowed = moved.every((place, i) => i === 0 || place - moved[i - 1]! >= apart[i]! - 1e-12);
              if (allowed) expect(cost(moved)).toBeGreaterThanOrEqual(cost(found) - 1e-9);
            }
      }),
    );
  });
});
