import fc from 'fast-check';
import type { Command } from '../diagram';
import { Enclosure, plainEnclosure } from '../model';

const id = fc.nat({ max: 2 }).map((n) => `x${n}`);

/** Commands of enclosures around some of the entries, or around a branch, that may or may not apply. */
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
  return fc.oneof(
    fc.record({ id, patch }).map(({ id: one, patch: given }): Command => ({
      kind: 'putEnclosure',
      enclosure: { ...plainEnclosure, ...given, id: one },
    })),
    fc.record({ id, patch }).map((one): Command => ({ kind: 'changeEnclosure', ...one })),
    id.map((one): Command => ({ kind: 'dropEnclosure', id: one })),
  );
};
