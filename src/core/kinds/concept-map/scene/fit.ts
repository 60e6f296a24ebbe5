import { crossingsAmong } from '../../../arrange/graph';
import { own, type LinkStyle, type Nudge } from '../../../model';
import type { SizeChoices } from '../../../scene';
import { linkStyle } from '../../../style';
import type { ConceptMap } from '../model';
import { linksInOrder, type MapListing } from '../structure';
import { mapLinkKinds } from '../words';
import type { DrawnMap, LinkToDraw, Sizes } from './drawn';
import { evenMap, freeMap, ringPlaces, type Pins } from './free';
import { rankedMap } from './ranked';
import { tierRows } from './rows';
import { setWords } from './words';

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

const eases = [1, 0.55, 0.2] as const;
/** A tier is broken into rows of this share of the broadest row. */
const folds = [1, 0.52, 0.36, 0.27, 0.2] as const;
/** Maps of more ideas than this are broken into rows by their breadth alone, without trying. */
const mostTried = 150;
/** A further way is taken only where it prints so much larger. */
const worthIt = 1.04;

/** Of the sizes of boxes, of gaps and of rows, those with which the map prints largest; gaps get smaller only where the print would not be comfortable. */
export function fittedMap(diagram: ConceptMap, listing: MapListing, choices: SizeChoices, fit: Fit): FittedMap {
  const isTurned = diagram.arrangement.direction === 'right';
  const sheet = fit.room ?? { width: 1100, height: 760 };
  // Names of tiers grow and shrink with the drawing.
  const scaleOf = ({ extent }: DrawnMap): number =>
    Math.min(
      fit.room ? fit.largest : Infinity,
      sheet.width / Math.max(1, extent.width + (isTurned ? 0 : fit.margin)),
      sheet.height / Math.max(1, extent.height + (isTurned ? fit.margin : 0)),
    );
  const pins = pinsOf(diagram, listing);
  const most = Math.max(1, ...choices.sizes.map(({ length }) => length));
  const enough = Math.min(fit.comfortable, fit.largest) - 1e-9;
  let best = null as (FittedMap & { readonly worth: number }) | null;
  const keep = (trial: Trial, drawn: DrawnMap): void => {
    const scale = scaleOf(drawn);
    const worth = fit.room ? scale : -Math.abs(Math.log((drawn.extent.width + 1) / (drawn.extent.height + 1) / 1.4));
    if (!best || (fit.room ? worth > best.worth * worthIt : worth > best.worth + 0.1))
      best = { drawn, wanted: trial.wanted, scale, worth };
  };
  const isEnough = () => fit.room !== null && best !== null && best.scale >= enough;
  const shares = most === 1 ? [0] : listing.ids.length > mostTried ? [0.5] : [1, 0.5, 0];
  const large = listing.ids.length > mostTried;
  for (const ease of large ? [eases[1]] : eases) {
    for (const share of shares) {
      const trial = trialWith(diagram, listing, choices, { ease, share, most });
      if (diagram.map.manner.way === 'ranked') {
        for (const fold of large ? [foldFor(listing, trial, sheet)] : folds) {
          if (fold < 1 && fit.room && best && best.drawn.extent.width * best.scale < sheet.width * 0.9) break;
          keep(trial, rankedBy(listing, trial, { fold, pins }));
          if (isEnough()) return best!;
        }
      } else {
        keep(trial, roundBy(diagram, listing, trial, pins));
        if (isEnough()) return best!;
        // Places that are spread till words stand clear hardly change with the sizes of boxes.
        if (ease < 1) break;
      }
    }
  }
  return best!;
}

/** The share of the broadest row with which the rows are about as broad as the sheet is. */
function foldFor({ tierStart }: MapListing, trial: Trial, room: { width: number; height: number }): number {
  const widest = broadest(tierStart, trial);
  const area = trial.sizes.width.reduce(
    (sum, w, i) => sum + (w + trial.sizes.gaps.ideas) * (trial.sizes.height[i]! * 3),
    0,
  );
  const wanted = Math.sqrt((area * room.width) / room.height);
  return Math.max(0.02, Math.min(1, wanted / Math.max(1, widest)));
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

function rankedBy(
  listing: MapListing,
  trial: Trial,
  { fold, pins }: { readonly fold: number; readonly pins: Pins },
): DrawnMap {
  const { sizes, links, right } = trial;
  const rows = tierRows(listing, links, right ? sizes.height : sizes.width, {
    gap: sizes.gaps.ideas,
    limit: fold === 1 ? Infinity : broadest(listing.tierStart, trial) * fold,
  });
  const ranked = rankedMap(rows, links, sizes, right ? 'right' : 'down');
  if (pins.size === 0) return ranked;
  const free = freeMap(middles(ranked), links, sizes, pins);
  return { ...free, rows: ranked.rows };
}

const middles = ({ boxes }: DrawnMap): { x: Float64Array; y: Float64Array } => ({
  x: Float64Array.from(boxes, ({ x, width }) => x + width / 2),
  y: Float64Array.from(boxes, ({ y, height }) => y + height / 2),
});

function roundBy({ map }: ConceptMap, listing: MapListing, { sizes, links }: Trial, pins: Pins): DrawnMap {
  const rows = tierRows(listing, links, sizes.width, { gap: 0, limit: Infinity });
  const ranked = middles(rankedMap(rows, links, sizes, 'down'));
  const rings = ringPlaces(listing, links, sizes, ranked.x);
  if (map.manner.way === 'rings') return freeMap(rings, links, sizes, pins);
  // Begun from rows, links are mostly read downwards; from rings they are often less tangled.
  const made = [ranked, rings].map((start) => {
    const drawn = freeMap(evenMap(links, sizes, start), links, sizes, pins);
    const crossings = crossingsAmong(drawn.links.map(({ course }) => course));
    const { width, height } = drawn.extent;
    return { drawn, cost: drawn.conflicts * 4 + crossings + Math.sqrt(width * height) / 150 };
  });
  return (made[1]!.cost < made[0]!.cost - 2 ? made[1]! : made[0]!).drawn;
}

function pinsOf({ nudges }: ConceptMap, { index }: MapListing): Pins {
  const pins = new Map<number, Nudge>();
  for (const [id, nudge] of Object.entries(nudges)) {
    const i = index.get(id);
    if (i !== undefined) pins.set(i, nudge);
  }
  return pins;
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
  { ease, share, most }: { readonly ease: number; readonly share: number; readonly most: number },
): Trial {
  const { arrangement } = diagram;
  const width = new Float64Array(listing.ids.length);
  const height = new Float64Array(listing.ids.length);
  const wanted: number[] = [];
  choices.sizes.forEach((options, t) => {
    const k = most === 1 ? 0 : Math.round(share * (options.length - 1));
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
    links: linksInOrder(diagram, listing).map((link) => ({
      link,
      from: listing.index.get(link.from)!,
      to: listing.index.get(link.to)!,
      words: setWords(link.phrase, styleOf(diagram, link.id).phraseSize, 6 + 5 * share),
    })),
    wanted,
    right: arrangement.direction === 'right',
  };
}

export const styleOf = (diagram: ConceptMap, link: string): LinkStyle =>
  linkStyle(diagram, own(diagram.links, link)!, mapLinkKinds);
