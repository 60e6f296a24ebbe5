import { roman, type Hierarchy } from '../hierarchy';
import { baseOf, runsOf, sansFace, widthOf, widthOfRuns, wrapWithin } from '../measure';
import { own, type BoxStyle, type DiagramCommon } from '../model';
import { lookOf, inkOnGround } from '../style';
import type { TierTreeLayout } from '../arrange/tree';
import type { SceneGroup, TextPrimitive } from './scene';
import type { SizeChoices } from './tier-sizes';

const face = sansFace(600, 'upright');
const leading = 1.25;
/** Between the name of a tier and its boxes, CSS px. */
const apart = 10;
/** Names beside a tier are broken to this width, in ems. */
const besideEms = 8;

/** True where the names of tiers are to be drawn, and each tier has a line of its own to be named on. */
export const namesAreDrawn = ({ arrangement: { tierNames, tiers } }: DiagramCommon): boolean =>
  tierNames === 'drawn' && tiers !== 'compact' && tiers !== 'indented';

const nameOf = ({ tiers }: DiagramCommon, t: number): string => own(tiers, String(t + 1))?.name || roman(t + 1);

/** Size of the names of tiers: that of the smallest names of entries, so that they are read as easily. CSS px. */
const sizeOf = (styles: readonly BoxStyle[]): number =>
  styles.reduce((least, { nameSize }) => Math.min(least, nameSize), 14);

export const growsRight = ({ arrangement: { direction, tiers } }: DiagramCommon): boolean =>
  direction === 'right' || tiers === 'columns';

/** Room that the names of tiers take before the drawing across its growth, CSS px; 0 where they are not drawn. */
export function tierNameRoom(diagram: DiagramCommon, styles: readonly BoxStyle[], { sizes }: SizeChoices): number {
  if (!namesAreDrawn(diagram) || sizes.length === 0) return 0;
  const size = sizeOf(styles);
  if (!growsRight(diagram)) {
    const widths = sizes.map((_, t) => widestOf(wrapWithin(nameOf(diagram, t), face, size, size * besideEms), size));
    return Math.max(...widths) + 2 * apart;
  }
  const lines = sizes.map(([narrowest], t) => linesOver(diagram, t, Math.max(...narrowest!.width), size).length);
  return Math.max(...lines) * size * leading + apart;
}

const linesOver = (diagram: DiagramCommon, t: number, width: number, size: number): string[] =>
  wrapWithin(nameOf(diagram, t), face, size, Math.max(width, size * 4));

const widestOf = (lines: readonly string[], size: number): number =>
  Math.max(0, ...lines.map((line) => widthOf(line, face, size)));

/** The names of tiers: over the middle of each column, or beside each band, at the edge of the drawing. */
export function tierNames(
  diagram: DiagramCommon,
  { tierStart }: Hierarchy,
  styles: readonly BoxStyle[],
  tiers: TierTreeLayout['tiers'],
  room: number,
): SceneGroup[] {
  if (room === 0) return [];
  const look = lookOf(diagram);
  const fill = inkOnGround(look);
  const size = sizeOf(styles);
  return tiers.slice(0, tierStart.length - 1).map(({ rowStart, end }, t): SceneGroup => {
    const right = growsRight(diagram);
    const lines = right
      ? linesOver(diagram, t, end - rowStart, size)
      : wrapWithin(nameOf(diagram, t), face, size, size * besideEms);
    const height = lines.length * size * leading;
    const widest = widestOf(lines, size);
    const left = right ? (rowStart + end - widest) / 2 : -room;
    const top = right ? -apart - height : (rowStart + end - height) / 2;
    return {
      type: 'group',
      stands: { for: 'tierName', id: String(t + 1) },
      label: nameOf(diagram, t),
      x: 0,
      y: 0,
      bounds: { x: left, y: top, width: widest, height },
      children: lines.map((line, k): TextPrimitive => {
        const runs = runsOf(line, face, size, baseOf(nameOf(diagram, t)));
        const width = widthOfRuns(runs);
        const x = right ? (rowStart + end - width) / 2 : -room;
        return { type: 'text', x, y: top + (k + 0.8) * size * leading, size, fill, runs, part: 'name' };
      }),
    };
  });
}
