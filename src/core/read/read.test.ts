import distance from 'damerau-levenshtein';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { brokenInvariants } from '../diagram';
import { hierarchyOf } from '../hierarchy';
import { diagrams } from '../testing/arbitrary';
import { parseDelimited } from './delimited';
import { isNear, mayStandFor } from './names';
import { decodeList } from './decode';
import { csvOf, diagramFrom, outlineText, readList } from '../testing/lists';
import { type Reading } from './result';
import { titleAbove } from './title-above';

/** "Ada(Bo(Cy) Di)": the tree by names, in the order of the list. */
function shape(read: Reading, parent: string | null = null): string {
  return read.entries
    .filter((entry) => entry.parent === parent)
    .map(
      (entry) =>
        entry.name + (read.entries.some((other) => other.parent === entry.id) ? `(${shape(read, entry.id)})` : ''),
    )
    .join(' ');
}
const codes = (read: Reading) => read.findings.map((one) => one.code);

describe('delimited text by RFC 4180', () => {
  it.each<[string, string, string[][]]>([
    [
      'plain cells',
      'a,b\nc,d',
      [
        ['a', 'b'],
        ['c', 'd'],
      ],
    ],
    [
      'quotes, doubled quotes and a delimiter inside',
      '"a, b","say ""hi"""\r\nc,d',
      [
        ['a, b', 'say "hi"'],
        ['c', 'd'],
      ],
    ],
    ['a line end inside quotes', '"a\nb",c', [['a\nb', 'c']]],
    ['empty cells at the ends', ',a,\n', [['', 'a', '']]],
    ['a quote inside an unquoted cell', '5" pipe,x', [['5" pipe', 'x']]],
    [
      'old line ends',
      'a,b\rc,d',
      [
        ['a', 'b'],
        ['c', 'd'],
      ],
    ],
  ])('%s', (_, text, wanted) => expect(parseDelimited(text, ',').rows.map((row) => row.cells)).toEqual(wanted));
  it('counts the lines of the source, also after empty lines and line ends inside quotes', () => {
    expect(parseDelimited('a,b\n\n"c\nd",e\nf,g', ',').rows.map((row) => row.line)).toEqual([1, 3, 5]);
  });
  it('a quote that never closes is told and swallows nothing', () => {
    const { rows, openQuote } = parseDelimited('a,"b\nc,d', ',');
    expect(openQuote).toBe(1);
    expect(rows).toHaveLength(2);
  });
});

describe('indented lists', () => {
  it.each([
    ['tabs', 'Ada\n\tBo\n\t\tCy\n\tDi'],
    ['four spaces', 'Ada\n    Bo\n        Cy\n    Di'],
    ['two spaces and dashes', '- Ada\n  - Bo\n    - Cy\n  - Di'],
    ['bullets', '• Ada\n   • Bo\n      • Cy\n   • Di'],
    ['a ring and other bullets', 'o Ada\n  * Bo\n    – Cy\n  * Di'],
    ['numbers without indents', '1 Ada\n1.1 Bo\n1.1.1 Cy\n1.2 Di'],
    ['numbers with points', '1. Ada\n1.1. Bo\n1.1.1. Cy\n1.2. Di'],
    ['headings', '# Ada\n## Bo\n### Cy\n## Di'],
    ['empty lines between', 'Ada\n\n\tBo\n\n\t\tCy\n\tDi\n\n'],
    ['Windows line ends', 'Ada\r\n\tBo\r\n\t\tCy\r\n\tDi\r\n'],
    ['cells of a spreadsheet', 'Ada\t\t\n\tBo\t\n\t\tCy\n\tDi\t'],
  ])('by %s', (_, text) => expect(shape(readList(text))).toBe('Ada(Bo(Cy) Di)'));
  it.each([
    ['Hana Petrović, Schools lead', 'Hana Petrović', ['Schools lead']],
    ['Hana Petrović – Schools lead, North site', 'Hana Petrović', ['Schools lead', 'North site']],
    ['Hana Petrović (Schools lead)', 'Hana Petrović', ['Schools lead']],
    ['Hana Petrović: Schools lead', 'Hana Petrović', ['Schools lead']],
    ['Maëlle Adeyemi-Fox', 'Maëlle Adeyemi-Fox', []],
  ])('parts %s into name and details', (text, name, details) =>
    expect(readList(`Top\n  ${text}`).entries[1]).toMatchObject({ name, details, line: 2 }),
  );
  it('bullets on one indent are siblings, also below a plain line further out', () => {
    const { entries } = readList(
      'Ines\n  Gate\n    * Rufus\n    * Mabel\n    * Jonty\n  Stages\n    - Petra\n    - Ludo',
    );
    const nameOf = new Map(entries.map(({ id, name }) => [id, name]));
    const under = Object.fromEntries(entries.map(({ name, parent }) => [name, parent && nameOf.get(parent)]));
    expect(under).toMatchObject({ Rufus: 'Gate', Mabel: 'Gate', Jonty: 'Gate', Petra: 'Stages', Ludo: 'Stages' });
  });
  it('a line alone above the others, an empty one between, is the title', () => {
    const read = readList('Festival crew 2027\n\nInes\n  Gate\n  Stages\nBoard\n  Ada');
    expect(read.entries.map(({ name }) => name)).toEqual(['Ines', 'Gate', 'Stages', 'Board', 'Ada']);
    expect(titleAbove(read)).toBe('Festival crew 2027');
    expect(read.notPlaced.map(({ text }) => text)).toEqual(['Festival crew 2027']);
    // Where others stand alone too it may be one of them.
    for (const list of ['Ada\n\nBo\n\nCy', 'Ada\nBo\n  Cy', 'Ada\n\nBo\n  Cy\nDi', 'Ada\n  Bo\n\nCy\n  Di'])
      expect(titleAbove(readList(list))).toBe('');
  });
  it('a line between two levels is kept and told with its line', () => {
    const read = readList('Ada\n        Bo\n    Cy\n  Di');
    expect(read.entries).toHaveLength(4);
    expect(read.findings.find((one) => one.code === 'uneven-indent')?.line).toBe(3);
  });
});

describe('tables with a superior', () => {
  const names = 'Name,Reports to,Title\nAda Quill,,Head\nBo Lin,Ada Quill,Lead\nCy Dee,Bo Lin,';
  it('by name under a heading', () => {
    const read = readList(names);
    expect(read.structure).toBe('parent-column');
    expect(shape(read)).toBe('Ada Quill(Bo Lin(Cy Dee))');
    expect(read.entries[0]).toMatchObject({ details: ['Head'], line: 2 });
    expect(read.findings).toEqual([]);
  });
  it.each([
    ['semicolons', names.replaceAll(',', ';')],
    ['tabs', names.replaceAll(',', '\t')],
    ['bars', names.replaceAll(',', '|')],
    ['other headings', names.replace('Name,Reports to', 'Employee,Line manager')],
    ['no heading', names.split('\n').slice(1).join('\n')],
    ['columns in another order', 'Title,Reports to,Name\nHead,,Ada Quill\nLead,Ada Quill,Bo Lin\n,Bo Lin,Cy Dee'],
    ['an id', 'Id,Name,Manager id\n7,Ada Quill,\n8,Bo Lin,7\n9,Cy Dee,8'],
    ['first and last name', 'First name,Last name,Manager\nAda,Quill,\nBo,Lin,Ada Quill\nCy,Dee,Bo Lin'],
    ['surnames first', 'Name,Manager\nAda Quill,\nBo Lin,"Quill, Ada"\nCy Dee,"Lin, Bo"'],
    ['other case and accents', 'Name,Manager\nAda Quill,\nBo Lin,ADA QUILL\nCy Dee,bó  lin'],
    ['one who reports to herself', names.replace('Ada Quill,,', 'Ada Quill,Ada Quill,')],
  ])('with %s', (_, text) => expect(shape(readList(text))).toBe('Ada Quill(Bo Lin(Cy Dee))'));
  it('a slip of the pen is taken for the likely person and asked', () => {
    const read = readList('Name,Manager\nAda Quill,\nBo Lin,Ada Quil');
    expect(shape(read)).toBe('Ada Quill(Bo Lin)');
    expect(read.questions).toMatchObject([{ line: 3, wanted: 'Ada Quil', guess: 'e2', answered: false }]);
    expect(codes(read)).toContain('unsure-superior');
  });
  it.each([
    'A. Quill',
    'Quill',
    'Quill, Ada',
    'Dr Ada Quill',
    'Ada Quill, FRHS',
    'Warden',
    'Ada Quill <ada@x.example>',
  ])('the only one who may be meant is taken: %s; of two the list asks', (wanted) => {
    const list = `Name,Post,Mail,Manager\nAda Quill,Warden,ada@x.example,\nBo Lin,Cook,bo@x.example,"${wanted}"\nCy Dee,Clerk,cy@x.example,Bo Lin`;
    const read = readList(list);
    expect(shape(read)).toBe('Ada Quill(Bo Lin(Cy Dee))');
    expect(read.questions).toEqual([]);
    if (wanted.includes('@') || wanted === 'Warden') return;
    expect(readList(list.replace('Cy Dee', 'Ada Quill')).questions).toHaveLength(1);
    expect(readList(`${list}\nAnn Quill,Cook,an@x.example,Bo Lin`).questions).toHaveLength(/Ada/.test(wanted) ? 0 : 1);
  });
  it('a superior who is not in the list is told with line and name; everybody is kept', () => {
    const read = readList('Name,Reports to\nAda Quill,\nAna Ruiz,Sales Dir\nBo Lin,Ana Ruiz');
    expect(read.entries).toHaveLength(3);
    const told = read.findings.find((one) => one.code === 'unknown-superior')!;
    expect(told).toMatchObject({ line: 3, severity: 'error' });
    expect(told.message).toContain('Line 3: Ana Ruiz reports to “Sales Dir”, who is not in the list.');
  });
  it('an answer adds that superior, names another, or puts the person at the top', () => {
    const text = 'Name,Reports to\nAda Quill,\nAna Ruiz,Sales Dir\nBo Lin,Ana Ruiz';
    const answer = (to: string) => shape(readList(text, { answers: { 'superior-3': to } }));
    expect(answer('add')).toBe('Sales Dir(Ana Ruiz(Bo Lin)) Ada Quill');
    expect(answer('e2')).toBe('Ada Quill(Ana Ruiz(Bo Lin))');
    expect(answer('top')).toBe('Ada Quill Ana Ruiz(Bo Lin)');
  });
  it('people who report to each other are told and the first put at the top', () => {
    const read = readList('Name,Manager\nTop Person,\nAda Quill,Bo Lin\nBo Lin,Ada Quill');
    expect(shape(read)).toBe('Top Person Ada Quill(Bo Lin)');
    expect(read.findings.find((one) => one.code === 'circle')).toMatchObject({
      line: 3,
      severity: 'error',
      entries: ['e3', 'e4'],
    });
  });
  it('two people of one name are both kept, told, and asked about where one is meant', () => {
    const read = readList('Name,Manager\nTop,\nAda Quill,Top\nAda Quill,Top\nBo Lin,Ada Quill');
    expect(read.entries).toHaveLength(4);
    expect(codes(read)).toEqual(expect.arrayContaining(['same-name', 'ambiguous-superior']));
    expect(read.questions[0]!.candidates).toHaveLength(2);
  });
  it('ragged rows are told; cells beyond the heading become details', () => {
    const read = readList('Name,Manager,Title\nAda Quill,\nBo Lin,Ada Quill,Lead,North,x\nCy Dee');
    expect(read.entries).toHaveLength(3);
    expect(read.entries[1]!.details).toEqual(['Lead', 'North', 'x']);
    expect(read.findings.filter((one) => one.code === 'ragged-row').map((one) => one.line)).toEqual([3, 4]);
  });
  it('a row without a name goes to the tray with its line', () => {
    expect(readList('Name,Manager\nAda,\n,Ada\nBo,Ada').notPlaced).toEqual([
      { line: 3, text: 'Ada', reason: 'Line 3 has no name.' },
    ]);
  });
  it('vacant posts, assistants and second superiors are recognised', () => {
    const read = readList(
      'Name,Manager,Also reports to,Title\nAda Quill,,,Head\nVacant,Ada Quill,,Lead\nBo Lin,Ada Quill,,Assistant to the head\nCy Dee,Ada Quill,Bo Lin,Cook',
    );
    expect(read.entries.map((entry) => entry.role)).toEqual([null, 'vacancy', 'assistant', null]);
    expect(read.links).toEqual([{ from: 'e5', to: 'e4', line: 5, kind: 'side', phrase: '' }]);
  });
  it('a column can be given another use', () => {
    const text = 'Name,Site,Manager\nAda,North,\nBo,South,Ada';
    expect(readList(text, { columns: { 1: 'leftOut' } }).entries[0]!.details).toEqual([]);
    expect(readList(text, { columns: { 1: 'field' } }).entries[0]!.fields).toEqual({ Site: 'North' });
  });
});

describe('bad input', () => {
  it.each(['', '   \n\n', '\ufeff'])('an empty list %j is told', (text) =>
    expect(readList(text).findings).toMatchObject([{ code: 'empty', severity: 'error' }]),
  );
  it('binary files are told by what they are', () => {
    const told = (bytes: number[]) => decodeList(Uint8Array.from(bytes)).findings[0]?.message;
    expect(told([0x25, 0x50, 0x44, 0x46, 0x2d])).toContain('a PDF');
    expect(told([0x50, 0x4b, 0x03, 0x04])).toContain('The file is damaged');
    expect(told([1, 2, 0, 4])).toContain('not a text list');
    expect(decodeList(Uint8Array.from([1, 2, 0, 4])).text).toBeNull();
  });
  it('a file of 30 MB is refused with the limit', () => {
    expect(decodeList(new Uint8Array(30_000_000)).findings[0]!.message).toMatch(/30 MB; a list may have 20 MB/);
  });
  it('an encoding that is not told is guessed and said, with the line to check', () => {
    const { text, findings } = decodeList(Uint8Array.from([0x41, 0x0a, 0x52, 0x65, 0x6e, 0xe9]));
    expect(text).toBe('A\nRené');
    expect(findings).toMatchObject([{ code: 'encoding-guessed', line: 2 }]);
  });
  it('UTF-16 with a byte order mark is read', () =>
    expect(decodeList(Uint8Array.from([0xff, 0xfe, 0x41, 0, 0x0a, 0, 0x42, 0])).text).toBe('A\nB'));
  it('whatever is pasted, reading never throws, keeps valid diagrams, and names lines that exist', () => {
    const line = fc.oneof(
      fc.string(),
      fc.constantFrom('Name,Manager', '\tAda', '- Bo', 'Ada,Bo', 'Bo,Ada', '"', ',,,', 'Ada;Bo', '1.1 Cy'),
    );
    fc.assert(
      fc.property(fc.array(line, { maxLength: 25 }), (lines) => {
        const text = lines.join('\n');
        const read = readList(text);
        expect(brokenInvariants(diagramFrom(read, 'x'))).toEqual([]);
        const last = text.split(/\r\n|\r|\n/).length;
        for (const one of [...read.findings, ...read.entries, ...read.notPlaced])
          if (one.line !== null) expect(one.line).toBeLessThanOrEqual(last);
      }),
      { numRuns: 400 },
    );
  });
});

describe('names', () => {
  it.each([
    ['t wieczorek', 'tomasz wieczorek', true],
    ['wieczorek', 'tomasz wieczorek', true],
    ['tomasz', 'tomasz wieczorek', true],
    ['t nowak', 'tomasz wieczorek', false],
    ['b wieczorek', 'tomasz wieczorek', false],
  ])('%s may stand for %s: %s', (short, full, wanted) => expect(mayStandFor(short, full)).toBe(wanted));
  it('one swap of neighbours is one slip', () => {
    expect(isNear('wieczorek', 'wieczroek', 1)).toBe(true);
    expect(isNear('wieczorek', 'wieczork', 1)).toBe(true);
    expect(isNear('wieczorek', 'nowak', 2)).toBe(false);
  });
  it('as far apart as the distance of Damerau and Levenshtein says, for any two names', () => {
    const letters = fc.stringMatching(/^[abc ]{0,9}$/);
    fc.assert(
      fc.property(letters, letters, fc.integer({ min: 0, max: 3 }), (a, b, most) => {
        expect(isNear(a, b, most)).toBe(distance(a, b).steps <= most);
      }),
      { numRuns: 3000 },
    );
  });
});

describe('what is written is read back', () => {
  it('CSV gives the same people, superiors, details and roles', () => {
    fc.assert(
      fc.property(diagrams, (diagram) => {
        const named = {
          ...diagram,
          entries: Object.fromEntries(
            Object.values(diagram.entries).map((entry, i) => [
              entry.id,
              { ...entry, name: `${entry.name.replace(/[\p{C}\s]+/gu, ' ').trim()} P${i}` },
            ]),
          ),
        };
        fc.pre(Object.keys(named.entries).length > 0);
        const back = diagramFrom(readList(csvOf(named)), 'x');
        const structure = hierarchyOf(named.entries);
        const again = hierarchyOf(back.entries);
        const told = (from: typeof named, s: typeof structure) =>
          Array.from(s.outline, (i) => {
            const entry = from.entries[s.ids[i]!]!;
            return [entry.name.trim(), s.tier[i]!, entry.details.filter(Boolean)];
          });
        expect(told(back, again)).toEqual(told(named, structure));
      }),
    );
  });
  it('plain text gives the same tree', () => {
    const read = readList('Ada Quill, Head\n    Bo Lin, Lead, North\n        Cy Dee\n    Di Eck');
    expect(shape(readList(outlineText(diagramFrom(read, 'x'))))).toBe(shape(read));
    expect(outlineText(diagramFrom(read, 'x'))).toBe(
      'Ada Quill\tHead\n    Bo Lin\tLead\tNorth\n        Cy Dee\n    Di Eck',
    );
  });
});
