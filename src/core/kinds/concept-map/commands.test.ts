import { plainEnclosure } from '../../model';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyCommand, brokenInvariants, Diagram, type Command } from '../../diagram';
import { mapCommands, mapOf, maps } from '../../testing/arbitrary-map';
import { addAbove, addBelow, addNextTo, propositionWritten, split, turnedRound, endWritten } from './gestures';
import type { ConceptMap } from './model';

const applied = (diagram: Diagram, gesture: readonly Command[]): ConceptMap =>
  gesture.reduce<Diagram>((now, command) => {
    const outcome = applyCommand(now, command);
    if (!outcome.ok) throw new Error(outcome.reason);
    return outcome.diagram;
  }, diagram) as ConceptMap;

describe('every command of a concept map', () => {
  it('has an inverse that restores the map, says the same as JSON, and leaves a map that holds together', () => {
    fc.assert(
      fc.property(maps(14), fc.array(mapCommands, { minLength: 1, maxLength: 8 }), (map, commands) => {
        let now: Diagram = map;
        for (const command of commands) {
          const outcome = applyCommand(now, command);
          if (!outcome.ok) {
            expect(outcome.reason).toMatch(/\.$/);
            continue;
          }
          const back = applyCommand(outcome.diagram, outcome.inverse);
          expect(back.ok && back.diagram).toEqual(now);
          const again = applyCommand(now, JSON.parse(JSON.stringify(command)) as Command);
          expect(again.ok && again.diagram).toEqual(outcome.diagram);
          expect(brokenInvariants(outcome.diagram)).toEqual([]);
          expect(Diagram.safeParse(outcome.diagram).success).toBe(true);
          now = outcome.diagram;
        }
      }),
      { numRuns: 300 },
    );
  });
  it('marks, blanks and enclosures of what was removed hold again when it is brought back', () => {
    const map = applied(mapOf([0, 1, 1]), [
      { kind: 'setBlanks', blank: ['e1', 'l0'], told: [] },
      { kind: 'putEnclosure', enclosure: { ...plainEnclosure, id: 'x', members: ['e1'] } },
      { kind: 'setMap', patch: { focus: 'e1' } },
    ]);
    const outcome = applyCommand(map, { kind: 'removeEntries', ids: ['e1'] });
    const back = outcome.ok && applyCommand(outcome.diagram, outcome.inverse);
    expect(back && back.ok && back.diagram).toEqual(map);
  });
});

describe('ideas are added', () => {
  const map = mapOf([0, 1, 1]);
  const made = { idea: 'new', link: 'link' };
  const leadsTo = (diagram: ConceptMap) =>
    Object.values(diagram.links).map(({ from, to, phrase }) => `${from} ${phrase} ${to}`.replace('  ', ' '));
  it('below another, led to from it', () => {
    expect(leadsTo(applied(map, addBelow(map, 'e1', made)!))).toContain('e1 new');
  });
  it('above another, leading to it', () => {
    expect(leadsTo(applied(map, addAbove(map, 'e1', made)!))).toContain('new e1');
  });
  it('next to another, led to from the same idea with the same phrase', () => {
    const { from, phrase } = Object.values(map.links).find(({ to }) => to === 'e1')!;
    expect(leadsTo(applied(map, addNextTo(map, 'e1', made)))).toContain(`${from} ${phrase} new`.replace('  ', ' '));
  });
  it('into the middle of a link, which keeps its phrase before it', () => {
    const link = Object.values(map.links)[0]!;
    const now = applied(map, split(map, link, made));
    expect(now.links[link.id]).toMatchObject({ from: link.from, to: 'new', phrase: link.phrase });
    expect(now.links['link']).toMatchObject({ from: 'new', to: link.to, phrase: '' });
  });
  it('by typing a proposition: what is there is found whatever its case, what is not is made', () => {
    let n = 0;
    const told = propositionWritten(map, { from: 'SILT 0', phrase: 'settles as', to: 'mud' }, () => `n${n++}`);
    expect(told.ok).toBe(true);
    const now = applied(map, told.ok ? told.gesture : []);
    const before = Object.values(map.entries).some(({ name }) => name === 'silt 0') ? 1 : 2;
    expect(Object.keys(now.entries)).toHaveLength(3 + before);
    expect(propositionWritten(map, { from: 'mud', phrase: 'is', to: ' Mud' }, () => 'x').ok).toBe(false);
    expect(propositionWritten(map, { from: '', phrase: 'is', to: 'mud' }, () => 'x').ok).toBe(false);
  });
  it('a link is turned round, and led elsewhere by typing a name', () => {
    const link = Object.values(map.links)[0]!;
    expect(applied(map, turnedRound(link)).links[link.id]).toMatchObject({ from: link.to, to: link.from });
    const told = endWritten(map, link, 'to', 'mud', () => 'n9');
    expect(applied(map, told.ok ? told.gesture : []).links[link.id]!.to).toBe('n9');
    expect(endWritten(map, link, 'to', '', () => 'n9').ok).toBe(false);
  });
});
