import { lineRunsThrough, overlap } from '../arrange/graph';
import { fitLike, fitTree, newFitWork, type FitInput, type FitWork, type Fitted, type Gaps } from '../arrange/tree';
import { tierCount, type Hierarchy } from '../hierarchy';
import { KeptFor, longSearch, own, type BoxStyle, type DiagramCommon } from '../model';
import { cellChoices, type BranchPlan } from './branch-lines';
import type { Legend } from './legend';
import { markHeight, type Continued } from './marks';
import { outlineRoom } from './outline-room';
import { freeRoom, placeOnSheet, roomBesideTitle } from './place-sheet';
import type { Rect } from './scene';
import { scalesFor, smallestText, takeSheet, type TakenSheet } from './take-sheet';
import { growsRight, tierNameRoom } from './tier-names';
import { sameSizes, sizeChoices, type SizeChoices } from './tier-sizes';

/** Gaps never get smaller than this, whatever share of them may go. CSS px. */
const leastGap = { sibling: 5, branch: 8, tier: 14, tierWithLinks: 18 } as const;

/** The title stands beside the top of a drawing that prints smaller than this many times what is comfortable. */
const worthAside = 1.1;

export interface FitOnSheet extends Pick<TakenSheet<Fitted>, 'sheet' | 'fitted'> {
  /** Whether it was arranged for a title beside its top, which has room there. */
  readonly titleAside: boolean;
  /** For each tier the width its text is set in, CSS px. */
  readonly wanted: readonly number[];
  readonly largestScale: number;
  /** Size of the smallest text before the drawing is scaled, CSS px; null without text. */
  readonly smallest: number | null;
  /** The sizes that boxes could have, without what stands on their lines. */
  readonly boxes: SizeChoices;
  /** Room for the names of tiers, CSS px. */
  readonly margin: number;
}

/** Arranges a hierarchy for its sheet. Where a least print is wished for that the sheet cannot give, and the next larger can, that one is taken. */
export function fitOnSheet(
  diagram: DiagramCommon,
  structure: Hierarchy,
  styles: readonly BoxStyle[],
  {
    beside,
    legend,
    marks = null,
    branches = null,
  }: {
    readonly beside: Uint8Array;
    readonly legend: Legend;
    readonly marks?: Continued | null;
    readonly branches?: BranchPlan | null;
  },
): FitOnSheet {
  const boxes = sizeChoices(diagram, structure, styles, { beside, marks });
  const choices = branches ? cellChoices(boxes, branches) : boxes;
  const margin = tierNameRoom(diagram, styles, choices);
  const texts = smallestText(diagram, structure, styles);
  const smallest = branches?.smallest ? Math.min(texts ?? Infinity, branches.smallest) : texts;
  const { largest: largestScale, comfortable, wished } = scalesFor(diagram, { usual: usualName(styles), smallest });
  const foot = marks
    ? Float64Array.from(structure.ids, (id, i) => (marks.onward.has(id) ? markHeight(marks, id, styles[i]!) : 0))
    : null;
  const work = newFitWork();
  const { sheet: onSheet, fitted: taken } = takeSheet(diagram.sheet, wished, (sheet) => {
    const onIt = { ...diagram, sheet };
    const arranged = (room: FitInput['room']) =>
      fittedOnce(
        structure,
        choices,
        inputFor(diagram, structure, {
          ...{ beside, foot, choices, room, largestScale, comfortable, margin },
          ends: branches?.lines.ends ?? 'own',
          zones: branches?.zones ?? null,
        }),
        work,
      );
    // What prints small gets the room of the title as well, where that can stand beside the one at the top.
    const high = structure.roots === 1 && margin === 0 ? roomBesideTitle(onIt, legend) : null;
    if (high) {
      const fitted = arranged(high);
      const free = fitted.scale < comfortable * worthAside && titleFits(onIt, fitted, legend, largestScale);
      if (free) return { scale: fitted.scale, fitted, titleAside: true };
    }
    const fitted = arranged(freeRoom(onIt, legend));
    return { scale: fitted.scale, fitted, titleAside: false };
  });
  const wanted = taken.fitted.sizes.map((size, t) => choices.wanted[t]![size]!);
  const { fitted, titleAside } = taken;
  return { sheet: onSheet, fitted, titleAside, wanted, largestScale, smallest, boxes, margin };
}

/** Whether a title has room beside the top of an arranged drawing. */
function titleFits(
  onIt: DiagramCommon,
  { layout, width, height, scale }: Fitted,
  legend: Legend,
  largest: number,
): boolean {
  const taken = (part: Rect): boolean =>
    layout.x.some((x, i) => overlap(part, { x, y: layout.y[i]!, width: width[i]!, height: height[i]! })) ||
    [...layout.fans.values()].some((lines) => lines.some(({ points }) => lineRunsThrough(points, part)));
  const size = { width: layout.width, height: layout.height };
  // It may have room above the drawing as well, where that is wide.
  return placeOnSheet(onIt, size, legend, largest, taken).drawing.scale > scale * 0.99;
}

/** How boxes of some sizes were arranged, by all else that it depends on. */
export interface FoundFits {
  readonly choices: SizeChoices;
  readonly byRest: Map<string, Fitted>;
}
const kept = new KeptFor<Hierarchy, FoundFits>();
const mostKept = 12;

/** How a hierarchy is arranged as far as that is known here, for another thread. */
export const foundFits = (structure: Hierarchy): FoundFits | null => kept.get(structure) ?? null;
/** Takes over how another thread arranged the same hierarchy. */
export const takeFits = (structure: Hierarchy, found: FoundFits): void => kept.set(structure, found);

/** Arranged once for the same boxes and room, as when a name is typed that fits its tier. */
function fittedOnce(structure: Hierarchy, choices: SizeChoices, input: FitInput, work: FitWork): Fitted {
  const { direction, tiers, lowest, mostColumns, gaps, leastGaps, room, largestScale, comfortable, margin } = input;
  const key = JSON.stringify([
    ...[margin, input.ends],
    ...[direction, tiers, lowest, mostColumns, gaps, leastGaps, room, largestScale, comfortable],
    Array.from(input.beside).join(''),
  ]);
  const known = kept.get(structure);
  // What came from another thread has the same sizes, but they are not the same object.
  const byRest = known && (known.choices === choices || sameSizes(known.choices, choices)) ? known.byRest : null;
  if (byRest && known!.choices !== choices) kept.set(structure, { choices, byRest });
  const before = byRest?.get(key);
  if (before) return before;
  const { found: fitted, searched } = longSearch(
    () => fitTree(input, work),
    () => {
      const like = [...(known?.byRest.values() ?? [])].at(-1);
      return like && (input.tiers === 'open' || input.tiers === like.manner) ? fitLike(input, like) : null;
    },
  );
  // What will do for a first sight is no answer to keep.
  if (searched) {
    const room = byRest && byRest.size <= mostKept ? byRest : new Map<string, Fitted>();
    room.set(key, fitted);
    if (room !== byRest) kept.set(structure, { choices, byRest: room });
  }
  return fitted;
}

function inputFor(
  diagram: DiagramCommon,
  structure: Hierarchy,
  given: Pick<FitInput, 'beside' | 'foot' | 'room' | 'largestScale' | 'comfortable' | 'margin' | 'ends' | 'zones'> & {
    readonly choices: SizeChoices;
  },
): FitInput {
  const { choices, ...rest } = given;
  const { arrangement, tiers } = diagram;
  const gapAbove = (t: number) => own(tiers, String(t + 1))?.gap ?? null;
  const total = tierCount(structure);
  const room = outlineRoom(diagram);
  const gaps: Gaps = {
    sibling: Math.max(arrangement.siblingGap, room.sibling),
    branch: Math.max(arrangement.branchGap, room.branch),
    tier: Array.from({ length: total }, (_, t) => gapAbove(t) ?? Math.max(arrangement.tierGap, room.tier)),
  };
  const shrunk = (wanted: number, least: number) => Math.min(wanted, Math.max(least, wanted * arrangement.tightest));
  // A link beside the structure runs between the boxes and the lines of the structure, clear of both.
  const leastTier = Object.keys(diagram.links).length > 0 ? leastGap.tierWithLinks : leastGap.tier;
  return {
    ...rest,
    roots: structure.roots,
    parent: structure.parent,
    first: structure.first,
    count: structure.count,
    tier: structure.tier,
    outline: structure.outline,
    tierStart: Int32Array.from(structure.tierStart),
    direction: growsRight(diagram) ? 'right' : 'down',
    // Words on lines want every tier on a line of its own, and nothing folded.
    tiers: given.zones ? (given.ends === 'aligned' ? 'columns' : 'bands') : arrangement.tiers,
    lowest: given.zones ? 'row' : arrangement.lowest,
    mostColumns: arrangement.mostColumns,
    gaps,
    leastGaps: {
      sibling: shrunk(gaps.sibling, Math.max(leastGap.sibling, room.sibling)),
      branch: shrunk(gaps.branch, Math.max(leastGap.branch, room.branch)),
      // A gap that was set for one tier by hand stays.
      tier: gaps.tier.map((wanted, t) =>
        gapAbove(t) === null ? shrunk(wanted, Math.max(leastTier, room.tier)) : wanted,
      ),
    },
    sizes: choices.sizes,
    tightSizes: choices.tight,
  };
}

/** The size of most names, CSS px. */
function usualName(styles: readonly BoxStyle[]): number {
  const names = new Map<number, number>();
  for (const { nameSize } of styles) names.set(nameSize, (names.get(nameSize) ?? 0) + 1);
  const [usual = 13] = [...names].sort((a, b) => b[1] - a[1] || a[0] - b[0])[0] ?? [];
  return usual;
}
