import { z } from 'zod';

export const Arrangement = z.strictObject({
  direction: z.enum(['down', 'right']),
  /** How those below one entry stand in a top-down drawing where none of them has others below. */
  lowest: z.enum(['row', 'column']),
  /** Between boxes that share a parent, CSS px. */
  siblingGap: z.number().min(4).max(200),
  /** Between boxes of different parents, CSS px. */
  branchGap: z.number().min(4).max(300),
  /** Between tiers, CSS px. */
  tierGap: z.number().min(12).max(300),
  lineWidth: z.number().min(0.5).max(6),
  /** Radius of the joins of links, CSS px. */
  joinRadius: z.number().min(0).max(24),
});
export type Arrangement = z.infer<typeof Arrangement>;

export const Sheet = z.strictObject({
  size: z.enum(['A4', 'A3', 'letter', 'drawing']),
  orientation: z.enum(['landscape', 'portrait']),
  /** Free edge all round, CSS px. */
  margin: z.number().min(0).max(200),
});
export type Sheet = z.infer<typeof Sheet>;

const pxPerMm = 96 / 25.4;

/**
 * Width and height of a named paper in CSS px (1/96 in).
 * A4 and A3: ISO 216. Letter: ANSI/ASME Y14.1. Null for `drawing`, the sheet as large as the drawing needs.
 */
export function paperSize(sheet: Sheet): { width: number; height: number } | null {
  if (sheet.size === 'drawing') return null;
  const [short, long] =
    sheet.size === 'A4'
      ? [210 * pxPerMm, 297 * pxPerMm]
      : sheet.size === 'A3'
        ? [297 * pxPerMm, 420 * pxPerMm]
        : [8.5 * 96, 11 * 96];
  return sheet.orientation === 'landscape' ? { width: long, height: short } : { width: short, height: long };
}

/** How people name the sheet: "A4 landscape". */
export function sheetName(sheet: Sheet): string {
  if (sheet.size === 'drawing') return 'Sheet as large as the drawing';
  return `${sheet.size === 'letter' ? 'Letter' : sheet.size} ${sheet.orientation}`;
}
