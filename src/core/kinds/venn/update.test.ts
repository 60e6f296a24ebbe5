import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyGesture, brokenInvariants, kindOf } from '../../diagram';
import { type Venn, maskOf, setsInOrder } from './model';
import { vennOf, venns } from '../../testing/arbitrary-venn';
import { vennCsv, vennText } from './write';

function updated(diagram: Venn, text: string): Venn {
  let n = 0;
  const { gesture } = kindOf('venn').update(diagram, text, () => `new${n++}`);
  const outcome = applyGesture(diagram, gesture);
  if (!outcome.ok) throw new Error(outcome.reason);
  expect(brokenInvariants(outcome.diagram)).toEqual([]);
  return outcome.diagram as Venn;
}
/** The text without the line that names its sets. */
const linesOf = (diagram: Venn): string => vennText(diagram).replace(/^Sets: .*\n/, '');
const named = (diagram: Venn, name: string) => Object.values(diagram.entries).find((entry) => entry.name === name);
const told = (diagram: Venn, text: string) => kindOf('venn').update(diagram, text, () => 'x');

const birds = ['curlew', 'teal', 'dunlin', 'skylark'];
const plain = vennOf(3, [1, 3, 4, 0], (i) => birds[i]!);
const image = { id: '0123456789abcdef0123456789abcdef', width: 40, height: 30 };
const diagram: Venn = {
  ...plain,
  entries: { ...plain.entries, e0: { ...plain.entries.e0!, details: ['long curved bill'], image } },
};

describe('a Venn diagram brought to a newer text of its list', () => {
  it('changes nothing where nothing changed, for any diagram', () => {
    fc.assert(
      fc.property(venns(0, 30), (one) => {
        expect(told(one, vennText(one))).toEqual({ gesture: [], findings: [] });
        // Blank lines and another way of parting sets are no change either, and are read line by line.
        const spaced = vennText(one).replaceAll('\n', '\n\n').replaceAll(',', ' ;');
        if (Object.keys(one.entries).length > 0) expect(told(one, spaced).gesture).toEqual([]);
      }),
      { numRuns: 80 },
    );
  });
  it('ticks follow the words after the colon; details and pictures stay', () => {
    const next = updated(diagram, 'curlew: saltmarsh, open water\nteal: mudflat\ndunlin:\nskylark: OPEN WATER');
    expect(linesOf(next)).toBe('curlew: saltmarsh, open water\nteal: mudflat\ndunlin:\nskylark: open water');
    expect(next.entries.e0).toEqual(diagram.entries.e0);
    expect(next.venn.sets).toEqual(diagram.venn.sets);
  });
  it('a corrected name keeps the item; what left goes, what came is added, and the order is that of the text', () => {
    const next = updated(diagram, 'whimbrel: mudflat\nheron: creek, mudflat\nteal: mudflat, saltmarsh');
    expect(linesOf(next)).toBe('whimbrel: mudflat\nheron: mudflat, creek\nteal: mudflat, saltmarsh');
    expect(next.entries.e0).toMatchObject({ name: 'whimbrel', details: ['long curved bill'] });
    expect(named(next, 'dunlin')).toBeUndefined();
    expect(setsInOrder(next.venn).map(({ name }) => name)).toEqual(['mudflat', 'saltmarsh', 'open water', 'creek']);
  });
  it('another name in the same place but in other sets is another item', () => {
    const next = updated(diagram, 'heron: open water\nteal: mudflat, saltmarsh\ndunlin: open water\nskylark:');
    expect(next.entries.e0).toBeUndefined();
    expect(named(next, 'heron')).toMatchObject({ details: [] });
  });
  it('a set that is called something else throughout is renamed, and keeps what is kept of it', () => {
    const coloured: Venn = {
      ...diagram,
      venn: { ...diagram.venn, sets: { ...diagram.venn.sets, s2: { ...diagram.venn.sets.s2!, colour: '#336699' } } },
    };
    const next = updated(coloured, vennText(coloured).replaceAll('open water', 'lagoon'));
    expect(next.venn.sets.s2).toMatchObject({ name: 'lagoon', colour: '#336699' });
    expect(next.venn.members).toEqual(coloured.venn.members);
  });
  it('names of sets and items with commas and colons are understood', () => {
    const sets = { ...diagram.venn.sets, s0: { ...diagram.venn.sets.s0!, name: 'Level 2: ropes, knots' } };
    const entries = { ...diagram.entries, e1: { ...diagram.entries.e1!, name: 'Ratio 3:1: a note' } };
    const odd: Venn = { ...diagram, entries, venn: { ...diagram.venn, sets } };
    expect(vennText(odd)).toContain('Ratio 3:1: a note: Level 2: ropes, knots, saltmarsh');
    expect(told(odd, `${vennText(odd)}\n`)).toEqual({ gesture: [], findings: [] });
    const next = updated(odd, vennText(odd).replace('curlew: ', 'curlew: saltmarsh, '));
    expect(maskOf(next.venn, setsInOrder(next.venn), 'e0')).toBe(0b011);
    expect(maskOf(next.venn, setsInOrder(next.venn), 'e1')).toBe(0b011);
  });
  it('two items of one name stay two, and one without a name stays', () => {
    const twins = vennOf(2, [1, 2, 3], (i) => ['teal', 'teal', ''][i]!);
    expect(linesOf(twins).split('\n')[2]).toBe('–: mudflat, saltmarsh');
    const next = updated(twins, `${vennText(twins)}\nheron: mudflat`);
    expect(next.venn.members).toMatchObject(twins.venn.members);
    expect(Object.keys(next.entries)).toHaveLength(4);
  });
  it('a table pasted over it is taken as a table, with its details', () => {
    const next = updated(
      diagram,
      'Name\tDetail\tmudflat\tsaltmarsh\topen water\ncurlew\tbrown\tx\t\tx\nteal\t\t\tx\t\nheron\tgrey\t\t\tx',
    );
    expect(vennCsv(next)).toBe(
      'Name,Detail,mudflat,saltmarsh,open water\r\ncurlew,brown,x,,x\r\nteal,,,x,\r\nheron,grey,,,x\r\n',
    );
    expect(next.entries.e0!.image).toEqual(image);
  });
  it('a sixth set is left out and said so; nothing else is lost', () => {
    const full = vennOf(5, [31, 1], (i) => birds[i]!);
    const { findings } = told(full, 'curlew: mudflat, meadow\nteal: mudflat, saltmarsh, open water, creek, dune');
    expect(findings.map(({ message }) => message)).toEqual([
      'A Venn diagram draws at most 5 sets; “meadow” is left out.',
    ]);
  });
  it('an empty text empties the list and leaves the sets', () => {
    const next = updated(diagram, '  \n');
    expect(next.entries).toEqual({});
    expect(next.venn.sets).toEqual(diagram.venn.sets);
  });
  it('from any diagram to the text of any other gives that text', () => {
    fc.assert(
      fc.property(venns(1, 12), venns(1, 12), (a, b) => {
        const count = (of: Venn) => setsInOrder(of.venn).length;
        const bigger = vennOf(5, []);
        // Sets of both come in one order, so that the text can be the same to the letter.
        const start: Venn = { ...a, venn: { ...a.venn, sets: count(a) < count(b) ? bigger.venn.sets : a.venn.sets } };
        const next = vennText(updated(start, vennText(b)));
        // Sets that hold nothing stay where no line names all sets, and are then named.
        if (vennText(b).startsWith('Sets: ')) expect(next).toBe(vennText(b));
        else expect(next.replace(/^Sets: .*\n/, '')).toBe(vennText(b));
      }),
      { numRuns: 150 },
    );
  });
});
