import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { brokenInvariants, type Diagram, applyCommand, applyGesture, Command } from '../../diagram';
import { vennCommands, vennOf, venns } from '../../testing/arbitrary-venn';
import { diagramFromParents } from '../../testing/arbitrary';

const after = (diagram: Diagram, ...gesture: Command[]): Diagram => {
  const outcome = applyGesture(diagram, gesture);
  if (!outcome.ok) throw new Error(outcome.reason);
  return outcome.diagram;
};

describe('commands of a Venn diagram', () => {
  it('applied and taken back give the same diagram, keep every invariant, and travel as JSON', () => {
    fc.assert(
      fc.property(venns(2, 12), fc.array(vennCommands, { maxLength: 14 }), (start, list) => {
        let diagram: Diagram = start;
        const inverses: Command[] = [];
        for (const command of list) {
          const before = JSON.stringify(diagram);
          const sent = Command.parse(JSON.parse(JSON.stringify(command)));
          const outcome = applyCommand(diagram, sent);
          expect(JSON.stringify(diagram)).toBe(before);
          if (!outcome.ok) {
            expect(outcome.reason).toMatch(/^\S.*\.$/s);
            continue;
          }
          inverses.unshift(outcome.inverse);
          diagram = outcome.diagram;
          expect(brokenInvariants(diagram)).toEqual([]);
        }
        expect(after(diagram, ...inverses)).toEqual(start);
      }),
      { numRuns: 300 },
    );
  });
  it('are refused on other kinds', () => {
    const chart = diagramFromParents([-1, 0]);
    for (const command of [
      { kind: 'setMembers', entry: 'e0', sets: [] },
      { kind: 'dropSet', id: 's0' },
      { kind: 'setManner', patch: { frame: false } },
      { kind: 'setStyle', scope: { kind: 'set', set: 's0' }, property: 'fill', value: '#112233' },
    ] satisfies Command[])
      expect(applyCommand(chart, command).ok).toBe(false);
  });
  it('a sixth set is refused with the limit', () => {
    const five = vennOf(5, [1]);
    const set = { id: 'x', name: 'Sixth', order: 'z', colour: null };
    expect(applyCommand(five, { kind: 'putSet', set, members: [], regions: {} })).toEqual({
      ok: false,
      reason: 'A Venn diagram holds at most 5 sets.',
    });
  });
  it('a dropped set leaves its entries, and comes back with its members and its regions’ titles', () => {
    const start = after(vennOf(3, [1, 3, 7]), { kind: 'titleRegion', region: 's0,s1', title: 'Waders' });
    const dropped = applyCommand(start, { kind: 'dropSet', id: 's0' });
    if (!dropped.ok || dropped.diagram.kind !== 'venn') throw new Error('refused');
    expect(Object.keys(dropped.diagram.entries)).toHaveLength(3);
    expect(dropped.diagram.venn.members).toEqual({ e1: ['s1'], e2: ['s1', 's2'] });
    expect(dropped.diagram.venn.regions).toEqual({});
    expect(after(dropped.diagram, dropped.inverse)).toEqual(start);
  });
  it('the parts that a command does not touch keep their identity', () => {
    const start = vennOf(3, [1, 2, 3]);
    const next = after(start, { kind: 'setMembers', entry: 'e0', sets: ['s2'] });
    expect(next.entries).toBe(start.entries);
    expect(next.kind === 'venn' && next.venn.sets).toBe(start.venn.sets);
  });
});
