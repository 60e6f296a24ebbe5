import { describe, expect, it } from 'vitest';
import { readInAllKinds } from './reading';

/** What the kind that fits best makes of a list: its id, and the entries as an outline. */
function understood(list: string): string {
  const [best] = readInAllKinds(list);
  const depth = new Map<string | null, number>([[null, -1]]);
  const children = new Map<string | null, { id: string; told: string }[]>();
  for (const { id, name, details, parent } of best!.read.entries)
    children.set(parent, [...(children.get(parent) ?? []), { id, told: [name, ...details].join(' | ') }]);
  const lines: string[] = [];
  const visit = (parent: string | null): void => {
    for (const { id, told } of children.get(parent) ?? []) {
      depth.set(id, depth.get(parent)! + 1);
      lines.push(`${'  '.repeat(depth.get(id)!)}${told}`);
      visit(id);
    }
  };
  visit(null);
  return `${best!.kind.id}\n${lines.join('\n')}`;
}

/** Without the indent of the test around it. */
function text([raw]: readonly string[]): string {
  const lines = raw!
    .replace(/^\n/, '')
    .replace(/\n\s*$/, '')
    .split('\n');
  const least = Math.min(...lines.filter((line) => line.trim() !== '').map((line) => /^ */.exec(line)![0].length));
  return lines.map((line) => line.slice(least)).join('\n');
}

describe('lists as they come, whatever they are of', () => {
  it('of a crew, under headings that name a lead', () => {
    const list = text`
      Harbour clean-up, Saturday

      Nell Harker - Organiser
        Quay: Tobi Rask, lead
          - Una Frey
          - Vic Sand, boat hook
        Slipway - Wen Abbot
          - Xan Reyes
          - Yuki Moor (from noon)`;
    expect(understood(list)).toBe(
      text`
        org-chart
        Nell Harker | Organiser
          Quay | Tobi Rask | lead
            Una Frey
            Vic Sand | boat hook
          Slipway | Wen Abbot
            Xan Reyes
            Yuki Moor | from noon`,
    );
  });
  it('of staff, a table with surnames in a column of their own and superiors as "Surname, First name"', () => {
    const list = text`
      Surname,First name,Position,Department,Manager
      Harker,Nell,Head,,
      Rask,Tobi,Deputy,Quay,"Harker, Nell"
      Frey,Una,Clerk,Quay,"Rask, Tobi"`;
    expect(understood(list)).toBe(
      text`
        org-chart
        Nell Harker | Head
          Tobi Rask | Deputy | Quay
            Una Frey | Clerk | Quay`,
    );
  });
  it('of staff, a table out of a plain text', () => {
    const list = text`
      | Name        | Role   | Reports to  |
      | ----------- | ------ | ----------- |
      | Nell Harker | Head   |             |
      | Tobi Rask   | Deputy | Nell Harker |
      | Una Frey    | Clerk  | Tobi Rask   |`;
    expect(understood(list)).toBe(
      text`
        org-chart
        Nell Harker | Head
          Tobi Rask | Deputy
            Una Frey | Clerk`,
    );
  });
  it('of a school, tabs only', () => {
    const list =
      'Head of school\n\tDeputy (pastoral)\n\t\tYear 7 tutor\n\t\tYear 8 tutor\n\tDeputy (academic)\n\t\tMaths\nBursar';
    expect(understood(list).split('\n').slice(1).join('\n')).toBe(
      text`
        Head of school
          Deputy | pastoral
            Year 7 tutor
            Year 8 tutor
          Deputy | academic
            Maths
        Bursar`,
    );
  });
  it('of ideas, headings with dashes under them', () => {
    const list = text`
      # The shore
      ## Plants
      - Eelgrass
      - Samphire
      ## Animals
      ### Birds
      - Curlew`;
    expect(understood(list)).toBe(
      text`
        topic-tree
        The shore
          Plants
            Eelgrass
            Samphire
          Animals
            Birds
              Curlew`,
    );
  });
  it('of ideas, letters and Roman numerals', () => {
    const list = text`
      a) Purpose
        i) Safety
        ii) Access
      b) Cost
        i) Build
        ii) Run`;
    expect(understood(list)).toBe(
      text`
        topic-tree
        Purpose
          Safety
          Access
        Cost
          Build
          Run`,
    );
  });
  it('of ideas, numbers through three levels without any indent', () => {
    const list = text`
      1 Water
      1.1 Fresh
      1.1.1 Springs
      1.2 Salt
      2 Land
      2.1 Dunes`;
    expect(understood(list)).toBe(
      text`
        topic-tree
        Water
          Fresh
            Springs
          Salt
        Land
          Dunes`,
    );
  });
  it('of a folder, drawn with lines', () => {
    const list = text`
      handbook
      ├── safety
      │   ├── boats
      │   └── tides
      └── visitors
          └── groups`;
    expect(understood(list).split('\n').slice(1).join('\n')).toBe(
      text`
        handbook
          safety
            boats
            tides
          visitors
            groups`,
    );
  });
  it('of classes, one column a level', () => {
    const list = text`
      Class 1;Class 2;Class 3
      Rocks;Igneous;Granite
      Rocks;Igneous;Basalt
      Rocks;Sedimentary;Chalk
      Minerals;Silicates;Quartz`;
    expect(understood(list)).toBe(
      text`
        topic-tree
        Rocks
          Igneous
            Granite
            Basalt
          Sedimentary
            Chalk
        Minerals
          Silicates
            Quartz`,
    );
  });
  it('of groups, one a line after a colon', () => {
    const list = text`
      Clubs of the spring term

      Choir: Ada, Bo, Cy, Di
      Band: Bo, Di, Ed
      Drama: Ada, Ed, Fay`;
    const [best] = readInAllKinds(list);
    expect(best!.kind.id).toBe('venn');
    expect(best!.kind.titleIn(best!.read)).toBe('Clubs of the spring term');
    expect(best!.read.entries.map(({ name }) => name)).toEqual(['Ada', 'Bo', 'Cy', 'Di', 'Ed', 'Fay']);
  });
  it('of groups, marks in columns, the first heading left out', () => {
    const list = '\tSwim\tRow\tSail\nAda\tx\t\tx\nBo\t\tx\t\nCy\tx\tx\tx';
    const [best] = readInAllKinds(list);
    expect(best!.kind.id).toBe('venn');
    expect(best!.kind.reported(best!.read)).toEqual({
      sets: [
        { name: 'Swim', items: ['e2-1', 'e4-3'] },
        { name: 'Row', items: ['e3-2', 'e4-3'] },
        { name: 'Sail', items: ['e2-1', 'e4-3'] },
      ],
    });
  });
  it('of a decision, costs and chances in the words people write', () => {
    const list = text`
      Which boat for the season?
        Hire (cost 2,400)
          Dry summer (60%): 9,500
          Wet summer (40 %): 3,000
        Buy (cost £6,500)
          Engine sound (0.8): 16,000
          Engine fails (1/5): 2,500
        No boat: 0`;
    const [best] = readInAllKinds(list);
    expect(best!.kind.id).toBe('decision-tree');
    expect(best!.fit!.words).toBe('chances and payoffs');
    const { facts, unit } = best!.read as unknown as {
      facts: Record<string, { probability: number | null; cost: number | null; payoff: number | null }>;
      unit: string;
    };
    expect(unit).toBe('£');
    const told = best!.read.entries.map(({ id, name }) => [
      name,
      facts[id]?.probability,
      facts[id]?.cost,
      facts[id]?.payoff,
    ]);
    expect(told).toEqual([
      ['Which boat for the season?', undefined, undefined, undefined],
      ['Hire', null, 2400, null],
      ['Dry summer', 0.6, null, 9500],
      ['Wet summer', 0.4, null, 3000],
      ['Buy', null, 6500, null],
      ['Engine sound', 0.8, null, 16000],
      ['Engine fails', 0.2, null, 2500],
      ['No boat', null, null, 0],
    ]);
  });
  it('of a key, questions with answers before a colon', () => {
    const list = text`
      Does the leaf have needles?
        yes: Are they in bundles?
          in twos: Scots pine
          single: Yew
        no: Is the leaf lobed?
          yes, rounded: Oak
          no: Beech`;
    const [best] = readInAllKinds(list);
    expect(best!.kind.id).toBe('decision-tree');
    expect(best!.fit!.words).toBe('questions and answers');
    expect(best!.read.entries.map(({ name }) => name)).toEqual([
      'Does the leaf have needles?',
      'Are they in bundles?',
      'Scots pine',
      'Yew',
      'Is the leaf lobed?',
      'Oak',
      'Beech',
    ]);
  });
  it('of a family, couples on one line and further partners below', () => {
    const list = text`
      Tobias Marsh (1871–1940) + Ellen Wade (1875–1951)
        Arthur Marsh (1898–1917)
        Edith Marsh (1904–1990)
          + Karl Brandt
            Hans Brandt (1930)
          + Lionel Pym
            Rosa Pym (1937)`;
    const [best] = readInAllKinds(list);
    expect(best!.kind.id).toBe('family-tree');
    const { unions } = best!.read as unknown as { unions: readonly { partners: readonly string[] }[] };
    const nameOf = new Map(best!.read.entries.map(({ id, name }) => [id, name]));
    expect(unions.map(({ partners }) => partners.map((id) => nameOf.get(id)))).toEqual([
      ['Tobias Marsh', 'Ellen Wade'],
      ['Edith Marsh', 'Karl Brandt'],
      ['Edith Marsh', 'Lionel Pym'],
    ]);
  });
  it('of a family, a table with the headings of several trades and tongues', () => {
    const list = text`
      Name;Vater;Mutter;DOB;gestorben;Partner
      Otto Brand;;;1880;1950;Ida Kern
      Ida Kern;;;1884;1960;Otto Brand
      Karl Brand;Otto Brand;Ida Kern;1910;;`;
    const [best] = readInAllKinds(list);
    expect(best!.kind.id).toBe('family-tree');
    const { people } = best!.read as unknown as { people: Record<string, { born: string; died: string }> };
    expect(Object.values(people).map(({ born, died }) => [born, died])).toEqual([
      ['1880', '1950'],
      ['1884', '1960'],
      ['1910', ''],
    ]);
  });
  it('a line that is nothing but text is asked about, not drawn as something', () => {
    const [best] = readInAllKinds('{Ada went out with Bo and with Cy to look after the boats before the tide came in}');
    expect(best!.strength).toBeLessThan(0.5);
  });
  it('a line of JSON is the tree it tells', () => {
    const [best] = readInAllKinds('{"name":"Ada","children":[{"name":"Bo"},{"name":"Cy"}]}');
    const [top] = best!.read.entries;
    expect(best!.read.entries.map(({ name, parent }) => [name, parent])).toEqual([
      ['Ada', null],
      ['Bo', top!.id],
      ['Cy', top!.id],
    ]);
  });
});
