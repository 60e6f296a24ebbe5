import { onItsSide } from './compact/on-its-side';
import { bestShape, placeCompact } from './compact/place';
import { compactShapes, type KnownShapes } from './compact/shapes';
import type { BranchShape, CompactInput, Look } from './compact/types';
import { arrangeIndented, sizeIndented, type IndentedInput } from './indented';
import type { Item } from './items';
import { arrangeColumns, sizeInColumns, type ColumnsInput } from './tier-columns';
import { arrangeTierTree, sizeOnTiers, type TierTreeInput, type TierTreeLayout } from './tier-tree';

/** Sizes of the boxes of one tier, in level order from its first entry. CSS px. */
export interface TierSizes {
  readonly width: Float64Array;
  readonly height: Float64Array;
}

/** A hierarchy in level order to be arranged for a room. All lengths in CSS px. */
export interface FitInput {
  readonly roots: number;
  readonly parent: Int32Array;
  readonly first: Int32Array;
  readonly count: Int32Array;
  readonly tier: Int32Array;
  readonly tierStart: Int32Array;
  /** All entries in the order of the list. */
  readonly outline: Int32Array;
  readonly beside: Uint8Array;
  /** Length of a mark at the lower end of each box; null where there are none. */
  readonly foot: Float64Array | null;
  readonly direction: 'down' | 'right';
  /**
   * `bands`: every tier on its own line; `compact`: each branch right below its head; `open`: bands where they print at a comfortable size; `columns`:
   * tiers as evenly spaced columns, to the right; `indented`: a stepped outline.
   */
  readonly tiers: 'open' | Manner;
  /** As in `ColumnsInput`. */
  readonly ends: 'own' | 'aligned';
  readonly zones: readonly number[] | null;
  /** Room before the drawing across its growth, for the names of tiers, where each has a line of its own. */
  readonly margin: number;
  /** Leaves of one head: side by side, below each other, or as the room wants it. */
  readonly lowest: 'open' | 'row' | 'column';
  readonly mostColumns: number;
  /** Gaps as they are wanted, and as small as they may get where the print is small. */
  readonly gaps: Gaps;
  readonly leastGaps: Gaps;
  /** For each tier the sizes its boxes can have, from narrow to wide. */
  readonly sizes: readonly (readonly TierSizes[])[];
  /** The same with less room around the text, for where gaps get smaller. */
  readonly tightSizes: readonly (readonly TierSizes[])[];
  /** Null: the sheet grows with the drawing, which then is about half as wide again as it is high. */
  readonly room: { readonly width: number; readonly height: number } | null;
  /** Nothing is drawn larger than this many times its size. */
  readonly largestScale: number;
  /** From this scale on the print is comfortable to read. */
  readonly comfortable: number;
}

export interface Gaps {
  readonly sibling: number;
  readonly branch: number;
  /** `tier[t]`: between tier t and t + 1, counted from 1. */
  readonly tier: readonly number[];
}

/** How tiers stand. */
export type Manner = 'bands' | 'compact' | 'columns' | 'indented';

export interface Fitted {
  readonly manner: Manner;
  /** For each tier, which of its sizes. */
  readonly sizes: readonly number[];
  /** How it was chosen to be arranged. */
  readonly choice: Choice;
  readonly width: Float64Array;
  readonly height: Float64Array;
  /** Whether boxes have less room around their text. */
  readonly padded: 'easy' | 'tight';
  readonly gaps: Gaps;
  readonly layout: TierTreeLayout;
  /** How much it is enlarged, or made smaller, to fill the room. */
  readonly scale: number;
}

/** What a drawing without a room is fitted to, for its proportions alone. */
const freeRoom = { width: 1500, height: 1000 };
/** How far a tier of a stepped outline is indented, as a share of the gap between tiers. */
const indentShare = 0.6;

/** One way to arrange it, and how large it prints. */
export interface Trial {
  readonly sizes: readonly number[];
  /** Rows of folded leaves, in bands; columns of a stepped outline. */
  readonly rows: number;
  /** Share of the way from the least gaps to the wanted; `tierEase`: of those between tiers, where it is another. */
  readonly ease: number;
  readonly tierEase?: number;
  /** Teams up to this size do not fold in bands. */
  readonly keptInRow: number;
  /** How closely compact drawings are looked at to find it. */
  readonly look: Look;
  readonly scale: number;
}

/** What was found out about one input, whatever its room, so that a trial works out only what is another in it. */
export interface FitWork {
  /** Shapes of branches in compact drawings, by the boxes they are of. */
  readonly shapes: Map<string, Map<number, readonly BranchShape[]>>;
  /** Sizes of drawings in bands, and these themselves. */
  readonly sizes: Map<string, { readonly width: number; readonly height: number }>;
  readonly layouts: Map<string, TierTreeLayout>;
}

export const newFitWork = (): FitWork => ({ shapes: new Map(), sizes: new Map(), layouts: new Map() });

/** What is arranged, with what stands below each entry. */
export interface Task extends FitInput {
  readonly items: readonly (readonly Item[])[];
  readonly work: FitWork;
}

/** What is large enough. */
export const goal = ({ comfortable, largestScale }: FitInput): number => Math.min(comfortable, largestScale) - 1e-9;

export type Choice = Omit<Trial, 'scale'>;

export function scaleOf(input: Task, manner: Manner, choice: Choice): number {
  if (manner !== 'compact') return scaleFor(input, sizeIn(input, manner, choice));
  return input.tier.length === 0 ? largestOf(input) : bestCompact(input, choice).best.scale;
}

const largestOf = ({ room, largestScale }: FitInput): number => (room ? largestScale : Infinity);

function scaleFor(input: FitInput, { width, height }: { readonly width: number; readonly height: number }): number {
  const room = input.room ?? freeRoom;
  return Math.min(largestOf(input), room.width / Math.max(1, width), room.height / Math.max(1, height));
}

/** How siblings stand in bands: as near as they can, at one pitch, or so that the whole is hardly wider than it has to be. */
type Across = 'near' | 'even' | 'narrow';

/** Size of the drawing with the names of its tiers. */
function sizeIn(
  input: Task,
  manner: Exclude<Manner, 'compact'>,
  choice: Choice,
  across: Across = 'near',
): { width: number; height: number } {
  if (manner === 'indented') return sizeIndented(indentedInput(input, choice));
  const size =
    manner === 'bands'
      ? inBands(input.work.sizes, choice, across, () => sizeOnTiers(bandsInput(input, choice, across)))
      : sizeInColumns(columnsInput(input, choice));
  return manner === 'columns' || input.direction === 'right'
    ? { width: size.width, height: size.height + input.margin }
    : { width: size.width + input.margin, height: size.height };
}

/** What is worked out of bands once for each way of arranging them. */
function inBands<T>(known: Map<string, T>, choice: Choice, across: Across, make: () => T): T {
  const { sizes, rows, ease, tierEase, keptInRow } = choice;
  const key = `${across} ${rows} ${ease} ${tierEase} ${keptInRow} ${sizes.join(' ')}`;
  const made = known.get(key) ?? make();
  known.set(key, made);
  return made;
}

/** The shapes of a hierarchy that is not empty, and the one of the whole that prints largest. */
function bestCompact(input: Task, choice: Choice) {
  const { width, height } = input.room ?? freeRoom;
  const room = input.direction === 'down' ? { across: width, along: height } : { across: height, along: width };
  const compact = compactInput(input, choice);
  const shapes = compactShapes(compact, knownFor(input, choice));
  return { compact, shapes, best: bestShape(shapes, room, largestOf(input))! };
}

/** Of more entries nothing is kept from one trial to the next: it would take more room than it saves time. */
const mostKnown = 3_000;

/** Known shapes of branches between two tiers, by the sizes of these and by how closely it is looked. */
function knownFor({ work, tier: all, sizes: { length } }: Task, choice: Choice): KnownShapes | null {
  if (all.length > mostKnown) return null;
  const { sizes, ease, tierEase, look } = choice;
  const own: (Map<number, readonly BranchShape[]> | undefined)[] = [];
  return (tier, deepest) => {
    const at = tier * (length + 1) + deepest;
    const here = own[at];
    if (here) return here;
    const key = `${look} ${ease} ${tierEase} ${tier} ${sizes.slice(tier - 1, deepest).join(' ')}`;
    const found = work.shapes.get(key) ?? new Map<number, readonly BranchShape[]>();
    work.shapes.set(key, found);
    return (own[at] = found);
  };
}

export function made(input: Task, manner: Manner, choice: Trial): Fitted {
  const { width, height } = boxesOf(input, choice);
  const gaps = gapsAt(input, choice);
  const { across, scale } =
    manner === 'bands' ? acrossBands(input, choice) : { across: 'near' as const, scale: choice.scale };
  const layout =
    manner === 'bands'
      ? inBands(input.work.layouts, choice, across, () => arrangeTierTree(bandsInput(input, choice, across)))
      : manner === 'columns'
        ? arrangeColumns(columnsInput(input, choice))
        : manner === 'indented'
          ? arrangeIndented(indentedInput(input, choice))
          : compactLayout(input, choice);
  const padded = choice.ease < 1 ? 'tight' : 'easy';
  return { manner, sizes: choice.sizes, choice, width, height, padded, gaps, layout, scale };
}

/** How much wider siblings and the whole drawing may get for siblings to stand at one pitch. */
const evenShare = 0.1;

/**
 * How siblings stand in bands, and the scale by it: at one pitch where the drawing gets little wider and prints as large, or comfortably; where its width is what
 * keeps it small, as narrow as it can be.
 */
function acrossBands(input: Task, choice: Trial): { readonly across: Across; readonly scale: number } {
  const near = sizeIn(input, 'bands', choice);
  const even = sizeIn(input, 'bands', choice, 'even');
  if (even.width <= near.width * (1 + evenShare) && even.height <= near.height * (1 + evenShare)) {
    const scale = scaleFor(input, even);
    if (scale >= Math.min(goal(input), choice.scale)) return { across: 'even', scale };
  }
  const { width, height } = input.room ?? freeRoom;
  const spare = input.direction === 'down' ? width / near.width : height / near.height;
  if (choice.scale >= goal(input) || spare > choice.scale * 1.01) return { across: 'near', scale: choice.scale };
  const scale = scaleFor(input, sizeIn(input, 'bands', choice, 'narrow'));
  return scale > choice.scale ? { across: 'narrow', scale } : { across: 'near', scale: choice.scale };
}

function boxesOf({ sizes, tightSizes, tierStart, tier }: FitInput, { sizes: chosen, ease }: Choice) {
  const width = new Float64Array(tier.length);
  const height = new Float64Array(tier.length);
  (ease < 1 ? tightSizes : sizes).forEach((options, t) => {
    const option = options[chosen[t]!]!;
    width.set(option.width, tierStart[t]);
    height.set(option.height, tierStart[t]);
  });
  return { width, height };
}

function gapsAt({ gaps, leastGaps }: FitInput, { ease, tierEase = ease }: Pick<Trial, 'ease' | 'tierEase'>): Gaps {
  const at = (least: number, wanted: number, share = ease) => Math.min(wanted, least + (wanted - least) * share);
  return {
    sibling: at(leastGaps.sibling, gaps.sibling),
    branch: at(leastGaps.branch, gaps.branch),
    tier: gaps.tier.map((wanted, t) => at(leastGaps.tier[t]!, wanted, tierEase)),
  };
}

function bandsInput(input: Task, choice: Choice, across: Across = 'near'): TierTreeInput {
  const { rows, keptInRow } = choice;
  const gaps = gapsAt(input, choice);
  return {
    ...input,
    ...boxesOf(input, choice),
    stackRows: rows,
    keptInRow,
    stacks: input.lowest === 'open' ? 'runs' : 'teams',
    mostColumns: input.lowest === 'column' ? 1 : input.mostColumns,
    siblingGap: gaps.sibling,
    branchGap: gaps.branch,
    tierGap: gaps.tier,
    evenWithin: across === 'even' ? evenShare : 0,
    narrow: across === 'narrow',
  };
}

function columnsInput(input: Task, choice: Choice): ColumnsInput {
  const gaps = gapsAt(input, choice);
  return { ...input, ...boxesOf(input, choice), gap: gaps.sibling, tierGap: gaps.tier };
}

function indentedInput(input: Task, choice: Choice): IndentedInput {
  const gaps = gapsAt(input, choice);
  const widestGap = Math.max(0, ...gaps.tier.slice(1));
  return {
    ...input,
    ...boxesOf(input, choice),
    gap: gaps.sibling * 0.6,
    step: Math.max(12, widestGap * indentShare),
    columns: choice.rows,
    columnGap: gaps.branch * 1.5,
  };
}

function compactInput(input: Task, choice: Choice): CompactInput {
  const gaps = gapsAt(input, choice);
  const { width, height } = boxesOf(input, choice);
  const down = input.direction === 'down';
  return {
    ...input,
    across: down ? width : height,
    along: down ? height : width,
    siblingGap: gaps.sibling,
    branchGap: gaps.branch,
    tierGap: gaps.tier,
    look: choice.look,
    // To the right, names stand below each other anyway.
    folds: down ? input.lowest : 'row',
  };
}

function compactLayout(input: Task, choice: Choice): TierTreeLayout {
  const nothing: TierTreeLayout = {
    x: new Float64Array(0),
    y: new Float64Array(0),
    width: 0,
    height: 0,
    tiers: [],
    fans: new Map(),
  };
  if (input.tier.length === 0) return nothing;
  const { compact, shapes, best } = bestCompact(input, choice);
  return onItsSide(compact, placeCompact(compact, shapes, best.shape), input.direction);
}
