/** Generated styles of boxes, and what is drawn of them, for property tests. */
import fc from 'fast-check';
import { applyGesture, type Command, type Diagram } from '../diagram';
import { BoxShape, type StylePatch } from '../model';
import { runsThrough } from '../arrange/graph';
import { boxOutline, distanceToShape, flattenPath, holds, type BoxPrimitive, type SceneGroup } from '../scene';

export const after = (diagram: Diagram, gesture: readonly Command[]): Diagram => {
  const outcome = applyGesture(diagram, gesture);
  if (!outcome.ok) throw new Error(outcome.reason);
  return outcome.diagram;
};
export const patches: fc.Arbitrary<StylePatch> = fc.record(
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
export const styled = (
  diagram: Diagram,
  patch: StylePatch,
  scope: Extract<Command, { kind: 'setStyle' }>['scope'],
): Diagram =>
  after(
    diagram,
    Object.entries(patch).map(
      ([property, value]) => ({ kind: 'setStyle', scope, property, value }) as unknown as Command,
    ),
  );

export const boxOf = ({ children }: SceneGroup) => children.find((one) => one.type === 'box')!;

/** Whether a straight line runs through what an entry's box shows: deeper into its shape than a third of a px. */
export function runsThroughShape(
  group: SceneGroup,
  [x1, y1, x2, y2]: readonly [number, number, number, number],
): boolean {
  const { width, height } = group.bounds;
  const [ax, ay, bx, by] = [x1 - group.x, y1 - group.y, x2 - group.x, y2 - group.y];
  if (!runsThrough(ax, ay, bx, by, { x: 0, y: 0, width, height })) return false;
  const box = boxOf(group) as BoxPrimitive;
  const outline = flattenPath(boxOutline(box));
  const steps = Math.ceil(Math.hypot(bx - ax, by - ay) * 2);
  return Array.from({ length: steps + 1 }, (_, k) => k / steps).some((share) => {
    const [x, y] = [ax + (bx - ax) * share, ay + (by - ay) * share];
    return holds(outline, x, y) && distanceToShape([x, y], { x: 0, y: 0, width, height }, box) > 0.34;
  });
}

/** The corners of all its text, from the height of capitals to the baseline. */
export const corners = ({ children }: SceneGroup): [number, number][] =>
  children.flatMap((one) => {
    if (one.type !== 'text') return [];
    const width = one.runs.reduce((sum, run) => sum + run.width, 0);
    return [one.x + 0.5, one.x + width - 0.5].flatMap((x): [number, number][] => [
      [x, one.y],
      [x, one.y - one.size * 0.66],
    ]);
  });
