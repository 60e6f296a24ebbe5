import { readFileSync } from 'node:fs';
import * as hb from 'harfbuzzjs';
import type { Face } from '../../core/measure';
import { fontPath } from '../fonts';
import type { EmbeddedFont } from './quick-text';

const fonts = new Map<Face, hb.Font>();
function fontOf(face: Face): hb.Font {
  let font = fonts.get(face);
  if (!font) fonts.set(face, (font = new hb.Font(new hb.Face(new hb.Blob(readFileSync(fontPath(face)))))));
  return font;
}

const short = (n: number): string => String(Math.round(n * 10_000) / 10_000);

/**
 * The operators that show a text whose letters take forms by their neighbours, shaped by HarfBuzz as browsers do: each glyph at its own place, marks
 * raised where the font puts them. `size` in the units of the page.
 */
export function shapedOperators(
  embedded: EmbeddedFont,
  text: string,
  { face, size, rtl }: { readonly face: Face; readonly size: number; readonly rtl: boolean },
): string {
  const buffer = new hb.Buffer();
  buffer.addText(text);
  buffer.setDirection(rtl ? hb.Direction.RTL : hb.Direction.LTR);
  buffer.guessSegmentProperties();
  hb.shape(fontOf(face), buffer);
  const { scale } = embedded;
  const parts: string[] = [];
  let array: string[] = [];
  let rise = 0;
  const close = () => {
    if (array.length > 0) parts.push(`[${array.join(' ')}] TJ`);
    array = [];
  };
  const glyphs = buffer.getGlyphInfosAndPositions();
  const letters = lettersOf(text, glyphs);
  for (const [k, { codepoint, xAdvance = 0, xOffset = 0, yOffset = 0 }] of glyphs.entries()) {
    const at = codeOf(embedded, codepoint, letters[k]!);
    const width = embedded.widths[at]!;
    const raised = (yOffset * scale * size) / 1000;
    if (raised !== rise) {
      close();
      parts.push(`${short(raised)} Ts`);
      rise = raised;
    }
    if (xOffset !== 0) array.push(short(-xOffset * scale));
    array.push(`<${at.toString(16).padStart(4, '0')}>`);
    const back = width + (xOffset - xAdvance) * scale;
    if (Math.abs(back) > 1e-6) array.push(short(back));
  }
  close();
  if (rise !== 0) parts.push('0 Ts');
  return parts.join(' ');
}

interface Glyph {
  readonly cluster: number;
  readonly xAdvance?: number;
}

/** What each glyph stands for: the letters of its cluster at the first glyph that takes room, or the first of all, nothing at the others, such as dots above a letter. */
function lettersOf(text: string, glyphs: readonly Glyph[]): string[] {
  const starts = [...new Set(glyphs.map(({ cluster }) => cluster))].sort((a, b) => a - b);
  const end = new Map(starts.map((start, i) => [start, starts[i + 1] ?? text.length]));
  const first = new Map<number, number>();
  const takesRoom = (k: number): boolean => (glyphs[k]!.xAdvance ?? 0) > 0;
  glyphs.forEach(({ cluster }, k) => {
    const known = first.get(cluster);
    if (known === undefined || (!takesRoom(known) && takesRoom(k))) first.set(cluster, k);
  });
  return glyphs.map(({ cluster }, k) => (first.get(cluster) === k ? text.slice(cluster, end.get(cluster)) : ''));
}

const codes = new WeakMap<EmbeddedFont, Map<string, number>>();

/** The code of a glyph that stands for some letters: one glyph may be the body of several letters, and has a code for each, so that all can be copied. */
function codeOf(embedded: EmbeddedFont, glyph: number, letters: string): number {
  let known = codes.get(embedded);
  if (!known) codes.set(embedded, (known = new Map()));
  const key = `${glyph} ${letters}`;
  const code = known.get(key);
  if (code !== undefined) return code;
  const at = embedded.subset.glyphs.push(glyph) - 1;
  embedded.widths[at] = embedded.font.getGlyph(glyph).advanceWidth * embedded.scale;
  embedded.unicode[at] = Array.from(letters, (letter) => letter.codePointAt(0)!);
  known.set(key, at);
  return at;
}
