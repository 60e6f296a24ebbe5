import { describe, expect, it } from 'vitest';
import { applyGesture, check, draw, kindOf, tokensOf } from '../../diagram';
import type { ConceptMap } from './model';

const kind = kindOf('concept-map');
const mapFrom = (text: string) => kind.make(kind.read(tokensOf(text)), 'x') as ConceptMap;
const codes = (map: ConceptMap) => check(map, draw(map)).map(({ code }) => code);
const question = 'Focus question: Why?\n';

describe('a concept map is checked for', () => {
  it.each([
    ['a link without a phrase', `${question}a --> b\nb --is--> c`, 'no-phrase'],
    ['an idea that is connected with nothing', `${question}a --is--> b\nc`, 'not-connected'],
    [
      'a whole sentence in a box',
      `${question}a --is--> the water comes in and goes out twice a day`,
      'sentence-in-box',
    ],
    ['a phrase used as an idea', `${question}a --carry--> b\nb --has--> carry`, 'phrase-as-idea'],
    ['no focus question', 'a --is--> b', 'no-focus-question'],
    ['parts that nothing connects', `${question}a --is--> b\nc --is--> d`, 'islands'],
  ])('%s', (_, text, code) => {
    expect(codes(mapFrom(text))).toContain(code);
  });
  it('more ideas than a class takes in', () => {
    const lines = Array.from({ length: 26 }, (__, i) => `a --has--> b${i}`).join('\n');
    expect(codes(mapFrom(question + lines))).toContain('many-ideas');
    expect(codes(mapFrom(`${question}a --has--> b`))).not.toContain('many-ideas');
  });
  it('nothing where all is well', () => {
    expect(codes(mapFrom(`${question}tides --carry--> silt\nsilt --settles as--> mud`))).toEqual([]);
  });
});

describe('what mends a finding', () => {
  it('says once what is said twice', () => {
    const map = mapFrom(`${question}a --has--> b`);
    const link = Object.values(map.links)[0]!;
    const twice = { ...map, links: { ...map.links, other: { ...link, id: 'other', phrase: 'HAS' } } };
    const found = check(twice, draw(twice)).find(({ code }) => code === 'said-twice')!;
    const mended = applyGesture(twice, kind.fix!(twice, kind.structure(twice), found)!.gesture);
    expect(mended.ok && Object.keys(mended.diagram.links)).toHaveLength(1);
  });
  it('makes ideas of one name one, with the links of all', () => {
    const map = mapFrom(`${question}a --has--> b\nc --has--> d`);
    const d = Object.values(map.entries).find(({ name }) => name === 'd')!;
    const alike = { ...map, entries: { ...map.entries, [d.id]: { ...d, name: 'B' } } };
    const found = check(alike, draw(alike)).find(({ code }) => code === 'same-idea')!;
    const mended = applyGesture(alike, kind.fix!(alike, kind.structure(alike), found)!.gesture);
    expect(mended.ok && Object.keys(mended.diagram.entries)).toHaveLength(3);
    const ends = mended.ok ? new Set(Object.values(mended.diagram.links).map(({ to }) => to)) : new Set();
    expect(ends.size).toBe(1);
  });
});
