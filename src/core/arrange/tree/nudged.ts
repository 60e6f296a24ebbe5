import { fanLines } from './fan';
import type { Polyline } from './lines';
import { onSheet, type TierTreeLayout } from './tier-tree';

/** Offsets of some entries from their computed places, by index. CSS px. */
export type Offsets = ReadonlyMap<number, { readonly x: number; readonly y: number }>;

interface Family {
  readonly parent: Int32Array;
  readonly first: Int32Array;
  readonly count: Int32Array;
  readonly tier: Int32Array;
  readonly width: Float64Array;
  readonly height: Float64Array;
}

/**
 * A drawing with some boxes off their places. The lines to them are drawn anew where all of a family stand in a row; elsewhere a line leads on from where
 * the box would stand. O(entries of the families that are met).
 */
export function nudgedLayout(
  layout: TierTreeLayout,
  family: Family,
  offsets: Offsets,
  direction: 'down' | 'right',
): TierTreeLayout {
  if (offsets.size === 0) return layout;
  const x = layout.x.slice();
  const y = layout.y.slice();
  for (const [i, offset] of offsets) {
    x[i]! += offset.x;
    y[i]! += offset.y;
  }
  const fans = new Map(layout.fans);
  const met = new Set<number>();
  for (const i of offsets.keys()) {
    if (family.count[i]! > 0) met.add(i);
    if (family.parent[i]! >= 0) met.add(family.parent[i]!);
  }
  for (const i of met) {
    const known = fans.get(i);
    if (!known) continue;
    fans.set(
      i,
      isInRow(layout, family, i, direction)
        ? anew(layout, family, i, { x, y, direction })
        : [...known, ...leadingOn(layout, family, i, { x, y, direction, offsets })],
    );
  }
  return { ...layout, x, y, fans };
}

/** Whether all children of an entry begin on the line of their tier. */
function isInRow(
  layout: TierTreeLayout,
  { first, count, tier }: Family,
  i: number,
  direction: 'down' | 'right',
): boolean {
  const start = layout.tiers[tier[i]!]?.rowStart;
  const along = direction === 'down' ? layout.y : layout.x;
  for (let c = first[i]!, end = c + count[i]!; c < end; c++)
    if (start === undefined || Math.abs(along[c]! - start) > 0.01) return false;
  return true;
}

interface Now {
  readonly x: Float64Array;
  readonly y: Float64Array;
  readonly direction: 'down' | 'right';
}

function anew(layout: TierTreeLayout, family: Family, i: number, { x, y, direction }: Now): Polyline[] {
  const down = direction === 'down';
  const { first, count, tier, width, height } = family;
  const middle = (c: number) => (down ? x[c]! + width[c]! / 2 : y[c]! + height[c]! / 2);
  const begin = (c: number) => (down ? y[c]! : x[c]!);
  const end = (c: number) => (down ? y[c]! + height[c]! : x[c]! + width[c]!);
  const [above, below] = [layout.tiers[tier[i]! - 1]!.end, layout.tiers[tier[i]!]!.rowStart];
  const drops = Array.from({ length: count[i]! }, (_, k) => first[i]! + k)
    .map((c) => ({ at: middle(c), to: begin(c), ticks: [] }))
    .sort((a, b) => a.at - b.at);
  return fanLines(middle(i), end(i), (above + below) / 2, drops).map(({ points }) => ({
    points: onSheet(points, 0, direction),
  }));
}

/** From where the boxes of a family would stand to where they do. */
function leadingOn(
  layout: TierTreeLayout,
  { first, count, width, height }: Family,
  i: number,
  { x, y, direction, offsets }: Now & { readonly offsets: Offsets },
): Polyline[] {
  const down = direction === 'down';
  const dock = (c: number, at: { x: Float64Array; y: Float64Array }, side: 'begin' | 'end'): [number, number] => {
    const far = side === 'end';
    return down
      ? [at.x[c]! + width[c]! / 2, at.y[c]! + (far ? height[c]! : 0)]
      : [at.x[c]! + (far ? width[c]! : 0), at.y[c]! + height[c]! / 2];
  };
  const lead = (c: number, side: 'begin' | 'end'): Polyline => {
    const [ax, ay] = dock(c, layout, side);
    const [bx, by] = dock(c, { x, y }, side);
    const half = down ? (ay + by) / 2 : (ax + bx) / 2;
    return { points: down ? [ax, ay, ax, half, bx, half, bx, by] : [ax, ay, half, ay, half, by, bx, by] };
  };
  const lines: Polyline[] = offsets.has(i) ? [lead(i, 'end')] : [];
  for (let c = first[i]!, end = c + count[i]!; c < end; c++) if (offsets.has(c)) lines.push(lead(c, 'begin'));
  return lines;
}
