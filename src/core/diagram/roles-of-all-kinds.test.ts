import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { diagrams } from '../testing/arbitrary';
import { analyses } from '../testing/arbitrary-decision';
import { families } from '../testing/arbitrary-family';
import { maps } from '../testing/arbitrary-map';
import { venns } from '../testing/arbitrary-venn';
import { applyGesture, createDiagram, draw, kindOf, type Diagram, type Gesture } from '.';

const topics = diagrams.map((chart): Diagram => ({ ...chart, kind: 'topic-tree' }));
const any: fc.Arbitrary<Diagram> = fc
  .oneof(diagrams, topics, analyses(12), families(14), maps(10), venns(2, 9))
  .filter(({ entries }) => Object.keys(entries).length > 1);

const colour = '#7a1fa2';
const given = fc
  .record({ diagram: any, members: fc.array(fc.nat(), { minLength: 1, maxLength: 4 }) })
  .map(({ diagram, members }) => {
    // Roles that were set go before those made for the diagram; here nobody has one.
    const entries = Object.fromEntries(
      Object.entries(diagram.entries).map(([id, entry]) => [id, { ...entry, role: null }]),
    );
    const bare = { ...diagram, entries, roles: {}, styles: createDiagram(diagram.kind, '').styles } as Diagram;
    const ids = Object.keys(entries);
    return { diagram: bare, members: [...new Set(members.map((at) => ids[at % ids.length]!))] };
  });
const done = (diagram: Diagram, gesture: Gesture): Diagram => {
  const outcome = applyGesture(diagram, gesture);
  if (!outcome.ok) throw new Error(outcome.reason);
  return outcome.diagram;
};

describe('roles made for a diagram, in every kind', () => {
  it('style just those who have them, are told as theirs, and are handed back without a trace', () => {
    fc.assert(
      fc.property(given, ({ diagram, members }) => {
        const scope = { kind: 'role', role: 'aider' } as const;
        const role = { id: 'aider', name: 'First aider', order: 0, rule: null, members };
        const made = done(diagram, [{ kind: 'putRole', role }]);
        const styled = done(made, [{ kind: 'setStyle', scope, property: 'text', value: colour }]);
        const kind = kindOf(diagram.kind);
        const { structure, styles } = draw(styled);
        const having = structure.ids.filter((id) => members.includes(id));
        expect(kind.covers(styled, structure, scope).map((i) => structure.ids[i])).toEqual(having);
        const before = draw(diagram);
        structure.ids.forEach((id, i) => {
          if (members.includes(id)) expect(styles[i]!.text).toBe(colour);
          else expect(styles[i]).toEqual(before.styles[before.structure.index.get(id)!]);
        });
        // What the kind tells by boxes of its own, as the circle of a chance, stays.
        structure.ids.forEach((id, i) =>
          expect(styles[i]!.shape).toBe(before.styles[before.structure.index.get(id)!]!.shape),
        );
        const told = kind.explain(styled, structure, scope);
        expect(told?.text).toEqual({ value: colour, origin: 'role' });
        const back = done(styled, [{ kind: 'setStyle', scope, property: 'text', value: null }]);
        expect(draw(back).styles).toEqual(draw(made).styles);
      }),
      { numRuns: 150 },
    );
  });
});
