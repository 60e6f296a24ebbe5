import { strToU8, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { readInAllKinds } from '../../diagram';
import { decodeList } from '../decode';
import { shownAs } from './number-format';
import { columnName } from './sheet';

const part = (name: string, inner: string) =>
  `<?xml version="1.0" encoding="UTF-8"?><${name} xmlns:r="x">${inner}</${name}>`;

interface Sheet {
  readonly name: string;
  readonly data: string;
  readonly state?: string;
}

/** A workbook as spreadsheets write it: texts shared, styles by number. */
function xlsx(sheets: readonly Sheet[], { texts = [] as string[], styles = '', book = '' } = {}): Uint8Array {
  return zipSync({
    '[Content_Types].xml': strToU8('<Types/>'),
    'xl/workbook.xml': strToU8(
      part(
        'workbook',
        `${book}<sheets>${sheets.map(({ name, state }, i) => `<sheet name="${name}" sheetId="${i + 1}" ${state ? `state="${state}" ` : ''}r:id="rId${i + 1}"/>`).join('')}</sheets>`,
      ),
    ),
    'xl/_rels/workbook.xml.rels': strToU8(
      part(
        'Relationships',
        sheets.map((_, i) => `<Relationship Id="rId${i + 1}" Target="worksheets/sheet${i + 1}.xml"/>`).join(''),
      ),
    ),
    'xl/sharedStrings.xml': strToU8(part('sst', texts.map((text) => `<si>${text}</si>`).join(''))),
    'xl/styles.xml': strToU8(part('styleSheet', styles)),
    ...Object.fromEntries(
      sheets.map(({ data }, i) => [`xl/worksheets/sheet${i + 1}.xml`, strToU8(part('worksheet', data))]),
    ),
  });
}
const inline = (address: string, text: string) => `<c r="${address}" t="inlineStr"><is><t>${text}</t></is></c>`;
const rows = (...cells: readonly string[][]) =>
  `<sheetData>${cells.map((row, r) => `<row r="${r + 1}">${row.map((text, c) => (text === '' ? '' : inline(`${'ABCDEFG'[c]}${r + 1}`, text))).join('')}</row>`).join('')}</sheetData>`;

const ods = (tables: string): Uint8Array =>
  zipSync({
    'content.xml': strToU8(
      `<office:document-content xmlns:office="o" xmlns:table="t" xmlns:text="x"><office:body><office:spreadsheet>${tables}</office:spreadsheet></office:body></office:document-content>`,
    ),
  });
const cell = (text: string, more = '') => `<table:table-cell ${more}><text:p>${text}</text:p></table:table-cell>`;

const staff = [
  ['Wer', 'Über'],
  ['Ana Rook', ''],
  ['Ben Heron', 'Ana Rook'],
  ['Cy Teal', 'Ben Heron'],
];

describe('spreadsheets', () => {
  it('reads the cells of a workbook, whose list is then understood', () => {
    const { text, parts } = decodeList(xlsx([{ name: 'Staff', data: rows(...staff) }]));
    expect(parts).toBeUndefined();
    const { kind, read } = readInAllKinds(text!)[0]!;
    expect(kind.id).toBe('org-chart');
    expect(read.entries.map(({ name, line }) => [name, line])).toEqual([
      ['Ana Rook', 2],
      ['Ben Heron', 3],
      ['Cy Teal', 4],
    ]);
    expect(read.entries[2]!.parent).toBe(read.entries[1]!.id);
  });

  it('shows shared texts, numbers and dates as the cells do (formats of ECMA-376, part 1, 18.8.30)', () => {
    const data = `<sheetData><row r="1"><c r="A1" t="s"><v>0</v></c><c r="B1" s="1"><v>45000</v></c><c r="C1" s="2"><v>0.3</v></c><c r="D1" s="3"><v>11000</v></c><c r="E1" t="b"><v>1</v></c><c r="F1"><v>0.30000000000000004</v></c><c r="G1" s="4"><v>45000</v></c></row></sheetData>`;
    const styles =
      '<numFmts><numFmt numFmtId="164" formatCode="dd\\.mm\\.yyyy"/></numFmts><cellXfs><xf numFmtId="0"/><xf numFmtId="14"/><xf numFmtId="9"/><xf numFmtId="4"/><xf numFmtId="164"/></cellXfs>';
    const texts = ['<r><t>Curlew</t></r><r><t xml:space="preserve"> &amp; dunlin</t></r><rPh><t>spoken</t></rPh>'];
    const { text } = decodeList(xlsx([{ name: 'S', data }], { texts, styles }));
    expect(text!.split('\t')).toEqual([
      'Curlew & dunlin',
      '2023-03-15',
      '30%',
      '11,000.00',
      'TRUE',
      '0.3',
      '15.03.2023',
    ]);
  });

  it('counts days from either beginning', () => {
    // 1 January 2000: day 36526 counted from 1900, day 35064 counted from 1904.
    expect(shownAs('36526', 14, false)).toBe('2000-01-01');
    expect(shownAs('35064', 14, true)).toBe('2000-01-01');
  });

  it('takes the fullest sheet that is not put away, and offers all', () => {
    const small = rows(['Code', 'Word'], ['a', 'b']);
    const large = rows(...Array.from({ length: 30 }, (_, i) => [`Old ${i}`, 'x', 'y']));
    const read = decodeList(
      xlsx([
        { name: 'Codes', data: small },
        { name: 'Staff', data: rows(...staff) },
        { name: 'Old', data: large, state: 'hidden' },
        { name: 'Empty', data: '<sheetData/>' },
      ]),
    );
    expect(read.parts?.map(({ name }) => name)).toEqual(['Codes', 'Staff', 'Old']);
    expect(read.part).toBe(1);
    expect(read.text).toBe(read.parts![1]!.text);
    expect(read.text).toContain('Ben Heron\tAna Rook');
  });

  it('fills joined cells down, and lets a title across its row stand once', () => {
    const data = `${rows(['Shores of the bay', '', ''], ['Rocky', 'Bay', 'weed'], ['', 'Headland', 'limpets'])}<mergeCells><mergeCell ref="A1:C1"/><mergeCell ref="A2:A3"/></mergeCells>`;
    expect(decodeList(xlsx([{ name: 'S', data }])).text).toBe(
      'Shores of the bay\t\t\nRocky\tBay\tweed\nRocky\tHeadland\tlimpets',
    );
  });

  it('keeps rows where they are, and says which are hidden', () => {
    const data = `<sheetData><row r="2">${inline('B2', 'Ana')}</row><row r="4" hidden="1">${inline('B4', 'Ben')}</row></sheetData>`;
    const { text, findings } = decodeList(xlsx([{ name: 'Staff', data }]));
    expect(text).toBe('\nAna\n\nBen');
    expect(findings).toMatchObject([{ code: 'hidden-rows', line: 4 }]);
    expect(findings[0]!.message).toContain('Row 4 of the sheet “Staff” is hidden');
  });

  it('reads Open Document spreadsheets: cells that come again, joined and covered ones, remarks left out', () => {
    const first = `<table:table-row>${cell('Rocky', 'table:number-rows-spanned="2"')}${cell('Bay <text:span>and</text:span> cove')}<table:table-cell table:number-columns-repeated="2"><office:annotation><text:p>hush</text:p></office:annotation><text:p>weed</text:p></table:table-cell></table:table-row>`;
    const second = `<table:table-row table:visibility="collapse"><table:covered-table-cell/>${cell('Headland')}</table:table-row>`;
    const filler =
      '<table:table-row table:number-rows-repeated="1048570"><table:table-cell table:number-columns-repeated="16384"/></table:table-row>';
    const { text, findings } = decodeList(
      ods(`<table:table table:name="Shores">${first}${second}${filler}</table:table>`),
    );
    expect(text).toBe('Rocky\tBay and cove\tweed\tweed\nRocky\tHeadland\t\t');
    expect(findings[0]).toMatchObject({ code: 'hidden-rows', line: 2 });
  });

  it('refuses what is damaged, no spreadsheet, empty, or a bomb, in words', () => {
    const whole = xlsx([{ name: 'Staff', data: rows(...staff) }]);
    const refused = (bytes: Uint8Array) => {
      const { text, findings } = decodeList(bytes);
      expect(text).toBeNull();
      return findings[0]!.message;
    };
    expect(refused(whole.slice(0, whole.length / 2))).toContain('damaged');
    expect(refused(zipSync({ 'letter.txt': strToU8('Dear all') }))).toContain('no spreadsheet');
    expect(refused(xlsx([{ name: 'S', data: '<sheetData/>' }]))).toContain('nothing in its cells');
    expect(
      refused(
        zipSync({ 'xl/workbook.xml': strToU8('<workbook/>'), 'xl/worksheets/sheet1.xml': new Uint8Array(90_000_000) }),
      ),
    ).toContain('80 MB');
  });

  it('takes cells at the far edge of a sheet without filling what lies between', () => {
    const data = `<sheetData><row r="1">${inline('A1', 'Ana')}</row><row r="1048576">${inline('XFD1048576', 'Ben')}</row></sheetData>`;
    const { text } = decodeList(xlsx([{ name: 'S', data }]));
    expect(text!.length).toBeLessThan(200);
    expect(text!.split('\n').filter(Boolean)).toEqual(['Ana\t', '\tBen']);
  });

  it('refuses a sheet that is all gaps, and says which of several was too large', () => {
    const gaps = `<sheetData>${Array.from({ length: 5000 }, (_, i) => `<row r="${i + 1}">${inline(`${columnName(i)}${i + 1}`, 'x')}</row>`).join('')}</sheetData>`;
    expect(decodeList(xlsx([{ name: 'Gaps', data: gaps }]))).toMatchObject({
      text: null,
      findings: [{ code: 'too-large' }],
    });
    const read = decodeList(
      xlsx([
        { name: 'Gaps', data: gaps },
        { name: 'Staff', data: rows(...staff) },
      ]),
    );
    expect(read.text).toContain('Ben Heron');
    expect(read.findings[0]!.message).toContain('“Gaps”');
  });
});
