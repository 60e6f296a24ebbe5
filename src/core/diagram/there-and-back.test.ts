import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { byOrder, type Link } from '../model';
import { applyGesture } from './apply';
import type { Gesture } from './command';
import { Diagram, kindOf } from './diagram';
import { type OrgChart } from '../kinds/org-chart';
import { type Venn, setsInOrder } from '../kinds/venn';
import { lineOf, quoted, splitDetails } from '../read';
import { readList, readSets, csvOf, outlineText, vennCsv, vennText } from '../testing/lists';
import { hierarchyOf } from '../hierarchy';
import { vennOf } from '../testing/arbitrary-venn';
import { hostileCharts } from '../testing/hostile';
import { hostileName, hostileNames } from '../testing/hostile-names';
import { draw } from './river';
import { tokensOf } from './reading';

const outlineOf = (diagram: Diagram) => {
  const structure = hierarchyOf(diagram.entries);
  return Array.from(structure.outline, (i) => ({
    entry: diagram.entries[structure.ids[i]!]!,
    tier: structure.tier[i]!,
  }));
};
const withoutEmptyEnd = (texts: readonly string[]) => texts.slice(0, texts.findLastIndex((text) => text !== '') + 1);
let n = 0;
const newId = () => `new${n++}`;

describe('a line of an outline', () => {
  it('is read back as its name and details, whatever they hold', () => {
    fc.assert(
      fc.property(
        hostileName,
        fc.array(hostileName, { maxLength: 3 }),
        fc.constantFrom('\t' as const, ' – ' as const),
        (name, details, parting) => {
          expect(splitDetails(lineOf(name, details, parting))).toEqual({ name, details });
        },
      ),
      { numRuns: 2000 },
    );
  });
  it('has no quotes where none are needed', () => {
    expect(lineOf('Hana Petrović', ['Schools lead', 'North, upper'])).toBe('Hana Petrović\tSchools lead\tNorth, upper');
    expect(lineOf('24 Hour Desk', [])).toBe(quoted('24 Hour Desk'));
  });
});

describe('an org chart there and back', () => {
  it('as text: names, details and structure', () => {
    fc.assert(
      fc.property(hostileCharts, (chart) => {
        const read = readList(outlineText(chart));
        const told = outlineOf(chart);
        expect(read.entries.map(({ name, details }) => ({ name, details }))).toEqual(
          told.map(({ entry: { name, details } }) => ({ name, details })),
        );
        const at = new Map(read.entries.map((entry, i) => [entry.id, i]));
        const place = new Map(told.map(({ entry }, i) => [entry.id, i]));
        expect(read.entries.map(({ parent }) => (parent === null ? null : at.get(parent)))).toEqual(
          told.map(({ entry: { parent } }) => (parent === null ? null : place.get(parent))),
        );
        expect(read.notPlaced).toEqual([]);
      }),
      { numRuns: 800 },
    );
  });
  it('as CSV: names, details, roles, fields, structure and side links', () => {
    fc.assert(
      fc.property(hostileCharts, (chart) => {
        const read = readList(csvOf(chart));
        const told = outlineOf(chart);
        const taken = read.entries.map(({ name, details, role, fields }) => ({ name, details, role, fields }));
        const parents = new Set(told.map(({ entry }) => entry.parent));
        expect(taken).toEqual(
          told.map(({ entry: { id, name, details, role, fields } }) => ({
            name,
            details: withoutEmptyEnd(details),
            // Who leads others is no assistant, as everywhere.
            role: role === 'assistant' && parents.has(id) ? null : role,
            fields,
          })),
        );
        const at = new Map(read.entries.map((entry, i) => [entry.id, i]));
        const place = new Map(told.map(({ entry }, i) => [entry.id, i]));
        expect(read.entries.map(({ parent }) => (parent === null ? null : at.get(parent)))).toEqual(
          told.map(({ entry: { parent } }) => (parent === null ? null : place.get(parent))),
        );
        const said = (ends: ReadonlyMap<string, number>, links: readonly Pick<Link, 'from' | 'to' | 'phrase'>[]) =>
          links.map(({ from, to, phrase }) => `${ends.get(from)}-${ends.get(to)} ${phrase}`).sort();
        expect(said(at, read.links)).toEqual(said(place, Object.values(chart.links)));
        expect(read.notPlaced.map(({ text }) => text)).toEqual(chart.notPlaced.map(({ text }) => text));
      }),
      { numRuns: 800 },
    );
  });
  it('text that nobody edited changes nothing, also with blank lines at its end', () => {
    fc.assert(
      fc.property(hostileCharts, (chart) => {
        const kind = kindOf('org-chart');
        expect(kind.update(chart, kind.text(chart), newId).gesture).toEqual([]);
        expect(kind.update(chart, `${kind.text(chart)}\n\n`, newId).gesture).toEqual([]);
      }),
      { numRuns: 500 },
    );
  });
  it('one line added at the top of four thousand is one command, and moves nobody', () => {
    const kind = kindOf('org-chart');
    const chart = kind.make(
      readList(`Head\n${Array.from({ length: 4000 }, (_, i) => `    Person ${i}`).join('\n')}`),
      'x',
    ) as OrgChart;
    const { gesture } = kind.update(chart, kind.text(chart).replace('\n', '\n    Ada Quill\n'), newId);
    expect(gesture).toHaveLength(1);
    expect(gesture[0]).toMatchObject({ kind: 'addEntries', entries: [{ name: 'Ada Quill', parent: 'e1' }] });
  });
  it('four thousand lines turned round are one command', () => {
    const kind = kindOf('org-chart');
    const lines = Array.from({ length: 4000 }, (_, i) => `Person ${i}`);
    const chart = kind.make(readList(lines.join('\n')), 'x');
    const { gesture } = kind.update(chart, [...lines].reverse().join('\n'), newId);
    expect(gesture.map(({ kind: what }) => what)).toEqual(['moveEntries']);
  });
  it('a chain of ten thousand is written in less than a hundred characters a line, and read back', () => {
    const kind = kindOf('org-chart');
    const rows = Array.from({ length: 10_000 }, (_, i) => `${i + 1},Person ${i + 1},${i === 0 ? '' : i}`);
    const chart = kind.make(readList(['Id,Name,Reports to', ...rows].join('\n')), 'x');
    const text = kind.text(chart);
    expect(text.length).toBeLessThan(10_000 * 100);
    expect(kind.update(chart, `${text}\r\n`, newId).gesture).toEqual([]);
  });
});

describe('a Venn diagram there and back', () => {
  const charts = fc
    .record({
      masks: fc.array(fc.nat({ max: 7 }), { minLength: 1, maxLength: 8 }),
      names: fc.array(hostileName, { minLength: 8, maxLength: 8 }),
      details: fc.array(fc.array(hostileName, { maxLength: 2 }), { minLength: 8, maxLength: 8 }),
      sets: fc.uniqueArray(fc.constantFrom(...hostileNames.filter((name) => name.trim() !== '')), {
        minLength: 3,
        maxLength: 3,
        selector: (name) => name.toLowerCase().replace(/[\s.'"_-]+/g, ''),
      }),
    })
    .map(({ masks, names, details, sets }): Venn => {
      const plain = vennOf(3, masks, (i) => names[i]!);
      const entries = Object.values(plain.entries).map(
        (entry, i) => [entry.id, { ...entry, details: details[i]! }] as const,
      );
      const named = setsInOrder(plain.venn).map((set, i) => [set.id, { ...set, name: sets[i]! }] as const);
      return {
        ...plain,
        entries: Object.fromEntries(entries),
        venn: { ...plain.venn, sets: Object.fromEntries(named) },
      };
    });
  it('as CSV: names, details and sets', () => {
    fc.assert(
      fc.property(charts, (diagram) => {
        const read = readSets(vennCsv(diagram));
        const told = Object.values(diagram.entries).sort(byOrder);
        expect(read.entries.map(({ name, details }) => ({ name, details }))).toEqual(
          told.map(({ name, details }) => ({ name, details: withoutEmptyEnd(details) })),
        );
        const at = new Map(read.entries.map((entry, i) => [entry.id, told[i]!.id]));
        const sets = setsInOrder(diagram.venn);
        expect(read.sets.map(({ name }) => name)).toEqual(sets.map(({ name }) => (name.trim() === name ? name : name)));
        read.sets.forEach(({ items }, i) =>
          expect(items.map((id) => at.get(id))).toEqual(
            told.filter(({ id }) => diagram.venn.members[id]?.includes(sets[i]!.id)).map(({ id }) => id),
          ),
        );
      }),
      { numRuns: 500 },
    );
  });
  it('as text: names, and sets in their order, also those that hold nothing or have commas in their names', () => {
    fc.assert(
      fc.property(charts, (diagram) => {
        const read = readSets(vennText(diagram));
        const told = Object.values(diagram.entries).sort(byOrder);
        const sets = setsInOrder(diagram.venn);
        expect(read.sets.map(({ name }) => name)).toEqual(sets.map(({ name }) => name));
        expect(read.entries.map(({ name }) => name)).toEqual(told.map(({ name }) => name));
        const at = new Map(read.entries.map((entry, i) => [entry.id, told[i]!.id]));
        read.sets.forEach(({ items }, i) =>
          expect(items.map((id) => at.get(id))).toEqual(
            told.filter(({ id }) => diagram.venn.members[id]?.includes(sets[i]!.id)).map(({ id }) => id),
          ),
        );
      }),
      { numRuns: 500 },
    );
  });
  it('a heading with a comma comes back as the set it is', () => {
    const csv = 'Name,First aid,"Minibus licence, valid this year",Boat\nAda,x,x,\nBo,,x,x\nCy,x,,\nDi,,,x\nEv,x,x,x\n';
    const kind = kindOf('venn');
    const made = kind.make(kind.read(tokensOf(csv)), '') as Venn;
    const again = kind.make(kind.read(tokensOf(vennText(made))), '') as Venn;
    expect(setsInOrder(again.venn).map(({ name }) => name)).toEqual([
      'First aid',
      'Minibus licence, valid this year',
      'Boat',
    ]);
    expect(vennCsv(again)).toBe(vennCsv(made));
  });
  it('a column of marks without any mark is a set that holds nothing, and is drawn', () => {
    const kind = kindOf('venn');
    const made = kind.make(kind.read(tokensOf('Name,Mud,Salt,Sand\nAda,x,,\nBo,,x,\nCy,x,x,')), '') as Venn;
    expect(setsInOrder(made.venn).map(({ name }) => name)).toEqual(['Mud', 'Salt', 'Sand']);
    for (const shape of ['equal', 'scaled-circles', 'scaled-ellipses'] as const) {
      const { scene } = draw({ ...made, venn: { ...made.venn, manner: { ...made.venn.manner, shape } } });
      expect(scene.groups.filter(({ stands }) => stands.for === 'set').length).toBeGreaterThanOrEqual(3);
    }
  });
  it('the first line of the text says the order of the sets, and names further ones', () => {
    const plain = vennOf(3, [1, 2, 3, 4, 5, 6, 7]);
    const [a, b, c] = setsInOrder(plain.venn).map(({ name }) => name) as [string, string, string];
    const told = `Sets: ${c}, ${a}, Elsewhere, ${b}\n${vennText(plain)}`;
    const { gesture } = kindOf('venn').update(plain, told, newId);
    const outcome = applyGesture(plain, gesture as Gesture);
    expect(outcome.ok && setsInOrder((outcome.diagram as Venn).venn).map(({ name }) => name)).toEqual([
      c,
      a,
      'Elsewhere',
      b,
    ]);
  });
  it('text that nobody edited changes nothing, also with blank lines at its end', () => {
    fc.assert(
      fc.property(charts, (diagram) => {
        const { gesture, findings } = kindOf('venn').update(diagram, `${vennText(diagram)}\n\n`, newId);
        expect({ gesture, findings }).toEqual({ gesture: [], findings: [] });
      }),
      { numRuns: 500 },
    );
  });
});

describe('whatever is pasted', () => {
  const word = fc.oneof(
    hostileName,
    fc.stringMatching(/^[a-z]{3,8}$/),
    fc.constantFrom('Name', 'Reports to', 'Title', 'x', 'Total'),
  );
  const line = fc.oneof(
    word,
    fc.array(word, { minLength: 2, maxLength: 12 }).map((cells) => cells.join(';')),
    fc.array(word, { minLength: 2, maxLength: 4 }).map((cells) => cells.join('\t')),
    fc.tuple(word, word).map(([name, sets]) => `${name}: ${sets}`),
    fc.tuple(fc.nat({ max: 3 }), word).map(([depth, name]) => `${'  '.repeat(depth)}- ${name}`),
    fc
      .tuple(fc.constantFrom(300, 450, 1200, 5000), fc.constantFrom(' ', ', ', ';'))
      .map(([count, by]) => Array.from({ length: count / 5 }, (_, i) => `w${i}`).join(by)),
  );
  const lists = fc.array(line, { minLength: 1, maxLength: 10 }).map((lines) => lines.join('\n'));
  it('what a reader makes always passes the schema', () => {
    fc.assert(
      fc.property(lists, (text) => {
        for (const id of ['org-chart', 'venn'] as const) {
          const made = kindOf(id).make(kindOf(id).read(tokensOf(text)), 'Pasted');
          expect(Diagram.safeParse(made).error?.issues ?? []).toEqual([]);
        }
      }),
      { numRuns: 500 },
    );
  });
  it('every word of the list is in the diagram, in the tray or in a finding', () => {
    fc.assert(
      fc.property(lists, (text) => {
        for (const id of ['org-chart', 'venn'] as const) {
          const read = kindOf(id).read(tokensOf(text));
          if (read.entries.length === 0) continue;
          const made = kindOf(id).make(read, '');
          const told = JSON.stringify([
            Object.values(made.entries).map(({ name, details, fields }) => [name, details, fields]),
            made.kind === 'venn' ? [Object.values(made.venn.sets), made.venn.manner.universe] : [],
            made.notPlaced,
            read.findings.map(({ message }) => message),
            read.columns.map(({ header }) => header),
          ]);
          const lost = (text.match(/[\p{L}]{3,}/gu) ?? []).filter(
            (each) => !told.includes(each) && !told.toLowerCase().includes(each.toLowerCase()),
          );
          // Words that say which set, whom or which role are told by what was made of them.
          expect(lost.filter((each) => !/^(none|and|und)$/i.test(each))).toEqual([]);
        }
      }),
      { numRuns: 1000 },
    );
  });
});
