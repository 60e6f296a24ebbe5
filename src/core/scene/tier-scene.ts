import { arrangeTierTree, roundedPath, sideRouter, type TierTreeInput, type TierTreeLayout } from '../arrange';
import { sheetName, type BoxStyle, type Diagram, type Entry, own } from '../model';
import { lookOf, tierStyle } from '../style';
import { isBesideLine, roleName, roleOf, tierCount, type Structure } from '../tiers';
import { entryGroup, ownSize } from './entry-group';
import { placeOnSheet } from './place-sheet';
import type { Scene, SceneGroup, TierBand } from './scene';
import { sheetNotes } from './sheet-notes';

/** From a hierarchy with complete styles to its Scene on tiers. */
export function tierScene(diagram: Diagram, structure: Structure, styles: readonly BoxStyle[]): Scene {
  const beside = Uint8Array.from(structure.ids, (_, i) => (isBesideLine(diagram, structure, i) ? 1 : 0));
  const { width, height } = boxSizes(diagram, structure, styles, beside);
  const { arrangement } = diagram;
  const tierGap = Array.from(
    { length: tierCount(structure) },
    (_, t) => own(diagram.tiers, String(t + 1))?.gap ?? arrangement.tierGap,
  );
  const { input, layout } = layoutOf(structure, { ...structure, ...arrangement, width, height, beside, tierGap });
  const look = lookOf(diagram.look);
  const legend = legendOf(diagram, structure);
  const { sheet, drawing } = placeOnSheet(diagram, layout, legend);
  return {
    title: diagram.title,
    description: `Org chart: ${structure.ids.length} entries in ${tierCount(structure)} tiers.`,
    sheet: { ...sheet, name: sheetName(diagram.sheet), ground: look.ground },
    drawing,
    direction: arrangement.direction,
    groups: [
      ...fans(diagram, structure, layout, look.line),
      ...sideLinks(diagram, structure, input, layout, look.line),
      ...boxes(diagram, structure, styles, layout, width, height),
    ],
    notes: sheetNotes(diagram, look, sheet, legend),
    tiers: bands(diagram, structure, styles, layout, tierGap),
    smallestText: smallest(diagram, structure, styles, drawing.scale),
  };
}

interface LaidOut {
  readonly input: TierTreeInput;
  readonly layout: TierTreeLayout;
}
const laidOut = new WeakMap<Structure, LaidOut>();

/** The arrangement; kept per structure while sizes and spacing stay as they are, as when a name is typed that fits its tier. */
function layoutOf(structure: Structure, input: TierTreeInput): LaidOut {
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
function legendOf(diagram: Diagram, structure: Structure): string {
  const signs: string[] = [];
  if (structure.ids.some((id) => own(diagram.entries, id)!.role === 'vacancy'))
    signs.push('Dashed box: post not filled');
  if (Object.keys(diagram.links).length > 0) signs.push('Dashed line: also reports to');
  return signs.join('.  ');
}

/** Boxes of a tier that take the common size share the largest width and height; assistants have a common size of their own. */
function boxSizes(diagram: Diagram, structure: Structure, styles: readonly BoxStyle[], beside: Uint8Array) {
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
  diagram: Diagram,
  structure: Structure,
  styles: readonly BoxStyle[],
  layout: TierTreeLayout,
  width: Float64Array,
  height: Float64Array,
): SceneGroup[] {
  const alsoTo = new Map<string, string[]>();
  for (const link of Object.values(diagram.links)) alsoTo.set(link.from, [...(alsoTo.get(link.from) ?? []), link.to]);
  return Array.from(structure.outline, (i) => {
    const entry = own(diagram.entries, structure.ids[i]!)!;
    return entryGroup(
      entry,
      styles[i]!,
      layout.x[i]!,
      layout.y[i]!,
      width[i]!,
      height[i]!,
      labelOf(diagram, structure, i, alsoTo),
    );
  });
}

interface Labelled {
  readonly parent: Entry | undefined;
  readonly tier: number;
  readonly role: string | null;
  readonly also: string | undefined;
  readonly label: string;
}
const labelled = new WeakMap<Entry, Labelled>();

/** "Inés Okoro, Estuary science, tier 3, reports to Maëlle Adeyemi-Fox". Kept per entry while nothing in it changes. */
function labelOf(
  diagram: Diagram,
  structure: Structure,
  i: number,
  alsoTo: ReadonlyMap<string, readonly string[]>,
): string {
  const entry = own(diagram.entries, structure.ids[i]!)!;
  const parent = entry.parent === null ? undefined : own(diagram.entries, entry.parent);
  const role = roleOf(diagram, structure, i);
  const tier = structure.tier[i]!;
  const also = alsoTo
    .get(entry.id)
    ?.map((id) => `also to ${own(diagram.entries, id)!.name}`)
    .join(', ');
  const known = labelled.get(entry);
  if (known && known.parent === parent && known.tier === tier && known.role === role && known.also === also)
    return known.label;
  const parts = [entry.name || 'No name yet', ...entry.details.filter(Boolean), `tier ${tier}`];
  if (role !== null && role !== 'manager') parts.push(roleName(role).toLowerCase());
  if (parent) parts.push(`reports to ${parent.name || 'an entry without a name'}`);
  if (also) parts.push(also);
  const label = parts.join(', ');
  labelled.set(entry, { parent, tier, role, also, label });
  return label;
}

const fanned = new WeakMap<TierTreeLayout, { readonly manner: string; readonly groups: readonly SceneGroup[] }>();

/** The lines from each entry to those below it; kept per layout. */
function fans(diagram: Diagram, structure: Structure, layout: TierTreeLayout, stroke: string): readonly SceneGroup[] {
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
      bounds: boundsOf(lines.map((line) => line.points)),
      children: [{ type: 'path', d, stroke, strokeWidth: lineWidth, dashed: false }],
    };
  });
  fanned.set(layout, { manner, groups });
  return groups;
}

function sideLinks(
  diagram: Diagram,
  structure: Structure,
  input: TierTreeInput,
  layout: TierTreeLayout,
  stroke: string,
): SceneGroup[] {
  const links = Object.values(diagram.links);
  if (links.length === 0) return [];
  const route = sideRouter(input, layout);
  const { lineWidth, joinRadius } = diagram.arrangement;
  return links.map((link) => {
    const points = route(structure.index.get(link.from)!, structure.index.get(link.to)!);
    const d = roundedPath(points, joinRadius);
    const stands = { for: 'sideLink', id: link.id } as const;
    return {
      type: 'group',
      stands,
      label: '',
      x: 0,
      y: 0,
      bounds: boundsOf([points]),
      children: [{ type: 'path', d, stroke, strokeWidth: lineWidth, dashed: true }],
    };
  });
}

function boundsOf(lines: readonly (readonly number[])[]): SceneGroup['bounds'] {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const points of lines) {
    for (let p = 0; p < points.length; p += 2) {
      left = Math.min(left, points[p]!);
      right = Math.max(right, points[p]!);
      top = Math.min(top, points[p + 1]!);
      bottom = Math.max(bottom, points[p + 1]!);
    }
  }
  return { x: left, y: top, width: right - left, height: bottom - top };
}

function bands(
  diagram: Diagram,
  structure: Structure,
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

function smallest(diagram: Diagram, structure: Structure, styles: readonly BoxStyle[], scale: number): number | null {
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
