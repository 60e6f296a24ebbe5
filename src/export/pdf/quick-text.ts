import { advancesOf, type Face } from '../../core/measure';

/** What pdfkit keeps of an embedded font; its own types do not tell. Widths in thousandths of an em. */
export interface EmbeddedFont {
  /** Its name among a page's fonts, and what stands for it there. */
  readonly id: string;
  ref(): unknown;
  readonly font: {
    glyphForCodePoint(point: number): { readonly id: number; readonly advanceWidth: number };
    getGlyph(id: number): { readonly advanceWidth: number };
  };
  readonly subset: { includeGlyph(id: number): number; readonly glyphs: number[] };
  readonly scale: number;
  readonly widths: (number | undefined)[];
  readonly unicode: (readonly number[] | undefined)[];
  /** Points at a size in points. */
  widthOfString(text: string, size: number, features?: readonly string[]): number;
  encode(text: string, features?: readonly string[]): readonly [codes: string[], positions: Position[]];
}
interface Position {
  readonly xAdvance: number;
  readonly yAdvance: number;
  readonly xOffset: number;
  readonly yOffset: number;
  readonly advanceWidth: number;
}

const quick = new WeakSet<object>();

/**
 * Lets a font of a PDF set plain text from the tables it was measured with, instead of shaping every run anew: the same places as on the screen, and
 * several times faster. What the tables do not tell is shaped as before.
 */
export function quicken(pdf: PDFKit.PDFDocument, face: Face): void {
  const font = (pdf as unknown as { readonly _font: EmbeddedFont })._font;
  if (quick.has(font)) return;
  quick.add(font);
  const shape = font.encode.bind(font);
  const measure = font.widthOfString.bind(font);
  font.widthOfString = (text, size, features) =>
    advancesOf(text, face)?.reduce((sum, move) => sum + move * size, 0) ?? measure(text, size, features);
  const known = new Map<number, { readonly code: string; readonly width: number }>();
  const glyphOf = (point: number) => {
    let glyph = known.get(point);
    if (!glyph) {
      const { id, advanceWidth } = font.font.glyphForCodePoint(point);
      const at = font.subset.includeGlyph(id);
      const width = advanceWidth * font.scale;
      font.widths[at] ??= width;
      font.unicode[at] ??= [point];
      glyph = { code: at.toString(16).padStart(4, '0'), width };
      known.set(point, glyph);
    }
    return glyph;
  };
  font.encode = (text, features) => {
    const moves = advancesOf(text, face);
    if (!moves) return shape(text, features);
    const codes: string[] = [];
    const positions = moves.map((move, i): Position => {
      const { code, width } = glyphOf(text.charCodeAt(i));
      codes.push(code);
      return { xAdvance: move * 1000, yAdvance: 0, xOffset: 0, yOffset: 0, advanceWidth: width };
    });
    return [codes, positions];
  };
}
