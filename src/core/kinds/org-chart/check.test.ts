import { describe, expect, it } from 'vitest';
import { applyGesture, type Gesture, check, draw, type Diagram } from '../../diagram';
import { diagramFromParents } from '../../testing/arbitrary';

const after = (diagram: Diagram, gesture: Gesture): Diagram => {
  const outcome = applyGesture(diagram, gesture);
  if (!outcome.ok) throw new Error(outcome.reason);
  return outcome.diagram;
};
const found = (diagram: Diagram, code: string) => check(diagram, draw(diagram)).filter((one) => one.code === code);
const family = diagramFromParents([-1, 0, 0]);

describe('checks of an org chart', () => {
  it('nothing is found in a small, complete chart', () => expect(check(family, draw(family))).toEqual([]));
  it.each<[string, string, Gesture, string[]]>([
    ['an entry without a name', 'no-name', [{ kind: 'rename', id: 'e1', name: ' ' }], ['e1']],
    ['two people of one name', 'same-name', [{ kind: 'rename', id: 'e1', name: 'person 2' }], ['e1', 'e2']],
    [
      'text that does not read on its fill',
      'low-contrast',
      [
        { kind: 'setStyle', scope: { kind: 'this', entry: 'e2' }, property: 'fill', value: '#999999' },
        { kind: 'setStyle', scope: { kind: 'this', entry: 'e2' }, property: 'text', value: '#888888' },
      ],
      ['e2'],
    ],
    ['a character no font has', 'no-glyph', [{ kind: 'rename', id: 'e1', name: 'ஜ' }], ['e1']],
    ['several tops', 'several-tops', [{ kind: 'moveBranch', id: 'e2', parent: null, order: 'z' }], ['e0', 'e2']],
    ['a vacant post', 'vacancy', [{ kind: 'setRole', id: 'e2', role: 'vacancy' }], ['e2']],
  ])('%s is found and names its entries', (_, code, gesture, ids) => {
    const findings = found(after(family, gesture), code);
    expect(findings).toHaveLength(1);
    expect([...findings[0]!.entries].sort()).toEqual(ids);
  });
  it('a span of more than ten is found, one of ten is not', () => {
    const span = (n: number) => found(diagramFromParents([-1, ...new Array<number>(n).fill(0)]), 'wide-span');
    expect(span(10)).toEqual([]);
    expect(span(11)[0]!.message).toContain('11 direct reports');
  });
  it('print below 8 pt is found on paper, and not on a sheet as large as the drawing', () => {
    const wide = diagramFromParents([-1, ...new Array<number>(40).fill(0)]);
    const row: Diagram = { ...wide, arrangement: { ...wide.arrangement, lowest: 'row' } };
    expect(found(row, 'small-print')[0]!.message).toMatch(/prints at \d\.\d pt/);
    expect(found({ ...row, sheet: { ...row.sheet, size: 'drawing' } }, 'small-print')).toEqual([]);
  });
  it('texts around the drawing that take much of the sheet are found', () => {
    const titled = (title: string, subtitle: string): Diagram => ({
      ...family,
      titleBlock: { ...family.titleBlock, title, subtitle },
    });
    expect(found(titled('Brackwater Reserve', 'Staff of the season'), 'long-title')).toEqual([]);
    const long = titled('WORDS '.repeat(33).trim(), 'further words '.repeat(21).trim());
    expect(found(long, 'long-title')[0]!.message).toMatch(/take 1\d % of the sheet's height/);
    expect(found({ ...long, sheet: { ...long.sheet, size: 'drawing' } }, 'long-title')).toEqual([]);
  });
  it('lines in the tray are found until they are taken out', () => {
    const tray = after(family, [{ kind: 'putInTray', item: { id: 't1', line: 4, text: 'x', reason: 'no name' } }]);
    expect(found(tray, 'not-placed')).toHaveLength(1);
    expect(found(after(tray, [{ kind: 'takeFromTray', id: 't1' }]), 'not-placed')).toEqual([]);
  });
});

describe('characters that no font has', () => {
  it('are told once a script, with who has them', () => {
    const chart = diagramFromParents([-1, 0, 0, 0], (i) => ['ஜோ Jo', 'Ada', 'தா Tha', 'ဗမာ'][i]!);
    const found = check(chart, draw(chart)).filter(({ code }) => code === 'no-glyph');
    expect(found.map(({ entries }) => entries)).toEqual([['e0', 'e2'], ['e3']]);
    expect(found[0]!.message).toMatch(/^Tamil characters \(ஜ ோ த ா\) print as empty boxes.*ஜோ Jo, தா Tha/);
    expect(found[1]!.message).toMatch(/^Burmese characters/);
  });
  it('are told of the title block too', () => {
    const plain = diagramFromParents([-1]);
    const chart = { ...plain, titleBlock: { ...plain.titleBlock, subtitle: 'ලිය' } };
    const [found] = check(chart, draw(chart)).filter(({ code }) => code === 'no-glyph');
    expect(found!.message).toContain('in the title block');
  });
});
