import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyCommand, kindOf, type Diagram, type Scope } from '../diagram';
import { styleProperties } from '../model';
import { diagrams } from '../testing/arbitrary';
import { venns } from '../testing/arbitrary-venn';

const any: fc.Arbitrary<Diagram> = fc.oneof(diagrams, venns(1, 15));
const values = [
  { property: 'fill', value: '#aabbcc' },
  { property: 'nameSize', value: 21 },
  { property: 'shape', value: 'pill' },
  { property: 'borderWidth', value: 3 },
] as const;
const change = fc.record({ draw: fc.nat({ max: 999 }), which: fc.nat({ max: 4 }), what: fc.constantFrom(...values) });

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
  ];
  return scopes[which]!;
}

/** A diagram with some styles set by hand; what does not apply is left out. */
const styled = fc.tuple(any, fc.array(change, { maxLength: 8 })).map(([diagram, list]) =>
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
          if (origin === scope.kind) expect(styles[i]![one.what.property]).toBe(one.what.value);
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
});
