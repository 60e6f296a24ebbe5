import { extentOfBoxes, extentOfLines, roundedPath } from '../../../arrange/graph';
import {
  KeptFor,
  own,
  pushTo,
  sheetName,
  type BoxStyle,
  type DiagramCommon,
  type Entry,
  type ShownEntry,
} from '../../../model';
import {
  placedBounds,
  surroundings,
  tierBandsBehind,
  entryGroup,
  freeRoom,
  placeOnSheet,
  scalesFor,
  sheetNotes,
  sizeChoices,
  smallestText,
  takeSheet,
  tierNameRoom,
  tierNames,
  type Legend,
  type Scene,
  type SceneGroup,
  type TakenSheet,
  type TierBand,
} from '../../../scene';
import { lookOf, structureLine, tierFill } from '../../../style';
import { withoutParents } from '../../../hierarchy';
import { lifeWords } from '../dates';
import { ancestorNumbers, descendantNumbers } from '../figures/numbers';
import { personOf, type FamilyTree, type Parentage } from '../model';
import { partnersOf } from '../relations';
import type { RelatedListing } from '../structure';
import { parentageWords } from '../words';
import { bestRows } from './best-rows';
import type { Rows } from './blocks';
import { fitted, type Placed } from './fit';
import type { FamilyLine } from './lanes';
import { legendOf } from './legend';
import { boxesOf } from './place-boxes';
import { nameOfTier } from './tier-words';
import { newTrials } from './trials';

/** From a family with complete styles to its Scene: generations as tiers, each family's lines on levels of their own. */
export function familyScene(diagram: FamilyTree, listing: RelatedListing, styles: readonly BoxStyle[]): Scene {
  const shown = asShown(diagram, listing);
  const rows = bestRows(diagram, listing);
  const legend = legendOf(diagram, listing, styles);
  const smallest = smallestText(shown, listing, styles);
  const usual = styles.find((_, i) => listing.tier[i]! > 0)?.nameSize ?? 13;
  const { largest, comfortable, wished } = scalesFor(diagram, { usual, smallest });
  const choices = sizeChoices(shown, withoutParents(listing), styles, {
    beside: new Uint8Array(listing.ids.length),
    marks: null,
  });
  const margin = tierNameRoom(diagram, styles, choices);
  const trials = newTrials(diagram, listing, choices);
  const taken = takeSheet(diagram.sheet, wished, (sheet) =>
    fitted(trials, rows, {
      room: freeRoom({ ...diagram, sheet }, legend),
      largest,
      comfortable,
      margin,
    }),
  );
  return drawn(diagram, shown, listing, styles, {
    ...{ rows, ...taken, legend, largest, margin, smallest },
    pictured: choices.pictured,
  });
}

/** Entries as their boxes show them: the life, and the number where one is asked for. */
function asShown(diagram: FamilyTree, { relations }: RelatedListing): DiagramCommon {
  const { of, numbers, dates } = diagram.family.manner;
  const ancestors =
    of !== null && numbers === 'ancestors'
      ? ancestorNumbers(of, relations, (id) => personOf(diagram, id).sex === 'female')
      : null;
  const descendants = of !== null && numbers === 'descendants' ? descendantNumbers(of, relations) : null;
  const entries: DiagramCommon['entries'] = {};
  for (const id of Object.keys(diagram.entries)) {
    const entry = own(diagram.entries, id)!;
    const { born, died } = personOf(diagram, id);
    const number = ancestors?.get(id) ?? descendants?.get(id);
    entries[id] = withLife(
      entry,
      [number === undefined ? '' : String(number), lifeWords(born, died, dates)].filter(Boolean).join(' · '),
    );
  }
  return { ...diagram, entries };
}

const lives = new KeptFor<Entry, { readonly life: string; readonly entry: Entry }>();
function withLife(entry: Entry, life: string): Entry {
  if (life === '') return entry;
  const before = lives.get(entry);
  if (before?.life === life) return before.entry;
  const { details, ahead = 0 }: ShownEntry = entry;
  const shown: ShownEntry = { ...entry, details: [life, ...details.slice(0, 7)], ahead: ahead + 1 };
  lives.set(entry, { life, entry: shown });
  return shown;
}

interface Taken extends TakenSheet<Placed> {
  readonly rows: Rows;
  readonly legend: Legend;
  readonly largest: number;
  readonly margin: number;
  readonly smallest: number | null;
  /** Of each generation, whether somebody has a photo. */
  readonly pictured: readonly boolean[];
}

function drawn(
  diagram: FamilyTree,
  shown: DiagramCommon,
  listing: RelatedListing,
  styles: readonly BoxStyle[],
  { rows, sheet, fitted: placed, legend, largest, margin, smallest, pictured }: Taken,
): Scene {
  const { across, along, wanted } = placed;
  const { ids, tier, tierStart, outline } = listing;
  const right = diagram.arrangement.direction === 'right';
  const look = lookOf(diagram);
  const onIt = { ...diagram, sheet };
  const size = right
    ? { width: placed.size.along, height: placed.size.across }
    : { width: placed.size.across, height: placed.size.along };
  const tiers = along.rows.map(({ start, end }) => ({ start, rowStart: start, end }));
  const names = tierNames(diagram, withoutParents(listing), styles, tiers, margin);
  const [left, top] = right ? [0, -margin] : [-margin, 0];
  const turned = (points: readonly number[]): number[] =>
    points.map((_, p) => {
      const [x, y] = [points[p - (p % 2)]! - across.left, points[p - (p % 2) + 1]!];
      return (p % 2 === 0) === right ? y : x;
    });
  const boxAt = boxesOf(placed, right);
  const boxes = Array.from(outline)
    .filter((i) => tier[i]! > 0)
    .map((i) => {
      const entry = own(shown.entries, ids[i]!)!;
      return entryGroup(entry, styles[i]!, boxAt(i), {
        wanted: wanted[tier[i]! - 1]!,
        label: labelOf(diagram, listing, i),
        pictured: pictured[tier[i]! - 1]!,
      });
    });
  const { enclosures, notes: beside } = surroundings(diagram, () => ({
    boxes: new Map(boxes.map((box) => [box.stands.id, placedBounds(box)])),
    words: names.map(({ bounds }) => bounds),
    lines: along.lines.map(({ points }) => turned(points)),
  }));
  const bandsBehind = tierBandsBehind(diagram, listing, tiers, {
    from: 0,
    to: right ? size.height : size.width,
    margin,
  });
  const extent = extentOfBoxes([
    { x: left, y: top, width: size.width - left, height: size.height - top },
    ...(placed.loose ? [placed.loose.block] : []),
    ...[...bandsBehind, ...enclosures, ...beside].map(placedBounds),
  ]);
  const onSheet = placeOnSheet(onIt, extent, legend, largest);
  return {
    title: diagram.title,
    description: `Family tree: ${boxes.length} persons in ${tiers.length} generations.`,
    sheet: { ...onSheet.sheet, name: sheetName(sheet), ground: look.ground },
    drawing: onSheet.drawing,
    direction: right ? 'right' : 'down',
    groups: [
      ...bandsBehind,
      ...enclosures,
      ...names,
      ...lineGroups(diagram, rows, along.lines, turned),
      ...beside,
      ...boxes,
    ],
    notes: sheetNotes(onIt, look, onSheet.sheet, onSheet.notes),
    tiers: tiers.map((band, t): TierBand => {
      const from = tierStart[t]!;
      return {
        tier: t + 1,
        name: own(diagram.tiers, String(t + 1))?.name ?? nameOfTier(diagram, listing, t + 1),
        start: band.start,
        end: band.end,
        count: tierStart[t + 1]! - from,
        swatch: tierFill(diagram, t + 1),
        gap: t === 0 ? null : along.gaps[t]!,
      };
    }),
    manner: 'bands',
    entriesAs: 'boxes',
    smallestText: smallest === null ? null : smallest * onSheet.drawing.scale,
  };
}

const dashedFor = (kind: Parentage['kind']): boolean => kind === 'adopted' || kind === 'step' || kind === 'foster';
const dottedFor = (kind: Parentage['kind']): boolean => kind === 'donor' || kind === 'unknown' || kind === 'household';

/** One group a partnership and manner of line, so that each family is one thing in the drawing. */
function lineGroups(
  diagram: FamilyTree,
  { unions }: Rows,
  lines: readonly FamilyLine[],
  turned: (points: readonly number[]) => number[],
): SceneGroup[] {
  const { joinRadius } = diagram.arrangement;
  const { lineColour: stroke, lineWidth } = structureLine(diagram, null);
  const byUnion = new Map<number, FamilyLine[]>();
  for (const line of lines) {
    pushTo(byUnion, line.union, line);
  }
  return [...byUnion].map(([u, own_]): SceneGroup => {
    const { union } = unions[u]!;
    const points = own_.map((line) => turned(line.points));
    const pathOf = (which: (line: FamilyLine) => boolean) =>
      own_
        .flatMap((line, k) => (which(line) ? [roundedPath(points[k]!, line.child === null ? 0 : joinRadius)] : []))
        .join('');
    const kindOf = (line: FamilyLine) => (line.kind ?? 'birth') as Parentage['kind'];
    const plain = pathOf(
      (line) =>
        !dashedFor(kindOf(line)) &&
        !dottedFor(kindOf(line)) &&
        !(line.child === null && union.kind === 'parted' && line === own_[0]),
    );
    const dashed = pathOf(
      (line) => dashedFor(kindOf(line)) || (line.child === null && union.kind === 'parted' && line === own_[0]),
    );
    const dotted = pathOf((line) => dottedFor(kindOf(line)));
    const path = { type: 'path' as const, stroke, strokeWidth: lineWidth };
    return {
      type: 'group',
      stands: { for: 'links', id: union.id },
      label: '',
      x: 0,
      y: 0,
      bounds: extentOfLines(points),
      children: [
        ...(plain ? [{ ...path, d: plain, dashed: false }] : []),
        ...(dashed ? [{ ...path, d: dashed, dashed: true }] : []),
        ...(dotted ? [{ ...path, d: dotted, dashed: false, dotted: true as const }] : []),
      ],
    };
  });
}

/** "Ada Quill, 1850–1921, generation 2, child of Bo Quill and Cy Marsh, with Di Holm". */
function labelOf(diagram: FamilyTree, { ids, tier, relations }: RelatedListing, i: number): string {
  const id = ids[i]!;
  const entry = own(diagram.entries, id)!;
  const name = (one: string) => own(diagram.entries, one)?.name || 'somebody without a name';
  const { born, died } = personOf(diagram, id);
  // Where one of two parents is no parent by birth, it is said of whom.
  const mixed = new Set(relations.parents(id).map(({ kind }) => kind)).size > 1;
  const parents = relations
    .parents(id)
    .map((one) => (mixed && one.kind !== 'birth' ? `${name(one.id)} (${parentageWords[one.kind]})` : name(one.id)));
  const belongs = relations.parentsOf(id).every(({ kind }) => kind === 'household')
    ? 'of the household of'
    : 'child of';
  const partners = partnersOf(relations, id).map(name);
  return [
    entry.name || 'No name yet',
    ...[lifeWords(born, died, 'years')].filter(Boolean),
    ...entry.details.filter(Boolean),
    `generation ${tier[i]!}`,
    ...(parents.length > 0 ? [`${belongs} ${parents.join(' and ')}`] : []),
    ...(partners.length > 0 ? [`with ${partners.join(', ')}`] : []),
  ].join(', ');
}
