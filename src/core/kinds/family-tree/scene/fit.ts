import { KeptFor } from '../../../model';
import type { SizeChoices } from '../../../scene';
import type { FamilyTree } from '../model';
import type { RelatedListing } from '../structure';
import type { Rows } from './blocks';
import { linesOf, type Along } from './lanes';
import { placeAcross, type Across } from './place';

/** Gaps as they are wanted and as small as they may get, CSS px. */
export const partnerGap = 26;
const leastGap = { partner: 18, sibling: 6, branch: 10, tier: 30 } as const;
const eases = [1, 0.6, 0.3, 0];
/** From this many persons on fewer ways, widths and gaps are tried, so that an edit is seen soon. */
export const many = 250;
const easesOfMany = [1, 0];

/** A family in its rows, with the sizes that print largest. */
export interface Placed {
  readonly rows: Rows;
  readonly across: Across;
  readonly along: Along;
  readonly width: Float64Array;
  readonly height: Float64Array;
  readonly wanted: readonly number[];
  readonly size: { readonly across: number; readonly along: number };
  readonly scale: number;
}

interface Fit {
  readonly room: { readonly width: number; readonly height: number } | null;
  readonly largest: number;
  readonly comfortable: number;
  readonly margin: number;
}

const fittedBy = new KeptFor<SizeChoices, Map<string, Placed>>();

/** The widths and gaps with which it prints largest; gaps get smaller only where the print would not be comfortable. Kept while nothing it rests on changes. */
export function fitted(
  diagram: FamilyTree,
  listing: RelatedListing,
  rows: Rows,
  choices: SizeChoices,
  fit: Fit,
): Placed {
  const key = JSON.stringify([diagram.arrangement, diagram.tiers, fit]);
  const known = fittedBy.get(choices) ?? new Map<string, Placed>();
  fittedBy.set(choices, known);
  const before = known.get(key);
  if (before && before.rows === rows) return before;
  const room = fit.room ?? { width: 1500, height: 1000 };
  const right = diagram.arrangement.direction === 'right';
  const most = Math.max(1, ...choices.sizes.map(({ length }) => length));
  let best: { trial: Trial; scale: number } | null = null;
  // How many lines run between two rows hardly changes with the widths of boxes.
  let gaps: readonly number[] | null = null;
  const large = listing.shown.size >= many;
  const all = Array.from({ length: most }, (_, k) => most - 1 - k);
  const some = large ? [...new Set([all[0]!, all[most >> 1]!, all.at(-1)!])] : all;
  for (const ease of large ? easesOfMany : eases) {
    for (const k of some) {
      const trial = trialWith(diagram, listing, rows, choices, { ease, share: most === 1 ? 0 : k / (most - 1) });
      gaps ??= alongOf(rows, trial).gaps;
      const along = trial.depth.reduce(
        (sum, deep, r) => sum + deep + (r === 0 ? 0 : Math.max(trial.least, gaps![r]! - gapOf(diagram) + trial.least)),
        0,
      );
      const breadth = trial.across.right - trial.across.left + fit.margin;
      const [wide, high] = right ? [along, breadth] : [breadth, along];
      const scale = Math.min(
        fit.room ? fit.largest : Infinity,
        room.width / Math.max(1, wide),
        room.height / Math.max(1, high),
      );
      if (!best || scale > best.scale * 1.01) best = { trial, scale };
    }
    if (best!.scale >= Math.min(fit.comfortable, fit.largest) - 1e-9) break;
  }
  const { trial, scale } = best!;
  const along = alongOf(rows, trial);
  const deepest = along.lines.reduce(
    (deep, { points }) => points.reduce((low, at, p) => (p % 2 === 1 ? Math.max(low, at) : low), deep),
    along.rows.at(-1)?.end ?? 0,
  );
  const { across, width, height, wanted } = trial;
  const size = { across: across.right - across.left, along: deepest };
  const placed: Placed = { rows, across, along, width, height, wanted, size, scale };
  if (known.size > 12) known.clear();
  known.set(key, placed);
  return placed;
}

const gapOf = ({ arrangement }: FamilyTree): number => Math.max(leastGap.tier, arrangement.tierGap);

/** Sizes and places across for one choice of widths and gaps. */
interface Trial {
  readonly across: Across;
  readonly width: Float64Array;
  readonly height: Float64Array;
  readonly breadth: Float64Array;
  readonly depth: readonly number[];
  /** Between two rows at least, CSS px. */
  readonly least: number;
  readonly wanted: readonly number[];
}

const alongOf = (rows: Rows, { across, breadth, depth, least }: Trial): Along =>
  linesOf(rows, across, { breadth, depth, least });

function trialWith(
  { arrangement }: FamilyTree,
  listing: RelatedListing,
  rows: Rows,
  choices: SizeChoices,
  { ease, share }: { readonly ease: number; readonly share: number },
): Trial {
  const { ids, tierStart, tier } = listing;
  const width = new Float64Array(ids.length);
  const height = new Float64Array(ids.length);
  const wanted: number[] = [];
  choices.sizes.forEach((options, t) => {
    const k = Math.round(share * Math.max(0, options.length - 1));
    const option = (ease < 1 ? choices.tight : choices.sizes)[t]![k]!;
    width.set(option.width, tierStart[t]);
    height.set(option.height, tierStart[t]);
    wanted.push(choices.wanted[t]![k]!);
  });
  const right = arrangement.direction === 'right';
  const [breadth, length] = right ? [height, width] : [width, height];
  const at = (least: number, wish: number) => Math.min(wish, least + (wish - least) * ease);
  const across = placeAcross(rows, breadth, {
    partner: at(leastGap.partner, partnerGap),
    sibling: at(leastGap.sibling, arrangement.siblingGap),
    branch: at(leastGap.branch, arrangement.branchGap),
  });
  const depth = Array.from({ length: Math.max(0, tierStart.length - 1) }, (_, t) => {
    let most = 0;
    for (let i = tierStart[t]!; i < tierStart[t + 1]!; i++) if (tier[i]! > 0) most = Math.max(most, length[i]!);
    return most;
  });
  return { across, width, height, breadth, depth, least: at(leastGap.tier, arrangement.tierGap), wanted };
}
