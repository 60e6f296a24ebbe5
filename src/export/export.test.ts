import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';
import { brackwaterStaff } from '../../demo/diagrams';
import { check, createDiagram, diagramOf, draw, drawSet, kindOf, tokensOf, type Diagram } from '../core/diagram';
import { createEntry } from '../core/model';
import { embeddedFontCss } from './fonts';
import { formats } from './formats';
import { jsonOf } from './json/json';
import { tilingOf } from '../core/scene';
import { diagramFromParents } from '../core/testing/arbitrary';
import { pdfOf } from './pdf/pdf';
import { pngOf } from './png/png';
import { svgOf } from './svg/svg';

const staff = brackwaterStaff(
  readFileSync(fileURLToPath(new URL('../../demo/lists/brackwater-staff.csv', import.meta.url)), 'utf8'),
);
const { scene } = draw(staff);
const names = Object.values(staff.entries).map((entry) => entry.name);
/** All words of a PDF in any order, as Poppler reads them. */
const wordsOf = (pdf: Buffer) => execFileSync('pdftotext', ['-', '-'], { input: pdf }).toString().split(/\s+/);

describe('SVG', () => {
  it('has every name as text, the sheet’s size, a title and a description', () => {
    const svg = svgOf(scene);
    for (const name of names) for (const word of name.split(/[ -]/)) expect(svg).toContain(word);
    expect(svg).toContain('width="1122.52" height="793.701"');
    expect(svg).toContain('<title id="title">Brackwater staff, autumn</title>');
    expect(svg).toContain('46 entries in 5 tiers');
  });
  it('keeps what would break XML out of names', () => {
    const diagram = diagramOf('org-chart', 'a < b & "c"', [createEntry({ id: 'a', order: 'V', name: '<b>&"\u0001' })]);
    const svg = svgOf(draw(diagram).scene);
    expect(svg).toContain('&lt;b&gt;&amp;&quot;');
    expect(svg).not.toContain('\u0001');
    expect(svg).not.toContain('<b>');
  });
  it('carries the used characters of its fonts', async () => {
    const css = await embeddedFontCss(scene);
    expect(css.match(/@font-face/g)).toHaveLength(5);
    expect(css).toContain('font-family:"Source Serif 4"');
    expect(css.length).toBeLessThan(120_000);
  });
});

describe('scripts', () => {
  const twinned = kindOf('org-chart').make(
    kindOf('org-chart').read(
      tokensOf(readFileSync(fileURLToPath(new URL('../../demo/lists/twinned-centres.txt', import.meta.url)), 'utf8')),
    ),
    'Twinned centres',
  );
  const drawn = draw(twinned);
  it('are named in no finding, and their letters keep their forms in SVG', () => {
    expect(check(twinned, drawn).filter(({ code }) => code === 'no-glyph')).toEqual([]);
    const svg = svgOf(drawn.scene);
    expect(svg).toMatch(/direction="rtl" unicode-bidi="bidi-override"[^>]*>الزهراء</);
    expect(svg).toMatch(/font-family="'Noto Sans SC'[^>]*>张伟明</);
  });
  it('can be searched and copied in a PDF, whichever way they run', async () => {
    const words = wordsOf(await pdfOf([{ name: 'x', scene: drawn.scene }])).map((word) =>
      word.replace(/[\u202a-\u202e]/g, ''),
    );
    for (const word of ['فاطمة', 'الزهراء', 'כהן', 'कृष्णमूर्ति', 'प्रिया', '田中さくら', '김민준', '张伟明'])
      expect(words, word).toContain(word);
  });
});

describe('PDF', () => {
  it('is one page of the sheet’s size with embedded fonts and every name selectable', async () => {
    const pdf = await pdfOf([{ name: 'Chart', scene }]);
    const info = execFileSync('pdfinfo', ['-'], { input: pdf }).toString();
    expect(info).toMatch(/Pages:\s+1\n/);
    // A4 is 210 × 297 mm; 1 mm = 72 / 25.4 pt.
    expect(info).toMatch(/Page size:\s+841\.89 x 595\.276 pts \(A4\)/);
    const words = wordsOf(pdf);
    for (const name of names)
      for (const part of name.split(/[ -]/)) expect(words.some((word) => word.includes(part))).toBe(true);
    const fonts = execFileSync('pdffonts', ['-'], { input: pdf }).toString().trim().split('\n').slice(2);
    expect(fonts.length).toBeGreaterThanOrEqual(4);
    for (const font of fonts) expect(font).toMatch(/yes yes yes/);
  });
});

describe('PDF of several pages', () => {
  const parents = Array.from({ length: 180 }, (_, i) => (i === 0 ? -1 : Math.floor((i - 1) / 4)));
  const set = drawSet(diagramFromParents(parents), 9)!;
  const [first, ...others] = set.sheets;
  const read = (tool: string, args: string[], input: Buffer) =>
    execFileSync(tool, [...args, '-'], { input }).toString();

  it('has a page a sheet, a bookmark each, and marks that lead to their sheets', async () => {
    const pdf = await pdfOf([first!, ...others], { author: 'The office' });
    expect(others.length).toBeGreaterThan(1);
    const info = read('pdfinfo', [], pdf);
    expect(info).toMatch(new RegExp(`Pages:\\s+${set.sheets.length}\n`));
    expect(info).toMatch(/Author:\s+The office/);
    expect(info).toMatch(/Tagged:\s+yes/);
    expect(info).toMatch(/Metadata Stream:\s+yes/);
    const destinations = read('pdfinfo', ['-dests'], pdf);
    for (let k = 1; k <= set.sheets.length; k++) expect(destinations).toContain(`sheet ${k}`);
    const links = (pdf.toString('latin1').match(/\/S \/GoTo/g) ?? []).length;
    const marks = set.sheets.flatMap(({ scene }) =>
      scene.groups.filter(({ stands }) => ['onward', 'back'].includes(stands.for)),
    );
    expect(links).toBe(marks.length);
    expect((pdf.toString('latin1').match(/\/Title \(/g) ?? []).length).toBeGreaterThanOrEqual(set.sheets.length);
  });
  it('is read in the order of the list', async () => {
    const pdf = await pdfOf([{ name: 'Chart', scene }]);
    const told = read('pdfinfo', ['-struct-text'], pdf);
    const places = ['Maëlle', 'Jory', 'Ngaire', 'Tomasz', 'Hana', 'Nuno', 'Inés'].map((name) => told.indexOf(name));
    expect(places.every((place) => place >= 0)).toBe(true);
    expect([...places].sort((a, b) => a - b)).toEqual(places);
    // The parts of a box are words of their own.
    expect(told).toContain('Jory Vantongeren Assistant to the director');
  });
  it('a name broken after a hyphen is found as one', async () => {
    const entry = createEntry({ id: 'a', order: 'V', name: 'Wilhelmina-Alexandrina Featherstonehaugh-Cholmondeley' });
    const one = draw(diagramOf('org-chart', 'x', [entry])).scene;
    const broken = one.groups
      .flatMap(({ children }) => children)
      .filter((child) => child.type === 'text' && child.part === 'name');
    expect(broken.length).toBeGreaterThan(1);
    const text = read('pdftotext', ['-'], await pdfOf([{ name: 'x', scene: one }])).replace(/\s+/g, ' ');
    expect(text).toContain('Featherstonehaugh-Cholmondeley');
  });
  it('a poster in tiles has a page a tile, each told', async () => {
    const poster = draw({
      ...diagramFromParents(parents),
      sheet: { size: 'A1', orientation: 'landscape', margin: 38, leastPrint: null },
    }).scene;
    const pdf = await pdfOf([{ name: 'Poster', scene: poster }], { tiles: 'A3' });
    const { rows, columns } = tilingOf(poster.sheet, 'A3');
    expect(read('pdfinfo', [], pdf)).toMatch(new RegExp(`Pages:\\s+${rows * columns}\n`));
    expect(read('pdftotext', ['-'], pdf)).toContain(`Row ${rows} of ${rows}, column ${columns} of ${columns}`);
  });
  it('a page larger than 14,400 pt takes a larger unit', async () => {
    const wide = { ...scene, sheet: { ...scene.sheet, width: 40_000 } };
    const pdf = (await pdfOf([{ name: 'Wide', scene: wide }])).toString('latin1');
    // 40,000 px are 30,000 pt: in units of 3 pt the page is 10,000 wide.
    expect(pdf).toMatch(/\/UserUnit 3/);
    expect(pdf).toMatch(/\/MediaBox \[0 0 10000 /);
  });
});

describe('PNG', () => {
  it('has the pixels of the sheet at the resolution asked for', async () => {
    const at = async (dpi: number) => {
      const png = await pngOf(scene, dpi);
      return [png.readUInt32BE(16), png.readUInt32BE(20)];
    };
    expect(await at(96)).toEqual([1123, 794]);
    // 297 mm / 25.4 × 192 = 2245.04 and 210 mm / 25.4 × 192 = 1587.4.
    expect(await at(192)).toEqual([2245, 1587]);
  });
  it('is refused in words where it would grow too large', async () => {
    await expect(pngOf({ ...scene, sheet: { ...scene.sheet, width: 9000 } }, 300)).rejects.toThrow(
      /Choose 170 dpi or less/,
    );
  });
  it('draws the letters: a picture without text would be smaller by half', async () => {
    const bare = {
      ...scene,
      groups: scene.groups.map((group) => ({
        ...group,
        children: group.children.filter((one) => one.type !== 'text'),
      })),
    };
    expect((await pngOf(bare)).length * 2).toBeLessThan((await pngOf(scene)).length);
  });
});

describe('every format', () => {
  it('writes an empty diagram and one with several tops without failing', async () => {
    const several = diagramOf(
      'org-chart',
      'Tops',
      ['a', 'b'].map((id) => createEntry({ id, order: id, name: 'Ωμέγα Łódź' })),
    );
    for (const diagram of [createDiagram('org-chart', 'Empty'), several] as Diagram[]) {
      for (const [id, { write }] of Object.entries(formats)) {
        // Formats that only one kind knows.
        if (id === 'ged' || id === 'graphml' || id === 'dot') continue;
        const written = await write(diagram, () => draw(diagram).scene, {});
        // The plain text of an empty list is empty.
        expect(written.length > 0).toBe(id !== 'txt' || diagram === several);
      }
    }
  });
  it('GEDCOM holds families alone, and says so to others', () => {
    const chart = createDiagram('org-chart', 'Empty');
    const none = () => scene;
    expect(() => formats.ged.write(chart, none, {})).toThrow('GEDCOM holds families; this is an org chart.');
    expect(() => formats.dot.write(chart, none, {})).toThrow('DOT is written of concept maps; this is an org chart.');
    expect(formats.dot.write(createDiagram('concept-map', 'Empty'), none, {})).toBe('digraph map {\n}\n');
    expect(formats.ged.write(createDiagram('family-tree', 'Empty'), none, {})).toMatch(/^0 HEAD\n[\s\S]*\n0 TRLR\n$/);
  });
  it('JSON is the Scene itself', () =>
    expect(JSON.parse(jsonOf(scene))).toMatchObject({
      format: 1,
      sheet: { name: 'A4 landscape' },
      tiers: { length: 5 },
    }));
});
