import { isShaped, type Face } from '../../core/measure';
import type { Scene } from '../../core/scene';
import { own } from '../../core/model';
import { fontPath } from '../fonts';
import { quicken, type EmbeddedFont } from './quick-text';
import type { shapedOperators } from './shaped-text';

/** Where a text begins on its baseline, in the units of the page; `turn` in degrees, clockwise. */
export interface TextPlace {
  readonly face: Face;
  readonly size: number;
  readonly x: number;
  readonly y: number;
  readonly turn: number;
  readonly rtl?: true;
}

let shape: typeof shapedOperators | null = null;

/** Makes the shaping of scripts ready where a Scene needs it; it is large, and most drawings do without. */
export async function readyFor({ groups, notes }: Scene): Promise<void> {
  const needs = [...groups, ...notes].some(({ children }) =>
    children.some((one) => one.type === 'text' && one.runs.some(({ face }) => isShaped(face))),
  );
  if (needs) shape ??= (await import('./shaped-text')).shapedOperators;
}

const short = (n: number): string => String(Math.round(n * 10_000) / 10_000);

/**
 * Sets text in the current colour on a page whose y grows down. The matrix of the text turns it upright, not that of the page, so that readers that
 * look at a marked text when it ends see it where it stands.
 */
export function setText(pdf: PDFKit.PDFDocument, text: string, { face, size, x, y, turn, rtl }: TextPlace): void {
  pdf.font(fontPath(face)).fontSize(size);
  const font = (pdf as unknown as { readonly _font: EmbeddedFont })._font;
  const { fonts } = pdf.page as unknown as { readonly fonts: Record<string, unknown> };
  if (!own(fonts, font.id)) fonts[font.id] = font.ref();
  const [cos, sin] = [Math.cos((turn * Math.PI) / 180), Math.sin((turn * Math.PI) / 180)];
  const shown =
    shape && isShaped(face) ? shape(font, text, { face, size, rtl: rtl === true }) : plainOperators(pdf, text, face);
  const matrix = [cos, sin, sin, -cos, x, y].map(short).join(' ');
  pdf.addContent(`BT /${font.id} ${short(size)} Tf ${matrix} Tm ${shown} ET`);
}

function plainOperators(pdf: PDFKit.PDFDocument, text: string, face: Face): string {
  quicken(pdf, face);
  const font = (pdf as unknown as { readonly _font: EmbeddedFont })._font;
  const [codes, positions] = font.encode(text, ['kern']);
  const parts: string[] = [];
  let run = '';
  codes.forEach((code, k) => {
    const { advanceWidth, xAdvance } = positions[k]!;
    run += code;
    const back = advanceWidth - xAdvance;
    if (Math.abs(back) < 1e-6) return;
    parts.push(`<${run}> ${short(back)}`);
    run = '';
  });
  if (run !== '') parts.push(`<${run}>`);
  return `[${parts.join(' ')}] TJ`;
}
