import { crossingsAmong } from '../../../arrange/graph';
import { orientations, own, type Link, type LinkStyle, type Nudge, type Sheet } from '../../../model';
import type { SizeChoices } from '../../../scene';
import { linkStyle } from '../../../style';
import type { ConceptMap } from '../model';
import { linksInOrder, type MapListing } from '../structure';
import { mapLinkKinds } from '../words';
import type { DrawnMap, LinkToDraw, Sizes } from './drawn';
import { evenMap, freeMap, ringPlaces, type Pins } from './free';
import { rankedMap } from './ranked';
import { tierRows, type TierRows } from './rows';
import { setWords, type SetWords } from './words';

/** A map with the sizes that print largest. */
export interface FittedMap {
  readonly drawn: DrawnMap;
  /** Width in which the text of each tier is set, CSS px. */
  readonly wanted: readonly number[];
  readonly scale: number;
}

interface Fit {
  readonly room: { readonly width: number; readonly height: number } | null;
  readonly largest: number;
  readonly comfortable: number;
  /** Room for the names of tiers beside or over the drawing, CSS px. */
  readonly margin: number;
}

/** How wide boxes are (0 to 1), how much of the gaps stays (1: all that is wished), and in which rows the ranks stand. */
interface Sizing {
  readonly share: number;
  readonly ease: number;
  readonly fold: number;
}
const usual: Sizing = { share: 0.5, ease: 1, fold: 1 };
/** A tier is broken into rows of this share of the broadest row. */
const folds = [0.52, 0.34, 0.24, 0.17] as const;
/** Maps of more ideas than this are broken into rows by their breadth alone, without trying. */
const mostTried = 150;
/** A further way is taken only where it prints so much larger. */
const worthIt = 1.04;

/** The drawings of a map in the sizes that are tried, each made once, whichever sheet it is tried for. */
export class Trials {
  private readonly made = new Map<string, { readonly drawn: DrawnMap; readonly wanted: readonly number[] }>();
  private readonly rows = new Map<number, TierRows>();
  private readonly pins: Pins;
  private readonly links: readonly SizedLink[];
  private readonly plain: Trial;

  constructor(
    private readonly diagram: ConceptMap,
    private readonly listing: MapListing,
    private readonly choices: SizeChoices,
  ) {
    this.pins = pinsOf(diagram, listing);
    this.links = linksInOrder(diagram, listing).map((link) => ({ link, size: styleOf(diagram, link.id).phraseSize }));
    this.plain = this.trialWith(usual);
  }

  at(sizing: Sizing): { readonly drawn: DrawnMap; readonly wanted: readonly number[] } {
    const key = `${sizing.share} ${sizing.ease} ${sizing.fold}`;
    const known = this.made.get(key);
    if (known) return known;
    const trial = this.trialWith(sizing);
    const drawn = this.isRanked
      ? this.ranked(trial, sizing.fold)
      : roundBy(this.diagram, this.listing, trial, this.pins);
    const made = { drawn, wanted: trial.wanted };
    this.made.set(key, made);
    return made;
  }

  private trialWith(sizing: Sizing): Trial {
    return trialWith(this.diagram, this.listing, this.choices, { ...sizing, links: this.links });
  }

  private ranked({ sizes, links, right }: Trial, fold: number): DrawnMap {
    const ranked = rankedMap(this.rowsAt(fold), links, sizes, {
      direction: right ? 'right' : 'down',
      effort: fold === 1 ? 'full' : 'light',
    });
    if (this.pins.size === 0) return ranked;
    return { ...freeMap(middles(ranked), links, sizes, this.pins), rows: ranked.rows };
  }

  /** The rows do not depend on the sizes that are tried, so that their order is found once. */
  private rowsAt(fold: number): TierRows {
    const known = this.rows.get(fold);
    if (known) return known;
    const { sizes, links, right } = this.plain;
    const rows = tierRows(this.listing, links, right ? sizes.height : sizes.width, {
      gap: sizes.gaps.ideas,
      limit: fold === 1 ? Infinity : broadest(this.listing.tierStart, this.plain) * fold,
    });
    this.rows.set(fold, rows);
    return rows;
  }

  /** The share of the broadest row with which the rows are about as broad as a room is. */
  foldFor(room: { readonly width: number; readonly height: number }): number {
    const { sizes } = this.plain;
    const area = sizes.width.reduce((sum, w, i) => sum + (w + sizes.gaps.ideas) * sizes.height[i]! * 3, 0);
    const wanted = Math.sqrt((area * room.width) / room.height);
    return Math.max(0.02, Math.min(1, wanted / broadest(this.listing.tierStart, this.plain)));
  }

  get isLarge(): boolean {
    return this.listing.ids.length > mostTried;
  }
  /** Large maps in ranks are broken into rows for their room, and so print alike on a sheet that lies or stands: where that is open one is tried. */
  get sheet(): Sheet {
    const { sheet } = this.diagram;
    return this.isRanked && this.isLarge ? orientations(sheet)[0]! : sheet;
  }
  get isRanked(): boolean {
    return this.diagram.map.manner.way === 'ranked';
  }
  get isTurned(): boolean {
    return this.diagram.arrangement.direction === 'right';
  }
}

/**
 * Of rows, sizes of boxes and gaps, those with which the map prints largest: first the rows, with sizes as they usually are, then sizes, then smaller gaps, the
 * last only where the print would not be comfortable. At most nine drawings are tried.
 */
export function fittedMap(trials: Trials, fit: Fit): FittedMap {
  const sheet = fit.room ?? { width: 1100, height: 760 };
  // Names of tiers grow and shrink with the drawing.
  const [besideX, besideY] = trials.isTurned ? [0, fit.margin] : [fit.margin, 0];
  const scaleOf = ({ extent }: DrawnMap): number =>
    Math.min(
      fit.room ? fit.largest : Infinity,
      sheet.width / Math.max(1, extent.width + besideX),
      sheet.height / Math.max(1, extent.height + besideY),
    );
  const start = trials.isRanked && trials.isLarge ? { share: 0, ease: 0.4, fold: trials.foldFor(sheet) } : usual;
  let best = { sizing: start, ...trials.at(start), scale: 0 };
  best.scale = scaleOf(best.drawn);
  const isEnough = () => best.scale >= Math.min(fit.comfortable, fit.largest) - 1e-9;
  const tryAt = (patch: Partial<Sizing>): boolean => {
    const sizing = { ...best.sizing, ...patch };
    const made = trials.at(sizing);
    const scale = scaleOf(made.drawn);
    if (scale <= best.scale * worthIt) return false;
    best = { sizing, ...made, scale };
    return true;
  };
  const done = () => ({ drawn: best.drawn, wanted: best.wanted, scale: best.scale });
  if (!fit.room || trials.isLarge) return done();
  const across = (): boolean =>
    trials.isTurned
      ? best.drawn.extent.height * best.scale > sheet.height * 0.9
      : best.drawn.extent.width * best.scale > sheet.width * 0.9;
  if (trials.isRanked) for (const fold of folds) if (isEnough() || !across() || !tryAt({ fold })) break;
  if (best.scale < fit.largest) {
    if (trials.isRanked) tryAt({ share: 1 });
    if (!isEnough()) tryAt({ share: 0 });
  }
  for (const ease of [0.55, 0.2]) if (!isEnough()) tryAt({ ease });
  return done();
}

function broadest(tierStart: readonly number[], { sizes, right }: Trial): number {
  const breadth = right ? sizes.height : sizes.width;
  let widest = 1;
  for (let t = 0; t + 1 < tierStart.length; t++) {
    let sum = 0;
    for (let i = tierStart[t]!; i < tierStart[t + 1]!; i++) sum += breadth[i]! + sizes.gaps.ideas;
    widest = Math.max(widest, sum);
  }
  return widest;
}

const middles = ({ boxes }: DrawnMap): { x: Float64Array; y: Float64Array } => ({
  x: Float64Array.from(boxes, ({ x, width }) => x + width / 2),
  y: Float64Array.from(boxes, ({ y, height }) => y + height / 2),
});

/** Larger maps with even links are begun from rows alone. */
const mostBegun = 60;

function roundBy({ map }: ConceptMap, listing: MapListing, { sizes, links }: Trial, pins: Pins): DrawnMap {
  const rows = tierRows(listing, links, sizes.width, { gap: 0, limit: Infinity });
  const ranked = middles(rankedMap(rows, links, sizes, { direction: 'down', effort: 'light' }));
  if (map.manner.way === 'rings') return freeMap(ringPlaces(listing, links, sizes, ranked.x), links, sizes, pins);
  // Begun from rows, links are mostly read downwards; from rings they are often less tangled.
  const starts = [ranked, ...(listing.ids.length > mostBegun ? [] : [ringPlaces(listing, links, sizes, ranked.x)])];
  const made = starts.map((start) => {
    const drawn = freeMap(evenMap(links, sizes, start), links, sizes, pins);
    const crossings = crossingsAmong(drawn.links.map(({ course }) => course));
    const { width, height } = drawn.extent;
    return { drawn, cost: drawn.conflicts * 4 + crossings + Math.sqrt(width * height) / 150 };
  });
  return (made[1] && made[1].cost < made[0]!.cost - 2 ? made[1] : made[0]!).drawn;
}

function pinsOf({ nudges }: ConceptMap, { index }: MapListing): Pins {
  const pins = new Map<number, Nudge>();
  for (const [id, nudge] of Object.entries(nudges)) {
    const i = index.get(id);
    if (i !== undefined) pins.set(i, nudge);
  }
  return pins;
}

/** A link with the size of its words, CSS px. */
interface SizedLink {
  readonly link: Link;
  readonly size: number;
}

interface Trial {
  readonly sizes: Sizes;
  readonly links: readonly LinkToDraw[];
  readonly wanted: readonly number[];
  readonly right: boolean;
}

/** Sizes of boxes from narrow (0) to wide (1), of words, and gaps from as wished (1) to as small as they may get (0). */
function trialWith(
  diagram: ConceptMap,
  listing: MapListing,
  choices: SizeChoices,
  { ease, share, links }: Sizing & { readonly links: readonly SizedLink[] },
): Trial {
  const { arrangement } = diagram;
  const width = new Float64Array(listing.ids.length);
  const height = new Float64Array(listing.ids.length);
  const wanted: number[] = [];
  choices.sizes.forEach((options, t) => {
    const k = Math.round(share * (options.length - 1));
    const option = (ease < 1 ? choices.tight : choices.sizes)[t]![k]!;
    width.set(option.width, listing.tierStart[t]);
    height.set(option.height, listing.tierStart[t]);
    wanted.push(choices.wanted[t]![k]!);
  });
  const tight = arrangement.tightest + (1 - arrangement.tightest) * ease;
  const at = (least: number, wish: number) => Math.max(least, wish * tight);
  return {
    sizes: {
      width,
      height,
      gaps: {
        ideas: at(7, arrangement.siblingGap + 6),
        words: at(6, arrangement.branchGap * 0.45),
        rows: at(8, arrangement.tierGap * 0.45),
      },
      before: choices.sizes.map((_, t) => own(diagram.tiers, String(t + 1))?.gap ?? 0),
    },
    links: links.map(({ link, size }) => ({
      link,
      from: listing.index.get(link.from)!,
      to: listing.index.get(link.to)!,
      words: wordsOf(diagram, link, { size, ems: 6 + 5 * share }),
      bend: styleOf(diagram, link.id).bend,
    })),
    wanted,
    right: arrangement.direction === 'right',
  };
}

/** Words as they are set; where they are blank, at least so much room that one can write there. */
function wordsOf({ map }: ConceptMap, link: Link, type: { readonly size: number; readonly ems: number }): SetWords {
  const words = setWords(link.phrase, type.size, type.ems);
  const { manner, blanks } = map;
  if (!manner.blanked || !own(blanks, link.id) || words.lines.length === 0) return words;
  return { ...words, width: Math.max(70, words.width), height: Math.max(20, words.height) };
}

const styles = new WeakMap<ConceptMap, Map<string, LinkStyle>>();

/** The style of a link, worked out once a diagram. */
export function styleOf(diagram: ConceptMap, link: string): LinkStyle {
  let known = styles.get(diagram);
  if (!known) styles.set(diagram, (known = new Map()));
  let style = known.get(link);
  if (!style) known.set(link, (style = linkStyle(diagram, own(diagram.links, link)!, mapLinkKinds)));
  return style;
}
