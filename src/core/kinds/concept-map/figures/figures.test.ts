import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { draw, kindOf, tokensOf } from '../../../diagram';
import { own } from '../../../model';
import { maps } from '../../../testing/arbitrary-map';
import { conceptMap } from '../kind';
import type { ConceptMap } from '../model';
import { bareWords, compareWithKey, isAlike, keyPropositions } from './compare';
import { figureMap } from './figures';
import { filledMap, gapsOf, judgeFilling } from './filling';

const mapFrom = (text: string): ConceptMap => {
  const kind = kindOf('concept-map');
  return kind.make(kind.read(tokensOf(text)), 'x') as ConceptMap;
};
const figures = (map: ConceptMap) => figureMap(map, conceptMap.structure(map));

/**
 * A map with the counts of the scoring model in J. D. Novak, D. B. Gowin, "Learning How to Learn" (1984), chapter 2, from memory: fourteen valid propositions,
 * four levels of hierarchy, two cross-links, four examples; 14 + 4 × 5 + 2 × 10 + 4 × 1 = 58.
 */
const scored = `Focus: water
water --is needed by--> living things
water --is made of--> molecules
water --changes--> states
living things --such as--> plants; animals
molecules --are in--> motion
states --can be--> solid; liquid; gas
motion --is increased by--> heat
plants --have--> leaves
heat --determines--> states
heat --comes from--> fire
leaves --take in--> gas
plants --such as--> e.g. oak
animals --such as--> e.g. dog
solid --such as--> e.g. snow
gas --such as--> e.g. steam`;

describe('the score of Novak and Gowin', () => {
  const { score } = figures(mapFrom(scored));
  const of = (what: string) => score.lines.find((line) => line.of === what)!;
  it('counts propositions, levels, cross-links and examples, each with its points', () => {
    expect(of('propositions')).toMatchObject({ counted: 14, points: 14 });
    expect(of('examples')).toMatchObject({ counted: 4, points: 4 });
    expect(of('crossLinks').points).toBe(10 * of('crossLinks').counted);
    expect(of('levels').points).toBe(5 * of('levels').counted);
    expect(score.total).toBe(score.lines.reduce((sum, { points }) => sum + points, 0));
  });
  it('with the counts of the worked example comes to 58', () => {
    const map = mapFrom(scored);
    const corrected = {
      ...map,
      map: { ...map.map, counted: { propositions: null, levels: 4, crossLinks: 2, examples: null } },
    };
    expect(figures(corrected).score.total).toBe(58);
  });
  it('does not count what is marked as not valid, nor links without a phrase', () => {
    const map = mapFrom(scored);
    const link = Object.values(map.links).find(({ phrase }) => phrase === 'is made of')!;
    const marked = { ...map, map: { ...map.map, marks: { [link.id]: 'notValid' as const } } };
    expect(figures(marked).score.lines[0]!.counted).toBe(13);
    expect(figures(mapFrom('a\n  b\n  c')).score.lines[0]!.counted).toBe(0);
  });
  it('a cross-link joins two branches; a link down a branch or back up it is none', () => {
    const across = (text: string) =>
      figures(mapFrom(text))
        .sentences.filter((one) => one.across)
        .map((one) => one.sentence);
    expect(across('a --x--> b\na --x--> c\nb --y--> d\nc --z--> e\nd --w--> e')).toHaveLength(1);
    expect(across('a --x--> b\nb --y--> c\na --z--> c\nc --w--> a')).toEqual([]);
  });
});

describe('figures', () => {
  it('say every proposition as a sentence, and count what each idea leads to', () => {
    const { sentences, degrees, chain } = figures(
      mapFrom('tides --carry--> silt\nsilt --settles as--> mud\ntides --flood--> mud'),
    );
    expect(sentences.map((one) => one.sentence)).toContain('tides carry silt');
    expect(degrees[0]).toMatchObject({ from: 2, to: 0 });
    expect(chain).toHaveLength(3);
  });
  it('islands part all ideas, and the longest chain is one of links read downwards', () => {
    fc.assert(
      fc.property(maps(25), (map) => {
        const { islands, chain, ideas } = figures(map);
        expect(islands.flat().sort()).toEqual(Object.keys(map.entries).sort());
        const islandOf = new Map(islands.flatMap((island, i) => island.map((id) => [id, i] as const)));
        for (const { from, to } of Object.values(map.links)) expect(islandOf.get(from)).toBe(islandOf.get(to));
        expect(chain.length).toBeGreaterThan(ideas > 0 ? 0 : -1);
        for (let i = 1; i < chain.length; i++)
          expect(Object.values(map.links).some(({ from, to }) => from === chain[i - 1] && to === chain[i])).toBe(true);
      }),
      { numRuns: 150 },
    );
  });
});

describe('compared with a key map', () => {
  const key = keyPropositions(
    'tides --carry--> silt\nsilt --settles as--> mudflats\nmudflats --feed--> wading birds\nworms --live in--> mud',
  );
  it('finds what is said in other spelling and word order, what is turned round, and what is missing', () => {
    const map = mapFrom(
      'the tide --carries--> silt\nmudflat --settles as--> silt\nmudflat --are food for--> birds wading\nsun --warms--> silt',
    );
    const { found, reversed, otherWords, missing, extra, missingIdeas } = compareWithKey(map, key);
    expect(found.map((one) => one.key.phrase)).toEqual(['carry']);
    expect(reversed.map((one) => one.key.phrase)).toEqual(['settles as']);
    expect(otherWords.map((one) => one.key.phrase)).toEqual(['feed']);
    expect(missing.map((one) => one.from)).toEqual(['worms']);
    expect(extra).toHaveLength(1);
    expect(missingIdeas).toEqual(['worms', 'mud']);
  });
  it('a map compared with itself is found whole', () => {
    fc.assert(
      fc.property(maps(16), (map) => {
        const name = (id: string) => own(map.entries, id)!.name;
        const itself = Object.values(map.links).map(({ from, phrase, to }) => ({
          from: name(from),
          phrase,
          to: name(to),
        }));
        const { found, missing, extra, otherWords, reversed } = compareWithKey(map, itself);
        expect([found.length, missing.length, extra.length, otherWords.length, reversed.length]).toEqual([
          itself.length,
          0,
          0,
          0,
          0,
        ]);
      }),
      { numRuns: 150 },
    );
  });
  it('likeness is mutual, and other ideas are not alike', () => {
    expect(isAlike(bareWords('the wading bird'), bareWords('birds, wading'))).toBe(true);
    expect(isAlike(bareWords('mudflats'), bareWords('mudflts'))).toBe(true);
    expect(isAlike(bareWords('silt'), bareWords('salt'))).toBe(false);
    expect(isAlike(bareWords('fresh water'), bareWords('salt water'))).toBe(false);
  });
});

describe('an exercise', () => {
  const map = (() => {
    const plain = mapFrom('tides --carry--> silt; plankton\nsilt --settles as--> mud');
    const id = (name: string) => Object.values(plain.entries).find((entry) => entry.name === name)!.id;
    const link = Object.values(plain.links).find(({ phrase }) => phrase === 'settles as')!;
    return {
      id,
      link: link.id,
      blank: {
        ...plain,
        map: {
          ...plain.map,
          blanks: { [id('silt')]: true as const, [id('plankton')]: true as const, [link.id]: true as const },
        },
      },
    };
  })();
  it('tells every gap within a sentence', () => {
    const gaps = gapsOf(map.blank);
    expect(gaps.map(({ answer }) => answer)).toEqual(['silt', 'plankton', 'settles as']);
    expect(gaps[0]).toMatchObject({ before: 'tides carry', after: '' });
    expect(gaps[2]!.after).toBe('mud');
  });
  it('judges what was filled in: tolerant of spelling, and ideas of one phrase may change places', () => {
    const filling = { [map.id('silt')]: 'Plankton', [map.id('plankton')]: 'the silt', [map.link]: 'settled as' };
    expect(judgeFilling(map.blank, filling)).toEqual({
      right: [map.id('silt'), map.id('plankton'), map.link],
      wrong: [],
      open: [],
    });
    const twice = { [map.id('silt')]: 'silt', [map.id('plankton')]: 'silt' };
    expect(judgeFilling(map.blank, twice)).toMatchObject({ right: [map.id('silt')], open: [map.link] });
    expect(judgeFilling(map.blank, twice).wrong).toEqual([{ id: map.id('plankton'), answer: 'plankton' }]);
  });
  it('shows what was filled in, and gaps where nothing was', () => {
    const shown = filledMap(map.blank, { [map.id('silt')]: 'sand' });
    const words = JSON.stringify(draw(shown).scene.groups.map(({ children }) => children));
    expect(words).toContain('"sand"');
    expect(words).not.toContain('"plankton"');
    // Nothing moves while it is filled in.
    const places = (of: ConceptMap) => draw(of).scene.groups.map(({ x, y, bounds }) => [x, y, bounds.width]);
    expect(places(shown)).toEqual(places(filledMap(map.blank, {})));
  });
});
