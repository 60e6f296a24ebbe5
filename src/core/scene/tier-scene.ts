import { arrangeTierTree, type TierTreeInput, type TierTreeLayout } from '../arrange/tree';
import { extentOfLines, roundedPath } from '../arrange/graph';
import { isBesideLine, roleName, roleOf, tierCount, type Hierarchy, type Roles } from '../hierarchy';
import { KeptFor, own, sheetName, type BoxStyle, type DiagramCommon, type Entry } from '../model';
import { lookOf, tierStyle, type LinkKind } from '../style';
import { entryGroup, ownSize } from './entry-group';
import { placeOnSheet } from './place-sheet';
import type { Scene, SceneGroup, TierBand } from './scene';
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
): Scene {
  const beside = Uint8Array.from(structure.ids, (_, i) => (isBesideLine(diagram, structure, i, words.roles) ? 1 : 0));
  const { width, height } = boxSizes(diagram, structure, styles, beside);
  const { arrangement } = diagram;
  const tierGap = Array.from(
    { length: tierCount(structure) },
    (_, t) => own(diagram.tiers, String(t + 1))?.gap ?? arrangement.tierGap,
  );
  const { input, layout } = layoutOf(structure, { ...structure, ...arrangement, width, height, beside, tierGap });
  const look = lookOf(diagram.look);
  const legend = legendOf(diagram, structure, words);
  const { sheet, drawing } = placeOnSheet(diagram, layout, legend);
  return {
    title: diagram.title,
    description: `${words.kindName}: ${structure.ids.length} entries in ${tierCount(structure)} tiers.`,
    sheet: { ...sheet, name: sheetName(diagram.sheet), ground: look.ground },
    drawing,
    direction: arrangement.direction,
    groups: [
      ...fans(diagram, structure, layout, look.line),
      ...sideLinks(diagram, structure, { input, layout }, words.linkKinds),
      ...boxes(diagram, structure, styles, { layout, width, height, words }),
    ],
    notes: sheetNotes(diagram, look, sheet, legend),
    tiers: bands(diagram, structure, styles, layout, tierGap),
    entriesAs: 'boxes',
    smallestText: smallest(diagram, structure, styles, drawing.scale),
  };
}

interface LaidOut {
  readonly input: TierTreeInput;
  readonly layout: TierTreeLayout;
}
const laidOut = new KeptFor<Hierarchy, LaidOut>();

/** The arrangement; kept per structure while sizes and spacing stay as they are, as when a name is typed that fits its tier. */
function layoutOf(structure: Hierarchy, input: TierTreeInput): LaidOut {
  const before = laidOut.get(structure);
  if (before && sameInput(before.input, input)) return before;
  const made = { input, layout: arrangeTierTree(input) };
  laidOut.set(structure, made);
  return made;
}

function sameInput(a: TierTreeInput, b: TierTreeInput): boolean {
  for (const key of Object.keys(b) as (keyof TierTreeInput)[]) {
    const [one, other] = [a[key], b[key]];
    if (one === other) continue;
    if (typeof one !== 'object' || typeof other !== 'object' || one.length !== other.length) return false;
    for (let i = 0; i < one.length; i++) if (one[i] !== other[i]) return false;
  }
  return true;
}

/** What the signs on the sheet mean, for those that occur. */
function legendOf(diagram: DiagramCommon, structure: Hierarchy, { roles, linkKinds }: TierWords): string {
  const there = new Set(structure.ids.map((id) => own(diagram.entries, id)!.role));
  const linked = new Set(Object.values(diagram.links).map(({ kind }) => kind));
  return [
    ...roles.all.filter(({ id, legend }) => legend !== undefined && there.has(id)).map(({ legend }) => legend!),
    ...linkKinds.filter(({ id }) => linked.has(id)).map(({ legend }) => legend),
  ].join('.  ');
}

/** Boxes of a tier that take the common size share the largest width and height; assistants have a common size of their own. */
function boxSizes(diagram: DiagramCommon, structure: Hierarchy, styles: readonly BoxStyle[], beside: Uint8Array) {
  const n = structure.ids.length;
  const width = new Float64Array(n);
  const height = new Float64Array(n);
  const common = new Map<number, { width: number; height: number }>();
  for (let i = 0; i < n; i++) {
    const size = ownSize(own(diagram.entries, structure.ids[i]!)!, styles[i]!);
    width[i] = size.width;
    height[i] = size.height;
    if (!styles[i]!.equalSize) continue;
    const key = structure.tier[i]! * 2 + beside[i]!;
    const most = common.get(key);
    if (!most) common.set(key, { width: size.width, height: size.height });
    else {
      most.width = Math.max(most.width, size.width);
      most.height = Math.max(most.height, size.height);
    }
  }
  for (let i = 0; i < n; i++) {
    if (!styles[i]!.equalSize) continue;
    const most = common.get(structure.tier[i]! * 2 + beside[i]!)!;
    width[i] = most.width;
    height[i] = most.height;
  }
  return { width, height };
}

function boxes(
  diagram: DiagramCommon,
  structure: Hierarchy,
  styles: readonly BoxStyle[],
  {
    layout,
    width,
    height,
    words,
  }: {
    readonly layout: TierTreeLayout;
    readonly width: Float64Array;
    readonly height: Float64Array;
    readonly words: TierWords;
  },
): SceneGroup[] {
  const alsoTo = new Map<string, string[]>();
  for (const link of Object.values(diagram.links)) {
    const told = `${link.phrase || words.alsoUnder} ${own(diagram.entries, link.to)?.name ?? ''}`.trim();
    alsoTo.set(link.from, [...(alsoTo.get(link.from) ?? []), told]);
  }
  return Array.from(structure.outline, (i) => {
    const entry = own(diagram.entries, structure.ids[i]!)!;
    const place = { x: layout.x[i]!, y: layout.y[i]!, width: width[i]!, height: height[i]! };
    return entryGroup(entry, styles[i]!, place, labelOf(diagram, structure, i, { alsoTo, words }));
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
  { alsoTo, words }: { readonly alsoTo: ReadonlyMap<string, readonly string[]>; readonly words: TierWords },
): string {
  const entry = own(diagram.entries, structure.ids[i]!)!;
  const parent = entry.parent === null ? undefined : own(diagram.entries, entry.parent);
  const role = roleOf(diagram, structure, i, words.roles);
  const tier = structure.tier[i]!;
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

function bands(
  diagram: DiagramCommon,
  structure: Hierarchy,
  styles: readonly BoxStyle[],
  layout: TierTreeLayout,
  gaps: readonly number[],
): TierBand[] {
  return layout.tiers.map(({ start, end }, t) => {
    const from = structure.tierStart[t]!;
    const to = structure.tierStart[t + 1]!;
    let swatch = tierStyle(lookOf(diagram.look), t + 1).fill;
    for (let i = from; i < to; i++) {
      if (own(diagram.entries, structure.ids[i]!)!.role === null) {
        swatch = styles[i]!.fill;
        break;
      }
    }
    return {
      tier: t + 1,
      name: own(diagram.tiers, String(t + 1))?.name ?? null,
      start,
      end,
      count: to - from,
      swatch,
      gap: t === 0 ? null : gaps[t]!,
    };
  });
}

function smallest(
  diagram: DiagramCommon,
  structure: Hierarchy,
  styles: readonly BoxStyle[],
  scale: number,
): number | null {
  let size = Infinity;
  structure.ids.forEach((id, i) => {
    const style = styles[i]!;
    const details = own(diagram.entries, id)!
      .details.slice(0, style.details)
      .some((detail) => detail.trim() !== '');
    size = Math.min(size, style.nameSize, details ? style.detailSize : Infinity);
  });
  return size === Infinity ? null : size * scale;
}
