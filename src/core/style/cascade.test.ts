import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyCommand, kindOf, type Diagram, type Scope } from '../diagram';
import { plainEnclosure, styleProperties } from '../model';
import { diagramFromParents, diagrams } from '../testing/arbitrary';
import { venns } from '../testing/arbitrary-venn';

const any: fc.Arbitrary<Diagram> = fc.oneof(diagrams, venns(1, 15));
const values = [
  { property: 'fill', value: '#aabbcc' },
  { property: 'nameSize', value: 21 },
  { property: 'shape', value: 'pill' },
  { property: 'borderWidth', value: 3 },
] as const;
const change = fc.record({ draw: fc.nat({ max: 999 }), which: fc.nat({ max: 5 }), what: fc.constantFrom(...values) });

function scopeOf(diagram: Diagram, { draw, which }: { draw: number; which: number }): Scope {
  const ids = Object.keys(diagram.entries);
  const entry = ids[draw % Math.max(1, ids.length)] ?? 'nobody';
  if (diagram.kind === 'venn') {
    const sets = Object.keys(diagram.venn.sets);
    const scopes: Scope[] = [
      { kind: 'everything' },
      { kind: 'tier', tier: draw % 4 },
      { kind: 'region', region: sets[draw % sets.length]! },
      { kind: 'this', entry },
    ];
    return scopes[which % 4]!;
  }
  const scopes: Scope[] = [
    { kind: 'everything' },
    { kind: 'tier', tier: 1 + (draw % 4) },
    { kind: 'role', role: ['manager', 'assistant', 'vacancy'][draw % 3]! },
    { kind: 'branch', entry },
    { kind: 'this', entry },
    { kind: 'enclosure', enclosure: draw % 2 === 0 ? 'x' : 'y' },
  ];
  return scopes[which]!;
}

/** The diagram with an enclosure around every third entry, and one around a branch. */
function enclosed(diagram: Diagram): Diagram {
  const ids = Object.keys(diagram.entries);
  const enclosures = {
    x: { ...plainEnclosure, id: 'x', members: ids.filter((_, k) => k % 3 === 0) },
    y: { ...plainEnclosure, id: 'y', branch: ids[1] ?? null },
  };
  return diagram.kind === 'venn' ? diagram : { ...diagram, enclosures };
}

/** A diagram with some styles set by hand; what does not apply is left out. */
const styled = fc.tuple(any.map(enclosed), fc.array(change, { maxLength: 8 })).map(([diagram, list]) =>
  list.reduce((now, one) => {
    const outcome = applyCommand(now, { kind: 'setStyle', scope: scopeOf(now, one), ...one.what });
    return outcome.ok ? outcome.diagram : now;
  }, diagram),
);

describe('styles from wide to narrow, in every kind', () => {
  it('the words about one entry tell the very style it has', () => {
    fc.assert(
      fc.property(styled, (diagram) => {
        const kind = kindOf(diagram.kind);
        const structure = kind.structure(diagram);
        const styles = kind.styles(diagram, structure);
        structure.ids.forEach((id, i) => {
          const told = kind.explain(diagram, structure, { kind: 'this', entry: id })!;
          for (const property of styleProperties) expect(told[property].value).toEqual(styles[i]![property]);
        });
      }),
      { numRuns: 60 },
    );
  });
  it('what is set for a scope is what its entries have, unless a narrower one says otherwise', () => {
    fc.assert(
      fc.property(styled, change, (diagram, one) => {
        const kind = kindOf(diagram.kind);
        const scope = scopeOf(diagram, one);
        const outcome = applyCommand(diagram, { kind: 'setStyle', scope, ...one.what });
        if (!outcome.ok) return;
        const structure = kind.structure(outcome.diagram);
        const styles = kind.styles(outcome.diagram, structure);
        for (const i of kind.covers(outcome.diagram, structure, scope)) {
          const told = kind.explain(outcome.diagram, structure, { kind: 'this', entry: structure.ids[i]! })!;
          const { origin } = told[one.what.property];
          // Another enclosure around it may go before.
          if (origin === scope.kind && origin !== 'enclosure')
            expect(styles[i]![one.what.property]).toBe(one.what.value);
          if (scope.kind === 'this') expect(origin).toBe('this');
        }
      }),
      { numRuns: 80 },
    );
  });
  it('handed back, everything is as it was, and nothing of it is kept', () => {
    fc.assert(
      fc.property(any, change, (diagram, one) => {
        const scope = scopeOf(diagram, one);
        const set = applyCommand(diagram, { kind: 'setStyle', scope, ...one.what });
        if (!set.ok) return;
        const back = applyCommand(set.diagram, { kind: 'setStyle', scope, property: one.what.property, value: null });
        expect(back.ok && back.diagram).toEqual(diagram);
      }),
    );
  });
  it('a scope shows one value only where all its entries have it', () => {
    fc.assert(
      fc.property(styled, change, (diagram, one) => {
        const kind = kindOf(diagram.kind);
        const structure = kind.structure(diagram);
        const scope = scopeOf(diagram, one);
        const covered = kind.covers(diagram, structure, scope);
        const told = kind.explain(diagram, structure, scope);
        if (diagram.kind === 'org-chart') expect(told === null).toBe(covered.length === 0);
        if (!told || diagram.kind === 'venn') return;
        const styles = kind.styles(diagram, structure);
        for (const property of styleProperties) {
          const seen = new Set(covered.map((i) => styles[i]![property]));
          expect(told[property].value === null).toBe(seen.size > 1);
        }
      }),
      { numRuns: 60 },
    );
  });
  it('of two enclosures around an entry the smaller goes before; a role is wider than both, a branch and the entry itself narrower', () => {
    const staff = diagramFromParents([-1, 0, 0, 1, 1]);
    const around = (id: string, members: string[]) => ({ [id]: { ...plainEnclosure, id, members } });
    let now: Diagram = { ...staff, enclosures: { ...around('a', ['e3']), ...around('b', ['e1', 'e3', 'e4']) } };
    const set = (scope: Scope, value: string | null) => {
      const outcome = applyCommand(now, { kind: 'setStyle', scope, property: 'fill', value });
      if (outcome.ok) now = outcome.diagram;
      return outcome.ok;
    };
    const fills = () => {
      const kind = kindOf(now.kind);
      return kind.styles(now, kind.structure(now)).map(({ fill }) => fill);
    };
    set({ kind: 'role', role: 'manager' }, '#101010');
    set({ kind: 'enclosure', enclosure: 'a' }, '#0a0a0a');
    set({ kind: 'enclosure', enclosure: 'b' }, '#0b0b0b');
    expect(fills().slice(3)).toEqual(['#0a0a0a', '#0b0b0b']);
    expect(fills()[1]).toBe('#0b0b0b');
    set({ kind: 'branch', entry: 'e1' }, '#0c0c0c');
    set({ kind: 'this', entry: 'e4' }, '#0d0d0d');
    expect([1, 3, 4].map((i) => fills()[i])).toEqual(['#0c0c0c', '#0c0c0c', '#0d0d0d']);
    expect(set({ kind: 'enclosure', enclosure: 'gone' }, '#0e0e0e')).toBe(false);
    const outcome = applyCommand(now, { kind: 'dropEnclosure', id: 'b' });
    if (outcome.ok) now = outcome.diagram;
    // What is set for an enclosure that is gone says nothing.
    set({ kind: 'branch', entry: 'e1' }, null);
    expect(fills()[1]).toBe('#101010');
    expect(fills()[3]).toBe('#0a0a0a');
  });
});
