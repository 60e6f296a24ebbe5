import { fitTree, type FitInput, type Fitted, type Gaps } from '../arrange/tree';
import { tierCount, type Hierarchy } from '../hierarchy';
import {
  KeptFor,
  nextSheet,
  orientations,
  own,
  pxPerPt,
  readFrom,
  type BoxStyle,
  type DiagramCommon,
  type Sheet,
} from '../model';
import { cellChoices, type BranchPlan } from './branch-lines';
import { markHeight, type Continued } from './marks';
import { freeRoom } from './place-sheet';
import { growsRight, tierNameRoom } from './tier-names';
import { sizeChoices, type SizeChoices } from './tier-sizes';

/** Print that is comfortable to read on a hand-out, in points (common practice). */
export const comfortablePt = 8.5;
/** Gaps never get smaller than this, whatever share of them may go. CSS px. */
const leastGap = { sibling: 5, branch: 8, tier: 14 } as const;
/** Standing is taken for lying only where it prints this much larger. */
const worthTurning = 1.05;

export interface FitOnSheet {
  readonly fitted: Fitted;
  /** The sheet that was taken: its orientation told, and its size the next larger where the wish for print asks for it. */
  readonly sheet: Sheet;
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
    readonly legend: string;
    readonly marks?: Continued | null;
    readonly branches?: BranchPlan | null;
  },
): FitOnSheet {
  const boxes = sizeChoices(diagram, structure, styles, { beside, marks });
  const choices = branches ? cellChoices(boxes, branches) : boxes;
  const margin = tierNameRoom(diagram, styles, choices);
  const texts = textSizes(diagram, structure, styles);
  const { usual } = texts;
  const smallest = branches?.smallest ? Math.min(texts.smallest ?? Infinity, branches.smallest) : texts.smallest;
  const { leastPrint } = diagram.sheet;
  const largestScale = (diagram.arrangement.largestPrint * readFrom(diagram.sheet.size) * pxPerPt) / usual;
  const comfortable = (Math.max(comfortablePt, leastPrint ?? 0) * pxPerPt) / (smallest ?? usual);
  const foot = marks
    ? Float64Array.from(structure.ids, (id, i) => (marks.onward.has(id) ? markHeight(marks, id, styles[i]!) : 0))
    : null;
  const fitTo = (sheet: Sheet): { sheet: Sheet; fitted: Fitted } => {
    const room = freeRoom({ ...diagram, sheet }, legend);
    const input = inputFor(diagram, structure, {
      ...{ beside, foot, choices, room, largestScale, comfortable, margin },
      ends: branches?.lines.ends ?? 'own',
      zones: branches?.zones ?? null,
    });
    return { sheet, fitted: fittedOnce(structure, choices, input) };
  };
  const best = (sheet: Sheet) => {
    const [first, ...others] = orientations(sheet).map(fitTo);
    return others.reduce((most, one) => (one.fitted.scale > most.fitted.scale * worthTurning ? one : most), first!);
  };
  let taken = best(diagram.sheet);
  const larger = nextSheet(diagram.sheet.size);
  const wished = ((leastPrint ?? 0) * pxPerPt) / (smallest ?? usual);
  if (larger && leastPrint !== null && taken.fitted.scale < wished) {
    const next = best({ ...diagram.sheet, size: larger });
    if (next.fitted.scale >= wished) taken = next;
  }
  const wanted = taken.fitted.sizes.map((size, t) => choices.wanted[t]![size]!);
  return { ...taken, wanted, largestScale, smallest, boxes, margin };
}

const kept = new KeptFor<Hierarchy, { readonly choices: SizeChoices; readonly byRest: Map<string, Fitted> }>();
const mostKept = 12;

/** Arranged once for the same boxes and room, as when a name is typed that fits its tier. */
function fittedOnce(structure: Hierarchy, choices: SizeChoices, input: FitInput): Fitted {
  const { direction, tiers, lowest, mostColumns, gaps, leastGaps, room, largestScale, comfortable, margin } = input;
  const key = JSON.stringify([
    ...[margin, input.ends],
    ...[direction, tiers, lowest, mostColumns, gaps, leastGaps, room, largestScale, comfortable],
    Array.from(input.beside).join(''),
  ]);
  let known = kept.get(structure);
  if (!known || known.choices !== choices || known.byRest.size > mostKept)
    kept.set(structure, (known = { choices, byRest: new Map() }));
  const before = known.byRest.get(key);
  if (before) return before;
  const fitted = fitTree(input);
  known.byRest.set(key, fitted);
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
  const gaps: Gaps = {
    sibling: arrangement.siblingGap,
    branch: arrangement.branchGap,
    tier: Array.from({ length: total }, (_, t) => gapAbove(t) ?? arrangement.tierGap),
  };
  const shrunk = (wanted: number, least: number) => Math.min(wanted, Math.max(least, wanted * arrangement.tightest));
  return {
    ...rest,
    roots: structure.roots,
    parent: structure.parent,
    first: structure.first,
    count: structure.count,
    tier: structure.tier,
    tierStart: Int32Array.from(structure.tierStart),
    direction: growsRight(diagram) ? 'right' : 'down',
    // Words on lines want every tier on a line of its own, and nothing folded.
    tiers: given.zones ? (given.ends === 'aligned' ? 'columns' : 'bands') : arrangement.tiers,
    lowest: given.zones ? 'row' : arrangement.lowest,
    mostColumns: arrangement.mostColumns,
    gaps,
    leastGaps: {
      sibling: shrunk(gaps.sibling, leastGap.sibling),
      branch: shrunk(gaps.branch, leastGap.branch),
      // A gap that was set for one tier by hand stays.
      tier: gaps.tier.map((wanted, t) => (gapAbove(t) === null ? shrunk(wanted, leastGap.tier) : wanted)),
    },
    sizes: choices.sizes,
    tightSizes: choices.tight,
  };
}

/** The smallest size of text, and that of most names. CSS px. */
function textSizes(diagram: DiagramCommon, structure: Hierarchy, styles: readonly BoxStyle[]) {
  let smallest = Infinity;
  const names = new Map<number, number>();
  structure.ids.forEach((id, i) => {
    const style = styles[i]!;
    const details = own(diagram.entries, id)!
      .details.slice(0, style.details)
      .some((detail) => detail.trim() !== '');
    smallest = Math.min(smallest, style.nameSize, details ? style.detailSize : Infinity);
    names.set(style.nameSize, (names.get(style.nameSize) ?? 0) + 1);
  });
  const [usual = 13] = [...names].sort((a, b) => b[1] - a[1] || a[0] - b[0])[0] ?? [];
  return { smallest: smallest === Infinity ? null : smallest, usual };
}
