import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyGesture, draw, type Command, type Diagram } from '../diagram';
import type { OrgChart } from '../kinds/org-chart';
import { BoxShape, type StylePatch } from '../model';
import { isInside } from '../style';
import { diagramFromParents, diagrams } from '../testing/arbitrary';
import { boxOutline } from './box-outline';
import { flattenPath, holds } from './outline-points';
import type { SceneGroup } from './scene';

const after = (diagram: Diagram, gesture: readonly Command[]): Diagram => {
  const outcome = applyGesture(diagram, gesture);
  if (!outcome.ok) throw new Error(outcome.reason);
  return outcome.diagram;
};
const patches: fc.Arbitrary<StylePatch> = fc.record(
  {
    shape: fc.constantFrom(...BoxShape.options),
    corner: fc.integer({ min: 0, max: 40 }),
    room: fc.integer({ min: 6, max: 30 }),
    nameSize: fc.integer({ min: 8, max: 40 }),
    nameFont: fc.constantFrom('clear', 'book', 'slab', 'soft', 'narrow', 'hand'),
    nameCase: fc.constantFrom('typed', 'capitals'),
    nameMarks: fc.constantFrom('plain', 'set'),
    align: fc.constantFrom('middle', 'start'),
    sign: fc.constantFrom('none', 'stripe', 'band', 'disc'),
    effect: fc.constantFrom('none', 'shadow', 'glow'),
    details: fc.integer({ min: 0, max: 4 }),
  },
  { requiredKeys: ['shape'] },
);
const styled = (diagram: Diagram, patch: StylePatch, scope: Extract<Command, { kind: 'setStyle' }>['scope']): Diagram =>
  after(
    diagram,
    Object.entries(patch).map(
      ([property, value]) => ({ kind: 'setStyle', scope, property, value }) as unknown as Command,
    ),
  );

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
const boxOf = ({ children }: SceneGroup) => children.find((one) => one.type === 'box')!;

/** The corners of all its text, from the height of capitals to the baseline. */
const corners = ({ children }: SceneGroup): [number, number][] =>
  children.flatMap((one) => {
    if (one.type !== 'text') return [];
    const width = one.runs.reduce((sum, run) => sum + run.width, 0);
    return [one.x + 0.5, one.x + width - 0.5].flatMap((x): [number, number][] => [
      [x, one.y],
      [x, one.y - one.size * 0.66],
    ]);
  });

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
