import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyGesture, kindOf, type Command } from '../../diagram';
import { contrastRatio, lookOf, looks, plainLook } from '../../style';
import { vennOf } from '../../testing/arbitrary-venn';
import { distance, laidOver, leastApart, regionFills } from './inks';
import type { Venn } from './model';
import { regionStyle, vennStyles } from './styles';

const look = plainLook('saltmarsh');
const solid = (colour: string, opacity = 1) => ({ colour, opacity });

const changed = (diagram: Venn, ...commands: Command[]): Venn => {
  const outcome = applyGesture(diagram, commands);
  if (!outcome.ok) throw new Error(outcome.reason);
  return outcome.diagram as Venn;
};
const coloured = (diagram: Venn, colours: readonly string[]): Venn =>
  changed(diagram, ...colours.map((colour, i): Command => ({ kind: 'changeSet', id: `s${i}`, patch: { colour } })));
const lightness = (colour: string): number => distance(colour, '#000000');

describe('inks of sets laid over each other', () => {
  it('do not depend on the order of the sets', () => {
    const inks = ['#7fc4a0', '#8fb5f0', '#f0b090'].map((one) => solid(one, 0.6));
    expect(laidOver(look, inks)).toBe(laidOver(look, [...inks].reverse()));
  });
  it('leave the ground where there is none', () => expect(laidOver(look, [])).toBe(look.ground));
  it('alone are drawn as picked; half of what is below shows through one half see-through (source-over, W3C)', () => {
    expect(laidOver(plainLook('ink'), [solid('#3366aa')])).toBe('#3366aa');
    const { ground } = look;
    const half = laidOver(look, [solid('#000000', 0.5)]);
    const at = (hex: string, i: number) => Number.parseInt(hex.slice(i, i + 2), 16);
    for (const i of [1, 3, 5]) expect(Math.abs(at(half, i) - at(ground, i) / 2)).toBeLessThanOrEqual(1);
  });
  it('of deep colours do not come near black', () => {
    const deep = coloured(vennOf(3, [1, 2, 4, 7]), ['#7a1022', '#104a7a', '#0f5a2a']);
    for (const fill of regionFills(lookOf(deep), deep.venn).slice(1)) expect(lightness(fill)).toBeGreaterThan(0.25);
  });
});

const hex = fc
  .tuple(fc.nat({ max: 255 }), fc.nat({ max: 255 }), fc.nat({ max: 255 }))
  .map((channels) => `#${channels.map((one) => one.toString(16).padStart(2, '0')).join('')}`);
const picked = fc.oneof(hex, fc.constantFrom('#000000', '#ffffff', '#ff0000', '#0000ff', '#ffff00', '#808080'));
const seen = fc.option(fc.integer({ min: 0, max: 95 }), { nil: null });

describe('whatever colours are picked and however see-through they are', () => {
  it('regions that differ by one set are told apart, and text on each reads at 4.5 : 1', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 5 }),
        fc.array(fc.option(picked), { minLength: 5, maxLength: 5 }),
        fc.array(seen, { minLength: 5, maxLength: 5 }),
        seen,
        fc.constantFrom(...looks.map(({ id }) => id)),
        (total, colours, through, all, lookId) => {
          const plain = vennOf(
            total,
            Array.from({ length: 1 << total }, (_, mask) => mask),
          );
          const diagram = changed(
            { ...plain, look: lookId },
            { kind: 'setManner', patch: { seeThrough: all } },
            ...Array.from({ length: total }, (_, i): Command => ({
              kind: 'changeSet',
              id: `s${i}`,
              patch: { colour: colours[i]!, seeThrough: through[i]! },
            })),
          );
          const fills = regionFills(lookOf(diagram), diagram.venn);
          fills.forEach((fill, mask) => {
            for (let i = 0; i < total; i += 1)
              if ((mask >> i) & 1) expect(distance(fill, fills[mask ^ (1 << i)]!)).toBeGreaterThanOrEqual(leastApart);
            expect(regionStyle(diagram, mask).fill).toBe(fill);
            expect(contrastRatio(regionStyle(diagram, mask).text, fill)).toBeGreaterThanOrEqual(4.5);
          });
          for (const { text, fill } of vennStyles(diagram, kindOf('venn').structure(diagram) as never))
            expect(contrastRatio(text, fill)).toBeGreaterThanOrEqual(4.5);
        },
      ),
      { numRuns: 150 },
    );
  });
  it('more see-through is nearer to the ground; handed back, the set is as before', () => {
    const diagram = coloured(vennOf(2, [1, 2, 3]), ['#aa3333', '#3333aa']);
    const through = (seeThrough: number | null) =>
      changed(diagram, { kind: 'changeSet', id: 's0', patch: { seeThrough } });
    const ground = lookOf(diagram).ground;
    const far = (of: Venn) => distance(regionStyle(of, 1).fill, ground);
    expect(far(through(30))).toBeLessThan(far(diagram));
    expect(far(through(60))).toBeLessThan(far(through(30)));
    expect(regionStyle(through(60), 2).fill).toBe(regionStyle(diagram, 2).fill);
    expect(changed(through(60), { kind: 'changeSet', id: 's0', patch: { seeThrough: null } })).toEqual(diagram);
  });
  it('what is told of one set goes before what is told of all', () => {
    const diagram = coloured(vennOf(2, [1, 2, 3]), ['#aa3333', '#3333aa']);
    const all = changed(diagram, { kind: 'setManner', patch: { seeThrough: 50 } });
    const one = changed(all, { kind: 'changeSet', id: 's0', patch: { seeThrough: 0 } });
    expect(regionStyle(one, 1).fill).toBe('#aa3333');
    expect(regionStyle(one, 2).fill).toBe(regionStyle(all, 2).fill);
    expect(regionStyle(all, 2).fill).not.toBe(regionStyle(diagram, 2).fill);
  });
});
