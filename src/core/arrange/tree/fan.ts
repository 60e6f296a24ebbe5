import { reversed } from '../graph';
import type { Polyline } from './lines';

/** Where a line leaves the bus: straight down to a box, or as a spine with ticks to the boxes beside it. In (across, along) coordinates, CSS px. */
export interface Drop {
  readonly at: number;
  /** End of a drop to a box; for a spine the middle of its last box. */
  readonly to: number;
  /** For a spine: where each tick ends. */
  readonly ticks: readonly { readonly edge: number; readonly at: number }[];
}

/**
 * The lines from an entry to those below it: a stem, the bus with its two ends, and what drops in between. `stem`: where the stem stands across;
 * `from`: where it begins along.
 */
export function fanLines(stem: number, from: number, bus: number, drops: readonly Drop[]): Polyline[] {
  const lines: Polyline[] = [];
  const first = drops[0];
  const last = drops.at(-1);
  if (!first || !last) return lines;
  if (drops.length === 1) {
    const straight = Math.abs(first.at - stem) < 1e-6;
    const start = straight ? [stem, from] : [stem, from, stem, bus, first.at, bus];
    lines.push({ points: [...start, ...endOf(first)] });
  } else if (stem < first.at - 1e-6 || stem > last.at + 1e-6) {
    // The stem stands at an end: the bus goes from it to the far end, and all others drop from that.
    const far = stem < first.at ? last : first;
    lines.push({ points: [stem, from, stem, bus, far.at, bus, ...endOf(far)] });
    for (const drop of drops) if (drop !== far) lines.push({ points: [drop.at, bus, ...endOf(drop)] });
  } else {
    lines.push({ points: [stem, from, stem, bus] });
    lines.push({ points: [...reversed(endOf(first)), first.at, bus, last.at, bus, ...endOf(last)] });
    for (const drop of drops.slice(1, -1)) lines.push({ points: [drop.at, bus, ...endOf(drop)] });
  }
  for (const drop of drops)
    for (const tick of drop.ticks.slice(0, -1)) lines.push({ points: [drop.at, tick.at, tick.edge, tick.at] });
  return lines;
}

/** From the bus to where a drop ends; a spine turns into its last tick. */
function endOf({ at, to, ticks }: Drop): number[] {
  const last = ticks.at(-1);
  return last ? [at, last.at, last.edge, last.at] : [at, to];
}
