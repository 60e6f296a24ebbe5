import { nudgedLayout, type Fitted, type Offsets, type TierTreeLayout } from '../arrange/tree';
import { hasRole, isBesideLine, roleName, roleOf, tierCount, type Hierarchy, type Roles } from '../hierarchy';
import { KeptFor, own, pushTo, sheetName, type BoxStyle, type DiagramCommon, type Entry } from '../model';
import { lookOf, tierFill, type LinkKind } from '../style';
import { boxesInCells, branchGroups, planBranches, type BranchLines } from './branch-lines';
import { isDrawnIn } from './drawn-in';
import { entryGroup, type Padding } from './entry-group';
import { fitOnSheet } from './fit-sheet';
import { type Legend } from './legend';
import { legendFrom, lineItem, linkItems, roleItems, tierItems } from './legend-items';
import { boxBesideMark, markOf, type Continued } from './marks';
import { placeOnSheet } from './place-sheet';
import type { Rect, Scene, SceneGroup, TierBand } from './scene';
import { sheetNotes } from './sheet-notes';
import { sideLinks } from './side-links';
import { structureLines } from './structure-lines';
import { placedBounds, surroundings } from './surroundings';
import { tierBandsBehind } from './tier-bands';
import { growsRight, namesAreDrawn, tierNames } from './tier-names';

/** What a kind says of its drawing on tiers. */
export interface TierWords {
  /** "Org chart", as the description for assistive technology begins. */
  readonly kindName: string;
  /** "reports to", "also to", as a label tells what an entry is under. */
  readonly under: string;
  readonly alsoUnder: string;
  readonly roles: Roles;
  readonly linkKinds: readonly LinkKind[];
  /** Words on the lines of the structure; left out where there are none. */
  readonly branches?: BranchLines;
  /** An entry as the head of a sheet of its own, where no line leads to it; left out where it is the same. */
  asHead?(id: string): Entry;
}

/** From a hierarchy with complete styles to its Scene on tiers. */
export function tierScene(
  diagram: DiagramCommon,
  structure: Hierarchy,
  styles: readonly BoxStyle[],
  words: TierWords,
  marks: Continued | null = null,
): Scene {
  const beside = besideOf(diagram, structure, words);
  const legend = legendOf(diagram, structure, styles, words);
  const plan = words.branches ? planBranches(diagram, structure, words.branches) : null;
  const fit = fitOnSheet(diagram, structure, styles, { beside, legend, marks, branches: plan });
  const direction = growsRight(diagram) ? 'right' : 'down';
  const { width, height, gaps, manner } = fit.fitted;
  const layout = nudgedLayout(
    fit.fitted.layout,
    { ...structure, width, height },
    offsetsOf(diagram, structure),
    direction,
  );
  const fitted = { ...fit.fitted, layout };
  const onIt = { ...diagram, sheet: fit.sheet };
  const look = lookOf(diagram);
  const places = plan ? boxesInCells(fitted, structure, fit.boxes, plan) : placesOf(fitted);
  const links = sideLinks(diagram, structure, { layout, places, boxStyles: styles, gaps, direction }, words.linkKinds);
  const names = tierNames(diagram, structure, styles, fit.fitted.layout.tiers, fit.margin);
  const lines = plan
    ? branchGroups(structure, places, fitted, { plan, joinRadius: diagram.arrangement.joinRadius })
    : structureLines(diagram, structure, layout, { places, boxStyles: styles, direction });
  const { enclosures, notes: noted } = surroundings(diagram, () => ({
    boxes: new Map(structure.ids.map((id, i) => [id, places[i]!])),
    words: names.map(({ bounds }) => bounds),
    lines: [...layout.fans.values()].flat().map(({ points }) => points),
  }));
  const bandsBehind = tierBandsBehind(diagram, structure, fit.fitted.layout.tiers, {
    from: 0,
    to: direction === 'right' ? layout.height : layout.width,
    margin: fit.margin,
  });
  const extent = extentWith(layout, [...bandsBehind, ...links, ...names, ...enclosures, ...noted], diagram, places);
  const groups = [
    ...bandsBehind,
    ...enclosures,
    ...names,
    ...lines,
    ...links,
    ...noted,
    ...boxes(diagram, structure, styles, {
      places,
      wanted: fit.wanted,
      pictured: fit.boxes.pictured,
      padded: fit.fitted.padded,
      words,
      marks,
    }),
  ];
  const taken = fit.titleAside ? (part: Rect) => groups.some((one) => isDrawnIn(one, part)) : null;
  const { sheet, drawing, notes } = placeOnSheet(onIt, extent, legend, fit.largestScale, taken);
  return {
    title: diagram.title,
    description: `${words.kindName}: ${structure.ids.length} entries in ${tierCount(structure)} tiers.`,
    sheet: { ...sheet, name: sheetName(fit.sheet), ground: look.ground },
    drawing,
    direction,
    groups,
    notes: sheetNotes(onIt, look, sheet, notes),
    tiers: bands(diagram, structure, { layout: fit.fitted.layout, gaps: gaps.tier, direction }),
    manner,
    entriesAs: 'boxes',
    smallestText: fit.smallest === null ? null : fit.smallest * drawing.scale,
  };
}

/** How entries are nudged, by index. */
function offsetsOf({ nudges }: DiagramCommon, { index }: Hierarchy): Offsets {
  const offsets = new Map<number, { readonly x: number; readonly y: number }>();
  for (const [id, nudge] of Object.entries(nudges)) {
    const i = index.get(id);
    if (i !== undefined) offsets.set(i, nudge);
  }
  return offsets;
}

const placesOf = ({ layout: { x, y }, width, height }: Fitted): Rect[] =>
  Array.from(x, (left, i) => ({ x: left, y: y[i]!, width: width[i]!, height: height[i]! }));

/** 1 for each entry that stands beside the line to its superior. */
export const besideOf = (diagram: DiagramCommon, structure: Hierarchy, { roles }: TierWords): Uint8Array =>
  Uint8Array.from(structure.ids, (_, i) => (isBesideLine(diagram, structure, i, roles) ? 1 : 0));

/** The extent of a drawing with what stands around it, and with boxes that were nudged out of it. */
function extentWith(
  { width, height }: TierTreeLayout,
  around: readonly SceneGroup[],
  { nudges }: DiagramCommon,
  places: readonly Rect[],
): Rect {
  let [left, top, right, bottom] = [0, 0, width, height];
  const boxes = Object.keys(nudges).length > 0 ? places : [];
  for (const bounds of [...around.map(placedBounds), ...boxes]) {
    left = Math.min(left, bounds.x);
    top = Math.min(top, bounds.y);
    right = Math.max(right, bounds.x + bounds.width);
    bottom = Math.max(bottom, bounds.y + bounds.height);
  }
  return { x: left, y: top, width: right - left, height: bottom - top };
}

/** What the signs on the sheet mean, for those that occur. */
export const legendOf = (
  diagram: DiagramCommon,
  structure: Hierarchy,
  styles: readonly BoxStyle[],
  { roles, linkKinds, branches }: TierWords,
): Legend =>
  legendFrom(
    diagram,
    {
      tiers: (which) => tierItems(diagram, structure, styles, { which, wordFor: (tier) => `Tier ${tier}` }),
      roles: () =>
        roleItems(diagram, roles, (role) => structure.ids.some((_, i) => hasRole(diagram, structure, i, roles, role))),
      lines: () => [
        ...linkItems(diagram, linkKinds),
        ...(branches?.explained ?? []).map(({ words, line }) => lineItem(words, line)),
      ],
    },
    namesAreDrawn(diagram),
  );

function boxes(
  diagram: DiagramCommon,
  structure: Hierarchy,
  styles: readonly BoxStyle[],
  {
    places,
    wanted,
    pictured,
    words,
    marks,
    padded,
  }: {
    readonly padded: Padding;
    readonly places: readonly Rect[];
    /** For each tier the width its text is set in. */
    readonly wanted: readonly number[];
    /** Of each tier, whether somebody has a photo. */
    readonly pictured: readonly boolean[];
    readonly words: TierWords;
    readonly marks: Continued | null;
  },
): SceneGroup[] {
  const alsoTo = new Map<string, string[]>();
  for (const link of Object.values(diagram.links)) {
    const told = `${link.phrase || words.alsoUnder} ${own(diagram.entries, link.to)?.name ?? ''}`.trim();
    pushTo(alsoTo, link.from, told);
  }
  return Array.from(structure.outline).flatMap((i) => {
    const entry = own(diagram.entries, structure.ids[i]!)!;
    const place = places[i]!;
    const tier = marks?.tierOf(entry.id) ?? structure.tier[i]!;
    const label = labelOf(diagram, structure, i, { alsoTo, words, tier });
    const box = boxBesideMark(place, marks, entry.id, styles[i]!);
    const t = structure.tier[i]! - 1;
    const group = entryGroup(entry, styles[i]!, box, { wanted: wanted[t]!, label, pictured: pictured[t]!, padded });
    const mark = markOf(place, marks, entry.id, styles[i]!);
    return mark ? [group, mark] : [group];
  });
}

interface Labelled {
  readonly parent: Entry | undefined;
  readonly tier: number;
  readonly role: string | null;
  readonly roles: DiagramCommon['roles'];
  readonly also: string | undefined;
  readonly label: string;
}
const labelled = new KeptFor<Entry, Labelled>();

/** "Inés Okoro, Estuary science, tier 3, reports to Maëlle Adeyemi-Fox". Kept per entry while nothing in it changes. */
function labelOf(
  diagram: DiagramCommon,
  structure: Hierarchy,
  i: number,
  {
    alsoTo,
    words,
    tier,
  }: {
    readonly alsoTo: ReadonlyMap<string, readonly string[]>;
    readonly words: TierWords;
    readonly tier: number;
  },
): string {
  const entry = own(diagram.entries, structure.ids[i]!)!;
  const parent = entry.parent === null ? undefined : own(diagram.entries, entry.parent);
  const role = roleOf(diagram, structure, i, words.roles);
  const also = alsoTo.get(entry.id)?.join(', ');
  const known = labelled.get(entry);
  if (
    known &&
    known.parent === parent &&
    known.tier === tier &&
    known.role === role &&
    known.roles === diagram.roles &&
    known.also === also
  )
    return known.label;
  const parts = [entry.name || 'No name yet', ...entry.details.filter(Boolean), `tier ${tier}`];
  if (role !== null && role !== words.roles.leading) parts.push(roleName(role, words.roles, diagram).toLowerCase());
  if (parent) parts.push(`${words.under} ${parent.name || 'an entry without a name'}`);
  if (also) parts.push(also);
  const label = parts.join(', ');
  labelled.set(entry, { parent, tier, role, roles: diagram.roles, also, label });
  return label;
}

/** The tiers as the rail tells them. Where they have no line of their own they are told one after another along the drawing. */
function bands(
  diagram: DiagramCommon,
  structure: Hierarchy,
  {
    layout,
    gaps,
    direction,
  }: {
    readonly layout: TierTreeLayout;
    readonly gaps: readonly number[];
    readonly direction: Scene['direction'];
  },
): TierBand[] {
  const total = tierCount(structure);
  const along = direction === 'down' ? layout.height : layout.width;
  return Array.from({ length: total }, (_, t) => {
    const own = layout.tiers[t];
    const { start, end } = own ?? { start: (along * t) / total, end: (along * (t + 0.85)) / total };
    return { ...bandOf(diagram, structure, t), start, end, gap: t === 0 || !own ? null : gaps[t]! };
  });
}

function bandOf(
  diagram: DiagramCommon,
  structure: Hierarchy,
  t: number,
): Pick<TierBand, 'tier' | 'name' | 'count' | 'swatch'> {
  const from = structure.tierStart[t]!;
  const to = structure.tierStart[t + 1]!;
  const name = own(diagram.tiers, String(t + 1))?.name ?? null;
  return { tier: t + 1, name, count: to - from, swatch: tierFill(diagram, t + 1) };
}
