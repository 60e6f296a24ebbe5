import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { kindOf, tokensOf } from '../diagram';
import { own } from '../model';
import { readList } from '../testing/lists';
import { foldName } from './names';
import type { Reading } from './result';

/** Words of no language: what is told by cells needs none. */
const word = fc.stringMatching(/^[bdgklmnprstvz][aeiou][bdgklmnprstvz][aeiou][lnrst]$/);
const capital = (text: string): string => text[0]!.toUpperCase() + text.slice(1);
const firsts = [
  'Rado',
  'Keni',
  'Zora',
  'Bena',
  'Lurut',
  'Kugar',
  'Sobes',
  'Bevos',
  'Veken',
  'Nelut',
  'Vibor',
  'Pekot',
  'Dudil',
  'Nados',
  'Rovis',
  'Modul',
];
const lasts = [
  'Mibel',
  'Polat',
  'Tugal',
  'Vikor',
  'Nopin',
  'Lonan',
  'Puren',
  'Pazen',
  'Satus',
  'Ditel',
  'Vudas',
  'Nuret',
  'Telil',
  'Nazes',
  'Soder',
  'Kosar',
];
/** Parts of names stand in one name each, so that a part tells who is meant. */
const names = (least: number, most: number) =>
  fc
    .tuple(
      fc.integer({ min: least, max: most }),
      fc.shuffledSubarray(firsts, { minLength: 16 }),
      fc.shuffledSubarray(lasts, { minLength: 16 }),
    )
    .map(([count, given, family]) => given.slice(0, count).map((one, i) => `${one} ${family[i]!}`));
/** People in order, each under somebody above in the list; the first at the top. */
const organisation = names(7, 16).chain((all) =>
  fc
    .tuple(...all.map((_, i) => fc.nat({ max: Math.max(0, i - 1) })))
    .map((above) => all.map((one, i) => ({ name: one, above: i === 0 ? -1 : above[i]! }))),
);
const headings = fc.uniqueArray(word, { minLength: 6, maxLength: 6 });

const structureOf = ({ entries }: Reading): Record<string, string> => {
  const nameOf = new Map(entries.map((entry) => [entry.id, entry.name]));
  return Object.fromEntries(
    entries.map((entry) => [foldName(entry.name), foldName(entry.parent === null ? '' : nameOf.get(entry.parent)!)]),
  );
};
type People = readonly { readonly name: string; readonly above: number }[];
const expected = (people: People): Record<string, string> =>
  Object.fromEntries(
    people.map(({ name: one, above }) => [foldName(one), above < 0 ? '' : foldName(people[above]!.name)]),
  );

const turned = (full: string): string => full.split(' ').reverse().join(', ');
const shown: Record<string, (people: People, i: number) => string> = {
  'by name': (people, i) => people[i]!.name,
  'surname first': (people, i) => turned(people[i]!.name),
  'by surname': (people, i) => people[i]!.name.split(' ')[1]!,
  'with an initial': (people, i) => people[i]!.name.replace(/^(.)\S+/, '$1.'),
  'with a title': (people, i) => `Dr. ${people[i]!.name}`,
  'by number': (_, i) => String(i + 11),
  'by number with zeros': (_, i) => String(i + 11).padStart(6, '0'),
  'by number with a point': (_, i) => `${i + 11}.`,
  'by mail': (people, i) => `${people[i]!.name} <${people[i]!.name.replace(' ', '.')}@x.example>`,
};

describe('a table is read by its cells, whatever language it is in', () => {
  it.each(Object.keys(shown))(
    'who is under whom, %s, in any order of columns, with what stands around the table',
    (how) => {
      fc.assert(
        fc.property(
          organisation,
          headings,
          fc.shuffledSubarray([0, 1, 2, 3, 4], { minLength: 5, maxLength: 5 }),
          fc.constantFrom(',', ';', '\t', '|', '^'),
          fc.record({ title: fc.boolean(), foot: fc.boolean(), sum: fc.boolean(), again: fc.boolean() }),
          (people, words, order, sign, noise) => {
            const head = ['name', 'above', 'post', 'number', 'mail'].map((_, i) => capital(words[i]!));
            const rows = people.map(({ name: one, above }, i) => [
              one,
              above < 0 ? '' : shown[how]!(people, above),
              `${capital(words[5]!)} ${'abc'[i % 3]}x`,
              String(i + 11),
              `${one.replace(' ', '.').toLowerCase()}@x.example`,
            ]);
            const line = (cells: readonly string[]): string =>
              order.map((at) => (cells[at]!.includes(sign) ? `"${cells[at]!}"` : cells[at]!)).join(sign);
            const inside = (cell: string): string => line(head.map((_, i) => (i === 0 ? cell : '')));
            const half = Math.ceil(rows.length / 2);
            const list = [
              ...(noise.title ? [`${capital(words[0]!)} ${words[1]!} 2026`, ''] : []),
              line(head),
              ...rows.slice(0, half).map(line),
              ...(noise.foot ? [inside(`${capital(words[2]!)} 2/3`)] : []),
              ...(noise.again ? [line(head)] : []),
              ...rows.slice(half).map(line),
              ...(noise.sum ? [line([capital(words[3]!), '', String(rows.length), '', ''])] : []),
            ].join('\n');
            const read = readList(list);
            expect(structureOf(read)).toEqual(expected(people));
            expect(read.notPlaced).toHaveLength(Object.values(noise).filter(Boolean).length);
            expect(read.questions).toEqual([]);
          },
        ),
        { numRuns: 40 },
      );
    },
  );
  it('levels and ways from the top tell it as well', () => {
    fc.assert(
      fc.property(organisation, headings, fc.constantFrom(' / ', ' > ', ' » ', ' :: '), (people, words, sign) => {
        const order: number[] = [];
        const visit = (at: number): void => {
          order.push(at);
          people.forEach(({ above }, i) => above === at && visit(i));
        };
        visit(0);
        const depth = (at: number): number => (people[at]!.above < 0 ? 1 : depth(people[at]!.above) + 1);
        const way = (at: number): string[] => [
          ...(people[at]!.above < 0 ? [] : way(people[at]!.above)),
          people[at]!.name,
        ];
        const table = (cells: (at: number) => string) =>
          [`${words[0]!};${words[1]!}`, ...order.map((at) => `${people[at]!.name};${cells(at)}`)].join('\n');
        // As many stand below others as a way has to be told by.
        fc.pre(order.filter((at) => depth(at) > 2).length >= 2 && Math.max(...order.map(depth)) < people.length * 0.6);
        expect(structureOf(readList(table((at) => String(depth(at)))))).toEqual(expected(people));
        expect(structureOf(readList(table((at) => way(at).join(sign))))).toEqual(expected(people));
        expect(structureOf(readList(table((at) => way(at).slice(0, -1).join(sign))))).toEqual(expected(people));
      }),
      { numRuns: 60 },
    );
  });
  it('columns under each other, HTML and Markdown are tables too', () => {
    const rows = [
      ['Tolu', 'Vemi', 'Zako'],
      ['Rado Mibel', 'Sugan', ''],
      ['Keni Polat', 'Disor', 'Rado Mibel'],
      ['Zora Tugal', 'Disor', 'Keni Polat'],
      ['Bena Vikor', 'Sugan', 'Rado Mibel'],
    ];
    const forms = [
      rows.map((row) =>
        row
          .map((cell) => cell.padEnd(14))
          .join('')
          .trimEnd(),
      ),
      ['<table>', ...rows.map((row) => `<tr>${row.map((cell) => `<td>${cell}</td>`).join('')}</tr>`), '</table>'],
      rows.flatMap((row, i) => [`| ${row.join(' | ')} |`, ...(i === 0 ? ['|---|---|---|'] : [])]),
    ];
    for (const lines of forms) {
      const read = readList(lines.join('\n'));
      expect(structureOf(read)).toEqual({
        'rado mibel': '',
        'keni polat': 'rado mibel',
        'zora tugal': 'keni polat',
        'bena vikor': 'rado mibel',
      });
    }
  });
  it('two columns that both name superiors and differ are asked about by their headings; the answer is kept to', () => {
    const list = [
      'Nomo;Zako;Pilu',
      'Ada Quill;;',
      'Bo Lin;Ada Quill;Ada Quill',
      'Cy Dee;Bo Lin;Ada Quill',
      'Di Ray;Bo Lin;Bo Lin',
      'Ed Fox;Ada Quill;Ada Quill',
    ].join('\n');
    const [question] = readList(list).questions;
    expect(question!.text).toMatch(/“Zako” and “Pilu” .* 1 line \(4\)/);
    for (const [value, above] of [
      ['1', 'bo lin'],
      ['2', 'ada quill'],
    ] as const)
      expect(own(structureOf(readList(list, { answers: { [question!.id]: value } })), 'cy dee')).toBe(above);
  });
});

describe('lines are read by their signs and by what they have in common', () => {
  const tree = organisation.filter((people) => people.filter(({ above }) => above === 0).length > 1);
  /** Lines in order of the branches, with the numbers of each among its siblings from the top down. */
  const laidOut = (people: People) => {
    const lines: { name: string; places: number[] }[] = [];
    const visit = (at: number, places: number[]): void => {
      lines.push({ name: people[at]!.name, places });
      people.flatMap(({ above }, i) => (above === at ? [i] : [])).forEach((i, k) => visit(i, [...places, k + 1]));
    };
    visit(0, [1]);
    return lines;
  };
  const letter = (n: number): string => String.fromCharCode(96 + n);
  it('numbers, letters and bullets without any indent', () => {
    fc.assert(
      fc.property(tree, (people) => {
        const lines = laidOut(people);
        fc.pre(
          Math.max(...lines.map(({ places }) => places.length)) <= 4 && lines.every(({ places }) => places.at(-1)! < 9),
        );
        const manners = [
          (places: number[]) => `${places.join('.')} `,
          (places: number[]) => '#'.repeat(places.length) + ' ',
          (places: number[]) => ['', '- ', '* ', '• '][places.length - 1]!,
          (places: number[]) =>
            [`${places[0]}. `, `${letter(places[1] ?? 1)}) `, `(${places[2]}) `, '– '][places.length - 1]!,
        ];
        for (const manner of manners) {
          const read = readList(lines.map((line) => manner(line.places) + line.name).join('\n'));
          expect(structureOf(read)).toEqual(expected(people));
        }
      }),
      { numRuns: 60 },
    );
  });
  it('classes with what they hold, ways, and sentences of any wording', () => {
    fc.assert(
      fc.property(tree, fc.uniqueArray(word, { minLength: 2, maxLength: 2 }), (people, verb) => {
        const below = (at: number) => people.filter(({ above }) => above === at).map((one) => one.name);
        const classes = people.flatMap((one, at) =>
          below(at).length > 0 ? [`${one.name} = ${below(at).join('; ')}`] : [],
        );
        // Where nearly all stand under one, that one’s name might as well be words of the sentence.
        fc.pre(classes.length > 1 && people.filter(({ above }) => above === 0).length <= people.length * 0.5);
        expect(structureOf(readList(classes.join('\n')))).toEqual(expected(people));
        const sentences = people.slice(1).map((one) => `${one.name} ${verb.join(' ')} ${people[one.above]!.name}.`);
        expect(structureOf(readList(sentences.join('\n')))).toEqual(expected(people));
      }),
      { numRuns: 60 },
    );
  });
  it('a title, a remark, a signature and the foot of a page are none of the entries', () => {
    const tops = 'Shore\n  Rocky\n  Sandy\n    Dunes';
    const read = readList(`Stand 3.3.2026\n\n${tops}\n\nGezeichnet: ________\n\nSeite 2/3`);
    expect(read.entries.map(({ name: one }) => one)).toEqual(['Shore', 'Rocky', 'Sandy', 'Dunes']);
    expect(read.notPlaced.map(({ line }) => line)).toEqual([1, 8, 10]);
    // Without an empty line between, they are what they look like.
    expect(readList(`${tops}\nSeite 2/3`).entries).toHaveLength(5);
  });
  it('what a mail put before every line is no bullet', () => {
    const read = readList('Hello\n\n> Shore\n>   Rocky\n>   Sandy\n');
    expect(read.entries.map(({ name: one }) => one)).toEqual(['Shore', 'Rocky', 'Sandy']);
    expect(structureOf(readList('Shore\n> Rocky\n>> Pool'))).toEqual({ shore: '', rocky: 'shore', pool: 'rocky' });
  });
});

describe('other kinds by the same means', () => {
  it('a family by numbers: who names two that nobody else is both of, and who names whom back', () => {
    const family = kindOf('family-tree').read(
      tokensOf(
        'Nr;Zelo;Tami;Pol;Mol;Vek\n01;Ada Ray;1901;;;02\n02;Bo Ray;1899;;;01\n03;Cy Ray;1925;02;01;04\n04;Di Holm;1927;;;03\n05;Ed Ray;1950;3;4;',
      ),
    ) as Reading & { unions: { partners: string[] }[]; parentage: object };
    expect(family.structure).toBe('parent-columns');
    expect(family.entries.map(({ name: one }) => one)).toEqual(['Ada Ray', 'Bo Ray', 'Cy Ray', 'Di Holm', 'Ed Ray']);
    expect(family.unions.map(({ partners }) => [...partners].sort())).toEqual([
      ['p2', 'p3'],
      ['p4', 'p5'],
    ]);
    expect(Object.keys(family.parentage)).toEqual(['p4', 'p6']);
  });
  it('sets from pairs, from rows, and from regions', () => {
    const setsOf = (text: string) => {
      const { sets, entries } = kindOf('venn').read(tokensOf(text)) as Reading & {
        sets: { name: string; items: string[] }[];
      };
      const nameOf = new Map(entries.map((entry) => [entry.id, entry.name]));
      return Object.fromEntries(sets.map(({ name: one, items }) => [one, items.map((id) => nameOf.get(id)).sort()]));
    };
    const wanted = { Mud: ['curlew', 'dunlin', 'knot'], Marsh: ['curlew', 'skylark', 'teal'] };
    expect(setsOf('Vogelo;Loko\ncurlew;Mud\ncurlew;Marsh\ndunlin;Mud\nskylark;Marsh\nknot;Mud\nteal;Marsh')).toEqual(
      wanted,
    );
    expect(setsOf('Loko,curlew,dunlin,skylark,knot,teal,heron\nMud,✔,✔,✗,✔,✗,✗\nMarsh,✔,✗,✔,✗,✔,✗')).toEqual(wanted);
    expect(setsOf('Mud: dunlin, knot\nMarsh: skylark, teal\nMud & Marsh: curlew')).toEqual(wanted);
  });
  it('chances that make 1 and money of a list’s own habit', () => {
    const text =
      'Ago;Poste;Ŝanco;Elspezo;Gajno\nĈu konstrui?;;;;\nJes;Ĉu konstrui?;;4.000 €;\nSeka;Jes;30 %;;11.000 €\nMalseka;Jes;70 %;;(2.500 €)\nNe;Ĉu konstrui?;;;0 €';
    const { facts } = kindOf('decision-tree').read(tokensOf(text)) as Reading & { facts: Record<string, object> };
    expect(facts).toMatchObject({
      e3: { cost: 4000 },
      e4: { probability: 0.3, payoff: 11_000 },
      e5: { probability: 0.7, payoff: -2500 },
      e6: { payoff: 0 },
    });
  });
  it.each([
    'tides --carry--> silt',
    'tides =carry=> silt',
    'tides -[carry]-> silt',
    'tides --(carry)--> silt',
    'tides —carry→ silt',
    'tides → carry → silt',
    'tides ⇒ silt (carry)',
    'tides ~> silt : carry',
    'silt <--carry-- tides',
    'silt <-carry- tides',
  ])('an arrow however it is drawn: %s', (line) => {
    const list = [line, ...['mud', 'sand'].map((other) => line.replace('silt', other))].join('\n');
    const { links, entries } = kindOf('concept-map').read(tokensOf(list));
    const nameOf = new Map(entries.map((entry) => [entry.id, entry.name]));
    expect(links.map(({ from, phrase, to }) => [nameOf.get(from), phrase, nameOf.get(to)])).toEqual(
      ['silt', 'mud', 'sand'].map((to) => ['tides', 'carry', to]),
    );
  });
});
