import { describe, expect, it } from 'vitest';
import { applyGesture, kindOf, type Diagram } from '../../../core/diagram';
import { styleProperties } from '../../../core/model';
import { diagramFromParents } from '../../../core/testing/arbitrary';
import { createBench } from '../store';
import { giveMatched, matchingCommands, seenStyle } from './match-style';

const staff = diagramFromParents([-1, 0, 0, 1, 1]);
const bench = (diagram: Diagram) => createBench(diagram, { add: () => undefined });
const stylesOf = (diagram: Diagram) => {
  const kind = kindOf(diagram.kind);
  return kind.styles(diagram, kind.structure(diagram));
};

describe('the style of one given to others', () => {
  it('makes them look alike, whatever it comes from, and sets nothing that is seen already', () => {
    const given = seenStyle(staff, 'e0', styleProperties);
    const commands = matchingCommands(staff, [{ kind: 'this', entry: 'e3' }], given);
    const [before] = [stylesOf(staff)];
    const differing = styleProperties.filter((property) => before[0]![property] !== before[3]![property]);
    expect(differing.length).toBeGreaterThan(0);
    expect(commands.length).toBeLessThanOrEqual(differing.length + 2);
    const outcome = applyGesture(staff, commands);
    if (!outcome.ok) throw new Error(outcome.reason);
    const after = stylesOf(outcome.diagram);
    expect(after[3]).toEqual(after[0]);
    // Nothing is left to set.
    expect(matchingCommands(outcome.diagram, [{ kind: 'this', entry: 'e3' }], given)).toEqual([]);
  });
  it('goes to all that are selected but the one it is from, as one step', () => {
    const store = bench(staff);
    const fill = { property: 'fill', value: '#ffd700' } as const;
    expect(giveMatched(store)).toBe(false);
    store.getState().set({ matching: { entry: 'e1', given: [fill] } });
    store.getState().pick(['e1', 'e2', 'e3'].map((id) => ({ for: 'entry', id })));
    expect(giveMatched(store)).toBe(true);
    expect(Object.keys(store.getState().diagram.styles.only).sort()).toEqual(['e2', 'e3']);
    expect(giveMatched(store)).toBe(false);
    store.getState().undo();
    expect(store.getState().diagram.styles.only).toEqual({});
  });
});

describe('what a style applies to', () => {
  it('follows the selection where it is one entry or link, and stays what it is else', () => {
    const store = bench(staff);
    const { set, pick } = store.getState();
    set({ scope: { kind: 'this', entry: 'e1' } });
    pick([{ for: 'entry', id: 'e2' }]);
    expect(store.getState().scope).toEqual({ kind: 'this', entry: 'e2' });
    pick([{ for: 'link', id: 'l1' }]);
    expect(store.getState().scope).toEqual({ kind: 'link', link: 'l1' });
    pick([]);
    expect(store.getState().scope).toEqual({ kind: 'link', link: 'l1' });
    set({ scope: { kind: 'tier', tier: 2 } });
    pick([{ for: 'entry', id: 'e3' }]);
    expect(store.getState().scope).toEqual({ kind: 'tier', tier: 2 });
  });
});
