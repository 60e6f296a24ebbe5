import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { draw, type Command, type Diagram } from '../../../diagram';
import type { StylePatch } from '../../../model';
import { boxOutline, flattenPath, holds, type Rect, type SceneGroup } from '../../../scene';
import { contrastRatio, isInside } from '../../../style';
import { itemName, vennOf } from '../../../testing/arbitrary-venn';
import { after, boxOf, corners, patches, styled } from '../../../testing/styled';

const gulls: Command = {
  kind: 'putRole',
  role: { id: 'gull', name: 'Gulls', order: 0, rule: null, members: ['e0', 'e2', 'e5'] },
};
const scope = { kind: 'role', role: 'gull' } as const;
const groupsOf = (diagram: Diagram): SceneGroup[] =>
  draw(diagram).scene.groups.filter(({ stands }) => stands.for === 'entry');
const placed = ({ x, y, bounds }: SceneGroup): Rect => ({ ...bounds, x: x + bounds.x, y: y + bounds.y });
const apart = (a: Rect, b: Rect): boolean =>
  a.x + a.width <= b.x + 0.01 ||
  b.x + b.width <= a.x + 0.01 ||
  a.y + a.height <= b.y + 0.01 ||
  b.y + b.height <= a.y + 0.01;
const seen: (keyof StylePatch)[] = ['fill', 'border', 'borderWidth', 'borderLine', 'shape', 'shade', 'effect'];

const some = fc.record({
  sets: fc.integer({ min: 2, max: 4 }),
  draws: fc.array(fc.nat({ max: 15 }), { minLength: 6, maxLength: 26 }),
  names: fc.array(itemName, { minLength: 26, maxLength: 26 }),
  patch: patches,
});

describe('items with a role of their own', () => {
  it('stand in boxes that hold their text, clear of all other items, and nobody else does', () => {
    fc.assert(
      fc.property(some, ({ sets, draws, names, patch }) => {
        const plain = vennOf(
          sets,
          draws.map((one) => one % (1 << sets)),
          (i) => `${names[i]!} x^{2}`,
        );
        const groups = groupsOf(styled(after(plain, [gulls]), patch, scope));
        expect(groups).toHaveLength(draws.length);
        const all = groups.map(placed);
        all.forEach((a, i) => all.slice(i + 1).forEach((b) => expect(apart(a, b)).toBe(true)));
        for (const group of groups) {
          const has = ['e0', 'e2', 'e5'].includes(group.stands.id);
          const box = group.children.find((one) => one.type === 'box');
          expect(box !== undefined).toBe(has);
          if (!box || box.type !== 'box' || !isInside(box.shape)) continue;
          const outline = flattenPath(boxOutline(boxOf(group) as typeof box));
          for (const [x, y] of corners(group)) expect(holds(outline, x, y)).toBe(true);
        }
      }),
      { numRuns: 60 },
    );
  });
  it.each(seen)('are seen to have it by their %s', (property) => {
    const values: StylePatch = {
      ...{ fill: '#224466', border: '#aa3300', borderWidth: 2, borderLine: 'dotted', shape: 'star' },
      ...{ shade: 'fading', effect: 'glow' },
    };
    const plain = after(vennOf(2, [1, 2, 3, 1, 2, 3]), [gulls]);
    const drawn = groupsOf(styled(plain, { [property]: values[property] }, scope));
    const [gull, other] = [drawn[0]!, drawn.find(({ stands }) => stands.id === 'e1')!];
    expect(gull.children).not.toEqual(groupsOf(plain)[0]!.children);
    expect(other.children).toEqual(groupsOf(plain).find(({ stands }) => stands.id === 'e1')!.children);
  });
  it('have text that reads on a fill of their own', () => {
    const dark = styled(after(vennOf(2, [1, 2, 3, 1, 2, 3]), [gulls]), { fill: '#102030' }, scope);
    const text = groupsOf(dark)[0]!.children.find((one) => one.type === 'text')!;
    expect(contrastRatio((text as { fill: string }).fill, '#102030')).toBeGreaterThanOrEqual(4.5);
  });
  it('have names of several manners where these are asked for', () => {
    const named = vennOf(2, [1, 2], () => 'CO_{2} and *Carex*');
    const set = after(named, [
      { kind: 'setStyle', scope: { kind: 'everything' }, property: 'nameMarks', value: 'set' },
    ]);
    const [first] = groupsOf(set);
    const texts = first!.children.flatMap((one) => (one.type === 'text' ? [one] : []));
    expect(texts.map(({ runs }) => runs.map(({ text }) => text).join('')).join('')).toBe('CO2 and Carex');
    expect(new Set(texts.map(({ y }) => y)).size).toBe(2);
    expect(first!.label).toContain('CO2 and Carex');
    expect(groupsOf(named)[0]!.label).toContain('CO_{2}');
  });
});
