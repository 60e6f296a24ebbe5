import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { draw, kindOf, type Diagram, type Scope } from '../../../core/diagram';
import { analysisOf } from '../../../core/testing/arbitrary-decision';
import { diagramFromParents } from '../../../core/testing/arbitrary';
import { familyOf } from '../../../core/testing/arbitrary-family';
import { mapOf } from '../../../core/testing/arbitrary-map';
import { vennOf } from '../../../core/testing/arbitrary-venn';
import { furnished } from '../../../core/testing/furnished';
import { partsOf } from '../kinds';
import { entryPick, linkPick, type Selection } from '../selection';
import { createBench } from '../store';
import { giveStyle } from './give-style';
import { isSameScope, scopesShown } from './scopes-shown';

const image = { id: '0'.repeat(32), width: 9, height: 9 };
const full = (diagram: Diagram) => {
  const side = kindOf(diagram.kind).linkKinds.find(({ ofStructure }) => !ofStructure)?.id ?? null;
  const made = furnished(diagram, { image, side });
  const second = {
    id: 'second',
    name: 'Second',
    order: 1,
    rule: null,
    members: Object.keys(diagram.entries).slice(3, 5),
  };
  return { ...made, roles: { ...made.roles, second } };
};
const chart = diagramFromParents([-1, 0, 0, 1, 1, 2, 2]);
const diagrams: readonly Diagram[] = [
  full(chart),
  full({ ...chart, kind: 'topic-tree' } as Diagram),
  full(analysisOf([-1, 0, 0, 1, 1], { chance: [true, false], weight: [1], payoff: [9, -4] })),
  full(familyOf([5, 17, 23, 31, 47, 53, 61, 77])),
  full(mapOf([3, 8, 13, 21, 34], [2])),
  full(vennOf(3, [1, 2, 3, 4, 5, 6, 7])),
];

/** Every scope that can be chosen, from every other one and with whatever is selected. */
function scopesOf(diagram: Diagram, scope: Scope, selection: Selection): Scope[] {
  const drawn = draw(diagram);
  const { choices } = scopesShown(partsOf(diagram.kind), diagram, drawn, { scope, selection });
  return choices.flatMap((one) => [one.scope, ...(one.among?.options.map((option) => option.scope) ?? [])]);
}

describe.each(diagrams.map((diagram) => [diagram.kind, diagram] as const))('scopes of a %s', (kind, diagram) => {
  const drawn = draw(diagram);
  const picks = [
    ...Object.keys(diagram.entries).map(entryPick),
    ...Object.keys(diagram.links).map(linkPick),
    ...(kind === 'venn' ? drawn.scene.groups.map(({ stands }) => stands).filter((one) => one.for === 'set') : []),
  ];
  const selection = fc.uniqueArray(fc.constantFrom(...picks), { maxLength: 3 });

  it('what is marked is what is changed, whatever is selected, and nothing else is', () => {
    fc.assert(
      fc.property(selection, selection, fc.nat(), fc.nat(), (first, later, a, b) => {
        const begun = scopesOf(diagram, { kind: 'everything' }, first);
        const one = begun[a % begun.length]!;
        const next = scopesOf(diagram, one, later);
        const scope = next[b % next.length]!;
        const shown = scopesShown(partsOf(kind), diagram, drawn, { scope, selection: later });
        // Chosen in place, a scope is marked; exactly one is.
        expect(shown.scope).toEqual(scope);
        expect(shown.choices.filter((choice) => isSameScope(choice.scope, shown.scope))).toHaveLength(1);
      }),
    );
  });
  it('a fill given to what is marked changes those entries alone', () => {
    const fill = '#123456';
    for (const scope of scopesOf(diagram, { kind: 'everything' }, [entryPick(Object.keys(diagram.entries)[1]!)])) {
      if (['links', 'link', 'lines', 'set', 'region'].includes(scope.kind)) continue;
      const store = createBench(diagram, { add: () => undefined });
      const structure = kindOf(kind).structure(diagram);
      const covered = new Set(
        kindOf(kind)
          .covers(diagram, structure, scope)
          .map((i) => structure.ids[i]!),
      );
      giveStyle(store, scope, { property: 'fill', value: fill });
      const { diagram: now } = store.getState();
      const before = kindOf(kind).styles(diagram, structure);
      const after = kindOf(kind).styles(now, kindOf(kind).structure(now));
      // What is narrower goes before it, and keeps its own.
      structure.ids.forEach((id, i) => {
        if (after[i]!.fill !== before[i]!.fill) expect([scope, covered.has(id)]).toEqual([scope, true]);
      });
    }
  });
  it('a scope that is not there any more is everything', () => {
    for (const gone of [
      { kind: 'tier', tier: 99 },
      { kind: 'role', role: 'no-such' },
      { kind: 'branch', entry: 'no-such' },
      { kind: 'this', entry: 'no-such' },
      { kind: 'link', link: 'no-such' },
      { kind: 'enclosure', enclosure: 'no-such' },
    ] as Scope[])
      expect(scopesShown(partsOf(kind), diagram, drawn, { scope: gone, selection: [] }).scope).toEqual({
        kind: 'everything',
      });
  });
});
