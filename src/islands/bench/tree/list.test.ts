import { describe, expect, it } from 'vitest';
import { childrenOf } from '../../../core/hierarchy';
import type { Command, Diagram } from '../../../core/diagram';
import { diagramFromParents } from '../../../core/testing/arbitrary';
import { addEntry, moveEntry, removeEntry } from '../edit-actions';
import { createBench } from '../store';
import { pasteLines } from './paste-lines';

const bench = (parents = [-1, 0, 0, 1]) => {
  const sent: (readonly Command[])[] = [];
  return { sent, store: createBench(diagramFromParents(parents), { add: (_, commands) => void sent.push(commands) }) };
};
const shape = (diagram: Diagram, parent: string | null = null): string =>
  childrenOf(diagram, parent)
    .map(
      (entry) =>
        (entry.name || '·') + (childrenOf(diagram, entry.id).length > 0 ? `(${shape(diagram, entry.id)})` : ''),
    )
    .join(' ')
    .replaceAll('Person ', '');

describe('actions in the list', () => {
  it('adding selects the new entry, which has no name yet', () => {
    const { store } = bench();
    const id = addEntry(store, 'next', 'e1');
    expect(store.getState().selected).toBe(id);
    expect(shape(store.getState().diagram)).toBe('0(1(3) · 2)');
    addEntry(store, 'under', 'e2');
    addEntry(store, 'above', 'e3');
    expect(shape(store.getState().diagram)).toBe('0(1(·(3)) · 2(·))');
  });
  it('in an empty list, adding next makes the first entry', () => {
    const { store } = bench([]);
    expect(addEntry(store, 'next', null)).not.toBeNull();
    expect(shape(store.getState().diagram)).toBe('·');
  });
  it('moves that have no meaning do nothing and send nothing', () => {
    const { store, sent } = bench();
    expect(moveEntry(store, 'e0', 'tierUp')).toBe(false);
    expect(moveEntry(store, 'e1', 'tierDown')).toBe(false);
    expect(moveEntry(store, 'e1', 'earlier')).toBe(false);
    expect(sent).toEqual([]);
    expect(moveEntry(store, 'e2', 'earlier')).toBe(true);
    expect(shape(store.getState().diagram)).toBe('0(2 1(3))');
  });
  it('removing one with reports asks first; one without goes at once and the line before is selected', () => {
    const { store } = bench();
    removeEntry(store, 'e1');
    expect(store.getState()).toMatchObject({ removing: ['e1'] });
    expect(shape(store.getState().diagram)).toBe('0(1(3) 2)');
    removeEntry(store, 'e3');
    expect(shape(store.getState().diagram)).toBe('0(1 2)');
    expect(store.getState()).toMatchObject({ selected: 'e1', focus: { entry: 'e1', column: 0 } });
  });
});

describe('pasting into a cell', () => {
  it('a single line is pasted as text', () => {
    const { store } = bench();
    expect(pasteLines(store, 'e1', 'Ada Quill')).toBe(false);
    expect(pasteLines(store, 'e1', 'Ada Quill\n')).toBe(false);
  });
  it('several lines follow the entry, with their own structure and details', () => {
    const { store } = bench();
    expect(pasteLines(store, 'e1', 'Ada, Head\n\tBo\n\tCy\nDi')).toBe(true);
    expect(shape(store.getState().diagram)).toBe('0(1(3) Ada(Bo Cy) Di 2)');
    expect(Object.values(store.getState().diagram.entries).find((entry) => entry.name === 'Ada')!.details).toEqual([
      'Head',
    ]);
  });
  it('pasted into an empty line they take its place, and one undo takes all back', () => {
    const { store } = bench();
    const id = addEntry(store, 'under', 'e3')!;
    pasteLines(store, id, 'Ada\nBo');
    expect(shape(store.getState().diagram)).toBe('0(1(3(Ada Bo)) 2)');
    store.getState().undo();
    expect(shape(store.getState().diagram)).toBe('0(1(3(·)) 2)');
  });
  it('a table pasted there brings its own superiors', () => {
    const { store } = bench();
    pasteLines(store, 'e2', 'Name\tReports to\nAda\t\nBo\tAda');
    expect(shape(store.getState().diagram)).toBe('0(1(3) 2 Ada(Bo))');
  });
  it('what the reader was unsure of is told', () => {
    const { store } = bench();
    pasteLines(store, 'e2', 'Name,Reports to\nAda Quill,\nBo Lin,Nobody Known');
    expect(store.getState().notices.join()).toContain('Nobody Known');
  });
});
