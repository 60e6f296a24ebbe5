import { outlineRoom, type OutlineRoom, type SizeChoices } from '../../../scene';
import type { FamilyTree } from '../model';
import type { RelatedListing } from '../structure';
import type { Rows } from './blocks';
import { linesOf, type Along } from './lanes';
import { placeAcross, type Across } from './place';
import { stackedRows } from './stacks';

/** Gaps as they are wanted and as small as they may get, CSS px. */
export const partnerGap = 26;
export const leastGap = { partner: 18, sibling: 6, branch: 10, tier: 30 } as const;

/** Sizes and places across for one choice of widths and gaps. */
export interface Trial {
  readonly ease: number;
  readonly share: number;
  readonly across: Across;
  readonly width: Float64Array;
  readonly height: Float64Array;
  readonly breadth: Float64Array;
  readonly depth: readonly number[];
  /** Between two rows at least, CSS px. */
  readonly least: number;
  readonly wanted: readonly number[];
}

/** How much of the wanted gaps there is, 0 to 1, and how wide boxes are between the narrowest and the widest. */
export type Way = Pick<Trial, 'ease' | 'share'>;

/** What is tried for a family, each once: the same ways are tried for a sheet that stands and one that lies. */
export interface Trials {
  readonly diagram: FamilyTree;
  readonly listing: RelatedListing;
  readonly choices: SizeChoices;
  /** Gaps that outlines need. */
  readonly outlines: OutlineRoom;
  of(rows: Rows, way: Way): Trial;
  /** Rows and lines of a trial. */
  along(rows: Rows, trial: Trial): Along;
  /** Rows with siblings on each other, `highs[r]` of them at most in row r. */
  stacked(rows: Rows, highs: readonly number[]): Rows;
}

export function newTrials(diagram: FamilyTree, listing: RelatedListing, choices: SizeChoices): Trials {
  const outlines = outlineRoom(diagram);
  const trials = new WeakMap<Rows, Map<string, Trial>>();
  const lines = new WeakMap<Trial, Along>();
  const stacked = new WeakMap<Rows, Map<string, Rows>>();
  return {
    ...{ diagram, listing, choices, outlines },
    of: (rows, way) =>
      kept(trials, rows, `${way.ease} ${way.share}`, () =>
        trialWith({ diagram, listing, choices, outlines }, rows, way),
      ),
    along(rows, trial) {
      let along = lines.get(trial);
      if (!along) {
        const { across, breadth, depth, least } = trial;
        lines.set(trial, (along = linesOf(rows, across, { breadth, depth, least })));
      }
      return along;
    },
    stacked: (rows, highs) => kept(stacked, rows, highs.join(' '), () => stackedRows(rows, (row) => highs[row]!)),
  };
}

function kept<V>(all: WeakMap<Rows, Map<string, V>>, rows: Rows, key: string, make: () => V): V {
  let known = all.get(rows);
  if (!known) all.set(rows, (known = new Map()));
  let value = known.get(key);
  if (value === undefined) known.set(key, (value = make()));
  return value;
}

function trialWith(
  { diagram, listing, choices, outlines: room }: Pick<Trials, 'diagram' | 'listing' | 'choices' | 'outlines'>,
  rows: Rows,
  { ease, share }: Way,
): Trial {
  const { arrangement } = diagram;
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
  const at = (least: number, wish: number, outlines: number) =>
    Math.max(outlines, Math.min(wish, least + (wish - least) * ease));
  const across = placeAcross(rows, breadth, {
    partner: at(leastGap.partner, partnerGap, room.sibling),
    sibling: at(leastGap.sibling, arrangement.siblingGap, room.sibling),
    branch: at(leastGap.branch, arrangement.branchGap, room.branch),
  });
  const depth = Array.from({ length: Math.max(0, tierStart.length - 1) }, (_, t) => {
    let most = 0;
    for (let i = tierStart[t]!; i < tierStart[t + 1]!; i++) if (tier[i]! > 0) most = Math.max(most, length[i]!);
    return most;
  });
  return {
    ease,
    share,
    across,
    width,
    height,
    breadth,
    depth,
    least: at(leastGap.tier, arrangement.tierGap, room.tier),
    wanted,
  };
}
