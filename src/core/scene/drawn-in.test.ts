import { describe, expect, it } from 'vitest';
import { isDrawnIn } from './drawn-in';
import type { SceneGroup } from './scene';

const line = (d: string): SceneGroup => ({
  type: 'group',
  stands: { for: 'lines', id: 'a' },
  label: '',
  x: 100,
  y: 0,
  bounds: { x: 0, y: 0, width: 200, height: 200 },
  children: [{ type: 'path', d, stroke: '#000', strokeWidth: 1, dashed: false }],
});
const corner = { x: 100, y: 0, width: 80, height: 40 };

describe('what is drawn in a part of a drawing', () => {
  it('is a line where it runs, not the whole of its extent', () => {
    const around = line('M0 200 L0 190 L200 190 L200 0');
    expect(isDrawnIn(around, corner)).toBe(false);
    expect(isDrawnIn(around, { ...corner, x: 260 })).toBe(true);
    expect(isDrawnIn(line('M10 200 L10 10'), corner)).toBe(true);
  });
  it('is all of what is filled', () => {
    const filled = line('M0 0 L200 0 L200 200 Z');
    const group = { ...filled, children: filled.children.map((child) => ({ ...child, fill: '#fff' }) as typeof child) };
    expect(isDrawnIn(group, { ...corner, x: 250 })).toBe(true);
    expect(isDrawnIn(group, { ...corner, x: 400 })).toBe(false);
  });
});
