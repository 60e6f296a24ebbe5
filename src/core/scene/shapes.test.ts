import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { draw, type Diagram } from '../diagram';
import type { OrgChart } from '../kinds/org-chart';
import { isInside } from '../style';
import { diagramFromParents, diagrams } from '../testing/arbitrary';
import { after, boxOf, corners, patches, styled } from '../testing/styled';
import { boxOutline } from './box-outline';
import { flattenPath, holds } from './outline-points';
import type { SceneGroup } from './scene';

/** Every name with words in other manners. */
const withSigns = (diagram: OrgChart): OrgChart => ({
  ...diagram,
  entries: Object.fromEntries(
    Object.entries(diagram.entries).map(([id, entry]) => [
      id,
      { ...entry, name: `${entry.name.slice(0, 80)} *sl*ant **bold words** x^{2} H_{2}O` },
    ]),
  ),
});

const entriesOf = (diagram: Diagram): SceneGroup[] =>
  draw(diagram).scene.groups.filter(({ stands }) => stands.for === 'entry');
describe('text in boxes of any shape and style', () => {
  it('lies inside the shape, or beside it where it stands beside it', () => {
    fc.assert(
      fc.property(diagrams, patches, (plain, patch) => {
        const diagram = styled(patch.nameMarks === 'set' ? withSigns(plain) : plain, patch, { kind: 'everything' });
        for (const group of entriesOf(diagram)) {
          const box = boxOf(group);
          const outline = flattenPath(boxOutline(box));
          for (const [x, y] of corners(group)) {
            if (isInside(box.shape)) expect(holds(outline, x, y)).toBe(true);
            else {
              expect(x).toBeGreaterThanOrEqual(-0.01);
              expect(x).toBeLessThanOrEqual(box.width + 0.01);
            }
          }
        }
      }),
      { numRuns: 150 },
    );
  });
  it('boxes of equal size are equal to the last digit, whatever their tier is given', () => {
    fc.assert(
      fc.property(diagrams, patches, (plain, patch) => {
        const diagram = styled(
          styled(plain, patch, { kind: 'tier', tier: 2 }),
          { equalSize: true },
          { kind: 'everything' },
        );
        const { structure } = draw(diagram);
        const sizes = new Set(
          entriesOf(diagram).flatMap((group) => {
            const at = structure.index.get(group.stands.id)!;
            const { role } = diagram.entries[group.stands.id]!;
            return structure.tier[at] === 2 && role === null ? [`${boxOf(group).width} ${boxOf(group).height}`] : [];
          }),
        );
        expect(sizes.size).toBeLessThanOrEqual(1);
      }),
      { numRuns: 60 },
    );
  });
  it('a box made larger by hand enlarges no other', () => {
    const plain = diagramFromParents([-1, 0, 0, 0, 1, 1], (i) => ['Maren', 'Ilse', 'Bao', 'Gil', 'Ede', 'Tove'][i]!);
    const id = 'e2';
    const large = after(plain, [
      { kind: 'setStyle', scope: { kind: 'this', entry: id }, property: 'nameSize', value: 60 },
    ]);
    const sizes = (diagram: Diagram) =>
      entriesOf(diagram)
        .filter(({ stands }) => stands.id !== id)
        .map((group) => [group.stands.id, boxOf(group).height]);
    const height = (diagram: Diagram) => boxOf(entriesOf(diagram).find(({ stands }) => stands.id === id)!).height;
    const fixed = (diagram: Diagram): Diagram => ({
      ...diagram,
      sheet: { ...diagram.sheet, size: 'drawing' },
      arrangement: { ...diagram.arrangement, tiers: 'bands' },
    });
    expect(height(fixed(large))).toBeGreaterThan(height(fixed(plain)));
    expect(sizes(fixed(large))).toEqual(sizes(fixed(plain)));
  });
});
