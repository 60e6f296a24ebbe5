import { converter, differenceCiede2000 } from 'culori';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyGesture, draw, settingsByHand, type Command, type Diagram } from '../diagram';
import { diagramFromParents } from '../testing/arbitrary';
import { contrastRatio, leastContrast } from './contrast';
import { lookOf, looks, tierStyle } from './look';
import { tierColours } from './tier-colours';

const colour = fc.integer({ min: 0, max: 0xffffff }).map((n) => `#${n.toString(16).padStart(6, '0')}`);
const lab = converter('lab65');
const chart = diagramFromParents([-1, 0, 0, 1, 3, 4]);
const after = (diagram: Diagram, gesture: readonly Command[]): Diagram => {
  const outcome = applyGesture(diagram, gesture);
  if (!outcome.ok) throw new Error(outcome.reason);
  return outcome.diagram;
};

describe('a look in other colours', () => {
  it('keeps names and details at 4.5 : 1 or better on every tier, for 1,000 seed hues in every look', () => {
    for (let n = 0; n < 1000; n++)
      for (const { id } of looks) {
        const look = lookOf({ look: id, palette: { hue: (n * 137.507) % 360, colours: [], ground: null } });
        for (let tier = 1; tier <= 6; tier++) {
          const { text, detailText, fill } = tierStyle(look, tier);
          expect(contrastRatio(text, fill)).toBeGreaterThanOrEqual(leastContrast);
          expect(contrastRatio(detailText, fill)).toBeGreaterThanOrEqual(leastContrast);
        }
        expect(contrastRatio(look.line, look.ground)).toBeGreaterThanOrEqual(3);
      }
  });
  it('of any three own colours and any page takes the first two as they are, and stays legible', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...looks),
        fc.array(colour, { minLength: 1, maxLength: 3 }),
        colour,
        ({ id }, colours, ground) => {
          const look = lookOf({ look: id, palette: { hue: null, colours, ground } });
          colours.slice(0, 2).forEach((one, t) => expect(tierStyle(look, t + 1).fill).toBe(one));
          expect(look.ground).toBe(ground);
          expect(contrastRatio(look.line, ground)).toBeGreaterThanOrEqual(3);
          for (let tier = 1; tier <= 5; tier++)
            expect(contrastRatio(tierStyle(look, tier).text, tierStyle(look, tier).fill)).toBeGreaterThanOrEqual(
              leastContrast,
            );
          const drawn = draw({ ...chart, look: id, palette: { hue: null, colours, ground }, title: 'Reserve' }).scene;
          expect(drawn.sheet.ground).toBe(ground);
          for (const note of drawn.notes)
            for (const one of note.children)
              if (one.type === 'text') expect(contrastRatio(one.fill, ground)).toBeGreaterThanOrEqual(leastContrast);
        },
      ),
      { numRuns: 60 },
    );
  });
  it('without a palette is the look as it ships; taking a palette back leaves no trace', () => {
    const tinted = after(chart, [{ kind: 'setPalette', palette: { hue: 40, colours: [], ground: '#fff7e0' } }]);
    expect(tinted).not.toEqual(chart);
    expect(after(tinted, [{ kind: 'setPalette', palette: null }])).toEqual(chart);
  });
});

describe('all tiers coloured at once', () => {
  it.each(['ramp', 'each', 'alternate'] as const)(
    '%s keeps neighbours of up to five tiers apart (CIEDE2000 5 or more)',
    (way) => {
      const apart = differenceCiede2000();
      for (const { id } of looks) {
        const fills = tierColours(lookOf({ look: id }), way, 5);
        expect(fills).toHaveLength(5);
        for (let t = 1; t < 5; t++) expect(apart(fills[t - 1]!, fills[t]!)).toBeGreaterThanOrEqual(5);
      }
    },
  );
  it('a ramp grows lighter, or on a dark page darker, step by step', () => {
    for (const { id, ground } of looks) {
      const lightness = tierColours(lookOf({ look: id }), 'ramp', 6).map((fill) => lab(fill)!.l);
      const sign = lab(ground)!.l > 50 ? 1 : -1;
      for (let t = 1; t < 6; t++) expect((lightness[t]! - lightness[t - 1]!) * sign).toBeGreaterThan(0);
    }
  });
});

describe('what was set by hand', () => {
  const scopes = [
    { kind: 'everything' },
    { kind: 'tier', tier: 2 },
    { kind: 'role', role: 'manager' },
    { kind: 'branch', entry: 'e1' },
    { kind: 'this', entry: 'e3' },
  ] as const;
  const settings = fc.record({
    scope: fc.constantFrom(...scopes),
    given: fc.constantFrom(
      { property: 'fill', value: '#124578' },
      { property: 'text', value: '#eeeeee' },
      { property: 'shape', value: 'star' },
      { property: 'cover', value: 40 },
      { property: 'nameFont', value: 'book' },
      { property: 'detailText', value: '#444444' },
    ),
  });
  const commandOf = ({
    scope,
    given,
  }: {
    scope: (typeof scopes)[number];
    given: { property: string; value: string | number };
  }) => ({ kind: 'setStyle', scope, ...given }) as Command;
  it('gives the same styles in whatever order it was set', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(settings, { selector: ({ scope, given }) => scope.kind + given.property, maxLength: 12 }),
        fc.integer(),
        (all, seed) => {
          const other = [...all].sort(
            (a, b) => ((JSON.stringify(a).length * seed) % 7) - ((JSON.stringify(b).length * seed) % 7),
          );
          const [one, two] = [all, other].map((order) => draw(after(chart, order.map(commandOf))));
          expect(two!.styles).toEqual(one!.styles);
        },
      ),
    );
  });
  it('is all told, and handing all of it back gives the diagram as it was', () => {
    fc.assert(
      fc.property(fc.array(settings, { maxLength: 15 }), (all) => {
        const styled = after(chart, all.map(commandOf));
        const told = settingsByHand(styled);
        expect(told).toHaveLength(new Set(all.map(({ scope, given }) => scope.kind + given.property)).size);
        const back = told.map(({ scope, property }) => ({ kind: 'setStyle', scope, property, value: null }) as Command);
        expect(after(styled, back)).toEqual(chart);
      }),
    );
  });
});
