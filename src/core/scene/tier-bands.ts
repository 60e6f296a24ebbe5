import type { TierTreeLayout } from '../arrange/tree';
import { lookOf, mixed } from '../style';
import type { DiagramCommon } from '../model';
import type { SceneGroup } from './scene';
import { growsRight } from './tier-names';

/** How much of the colour of lines the bands have by turns, so that text and lines on them read as on the page. */
const shares = [0.12, 0.045] as const;
/** What a band stands over its boxes by where no other band is next to it, and over the names of tiers. CSS px. */
const over = 12;
const overNames = 6;

/** A pale band behind each tier, from edge to edge of the drawing; neighbours meet in the middle of the gap between them. `from`, `to`: edges of the boxes across; `margin`: what names of tiers take before them. */
export function tierBandsBehind(
  diagram: DiagramCommon,
  { tierStart }: { readonly tierStart: ArrayLike<number> },
  tiers: TierTreeLayout['tiers'],
  { from: first, to: last, margin }: { readonly from: number; readonly to: number; readonly margin: number },
): SceneGroup[] {
  if (diagram.arrangement.tierBands === 'hidden') return [];
  const { ground, line } = lookOf(diagram);
  const [from, to] = [first - Math.max(margin + overNames, over), last + over];
  const right = growsRight(diagram);
  const shown = tiers.slice(0, tierStart.length - 1);
  return shown.map(({ start, end }, t): SceneGroup => {
    const [before, after] = [shown[t - 1], shown[t + 1]];
    const begin = before ? (before.end + start) / 2 : start - over;
    const stop = after ? (end + after.start) / 2 : end + over;
    const bounds = right
      ? { x: begin, y: from, width: stop - begin, height: to - from }
      : { x: from, y: begin, width: to - from, height: stop - begin };
    const fill = mixed(ground, line, shares[t % 2 === 0 ? 0 : 1]);
    return {
      type: 'group',
      stands: { for: 'tierBand', id: String(t + 1) },
      label: '',
      x: 0,
      y: 0,
      bounds,
      children: [
        { type: 'box', shape: 'square', corner: 0, ...bounds, fill, stroke: fill, strokeWidth: 0, dashed: false },
      ],
    };
  });
}
