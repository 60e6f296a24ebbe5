import type { TierTreeLayout } from '../arrange/tree';
import { extentOfLines, roundedPath } from '../arrange/graph';
import { isBesideLine, roleName, roleOf, tierCount, type Hierarchy, type Roles } from '../hierarchy';
import { KeptFor, own, sheetName, type BoxStyle, type DiagramCommon, type Entry } from '../model';
import { lookOf, tierStyle, type LinkKind } from '../style';
import { entryGroup } from './entry-group';
import { fitOnSheet } from './fit-sheet';
import { boxBesideMark, markOf, type Continued } from './marks';
import { placeOnSheet } from './place-sheet';
import type { Rect, Scene, SceneGroup, TierBand } from './scene';
import { sheetNotes } from './sheet-notes';
import { sideLinks } from './side-links';

/** What a kind says of its drawing on tiers. */
export interface TierWords {
  /** "Org chart", as the description for assistive technology begins. */
  readonly kindName: string;
  /** "reports to", "also to", as a label tells what an entry is under. */
  readonly under: string;
  readonly alsoUnder: string;
  readonly roles: Roles;
  readonly linkKinds: readonly LinkKind[];
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
  const legend = legendOf(diagram, structure, words);
  const fit = fitOnSheet(diagram, structure, styles, { beside, legend, marks });
  const { layout, width, height, gaps, manner } = fit.fitted;
  const onIt = { ...diagram, sheet: fit.sheet };
  const look = lookOf(diagram.look);
  const drawn = { layout, width, height };
  const links = sideLinks(diagram, structure, { ...drawn, gaps }, words.linkKinds);
  const extent = extentWith(layout, links);
  const placed = placeOnSheet(onIt, extent, legend, fit.largestScale);
  const { sheet, notes } = placed;
  const drawing = {
    ...placed.drawing,
    x: placed.drawing.x - extent.x * placed.drawing.scale,
    y: placed.drawing.y - extent.y * placed.drawing.scale,
  };
  return {
    title: diagram.title,
    description: `${words.kindName}: ${structure.ids.length} entries in ${tierCount(structure)} tiers.`,
    sheet: { ...sheet, name: sheetName(fit.sheet), ground: look.ground },
    drawing,
    direction: diagram.arrangement.direction,
    groups: [
      ...fans(diagram, structure, layout, look.line),
      ...links,
      ...boxes(diagram, structure, styles, { ...drawn, wanted: fit.wanted, words, marks }),
    ],
    notes: sheetNotes(onIt, look, sheet, notes),
    tiers: bands(diagram, structure, styles, { layout, gaps: gaps.tier }),
    manner,
    entriesAs: 'boxes',
    smallestText: fit.smallest === null ? null : fit.smallest * drawing.scale,
  };
}

/** 1 for each entry that stands beside the line to its superior. */
export const besideOf = (diagram: DiagramCommon, structure: Hierarchy, { roles }: TierWords): Uint8Array =>
  Uint8Array.from(structure.ids, (_, i) => (isBesideLine(diagram, structure, i, roles) ? 1 : 0));

/** The extent of a drawing with the links that go round it. */
function extentWith({ width, height }: TierTreeLayout, links: readonly SceneGroup[]): Rect {
  let [left, top, right, bottom] = [0, 0, width, height];
  for (const { bounds } of links) {
    left = Math.min(left, bounds.x);
    top = Math.min(top, bounds.y);
    right = Math.max(right, bounds.x + bounds.width);
    bottom = Math.max(bottom, bounds.y + bounds.height);
  }
  return { x: left, y: top, width: right - left, height: bottom - top };
}

/** What the signs on the sheet mean, for those that occur. */
export function legendOf(diagram: DiagramCommon, structure: Hierarchy, { roles, linkKinds }: TierWords): string {
  const there = new Set(structure.ids.map((id) => own(diagram.entries, id)!.role));
  const linked = new Set(Object.values(diagram.links).map(({ kind }) => kind));
  return [
    ...roles.all.filter(({ id, legend }) => legend !== undefined && there.has(id)).map(({ legend }) => legend!),
    ...linkKinds.filter(({ id }) => linked.has(id)).map(({ legend }) => legend),
  ].join('.  ');
}

function boxes(
  diagram: DiagramCommon,
  structure: Hierarchy,
  styles: readonly BoxStyle[],
  {
    layout,
    width,
    height,
    wanted,
    words,
    marks,
  }: {
    readonly layout: TierTreeLayout;
    readonly width: Float64Array;
    readonly height: Float64Array;
    /** For each tier the width its text is set in. */
    readonly wanted: readonly number[];
    readonly words: TierWords;
    readonly marks: Continued | null;
  },
): SceneGroup[] {
  const alsoTo = new Map<string, string[]>();
  for (const link of Object.values(diagram.links)) {
    const told = `${link.phrase || words.alsoUnder} ${own(diagram.entries, link.to)?.name ?? ''}`.trim();
    alsoTo.set(link.from, [...(alsoTo.get(link.from) ?? []), told]);
  }
  return Array.from(structure.outline).flatMap((i) => {
    const entry = own(diagram.entries, structure.ids[i]!)!;
    const place = { x: layout.x[i]!, y: layout.y[i]!, width: width[i]!, height: height[i]! };
    const tier = marks?.tierOf(entry.id) ?? structure.tier[i]!;
    const label = labelOf(diagram, structure, i, { alsoTo, words, tier });
    const box = boxBesideMark(place, marks, entry.id, styles[i]!);
    const group = entryGroup(entry, styles[i]!, box, { wanted: wanted[structure.tier[i]! - 1]!, label });
    const mark = markOf(place, marks, entry.id, styles[i]!);
    return mark ? [group, mark] : [group];
  });
}

interface Labelled {
  readonly parent: Entry | undefined;
  readonly tier: number;
  readonly role: string | null;
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
  if (known && known.parent === parent && known.tier === tier && known.role === role && known.also === also)
    return known.label;
  const parts = [entry.name || 'No name yet', ...entry.details.filter(Boolean), `tier ${tier}`];
  if (role !== null && role !== words.roles.leading) parts.push(roleName(role, words.roles).toLowerCase());
  if (parent) parts.push(`${words.under} ${parent.name || 'an entry without a name'}`);
  if (also) parts.push(also);
  const label = parts.join(', ');
  labelled.set(entry, { parent, tier, role, also, label });
  return label;
}

const fanned = new KeptFor<TierTreeLayout, { readonly manner: string; readonly groups: readonly SceneGroup[] }>();

/** The lines from each entry to those below it; kept per layout. */
function fans(
  diagram: DiagramCommon,
  structure: Hierarchy,
  layout: TierTreeLayout,
  stroke: string,
): readonly SceneGroup[] {
  const { lineWidth, joinRadius } = diagram.arrangement;
  const manner = `${lineWidth} ${joinRadius} ${stroke}`;
  const before = fanned.get(layout);
  if (before?.manner === manner) return before.groups;
  const groups = Array.from(layout.fans, ([i, lines]): SceneGroup => {
    const d = lines.map(({ points }) => roundedPath(points, joinRadius)).join('');
    return {
      type: 'group',
      stands: { for: 'links', id: structure.ids[i]! },
      label: '',
      x: 0,
      y: 0,
      bounds: extentOfLines(lines.map((line) => line.points)),
      children: [{ type: 'path', d, stroke, strokeWidth: lineWidth, dashed: false }],
    };
  });
  fanned.set(layout, { manner, groups });
  return groups;
}

/** The tiers as the rail tells them. Where they have no line of their own they are told one after another along the drawing. */
function bands(
  diagram: DiagramCommon,
  structure: Hierarchy,
  styles: readonly BoxStyle[],
  { layout, gaps }: { readonly layout: TierTreeLayout; readonly gaps: readonly number[] },
): TierBand[] {
  const total = tierCount(structure);
  const along = diagram.arrangement.direction === 'down' ? layout.height : layout.width;
  return Array.from({ length: total }, (_, t) => {
    const own = layout.tiers[t];
    const { start, end } = own ?? { start: (along * t) / total, end: (along * (t + 0.85)) / total };
    return { ...bandOf(diagram, structure, styles, t), start, end, gap: t === 0 || !own ? null : gaps[t]! };
  });
}

function bandOf(
  diagram: DiagramCommon,
  structure: Hierarchy,
  styles: readonly BoxStyle[],
  t: number,
): Pick<TierBand, 'tier' | 'name' | 'count' | 'swatch'> {
  const from = structure.tierStart[t]!;
  const to = structure.tierStart[t + 1]!;
  let swatch = tierStyle(lookOf(diagram.look), t + 1).fill;
  for (let i = from; i < to; i++) {
    if (own(diagram.entries, structure.ids[i]!)!.role === null) {
      swatch = styles[i]!.fill;
      break;
    }
  }
  return { tier: t + 1, name: own(diagram.tiers, String(t + 1))?.name ?? null, count: to - from, swatch };
}
