import { sample, type TierSizes } from '../arrange/tree';
import type { Hierarchy } from '../hierarchy';
import { heightWithin, textFolds, widthWithin, type TextFolds } from '../measure';
import {
  interning,
  KeptFor,
  own,
  type BoxStyle,
  type DiagramCommon,
  type StylePatch,
  type StyleProperty,
} from '../model';
import { markHeight, markWidth, type Continued } from './marks';
import { isSymbol } from './box-shapes';
import { boxAround, type Padding } from './entry-group';
import { hasPhotoRoom, withPhoto } from './photo';

/** The sizes that the boxes of each tier can have, from narrow to wide, and for each the width its text is set in, CSS px. */
export interface SizeChoices {
  readonly sizes: readonly (readonly TierSizes[])[];
  /** The same with less room around the text. */
  readonly tight: readonly (readonly TierSizes[])[];
  readonly wanted: readonly (readonly number[])[];
  /** Of each tier, whether somebody of it has a photo. */
  readonly pictured: readonly boolean[];
}

const mostChoices = 5;
const mostTried = 24;
/** A box is not made higher where this much more width would spare it. */
const widthForHeight = 1.15;
/** Wider than this names are not set on one line, in ems of their size. */
const widestEms = 20;

const kept = new KeptFor<Hierarchy, SizeChoices>();

/**
 * For each tier, widths of text at which something breaks differently, with the sizes of all boxes of that tier: boxes that share their size have that of
 * the largest, assistants among themselves. A choice that another beats both ways, or that is higher only to be less than 15 % narrower, is left out.
 */
export function sizeChoices(
  diagram: DiagramCommon,
  structure: Hierarchy,
  styles: readonly BoxStyle[],
  { beside, marks }: { readonly beside: Uint8Array; readonly marks: Continued | null },
): SizeChoices {
  const tiers = structure.tierStart.length - 1;
  const known = madeFor.get(structure) ?? [];
  const made = Array.from({ length: tiers }, (_, t) => {
    const [from, to] = [structure.tierStart[t]!, structure.tierStart[t + 1]!];
    const narrowest = Math.max(diagram.arrangement.narrowest, own(diagram.tiers, String(t + 1))?.width ?? 0);
    const ids = structure.ids.slice(from, to);
    const tier = marked({
      ...{ ids, beside, marks, narrowest, from, to },
      styles: styles.slice(from, to),
      folds: ids.map((id, k) => textFolds(own(diagram.entries, id)!, styles[from + k]!)),
      widest: diagram.arrangement.widest,
      apart: ids.map((id) => hasOwnSize(own(diagram.styles.only, id))),
      pictured: ids.some((id, k) => own(diagram.entries, id)!.image !== undefined && hasPhotoRoom(styles[from + k]!)),
    });
    const before = known[t];
    return before && isAsBefore(before.tier, tier) ? before : { tier, ...ofTier(tier) };
  });
  madeFor.set(structure, made);
  const choices = {
    sizes: made.map(({ sizes }) => sizes),
    tight: made.map(({ tight }) => tight),
    wanted: made.map(({ wanted }) => wanted),
    pictured: made.map(({ tier }) => tier.pictured),
  };
  const before = kept.get(structure);
  if (before && sameSizes(before, choices)) return before;
  kept.set(structure, choices);
  return choices;
}

/** The entries of a tier, from `from` to `to` in the structure; ids, styles and folds are theirs alone. */
interface Tier {
  readonly ids: readonly string[];
  readonly styles: readonly BoxStyle[];
  readonly folds: readonly TextFolds[];
  readonly beside: Uint8Array;
  readonly marks: Continued | null;
  readonly narrowest: number;
  readonly widest: number;
  readonly pictured: boolean;
  /** Of each entry, whether its size is its own, so that it may outgrow the others without making them larger. */
  readonly apart: readonly boolean[];
  readonly from: number;
  readonly to: number;
}

interface Made {
  readonly sizes: readonly TierSizes[];
  readonly tight: readonly TierSizes[];
  readonly wanted: readonly number[];
}

const madeFor = new KeptFor<Hierarchy, readonly (Made & { readonly tier: Tier })[]>();

/** Whether what the sizes of a tier follow from is what it was; texts and styles that are alike are the same objects. */
function isAsBefore(before: Tier, now: Tier): boolean {
  if (before.marks || now.marks) return false;
  return (
    before.narrowest === now.narrowest &&
    before.widest === now.widest &&
    before.pictured === now.pictured &&
    before.apart.every((one, k) => one === now.apart[k]) &&
    before.folds.every(
      (folds, k) =>
        folds === now.folds[k] &&
        (before.styles[k] === now.styles[k] ||
          (sizingOf(before.styles[k]!) === sizingOf(now.styles[k]!) &&
            before.styles[k]!.equalSize === now.styles[k]!.equalSize)),
    ) &&
    sameNumbers(before.beside.subarray(now.from, now.to), now.beside.subarray(now.from, now.to))
  );
}

/** What makes a box as large as it is. */
const sizing: readonly StyleProperty[] = [
  'shape',
  'corner',
  'room',
  'nameSize',
  'detailSize',
  'details',
  'photo',
  'sign',
];
const hasOwnSize = (patch: StylePatch | undefined): boolean =>
  patch !== undefined && sizing.some((property) => patch[property] !== undefined);

/** A tier in which an entry has a mark, with boxes wide enough for it. */
function marked(tier: Tier): Tier {
  let { narrowest } = tier;
  if (tier.marks)
    tier.styles.forEach((style, k) => {
      if (markHeight(tier.marks!, tier.ids[k]!, style) > 0) narrowest = Math.max(narrowest, markWidth(style));
    });
  return { ...tier, narrowest };
}

function ofTier(tier: Tier): Made {
  const [easy, tight] = (['easy', 'tight'] as const).map((padded) => tier.ids.map((_, k) => stepsFor(tier, k, padded)));
  const tried = widthsOf(tier).map((wanted) => ({ wanted, ...commonSize(tier, easy!, wanted) }));
  const good = tried.filter(
    (one) =>
      !tried.some(
        (other) =>
          other !== one &&
          ((other.height < one.height - 0.01 && other.width <= one.width * widthForHeight + 0.01) ||
            (other.height <= one.height + 0.01 &&
              (other.width < one.width - 0.01 || (other.width <= one.width && other.wanted < one.wanted)))),
      ),
  );
  const chosen = sample(good, mostChoices).map(({ wanted }) => wanted);
  return {
    wanted: chosen,
    sizes: chosen.map((wanted) => sizesAt(tier, easy!, wanted)),
    tight: chosen.map((wanted) => sizesAt(tier, tight!, wanted)),
  };
}

/** Tells who of a tier has a say in how its text is set: those whose size is not their own, or all where there are none. */
function counting(apart: readonly boolean[]): (k: number) => boolean {
  const all = apart.every(Boolean);
  return (k) => all || !apart[k];
}

/** Widths of text, from narrow to wide, at which some name or detail of a tier breaks differently. */
function widthsOf({ styles, folds, widest: limit, apart }: Tier): number[] {
  const counts = counting(apart);
  const widths = new Set<number>();
  let least = 0;
  let widest = Infinity;
  folds.forEach(({ name, details }, k) => {
    if (!counts(k)) return;
    widest = Math.min(widest, styles[k]!.nameSize * widestEms);
    for (const ways of [name, ...details]) {
      for (const { width } of ways) widths.add(Math.ceil(width));
      least = Math.max(least, Math.ceil(ways.at(-1)!.width));
    }
  });
  const most = Math.max(least, Math.min(widest, limit));
  const sorted = [...widths].filter((width) => width > least && width <= most).sort((a, b) => a - b);
  return [least, ...sample(sorted, mostTried)];
}

/** Symbols are as large as others of their own shape, whatever else their tier holds. */
const symbolOf = (shape: BoxStyle['shape']): string => (isSymbol(shape) ? shape : '');

/** The size that most boxes of a tier share at a width of text. */
function commonSize(tier: Tier, steps: readonly Steps[], wanted: number): { width: number; height: number } {
  let [width, height] = [0, 0];
  const counts = counting(tier.apart);
  for (let k = 0; k < tier.ids.length; k++) {
    if (!counts(k)) continue;
    const size = sizeOf(steps[k]!, wanted);
    width = Math.max(width, size.width);
    height = Math.max(height, size.height);
  }
  return { width, height };
}

interface BoxSize {
  readonly width: number;
  readonly height: number;
}

type Sizing = Pick<BoxStyle, 'shape' | 'corner' | 'room' | 'nameSize' | 'detailSize' | 'photo' | 'sign'>;
const internedSizing = interning<Sizing>(1000);
const sizings = new WeakMap<BoxStyle, Sizing>();

/** One object for all styles that make boxes of one size, whatever their colours. */
function sizingOf(style: BoxStyle): Sizing {
  const known = sizings.get(style);
  if (known) return known;
  const { shape, corner, room, nameSize, detailSize, photo, sign } = style;
  const made = internedSizing({ shape, corner, room, nameSize, detailSize, photo, sign });
  sizings.set(style, made);
  return made;
}

/** The sizes of a box from narrow to wide, each from a width of its text on. */
interface Steps {
  readonly sizing: Sizing;
  readonly narrowest: number;
  readonly pictured: boolean;
  /** Rising; the first is 0. CSS px. */
  readonly from: readonly number[];
  readonly sizes: readonly BoxSize[];
}
/** As text keeps its folds in other looks, so it does its steps; of these a few manners. */
const stepsOf = {
  easy: new WeakMap<TextFolds, readonly Steps[]>(),
  tight: new WeakMap<TextFolds, readonly Steps[]>(),
};
const mostManners = 12;

/** How large the box of an entry of a tier is by the width of its text; worked out once, as it is asked for many widths at each edit. */
function stepsFor({ folds: all, styles, narrowest, pictured }: Tier, k: number, padded: Padding): Steps {
  const folds = all[k]!;
  const style = styles[k]!;
  const sizing = sizingOf(style);
  const known = stepsOf[padded].get(folds) ?? [];
  const found = known.find((one) => one.sizing === sizing && one.narrowest === narrowest && one.pictured === pictured);
  if (found) return found;
  const widths = [folds.name, ...folds.details].flatMap((ways) => ways.map(({ width }) => width));
  const from = [...new Set([0, ...widths])].sort((x, y) => x - y);
  const sizes = from.map((within) => {
    const text = { width: widthWithin(folds, within), height: heightWithin(folds, style, within) };
    return boxAround(pictured && hasPhotoRoom(style) ? withPhoto(text, style) : text, style, { narrowest, padded });
  });
  const made: Steps = { sizing, narrowest, pictured, from, sizes };
  stepsOf[padded].set(folds, [made, ...known].slice(0, mostManners));
  return made;
}

/** Size of a box whose text is set within a width. */
function sizeOf({ from, sizes }: Steps, wanted: number): BoxSize {
  let at = from.length - 1;
  while (at > 0 && from[at]! > wanted) at--;
  return sizes[at]!;
}

/** Whether a box is as large as others; a disc with its words is as long as these. */
const isAlike = ({ equalSize, shape }: BoxStyle): boolean => equalSize && shape !== 'dot';

function sizesAt(tier: Tier, steps: readonly Steps[], wanted: number): TierSizes {
  const { ids, from, beside, styles, marks, apart } = tier;
  const width = new Float64Array(ids.length);
  const height = new Float64Array(ids.length);
  const common = new Map<string, { width: number; height: number }>();
  const lastAlike = { beside: -1, shape: '', one: { width: 0, height: 0 } };
  const alike = (k: number) => {
    const style = styles[k]!;
    const aside = beside[from + k]!;
    // Most are as the one before.
    if (lastAlike.beside === aside && lastAlike.shape === style.shape) return lastAlike.one;
    const key = `${aside} ${symbolOf(style.shape)}`;
    let one = common.get(key);
    if (!one) common.set(key, (one = { width: 0, height: 0 }));
    return Object.assign(lastAlike, { beside: aside, shape: style.shape, one }).one;
  };
  ids.forEach((_, k) => {
    const size = sizeOf(steps[k]!, wanted);
    width[k] = size.width;
    height[k] = size.height;
    if (!isAlike(styles[k]!) || apart[k]) return;
    const most = alike(k);
    most.width = Math.max(most.width, size.width);
    most.height = Math.max(most.height, size.height);
  });
  ids.forEach((id, k) => {
    if (isAlike(styles[k]!)) {
      const most = alike(k);
      width[k] = Math.max(width[k]!, most.width);
      height[k] = Math.max(height[k]!, most.height);
    }
    // The mark of an entry stands with its box.
    if (marks) height[k]! += markHeight(marks, id, styles[k]!);
  });
  return { width, height };
}

const sameNumbers = (a: ArrayLike<number>, b: ArrayLike<number>): boolean => {
  if (a.length !== b.length) return false;
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return false;
  return true;
};

/** Whether boxes have the same sizes to choose from. */
export function sameSizes(a: SizeChoices, b: SizeChoices): boolean {
  return (
    a.sizes.length === b.sizes.length &&
    a.pictured.every((one, t) => one === b.pictured[t]) &&
    a.wanted.every((widths, t) => sameNumbers(widths, b.wanted[t]!)) &&
    sameOptions(a.sizes, b.sizes) &&
    sameOptions(a.tight, b.tight)
  );
}

const sameOptions = (a: SizeChoices['sizes'], b: SizeChoices['sizes']): boolean =>
  a.every((options, t) =>
    options.every(
      ({ width, height }, k) => sameNumbers(width, b[t]![k]!.width) && sameNumbers(height, b[t]![k]!.height),
    ),
  );
