import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { brokenInvariants } from './check-diagram';
import { type Diagram } from './diagram';
import { commands, diagramFromParents, diagrams } from '../testing/arbitrary';
import {
  addAbove,
  addNext,
  addUnder,
  childrenOf,
  moveBy,
  moveUnder,
  placeAt,
  removeBranch,
  removeOnly,
  tierDown,
  tierUp,
} from '../hierarchy';
import { applyCommand, applyGesture } from './apply';
import { type Gesture, Command } from './command';
import { emptyHistory, recorded, redo, undo } from './history';
import { rebase } from './rebase';

const done = (diagram: Diagram, gesture: Gesture | null): Diagram => {
  const outcome = applyGesture(diagram, gesture ?? []);
  if (!outcome.ok) throw new Error(outcome.reason);
  return outcome.diagram;
};
/** "0(1(3) 2)": the tree by the number in each id. */
const shape = (diagram: Diagram, parent: string | null = null): string =>
  childrenOf(diagram, parent)
    .map(
      (entry) =>
        entry.id.replace('e', '') + (childrenOf(diagram, entry.id).length > 0 ? `(${shape(diagram, entry.id)})` : ''),
    )
    .join(' ');
const family = diagramFromParents([-1, 0, 0, 1, 1, 2]); // 0(1(3 4) 2(5))

describe('commands', () => {
  it('applied and taken back give the same diagram, and keep every invariant', () => {
    fc.assert(
      fc.property(diagrams, fc.array(commands, { maxLength: 12 }), (start: Diagram, list) => {
        let diagram = start;
        const inverses: Command[] = [];
        for (const command of list) {
          const before = JSON.stringify(diagram);
          const outcome = applyCommand(diagram, command);
          expect(JSON.stringify(diagram)).toBe(before);
          if (!outcome.ok) {
            expect(outcome.reason).toMatch(/^\S.*\.$/s);
            continue;
          }
          expect(applyCommand(outcome.diagram, outcome.inverse)).toMatchObject({ ok: true, diagram });
          inverses.unshift(outcome.inverse);
          diagram = outcome.diagram;
          expect(brokenInvariants(diagram)).toEqual([]);
        }
        expect(done(diagram, inverses)).toEqual(start);
      }),
      { numRuns: 300 },
    );
  });
  it('apply alike after a trip through JSON', () => {
    fc.assert(
      fc.property(diagrams, commands, (diagram, command) => {
        const travelled = Command.parse(JSON.parse(JSON.stringify(command)));
        const there = JSON.parse(JSON.stringify(diagram)) as Diagram;
        expect(JSON.parse(JSON.stringify(applyCommand(there, travelled)))).toEqual(
          JSON.parse(JSON.stringify(applyCommand(diagram, command))),
        );
      }),
    );
  });
  it('leave what they do not touch the same object', () => {
    const outcome = applyCommand(family, { kind: 'rename', id: 'e3', name: 'Other' });
    expect(outcome.ok && outcome.diagram.entries.e4).toBe(family.entries.e4);
    expect(outcome.ok && outcome.diagram.styles).toBe(family.styles);
  });
  it.each<[string, Command, RegExp]>([
    ['moving a branch under itself', { kind: 'moveBranch', id: 'e1', parent: 'e3', order: 'V' }, /cannot go under/],
    ['renaming one who is gone', { kind: 'rename', id: 'e9', name: 'x' }, /no longer in the list/],
    ['removing one whose reports stay', { kind: 'removeEntries', ids: ['e1'] }, /has come to stand under/],
    [
      'adding under one who is gone',
      {
        kind: 'addEntries',
        entries: [{ ...family.entries.e1!, id: 'n', parent: 'gone' }],
        links: [],
        branches: {},
        only: {},
      },
      /no longer in the list/,
    ],
    [
      'a colour that is none',
      { kind: 'setStyle', scope: { kind: 'everything' }, property: 'fill', value: 'red' },
      /not a value/,
    ],
    [
      'a link to oneself',
      { kind: 'addLink', link: { id: 'l', from: 'e1', to: 'e1', kind: 'side', phrase: '' } },
      /two different/,
    ],
  ])('%s is refused with a reason', (_, command, reason) => {
    const outcome = applyCommand(family, command);
    expect(outcome.ok).toBe(false);
    expect(!outcome.ok && outcome.reason).toMatch(reason);
  });
});

describe('gestures in the list', () => {
  it('add next stands after its sibling, add under comes first below, add above takes the place', () => {
    expect(shape(done(family, addNext(family, 'e1', { id: 'e9' })))).toBe('0(1(3 4) 9 2(5))');
    expect(shape(done(family, addUnder(family, 'e1', { id: 'e9' })))).toBe('0(1(9 3 4) 2(5))');
    expect(shape(done(family, addAbove(family, 'e1', { id: 'e9' })))).toBe('0(9(1(3 4)) 2(5))');
  });
  it('one tier down goes under the sibling before, one tier up next after the parent', () => {
    expect(shape(done(family, tierDown(family, 'e2')))).toBe('0(1(3 4 2(5)))');
    expect(shape(done(family, tierUp(family, 'e4')))).toBe('0(1(3) 4 2(5))');
    expect(tierDown(family, 'e1')).toBeNull();
    expect(tierUp(family, 'e0')).toBeNull();
  });
  it('earlier and later stop at the ends', () => {
    expect(shape(done(family, moveBy(family, 'e2', -1)))).toBe('0(2(5) 1(3 4))');
    expect(moveBy(family, 'e1', -1)).toBeNull();
  });
  it('removing only one lifts those below into its place; removing the branch takes them along', () => {
    expect(shape(done(family, removeOnly(family, 'e1')))).toBe('0(3 4 2(5))');
    expect(shape(done(family, removeBranch(family, 'e1')))).toBe('0(2(5))');
  });
  it('moving a branch under another takes all below along', () => {
    expect(shape(done(family, moveUnder(family, 'e1', 'e5')))).toBe('0(2(5(1(3 4))))');
    expect(moveUnder(family, 'e1', 'e3')).toBeNull();
  });
  it('two entries inserted into one gap at the same time leave room for a third', () => {
    const twin = done(family, [{ kind: 'moveBranch', id: 'e2', parent: 'e0', order: family.entries.e1!.order }]);
    const { orders, rewrites } = placeAt(twin, 'e0', 1);
    expect(rewrites.length).toBeGreaterThan(0);
    const next = done(twin, [...rewrites, ...addNext(done(twin, rewrites), 'e1', { id: 'e9' })]);
    expect(shape(next)).toBe('0(1(3 4) 9 2(5))');
    expect(orders).toHaveLength(1);
  });
  it('five hundred insertions into one gap keep their order and short keys', () => {
    let diagram: Diagram = diagramFromParents([-1, 0, 0]);
    for (let i = 0; i < 500; i++) diagram = done(diagram, addNext(diagram, 'e1', { id: `n${i}` }));
    const ids = childrenOf(diagram, 'e0').map((entry) => entry.id);
    expect(ids).toEqual(['e1', ...Array.from({ length: 500 }, (_, i) => `n${499 - i}`), 'e2']);
    expect(Math.max(...childrenOf(diagram, 'e0').map((entry) => entry.order.length))).toBeLessThanOrEqual(24);
  });
});

describe('undo, redo and rebase', () => {
  it('undoing everything gives the start, redoing everything the end', () => {
    fc.assert(
      fc.property(diagrams, fc.array(commands, { maxLength: 10 }), (start: Diagram, list) => {
        let diagram = start;
        let history = emptyHistory;
        for (const command of list) {
          const outcome = applyGesture(diagram, [command]);
          if (!outcome.ok) continue;
          diagram = outcome.diagram;
          history = recorded(history, outcome.inverse);
        }
        const end = diagram;
        const steps = history.undo.length;
        for (let i = 0; i < steps; i++) {
          const step = undo(diagram, history);
          if (!step.ok) throw new Error(step.reason);
          ({ diagram, history } = step);
        }
        expect(diagram).toEqual(start);
        for (let i = 0; i < steps; i++) {
          const step = redo(diagram, history);
          if (!step.ok) throw new Error(step.reason);
          ({ diagram, history } = step);
        }
        expect(diagram).toEqual(end);
      }),
    );
  });
  it('typing in one name is taken back as one', () => {
    let history = emptyHistory;
    let diagram: Diagram = family;
    for (const name of ['A', 'Ad', 'Ada']) {
      const outcome = applyGesture(diagram, [{ kind: 'rename', id: 'e1', name }]);
      if (!outcome.ok) throw new Error(outcome.reason);
      history = recorded(history, outcome.inverse, name !== 'A');
      diagram = outcome.diagram;
    }
    const step = undo(diagram, history);
    expect(step.ok && step.diagram.entries.e1!.name).toBe('Person 1');
  });
  it('what no longer applies after others’ edits is left out with its reason, the rest is kept', () => {
    const others = done(family, removeBranch(family, 'e1'));
    const mine: Gesture[] = [
      [{ kind: 'rename', id: 'e3', name: 'Gone' }],
      [{ kind: 'rename', id: 'e5', name: 'Kept' }],
    ];
    const { diagram, refused, kept } = rebase(others, mine);
    expect(refused).toHaveLength(1);
    expect(kept).toEqual([mine[1]]);
    expect(diagram.entries.e5!.name).toBe('Kept');
  });
  it('a gesture of which one command fails changes nothing', () => {
    const outcome = applyGesture(family, [
      { kind: 'rename', id: 'e1', name: 'x' },
      { kind: 'rename', id: 'gone', name: 'y' },
    ]);
    expect(outcome.ok).toBe(false);
    expect(family.entries.e1!.name).toBe('Person 1');
  });
});
