import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyGesture, type Diagram } from '../diagram';
import { diagramFrom, outlineText, readList } from '../testing/lists';
import { updateFromList } from './update-from-list';

const from = (text: string): Diagram => diagramFrom(readList(text, { structure: 'outline' }), 'x');
function updated(diagram: Diagram, text: string): Diagram {
  let n = 0;
  const gesture = updateFromList(diagram, readList(text, { structure: 'outline' }), () => `new${n++}`);
  const outcome = applyGesture(diagram, gesture);
  if (!outcome.ok) throw new Error(outcome.reason);
  return outcome.diagram;
}
const idOf = (diagram: Diagram, name: string) =>
  Object.values(diagram.entries).find((entry) => entry.name === name)?.id;

describe('bringing a diagram to a newer text of its list', () => {
  const old = from('Ada\n    Bo\n        Cy\n    Di\n        Ed');
  it('changes nothing where nothing changed', () =>
    expect(updateFromList(old, readList(outlineText(old)), () => 'x')).toEqual([]));
  it('someone who was moved, also above a former superior, keeps the entry', () => {
    const next = updated(old, 'Ada\n    Cy\n        Bo\n    Di\n        Ed');
    expect(outlineText(next)).toBe('Ada\n    Cy\n        Bo\n    Di\n        Ed');
    expect(idOf(next, 'Cy')).toBe(idOf(old, 'Cy'));
    expect(idOf(next, 'Bo')).toBe(idOf(old, 'Bo'));
  });
  it('a corrected name keeps the entry; who left goes, who came is added', () => {
    const next = updated(old, 'Ada\n    Boo, Lead\n        Cy\n        Fay');
    expect(outlineText(next)).toBe('Ada\n    Boo\tLead\n        Cy\n        Fay');
    expect(idOf(next, 'Boo')).toBe(idOf(old, 'Bo'));
    expect(idOf(next, 'Di')).toBeUndefined();
  });
  it('from any list to any other gives the other', () => {
    const list = fc
      .array(fc.record({ name: fc.constantFrom('Ada', 'Bo', 'Cy', 'Di', 'Ed', 'Fay'), depth: fc.nat({ max: 3 }) }), {
        minLength: 1,
        maxLength: 10,
      })
      .map((lines) => {
        let before = -1;
        return lines.map(({ name, depth }) => '    '.repeat((before = Math.min(depth, before + 1))) + name).join('\n');
      });
    fc.assert(
      fc.property(list, list, (a, b) => {
        expect(outlineText(updated(from(a), b))).toBe(outlineText(from(b)));
      }),
      { numRuns: 300 },
    );
  });
});
