import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { brokenInvariants } from './check-diagram';
import { Diagram } from './diagram';
import { diagramFromParents } from '../testing/arbitrary';
import { hostileCommands, oddDiagrams } from '../testing/hostile';
import { applyCommand, applyGesture } from './apply';
import { Command } from './command';

describe('every command, also at what is only inherited', () => {
  it('is taken back by its inverse, keeps every invariant, or is refused in words; what was given stays as it is', () => {
    fc.assert(
      fc.property(oddDiagrams, fc.array(hostileCommands, { minLength: 1, maxLength: 12 }), (start, list) => {
        let diagram = start;
        for (const command of list) {
          const before = JSON.stringify(diagram);
          const outcome = applyCommand(diagram, command);
          expect(JSON.stringify(diagram)).toBe(before);
          // What the door would not let through must not throw; it need not keep what the schema asks.
          if (!Command.safeParse(command).success) continue;
          if (!outcome.ok) {
            expect(outcome.reason).toMatch(/^\S.*\.$/s);
            continue;
          }
          expect(brokenInvariants(outcome.diagram)).toEqual([]);
          expect(Command.safeParse(outcome.inverse).success).toBe(true);
          expect(applyCommand(outcome.diagram, outcome.inverse)).toMatchObject({ ok: true, diagram });
          expect(Object.keys(Object.prototype)).toEqual([]);
          diagram = outcome.diagram;
        }
      }),
      { numRuns: 1500 },
    );
  });
  it('as a gesture does what its commands do one by one, and changes nothing of what was there', () => {
    fc.assert(
      fc.property(oddDiagrams, fc.array(hostileCommands, { minLength: 1, maxLength: 8 }), (start, list) => {
        const before = JSON.stringify(start);
        let one = start;
        const taken: Command[] = [];
        for (const command of list) {
          const outcome = applyCommand(one, command);
          if (!outcome.ok) continue;
          one = outcome.diagram;
          taken.push(command);
        }
        const all = applyGesture(start, taken);
        if (!all.ok) throw new Error(all.reason);
        expect(all.diagram).toEqual(one);
        expect(JSON.stringify(start)).toBe(before);
        expect(applyGesture(all.diagram, all.inverse)).toMatchObject({ ok: true, diagram: start });
        expect(JSON.stringify(start)).toBe(before);
      }),
      { numRuns: 600 },
    );
  });
  it('what the schema lets through is stored and opened again as it is', () => {
    fc.assert(
      fc.property(oddDiagrams, hostileCommands, (start, command) => {
        const parsed = Command.safeParse(JSON.parse(JSON.stringify(command)));
        if (!parsed.success) return;
        const outcome = applyCommand(start, parsed.data);
        if (outcome.ok) expect(Diagram.parse(JSON.parse(JSON.stringify(outcome.diagram)))).toEqual(outcome.diagram);
      }),
      { numRuns: 600 },
    );
  });
  it.each(['__proto__', '', 'a b', 'ü', '-x', 'x'.repeat(65)])('“%s” is no id', (id) =>
    expect(Command.safeParse({ kind: 'rename', id, name: 'x' }).success).toBe(false),
  );
  it.each(['a\0b', '\ud800', 'x\udc00'])('text that nothing can keep is refused: %j', (name) =>
    expect(Command.safeParse({ kind: 'rename', id: 'e1', name }).success).toBe(false),
  );
});

describe('adding entries', () => {
  const chart = diagramFromParents([-1, 0]);
  const entry = { ...chart.entries.e1!, id: 'n' };
  const link = { id: 'l', from: 'n', to: 'e0', kind: 'side' as const, phrase: '' };
  const linked = applyCommand(chart, { kind: 'addLink', link: { ...link, from: 'e1' } });
  if (!linked.ok) throw new Error(linked.reason);
  const plain = { kind: 'addEntries' as const, entries: [entry], links: [], branches: {}, only: {} };
  it.each<[string, Command, RegExp]>([
    ['with the id of a link that is there', { ...plain, links: [link] }, /link of the new entries is there already/],
    ['with a link between others', { ...plain, links: [{ ...link, id: 'm', from: 'e1' }] }, /leads to none of them/],
    ['with a link to itself', { ...plain, links: [{ ...link, id: 'm', to: 'n' }] }, /two different entries/],
    ['with a style for another', { ...plain, only: { e0: { fill: '#112233' } } }, /styled entry is none of the new/],
    ['twice at once', { ...plain, entries: [entry, entry] }, /in the list already/],
  ])('%s is refused', (_, command, reason) => {
    const outcome = applyCommand(linked.diagram, command);
    expect(outcome.ok ? '' : outcome.reason).toMatch(reason);
  });
});

describe('moving many at once', () => {
  const chain = diagramFromParents([-1, 0, 1, 2]);
  it('only how they stand afterwards counts', () => {
    const turned = applyCommand(chain, {
      kind: 'moveEntries',
      moves: [
        { id: 'e0', parent: 'e3', order: 'V' },
        { id: 'e1', parent: null, order: 'V' },
      ],
    });
    expect(turned.ok && turned.diagram.entries.e0!.parent).toBe('e3');
    expect(turned.ok && brokenInvariants(turned.diagram)).toEqual([]);
  });
  it('a ring is refused', () => {
    const ring = applyCommand(chain, { kind: 'moveEntries', moves: [{ id: 'e0', parent: 'e3', order: 'V' }] });
    expect(ring.ok ? '' : ring.reason).toMatch(/under one that stands under it/);
  });
});

describe('gestures of many commands', () => {
  it('ten thousand renames among a hundred thousand copy the entries once', () => {
    const big = diagramFromParents(Array.from({ length: 100_000 }, (_, i) => (i === 0 ? -1 : 0)));
    const gesture = Array.from({ length: 10_000 }, (_, i): Command => ({
      kind: 'rename',
      id: `e${i}`,
      name: `New ${i}`,
    }));
    const outcome = applyGesture(big, gesture);
    expect(outcome.ok && outcome.diagram.entries.e9999!.name).toBe('New 9999');
    expect(outcome.ok && outcome.diagram.entries.e10000).toBe(big.entries.e10000);
    expect(big.entries.e1!.name).toBe('Person 1');
  });
});
