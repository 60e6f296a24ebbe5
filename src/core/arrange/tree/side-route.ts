import type { TierTreeInput, TierTreeLayout } from './tier-tree';

/** Distance of a side link from the box it runs beside. CSS px; half the gap where that is narrower. */
const beside = 7;

interface Band {
  /** Where a line may run across, just before the band. */
  readonly lane: number;
  /** What stands in the band across the tiers, sorted: from, to, from, to … */
  readonly taken: readonly number[];
}

/**
 * Routes for links beside the hierarchy: orthogonal lines from the side of one box to the side of another that run in the gaps between
 * tiers and between boxes, and pass through no box. They may cross other lines. O(boxes log boxes + tiers) a call, then O(tiers log boxes) a link.
 */
export function sideRouter(input: TierTreeInput, layout: TierTreeLayout): (from: number, to: number) => number[] {
  const down = input.direction === 'down';
  const across = down ? layout.x : layout.y;
  const along = down ? layout.y : layout.x;
  const acrossSize = down ? input.width : input.height;
  const alongSize = down ? input.height : input.width;
  const out = Math.min(beside, input.siblingGap / 2, input.branchGap / 2);
  const { bands, bandOf } = bandsOf(input, layout, across, acrossSize, out);

  return (from, to) => {
    const [deep, high] = bandOf(from) >= bandOf(to) ? [from, to] : [to, from];
    const middle = (i: number) => across[i]! + acrossSize[i]! / 2;
    const level = (i: number) => along[i]! + alongSize[i]! / 2;
    const side = (i: number, towards: number) => (towards >= middle(i) ? across[i]! + acrossSize[i]! : across[i]!);
    const start = side(deep, middle(high));
    let at = start > middle(deep) ? start + out : start - out;
    const points: number[] = [start, level(deep), at, level(deep)];
    for (let band = bandOf(deep); band > bandOf(high); band--) {
      points.push(at, bands[band]!.lane);
      if (band - 1 > bandOf(high)) {
        at = nearestFree(bands[band - 1]!.taken, at);
        points.push(at, bands[band]!.lane);
      }
    }
    if (bandOf(deep) === bandOf(high)) points.push(at, bands[bandOf(deep)]!.lane);
    const end = side(high, at);
    const last = end > middle(high) ? end + out : end - out;
    points.push(last, points.at(-1)!, last, level(high), end, level(high));
    const ordered = deep === from ? points : reversed(points);
    return withoutRepeats(down ? ordered : ordered.map((_, p) => ordered[p % 2 === 0 ? p + 1 : p - 1]!));
  };
}

function bandsOf(input: TierTreeInput, layout: TierTreeLayout, across: Float64Array, size: Float64Array, out: number) {
  const bands: { lane: number; taken: number[] }[] = [];
  const row: number[] = [];
  const strip: number[] = [];
  layout.tiers.forEach(({ start, rowStart }, t) => {
    const gap = t === 0 ? 4 * out : start - layout.tiers[t - 1]!.end;
    if (rowStart > start) {
      strip[t] = bands.length;
      bands.push({ lane: start - gap / 4, taken: [] });
    }
    row[t] = bands.length;
    bands.push({ lane: rowStart - (rowStart > start ? (rowStart - start) / 12 : gap / 4), taken: [] });
  });
  const bandOf = (i: number): number => (input.beside[i] === 1 ? strip[input.tier[i]! - 1]! : row[input.tier[i]! - 1]!);
  const order = Array.from(across.keys()).sort((a, b) => across[a]! - across[b]!);
  for (const i of order) bands[bandOf(i)]!.taken.push(across[i]! - out / 2, across[i]! + size[i]! + out / 2);
  return { bands: bands as readonly Band[], bandOf };
}

/** The free place nearest to `at` between what is taken (sorted by where it begins; boxes of a column repeat the same place). */
function nearestFree(taken: readonly number[], at: number): number {
  let best = at;
  let least = Infinity;
  let end = -Infinity;
  const offer = (from: number, to: number) => {
    if (to < from) return;
    const place = Math.min(Math.max(at, from), to);
    if (Math.abs(place - at) < least) {
      least = Math.abs(place - at);
      best = place;
    }
  };
  for (let i = 0; i < taken.length; i += 2) {
    offer(end, taken[i]!);
    end = Math.max(end, taken[i + 1]!);
  }
  offer(end, Infinity);
  return best;
}

function reversed(points: readonly number[]): number[] {
  const back: number[] = [];
  for (let p = points.length - 2; p >= 0; p -= 2) back.push(points[p]!, points[p + 1]!);
  return back;
}

/** Leaves out points that repeat the one before or lie on the straight line between their neighbours. */
function withoutRepeats(points: readonly number[]): number[] {
  const kept: number[] = [];
  for (let p = 0; p < points.length; p += 2) {
    const [x, y] = [points[p]!, points[p + 1]!];
    const n = kept.length;
    if (n >= 2 && kept[n - 2] === x && kept[n - 1] === y) continue;
    if (
      n >= 4 &&
      ((kept[n - 4] === kept[n - 2] && kept[n - 2] === x) || (kept[n - 3] === kept[n - 1] && kept[n - 1] === y))
    )
      kept.length -= 2;
    kept.push(x, y);
  }
  return kept;
}
