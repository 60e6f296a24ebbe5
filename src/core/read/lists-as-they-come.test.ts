import { describe, expect, it } from 'vitest';
import { kindOf, kinds, readInAllKinds, tokensOf } from '../diagram';
import { decodeList } from './decode';
import { titleAbove } from './title-above';
import { readList, readSets } from '../testing/lists';

const told = (text: string) => readInAllKinds(text).map(({ kind, strength }) => ({ id: kind.id, strength }));
const best = (text: string) => told(text)[0]!;
const parentOf = (read: ReturnType<typeof readList>, name: string) => {
  const { parent } = read.entries.find((entry) => entry.name === name)!;
  return read.entries.find(({ id }) => id === parent)?.name;
};

describe('a first line that looks like headings', () => {
  it.each(['Head', 'Manager', 'Boss', 'Supervisor', 'Parent', 'Director', 'Superior', 'Under'])(
    'is a person above indented names, whatever the post is called: %s',
    (post) => {
      for (const below of ['Ada Quill', 'Ada Quill, Cook']) {
        const read = readList(`Marta Engel, ${post}\n    ${below}\n    ${below.replace('Ada Quill', 'Bo Lin')}`);
        expect(read.entries.map(({ name, parent }) => [name, parent === null])).toEqual([
          ['Marta Engel', true],
          ['Ada Quill', false],
          ['Bo Lin', false],
        ]);
      }
    },
  );
  it('is headings where the cells below bear them out, and an entry where it is said to be one', () => {
    const list = (indent: string) => `Name,Boss\nAda,\n${indent}Bo,Ada\n${indent}Cy,Ada`;
    expect(readList(list('  '))).toMatchObject({ header: true, structure: 'parent-column' });
    expect(readList(list(''), { firstRow: 'entry' }).entries[0]).toMatchObject({ name: 'Name' });
  });
});

describe('a staff list with titles above its table', () => {
  const list = [
    'Staff of the theatre, season 26/27',
    'as of 1 October, please correct',
    '',
    'No;Surname, first name;Function;Section;Line manager',
    '1;Okoro, Inés;Director;House;',
    '2;Lindqvist, Bao;Head of stage;Stage;Okoro, I.',
    '3;Mensah, Ruairí;Lighting;Stage;B. Lindqvist',
    '4;Castell, Wanjiru;Sound;Stage;Bao Lindqvist',
    'Total;4;;;',
  ].join('\n');
  const read = readList(list);
  it('is an org chart and nothing else', () => {
    expect(best(list)).toMatchObject({ id: 'org-chart' });
    expect(told(list).find(({ id }) => id === 'venn')!.strength).toBeLessThan(0.1);
  });
  it('gives the people by their own names, with who reports to whom, also by initials and surnames first', () => {
    expect(read.entries.map(({ name }) => name)).toEqual([
      'Inés Okoro',
      'Bao Lindqvist',
      'Ruairí Mensah',
      'Wanjiru Castell',
    ]);
    expect(parentOf(read, 'Bao Lindqvist')).toBe('Inés Okoro');
    expect(parentOf(read, 'Ruairí Mensah')).toBe('Bao Lindqvist');
    expect(parentOf(read, 'Wanjiru Castell')).toBe('Bao Lindqvist');
    expect(read.entries[1]!.details).toEqual(['Head of stage', 'Stage']);
  });
  it('keeps titles and the sum in the tray, with their lines', () => {
    expect(read.notPlaced.map(({ line, text }) => [line, text])).toEqual([
      [1, 'Staff of the theatre, season 26/27'],
      [2, 'as of 1 October, please correct'],
      [9, 'Total, 4'],
    ]);
    expect(read.findings.find(({ code }) => code === 'beside-table')!.message).toContain('Lines 1, 2, 9');
  });
});

describe('lists as people write them', () => {
  const outlined = (list: string): string => {
    const read = readList(list);
    const depth = new Map<string | null, number>([[null, -1]]);
    return read.entries
      .map(({ id, name, parent }) => {
        depth.set(id, depth.get(parent)! + 1);
        return `${' '.repeat(depth.get(id)!)}${name}`;
      })
      .join('\n');
  };
  const animals = 'Animals\n Birds\n  Curlew\n  Dunlin\n Fish\n  Bass\nPlants\n Grasses';
  it.each([
    [
      'the whole way in every row, under numbered headings',
      'Level 1,Level 2,Level 3\nAnimals,Birds,Curlew\nAnimals,Birds,Dunlin\nAnimals,Fish,Bass\nPlants,Grasses,',
    ],
    ['in steps', 'Animals\tBirds\tCurlew\n\t\tDunlin\n\tFish\tBass\nPlants\tGrasses'],
    ['in steps, one entry a row', 'Animals,,\n,Birds,\n,,Curlew\n,,Dunlin\n,Fish,\n,,Bass\nPlants,,\n,Grasses,'],
    [
      'drawn with lines',
      'Animals\n├── Birds\n│   ├── Curlew\n│   └── Dunlin\n└── Fish\n    └── Bass\nPlants\n└── Grasses',
    ],
    [
      'with a sign more for every level',
      '* Animals\n** Birds\n*** Curlew\n*** Dunlin\n** Fish\n*** Bass\n* Plants\n** Grasses',
    ],
    ['quoted once more for every level', 'Animals\n> Birds\n>> Curlew\n>> Dunlin\n> Fish\n>> Bass\nPlants\n> Grasses'],
    [
      'drawn with lines of plain letters',
      'Animals\n|- Birds\n|  |- Curlew\n|  |- Dunlin\n|- Fish\n   |- Bass\nPlants\n|- Grasses',
    ],
  ])('a column for each level, or a drawn tree: %s', (_, list) => {
    expect(outlined(list)).toBe(animals);
    expect(['topic-tree', 'org-chart']).toContain(best(list).id);
  });
  it('levels of tables keep what stands beside them, and no more than their own', () => {
    const read = readList('Level 1;Level 2;Note\nAnimals;Birds;with feathers\nAnimals;Fish;\nPlants;;green');
    expect(read.entries.map(({ name, details }) => [name, ...details])).toEqual([
      ['Animals'],
      ['Birds', 'with feathers'],
      ['Fish'],
      ['Plants', 'green'],
    ]);
    expect(best('mudflat,saltmarsh\ncurlew,curlew\ndunlin,skylark\n,redshank').id).toBe('venn');
  });
  it('the rule below a heading of plain text is nobody', () => {
    const read = readList(
      'Name | Role | Reports to\n--- | :---: | ---\nAda Quill | Head |\nBo Lin | Deputy | Ada Quill',
    );
    expect(read.entries.map(({ name }) => name)).toEqual(['Ada Quill', 'Bo Lin']);
  });
  it('a line above lines with sets is their title', () => {
    const read = readSets('Team rota\n\nKitchen: Ada, Bo\nFront: Bo, Ed, Di\nGarden: Fay');
    expect(titleAbove(read)).toBe('Team rota');
    expect(read.entries.map(({ name }) => name).sort()).toEqual(['Ada', 'Bo', 'Di', 'Ed', 'Fay']);
  });
  it.each(['Food & stalls', 'Research & Development'])('an office called “%s” is no couple', (name) => {
    const list = `Ines Tidewell\n  Gate\n    Rufus Ormerod\n    Mabel Quince\n  ${name}\n    Wilf Anning\n    Odile Fabre`;
    expect(best(list).id).not.toBe('family-tree');
    expect(best(list.replace('Ines Tidewell', 'Ines Tidewell + Otto Lund').replace('Gate', 'Gale + Rob')).id).toBe(
      'family-tree',
    );
  });
  it('superiors are found by their addresses', () => {
    const read = readList(
      'Name,Title,Email,Manager email\nAda,Head,ada@x.example,\nBo,Deputy,bo@x.example,ADA@x.example',
    );
    expect(parentOf(read, 'Bo')).toBe('Ada');
    expect(read.questions).toEqual([]);
  });
  it('who is named only as a superior is an entry, where the list is nothing but pairs', () => {
    expect(outlined('Manager,Employee\nAda,Bo\nAda,Cy\nBo,Di')).toBe('Ada\n Bo\n Cy\n  Di');
    expect(readList('Name,Title,Manager\nBo,Cook,Ada\nCy,Cook,Bo').questions).toHaveLength(1);
  });
  it('numbered lines with names after colons are no sets', () => {
    const list =
      '1. Director: Ada Quill\n  1.1 Finance: Bo Lin\n    1.1.1 Clerk: Cy Dee\n  1.2 Works: Di Moss\n2. Secretary: Ed Fenn';
    expect(best(list).id).not.toBe('venn');
    expect(outlined(list)).toBe('Director\n Finance\n  Clerk\n Works\nSecretary');
  });
  it('a crew under headings, with bullets, titles and an ampersand, is an org chart with its title', () => {
    const list = [
      'Harbour Festival crew 2027 (draft 2)',
      '',
      'Ines Tidewell - Festival director',
      '   Gate and tickets',
      '      * Rufus Ormerod, gate lead',
      '      * Mabel Quince, tickets',
      '   Stages: Petra Wold, stage manager',
      '      - Slip stage: vacant',
      '      - Ludo Marsh, sound',
      '   Food & stalls',
      '      - Wilf Anning',
    ].join('\n');
    expect(best(list)).toMatchObject({ id: 'org-chart' });
    const read = readList(list);
    expect(titleAbove(read)).toBe('Harbour Festival crew 2027 (draft 2)');
    expect(parentOf(read, 'Mabel Quince')).toBe('Gate and tickets');
    expect(parentOf(read, 'Wilf Anning')).toBe('Food & stalls');
    expect(parentOf(read, 'Food & stalls')).toBe('Ines Tidewell');
  });
  it('a heading over dashed lines has them under it', () => {
    const read = readList('Boat crew:\n- Ada Quill\n- Bo Lin\nWorkshop\n- Cy Dee');
    expect(parentOf(read, 'Bo Lin')).toBe('Boat crew');
    expect(parentOf(read, 'Cy Dee')).toBe('Workshop');
  });
  it('a sum under a list is nobody', () => {
    const read = readList('Ada Quill\n  Bo Lin\n  Cy Dee\nTotal: 3');
    expect(read.entries).toHaveLength(3);
    expect(read.notPlaced).toMatchObject([{ line: 4, text: 'Total: 3' }]);
  });
  it('numbers and letters are signs only where they count', () => {
    expect(readList('24 Hour Desk\n  A. Okoro\n  Bo Lin').entries.map(({ name }) => name)).toEqual([
      '24 Hour Desk',
      'A. Okoro',
      'Bo Lin',
    ]);
    expect(readList('1. Ada\n2. Bo\n3. Cy').entries.map(({ name }) => name)).toEqual(['Ada', 'Bo', 'Cy']);
    expect(readList('Team\n  a) Ada\n  b) Bo').entries.map(({ name }) => name)).toEqual(['Team', 'Ada', 'Bo']);
  });
  it('a column “Role” that tells functions is a detail and not announced as a role', () => {
    const read = readList('Name,Reports to,Role\nAda Quill,,Skipper\nBo Lin,Ada Quill,Cook');
    expect(read.entries.map(({ details }) => details)).toEqual([['Skipper'], ['Cook']]);
    expect(read.columns[2]!.use).toBe('detail');
  });
  it('two columns of one heading, a long row and a third superior are all kept', () => {
    const read = readList(
      'Name,Reports to,Note,Note\nAda Quill,,a,b\nBo Lin,,c,d\nCy Dee,,,\nDi Eck,Ada Quill; Bo Lin; Cy Dee,,',
    );
    expect(read.entries[0]!.fields).toEqual({ Note: 'a', 'Note (2)': 'b' });
    expect(read.links).toHaveLength(2);
    const nine = readList(`Ada Quill (${Array.from({ length: 9 }, (_, i) => `detail ${i}`).join(', ')})`).entries[0]!;
    expect(nine.details).toHaveLength(8);
    expect(nine.fields).toEqual({ 'Detail 9': 'detail 8' });
  });
  it('a name of 600 letters is shortened, told with its line and kept whole in the tray', () => {
    const long = 'word '.repeat(120).trim();
    const read = readList(`Ada Quill\n  ${long}`);
    expect(read.entries[1]!.name.length).toBeLessThanOrEqual(400);
    expect(read.notPlaced).toMatchObject([{ line: 2, text: long }]);
    expect(read.findings.find(({ code }) => code === 'too-long')).toMatchObject({ line: 2 });
  });
  it('for sets: nameless rows, cells beyond the heading, a first row without heading and further details are kept', () => {
    const read = readSets('Bird;mudflat;saltmarsh\n;x;x\ncurlew;x;;brown\ndunlin;;x');
    expect(read.notPlaced).toMatchObject([{ line: 2 }]);
    expect(read.entries[0]).toMatchObject({ name: 'curlew', details: ['brown'] });
    const plain = readSets('curlew;x;\ndunlin;x;x\nteal;;x');
    expect(plain.entries.map(({ name }) => name)).toEqual(['curlew', 'dunlin', 'teal']);
    expect(plain.findings.map(({ code }) => code)).toContain('no-heading');
    const twice = readSets('mudflat\n  curlew, brown\n  dunlin\nsaltmarsh\n  curlew, long bill\n  teal');
    expect(twice.entries[0]!.details).toEqual(['brown', 'long bill']);
  });
  it('lines of names and titles are no sets', () => {
    const list = Array.from({ length: 40 }, (_, i) => `Person ${i}: Title ${i}`).join('\n');
    expect(best(list).id).toBe('org-chart');
    expect(kindOf('venn').fits(readSets(list))).toBeNull();
  });
  it('numbered names are not misspellings of each other', () =>
    expect(readSets('mudflat\n  Bird 10\n  Bird 11\nsaltmarsh\n  Bird 10\n  Bird 12').questions).toEqual([]));
  it.each([true, false])('UTF-16 without a mark is told by its content (big end first: %s)', (big) => {
    const bytes = [...'Ada Quill, Director\n  Bo Lin'].flatMap((sign) =>
      big ? [0, sign.charCodeAt(0)] : [sign.charCodeAt(0), 0],
    );
    expect(decodeList(Uint8Array.from(bytes)).text).toBe('Ada Quill, Director\n  Bo Lin');
  });
});

// Each of these took minutes or had no end when what is compared grew with its square.
describe('long lists are read in time that grows with their length', () => {
  const lines = (n: number, line: (i: number) => string) => Array.from({ length: n }, (_, i) => line(i)).join('\n');
  const word = (i: number) =>
    `${'abcdefghij'[i % 10]}${(i * 7919).toString(36)}`.replace(/\d/g, (d) => 'klmnopqrst'[Number(d)]!);
  it.each<[string, string]>([
    [
      'superiors who are not in the list',
      `Name,Reports to\n${lines(20_000, (i) => `${word(i)} ${word(i + 7)},${word(i + 50_000)} ${word(i + 9)}`)}`,
    ],
    ['a ring', `Id,Name,Reports to\n${lines(30_000, (i) => `k${i},${word(i)} ${word(i + 3)},k${(i + 1) % 30_000}`)}`],
    ['people of one name', `Name,Reports to\n${lines(30_000, () => 'Ada Quill,Ada Quill')}`],
    [
      'people of one name who report to that name',
      `Id,Name,Reports to\n${lines(30_000, (i) => `k${i},Ada Quill,A. Quill`)}`,
    ],
    ['names with titles', lines(20_000, (i) => `${word(i)} ${word(i + 5)}: ${word(i + 3)}`)],
    [
      'items of sets',
      `mudflat\n${lines(10_000, (i) => `  ${word(i)} ${word(i + 1)}`)}\nsaltmarsh\n${lines(10_000, (i) => `  ${word(i)} ${word(i + 1)}`)}`,
    ],
    [
      'blanks inside a line',
      `Ada${' '.repeat(200_000)}Quill\nBo${' '.repeat(200_000)}– Lin\nCy,${' '.repeat(200_000)}Dee: x${' '.repeat(200_000)}`,
    ],
    [
      'blanks inside a cell',
      `Name,Reports to\nAda Quill,\nBo,"${' '.repeat(9000)}and${' '.repeat(900)}x"\nCy,Ada${' '.repeat(200_000)}Quill`,
    ],
    ['colons and commas in a line', `${lines(3, (i) => `item${i}${': a, b'.repeat(20_000)}`)}`],
    ['a table of very many rows', `${lines(130_000, (i) => `${word(i)},${i % 7}`)}`],
    ['ways in very many lines', lines(130_000, (i) => `Shore / ${word(i % 100)} / ${word(i)}`)],
    ['a mail quoted over and over', lines(3, () => `${'> '.repeat(20_000)}Ada`)],
    [
      'few sets with many items',
      lines(4, (k) => `set${k} = ${Array.from({ length: 15_000 }, (_, i) => word(i * 2 + k)).join('; ')}`),
    ],
    ['items and sets in pairs', `Item;Set\n${lines(30_000, (i) => `${word(i >> 1)} x;set${i % 2}`)}`],
    [
      'sentences of many wordings',
      lines(9000, (i) => `${word(i)} ${i % 2 ? 'sees over' : `a${word(i)}b`} ${word((i >> 1) + 1)}`),
    ],
    [
      'one idea that every line tells more of',
      `Idea;Linking phrase;Linked idea;Remark\n${lines(12_000, (i) => `hub;leads to;${word(i)};${word(i + 3)} x`)}`,
    ],
    ['a wide table', lines(40, (i) => Array.from({ length: 1500 }, (_, k) => `${word(i * 1500 + k)} x`).join(';'))],
    ['steps of a way without end', lines(4, (i) => `${word(i)};${'a/'.repeat(30_000)}${word(i)}`)],
    ['cells over many columns', `<table>${'<tr><td colspan="1000" rowspan="1000">x</td></tr>'.repeat(5000)}</table>`],
    ['a deep outline', lines(3000, (i) => `${' '.repeat(i)}Person`)],
  ])(
    '%s',
    (_, text) => {
      const tokens = tokensOf(text);
      for (const kind of kinds) expect(() => kind.read(tokens)).not.toThrow();
    },
    // Seconds at most; a reader that costs the square of a length hangs here for minutes.
    60_000,
  );
});
