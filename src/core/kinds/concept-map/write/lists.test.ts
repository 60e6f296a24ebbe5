import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyGesture, kindOf, tokensOf } from '../../../diagram';
import { byOrder, type Entry } from '../../../model';
import { hostileName } from '../../../testing/hostile-names';
import { mapOf } from '../../../testing/arbitrary-map';
import { conceptMap } from '../kind';
import type { ConceptMap } from '../model';
import { propositionLine, arrowLine } from '../read/grammar';
import { readMap } from '../read/read';
import { isTold } from './order';

/** Maps with hostile names, phrases, details and fields. */
const hostileMaps = fc
  .record({
    draws: fc.array(fc.nat({ max: 100_000 }), { minLength: 1, maxLength: 8 }),
    across: fc.array(fc.nat({ max: 100_000 }), { maxLength: 4 }),
    names: fc.array(
      fc.oneof(hostileName, fc.constantFrom('silt', 'salt-marsh plants', 'e.g. redshank', 'Focus: mud')),
      {
        minLength: 8,
        maxLength: 8,
      },
    ),
    phrases: fc.array(fc.oneof(hostileName, fc.constantFrom('carry', '', 'leads to -->')), {
      minLength: 12,
      maxLength: 12,
    }),
    details: fc.array(fc.array(hostileName, { maxLength: 2 }), { minLength: 8, maxLength: 8 }),
    question: fc.oneof(hostileName, fc.constant('')),
  })
  .map(({ draws, across, names, phrases, details, question }): ConceptMap => {
    const map = mapOf(draws, across);
    const entries = Object.values(map.entries).map((entry, i): [string, Entry] => [
      entry.id,
      { ...entry, name: names[i]!, details: details[i]! },
    ]);
    const links = Object.values(map.links).map((link, i) => [
      link.id,
      { ...link, phrase: phrases[i % 12]!.slice(0, 200) },
    ]);
    return {
      ...map,
      entries: Object.fromEntries(entries),
      links: Object.fromEntries(links) as ConceptMap['links'],
      map: { ...map.map, manner: { ...map.map.manner, question: question.trim().slice(0, 300) } },
    };
  });

const withoutEmptyEnd = (texts: readonly string[]) =>
  texts.slice(0, texts.findLastIndex((text) => text.trim() !== '') + 1);
const said = (map: Pick<ConceptMap, 'links'>, place: ReadonlyMap<string, number>) =>
  Object.values(map.links)
    .map(({ from, to, phrase }) => JSON.stringify([place.get(from), phrase.trim(), place.get(to)]))
    .sort();
const ideas = ({ entries }: ConceptMap) => Object.values(entries).sort(byOrder);
const places = (map: ConceptMap) => new Map(ideas(map).map(({ id }, i) => [id, i]));

let n = 0;
const newId = () => `new${n++}`;

describe('a proposition on a line', () => {
  it('is read back, whatever its ideas and its phrase hold', () => {
    fc.assert(
      fc.property(hostileName, hostileName, hostileName, (from, phrase, to) => {
        if (from === '' || to === '') return;
        const idea = (name: string) => ({ name, isExample: false });
        expect(arrowLine(propositionLine(from, phrase, to))).toEqual({ from: idea(from), phrase, to: [idea(to)] });
      }),
      { numRuns: 2000 },
    );
  });
  it('has no quotes where none are needed', () => {
    expect(propositionLine('salt-marsh plants', 'die and become', 'detritus')).toBe(
      'salt-marsh plants --die and become--> detritus',
    );
    expect(propositionLine('a --> b', '', 'c')).toBe('"a --> b" --> c');
  });
});

describe('a concept map there and back', () => {
  it('as CSV: names, details, kinds, fields and propositions', () => {
    fc.assert(
      fc.property(hostileMaps, (map) => {
        const read = readMap(tokensOf(conceptMap.csv(map)));
        const told = ideas(map);
        expect(read.entries.map(({ name }) => name)).toEqual(told.map(({ name }) => name));
        expect(read.entries.map(({ details, role }) => ({ details: withoutEmptyEnd(details), role }))).toEqual(
          told.map(({ details, role }) => ({ details: withoutEmptyEnd(details), role })),
        );
        const at = new Map(read.entries.map(({ id }, i) => [id, i]));
        const before = said(map, places(map));
        const after = read.links
          .map(({ from, to, phrase }) => JSON.stringify([at.get(from), phrase, at.get(to)]))
          .sort();
        // What is said twice is read once.
        expect(after).toEqual([...new Set(before)]);
      }),
      { numRuns: 500 },
    );
  });
  it('as text that nobody edited: nothing changes, also with blank lines at its end', () => {
    fc.assert(
      fc.property(hostileMaps, (map) => {
        const kind = kindOf('concept-map');
        expect(kind.update(map, kind.text(map), newId).gesture).toEqual([]);
        if (!isTold(map)) return;
        expect(kind.update(map, `${kind.text(map)}\n\n`, newId).gesture).toEqual([]);
      }),
      { numRuns: 500 },
    );
  });
  it('as GraphML and in the DOT language: names, kinds and propositions', () => {
    fc.assert(
      fc.property(hostileMaps, fc.constantFrom('graphml', 'dot'), (map, format) => {
        const read = readMap(tokensOf(conceptMap.writes![format]!(map)));
        const plain = (text: string) => text.replace(/\s+/g, ' ').trim();
        const told = ideas(map);
        expect(read.entries).toHaveLength(told.length);
        read.entries.forEach((entry, i) => {
          expect(entry.role).toBe(told[i]!.role);
          if (told[i]!.name.trim() !== '' && !/[\p{Cc}\ufffe\uffff]/u.test(told[i]!.name))
            expect(plain(entry.name)).toBe(plain(told[i]!.name));
        });
        const at = new Map(read.entries.map(({ id }, i) => [id, i]));
        const ends = (links: readonly { from: string; to: string }[], place: ReadonlyMap<string, number>) =>
          [...new Set(links.map(({ from, to }) => `${place.get(from)} ${place.get(to)}`))].sort();
        expect(ends(read.links, at)).toEqual(ends(Object.values(map.links), places(map)));
      }),
      { numRuns: 300 },
    );
  });
});

describe('a newer text', () => {
  const kind = kindOf('concept-map');
  const map = kind.make(
    kind.read(tokensOf('tides --carry--> silt\nsilt --settles as--> mud\nmud --feeds--> worms')),
    'x',
  ) as ConceptMap;
  const after = (text: string): ConceptMap => {
    const outcome = applyGesture(map, kind.update(map, text, newId).gesture);
    if (!outcome.ok) throw new Error(outcome.reason);
    return outcome.diagram as ConceptMap;
  };
  it('keeps the id of a proposition whose words are changed, and of ideas that are named again', () => {
    const now = after('tides --bring--> silt\nsilt --settles as--> mud\nmud --feeds--> worms');
    expect(Object.keys(now.links).sort()).toEqual(Object.keys(map.links).sort());
    expect(Object.values(now.links).map(({ phrase }) => phrase)).toContain('bring');
    expect(Object.keys(now.entries).sort()).toEqual(Object.keys(map.entries).sort());
  });
  it('adds what is new, drops what is gone, and takes the focus question', () => {
    const now = after(
      'Focus question: Why mud?\ntides --carry--> silt\nsilt --settles as--> mud\nmud --hides--> clams',
    );
    expect(ideas(now).map(({ name }) => name)).toEqual(['tides', 'silt', 'mud', 'clams']);
    expect(
      Object.values(now.links)
        .map(({ phrase }) => phrase)
        .sort(),
    ).toEqual(['carry', 'hides', 'settles as']);
    expect(now.map.manner.question).toBe('Why mud?');
  });
});
