import { KeptFor } from '../../../model';
import type { SizeChoices } from '../../../scene';
import type { Rows } from './blocks';
import type { Along } from './lanes';
import { blockBeside, kinOf, type Kin, type LooseBlock, type Size } from './loose';
import type { Across } from './place';
import { highestOf, stackGap, stackings } from './stacks';
import { leastGap, type Trial, type Trials, type Way } from './trials';

const eases = [1, 0.6, 0.3, 0];
/** From this many persons on fewer ways, widths and gaps are tried, so that an edit is seen soon. */
export const many = 250;
const easesOfMany = [1, 0];
const stackingsOfMany = [3, 6];
/** Siblings stand on each other where that prints this much larger. */
const worthStacking = 1.04;

/** A family in its rows, with the sizes that print largest. */
export interface Placed {
  readonly rows: Rows;
  readonly across: Across;
  readonly along: Along;
  readonly width: Float64Array;
  readonly height: Float64Array;
  readonly wanted: readonly number[];
  /** Of the family, without those who belong to nobody in it. */
  readonly size: { readonly across: number; readonly along: number };
  readonly scale: number;
  /** Null where nobody stands apart from the family. */
  readonly loose: { readonly block: LooseBlock; readonly persons: readonly number[] } | null;
}

interface Fit {
  readonly room: Size | null;
  readonly largest: number;
  readonly comfortable: number;
  readonly margin: number;
}

const fittedBy = new KeptFor<SizeChoices, Map<string, { readonly of: Rows; readonly placed: Placed }>>();

/** The widths and gaps with which it prints largest; gaps get smaller only where the print would not be comfortable. Kept while nothing it rests on changes. */
export function fitted(trials: Trials, rows: Rows, fit: Fit): Placed {
  const { arrangement, tiers } = trials.diagram;
  const key = JSON.stringify([arrangement, tiers, fit, trials.outlines]);
  const known = fittedBy.get(trials.choices) ?? new Map<string, { readonly of: Rows; readonly placed: Placed }>();
  fittedBy.set(trials.choices, known);
  const before = known.get(key);
  if (before?.of === rows) return before.placed;
  const kin = kinOf(rows);
  const best = bestStacked(trials, kin, fit);
  const { trial, scale, block } = best;
  const along = trials.along(best.rows, trial);
  const deepest = along.lines.reduce(
    (deep, { points }) => points.reduce((low, at, p) => (p % 2 === 1 ? Math.max(low, at) : low), deep),
    along.rows.at(-1)?.end ?? 0,
  );
  const { across, width, height, wanted } = trial;
  const size = { across: across.right - across.left, along: deepest };
  const loose = block && { block, persons: kin.loose };
  const placed: Placed = { rows: best.rows, across, along, width, height, wanted, size, scale, loose };
  if (known.size > 12) known.clear();
  known.set(key, { of: rows, placed });
  return placed;
}

interface Tried {
  readonly rows: Rows;
  readonly trial: Trial;
  readonly scale: number;
  readonly block: LooseBlock | null;
}

/** Fewer ways, widths and gaps are tried. */
const isLarge = ({ listing }: Trials): boolean => listing.shown.size >= many;

/** With siblings side by side where that prints comfortably; else on each other as far as that prints larger. */
function bestStacked(trials: Trials, kin: Kin, fit: Fit): Tried {
  const large = isLarge(trials);
  const { rows, loose } = kin;
  let best = bestOf(trials, kin, fit);
  let high = 1;
  const enough = Math.min(fit.comfortable, fit.largest) - 1e-9;
  if (!fit.room || best.scale >= enough) return best;
  for (const most of large ? stackingsOfMany : stackings) {
    const stacked = trials.stacked(
      rows,
      rows.rows.map(() => most),
    );
    if (stacked === rows) return best;
    const on = { rows: stacked, loose };
    const tried = large ? triedOf(trials, on, fit, best.trial) : bestOf(trials, on, fit);
    if (tried.scale > best.scale * worthStacking) [best, high] = [tried, most];
    if (best.scale >= enough) break;
  }
  return large || high === 1 ? best : flattened(trials, kin, fit, best, high);
}

/** Rows that are not too wide need no stacks so high: the lowest ones with which all prints as large. */
function flattened(trials: Trials, { rows, loose }: Kin, fit: Fit, found: Tried, high: number): Tried {
  const highs = rows.rows.map(() => high);
  let best = found;
  for (let r = highs.length - 1; r >= 0; r--)
    for (const lower of [1, ...stackings].filter((one) => one < high)) {
      const flatter = trials.stacked(rows, highs.with(r, lower));
      const tried = triedOf(trials, { rows: flatter, loose }, fit, best.trial);
      if (tried.scale < found.scale * 0.999) continue;
      best = tried;
      highs[r] = lower;
      break;
    }
  return best;
}

/** `gaps`: above each row with wanted gaps between tiers, where they are known from another way. */
function triedOf(trials: Trials, { rows, loose }: Kin, fit: Fit, way: Way, gaps?: readonly number[]): Tried {
  const room = fit.room ?? { width: 1500, height: 1000 };
  const { arrangement } = trials.diagram;
  const trial = trials.of(rows, way);
  const between = gaps ?? trials.along(rows, trial).gaps;
  const highest = highestOf(rows);
  const wantedGap = Math.max(leastGap.tier, arrangement.tierGap, trials.outlines.tier);
  const along = trial.depth.reduce(
    (sum, deep, r) =>
      sum +
      deep * highest[r]! +
      stackGap * (highest[r]! - 1) +
      (r === 0 ? 0 : Math.max(trial.least, between[r]! - wantedGap + trial.least)),
    0,
  );
  const right = arrangement.direction === 'right';
  const breadth = trial.across.right - trial.across.left + fit.margin;
  const family = right ? { width: along, height: breadth } : { width: breadth, height: along };
  const apart = loose.length > 0 ? blockOf(trials, { rows, loose }, trial, family, { room, margin: fit.margin }) : null;
  const all = apart?.all ?? family;
  const scale = Math.min(
    fit.room ? fit.largest : Infinity,
    room.width / Math.max(1, all.width),
    room.height / Math.max(1, all.height),
  );
  return { rows, trial, scale, block: apart?.block ?? null };
}

/** The block of those without relatives beside a family whose size tells room for the names of tiers too. */
function blockOf(
  { diagram: { arrangement }, outlines }: Trials,
  { rows, loose }: Kin,
  { width, height, least }: Trial,
  size: Size,
  { room, margin }: { readonly room: Size; readonly margin: number },
): ReturnType<typeof blockBeside> {
  const cell = { width: 0, height: 0 };
  for (const m of loose) {
    cell.width = Math.max(cell.width, width[m]!);
    cell.height = Math.max(cell.height, height[m]!);
  }
  const alone = rows.rows.every(({ length }) => length === 0);
  const family = alone ? { width: 0, height: 0 } : size;
  const gaps = { block: least * 1.5, cell: Math.max(arrangement.siblingGap, outlines.sibling) };
  const { block, all } = blockBeside(loose.length, cell, family, room, gaps);
  // The names stand before the family, whose own corner the block is told from.
  const [left, top] = alone ? [0, 0] : arrangement.direction === 'right' ? [0, margin] : [margin, 0];
  return { block: { ...block, x: block.x - left, y: block.y - top }, all };
}

/** Rows with the widths and gaps that print largest. */
function bestOf(trials: Trials, kin: Kin, fit: Fit): Tried {
  const most = Math.max(1, ...trials.choices.sizes.map(({ length }) => length));
  let best: Tried | null = null;
  // How many lines run between two rows hardly changes with the widths of boxes.
  let gaps: readonly number[] | undefined;
  const large = isLarge(trials);
  const all = Array.from({ length: most }, (_, k) => most - 1 - k);
  const some = large ? [...new Set([all[0]!, all[most >> 1]!, all.at(-1)!])] : all;
  for (const ease of large ? easesOfMany : eases) {
    for (const k of some) {
      const tried = triedOf(trials, kin, fit, { ease, share: most === 1 ? 0 : k / (most - 1) }, gaps);
      gaps ??= trials.along(kin.rows, tried.trial).gaps;
      if (!best || tried.scale > best.scale * 1.01) best = tried;
    }
    if (best!.scale >= Math.min(fit.comfortable, fit.largest) - 1e-9) break;
  }
  return best!;
}
