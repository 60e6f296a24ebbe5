import { describe, expect, it } from 'vitest';
import { makeDiagram } from '../../../diagram/make';
import { kindOf, readInAllKinds, tokensOf } from '../../../diagram';
import type { ReadChoices } from '../../../read';
import type { ConceptMap } from '../model';
import { readMap } from './read';

const told = (text: string, choices: ReadChoices = {}) => {
  const read = readMap(tokensOf(text), choices);
  const name = new Map(read.entries.map((entry) => [entry.id, entry.name]));
  return {
    read,
    said: read.links.map(({ from, phrase, to }) => `${name.get(from)} | ${phrase} | ${name.get(to)}`),
    ideas: read.entries.map((entry) => entry.name),
  };
};

describe('lines with arrows', () => {
  it.each([
    ['tides --carry--> silt', 'tides | carry | silt'],
    ['tides -- carry -> silt', 'tides | carry | silt'],
    ['tides -carry-> silt', 'tides | carry | silt'],
    ['tides —carry→ silt', 'tides | carry | silt'],
    ['tides -> silt', 'tides |  | silt'],
    ['- tides → silt', 'tides |  | silt'],
    ['"a, b; c" --"has -->"--> "d"', 'a, b; c | has --> | d'],
    ['salt-marsh plants --die and become--> detritus', 'salt-marsh plants | die and become | detritus'],
  ])('%s', (line, expected) => {
    expect(told(line).said[0]).toBe(expected);
  });
  it('lead to several ideas parted by semicolons', () => {
    expect(told('tides --carry--> silt; plankton').said).toEqual(['tides | carry | silt', 'tides | carry | plankton']);
  });
  it('tell the focus question, the focus, details and examples beside', () => {
    const { read } = told(
      'Focus question: Why?\nFocus: silt\ntides --carry--> silt\nsilt\tfine mud\nmud --such as--> e.g. ooze',
    );
    expect(read.question).toBe('Why?');
    expect(read.entries.find(({ id }) => id === read.focus)?.name).toBe('silt');
    expect(read.entries.find(({ name }) => name === 'silt')?.details).toEqual(['fine mud']);
    expect(read.entries.find(({ name }) => name === 'ooze')?.role).toBe('example');
  });
  it('name one idea whatever its case, and ask about near spellings', () => {
    const { read, ideas } = told('Tides --carry--> silt\ntides --flood--> mudflats\nmudflat --feeds--> birds');
    expect(ideas).toEqual(['Tides', 'silt', 'mudflats', 'mudflat', 'birds']);
    expect(read.questions).toHaveLength(1);
    const answered = told('Tides --carry--> silt\ntides --flood--> mudflats\nmudflat --feeds--> birds', {
      answers: { [read.questions[0]!.id]: 'same' },
    });
    expect(answered.ideas).toEqual(['Tides', 'silt', 'mudflats', 'birds']);
    expect(answered.said).toContain('mudflats | feeds | birds');
  });
  it('an idea linked to itself goes to the tray, and what is said twice is told', () => {
    const { read } = told('a --is--> a\na --has--> b\na --has--> B');
    expect(read.notPlaced).toHaveLength(1);
    expect(read.findings.map(({ code }) => code).sort()).toEqual(['own-end', 'said-twice']);
    expect(read.links).toHaveLength(1);
  });
});

describe('tables', () => {
  it('of three columns with headings, in other words too', () => {
    expect(told('Concept,Relation,Concept\ntides,carry,silt\nsilt,settles as,mud').said).toEqual([
      'tides | carry | silt',
      'silt | settles as | mud',
    ]);
    expect(told('Source;Target;Label\ntides;silt;carry').said).toEqual(['tides | carry | silt']);
  });
  it('of three columns without headings, where ideas come again', () => {
    expect(told('tides\tcarry\tsilt\nsilt\tsettles as\tmud').said).toHaveLength(2);
    expect(told('Ada\tBoat lead\tNorth\nBo\tCook\tSouth').read.structure).not.toBe('propositions');
  });
  it('with rows of one idea, for its details and fields', () => {
    const { read } = told('Idea,Linking phrase,Linked idea,Kind,Colour\ntides,carry,silt,,\nsilt,,,example,brown');
    expect(read.entries[1]).toMatchObject({ name: 'silt', role: 'example', fields: { Colour: 'brown' } });
  });
  it('a phrase that leads nowhere is kept in the tray and told', () => {
    const { read } = told('Idea,Linking phrase,Linked idea\ntides,carry,\ntides,carry,silt');
    expect(read.notPlaced[0]?.reason).toContain('Line 2');
  });
});

describe('plain sentences', () => {
  const text =
    'tides carry silt\nsilt settles as mudflats\nmudflats are the home of worms\nworms are food for wading birds';
  it('are parted at what comes again and at the words that phrases begin with', () => {
    expect(told(text).said).toEqual([
      'tides | carry | silt',
      'silt | settles as | mudflats',
      'mudflats | are the home of | worms',
      'worms | are food for | wading birds',
    ]);
  });
  it('are asked about where they could be parted in two ways, and the answer is taken', () => {
    const doubtful = `${text}\nwading birds leave rich droppings behind`;
    const { read } = told(doubtful);
    const question = read.questions.find(({ line }) => line === 5);
    expect(question?.options?.length).toBeGreaterThan(1);
    const other = question!.options![1]!;
    const again = told(doubtful, { answers: { [question!.id]: other.value } });
    expect(again.said.at(-1)).toBe(other.words.replaceAll(' · ', ' | '));
  });
  it('below a question, which is the focus question', () => {
    const { read, said } = told(`What makes mud?\n\n${text}`);
    expect(read.question).toBe('What makes mud?');
    expect(said).toHaveLength(4);
    expect(told('Why mud?\ntides --carry--> silt').read).toMatchObject({
      question: 'Why mud?',
      entries: { length: 2 },
    });
  });
  it('a list of names or a few words is none', () => {
    expect(told('Ada Quill\nBo Marsh\nCy Holm').read.structure).toBe('flat');
    expect(told('rocky shore\nsandy shore\nmuddy shore with grass').read.structure).not.toBe('sentences');
  });
});

describe('outlines', () => {
  it('with every second level a phrase', () => {
    const { said, read } = told('estuary\n  has\n    mudflats\n    saltmarsh\n  is fed by\n    rivers');
    expect(read.structure).toBe('phrase-outline');
    expect(said).toEqual(['estuary | has | mudflats', 'estuary | has | saltmarsh', 'estuary | is fed by | rivers']);
  });
  it('with a phrase before a colon', () => {
    expect(told('estuary\n  has: mudflats\n  is fed by: rivers').said).toEqual([
      'estuary | has | mudflats',
      'estuary | is fed by | rivers',
    ]);
  });
  it('without phrases, whose links are still to be worded', () => {
    expect(told('estuary\n  mudflats\n  rivers').said).toEqual(['estuary |  | mudflats', 'estuary |  | rivers']);
  });
});

describe('graphs', () => {
  it('in GraphML, with labels under keys or within the node, nested or not', () => {
    const xml = `<?xml version="1.0"?><graphml xmlns:y="u"><key id="d0" for="node" attr.name="label"/><key id="d1" for="edge" attr.name="relation"/>
<graph edgedefault="directed"><node id="a"><data key="d0">tides &amp; waves</data></node>
<node id="b"><data key="g"><y:ShapeNode><y:NodeLabel>silt</y:NodeLabel></y:ShapeNode></data><graph><node id="c"/></graph></node>
<edge source="a" target="b"><data key="d1">carry</data></edge><edge source="b" target="c"/></graph></graphml>`;
    expect(told(xml).said).toEqual(['tides & waves | carry | silt', 'silt |  | c']);
  });
  it('that are broken off keep what could be read, and say the line', () => {
    const { read } = told('<graphml><graph>\n<node id="a"/><node id="b"/><edge source="a" target="b"/>\n<node id=');
    expect(read.entries).toHaveLength(2);
    expect(read.findings[0]).toMatchObject({ code: 'bad-graph' });
    expect(read.findings[0]!.line).toBeGreaterThan(1);
  });
  it('in the DOT language: labels, chains, groups, default labels, comments, HTML-like labels', () => {
    const dot = `/* a map */ digraph "m" { rankdir=LR; node [shape=box];
      t [label="tides"]; s [label=<<b>silt</b>>] // fine
      t -> s [label="carry"]; edge [label="feeds"]; s -> {w; c [label="clams"]} -> "wading birds" }`;
    expect(told(dot).said).toEqual([
      'tides | carry | silt',
      'silt | feeds | w',
      'silt | feeds | clams',
      'w | feeds | wading birds',
      'clams | feeds | wading birds',
    ]);
  });
  it('never fail, whatever is in them', () => {
    for (const text of [
      'digraph {',
      'digraph { a -> ',
      'graph x { [ ] = -> }',
      'digraph{a[label="x',
      `digraph{${'{'.repeat(5000)}a->b`,
      '<graphml>',
      '<graphml><!DOCTYPE x [<!ENTITY a "b">]>&a;',
    ])
      expect(() => told(text)).not.toThrow();
  });
});

describe('what kind a list is', () => {
  const best = (text: string) => readInAllKinds(text)[0]!.kind.id;
  it('propositions are a concept map, and other lists are not', () => {
    expect(best('tides --carry--> silt\nsilt --settles as--> mud')).toBe('concept-map');
    expect(best('Idea,Linking phrase,Idea\ntides,carry,silt\nsilt,settles as,mud')).toBe('concept-map');
    expect(best('digraph { a -> b; b -> c }')).toBe('concept-map');
    expect(best('tides carry silt\nsilt settles as mudflats\nmudflats are the home of worms')).toBe('concept-map');
    expect(best('Shore\n  Rocky\n    Cliff\n  Sandy')).toBe('topic-tree');
    expect(best('Name,Reports to\nAda,\nBo,Ada')).toBe('org-chart');
    expect(best('Curlew: mudflat, saltmarsh\nDunlin: mudflat\nTern: water')).toBe('venn');
  });
  it('one idea at an end of every link stands in the middle of the others', () => {
    const star = (n: number) =>
      Array.from({ length: n }, (_, i) => `sun --warms--> planet ${'abcdefgh'[i]}`).join('\n');
    const kind = kindOf('concept-map');
    const way = (list: string) => (kind.make(kind.read(tokensOf(list)), 'x') as ConceptMap).map.manner.way;
    expect(way(star(7))).toBe('rings');
    expect(way(star(3))).toBe('ranked');
    expect(way(`${star(7)}\nplanet a --has--> moon`)).toBe('ranked');
  });
  it('a question names the map', () => {
    const kind = kindOf('concept-map');
    const read = kind.read(tokensOf('Focus question: what makes mud?\ntides --carry--> silt'));
    expect(makeDiagram(kind, read, kind.titleIn(read)).title).toBe('What makes mud?');
  });
});
