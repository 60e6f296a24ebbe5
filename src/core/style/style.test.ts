import {
  converter,
  differenceCiede2000,
  filterDeficiencyDeuter,
  filterDeficiencyProt,
  filterDeficiencyTrit,
  filterGrayscale,
  parse,
  type Color,
} from 'culori';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyGesture, type Gesture, type Diagram, type Scope } from '../diagram';
import { orgRoles } from '../kinds/org-chart';
import { hierarchyOf } from '../hierarchy';
import { diagramFromParents, diagrams } from '../testing/arbitrary';
import { contrastRatio, leastContrast, readableText } from './contrast';
import { explainStyle, resolveStyles } from './cascade';
import { plainLook, looks, roleStyle, tierStyle } from './look';

const lab65 = converter('lab65');
const done = (diagram: Diagram, gesture: Gesture): Diagram => {
  const outcome = applyGesture(diagram, gesture);
  if (!outcome.ok) throw new Error(outcome.reason);
  return outcome.diagram;
};
const set = (scope: Scope, property: 'fill' | 'text' | 'nameSize', value: string | number | null): Gesture => [
  { kind: 'setStyle', scope, property, value },
];

describe('contrast', () => {
  // WCAG 2.2: black on white 21:1; #767676 on white 4.54:1.
  it('is 21 : 1 for black on white and 4.54 : 1 for #767676 on white, either way round', () => {
    expect(contrastRatio('#000000', '#ffffff')).toBeCloseTo(21, 6);
    expect(contrastRatio('#767676', '#ffffff')).toBeCloseTo(4.54, 2);
    expect(contrastRatio('#ffffff', '#767676')).toBe(contrastRatio('#767676', '#ffffff'));
  });
  it('on any fill a text colour is found that reads', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 0xffffff }), (n) => {
        const fill = `#${n.toString(16).padStart(6, '0')}`;
        expect(contrastRatio(readableText('#777777', fill, '#1d2b26', '#ffffff'), fill)).toBeGreaterThanOrEqual(
          leastContrast,
        );
      }),
    );
  });
});

describe.each(looks.map((look) => [look.id, look] as const))('the look %s', (_, look) => {
  it('reads at 4.5 : 1 or better on every tier and role', () => {
    for (let tier = 1; tier <= 12; tier++) {
      for (const role of [null, 'manager', 'assistant', 'vacancy']) {
        const diagram = diagramFromParents([-1]);
        const style = { ...tierStyle(look, tier), ...roleStyle(look, role) };
        expect(
          contrastRatio(readableText(style.text, style.fill, look.ink, look.light), style.fill),
        ).toBeGreaterThanOrEqual(leastContrast);
        expect(diagram.look).toBeTypeOf('string');
      }
    }
  });
  it('keeps neighbouring tiers apart in grey too: by ΔL* 6 or more, or by the weight of their border', () => {
    // CIE 1976 L* from relative luminance: https://www.w3.org/TR/css-color-4/#lab-colors (D50 and D65 differ little for greys).
    const lightness = (fill: string) => lab65(fill)!.l;
    for (let tier = 1; tier < 9; tier++) {
      const [a, b] = [tierStyle(look, tier), tierStyle(look, tier + 1)];
      const apart = Math.abs(lightness(a.fill) - lightness(b.fill)) >= 6;
      expect(apart || Math.abs(a.borderWidth - b.borderWidth) >= 0.5).toBe(true);
    }
  });
  it('draws lines that stand out from the ground by 3 : 1 or better', () =>
    expect(contrastRatio(look.line, look.ground)).toBeGreaterThanOrEqual(3));
  it('gives the first tier a colour clearly apart from the others', () => {
    expect(contrastRatio(tierStyle(look, 1).fill, tierStyle(look, 3).fill)).toBeGreaterThan(1.5);
  });
});

describe('the look that stays apart for every colour vision', () => {
  const apart = differenceCiede2000();
  it('is judged by CIEDE2000 (test pairs of Sharma, Wu and Dalal 2005, table 1)', () => {
    const pair = (a: number, b: number) => ({ mode: 'lab65' as const, l: 50, a, b });
    expect(apart(pair(2.6772, -79.7751), pair(0, -82.7485))).toBeCloseTo(2.0425, 4);
    expect(apart(pair(2.5, 0), pair(0, -2.5))).toBeCloseTo(4.3065, 4);
  });
  it('has neighbouring tiers 8 or more apart, however many there are, in full, with each of three deficiencies, and in grey', () => {
    const { id } = looks.find(({ name }) => name === 'Beacon')!;
    const fills = [1, 2, 3, 4, 5, 6, 7, 8, 9].map((tier) => tierStyle(plainLook(id), tier).fill);
    // The filters of the package share no type.
    const seen = (filter: unknown, fill: string) => (filter as (colour: Color) => Color)(parse(fill)!);
    for (const filter of [
      filterDeficiencyProt(0),
      filterDeficiencyProt(1),
      filterDeficiencyDeuter(1),
      filterDeficiencyTrit(1),
      filterGrayscale(1),
    ])
      for (let t = 0; t < fills.length - 1; t++)
        expect(apart(seen(filter, fills[t]!), seen(filter, fills[t + 1]!))).toBeGreaterThanOrEqual(8);
  });
});

describe('the cascade', () => {
  const family = diagramFromParents([-1, 0, 0, 1, 3]); // 0(1(3(4)) 2)
  const fills = (diagram: Diagram) => {
    const structure = hierarchyOf(diagram.entries);
    const styles = resolveStyles(diagram, structure, orgRoles);
    return Object.fromEntries(structure.ids.map((id, i) => [id, styles[i]!.fill]));
  };
  it('a narrower scope wins over a wider one, the nearest branch over one further up', () => {
    let diagram = done(family, set({ kind: 'everything' }, 'fill', '#111111'));
    diagram = done(diagram, set({ kind: 'tier', tier: 2 }, 'fill', '#222222'));
    diagram = done(diagram, set({ kind: 'role', role: 'manager' }, 'fill', '#333333'));
    expect(fills(diagram)).toEqual({ e0: '#333333', e1: '#333333', e2: '#222222', e3: '#333333', e4: '#111111' });
    diagram = done(diagram, set({ kind: 'branch', entry: 'e1' }, 'fill', '#444444'));
    diagram = done(diagram, set({ kind: 'branch', entry: 'e3' }, 'fill', '#555555'));
    diagram = done(diagram, set({ kind: 'this', entry: 'e4' }, 'fill', '#666666'));
    expect(fills(diagram)).toEqual({ e0: '#333333', e1: '#444444', e2: '#222222', e3: '#555555', e4: '#666666' });
  });
  it('handing a property back shows the next wider value again', () => {
    const styled = done(family, set({ kind: 'tier', tier: 2 }, 'fill', '#222222'));
    expect(done(styled, set({ kind: 'tier', tier: 2 }, 'fill', null))).toEqual(family);
  });
  it('says where each value comes from, and when the entries of a scope differ', () => {
    const diagram = done(family, set({ kind: 'tier', tier: 2 }, 'fill', '#222222'));
    const structure = hierarchyOf(diagram.entries);
    expect(explainStyle(diagram, structure, { kind: 'tier', tier: 2 }, orgRoles)!.fill).toEqual({
      value: '#222222',
      origin: 'tier',
    });
    expect(explainStyle(diagram, structure, { kind: 'tier', tier: 2 }, orgRoles)!.nameSize.origin).toBe('look');
    expect(explainStyle(diagram, structure, { kind: 'everything' }, orgRoles)!.fill).toEqual({
      value: null,
      origin: 'several',
    });
    expect(explainStyle(diagram, structure, { kind: 'role', role: 'vacancy' }, orgRoles)).toBeNull();
  });
  it('a fill by hand on which the look’s text would not read gets a text that does, unless the text is set too', () => {
    const dark = done(family, set({ kind: 'tier', tier: 2 }, 'fill', '#101010'));
    const structure = hierarchyOf(dark.entries);
    const explained = explainStyle(dark, structure, { kind: 'tier', tier: 2 }, orgRoles)!;
    expect(explained.text.origin).toBe('contrast');
    expect(contrastRatio(String(explained.text.value), '#101010')).toBeGreaterThanOrEqual(leastContrast);
    const stubborn = done(dark, set({ kind: 'tier', tier: 2 }, 'text', '#202020'));
    expect(explainStyle(stubborn, structure, { kind: 'tier', tier: 2 }, orgRoles)!.text).toEqual({
      value: '#202020',
      origin: 'tier',
    });
  });
  it('gives every entry a complete style, and equal entries the same object', () => {
    fc.assert(
      fc.property(diagrams, (diagram) => {
        const styles = resolveStyles(diagram, hierarchyOf(diagram.entries), orgRoles);
        for (const style of styles) expect(Object.values(style).every((value) => value !== undefined)).toBe(true);
        const again = resolveStyles({ ...diagram }, hierarchyOf(diagram.entries), orgRoles);
        styles.forEach((style, i) => expect(again[i]).toBe(style));
      }),
    );
  });
});
