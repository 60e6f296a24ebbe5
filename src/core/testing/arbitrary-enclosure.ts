import fc from 'fast-check';
import type { Command } from '../diagram';
import { Enclosure, plainEnclosure, plainNote, type RoleRule } from '../model';

const id = fc.nat({ max: 2 }).map((n) => `x${n}`);

/** Commands of enclosures and notes that may or may not apply. */
export const enclosureCommands = (entry: fc.Arbitrary<string>): fc.Arbitrary<Command> => {
  const members = fc.uniqueArray(entry, { maxLength: 4 });
  const patch = fc.record(
    {
      name: fc.constantFrom('', 'Ours'),
      members,
      branch: fc.option(entry),
      shape: fc.constantFrom(...Enclosure.shape.shape.options),
      line: fc.constantFrom(...Enclosure.shape.line.options),
      fill: fc.constantFrom(null, '#eef4ff'),
      filled: fc.boolean(),
    },
    { requiredKeys: [] },
  );
  const place = fc.oneof(
    fc.record({
      kind: fc.constant('sheet' as const),
      row: fc.constantFrom('above' as const, 'below' as const),
      at: fc.constantFrom('left' as const, 'middle' as const, 'right' as const),
    }),
    entry.map((one) => ({ kind: 'entry' as const, entry: one })),
  );
  const written = fc.record(
    {
      text: fc.constantFrom('', 'Seen *twice*', '- mud\n- **sand**', 'm^{2} of H_{2}O, *never', '** *'),
      place,
      framed: fc.boolean(),
      width: fc.constantFrom(60, 260, 900),
    },
    { requiredKeys: [] },
  );
  const rule = fc.constantFrom<RoleRule | null>(
    null,
    { of: 'leads' },
    { of: 'name', asks: 'contains', words: 'PERSON 1' },
    { of: 'detail', asks: 'is', words: '' },
    { of: 'field', field: 'Grade', asks: 'is', words: '4' },
  );
  const role = fc.record(
    { name: fc.constantFrom('', 'Lead'), order: fc.nat({ max: 3 }), rule, members },
    { requiredKeys: [] },
  );
  return fc.oneof(
    fc.record({ id, role }).map((one): Command => ({
      kind: 'putRole',
      role: { name: 'Lead', order: 0, rule: null, members: [], ...one.role, id: one.id },
    })),
    fc.record({ id, patch: role }).map((one): Command => ({ kind: 'changeRole', ...one })),
    id.map((one): Command => ({ kind: 'dropRole', id: one })),
    fc.record({ id, written }).map((one): Command => ({
      kind: 'putNote',
      note: { ...plainNote, ...one.written, id: one.id },
    })),
    fc.record({ id, patch: written }).map((one): Command => ({ kind: 'changeNote', ...one })),
    id.map((one): Command => ({ kind: 'dropNote', id: one })),
    fc.record({ id, patch }).map(({ id: one, patch: given }): Command => ({
      kind: 'putEnclosure',
      enclosure: { ...plainEnclosure, ...given, id: one },
    })),
    fc.record({ id, patch }).map((one): Command => ({ kind: 'changeEnclosure', ...one })),
    id.map((one): Command => ({ kind: 'dropEnclosure', id: one })),
  );
};
