import { extentOfLines, roundedPath, type Extent, type Polyline } from '../arrange/graph';
import type { Fitted, TierSizes } from '../arrange/tree';
import type { Hierarchy } from '../hierarchy';
import { baseOf, capHeightOf, runsOf, sansFace, widthOfRuns, wrapWithin, type Run } from '../measure';
import { KeptFor, remember, type DiagramCommon, type LinkStyle } from '../model';
import type { Primitive, Rect, SceneGroup } from './scene';
import { styledLine } from './line-marks';
import type { SizeChoices } from './tier-sizes';

/** What a kind says of the lines of its structure where each has words of its own. */
export interface BranchLines {
  /** What stands on the line to an entry, each text on lines of its own; empty for nothing. */
  words(id: string): readonly string[];
  style(id: string): LinkStyle;
  /** How much a line matters: those that matter more are drawn above the others. */
  rank(id: string): number;
  /** Whether entries without others below them all stand in the last column or row. */
  ends: 'own' | 'aligned';
  /** What manners of its lines mean; left out for nothing. */
  readonly explained?: readonly { readonly words: string; readonly line: LinkStyle }[];
}

/** Words on a line to be set. CSS px. */
interface Label {
  readonly lines: readonly { readonly runs: readonly Run[]; readonly width: number }[];
  readonly size: number;
  readonly width: number;
  readonly height: number;
}

/** The words on all lines, and for each tier how long the stretch before its boxes is on which they stand. CSS px. */
export interface BranchPlan {
  readonly lines: BranchLines;
  /** By index; null where nothing stands on the line. */
  readonly labels: readonly (Label | null)[];
  /** By tier, from 0. */
  readonly zones: readonly number[];
  readonly direction: 'down' | 'right';
  /** Size of the smallest words; null without any. */
  readonly smallest: number | null;
}

const face = sansFace(400, 'upright');
const leading = 1.2;
/** Free line before and after the words, and between the words and the line. CSS px. */
const stub = 11;
const clear = 4;
/** Words wider than this many times their size are broken. */
const widestEms = 15;

/** Measures the words on the lines of a structure. */
export function planBranches(diagram: DiagramCommon, structure: Hierarchy, lines: BranchLines): BranchPlan {
  const { direction } = diagram.arrangement;
  const zones = new Array<number>(Math.max(0, structure.tierStart.length - 1)).fill(0);
  let smallest = Infinity;
  const labels = structure.ids.map((id, i) => {
    if (structure.parent[i]! < 0) return null;
    const label = labelOf(lines.words(id), lines.style(id).phraseSize);
    if (!label) return null;
    smallest = Math.min(smallest, label.size);
    const t = structure.tier[i]! - 1;
    const along = direction === 'right' ? label.width + 2 * clear : label.height;
    zones[t] = Math.max(zones[t]!, Math.ceil(along + 2 * stub));
    return label;
  });
  return { lines, labels, zones, direction, smallest: smallest === Infinity ? null : smallest };
}

const labelled = new KeptFor<readonly string[], { readonly size: number; readonly label: Label | null }>();

/** Words that are the same object need not be read again. */
function labelOf(words: readonly string[], size: number): Label | null {
  const before = labelled.get(words);
  if (before?.size === size) return before.label;
  const label = labelOfText(words, size);
  labelled.set(words, { size, label });
  return label;
}

/** The same words are set once. */
const labelOfText = remember(
  5000,
  (words: readonly string[], size: number) => `${size}\n${words.join('\n')}`,
  (words: readonly string[], size: number): Label | null => {
    const lines = words
      .filter((text) => text.trim() !== '')
      .flatMap((text) => {
        const base = baseOf(text);
        return wrapWithin(text, face, size, size * widestEms).map((line) => {
          const runs = runsOf(line, face, size, base);
          return { runs, width: widthOfRuns(runs) };
        });
      });
    return lines.length === 0
      ? null
      : { lines, size, width: Math.max(...lines.map(({ width }) => width)), height: lines.length * size * leading };
  },
);

interface Celled {
  readonly plan: BranchPlan;
  readonly cells: SizeChoices;
}
const celled = new KeptFor<SizeChoices, Celled>();

/** Whether words on lines take the same room: labels are one object for the same words. */
const isSameRoom = (a: BranchPlan, b: BranchPlan): boolean =>
  a.direction === b.direction &&
  a.labels.length === b.labels.length &&
  a.zones.every((zone, t) => zone === b.zones[t]) &&
  // To the right the words take height, and width only by the longest of their tier; downward the other way round.
  a.labels.every((label, i) => {
    const other = b.labels[i];
    return (
      label === other || (a.direction === 'right' ? label?.height === other?.height : label?.width === other?.width)
    );
  });

/** The sizes that boxes can have, each with the stretch of its line before it, and high (or wide) enough for the words on that. */
export function cellChoices(choices: SizeChoices, plan: BranchPlan): SizeChoices {
  const { labels, zones, direction } = plan;
  const before = celled.get(choices);
  if (before && isSameRoom(before.plan, plan)) return before.cells;
  const all = (sizes: SizeChoices['sizes']): SizeChoices['sizes'] => {
    let at = 0;
    return sizes.map((options, t) => {
      const from = at;
      at += options[0]?.width.length ?? 0;
      return options.map(({ width, height }): TierSizes => {
        const wide = width.slice();
        const high = height.slice();
        for (let k = 0; k < wide.length; k++) {
          const label = labels[from + k];
          if (direction === 'right') {
            wide[k]! += zones[t]!;
            high[k] = Math.max(high[k]!, label ? label.height + 2 : 0);
          } else {
            high[k]! += zones[t]!;
            wide[k] = Math.max(wide[k]!, label ? label.width + 2 * clear : 0);
          }
        }
        return { width: wide, height: high };
      });
    });
  };
  const cells = { ...choices, sizes: all(choices.sizes), tight: all(choices.tight) };
  celled.set(choices, { plan, cells });
  return cells;
}

/** Where the boxes stand within their cells. */
export function boxesInCells(
  fitted: Fitted,
  structure: Hierarchy,
  choices: SizeChoices,
  { zones, direction, lines }: BranchPlan,
): Rect[] {
  const { layout, width, height, padded, sizes } = fitted;
  const last = structure.tierStart.length - 2;
  const lastStart = (layout.tiers[last]?.rowStart ?? 0) + (zones[last] ?? 0);
  return structure.ids.map((_, i) => {
    const t = structure.tier[i]! - 1;
    const own = (padded === 'tight' ? choices.tight : choices.sizes)[t]![sizes[t]!]!;
    const at = i - structure.tierStart[t]!;
    const [boxWidth, boxHeight] = [own.width[at]!, own.height[at]!];
    const aligned = lines.ends === 'aligned' && structure.count[i] === 0 && structure.parent[i]! >= 0;
    const [x, y] = [layout.x[i]!, layout.y[i]!];
    const right = direction === 'right';
    return {
      x: right ? (aligned ? lastStart : x + zones[t]!) : x + (width[i]! - boxWidth) / 2,
      y: right ? y + (height[i]! - boxHeight) / 2 : aligned ? lastStart : y + zones[t]!,
      width: boxWidth,
      height: boxHeight,
    };
  });
}

/** A line as it was drawn last, and what it was drawn from. */
interface DrawnLine {
  readonly style: LinkStyle;
  readonly label: Label | null;
  readonly joinRadius: number;
  readonly zone: number;
  readonly course: Course;
  readonly group: SceneGroup;
}

/** Where a line leaves its parent's box (`stem` across, `start` along), turns (`bus`), where its cell begins, and where it comes in. */
interface Course {
  readonly stem: number;
  readonly start: number;
  readonly bus: number;
  readonly begin: number;
  readonly end: number;
  readonly stop: number;
}

const isSameCourse = (a: Course, b: Course): boolean =>
  a.stem === b.stem &&
  a.start === b.start &&
  a.bus === b.bus &&
  a.begin === b.begin &&
  a.end === b.end &&
  a.stop === b.stop;

function pointsOf({ stem, start, bus, end, stop }: Course, down: boolean): Polyline {
  if (Math.abs(stem - end) < 0.01) return down ? [stem, start, end, stop] : [start, stem, stop, end];
  return down ? [stem, start, stem, bus, end, bus, end, stop] : [start, stem, bus, stem, bus, end, stop, end];
}
const linesOf = new KeptFor<Hierarchy, (DrawnLine | undefined)[]>();

/** The line to each entry with its words in a gap of it, at the same place on every line of a tier. */
export function branchGroups(
  structure: Hierarchy,
  boxes: readonly Rect[],
  fitted: Fitted,
  { plan, joinRadius }: { readonly plan: BranchPlan; readonly joinRadius: number },
): SceneGroup[] {
  const { lines, labels, zones, direction } = plan;
  const { layout, gaps } = fitted;
  const down = direction === 'down';
  const kept = [...(linesOf.get(structure) ?? [])];
  linesOf.set(structure, kept);
  const byRank: SceneGroup[][] = [];
  structure.ids.forEach((id, i) => {
    const parent = structure.parent[i]!;
    if (parent < 0) return;
    const t = structure.tier[i]! - 1;
    const [from, to] = [boxes[parent]!, boxes[i]!];
    const begin = down ? layout.y[i]! : layout.x[i]!;
    const course: Course = {
      stem: down ? from.x + from.width / 2 : from.y + from.height / 2,
      start: down ? from.y + from.height : from.x + from.width,
      bus: begin - (gaps.tier[t] ?? 0) / 2,
      begin,
      end: down ? to.x + to.width / 2 : to.y + to.height / 2,
      stop: down ? to.y : to.x,
    };
    const style = lines.style(id);
    const label = labels[i] ?? null;
    const zone = zones[t]!;
    let drawn = kept[i];
    const isSame =
      drawn?.style === style &&
      drawn.label === label &&
      drawn.joinRadius === joinRadius &&
      drawn.zone === zone &&
      isSameCourse(drawn.course, course);
    if (!drawn || !isSame) {
      const extent = label && placeOf(label, { begin, middle: course.end, zone, down });
      const group = lineGroup(id, pointsOf(course, down), style, { label, extent, joinRadius });
      kept[i] = drawn = { style, label, joinRadius, zone, course, group };
    }
    (byRank[lines.rank(id)] ??= []).push(drawn.group);
  });
  return byRank.flat();
}

/** To the right all words of a tier begin at one place; downward they stand on the middle of their line. */
function placeOf(
  { width, height }: Label,
  { begin, middle, zone, down }: { begin: number; middle: number; zone: number; down: boolean },
): Extent {
  const wide = width + 2 * clear;
  const high = height + 2;
  const x = down ? middle - wide / 2 : begin + stub;
  const y = down ? begin + (zone - high) / 2 : middle - high / 2;
  return { width: wide, height: high, x, y };
}

function lineGroup(
  id: string,
  points: Polyline,
  style: LinkStyle,
  { label, extent, joinRadius }: { label: Label | null; extent: Extent | null; joinRadius: number },
): SceneGroup {
  const line = styledLine(points, style, extent, joinRadius);
  const children = label && extent ? [...line, ...wordsOf(label, extent, style.phraseColour)] : line;
  const bounds = extentOfLines(extent ? [points, cornersOf(extent)] : [points]);
  return {
    type: 'group',
    stands: { for: 'branch', id },
    label: '',
    x: 0,
    y: 0,
    bounds,
    children,
    selectable: { outline: roundedPath(points, 0), hit: 'line', course: points, as: { for: 'entry', id } },
  };
}

const cornersOf = ({ x, y, width, height }: Extent): number[] => [x, y, x + width, y + height];

function wordsOf({ lines, size, height }: Label, extent: Extent, fill: string): Primitive[] {
  const top = extent.y + (extent.height - height) / 2;
  return lines.map(({ runs, width }, k) => ({
    type: 'text',
    x: extent.x + (extent.width - width) / 2,
    y: top + k * size * leading + (size * leading + capHeightOf(face, size)) / 2,
    size,
    fill,
    runs,
    part: 'detail',
  }));
}
