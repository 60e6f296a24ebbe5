import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { diagramFromParents } from '../../core/testing/arbitrary';
import { entriesOf, entryPick, isPicked, leadingEntry, lineRange, linkPick, stillThere, toggled } from './selection';
import { createBench } from './store';

const lines = ['a', 'b', 'c', 'd', 'e'];

describe('a selection', () => {
  it('picked twice is let go again', () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.constantFrom(...lines)), fc.constantFrom(...lines), (ids, id) => {
        const before = ids.map(entryPick);
        const one = entryPick(id);
        const twice = toggled(toggled(before, one), one);
        expect(twice.length).toBe(before.length);
        expect(isPicked(toggled(before, one), one)).toBe(!isPicked(before, one));
      }),
    );
  });
  it('from one line to another has all between, and the other leads', () => {
    expect(entriesOf(lineRange(lines, 'b', 'd'))).toEqual(['b', 'c', 'd']);
    expect(entriesOf(lineRange(lines, 'd', 'b'))).toEqual(['d', 'c', 'b']);
    expect(leadingEntry(lineRange(lines, 'd', 'b'))).toBe('b');
    expect(entriesOf(lineRange(lines, null, 'c'))).toEqual(['c']);
  });
  it('loses what is no longer there, and nothing else', () => {
    const family = diagramFromParents([-1, 0]);
    const kept = [entryPick('e1'), { for: 'region', id: 's1' }];
    expect(stillThere([...kept, entryPick('gone'), linkPick('gone')], family)).toEqual(kept);
    expect(stillThere(kept, family)).toBe(kept);
  });
  it('in the Bench: removing what is selected, and taking that back, leaves nothing selected that is gone', () => {
    const store = createBench(diagramFromParents([-1, 0, 0]), { add: () => undefined });
    store.getState().pick([entryPick('e1'), entryPick('e2')]);
    expect(store.getState().selected).toBe('e2');
    store.getState().perform([{ kind: 'removeEntries', ids: ['e1'] }]);
    expect(entriesOf(store.getState().selection)).toEqual(['e2']);
    store.getState().undo();
    expect(Object.keys(store.getState().diagram.entries)).toHaveLength(3);
  });
});
