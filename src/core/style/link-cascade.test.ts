import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyGesture, type Diagram, type Gesture } from '../diagram';
import { linkProperties, type LinkPatch } from '../model';
import { diagramFromParents } from '../testing/arbitrary';
import { explainLinks, linkStyle, type LinkKind } from './link-cascade';

const kinds: readonly LinkKind[] = [{ id: 'side', name: 'Side link', legend: '', style: { dash: 'dashed' } }];
const done = (diagram: Diagram, gesture: Gesture): Diagram => {
  const outcome = applyGesture(diagram, gesture);
  if (!outcome.ok) throw new Error(outcome.reason);
  return outcome.diagram;
};
const linked = done(diagramFromParents([-1, 0, 0]), [
  { kind: 'addLink', link: { id: 'l1', from: 'e1', to: 'e2', kind: 'side', phrase: 'safety' } },
  { kind: 'addLink', link: { id: 'l2', from: 'e2', to: 'e0', kind: 'side', phrase: '' } },
]);
const styleOf = (diagram: Diagram, id: string) => linkStyle(diagram, diagram.links[id]!, kinds);
const values = [
  { property: 'dash', value: 'dotted' },
  { property: 'lineWidth', value: 3 },
  { property: 'endMark', value: 'arrow' },
  { property: 'lineColour', value: '#aa3322' },
  { property: 'phraseSize', value: 15 },
] as const;

describe('styles of links', () => {
  it('are complete, and as its kind says where nothing is set', () => {
    const style = styleOf(linked, 'l1');
    for (const property of linkProperties) expect(style[property]).toBeDefined();
    expect(style).toMatchObject({ dash: 'dashed', lineWidth: linked.arrangement.lineWidth, endMark: 'none' });
  });
  it('of all links hold for each, unless it has its own; handed back, all is as it was', () => {
    fc.assert(
      fc.property(fc.constantFrom(...values), fc.constantFrom(...values), (all, one) => {
        const everywhere = done(linked, [{ kind: 'setStyle', scope: { kind: 'links' }, ...all }]);
        const both = done(everywhere, [{ kind: 'setStyle', scope: { kind: 'link', link: 'l1' }, ...one }]);
        expect((styleOf(both, 'l2') as LinkPatch)[all.property]).toBe(all.value);
        expect((styleOf(both, 'l1') as LinkPatch)[one.property]).toBe(one.value);
        const told = explainLinks(both, { kind: 'link', link: 'l1' } as const, kinds)!;
        expect(told[one.property]).toEqual({ value: one.value, origin: 'link' });
        const back = done(both, [
          { kind: 'setStyle', scope: { kind: 'link', link: 'l1' }, property: one.property, value: null },
          { kind: 'setStyle', scope: { kind: 'links' }, property: all.property, value: null },
        ]);
        expect(back).toEqual(linked);
      }),
    );
  });
  it('differ among links where one has its own', () => {
    const one = done(linked, [
      { kind: 'setStyle', scope: { kind: 'link', link: 'l1' }, property: 'dash', value: 'dotted' },
    ]);
    expect(explainLinks(one, { kind: 'links' }, kinds)!.dash).toEqual({ value: null, origin: 'several' });
    expect(explainLinks(one, { kind: 'link', link: 'gone' } as const, kinds)).toBeNull();
  });
  it('of a link go with it and come back with it, also when its entry goes', () => {
    const styled = done(linked, [
      { kind: 'setStyle', scope: { kind: 'link', link: 'l1' }, property: 'lineWidth', value: 4 },
    ]);
    for (const gesture of [
      [{ kind: 'removeLink', id: 'l1' }],
      [{ kind: 'removeEntries', ids: ['e1'] }],
    ] satisfies Gesture[]) {
      const outcome = applyGesture(styled, gesture);
      if (!outcome.ok) throw new Error(outcome.reason);
      expect(outcome.diagram.styles.onlyLinks).toEqual({});
      expect(applyGesture(outcome.diagram, outcome.inverse)).toMatchObject({ ok: true, diagram: styled });
    }
  });
  it('a property of boxes is nothing that links have, and the other way round', () => {
    const wrong: Gesture[] = [
      [{ kind: 'setStyle', scope: { kind: 'links' }, property: 'fill', value: '#aabbcc' }],
      [{ kind: 'setStyle', scope: { kind: 'everything' }, property: 'dash', value: 'dotted' }],
      [{ kind: 'setStyle', scope: { kind: 'link', link: 'gone' }, property: 'dash', value: 'dotted' }],
    ];
    for (const gesture of wrong) expect(applyGesture(linked, gesture)).toMatchObject({ ok: false });
  });
});
