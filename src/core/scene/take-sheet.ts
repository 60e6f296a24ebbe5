import {
  drawnDetails,
  nextSheet,
  orientations,
  own,
  pxPerPt,
  readFrom,
  type BoxStyle,
  type DiagramCommon,
  type Sheet,
} from '../model';

/** Print that is comfortable to read on a hand-out, in points (common practice). */
const comfortablePt = 8.5;
/** Standing is taken for lying only where it prints this much larger. */
const worthTurning = 1.05;

/** What scale a drawing may have, by the sizes of its text in CSS px before it is scaled. */
export interface Scales {
  /** At which names print as large as they may. */
  readonly largest: number;
  /** At which its smallest text reads comfortably. */
  readonly comfortable: number;
  /** At which its smallest text has the least print that is wished for; null where none is. */
  readonly wished: number | null;
}

/** `usual`: size of most names; `smallest`: of the smallest text, null without any. CSS px. */
export function scalesFor(
  { arrangement, sheet }: DiagramCommon,
  { usual, smallest }: { readonly usual: number; readonly smallest: number | null },
): Scales {
  const { leastPrint } = sheet;
  const at = (points: number): number => (points * pxPerPt) / (smallest ?? usual);
  return {
    largest: (arrangement.largestPrint * readFrom(sheet.size) * pxPerPt) / usual,
    comfortable: at(Math.max(comfortablePt, leastPrint ?? 0)),
    wished: leastPrint === null ? null : at(leastPrint),
  };
}

export interface TakenSheet<T> {
  /** Its orientation told, and its size the next larger where the wish for print asks for it. */
  readonly sheet: Sheet;
  readonly fitted: T;
}

/** The sheet a drawing is made for. Where a print is wished for that it cannot give, and the next larger can, that one is taken. */
export function takeSheet<T extends { readonly scale: number }>(
  given: Sheet,
  wished: number | null,
  fit: (sheet: Sheet) => T,
): TakenSheet<T> {
  const best = (sheet: Sheet): TakenSheet<T> =>
    orientations(sheet)
      .map((one) => ({ sheet: one, fitted: fit(one) }))
      .reduce((most, one) => (one.fitted.scale > most.fitted.scale * worthTurning ? one : most));
  const taken = best(given);
  const larger = nextSheet(given.size);
  if (!larger || wished === null || taken.fitted.scale >= wished) return taken;
  const next = best({ ...given, size: larger });
  return next.fitted.scale >= wished ? next : taken;
}

/** Size of the smallest text of the entries on tiers, CSS px; null without any. Those on tier 0 are not drawn. */
export function smallestText(
  { entries }: DiagramCommon,
  { ids, tier }: { readonly ids: readonly string[]; readonly tier: Int32Array },
  styles: readonly BoxStyle[],
): number | null {
  let least = Infinity;
  ids.forEach((id, i) => {
    if (tier[i] === 0) return;
    const { nameSize, detailSize } = styles[i]!;
    const told = drawnDetails(own(entries, id)!, styles[i]!).some((detail) => detail.trim() !== '');
    least = Math.min(least, nameSize, told ? detailSize : Infinity);
  });
  return least === Infinity ? null : least;
}
