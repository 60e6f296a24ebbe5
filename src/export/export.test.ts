import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';
import { brackwaterStaff } from '../../demo/diagrams';
import { draw, type Diagram, createDiagram, diagramOf } from '../core/diagram';
import { createEntry } from '../core/model';
import { embeddedFontCss } from './fonts';
import { formats } from './formats';
import { jsonOf } from './json/json';
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
        const written = await write(diagram, () => draw(diagram).scene, {});
        // The plain text of an empty list is empty.
        expect(written.length > 0).toBe(id !== 'txt' || diagram === several);
      }
    }
  });
  it('JSON is the Scene itself', () =>
    expect(JSON.parse(jsonOf(scene))).toMatchObject({
      format: 1,
      sheet: { name: 'A4 landscape' },
      tiers: { length: 5 },
    }));
});
