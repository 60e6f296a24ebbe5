import { describe, expect, it } from 'vitest';
import type { Reading } from '../read';
import { readSets } from '../testing/lists';
import { kindOf, type KindId } from './diagram';
import { readInAllKinds, tokensOf } from './reading';

const best = (text: string): KindId => readInAllKinds(text)[0]!.kind.id as KindId;
const parents = (read: Reading): Record<string, string | null> => {
  const nameOf = new Map(read.entries.map(({ id, name }) => [id, name]));
  return Object.fromEntries(
    read.entries.map(({ name, parent }) => [name, parent === null ? null : nameOf.get(parent)!]),
  );
};
const propositions = (text: string): string[] => {
  const { links, entries } = kindOf('concept-map').read(tokensOf(text));
  const nameOf = new Map(entries.map(({ id, name }) => [id, name]));
  return links.map(({ from, phrase, to }) => `${nameOf.get(from)} ${phrase} ${nameOf.get(to)}`.replace('  ', ' '));
};

describe('lines that list neighbours', () => {
  it.each([': ', ' -> ', ' → '])('are a concept map where ideas stand on both sides: %s', (sign) => {
    const list = ['peat; heather', 'moss', 'water; moss', 'peat']
      .map((below, i) => `${['bog', 'rain', 'spring', 'moss'][i]}${sign}${below}`)
      .join('\n');
    expect(best(list)).toBe('concept-map');
    expect(propositions(list)).toEqual([
      'bog peat',
      'bog heather',
      'rain moss',
      'spring water',
      'spring moss',
      'moss peat',
    ]);
  });
  it('are classes where nobody stands below two and most hold several, whatever stands above them', () => {
    const list = 'Peat: Sedge; Moss\nMoss: Red moss; Green moss\nClay: Blue clay; Boulder clay\nSand: Dune; Bar';
    expect(best(list)).toBe('topic-tree');
    expect(parents(kindOf('topic-tree').read(tokensOf(list)))).toMatchObject({ 'Red moss': 'Moss', Moss: 'Peat' });
  });
  it('are sets where those before the sign never stand behind it', () =>
    expect(best('bog: peat, moss\nfen: moss, reed, peat\nmarsh: reed, rush, moss')).toBe('venn'));
});

describe('phrases between ideas', () => {
  it.each([
    ['on lines of their own', 'tide\n  qumerat\n    silt\n  vorelat\n    crab\nsilt\n  nodulat\n    tide'],
    ['before an arrow', 'tide\n  qumerat -> silt\n  vorelat -> crab\nsilt\n  nodulat -> tide'],
    ['in a column', 'tide;qumerat;silt\ntide;vorelat;crab\nsilt;nodulat;tide'],
    [
      'in the last column, under headings of no language',
      'Zolt 1;Zolt 2;Fremp\ntide;silt;qumerat\ntide;crab;vorelat\nsilt;tide;nodulat',
    ],
  ])('%s, in words of no language', (_, list) => {
    expect(best(list)).toBe('concept-map');
    expect(propositions(list)).toEqual(['tide qumerat silt', 'tide vorelat crab', 'silt nodulat tide']);
  });
  it('keep the heading above them when a column is said to be something else', () => {
    const list = 'Zolt;Fremp;Nid\ntide;silt;qumerat\ntide;crab;vorelat\nsilt;tide;nodulat';
    const turned = { 0: 'to', 1: 'from', 2: 'phrase' };
    const { entries, header } = kindOf('concept-map').read(tokensOf(list), { columns: turned });
    expect(header).toBe(true);
    expect(entries.map(({ name }) => name)).toEqual(['silt', 'tide', 'crab']);
  });
  it('are none in the middle of ways from the top', () => {
    const list = 'Mire → Bog → Peat\nMire → Bog → Moss\nMire → Fen → Reed\nMire → Fen → Rush';
    expect(best(list)).toBe('topic-tree');
  });
});

describe('sets', () => {
  it.each([
    ['last', 'Item;Tags\nAuk;Cliff\nTern;Shore|Islet\nRuff;Marsh\nGull;Cliff|Shore\nSkua;Islet\nRail;Marsh|Shore'],
    ['first', 'Tags;Item\nCliff;Auk\nShore|Islet;Tern\nMarsh;Ruff\nCliff|Shore;Gull\nIslet;Skua\nMarsh|Shore;Rail'],
  ])('are listed in a column of a table, whichever it is: %s', (_, list) => {
    const { sets, entries } = readSets(list);
    const nameOf = new Map(entries.map(({ id, name }) => [id, name]));
    expect(Object.fromEntries(sets.map(({ name, items }) => [name, items.map((id) => nameOf.get(id))]))).toEqual({
      Cliff: ['Auk', 'Gull'],
      Shore: ['Tern', 'Gull', 'Rail'],
      Islet: ['Tern', 'Skua'],
      Marsh: ['Ruff', 'Rail'],
    });
    expect(best(list)).toBe('venn');
  });
  it('one with a short word in its name is one', () =>
    expect(
      readSets('Item;Tags\nAuk;Isle of Ness\nTern;Isle of Ness, Shore\nRuff;Shore\nGull;Isle of Ness').sets.map(
        ({ name }) => name,
      ),
    ).toEqual(['Isle of Ness', 'Shore']));
  it('a question mark among marks is asked about, and either answer holds', () => {
    const list = 'Item;Cliff;Shore\nAuk;x;\nTern;?;x\nGull;x;x';
    const { questions } = readSets(list);
    expect(questions.map(({ text }) => text)).toEqual(['Line 3 has a question mark: is “Tern” in “Cliff”?']);
    const cliff = (answer?: string) =>
      readSets(list, answer ? { answers: { [questions[0]!.id]: answer } } : {}).sets[0]!.items.length;
    expect([cliff(), cliff('in'), cliff('out')]).toEqual([2, 3, 2]);
  });
  it('regions are told by what joins their names, and "only" in any language is no part of one', () => {
    const list = 'Cliff lom: Auk, Skua\nShore lom: Tern\nCliff ut Shore: Gull, Rail';
    expect(readSets(list).sets.map(({ name, items }) => [name, items.length])).toEqual([
      ['Cliff', 4],
      ['Shore', 3],
    ]);
  });
});

describe('what looks like another kind', () => {
  it('a column of ways is neither of sets nor of parents', () => {
    const rows = ['Mire', 'Mire / Bog', 'Mire / Bog / Peat', 'Mire / Bog / Moss', 'Mire / Fen', 'Mire / Fen / Reed'];
    const withSelf = rows.map((way) => `${way.split(' / ').at(-1)};${way}`);
    const withoutSelf = rows.map((way) => {
      const steps = way.split(' / ');
      return `${steps.at(-1)};${steps.slice(0, -1).join(' / ')}`;
    });
    for (const lines of [withSelf, withoutSelf]) {
      const list = `Fremp;Zolt\n${lines.join('\n')}`;
      expect(best(list)).toBe('topic-tree');
      expect(parents(kindOf('topic-tree').read(tokensOf(list)))).toEqual({
        ...{ Mire: null, Bog: 'Mire', Peat: 'Bog', Moss: 'Bog', Fen: 'Mire', Reed: 'Fen' },
      });
    }
  });
  it('a plus is a bullet where each depth has a sign of its own, and a partner where generations share it', () => {
    expect(best('• Rado Mibel\n  + Keni Polat\n    - Zora Tugal\n    - Bena Vikor\n  + Lurut Nopin')).toBe('org-chart');
    expect(best('Rado Mibel\n+ Keni Polat\n  Zora Mibel\n  + Bena Vikor\n    Lurut Mibel')).toBe('family-tree');
  });
  it('one parent a row, and no couple, is a tree of ideas', () =>
    expect(best('Item,Parent\nMire,\nBog,Mire\nFen,Mire\nPeat,Bog\nMoss,Bog\nReed,Fen')).toBe('topic-tree'));
  it('letters before figures are no currency: such a number names a row', () => {
    const list = 'Zolt,Nid,Fremp\nRado Mibel,QF41,—\nKeni Polat,QF43,QF41\nZora Tugal,QF47,QF43\nBena Vikor,QF53,QF43';
    expect(parents(kindOf('org-chart').read(tokensOf(list)))).toEqual({
      ...{ 'Rado Mibel': null, 'Keni Polat': 'Rado Mibel', 'Zora Tugal': 'Keni Polat', 'Bena Vikor': 'Keni Polat' },
    });
  });
  it('a first pair whose superior comes again is no heading', () =>
    expect(
      kindOf('org-chart').read(
        tokensOf('Rado Mibel;Keni Polat\nKeni Polat;Zora Tugal\nRado Mibel;Bena Vikor\nBena Vikor;Lurut Nopin'),
      ).entries,
    ).toHaveLength(5));
});

describe('a key in couplets', () => {
  it.each(['- ', "1' ", '1 '])('has its second lead told by %s, and dashes before results', (sign) => {
    const lead = (number: number) => sign.replace('1', String(number));
    const list = [
      '1 wings spotted – 2',
      `${lead(1)}wings plain – Marsh moth`,
      '2 feelers long – Reed moth',
      `${lead(2)}feelers short – Fen moth`,
    ].join('\n');
    expect(best(list)).toBe('decision-tree');
    const { entries, facts } = kindOf('decision-tree').read(tokensOf(list)) as Reading & {
      facts: Record<string, { label: string }>;
    };
    expect(entries.map(({ id, name }) => [facts[id]?.label ?? '', name])).toEqual([
      ['', '1'],
      ['wings spotted', '2'],
      ['wings plain', 'Marsh moth'],
      ['feelers long', 'Reed moth'],
      ['feelers short', 'Fen moth'],
    ]);
  });
});

describe('the foot of a page', () => {
  it.each(['Page 2', 'Seite 2 von 3', 'p. 2/3', 'Pág. 2', 'Sida 2 av 3'])(
    'is no item, where items may have numbers too: %s',
    (foot) => {
      const list = `Item;Cliff;Shore\nAuk 1;x;\nAuk 2;;\n${foot};;\nTern;x;x\nGull;;x`;
      const { entries, notPlaced } = readSets(list);
      expect(entries.map(({ name }) => name)).toEqual(['Auk 1', 'Auk 2', 'Tern', 'Gull']);
      expect(notPlaced.map(({ line }) => line)).toEqual([4]);
    },
  );
});
