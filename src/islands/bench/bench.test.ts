import fc from 'fast-check';
import { applyGesture, historyFrom, type Gesture, type LoggedStep } from '../../core/diagram';
import { describe, expect, it } from 'vitest';
import { hierarchyOf } from '../../core/hierarchy';
import { diagramFromParents } from '../../core/testing/arbitrary';
import { movingWords } from './tree/drop-words';
import { entryTowards, lineAway, neighbourAfterRemoval } from './tree/outline-moves';
import { createBench } from './store';
import type { TreeBenchWords } from './tree/words';
import type { GestureManner } from './sync';
import { fitting, toDrawing, visiblePart } from './view';

const family = diagramFromParents([-1, 0, 0, 1, 1, 2]); // 0(1(3 4) 2(5))
const structure = hierarchyOf(family.entries);
const words: TreeBenchWords = {
  ways: [],
  leading: 'Manager (has reports)',
  dropHint: 'drop on whom to report to',
  willBeUnder: 'will report to',
  isUnder: 'reports to',
  head: 'manager',
  leaves: 'Reports who lead nobody',
};

describe('moving about', () => {
  it('lines follow each other depth first', () => {
    expect(lineAway(structure, 'e1', 1)).toBe('e3');
    expect(lineAway(structure, 'e2', -1)).toBe('e4');
    expect(lineAway(structure, 'e5', 1)).toBeNull();
    expect(neighbourAfterRemoval(structure, ['e0'])).toBe('e1');
  });
  it('arrows follow the drawing: up to the superior, sideways within the tier, also across branches', () => {
    expect(entryTowards(structure, 'e4', 'right', 'down')).toBe('e5');
    expect(entryTowards(structure, 'e5', 'up', 'down')).toBe('e2');
    expect(entryTowards(structure, 'e3', 'left', 'down')).toBeNull();
    expect(entryTowards(structure, 'e5', 'left', 'right')).toBe('e2');
  });
  it('the words of a drop say who goes where, or why not', () => {
    expect(movingWords(family, 'e1', 'e2', words)).toEqual({
      words: 'Person 1 and 2 below will report to Person 2',
      allowed: true,
    });
    expect(movingWords(family, 'e1', 'e3', words)).toEqual({
      words: 'Person 3 stands under Person 1; it cannot go there',
      allowed: false,
    });
    expect(movingWords(family, 'e3', 'e1', words)).toEqual({
      words: 'Person 3 reports to Person 1 already',
      allowed: false,
    });
  });
});

describe('the view', () => {
  it('a sheet that fits lies inside the stage; what is visible then covers it', () => {
    fc.assert(
      fc.property(fc.integer({ min: 50, max: 3000 }), fc.integer({ min: 50, max: 3000 }), (width, height) => {
        const stage = { width: 800, height: 600 };
        const view = fitting({ x: 0, y: 0, width, height }, stage, 10, 2);
        expect(view.x).toBeGreaterThanOrEqual(9.99);
        expect(view.y + view.k * height).toBeLessThanOrEqual(590.01);
        const drawing = { x: 40, y: 60, scale: 0.5, width: 100, height: 100 };
        const part = visiblePart(view, stage, drawing, 0);
        const corner = toDrawing(view, drawing, 0, 0);
        expect([part.x, part.y]).toEqual([expect.closeTo(corner.x, 6), expect.closeTo(corner.y, 6)]);
      }),
    );
  });
});

describe('the bench', () => {
  const bench = () => {
    const sent: { commands: readonly unknown[]; manner: GestureManner | undefined }[] = [];
    return { sent, store: createBench(family, { add: (_, commands, manner) => void sent.push({ commands, manner }) }) };
  };
  it('what is done is drawn, sent and can be taken back', () => {
    const { store, sent } = bench();
    expect(store.getState().perform([{ kind: 'rename', id: 'e1', name: 'Ada' }])).toBe(true);
    expect(store.getState().drawn.scene.groups.some((group) => group.label.startsWith('Ada, tier 2'))).toBe(true);
    store.getState().undo();
    expect(store.getState().diagram).toEqual(family);
    expect(sent.map(({ manner }) => manner?.manner)).toEqual([undefined, 'undo']);
  });
  it('opened again, what was done before can be taken back, and what was taken back done again', () => {
    const { store, sent } = bench();
    const logged: LoggedStep[] = [];
    const act = (work: () => void) => {
      const before = store.getState().diagram;
      work();
      const { commands, manner } = sent.at(-1)!;
      const outcome = applyGesture(before, commands as Gesture);
      if (!outcome.ok) throw new Error(outcome.reason);
      logged.push({ inverse: outcome.inverse, step: manner?.step ?? null, manner: manner?.manner ?? 'do' });
    };
    for (const name of ['A', 'Ad', 'Ada'])
      act(() => store.getState().perform([{ kind: 'rename', id: 'e1', name }], { merge: 'cell' }));
    act(() => store.getState().perform([{ kind: 'rename', id: 'e2', name: 'Bo' }]));
    act(() => store.getState().undo());
    const again = createBench(store.getState().diagram, { add: () => undefined }, historyFrom(logged));
    again.getState().redo();
    expect(again.getState().diagram.entries.e2!.name).toBe('Bo');
    again.getState().undo();
    again.getState().undo();
    expect(again.getState().diagram).toEqual(family);
    expect(again.getState().history.undo).toEqual([]);
  });
  it('what is refused is told, not sent, and changes nothing', () => {
    const { store, sent } = bench();
    expect(store.getState().perform([{ kind: 'rename', id: 'gone', name: 'x' }])).toBe(false);
    expect(store.getState().perform([{ kind: 'rename', id: 'e1', name: 'x'.repeat(401) }])).toBe(false);
    expect(store.getState().notices).toHaveLength(2);
    expect(store.getState().diagram).toBe(family);
    expect(sent).toEqual([]);
  });
  it('a trial is shown and leaves no trace', () => {
    const { store, sent } = bench();
    store.getState().tryOut([{ kind: 'setArrangement', patch: { direction: 'right' } }]);
    expect(store.getState().trial!.scene.direction).toBe('right');
    store.getState().tryOut(null);
    expect(store.getState()).toMatchObject({ trial: null, diagram: family });
    expect(sent).toEqual([]);
  });
  it('a selection that others removed is let go', () => {
    const { store } = bench();
    store.getState().select('e5');
    store
      .getState()
      .take({ ...family, entries: Object.fromEntries(Object.entries(family.entries).filter(([id]) => id !== 'e5')) });
    expect(store.getState().selected).toBeNull();
  });
});
