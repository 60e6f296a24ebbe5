import { onSheet, type TierTreeInput, type TierTreeLayout } from '../tier-tree';
import type { CompactLayout } from './place';
import type { CompactInput } from './types';

/** A compact arrangement the way its drawing grows. */
export function onItsSide(
  { across }: CompactInput,
  layout: CompactLayout,
  direction: TierTreeInput['direction'],
): TierTreeLayout {
  const begin = layout.b.map((middle, i) => middle - across[i]! / 2);
  const fans = new Map(
    [...layout.fans].map(([i, lines]) => [i, lines.map(({ points }) => ({ points: onSheet(points, 0, direction) }))]),
  );
  return direction === 'down'
    ? { x: begin, y: layout.d, width: layout.across, height: layout.along, tiers: [], fans }
    : { x: layout.d, y: begin, width: layout.along, height: layout.across, tiers: [], fans };
}
