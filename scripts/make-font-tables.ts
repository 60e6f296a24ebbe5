/**
 * Writes src/core/measure/tables.generated.json: advance widths and kerning pairs of the shipped fonts, so that text is
 * measured alike in the browser, in workers, on the server and in tests. Run by `npm ci` and `npm install`.
 */
import { createRequire } from 'node:module';
import { writeFileSync } from 'node:fs';
import * as fontkit from 'fontkit';
import type { Face } from '../src/core/measure';
import { isEastAsian, isOfScript } from '../src/core/measure/face';
import { asksEastAsian, scriptOf } from '../src/core/measure/scripts';
import type { StoredRun, StoredTable } from '../src/core/measure/tables';
import { faceFiles } from '../src/export/font-files';
import { hebrewKerns, joiningOf, shaperOf, syllablesOf } from './shaped-tables';

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

/** Whether a face is asked for a character: those of scripts for theirs alone, others for all they have. */
function isAsked(face: string, point: number): boolean {
  if (!isOfScript(face as Face)) return true;
  const script = scriptOf(point);
  return isEastAsian(face as Face) ? asksEastAsian(script) : script !== null && face.startsWith(script);
}

/** Whether a font's glyph can be read. Some fonts end before the outlines of their last blanks; another face sets those. */
function isWhole(font: fontkit.Font, point: number): boolean {
  try {
    return Number.isFinite(font.glyphForCodePoint(point).advanceWidth);
  } catch {
    return false;
  }
}

const sameWidth = 8;
function runsOf(points: readonly number[], widthOf: (point: number) => number): StoredRun[] {
  const runs: [number, number[]][] = [];
  for (const point of points) {
    const run = runs.at(-1);
    if (run && run[0] + run[1].length === point) run[1].push(widthOf(point));
    else runs.push([point, [widthOf(point)]]);
  }
  return runs.flatMap(([start, widths]): StoredRun[] => {
    const parts: StoredRun[] = [];
    for (let from = 0; from < widths.length;) {
      let to = from + 1;
      while (to < widths.length && widths[to] === widths[from]) to++;
      const last = parts.at(-1);
      if (to - from >= sameWidth) parts.push([start + from, widths[from]!, to - from]);
      else if (last && typeof last[1] !== 'number' && last[0] + last[1].length === start + from)
        last[1].push(...widths.slice(from, to));
      else parts.push([start + from, widths.slice(from, to)]);
      from = to;
    }
    return parts;
  });
}

const tables: Record<string, StoredTable> = {};
/** Faces by the widths they were the first to have. */
const known = new Map<string, string>();
for (const [face, file] of Object.entries(faceFiles)) {
  const path = require.resolve(file);
  const font = fontkit.openSync(path);
  if (!('characterSet' in font)) throw new Error(`${file} is a collection; one font was expected.`);
  const points = font.characterSet
    .filter((point) => point >= 0x20 && point <= 0xffff && isAsked(face, point) && isWhole(font, point))
    .sort((a, b) => a - b);
  const has = new Set(points);
  const blocks = isOfScript(face as Face) ? [] : face.startsWith('noto') ? kernedNoto : kerned;
  const letters = blocks
    .flatMap(([from, to]) => Array.from({ length: to - from + 1 }, (_, i) => from + i))
    .filter((point) => has.has(point));
  const syllables = face.startsWith('deva') ? syllablesOf(shaperOf(path)) : null;
  const runs = runsOf(points, (point) => syllables?.signs.get(point) ?? font.glyphForCodePoint(point).advanceWidth);
  const told = JSON.stringify(runs);
  const alike = known.get(told);
  known.set(told, alike ?? face);
  tables[face] = {
    unitsPerEm: font.unitsPerEm,
    ascent: font.ascent,
    descent: -font.descent,
    capHeight: font.capHeight,
    runs: alike ?? runs,
    kerns: packed(face.startsWith('hebr') ? hebrewKerns(shaperOf(path)) : kernsOf(font, letters)),
    ...(face.startsWith('arab') && { joining: joiningOf(shaperOf(path), (point) => has.has(point)) }),
    ...(syllables && { syllables: syllables.syllables }),
  };
}
writeFileSync(new URL('../src/core/measure/tables.generated.json', import.meta.url), JSON.stringify(tables));

/** Letters of one form, such as A and Á, kern alike: each row is told once for all of them, and each value once for all that take it. */
function packed(rows: readonly number[][]): StoredTable['kerns'] {
  const alike = new Map<string, [number[], number[][]]>();
  for (const [left, ...pairs] of rows) {
    const byValue = new Map<number, number[]>();
    for (let i = 0; i < pairs.length; i += 2)
      byValue.set(pairs[i + 1]!, [...(byValue.get(pairs[i + 1]!) ?? []), pairs[i]!]);
    const told = [...byValue].map(([value, rights]) => [value, ...rights]);
    const key = JSON.stringify(told);
    const known = alike.get(key);
    if (known) known[0].push(left!);
    else alike.set(key, [[left!], told]);
  }
  return [...alike.values()];
}

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
