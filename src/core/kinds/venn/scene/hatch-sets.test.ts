import { describe, expect, it } from 'vitest';
import { diagramOf, draw, type Diagram } from '../../../diagram';
import { pointAt, type Ellipse } from '../../../arrange/curves';
import { createEntry } from '../../../model';
import type { SceneGroup } from '../../../scene';
import { vennOf } from '../../../testing/arbitrary-venn';
import { hatchedSets } from './hatch-sets';

const circle: Ellipse = { cx: 100, cy: 100, rx: 80, ry: 60, turn: 0.4 };
const text = (x: number, y: number, width: number): SceneGroup => ({
  type: 'group',
  stands: { for: 'entry', id: 'a' },
  label: 'a',
  x: 0,
  y: 0,
  bounds: { x, y, width, height: 20 },
  children: [
    {
      type: 'text',
      x,
      y: y + 15,
      size: 14,
      fill: '#000000',
      runs: [{ face: 'sans400', text: 'redshank', width }],
      part: 'name',
    },
  ],
});
const stretches = (group: SceneGroup): number[][] =>
  group.children.flatMap((one) =>
    one.type === 'path'
      ? one.d
          .split('M')
          .filter(Boolean)
          .map((part) => part.match(/-?[\d.]+/g)!.map(Number))
      : [],
  );
const outside = ([x, y]: readonly [number, number]): number => {
  const [c, s] = [Math.cos(circle.turn), Math.sin(circle.turn)];
  const [dx, dy] = [x - circle.cx, y - circle.cy];
  return Math.hypot((dx * c + dy * s) / circle.rx, (dy * c - dx * s) / circle.ry);
};

describe('lines of a set', () => {
  it('end on its curve, and run in a direction of its own', () => {
    const [first, second] = hatchedSets([circle, circle], [], '#888888').map(stretches);
    for (const [ax, ay, bx, by] of first!) {
      expect(outside([ax!, ay!])).toBeCloseTo(1, 1);
      expect(outside([bx!, by!])).toBeCloseTo(1, 1);
      // The first set runs down to the right, the second up.
      expect((by! - ay!) / (bx! - ax!)).toBeCloseTo(1, 1);
    }
    for (const [ax, ay, bx, by] of second!) expect((by! - ay!) / (bx! - ax!)).toBeCloseTo(-1, 1);
    expect(first!.length).toBeGreaterThan(10);
    expect(outside([pointAt(circle, 1).x, pointAt(circle, 1).y])).toBeCloseTo(1, 6);
  });
  it('leave room for text', () => {
    const group = text(70, 90, 60);
    for (const [ax, ay, bx, by] of stretches(hatchedSets([circle], [group], '#888888')[0]!))
      for (let k = 0; k <= 20; k++) {
        const [x, y] = [ax! + ((bx! - ax!) * k) / 20, ay! + ((by! - ay!) * k) / 20];
        expect(x > 70 && x < 130 && y > 94 && y < 106).toBe(false);
      }
  });
});

describe('Plain ink', () => {
  it('hatches Venn regions, other looks do not', () => {
    const diagram: Diagram = vennOf(2, [1, 2, 3]);
    const hatched = (look: string) =>
      draw({ ...diagram, look }).scene.groups.filter(({ stands }) => stands.for === 'hatch');
    expect(hatched('plain-ink')).toHaveLength(2);
    expect(hatched('saltmarsh')).toHaveLength(0);
  });
  it('leaves org charts as they are', () => {
    const chart = diagramOf('org-chart', 'x', [createEntry({ id: 'a', order: 'V', name: 'Ada' })]);
    expect(draw({ ...chart, look: 'plain-ink' }).scene.groups.some(({ stands }) => stands.for === 'hatch')).toBe(false);
  });
});
