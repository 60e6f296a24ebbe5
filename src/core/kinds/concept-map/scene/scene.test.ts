import { plainEnclosure } from '../../../model';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { lineRunsThrough, overlap } from '../../../arrange/graph';
import { sequence } from '../../../arrange/sequence';
import { createEntry } from '../../../model';
import type { Rect, Scene } from '../../../scene';
import { mapOf, maps } from '../../../testing/arbitrary-map';
import { conceptMap } from '../kind';
import { type ConceptMap, type MapManner } from '../model';

const scene = (diagram: ConceptMap): Scene => {
  const structure = conceptMap.structure(diagram);
  return conceptMap.scene(diagram, structure, conceptMap.styles(diagram, structure));
};
const inManner = (
  diagram: ConceptMap,
  patch: Partial<MapManner>,
  direction: 'down' | 'right' = 'down',
): ConceptMap => ({
  ...diagram,
  arrangement: { ...diagram.arrangement, direction },
  map: { ...diagram.map, manner: { ...diagram.map.manner, ...patch } },
});
const shrunk = ({ x, y, width, height }: Rect, by: number): Rect => ({
  x: x + by,
  y: y + by,
  width: width - 2 * by,
  height: height - 2 * by,
});

/** Boxes of ideas, room of words, and the lines of links, in drawing coordinates. */
function parts({ groups }: Scene) {
  const boxes = groups
    .filter(({ stands }) => stands.for === 'entry')
    .map(({ x, y, bounds, stands }) => ({ id: stands.id, ...bounds, x, y }));
  const links = groups.filter(({ stands }) => stands.for === 'link');
  const words = links.flatMap(({ stands, children }) => {
    const texts = children.filter((one) => one.type === 'text');
    if (texts.length === 0) return [];
    const left = Math.min(...texts.map(({ x }) => x));
    const right = Math.max(...texts.map(({ x, runs }) => x + runs.reduce((sum, run) => sum + run.width, 0)));
    const top = Math.min(...texts.map(({ y, size }) => y - size * 0.7));
    const bottom = Math.max(...texts.map(({ y }) => y));
    return [{ id: stands.id, x: left, y: top, width: right - left, height: bottom - top }];
  });
  // What is drawn, not the course, so that a gap for words counts; marks are filled.
  const lines = links.flatMap(({ stands, children }) =>
    children.flatMap((one) =>
      one.type === 'path' && one.fill === undefined
        ? one.d
            .split('M')
            .filter(Boolean)
            .map((piece) => ({ id: stands.id, points: (piece.match(/-?[\d.]+/g) ?? []).map(Number) }))
        : [],
    ),
  );
  return { boxes, words, lines };
}

/** `ends`: the ideas of each link, into whose boxes its lines lead as far as to their rounded corners. */
function expectClear(drawn: Scene, ends: ConceptMap['links']): void {
  const { boxes, words, lines } = parts(drawn);
  const rects = [...boxes, ...words];
  rects.forEach((a, i) => {
    for (const b of rects.slice(i + 1))
      if (overlap(shrunk(a, 0.2), shrunk(b, 0.2))) throw new Error(`${a.id} over ${b.id}`);
  });
  for (const { id, points } of lines)
    for (const box of rects)
      if (lineRunsThrough(points, shrunk(box, [ends[id]!.from, ends[id]!.to].includes(box.id) ? 6 : 1)))
        throw new Error(`link ${id} through ${box.id}`);
}

describe('a concept map in ranks', () => {
  it('has no box or words over another, and no line through either, down and to the right, broken into rows or not', () => {
    fc.assert(
      fc.property(maps(60), fc.constantFrom('down' as const, 'right' as const), (map, direction) =>
        expectClear(scene(inManner(map, {}, direction)), map.links),
      ),
      { numRuns: 120 },
    );
  });
  it('stays so where gaps are as small as they get, with sixty ideas and a hundred and twenty', () => {
    for (const seed of [3, 5, 9]) {
      const next = sequence(seed * 77);
      const draws = (n: number) => Array.from({ length: n }, () => Math.floor(next() * 1e6));
      for (const [ideas, across] of [
        [60, 20],
        [120, 30],
      ] as const) {
        const drawn = mapOf(draws(ideas), draws(across));
        expectClear(scene(drawn), drawn.links);
      }
    }
  });
  it('puts every idea below those that lead to it, but for links that close a ring or lead to the focus', () => {
    fc.assert(
      fc.property(maps(40), (map) => {
        const { index, tier, focus } = conceptMap.structure(map);
        const rank = (id: string) => tier[index.get(id)!]!;
        const after = new Map<string, string[]>();
        for (const { from, to } of Object.values(map.links)) after.set(from, [...(after.get(from) ?? []), to]);
        const reaches = (from: string, to: string): boolean => {
          const seen = new Set([from]);
          for (const at of seen) for (const next of after.get(at) ?? []) seen.add(next);
          return seen.has(to);
        };
        for (const { from, to } of Object.values(map.links))
          if (rank(from) >= rank(to)) expect(to === focus || reaches(to, from)).toBe(true);
      }),
      { numRuns: 200 },
    );
  });
  it('shows an arrow where a link is not read downwards, and on no other', () => {
    fc.assert(
      fc.property(maps(30), (map) => {
        const { index, tier } = conceptMap.structure(map);
        const { groups } = scene(map);
        for (const { stands, children } of groups) {
          if (stands.for !== 'link') continue;
          const { from, to } = map.links[stands.id]!;
          const marked = children.some((one) => one.type === 'path' && one.fill !== undefined);
          expect(marked).toBe(tier[index.get(to)!]! <= tier[index.get(from)!]!);
        }
      }),
      { numRuns: 100 },
    );
  });
  it('lets links of one idea with the same phrase share it', () => {
    const map = mapOf([0, 1, 2, 3]);
    const links = ['e1', 'e2', 'e3'].map((to, i) => ({
      id: `l${i}`,
      from: 'e0',
      to,
      kind: 'proposition',
      phrase: 'has',
    }));
    const { words } = parts(scene({ ...map, links: Object.fromEntries(links.map((link) => [link.id, link])) }));
    expect(words).toHaveLength(1);
  });
  it('does not depend on the order of the list nor on the order in which links were made', () => {
    fc.assert(
      fc.property(maps(25), fc.nat(), (map, seed) => {
        const turned = <V>(record: Record<string, V>): Record<string, V> =>
          Object.fromEntries(
            Object.entries(record).sort(
              ([a], [b]) => ((Number(a.slice(1)) * 7919 + seed) % 101) - ((Number(b.slice(1)) * 7919 + seed) % 101),
            ),
          );
        const keys = Object.values(map.entries).map(({ order }) => order);
        const entries = Object.values(turned(map.entries)).map(
          (entry, i) => [entry.id, { ...entry, order: keys[i]! }] as const,
        );
        const again: ConceptMap = { ...map, entries: Object.fromEntries(entries), links: turned(map.links) };
        expect(JSON.stringify(scene(again))).toBe(JSON.stringify(scene(map)));
      }),
      { numRuns: 60 },
    );
  });
});

describe('a concept map on rings or with even links', () => {
  it('has no box or words over another, and no line through either', () => {
    fc.assert(
      fc.property(maps(40), fc.constantFrom('rings' as const, 'even' as const), (map, way) =>
        expectClear(scene(inManner(map, { way })), map.links),
      ),
      { numRuns: 120 },
    );
  });
  it('has the focus in the middle of its rings, and every rank on a circle', () => {
    const map = mapOf([0, 1, 1, 2, 3, 3, 4, 5]);
    const { boxes } = parts(scene(inManner(map, { way: 'rings' })));
    const { index, tier, focus } = conceptMap.structure(inManner(map, { way: 'rings' }));
    const middle = (id: string) => {
      const { x, y, width, height } = boxes.find((one) => one.id === id)!;
      return { x: x + width / 2, y: y + height / 2 };
    };
    const at = middle(focus!);
    const radii = new Map<number, number>();
    for (const { id } of boxes) {
      if (tier[index.get(id)!] === tier[index.get(focus!)!] && id !== focus) continue;
      const { x, y } = middle(id);
      const away = Math.hypot(x - at.x, y - at.y);
      const rank = tier[index.get(id)!]!;
      expect(away).toBeCloseTo(radii.get(rank) ?? away, 1);
      radii.set(rank, away);
    }
    expect([...radii].sort(([a], [b]) => a - b).map(([, r]) => r)).toEqual([...radii.values()].sort((a, b) => a - b));
  });
});

describe('an idea placed by hand', () => {
  it('stands by so much off its place, in every way, and nothing overlaps', () => {
    for (const way of ['ranked', 'rings', 'even'] as const) {
      const map = inManner(mapOf([0, 1, 1, 2, 3, 3, 4, 5]), { way });
      const pinned: ConceptMap = { ...map, nudges: { e3: { x: 90, y: 40 } } };
      const { boxes } = parts(scene(pinned));
      boxes.forEach((a, i) => {
        for (const b of boxes.slice(i + 1)) expect(overlap(shrunk(a, 0.5), shrunk(b, 0.5))).toBe(false);
      });
      expect(JSON.stringify(scene({ ...pinned, nudges: {} }).groups)).toBe(JSON.stringify(scene(map).groups));
    }
  });
});

describe('an enclosure', () => {
  it('follows the ideas it holds, and is gone with the last of them', () => {
    const map = mapOf([0, 1, 1, 2, 3]);
    const enclosure = { ...plainEnclosure, id: 'x', name: 'Ours', members: ['e1', 'e3', 'gone'] };
    const around = (members: string[], way: MapManner['way'] = 'ranked') => {
      const diagram = inManner({ ...map, enclosures: { x: { ...enclosure, members } } }, { way });
      const drawn = scene(diagram);
      return { outline: drawn.groups.find(({ stands }) => stands.for === 'enclosure'), ...parts(drawn) };
    };
    for (const way of ['ranked', 'rings', 'even'] as const) {
      const { outline, boxes } = around(enclosure.members, way);
      for (const { x, y, width, height } of boxes.filter(({ id }) => enclosure.members.includes(id))) {
        expect(outline!.bounds.x).toBeLessThan(x);
        expect(outline!.bounds.y).toBeLessThan(y);
        expect(outline!.bounds.x + outline!.bounds.width).toBeGreaterThan(x + width);
        expect(outline!.bounds.y + outline!.bounds.height).toBeGreaterThan(y + height);
      }
    }
    expect(around(['gone']).outline).toBeUndefined();
  });
});

describe('a sheet to fill in', () => {
  it('draws gaps in place of what is blank, with the words in the bank, each once', () => {
    const base = mapOf([0, 1, 1, 2]);
    const map: ConceptMap = {
      ...base,
      entries: { ...base.entries, e1: createEntry({ ...base.entries['e1']!, name: 'silt' }) },
      map: { ...base.map, blanks: { e1: true, l0: true, l1: true } },
    };
    const told = JSON.stringify(scene(conceptMap.sheets['blank']!(map)).groups);
    expect(told).not.toContain('"silt"');
    const notes = scene(conceptMap.sheets['blank']!(map)).notes.flatMap(({ children }) =>
      children.flatMap((one) => (one.type === 'text' ? one.runs.map(({ text }) => text) : [])),
    );
    expect(notes.join(' ')).toContain('silt');
    expect(JSON.stringify(scene(conceptMap.sheets['answers']!(map)).groups)).toContain('"silt"');
  });
  it('is arranged anew when other words are blanked, also where the word bank stays the same', () => {
    const base = mapOf([0, 1, 1, 2]);
    const links = Object.fromEntries(Object.values(base.links).map((link) => [link.id, { ...link, phrase: 'is' }]));
    const map = inManner({ ...base, links }, { blanked: true });
    const blanking = (id: string): ConceptMap => ({ ...map, map: { ...map.map, blanks: { [id]: true } } });
    const [first, other] = Object.keys(links) as [string, string];
    scene(blanking(first));
    const anew = JSON.parse(JSON.stringify(blanking(other))) as ConceptMap;
    expect(JSON.stringify(scene(blanking(other)))).toBe(JSON.stringify(scene(anew)));
  });
});
