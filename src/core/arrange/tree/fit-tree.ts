import type { Look } from './compact/types';
import {
  goal,
  made,
  type Choice,
  newFitWork,
  scaleOf,
  type FitInput,
  type FitWork,
  type Fitted,
  type Manner,
  type Task,
  type Trial,
} from './fit-choice';
import { allItems } from './items';

export {
  newFitWork,
  type FitInput,
  type FitWork,
  type Fitted,
  type Gaps,
  type Manner,
  type TierSizes,
} from './fit-choice';

/** Arrangements that are tried: fewer the more entries there are. */
const mostTrials = 30;
/** … of compact ones fewer; up to `several` entries each is looked at finely at once, as what a rough look finds says little of what a fine one will. */
const mostCompactTrials = 8;
const fewestTrials = 5;
const trialsWorth = 6_000;
const fineTrials = 4;
const several = 100;
const fineTrialsOfSeveral = 14;
const many = 250;
const fineTrialsOfMany = 2;
/** … and of those that do not print comfortably, this many are looked at still more closely. */
const closeTrials = 2;
const closeTrialsOfSeveral = 4;
/** Small hierarchies are tried more thoroughly. */
const few = 16;
const mostTrialsOfFew = 160;
/** Leaves up to this many stand side by side rather than in a bracket, where that prints comfortably (common practice). */
const smallTeam = 4;
/** … and where a bracket would not print this much larger. */
const worthBracket = 1.12;
/** A manner of folding has to print this much larger than a plainer one to be taken. */
const worthFolding = 1.02;
/** Bands may print comfortably when they are made as narrow as they can be, if they print this share of that before. */
const worthNarrowing = 0.75;
/** The wanted gaps and room around texts cost more than this: what prints less over comfortably without them is not looked at with them. */
const worthEase = 1.15;
/** A stepped outline is parted into this many columns at most. */
const outlineColumns = [1, 2, 3, 4, 5, 6];
const rowCounts = [1, 2, 3, 4, 5, 6, 8, 10, 13, 17, 24, 40, Infinity];
const easeSteps = [0.75, 0.5, 0.25];
/** What a rough look finds may be so much less than what a closer one will. */
const roughly = 0.97;

/**
 * Arranges a hierarchy so that it prints as large as it can in its room: a bounded search over how wide the boxes of each tier are, how leaves fold, and
 * gaps, which get smaller only where the print would not be comfortable. The same input gives the same drawing everywhere. `work`: of the same input for
 * another room, which saves what does not depend on it.
 */
export function fitTree(given: FitInput, work: FitWork = newFitWork()): Fitted {
  const input = taskOf(given, work);
  if (input.tiers !== 'open') return made(input, input.tiers, search(input, input.tiers));
  const bands = search(input, 'bands');
  if (bands.scale >= goal(input)) return made(input, 'bands', bands);
  if (bands.scale >= goal(input) * worthNarrowing) {
    const narrowed = made(input, 'bands', bands);
    if (narrowed.scale >= goal(input)) return narrowed;
  }
  const compact = search(input, 'compact');
  return compact.scale > bands.scale * 1.03 ? made(input, 'compact', compact) : made(input, 'bands', bands);
}

/** Arranges a hierarchy as it was arranged with boxes of other sizes, without a search. A tier with fewer sizes to choose from takes the last of them. */
export function fitLike(given: FitInput, { manner, choice }: Pick<Fitted, 'manner' | 'choice'>): Fitted {
  const input = taskOf(given, newFitWork());
  const sizes = given.sizes.map(({ length }, t) => Math.min(choice.sizes[t] ?? 0, length - 1));
  const like: Choice = { ...choice, sizes, look: 'rough' };
  return made(input, manner, { ...like, scale: scaleOf(input, manner, like) });
}

/** What is to be arranged, with what stands below each entry. Marks stand below boxes, which is along the growth only where that is downward. */
const taskOf = (given: FitInput, work: FitWork): Task => ({
  ...given,
  foot: given.direction === 'down' ? given.foot : null,
  items: allItems(given),
  work,
});

/**
 * With the gaps that are wanted, and small teams side by side, where that prints comfortably; else with the least gaps, eased as far as that costs next
 * to nothing.
 */
function search(input: Task, manner: Manner): Trial {
  const tight = searchAt(input, manner, { ease: 0, keptInRow: 1 });
  const enough = goal(input);
  // Gaps take some of the room: what prints too small without them prints smaller with them.
  if (tight.scale < enough) return eased(input, manner, tight, tight.scale * 0.985);
  if (tight.scale < Math.min(enough * worthEase, input.largestScale - 1e-9)) return eased(input, manner, tight, enough);
  const easy = searchAt(input, manner, { ease: 1, keptInRow: smallTeam });
  if (easy.scale < enough) return eased(input, manner, tight, enough);
  const folded = manner === 'bands' ? searchAt(input, manner, { ease: 1, keptInRow: 1 }) : easy;
  return folded.scale > easy.scale * worthBracket ? folded : easy;
}

function eased(input: Task, manner: Manner, tight: Trial, enough: number): Trial {
  // Of many entries a rough look tells that gaps cost too much, in a quarter of the time.
  if (manner === 'compact' && input.tier.length > several) {
    const rough = (ease: number) => scaleOf(input, manner, { ...tight, look: 'rough', ease });
    if (rough(easeSteps.at(-1)!) < (rough(0) * enough * roughly) / tight.scale) return tight;
  }
  // Columns leave room beside them, which gaps between tiers may take.
  const tierEases = manner === 'columns' ? [1, 0.5, undefined] : [undefined];
  for (const tierEase of tierEases) {
    const steps = [...easeSteps, ...(tierEase === undefined ? [] : [0])];
    const at = (ease: number): Trial | null => {
      const trial = { ...tight, ease, ...(tierEase !== undefined && { tierEase }) };
      const scale = scaleOf(input, manner, trial);
      return scale >= enough ? { ...trial, scale } : null;
    };
    // Where even the least of it costs too much, so does more.
    const least = at(steps.at(-1)!);
    if (!least) continue;
    for (const ease of steps.slice(0, -1)) {
      const trial = at(ease);
      if (trial) return trial;
    }
    return least;
  }
  return tight;
}

function searchAt(input: Task, manner: Manner, way: Pick<Trial, 'ease' | 'keptInRow'>): Trial {
  const n = input.tier.length;
  let left = Math.max(
    fewestTrials,
    Math.min(
      n <= few ? mostTrialsOfFew : manner === 'compact' ? mostCompactTrials : mostTrials,
      Math.round(trialsWorth / Math.max(1, n)),
    ),
  );
  const tried: Trial[] = [];
  const look = manner === 'compact' && n > few && n <= several ? 'fine' : 'rough';
  // Where tiers have few sizes, several ways lead to the same.
  const known = new Map<string, number>();
  let best: Trial | null = null;
  const attempt = (sizes: readonly number[], rows: number, worth: number): Trial | null => {
    if (left-- <= 0) return null;
    const key = `${sizes.join(' ')}|${rows}`;
    const scale = known.get(key) ?? scaleOf(input, manner, { ...way, sizes, rows, look });
    known.set(key, scale);
    const trial: Trial = { ...way, sizes, rows, look, scale };
    tried.push(trial);
    if (best === null || trial.scale > best.scale * worth) best = trial;
    return trial;
  };
  const rowsTried =
    manner === 'bands'
      ? rowsFor(input)
      : manner === 'indented'
        ? outlineColumns
        : manner === 'columns'
          ? [1]
          : [Infinity];
  const most = Math.max(1, ...input.sizes.map(({ length }) => length));
  // The plainest first, with names on one line, which stays where nothing prints larger; then widths of all tiers together, in a middle one each way of folding.
  const uniform = (share: number) => input.sizes.map(({ length }) => Math.round(share * Math.max(0, length - 1)));
  attempt(uniform(1), rowsTried[0]!, worthFolding);
  for (const rows of rowsTried) attempt(uniform(0.5), rows, worthFolding);
  for (let step = 0; step < most; step++) {
    const sizes = uniform(most === 1 ? 0 : step / (most - 1));
    for (const rows of nearRows(rowsTried, best!.rows)) if (!alike(sizes, best!.sizes)) attempt(sizes, rows, 1.001);
  }
  const combinations = input.sizes.reduce((product, { length }) => product * length, 1);
  if (combinations * rowsTried.length <= left) {
    for (let code = 0; code < combinations; code++)
      for (const rows of rowsTried) attempt(combination(input, code), rows, 1.001);
  } else refine(input, best!, (sizes, rows) => attempt(sizes, rows, 1.001));
  if (manner !== 'compact') return widened(input, manner, best!);
  // What a rough look finds alike a fine one tells apart.
  const different = tried
    .sort((a, b) => b.scale - a.scale)
    .filter((one, k) => k === tried.findIndex((other) => alike(one.sizes, other.sizes)));
  const worthFine = n > many ? fineTrialsOfMany : n > several ? fineTrialsOfSeveral : fineTrials;
  const fine = look === 'fine' ? different : lookedAt(input, different.slice(0, worthFine), 'fine');
  if (fine[0]!.scale >= goal(input) || n > many) return fine[0]!;
  const [close] = lookedAt(input, fine.slice(0, n > several ? closeTrialsOfSeveral : closeTrials), 'close');
  return close!.scale > fine[0]!.scale ? close! : fine[0]!;
}

/** Compact trials looked at more closely, the largest first. */
const lookedAt = (input: Task, trials: readonly Trial[], look: Look): Trial[] =>
  trials
    .map((trial): Trial => ({ ...trial, look, scale: scaleOf(input, 'compact', { ...trial, look }) }))
    .sort((a, b) => b.scale - a.scale);

/** What prints as large as it may takes wider boxes, with fewer lines, as long as it still does. */
function widened(input: Task, manner: Manner, found: Trial): Trial {
  if (found.scale < input.largestScale - 1e-9) return found;
  let best = found;
  for (let t = input.sizes.length - 1; t >= 0; t--)
    for (let at = best.sizes[t]! + 1; at < input.sizes[t]!.length; at++) {
      const sizes = best.sizes.with(t, at);
      if (scaleOf(input, manner, { ...best, sizes }) < best.scale - 1e-9) break;
      best = { ...best, sizes };
    }
  return best;
}

/** One of all combinations of sizes, by its number. */
function combination({ sizes }: Task, code: number): number[] {
  let rest = code;
  return sizes.map(({ length }) => {
    const at = rest % length;
    rest = Math.floor(rest / length);
    return at;
  });
}

/** Each tier a step wider or narrower, the tier with the most boxes first, as long as it helps. */
function refine(input: FitInput, from: Trial, attempt: (sizes: readonly number[], rows: number) => Trial | null): void {
  let best = from;
  const bySize = input.sizes.map((_, t) => t).sort((a, b) => boxesIn(input, b) - boxesIn(input, a) || a - b);
  for (const t of bySize) {
    for (const step of [1, -1]) {
      for (;;) {
        const at = best.sizes[t]! + step;
        if (at < 0 || at >= input.sizes[t]!.length) break;
        const trial = attempt(best.sizes.with(t, at), best.rows);
        if (trial === null || trial.scale <= best.scale * 1.001) break;
        best = trial;
      }
    }
  }
}

const boxesIn = ({ tierStart }: FitInput, t: number): number => tierStart[t + 1]! - tierStart[t]!;

const alike = (a: readonly number[], b: readonly number[]): boolean => a.every((value, k) => value === b[k]);

/** The ways of folding that can differ, the plainest first. */
function rowsFor(input: Task): number[] {
  if (input.lowest === 'row' || input.direction === 'right') return [1];
  if (input.lowest === 'column') return [Infinity];
  let most = 1;
  for (const items of input.items) for (const { count } of items) most = Math.max(most, count);
  return rowCounts.filter((rows, k) => rows <= most || (rowCounts[k - 1] ?? 1) < most);
}

/** A way of folding and its two neighbours. */
function nearRows(all: readonly number[], rows: number): number[] {
  const at = all.indexOf(rows);
  return all.slice(Math.max(0, at - 1), at + 2);
}
