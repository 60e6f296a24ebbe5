import { describe, expect, it } from 'vitest';
import { applyGesture, type Command, kindOf, type Diagram, type Scope } from '../../diagram';
import type { Venn } from './model';
import { vennOf } from '../../testing/arbitrary-venn';
import { regionStyle, setStyle } from './styles';

const styled = (diagram: Venn, ...list: [Scope, string][]): Venn => {
  const commands = list.map(([scope, value]): Command => ({ kind: 'setStyle', scope, property: 'fill', value }));
  const outcome = applyGesture(diagram as Diagram, commands);
  if (!outcome.ok || outcome.diagram.kind !== 'venn') throw new Error('refused');
  return outcome.diagram;
};
const diagram = vennOf(2, [1, 3]);
const kind = kindOf('venn');
const explain = (of: Venn, scope: Scope) => kind.explain(of, kind.structure(of), scope)!;

describe('the cascade of a Venn diagram', () => {
  it('goes from everything over the tier to the region and to only this', () => {
    const all: [Scope, string][] = [
      [{ kind: 'this', entry: 'e0' }, '#000004'],
      [{ kind: 'region', region: 's0' }, '#000003'],
      [{ kind: 'tier', tier: 1 }, '#000002'],
      [{ kind: 'everything' }, '#000001'],
    ];
    expect(regionStyle(styled(diagram, ...all), 1).fill).toBe('#000003');
    expect(regionStyle(styled(diagram, ...all), 2).fill).toBe('#000002');
    expect(regionStyle(styled(diagram, ...all), 3).fill).toBe('#000001');
    expect(explain(styled(diagram, ...all), { kind: 'this', entry: 'e0' }).fill).toEqual({
      value: '#000004',
      origin: 'this',
    });
  });
  it('text that would not read on a region coloured by hand is replaced, and that is told', () => {
    const dark = styled(diagram, [{ kind: 'region', region: 's0' }, '#101010']);
    expect(explain(dark, { kind: 'region', region: 's0' }).text.origin).toBe('contrast');
  });
  it('a set’s fill is its colour, which the regions it is in take part of; handed back, the look’s returns', () => {
    const red = styled(diagram, [{ kind: 'set', set: 's0' }, '#cc2222']);
    expect(red.venn.sets.s0!.colour).toBe('#cc2222');
    expect(regionStyle(red, 1).fill).not.toBe(regionStyle(diagram, 1).fill);
    expect(regionStyle(red, 2).fill).toBe(regionStyle(diagram, 2).fill);
    expect(explain(red, { kind: 'set', set: 's0' }).fill).toEqual({ value: '#cc2222', origin: 'set' });
    const back = applyGesture(red, [
      { kind: 'setStyle', scope: { kind: 'set', set: 's0' }, property: 'fill', value: null },
    ]);
    expect(back).toMatchObject({ ok: true, diagram });
  });
  it('the outline of all curves is the manner’s unless a set has its own', () => {
    const strong = {
      ...diagram,
      venn: { ...diagram.venn, manner: { ...diagram.venn.manner, outline: 'strong' as const } },
    };
    expect(setStyle(strong, 's0').borderWidth).toBe(3);
    const own = applyGesture(strong, [
      { kind: 'setStyle', scope: { kind: 'set', set: 's0' }, property: 'borderWidth', value: 0 },
    ]);
    if (!own.ok || own.diagram.kind !== 'venn') throw new Error('refused');
    expect(setStyle(own.diagram, 's0').borderWidth).toBe(0);
    expect(setStyle(own.diagram, 's1').borderWidth).toBe(3);
  });
  it('a scope covers the entries in its regions', () => {
    const covers = (scope: Scope) => kind.covers(diagram, kind.structure(diagram), scope).length;
    expect(covers({ kind: 'tier', tier: 2 })).toBe(1);
    expect(covers({ kind: 'set', set: 's0' })).toBe(2);
    expect(covers({ kind: 'region', region: '' })).toBe(0);
  });
});
