import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { kinds, tokensOf } from '.';

/** Headings that some kind makes something of, and others. */
const headings = [
  ...['Name', 'Id', 'Reports to', 'Title', 'Role', 'Detail', 'Not placed', 'Also under', 'Link phrase', 'Phrase'],
  ...['Father', 'Mother', 'Partner', 'Parents', 'Born', 'Died', 'Sex', 'Married', 'Parentage', 'Birth place'],
  ...['From', 'To', 'Parent', 'Probability', 'Payoff', 'Cost', 'Answer', 'Level', 'Set: Boat', 'Colour', 'Photo', ''],
];
/** Words that mean nothing to anybody, each once, so that one that is missing was lost. */
const words = (n: number): string[] => Array.from({ length: n }, (_, i) => `Zq${i.toString(36).padStart(2, 'w')}v`);

interface Made {
  readonly text: string;
  readonly words: readonly string[];
}

const tables: fc.Arbitrary<Made> = fc
  .record({
    heads: fc.shuffledSubarray(headings, { minLength: 2, maxLength: 8 }),
    rows: fc.array(fc.array(fc.nat({ max: 3 }), { minLength: 10, maxLength: 10 }), { minLength: 1, maxLength: 6 }),
    extra: fc.nat({ max: 2 }),
    by: fc.constantFrom('\t', ',', ';'),
  })
  .map(({ heads, rows, extra, by }) => {
    const all = words(200);
    let next = 0;
    const used: string[] = [];
    const take = (): string => {
      used.push(all[next]!);
      return all[next++]!;
    };
    const named = ['Name', ...heads.filter((one) => one !== 'Name')];
    const body = rows.map((cells, r) =>
      Array.from({ length: named.length + (r === 1 ? extra : 0) }, (_, c) =>
        c === 0 || cells[c]! > 0 ? (cells[c] === 2 ? `${take()} ${take()}` : take()) : '',
      ),
    );
    return { text: [named, ...body].map((cells) => cells.join(by)).join('\n'), words: used };
  });

/** Rows of a table with a column a level, in which any cell but the first may be empty. */
const levels: fc.Arbitrary<Made> = fc
  .array(fc.tuple(fc.nat({ max: 2 }), fc.boolean(), fc.boolean()), { minLength: 2, maxLength: 8 })
  .map((rows) => {
    const all = words(3 * rows.length + 3);
    const body = rows.map(([top, middle, last], r) => [
      all[top]!,
      middle ? all[3 + 3 * r]! : '',
      last || !middle ? all[4 + 3 * r]! : '',
    ]);
    const text = [['Level 1', 'Level 2', 'Level 3'], ...body].map((cells) => cells.join(',')).join('\n');
    return { text, words: [...new Set(body.flat().filter(Boolean))] };
  });

const graphs: fc.Arbitrary<Made> = fc
  .array(fc.tuple(fc.constantFrom('label', 'note', 'kind', 'weight'), fc.nat({ max: 5 })), {
    minLength: 3,
    maxLength: 12,
  })
  .map((data) => {
    const all = words(data.length * 2 + 8);
    const node = (k: number, of: string): string =>
      `<node id="n${k}"><data key="label">${of}</data>${k % 2 ? `<desc>${all[data.length + k]}</desc>` : ''}</node>`;
    const used = data.map((_, i) => all[i]!);
    const nodes = [0, 1, 2].map((k) => node(k, all[data.length * 2 + k]!));
    const edges = data.map(
      ([key], i) =>
        `<edge source="n${i % 3}" target="n${(i + 1) % 3}"><data key="label">l${i}x</data><data key="${key}">${used[i]}</data></edge>`,
    );
    return {
      text: `<graphml><graph>${nodes.join('\n')}\n${edges.join('\n')}</graph></graphml>`,
      words: [...used, all[data.length + 1]!, ...[0, 1, 2].map((k) => all[data.length * 2 + k]!)],
    };
  });

/** Graphs in DOT with words wherever the language has room for them: labels, defaults, groups, remarks, and what stands around. */
const dots: fc.Arbitrary<Made> = fc.array(fc.nat({ max: 1_000_000 }), { minLength: 60, maxLength: 60 }).map((draws) => {
  const all = words(300);
  const used: string[] = [];
  let at = 0;
  const next = (n: number): number => draws[at++ % draws.length]! % n;
  const word = (): string => {
    used.push(all[used.length]!);
    return next(2) > 0 ? `"${used.at(-1)!}"` : used.at(-1)!;
  };
  const attributes = (names: readonly string[]): string => {
    const told = names.filter(() => next(3) === 0).map((name) => `${name}=${word()}`);
    return told.length > 0 ? ` [${told.join(next(2) > 0 ? ', ' : '][')}]` : '';
  };
  const ofAll = ['label', 'xlabel', 'tooltip', 'comment', 'URL'];
  const node = (): string => `n${next(6)}`;
  const statements = (depth: number): string[] =>
    Array.from({ length: 1 + next(5) }, () => {
      const what = next(8);
      if (what === 0) return `node${attributes(ofAll)}`.replace(/^node$/, 'node [shape=box]');
      if (what === 1) return `edge${attributes(ofAll)}`.replace(/^edge$/, 'edge [color=red]');
      if (what === 2 && depth < 3) return `subgraph c${next(9)} { ${statements(depth + 1).join('; ')} }`;
      if (what === 3) return `label=${word()}`;
      if (what === 4) return `graph${attributes(['label', 'tooltip'])}`.replace(/^graph$/, 'graph [rankdir=LR]');
      if (what === 5) return `${node()} -> ${node()} -> { ${node()} ${node()} }${attributes([...ofAll, 'headlabel'])}`;
      return `${node()}${attributes(ofAll)}`;
    });
  const graph = (): string => `digraph ${next(2) > 0 ? word() : ''} { n0; ${statements(0).join(';\n')} }`;
  const text = [graph(), ...(next(3) === 0 ? [graph()] : []), ...(next(3) === 0 ? [word()] : [])].join('\n');
  // A default that nothing takes up says nothing of the graph.
  const taken = used.filter((one) => !new RegExp(`(?:node|edge) [^\\n;{}]*${one}`).test(text));
  return { text, words: taken };
});

/** Lines of the forms that lists have, indented in all ways, with a sign put in, taken out or doubled here and there. */
const outlines: fc.Arbitrary<Made> = fc
  .record({
    lines: fc.array(fc.tuple(fc.nat({ max: 15 }), fc.nat({ max: 4 }), fc.nat({ max: 7 })), {
      minLength: 2,
      maxLength: 9,
    }),
    by: fc.constantFrom('  ', '\t', '    ', '- ', '. '),
    slips: fc.array(
      fc.tuple(
        fc.nat(),
        fc.constantFrom('', ':', ',', ';', '-', '>', '(', ')', '"', '+', '&', '\t', '/', '|', '=', '*'),
      ),
      {
        maxLength: 4,
      },
    ),
  })
  .map(({ lines, by, slips }) => {
    const all = words(60);
    let next = 0;
    const w = (): string => all[next++]!;
    const forms = [
      () => w(),
      () => `${w()} ${w()}`,
      () => `${w()}, ${w()}`,
      () => `${w()}: ${w()}, ${w()}`,
      () => `${w()} - ${w()}`,
      () => `${w()} (${w()})`,
      () => `${w()} -> ${w()}`,
      () => `${w()} --${w()}--> ${w()}`,
      () => `+ ${w()} (1850-1900)`,
      () => `${w()} & ${w()}`,
      () => `Yes: ${w()}`,
      () => `${w()}? 30% ${w()}`,
      () => `${w()} = ${w()}`,
      () => `1.2 ${w()} ${w()}`,
      () => `* ${w()} | ${w()}`,
      () => `"${w()}, ${w()}"`,
    ];
    let text = lines
      .map(
        ([form, depth, end]) =>
          `${by === '- ' ? '  '.repeat(depth) + by : by.repeat(depth)}${forms[form]!()}${['', '', '', '', ':', '.', ' ', ';'][end]!}`,
      )
      .join('\n');
    for (const [place, sign] of slips) {
      const at = place % text.length;
      // A sign within a word would make two of it.
      if (/[0-9A-Za-z]/.test(text[at]!)) continue;
      text = text.slice(0, at) + sign + text.slice(place % 2 ? at : at + 1);
    }
    return { text, words: all.slice(0, next).filter((word) => text.includes(word)) };
  });

describe.each(kinds.map((kind) => [kind.id, kind] as const))('no word of a list is lost, read as %s', (_, kind) => {
  const expectAll = ({ text, words: all }: Made): void => {
    const read = kind.read(tokensOf(text));
    if (read.entries.length === 0) return;
    const told = JSON.stringify(read).toLowerCase();
    expect([text, all.filter((word) => !told.includes(word.toLowerCase()))]).toEqual([text, []]);
  };
  it('of a table, whatever its columns are called', () => {
    fc.assert(fc.property(tables, expectAll), { numRuns: 2000 });
  });
  it('of a table with a column a level, whichever cells are empty', () => {
    fc.assert(fc.property(levels, expectAll), { numRuns: 500 });
  });
  it('of lines of all forms, with slips of the pen', () => {
    fc.assert(fc.property(outlines, expectAll), { numRuns: 500 });
  });
  if (kind.id === 'concept-map')
    it('of GraphML: descriptions, further data and further labels of nodes and edges', () => {
      fc.assert(fc.property(graphs, expectAll), { numRuns: 300 });
    });
  if (kind.id === 'concept-map')
    it('of DOT: labels of all sorts, of groups and of the whole, defaults, remarks, what stands around', () => {
      fc.assert(fc.property(dots, expectAll), { numRuns: 600 });
    });
});
