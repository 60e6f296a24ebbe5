/**
 * Writes src/core/measure/tables.generated.json: advance widths and kerning pairs of the shipped fonts, so that text is
 * measured alike in the browser, in workers, on the server and in tests. Run by `npm ci` and `npm install`.
 */
import { createRequire } from 'node:module';
import { writeFileSync } from 'node:fs';
import * as fontkit from 'fontkit';
import { faceFiles } from '../src/export/font-files';

const require = createRequire(import.meta.url);
/** Kerning is kept for pairs within these blocks: Latin to Extended-A, punctuation, Greek and Cyrillic. */
const kerned: [number, number][] = [
  [0x20, 0x7e],
  [0xa1, 0x17f],
  [0x2013, 0x201e],
];
const kernedNoto: [number, number][] = [
  [0x370, 0x3ff],
  [0x400, 0x45f],
];

const tables: Record<string, unknown> = {};
for (const [face, file] of Object.entries(faceFiles)) {
  const font = fontkit.openSync(require.resolve(file));
  if (!('characterSet' in font)) throw new Error(`${file} is a collection; one font was expected.`);
  const points = font.characterSet.filter((point) => point >= 0x20 && point <= 0xffff).sort((a, b) => a - b);
  const runs: [number, number[]][] = [];
  for (const point of points) {
    const advance = font.glyphForCodePoint(point).advanceWidth;
    const run = runs.at(-1);
    if (run && run[0] + run[1].length === point) run[1].push(advance);
    else runs.push([point, [advance]]);
  }
  const blocks = face.startsWith('noto') ? kernedNoto : kerned;
  const has = new Set(points);
  const letters = blocks
    .flatMap(([from, to]) => Array.from({ length: to - from + 1 }, (_, i) => from + i))
    .filter((point) => has.has(point));
  tables[face] = {
    unitsPerEm: font.unitsPerEm,
    ascent: font.ascent,
    descent: -font.descent,
    capHeight: font.capHeight,
    runs,
    kerns: kernsOf(font, letters),
  };
}
writeFileSync(new URL('../src/core/measure/tables.generated.json', import.meta.url), JSON.stringify(tables));

/** Rows of [left, right, value, right, value …]; only pairs that are not zero. */
function kernsOf(font: fontkit.Font, letters: number[]): number[][] {
  const rows: number[][] = [];
  for (const left of letters) {
    const text = letters.map((right) => String.fromCodePoint(left, right)).join('');
    const { glyphs, positions } = font.layout(text, {
      liga: false,
      clig: false,
      calt: false,
      ccmp: false,
      locl: false,
      rlig: false,
    });
    if (glyphs.length !== letters.length * 2) continue;
    const row = [left];
    letters.forEach((right, i) => {
      const kern = positions[2 * i]!.xAdvance - glyphs[2 * i]!.advanceWidth;
      if (kern !== 0) row.push(right, kern);
    });
    if (row.length > 1) rows.push(row);
  }
  return rows;
}
