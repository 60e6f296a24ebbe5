import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { setsInOrder } from '../model';
import { itemName, venns } from '../../../testing/arbitrary-venn';
import { vennCsv, vennText } from '../write';
import { foldFileName, foldName, pictureFileOf } from '../../../read';
import { readSets } from '../../../testing/lists';

/** Names of the items by set, as read. */
const told = (list: string, choices = {}) => {
  const read = readSets(list, choices);
  const names = new Map(read.entries.map((entry) => [entry.id, entry.name]));
  return Object.fromEntries(read.sets.map(({ name, items }) => [name, items.map((id) => names.get(id))]));
};
const expected = { mudflat: ['curlew', 'dunlin'], saltmarsh: ['curlew', 'skylark'] };

describe('reading sets', () => {
  it('takes lines with a colon for lines, however many sets the first of them has', () => {
    const sets = ['mudflat', 'saltmarsh', 'open water', 'dune', 'creek'];
    const lists = fc.array(fc.uniqueArray(fc.constantFrom(...sets), { minLength: 1, maxLength: 5 }), {
      minLength: 6,
      maxLength: 30,
    });
    fc.assert(
      fc.property(lists, (list) => {
        const all = [...sets.map((set) => [set]), ...list];
        for (const order of [all, [...all].reverse()]) {
          const {
            structure,
            entries,
            sets: read,
          } = readSets(order.map((of, i) => `Kind ${'abcdefghij'[i % 10]}${i}: ${of.join(', ')}`).join('\n'));
          expect(structure).toBe('set-lines');
          expect(entries).toHaveLength(order.length);
          for (const { name, items } of read)
            expect(items).toHaveLength(order.filter((of) => of.includes(name)).length);
        }
      }),
      { numRuns: 40 },
    );
  });
  it.each([
    ['a column for each set', 'mudflat,saltmarsh\ncurlew,curlew\ndunlin,skylark', 'set-columns'],
    ['marks', 'Bird;mudflat;saltmarsh\ncurlew;x;x\ndunlin;x;\nskylark;;x', 'set-marks'],
    ['ticks and noes', 'Bird\tmudflat\tsaltmarsh\ncurlew\tyes\tyes\ndunlin\tyes\tno\nskylark\tno\tyes', 'set-marks'],
    ['lines', 'curlew: mudflat, saltmarsh\ndunlin: mudflat\nskylark: saltmarsh', 'set-lines'],
    [
      'lines with several sets each, whose commas might be columns',
      'curlew: mudflat, saltmarsh\ndunlin: mudflat, \nskylark: , saltmarsh',
      'set-lines',
    ],
    ['lines the other way round', 'mudflat: curlew, dunlin\nsaltmarsh: curlew, skylark', 'set-lines'],
    ['an outline', 'mudflat\n  curlew\n  dunlin\nsaltmarsh\n  curlew\n  skylark', 'set-outline'],
    [
      'an outline with bullets',
      '- mudflat\n  - curlew\n  - dunlin\n- saltmarsh\n  - curlew\n  - skylark',
      'set-outline',
    ],
    ['cells that list', 'Bird;Where\ncurlew;mudflat, saltmarsh\ndunlin;mudflat\nskylark;saltmarsh', 'set-lists'],
  ])('from %s', (_, list, structure) => {
    expect(told(list)).toEqual(expected);
    expect(readSets(list).structure).toBe(structure);
  });
  it('a single line above an outline’s sets names the universe', () => {
    const read = readSets('Shorebirds\n  mudflat\n    curlew\n    dunlin\n  saltmarsh\n    curlew\n    skylark');
    expect(read.universe).toBe('Shorebirds');
    expect(read.sets.map(({ name }) => name)).toEqual(['mudflat', 'saltmarsh']);
  });
  it('an item in none stays in the list and is told', () => {
    const read = readSets('curlew: mudflat, saltmarsh\ndunlin: mudflat\nturnstone:');
    expect(read.entries.map(({ name }) => name)).toContain('turnstone');
    expect(read.findings).toMatchObject([{ code: 'in-no-set', line: 3 }]);
  });
  it('case and accents do not make two items of one', () =>
    expect(told('mudflat\n  Curlew\n  dunlin\nsaltmarsh\n  curlew\n  skylark')).toEqual({
      mudflat: ['Curlew', 'dunlin'],
      saltmarsh: ['Curlew', 'skylark'],
    }));
  it('a near spelling is asked about with both lines, and the answer is followed', () => {
    const list = 'mudflat\n  oystercatcher\n  dunlin\nsaltmarsh\n  oystercacher\n  dunlin';
    const [question] = readSets(list).questions;
    expect(question).toMatchObject({ line: 5, text: expect.stringContaining('nearly “oystercatcher” of line 2') });
    expect(told(list)['saltmarsh']).toEqual(['dunlin', 'oystercacher']);
    expect(told(list, { answers: { [question!.id]: 'same' } })['saltmarsh']).toEqual(['oystercatcher', 'dunlin']);
  });
  it('more than five sets are told, and the first five kept', () => {
    const heads = ['A', 'B', 'C', 'D', 'E', 'F'];
    const read = readSets(`Name,${heads.join(',')}\ncurlew,${heads.map(() => 'x').join(',')}`);
    expect(read.sets).toHaveLength(5);
    expect(read.findings.find(({ code }) => code === 'too-many-sets')!.message).toContain('Left out: F');
  });
  it('a row without a name is told with its line and passed over', () =>
    expect(readSets('Bird;mudflat;saltmarsh\ncurlew;x;x\n;x;\nskylark;;x').findings[0]).toMatchObject({
      code: 'no-name',
      line: 3,
    }));
  it.each(['', '   \n', 'just\nsome\nwords', 'Name,Reports to\nAda,\nBo,Ada'])('%j tells no sets, in words', (list) => {
    const read = readSets(list);
    expect(read.sets).toEqual([]);
    expect(read.findings[0]!.message).toMatch(/\.$/);
  });
  it('the raw demo lists read as they are', () => {
    const list = (name: string) => readFileSync(new URL(`../../../../../demo/lists/${name}`, import.meta.url), 'utf8');
    expect(readSets(list('volunteer-certificates.csv')).sets).toHaveLength(3);
    expect(readSets(list('shorebirds.txt')).sets).toHaveLength(3);
  });
  it('what is written as CSV is read back: names, order, sets', () => {
    fc.assert(
      fc.property(venns(3, 14), (diagram) => {
        const filled = setsInOrder(diagram.venn).every(({ id }) =>
          Object.values(diagram.venn.members).some((own) => own.includes(id)),
        );
        const names = Object.values(diagram.entries).map(({ name }) => foldName(name));
        fc.pre(filled && new Set(names).size === names.length);
        const read = readSets(vennCsv(diagram), {
          answers: Object.fromEntries(readSets(vennCsv(diagram)).questions.map(({ id }) => [id, 'different'])),
        });
        expect(read.entries.map(({ name }) => name)).toEqual(Object.values(diagram.entries).map(({ name }) => name));
        const ids = new Map(read.entries.map((entry, i) => [entry.id, `e${i}`]));
        setsInOrder(diagram.venn).forEach((set, i) =>
          expect(read.sets[i]!.items.map((id) => ids.get(id))).toEqual(
            Object.keys(diagram.entries).filter((id) => diagram.venn.members[id]?.includes(set.id)),
          ),
        );
      }),
      { numRuns: 100 },
    );
  });
  it('the plain text has a line for each entry, its sets after a colon', () => {
    fc.assert(
      fc.property(venns(2, 6), (diagram) => {
        const lines = vennText(diagram)
          .replace(/^Sets: .*\n/, '')
          .split('\n');
        expect(lines).toHaveLength(Object.keys(diagram.entries).length);
        for (const line of lines) expect(line).toMatch(/:/);
      }),
    );
  });
});

describe('pictures in a list', () => {
  it('a column of files is kept as a field and not drawn as a detail', () => {
    const [entry] = readSets('Bird;mudflat;saltmarsh;Picture\ncurlew;x;x;curlew.png\ndunlin;x;;').entries;
    expect(entry!.details).toEqual([]);
    expect(pictureFileOf(entry!.fields)).toBe('curlew.png');
  });
  it('a file is found by its name without folders, ending, case and accents', () => {
    expect(foldFileName('C:\\birds\\Þór-Curlew.JPG')).toBe(foldName('Þór Curlew'));
    fc.assert(
      fc.property(itemName, (name) => {
        expect(foldFileName(`pics/${name}.png`)).toBe(foldName(name));
      }),
    );
  });
});
