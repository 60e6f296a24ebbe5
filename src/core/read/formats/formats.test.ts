import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readAs, readInAllKinds, kindOf, type KindId } from '../../diagram';
import { formatText } from '.';

/** By name the name of whom each stands under, in the kind that fits best. */
function understood(text: string) {
  const [best] = readInAllKinds(text);
  const { read, kind } = best!;
  const names = new Map(read.entries.map(({ id, name }) => [id, name]));
  const under = Object.fromEntries(read.entries.map(({ name, parent }) => [name, parent && names.get(parent)]));
  return { kind: kind.id, under, read };
}

/** A tree of people by their numbers; nobody's superior comes after them. */
const trees = fc
  .array(fc.nat(), { minLength: 6, maxLength: 24 })
  .map((tops) => tops.map((top, i) => ({ name: nameOf(i), id: `p${i + 41}`, top: i === 0 ? null : top % i })));
const firsts = ['Rado', 'Keni', 'Zora', 'Bena', 'Lurut'];
const lasts = ['Mibel', 'Polat', 'Tugal', 'Vikor', 'Nopin'];
const nameOf = (i: number): string => `${firsts[i % 5]} ${lasts[Math.floor(i / 5) % 5]}`;
type Tree = readonly { readonly name: string; readonly id: string; readonly top: number | null }[];

const nested = (tree: Tree, at = 0): object => ({
  wer: tree[at]!.name,
  was: `Post ${at + 1}`,
  unter: tree.flatMap((one, i) => (one.top === at ? [nested(tree, i)] : [])),
});
const outlines = (tree: Tree, at = 0): string =>
  `<outline text="${tree[at]!.name}">${tree.map((one, i) => (one.top === at ? outlines(tree, i) : '')).join('\n')}</outline>`;
const dn = ({ id }: { id: string }): string => `uid=${id},ou=people,dc=brackwater,dc=example`;

const written: Readonly<Record<string, (tree: Tree) => string>> = {
  'objects of one list': (tree) =>
    JSON.stringify(
      tree.map(({ name, id, top }) => ({ clave: id, quien: name, sobre: top === null ? null : tree[top]!.id })),
      null,
      1,
    ),
  'objects within objects': (tree) => JSON.stringify(nested(tree), null, 2),
  'objects by their keys': (tree) =>
    JSON.stringify(
      Object.fromEntries(
        tree.map(({ name, id, top }) => [id, { naam: name, onder: top === null ? '' : tree[top]!.id }]),
      ),
    ),
  'a list within others': (tree) =>
    JSON.stringify({
      version: 2,
      data: {
        folk: tree.map(({ name, id, top }) => ({
          id,
          name,
          boss: top === null ? null : { id: tree[top]!.id, name: tree[top]!.name },
        })),
      },
    }),
  'an object a line': (tree) =>
    tree
      .map(({ name, id, top }) => JSON.stringify({ id, name, over: top === null ? null : tree[top]!.name }))
      .join('\n'),
  OPML: (tree) => `<?xml version="1.0"?>\n<opml version="2.0"><head/><body>\n${outlines(tree)}\n</body></opml>`,
  LDIF: (tree) =>
    tree
      .map(
        (one) =>
          `dn: ${dn(one)}\nobjectClass: person\ncn: ${one.name}\n${one.top === null ? '' : `manager: ${dn(tree[one.top]!)}\n`}`,
      )
      .join('\n'),
};

describe('lists as programs hand them over', () => {
  for (const [format, write] of Object.entries(written))
    it(`tells who stands under whom from ${format}`, () => {
      fc.assert(
        fc.property(trees, (tree) => {
          const { under } = understood(write(tree));
          expect(under).toEqual(
            Object.fromEntries(tree.map(({ name, top }) => [name, top === null ? null : tree[top]!.name])),
          );
        }),
        { numRuns: 40 },
      );
    });

  it('reads things and what joins them as propositions, whatever the keys', () => {
    const text = JSON.stringify({
      things: [
        { nr: 1, what: 'tides' },
        { nr: 2, what: 'silt' },
        { nr: 3, what: 'mudflat' },
        { nr: 4, what: 'heron' },
      ],
      arrows: [
        { a: 1, b: 2, says: 'carry' },
        { a: 2, b: 3, says: 'builds up' },
      ],
    });
    const { kind, read } = understood(text);
    expect(kind).toBe('concept-map');
    const names = new Map(read.entries.map(({ id, name }) => [id, name]));
    expect(read.links.map(({ from, phrase, to }) => [names.get(from), phrase, names.get(to)])).toEqual([
      ['tides', 'carry', 'silt'],
      ['silt', 'builds up', 'mudflat'],
    ]);
    expect([...names.values()]).toContain('heron');
  });

  it('reads keys as a tree where nothing else is told', () => {
    const { under } = understood('{"Shores": {"Rocky": {"Headland": {}, "Bay": null}, "Sandy": ["Beach", "Dune"]}}');
    expect(under).toEqual({
      Shores: null,
      Rocky: 'Shores',
      Headland: 'Rocky',
      Bay: 'Rocky',
      Sandy: 'Shores',
      Beach: 'Sandy',
      Dune: 'Sandy',
    });
  });

  it('reads a list of people after SCIM (RFC 7643) by the identifiers of their managers', () => {
    const enterprise = 'urn:ietf:params:scim:schemas:extension:enterprise:2.0:User';
    const user = (id: string, name: string, manager: string | null) => ({
      schemas: ['urn:ietf:params:scim:schemas:core:2.0:User', enterprise],
      id,
      userName: name.split(' ')[0],
      name: { formatted: name },
      ...(manager ? { [enterprise]: { manager: { value: manager } } } : {}),
    });
    const Resources = [
      user('26118915', 'Ana Rook', null),
      user('2819', 'Ben Heron', '26118915'),
      user('2820', 'Cy Teal', '26118915'),
      user('2821', 'Di Smew', '2820'),
    ];
    const { under, kind } = understood(JSON.stringify({ totalResults: 4, Resources }));
    expect(kind).toBe('org-chart');
    expect(under).toEqual({ 'Ana Rook': null, 'Ben Heron': 'Ana Rook', 'Cy Teal': 'Ana Rook', 'Di Smew': 'Cy Teal' });
  });

  it('joins folded lines and reads base64 in LDIF (RFC 2849, examples 2 and 4, from memory)', () => {
    const text = [
      'version: 1',
      'dn:cn=Barbara Jensen, ou=Product Development, dc=airius, dc=com',
      'cn:Barbara Jensen',
      'description:Babs is a big sailing fan, and travels extensively in sea',
      ' rch of perfect sailing conditions.',
      'title:: UHJvZHVjdCBNYW5hZ2Vy',
    ].join('\n');
    expect(formatText(text)!.text).toContain('travels extensively in search of perfect sailing conditions.');
    expect(formatText(text)!.text).toContain('Product Manager');
  });

  it('reads cards of people by the parts of their organisation', () => {
    const card = (name: string, org: string) =>
      `BEGIN:VCARD\r\nVERSION:4.0\r\nFN:${name}\r\nORG:${org}\r\nEND:VCARD\r\n`;
    const { under } = understood(
      [
        card('Ana Rook', 'Brackwater'),
        card('Ben Heron', 'Brackwater;Boats'),
        card('Cy Teal', 'Brackwater;Boats;Repairs'),
      ].join(''),
    );
    expect(under).toEqual({
      Brackwater: null,
      'Ana Rook': 'Brackwater',
      Boats: 'Brackwater',
      'Ben Heron': 'Boats',
      Repairs: 'Boats',
      'Cy Teal': 'Repairs',
    });
  });

  it('reads parents and partners of cards, told with either of them', () => {
    const card = (name: string, ...lines: string[]) =>
      ['BEGIN:VCARD', 'VERSION:4.0', `FN:${name}`, ...lines, 'END:VCARD'].join('\n');
    const text = [
      card(
        'Edda Marsh',
        'UID:urn:uuid:e',
        'RELATED;TYPE=spouse;VALUE=text:Olaf Marsh',
        'RELATED;TYPE=child:urn:uuid:r',
      ),
      card('Olaf Marsh', 'RELATED;TYPE=spouse;VALUE=text:Edda Marsh'),
      card('Runa Marsh', 'UID:urn:uuid:r', 'RELATED;TYPE=parent;VALUE=text:Olaf Marsh'),
    ].join('\n');
    const { kind, read } = understood(text);
    expect(kind).toBe('family-tree');
    const names = new Map(read.entries.map(({ id, name }) => [id, name]));
    const unions = (read as unknown as { unions: { partners: string[]; children: { id: string }[] }[] }).unions;
    expect(unions.map(({ partners }) => partners.map((id) => names.get(id)).sort())).toEqual([
      ['Edda Marsh', 'Olaf Marsh'],
    ]);
  });

  it('says where a file is not well formed, and reads the rest', () => {
    const text =
      '[\n {"id": 1, "name": "Ana Rook"},\n {"id": 2, "name": "Ben Heron", "boss": 1},\n {"id": 3, "name": "Cy Teal" "boss": 2}\n]';
    const { read, under } = understood(text);
    expect(under['Ben Heron']).toBe('Ana Rook');
    expect(read.findings.find(({ code }) => code === 'format-fault')).toMatchObject({ line: 4, severity: 'warning' });
  });

  it('refuses what is nested without end, in words and at once', () => {
    const { read } = understood('['.repeat(200_000) + '1' + ']'.repeat(200_000));
    expect(read.entries).toEqual([]);
    expect(read.findings.map(({ message }) => message).join(' ')).toContain('nested more than 500 deep');
  });

  it('reads objects within objects of one key, however deep, at once', () => {
    const deep = `${'{"a": '.repeat(400)}[{"n": "Ana Rook"}, {"n": "Ben Heron"}]${'}'.repeat(400)}`;
    expect(formatText(deep)!.text).toContain('Ana Rook');
  });

  it('loses nothing of objects that have all other keys, and makes no rows as long as all of them', () => {
    const list = Array.from({ length: 3000 }, (_, i) => ({ name: nameOf(i), [`key${i}`]: `Zq${i}v` }));
    const { text, rows } = formatText(JSON.stringify(list))!;
    for (const i of [0, 150, 2999]) {
      expect(text).toContain(`Zq${i}v`);
      expect(text).toContain(`key${i}`);
    }
    expect(Math.max(...rows!.map(({ cells }) => cells.length))).toBeLessThan(300);
  });

  it('expands no entity of its own making', () => {
    const bomb = `<?xml version="1.0"?><!DOCTYPE opml [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;">]>\n<opml version="2.0"><body><outline text="&b;"/><outline text="Dunes"/></body></opml>`;
    const told = formatText(bomb);
    expect(told?.format).toBe('OPML');
    expect(told?.text).not.toContain('aaaaaaaaaa');
    expect(told?.text).toContain('Dunes');
    expect(told?.problems.length).toBeGreaterThan(0);
  });

  it('says which format it was, in every kind', () => {
    for (const kind of ['org-chart', 'topic-tree', 'family-tree'] as KindId[])
      expect(
        readAs(kindOf(kind), '[{"a": "Ana Rook", "b": "x"}, {"a": "Ben Heron", "b": "y"}]').findings[0],
      ).toMatchObject({ code: 'format', message: 'Read from JSON.' });
  });

  it('takes no list in square brackets for JSON', () => {
    expect(formatText('[Boats]\nAna\nBen\n[Paths]\nCy')).toBeNull();
    expect(formatText('{draft}\nAna, Director\n  Ben, Boats')).toBeNull();
  });
});
