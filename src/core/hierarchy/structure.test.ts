import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyCommand, type Command } from '../diagram';
import { diagramFromParents, diagrams } from '../testing/arbitrary';
import { isBesideLine, roleOf } from './roles';
import { roman } from './roman';
import { orgRoles } from '../kinds/org-chart';
import { pathTo, hierarchyOf } from './structure';
import { tierCount } from './listing';

describe('the structure of a hierarchy', () => {
  it('has parents before children, siblings side by side in their order, and the outline depth first', () => {
    fc.assert(
      fc.property(diagrams, ({ entries }) => {
        const s = hierarchyOf(entries);
        expect(s.ids).toHaveLength(Object.keys(entries).length);
        s.ids.forEach((id, i) => {
          const parent = entries[id]!.parent;
          expect(s.parent[i]).toBe(parent === null ? -1 : s.index.get(parent));
          expect(s.tier[i]).toBe(pathTo(entries, id).length);
          for (let k = 0; k < s.count[i]!; k++) expect(s.parent[s.first[i]! + k]).toBe(i);
          for (let k = 1; k < s.count[i]!; k++) {
            const [a, b] = [entries[s.ids[s.first[i]! + k - 1]!]!, entries[s.ids[s.first[i]! + k]!]!];
            expect(a.order < b.order || (a.order === b.order && a.id < b.id)).toBe(true);
          }
        });
        expect([...s.outline].sort((a, b) => a - b)).toEqual(s.ids.map((_, i) => i));
        s.outline.forEach((i, at) => {
          if (s.parent[i]! >= 0) expect(s.outline.indexOf(s.parent[i]!)).toBeLessThan(at);
        });
      }),
    );
  });
  it('is kept by edits that move nobody, and made anew by those that do', () => {
    const family = diagramFromParents([-1, 0, 0]);
    const before = hierarchyOf(family.entries);
    const after = (command: Command) => {
      const outcome = applyCommand(family, command);
      if (!outcome.ok) throw new Error(outcome.reason);
      return hierarchyOf(outcome.diagram.entries);
    };
    expect(after({ kind: 'rename', id: 'e1', name: 'x' })).toBe(before);
    expect(after({ kind: 'setRole', id: 'e1', role: 'vacancy' })).toBe(before);
    expect(Array.from(after({ kind: 'moveBranch', id: 'e2', parent: 'e1', order: 'V' }).tier)).toEqual([1, 2, 3]);
    expect(after({ kind: 'removeEntries', ids: ['e2'] }).ids).toEqual(['e0', 'e1']);
  });
  it('takes a chain of 50,000', () => {
    const { entries } = diagramFromParents(Array.from({ length: 50_000 }, (_, i) => i - 1));
    expect(tierCount(hierarchyOf(entries))).toBe(50_000);
  });
});

describe('roles', () => {
  const plain = diagramFromParents([-1, 0, 1]);
  const assistant = { ...plain, entries: { ...plain.entries, e1: { ...plain.entries.e1!, role: 'assistant' } } };
  it('who has reports is a manager unless another role is set', () => {
    const s = hierarchyOf(assistant.entries);
    expect([0, 1, 2].map((i) => roleOf(assistant, s, i, orgRoles))).toEqual(['manager', 'assistant', null]);
  });
  it('an assistant with reports stands in the line, not beside it', () => {
    expect(isBesideLine(assistant, hierarchyOf(assistant.entries), 1, orgRoles)).toBe(false);
  });
  it.each([
    [1, 'I'],
    [4, 'IV'],
    [9, 'IX'],
    [14, 'XIV'],
    [40, 'XL'],
    [99, 'XCIX'],
    [2026, 'MMXXVI'],
  ])('tier %i is %s', (n, text) => expect(roman(n)).toBe(text));
});
