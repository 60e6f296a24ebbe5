import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { kinds, tokensOf, brokenInvariants } from '../diagram';
import { csvRow } from '../hierarchy';
import { columnUseOf } from './headings';
import { delimiters, findDelimiter, parseDelimited } from './delimited';
import { readMembershipLines } from '../kinds/venn/read/membership-lines';
import { orgVocabulary } from '../kinds/org-chart';
import { decodeList } from './decode';
import { readList, readSets } from '../testing/lists';

/** Cells as they come from spreadsheets: with quotes, delimiters and line ends, without spaces at their ends. */
const cell = fc
  .array(fc.oneof(fc.constantFrom('"', ',', ';', '\n', ' ', '\t', 'é', '–', '’'), fc.string({ maxLength: 4 })), {
    maxLength: 6,
  })
  .map((parts) => parts.join('').replaceAll('\0', '').replaceAll('\r', '').trim());
const table = fc
  .integer({ min: 1, max: 5 })
  .chain((width) => fc.array(fc.array(cell, { minLength: width, maxLength: width }), { minLength: 1, maxLength: 12 }));

describe('RFC 4180, there and back', () => {
  it('any cells are read as they were written', () => {
    fc.assert(
      fc.property(table, (rows) => {
        const kept = rows.filter((row) => row.some((one) => one !== ''));
        const { rows: read, openQuote } = parseDelimited(rows.map(csvRow).join(''), ',');
        expect(read.map(({ cells }) => cells)).toEqual(kept);
        expect(openQuote).toBeNull();
      }),
    );
  });
  it('a row is told by the line of the file it begins on', () => {
    fc.assert(
      fc.property(table, (rows) => {
        const text = rows.map(csvRow).join('');
        const lines = text.split(/\r\n|\n/);
        for (const { line, cells } of parseDelimited(text, ',').rows) {
          // What stands before the first delimiter, quote or line end of the row stands on that line.
          const begin = /^[^",\n]*/.exec(cells[0]!)![0];
          expect(lines[line - 1]).toContain(begin.trim());
        }
      }),
    );
  });
  it('the delimiter of a plain table is found whichever it is', () => {
    const word = fc.stringMatching(/^[A-Za-zäé ]{1,12}$/).filter((one) => one.trim() !== '');
    fc.assert(
      fc.property(
        fc.constantFrom(...delimiters),
        fc
          .integer({ min: 2, max: 5 })
          .chain((width) =>
            fc.array(fc.array(word, { minLength: width, maxLength: width }), { minLength: 3, maxLength: 9 }),
          ),
        (delimiter, rows) => {
          expect(findDelimiter(rows.map((row) => row.join(delimiter)).join('\n'), orgVocabulary.headings)).toBe(
            delimiter,
          );
        },
      ),
    );
  });
});

describe('bytes of a list', () => {
  const letters = fc.stringMatching(/^[A-Za-z äöüßéèñçøåžłÞ–“”]{1,40}$/);
  it('are read in UTF-8 and in UTF-16 either way round', () => {
    fc.assert(
      fc.property(letters, (text) => {
        const utf16 = (big: boolean): Uint8Array => {
          const bytes = [...(big ? [0xfe, 0xff] : [0xff, 0xfe])];
          for (let i = 0; i < text.length; i++) {
            const unit = text.charCodeAt(i);
            bytes.push(...(big ? [unit >> 8, unit & 255] : [unit & 255, unit >> 8]));
          }
          return Uint8Array.from(bytes);
        };
        for (const bytes of [new TextEncoder().encode(text), utf16(true), utf16(false)])
          expect(decodeList(bytes)).toEqual({ text, findings: [] });
      }),
    );
  });
  it('of any sort give text or a message that says what to do, never an error', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 300 }), (bytes) => {
        const { text, findings } = decodeList(bytes);
        if (text === null) expect(findings[0]!.message).toMatch(/Paste|paste|Leave out/);
        else for (const kind of kinds) expect(() => kind.read(tokensOf(text))).not.toThrow();
      }),
    );
  });
});

describe('whatever is pasted, in every kind', () => {
  const line = fc.oneof(
    cell,
    fc.array(cell, { minLength: 2, maxLength: 4 }).map((cells) => cells.join('\t')),
    fc.tuple(cell, cell).map(([name, sets]) => `${name}: ${sets}`),
    fc.tuple(fc.nat({ max: 3 }), cell).map(([depth, name]) => `${'  '.repeat(depth)}- ${name}`),
  );
  it('a diagram is made that holds together, with everything that was read in it, and its text is read again', () => {
    fc.assert(
      fc.property(fc.array(line, { maxLength: 12 }), (lines) => {
        for (const kind of kinds) {
          const read = kind.read(tokensOf(lines.join('\n')));
          for (const { message } of read.findings) expect(message).toMatch(/[.?”]$/);
          const diagram = kind.make(read, 'Pasted');
          expect(brokenInvariants(diagram)).toEqual([]);
          expect(Object.keys(diagram.entries)).toHaveLength(read.entries.length);
          const names = (made: typeof diagram) =>
            Object.values(made.entries)
              .map(({ name }) => name.trim())
              .sort();
          const again = kind.read(tokensOf(kind.csv(diagram)));
          expect(names(kind.make(again, ''))).toEqual(names(diagram));
          expect(kind.update(diagram, kind.text(diagram), () => 'new').gesture).toEqual([]);
        }
      }),
      { numRuns: 150 },
    );
  });
  it('nobody is read twice, and everybody stands under somebody who was read', () => {
    fc.assert(
      fc.property(fc.array(line, { maxLength: 12 }), (lines) => {
        const sets = readSets(lines.join('\n'));
        for (const read of [readList(lines.join('\n')), sets]) {
          const ids = read.entries.map(({ id }) => id);
          expect(new Set(ids).size).toBe(ids.length);
          for (const { parent } of read.entries) if (parent !== null) expect(ids).toContain(parent);
        }
        const items = new Set(sets.entries.map(({ id }) => id));
        for (const set of sets.sets) for (const id of set.items) expect(items.has(id)).toBe(true);
      }),
    );
  });
});

describe('headings people use', () => {
  it.each([
    ['Reports to', 'parent'],
    ['LINE MANAGER', 'parent'],
    ['Vorgesetzte', 'parent'],
    ['Supérieur', 'parent'],
    ['Manager ID', 'parent'],
    ['Also reports to', 'alsoUnder'],
    ['Staff no', 'id'],
    ['Full name', 'name'],
    ['Job title:', 'detail'],
    ['Abteilung', 'detail'],
    ['Room', null],
  ])('“%s” is %s', (heading, use) => expect(columnUseOf(heading, orgVocabulary.headings)).toBe(use));
});

describe('lines of items and their sets', () => {
  const known = ['mudflat', 'salt marsh, upper', 'Level 2: ropes'];
  it.each([
    ['curlew: mudflat', 'curlew', ['mudflat']],
    ['curlew:mudflat', 'curlew:mudflat', []],
    ['curlew:   MUDFLAT ,salt marsh, upper', 'curlew', ['mudflat', 'salt marsh, upper']],
    ['curlew: Level 2: ropes, mudflat', 'curlew', ['Level 2: ropes', 'mudflat']],
    ['curlew: brown: mudflat', 'curlew: brown', ['mudflat']],
    ['curlew: dune; mudflat', 'curlew', ['dune', 'mudflat']],
    ['curlew:', 'curlew', []],
    ['–: mudflat', '', ['mudflat']],
  ])('“%s”', (text, name, sets) => {
    expect(readMembershipLines(`teal: mudflat\n${text}`, known).lines[1]).toEqual({ name, details: null, sets });
  });
});
