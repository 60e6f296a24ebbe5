import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyGesture, draw, houseStyleOf, inHouseStyle, type Command, type Diagram } from '../diagram';
import { orgRoles } from '../kinds/org-chart';
import type { OwnRole, RoleRule } from '../model';
import { diagramFromParents } from '../testing/arbitrary';
import { roleOf } from './roles';
import { hierarchyOf } from './structure';

const plain = diagramFromParents([-1, 0, 0, 1, 1]);
const entries = { ...plain.entries };
entries.e1 = { ...entries.e1!, details: ['Lead of boats'], fields: { Grade: '4' } };
entries.e2 = { ...entries.e2!, details: ['lead'], fields: { Grade: '44' } };
const chart: Diagram = { ...plain, entries };
const after = (diagram: Diagram, gesture: readonly Command[]): Diagram => {
  const outcome = applyGesture(diagram, gesture);
  if (!outcome.ok) throw new Error(outcome.reason);
  return outcome.diagram;
};
const role = (id: string, rule: RoleRule | null, more: Partial<OwnRole> = {}): Command => ({
  kind: 'putRole',
  role: { id, name: id, order: 0, rule, members: [], ...more },
});
const rolesIn = (diagram: Diagram): Record<string, string | null> => {
  const structure = hierarchyOf(diagram.entries);
  return Object.fromEntries(structure.ids.map((id, i) => [id, roleOf(diagram, structure, i, orgRoles)]));
};

describe('a role made for a diagram', () => {
  it.each<[string, RoleRule, string[]]>([
    ['words in a detail, large or small', { of: 'detail', asks: 'contains', words: 'LEAD' }, ['e1', 'e2']],
    ['a whole detail', { of: 'detail', asks: 'is', words: 'Lead' }, ['e2']],
    ['a field of the list', { of: 'field', field: 'Grade', asks: 'is', words: '4' }, ['e1']],
    ['whoever leads', { of: 'leads' }, ['e0', 'e1']],
    ['nothing, which finds nobody', { of: 'name', asks: 'contains', words: ' ' }, []],
  ])('is told by %s', (_, rule, ids) => {
    const told = rolesIn(after(chart, [role('mine', rule)]));
    expect(
      Object.keys(told)
        .filter((id) => told[id] === 'mine')
        .sort(),
    ).toEqual(ids);
  });
  it('goes before the one that leads, and after one that was set; the first in order goes before the others', () => {
    const both = after(chart, [
      role('b', { of: 'leads' }, { order: 1 }),
      role('a', null, { order: 2, members: ['e0', 'e3'] }),
      { kind: 'setRole', id: 'e1', role: 'vacancy' },
    ]);
    expect(rolesIn(both)).toEqual({ e0: 'b', e1: 'vacancy', e2: null, e3: 'a', e4: null });
  });
  it('is styled once for all who have it, and told in the legend', () => {
    const styled = after(chart, [
      role('lead', { of: 'detail', asks: 'contains', words: 'lead' }, { name: 'Leads' }),
      { kind: 'setStyle', scope: { kind: 'role', role: 'lead' }, property: 'sign', value: 'stripe' },
    ]);
    const { styles, structure, scene } = draw(styled);
    expect(structure.ids.filter((_, i) => styles[i]!.sign === 'stripe').sort()).toEqual(['e1', 'e2']);
    expect(scene.notes.map(({ label }) => label).join(' ')).toContain('Leads');
  });
  it('comes along with a house style, without who was given it by hand', () => {
    const from = after(chart, [
      role('lead', { of: 'leads' }, { members: ['e4'] }),
      role('own', null, { members: ['e2'] }),
    ]);
    const to = after(plain, inHouseStyle(plain, houseStyleOf(from, 'Reserve'), null));
    expect(Object.values(to.roles)).toEqual([
      { id: 'lead', name: 'lead', order: 0, rule: { of: 'leads' }, members: [] },
    ]);
    // What was given by hand stays where another house has no such role.
    expect(after(from, inHouseStyle(from, houseStyleOf(plain, 'Other'), null)).roles).toMatchObject({
      lead: { rule: null, members: ['e4'] },
      own: { members: ['e2'] },
    });
  });
  it('costs one look at each entry, however many there are', () => {
    fc.assert(
      fc.property(fc.constantFrom(3000), (n) => {
        const large = after(diagramFromParents(Array.from({ length: n }, (_, i) => (i === 0 ? -1 : i >> 1))), [
          role(
            'a',
            { of: 'name', asks: 'contains', words: '7' },
            { members: Array.from({ length: 1000 }, (_, i) => `e${i}`) },
          ),
        ]);
        const told = Object.values(rolesIn(large));
        expect(told.filter((one) => one === 'a').length).toBeGreaterThan(1000);
      }),
      { numRuns: 1 },
    );
  });
});
