import { extentOfBoxes, extentOfLines, roundedPath } from '../../../arrange/graph';
import {
  KeptFor,
  own,
  pushTo,
  sheetName,
  type Arrangement,
  type BoxStyle,
  type DiagramCommon,
  type Entry,
} from '../../../model';
import {
  placedBounds,
  surroundings,
  tierBandsBehind,
  entryGroup,
  freeRoom,
  keptGroups,
  placeOnSheet,
  scalesFor,
  sheetNotes,
  sizeChoices,
  smallestText,
  styledLine,
  takeSheet,
  tierNameRoom,
  tierNames,
  type TakenSheet,
  type Primitive,
  type Rect,
  type Scene,
  type SceneGroup,
  type TierBand,
} from '../../../scene';
import { lookOf, tierFill } from '../../../style';
import { withoutParents } from '../../../hierarchy';
import { example, type ConceptMap } from '../model';
import { sentenceOf } from '../sentences';
import { linksInOrder, type MapListing } from '../structure';
import { rankName } from '../words';
import type { DrawnLink, DrawnMap } from './drawn';
import { fittedMap, styleOf, Trials, type FittedMap } from './fit';
import { meetingShapes, withBends } from './bent';
import { legendOf } from './legend';
import { withFewBends } from './ranked';
import { gapPrimitive, withinPrimitives, wordsPrimitives } from './words';

interface Kept {
  readonly parts: readonly unknown[];
  readonly fitted: TakenSheet<FittedMap>;
}
const keptFitted = new KeptFor<MapListing, Kept>();
const keptScene = new KeptFor<ConceptMap['titleBlock'], readonly SceneGroup[]>();

/** From a map with complete styles to its Scene: ideas in boxes, the words of every link as a part of the drawing. */
export function mapScene(diagram: ConceptMap, listing: MapListing, styles: readonly BoxStyle[]): Scene {
  const shown = asShown(diagram);
  const legend = legendOf(diagram, listing, styles);
  const smallestName = smallestText(diagram, listing, styles);
  const smallestPhrase = Object.values(diagram.links).reduce(
    (least, { id, phrase }) => (phrase.trim() === '' ? least : Math.min(least, styleOf(diagram, id).phraseSize)),
    Infinity,
  );
  const smallest = smallestName === null ? null : Math.min(smallestName, smallestPhrase);
  const usual = styles.at(-1)?.nameSize ?? 13;
  const { largest, comfortable, wished } = scalesFor(diagram, { usual, smallest });
  const choices = sizeChoices(diagram, withoutParents(listing), styles, {
    beside: new Uint8Array(listing.ids.length),
    marks: null,
  });
  const margin = diagram.map.manner.way === 'ranked' ? tierNameRoom(diagram, styles, choices) : 0;
  const parts = [
    choices,
    diagram.links,
    diagram.arrangement,
    diagram.sheet,
    diagram.nudges,
    diagram.notes,
    diagram.tiers,
    diagram.map.manner,
    diagram.map.blanks,
  ];
  const { links, onlyLinks } = diagram.styles;
  const rest = JSON.stringify([
    legend.map(({ words, box, line }) => [words, box?.shape, line !== undefined]),
    diagram.titleBlock,
    links,
    onlyLinks,
    largest,
    comfortable,
    wished,
    margin,
  ]);
  const before = keptFitted.get(listing);
  const isKept = before?.parts.at(-1) === rest && parts.every((part, i) => part === before.parts[i]);
  const fittedOnSheet = (): TakenSheet<FittedMap> => {
    const trials = new Trials(diagram, listing, choices);
    const fitted = takeSheet(trials.sheet, wished, (sheet) =>
      fittedMap(trials, { room: freeRoom({ ...diagram, sheet }, legend), largest, comfortable, margin }),
    );
    return straightened(fitted, diagram.arrangement);
  };
  const taken = isKept ? before.fitted : fittedOnSheet();
  if (!isKept) keptFitted.set(listing, { parts: [...parts, rest], fitted: taken });
  const { wanted } = taken.fitted;
  const drawn = meetingShapes(taken.fitted.drawn, styles);
  const look = lookOf(diagram);
  const onIt = { ...diagram, sheet: taken.sheet };
  const { enclosures, notes: beside } = surroundings(diagram, () => ({
    boxes: new Map(listing.ids.map((id, i) => [id, drawn.boxes[i]!])),
    words: drawn.links.flatMap(({ place }) => (place ? [place] : [])),
    lines: drawn.links.flatMap((one) => one.lines),
  }));
  const names = drawn.rows ? namesOfTiers(diagram, listing, styles, drawn, margin) : [];
  const bandsBehind = drawn.rows ? bandsBehindRanks(diagram, listing, drawn, margin) : [];
  const extent = extentOfBoxes([
    drawn.extent,
    ...[...bandsBehind, ...enclosures, ...beside, ...names].map(placedBounds),
  ]);
  const onSheet = placeOnSheet(onIt, extent, legend, largest);
  const said = saidOf(diagram, listing);
  const boxes = listing.ids.map((id, i) =>
    entryGroup(own(shown.entries, id)!, styles[i]!, drawn.boxes[i]!, {
      wanted: wanted[listing.tier[i]! - 1]!,
      label: labelOf(diagram, listing, i, said),
      pictured: choices.pictured[listing.tier[i]! - 1]!,
    }),
  );
  const groups = [...bandsBehind, ...enclosures, ...names, ...linkGroups(diagram, listing, drawn), ...beside, ...boxes];
  const kept = keptGroups(keptScene.get(diagram.titleBlock) ?? [], groups);
  keptScene.set(diagram.titleBlock, kept);
  return {
    title: diagram.title,
    description: `Concept map: ${listing.ids.length} ideas and ${drawn.links.length} propositions in ${Math.max(0, listing.tierStart.length - 1)} ranks.`,
    sheet: { ...onSheet.sheet, name: sheetName(taken.sheet), ground: look.ground },
    drawing: onSheet.drawing,
    direction: diagram.arrangement.direction,
    groups: kept,
    notes: sheetNotes(onIt, look, onSheet.sheet, onSheet.notes),
    tiers: bandsOf(diagram, listing, drawn),
    manner: drawn.rows ? 'bands' : 'compact',
    entriesAs: 'boxes',
    smallestText: smallest === null ? null : smallest * onSheet.drawing.scale,
  };
}

/** Lines of rows are straightened once the sheet is chosen; those of other ways are straight. Then those that were moved by hand go where they were put. */
function straightened({ sheet, fitted }: TakenSheet<FittedMap>, { direction }: Arrangement): TakenSheet<FittedMap> {
  const { drawn } = fitted;
  return { sheet, fitted: { ...fitted, drawn: withBends(drawn.rows ? withFewBends(drawn, direction) : drawn) } };
}

/** Entries as their boxes show them: what is blanked has no words. */
function asShown(diagram: ConceptMap): DiagramCommon {
  const { manner, blanks, filled = {} } = diagram.map;
  if (!manner.blanked) return diagram;
  const entries: DiagramCommon['entries'] = {};
  for (const [id, entry] of Object.entries(diagram.entries))
    entries[id] = own(blanks, id) ? ({ ...entry, name: own(filled, id) ?? '', details: [] } satisfies Entry) : entry;
  return { ...diagram, entries };
}

function bandsOf(diagram: ConceptMap, { tierStart }: MapListing, { rows, extent }: DrawnMap): TierBand[] {
  const total = tierStart.length - 1;
  return tierStart.slice(0, -1).map((from, t): TierBand => ({
    tier: t + 1,
    name: own(diagram.tiers, String(t + 1))?.name ?? rankName(t + 1),
    // Without rows the bands share the length of the drawing.
    start: rows ? rows[t]!.start : extent.y + (extent.height * t) / total,
    end: rows ? rows[t]!.end : extent.y + (extent.height * (t + 0.85)) / total,
    count: tierStart[t + 1]! - from,
    swatch: tierFill(diagram, t + 1),
    gap: t === 0 || !rows ? null : rows[t]!.start - rows[t - 1]!.end,
  }));
}

/** Bands behind the ranks, from edge to edge of the map. */
function bandsBehindRanks(
  diagram: ConceptMap,
  { tierStart }: MapListing,
  { rows, extent }: DrawnMap,
  margin: number,
): SceneGroup[] {
  const right = diagram.arrangement.direction === 'right';
  const tiers = rows!.map(({ start, end }) => ({ start, rowStart: start, end }));
  const [from, size] = right ? [extent.y, extent.height] : [extent.x, extent.width];
  return tierBandsBehind(diagram, { tierStart }, tiers, {
    from,
    to: from + size,
    margin,
  });
}

/** The names of tiers at the edge of the drawing, as those of trees stand. */
function namesOfTiers(
  diagram: ConceptMap,
  listing: MapListing,
  styles: readonly BoxStyle[],
  { rows, extent }: DrawnMap,
  margin: number,
): SceneGroup[] {
  const right = diagram.arrangement.direction === 'right';
  const tiers = rows!.map(({ start, end }) => ({ start, rowStart: start, end }));
  return tierNames(diagram, withoutParents(listing), styles, tiers, margin).map((group) => ({
    ...group,
    x: right ? 0 : extent.x,
    y: right ? extent.y : 0,
  }));
}

/** Whether a link is drawn with an arrow: where it is not read downwards, or as the map says. */
function hasArrow({ map }: ConceptMap, { tier }: MapListing, { from, to }: DrawnLink, drawn: DrawnMap): boolean {
  if (map.manner.arrows !== 'needed') return map.manner.arrows === 'always';
  if (map.manner.way === 'ranked') return tier[to]! <= tier[from]!;
  const [a, b] = [drawn.boxes[from]!, drawn.boxes[to]!];
  const [dx, dy] = [b.x + b.width / 2 - a.x - a.width / 2, b.y + b.height / 2 - a.y - a.height / 2];
  // What leads down but slightly is not seen to.
  return dy < Math.max(8, Math.abs(dx) * 0.35);
}

function linkGroups(diagram: ConceptMap, listing: MapListing, drawn: DrawnMap): SceneGroup[] {
  const { joinRadius } = diagram.arrangement;
  const look = lookOf(diagram);
  const { blanks, manner, filled = {} } = diagram.map;
  return drawn.links.map((one): SceneGroup => {
    const { link, lines, place, words } = one;
    const style = styleOf(diagram, link.id);
    const endMark = style.endMark === 'none' && hasArrow(diagram, listing, one, drawn) ? 'arrow' : style.endMark;
    const last = lines.length - 1;
    const children = lines.flatMap((points, i): readonly Primitive[] =>
      styledLine(
        points,
        { ...style, startMark: i === 0 ? style.startMark : 'none', endMark: i === last ? endMark : 'none' },
        place && lines.length === 1 ? roomOf(place) : null,
        joinRadius,
      ),
    );
    if (place) {
      const blank = manner.blanked && own(blanks, link.id);
      const told = blank ? own(filled, link.id) : undefined;
      const type = { size: style.phraseSize, fill: style.phraseColour };
      if (told !== undefined) children.push(...withinPrimitives(told, place, type));
      else if (blank) children.push(gapPrimitive(place, look.line));
      else children.push(...wordsPrimitives(words, place, type));
    }
    const bounds = extentOfBoxes([extentOfLines(lines), ...(place ? [place] : [])]);
    return {
      type: 'group',
      stands: { for: 'link', id: link.id },
      label: `Proposition: ${sentenceOf(diagram, link)}`,
      x: 0,
      y: 0,
      bounds,
      children,
      selectable: { outline: roundedPath(one.course, 0), hit: 'line', course: one.course },
    };
  });
}

/** The part of a line that is left out for words that stand on it. */
const roomOf = ({ x, y, width, height }: Rect): Rect => ({ x: x - 2, y: y - 1, width: width + 4, height: height + 2 });

/** "tides, rank 2; tides carry silt; tides flood mudflats". */
function labelOf(
  diagram: ConceptMap,
  { ids, tier }: MapListing,
  i: number,
  said: ReadonlyMap<string, readonly string[]>,
): string {
  const id = ids[i]!;
  const entry = own(diagram.entries, id)!;
  return [
    entry.name || 'No name yet',
    ...entry.details.filter(Boolean),
    ...(entry.role === example ? ['an example'] : []),
    `rank ${tier[i]!}`,
    ...(said.get(id) ?? []),
  ].join(', ');
}

/** What each idea leads to, in words. */
function saidOf(diagram: ConceptMap, listing: MapListing): ReadonlyMap<string, readonly string[]> {
  const said = new Map<string, string[]>();
  for (const link of linksInOrder(diagram, listing)) {
    const words = `${link.phrase.trim() || 'is linked to'} ${own(diagram.entries, link.to)!.name}`;
    pushTo(said, link.from, words);
  }
  return said;
}
