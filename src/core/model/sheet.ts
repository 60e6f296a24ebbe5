import { z } from 'zod';

export const Arrangement = z.strictObject({
  direction: z.enum(['down', 'right']),
  /**
   * Every tier on a line of its own, each branch right below its head, or whichever of the two suits the sheet; each tier a column with evenly spaced
   * members; or one line an entry, indented by its tier.
   */
  tiers: z.enum(['open', 'bands', 'compact', 'columns', 'indented']),
  /** Whether the names of tiers stand over (or beside) them on the sheet. */
  tierNames: z.enum(['drawn', 'hidden']),
  /** Whether each tier that has a line or column of its own stands on a pale band. */
  tierBands: z.enum(['drawn', 'hidden']),
  /** How leaves of one head stand in a top-down drawing: side by side, below each other, or as suits the sheet. */
  lowest: z.enum(['open', 'row', 'column']),
  /** Leaves fold into this many columns at most. */
  mostColumns: z.number().int().min(1).max(12),
  /** How narrow and how wide boxes may be where their text allows it, CSS px. */
  narrowest: z.number().min(20).max(400),
  widest: z.number().min(60).max(800),
  /** The share of each gap that stays where the print would be small. */
  tightest: z.number().min(0.3).max(1),
  /** Names are printed no larger than this, in points. */
  largestPrint: z.number().min(6).max(72),
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
  size: z.enum(['A4', 'A3', 'A2', 'A1', 'A0', 'letter', 'tabloid', 'drawing']),
  /** `open`: whichever prints larger. */
  orientation: z.enum(['landscape', 'portrait', 'open']),
  /** Free edge all round, CSS px. */
  margin: z.number().min(0).max(200),
  /** Nothing is to be printed smaller than this, in points: a larger sheet is taken, or several. Null: no wish. */
  leastPrint: z.number().min(4).max(36).nullable(),
});
export type Sheet = z.infer<typeof Sheet>;

const pxPerMm = 96 / 25.4;

type PaperName = Exclude<Sheet['size'], 'drawing'>;

/** Short and long side in CSS px (1/96 in). A0 to A4: ISO 216. Letter and tabloid: ANSI/ASME Y14.1, sizes A and B. */
const papers: Readonly<Record<PaperName, readonly [short: number, long: number]>> = {
  A4: [210 * pxPerMm, 297 * pxPerMm],
  A3: [297 * pxPerMm, 420 * pxPerMm],
  A2: [420 * pxPerMm, 594 * pxPerMm],
  A1: [594 * pxPerMm, 841 * pxPerMm],
  A0: [841 * pxPerMm, 1189 * pxPerMm],
  letter: [8.5 * 96, 11 * 96],
  tabloid: [11 * 96, 17 * 96],
};

/** Width and height of a named paper in CSS px; lying where its orientation is left open. Null for `drawing`, the sheet as large as the drawing needs. */
export function paperSize({
  size,
  orientation,
}: Pick<Sheet, 'size' | 'orientation'>): { width: number; height: number } | null {
  if (size === 'drawing') return null;
  const [short, long] = papers[size];
  return orientation === 'portrait' ? { width: short, height: long } : { width: long, height: short };
}

/** The next larger sheet that an office has at hand; null where there is none. */
export const nextSheet = (size: Sheet['size']): Sheet['size'] | null =>
  size === 'A4' ? 'A3' : size === 'letter' ? 'tabloid' : null;

/** How much larger print on a sheet may be than on a hand-out, as posters are read from further away: by the side of the sheet against A4. */
export const readFrom = (size: Sheet['size']): number =>
  (({ A2: 2, A1: 2 * Math.SQRT2, A0: 4 }) as Partial<Record<Sheet['size'], number>>)[size] ?? 1;

/** Points (1/72 in) in CSS px. */
export const pxPerPt = 96 / 72;

/** The sheet lying and standing where its orientation is left open, else as it is. */
export const orientations = (sheet: Sheet): Sheet[] =>
  sheet.orientation === 'open' && sheet.size !== 'drawing'
    ? [
        { ...sheet, orientation: 'landscape' },
        { ...sheet, orientation: 'portrait' },
      ]
    : [sheet];

/** How people name the sheet: "A4 landscape". */
export function sheetName({ size, orientation }: Pick<Sheet, 'size' | 'orientation'>): string {
  if (size === 'drawing') return 'Sheet as large as the drawing';
  return `${size === 'letter' ? 'Letter' : size === 'tabloid' ? 'Tabloid' : size} ${orientation === 'open' ? 'landscape' : orientation}`;
}
