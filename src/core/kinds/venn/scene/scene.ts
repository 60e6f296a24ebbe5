import {
  ellipsePath,
  extentOf,
  flattened,
  moved,
  regionPath,
  type Ellipse,
  type Scaled,
  type ScaleError,
  type VennLayout,
} from '../../../arrange/curves';
import { capHeightOf, runsOf, sansFace } from '../../../measure';
import { keyOfMask, setsInOrder, type VennSet } from '../model';
import { sheetName, type BoxStyle, own } from '../../../model';
import type { Venn } from '../model';
import { lookOf, readableText } from '../../../style';
import { regionStyle, setStyle } from '../styles';
import { overlapName, bitCount } from '../structure';
import type { Listing } from '../../../hierarchy';
import { hatchPath } from './hatch';
import { freeRoom, placeOnSheet } from '../../../scene';
import { keyHeading, regionWords } from '../region-words';
import type { Primitive, Rect, Scene, SceneGroup, TierBand } from '../../../scene';
import { sheetNotes } from '../../../scene';
import {
  apart,
  arrangeVenn,
  countsOf,
  largestScale,
  noLegend,
  pad,
  placedEntries,
  scaledShapes,
  sizeOfTitle,
  titleFace,
  type Placed,
} from './arrangement';
import { keyBeside } from './key';
import { listBelow, type Listed, type ListedPlace } from './lists';
import { nameCurves, type SetName } from './names';

/** A Scene with the curves of the sets. */
export interface VennScene extends Scene {
  /** In drawing coordinates and in the order of the sets. */
  readonly curves: readonly Ellipse[];
  /** How far the areas are from the counts; only where they are drawn to scale. */
  readonly scaled?: Pick<ScaleError, 'stress' | 'diagError' | 'unwanted'>;
}

/** Size of the universe's name. */
const frameNameSize = 15;
const hatchApart = 6;

/** From sets, memberships and complete styles to the Scene: curves large enough for what is in their regions, names set inside. */
export function vennScene(diagram: Venn, structure: Listing, styles: readonly BoxStyle[]): VennScene {
  const sets = setsInOrder(diagram.venn);
  const { manner } = diagram.venn;
  const look = lookOf(diagram.look);
  const wide = placedEntries(diagram, structure, styles, sets, 'wide');
  const shown = manner.content === 'names' || manner.content === 'scattered';
  const scaled = scaledShapes(diagram, countsOf(sets.length, wide), sets.length);
  const { entries, layout } = lineByLine(
    wide,
    () => placedEntries(diagram, structure, styles, sets, 'narrow'),
    (list) => arrangeVenn(diagram, sets, shown ? list : [], scaled),
  );
  const names = nameCurves(
    sets.map((set, i) => {
      const style = setStyle(diagram, set.id);
      return {
        ellipse: layout.ellipses[i]!,
        name: set.name,
        size: style.nameSize,
        face: sansFace(style.nameWeight, style.nameSlant),
        fill: style.text,
      };
    }),
  );
  const keyed = layout.regions.filter(({ places }) => places === null);
  const keyedMasks = new Set([...keyed.map(({ mask }) => mask), ...layout.absent]);
  const ink = readableText(look.ink, look.ground, look.ink, look.light);
  const around = boundsOf(layout, names);
  const nameOfAll = manner.universe.trim();
  const top = around.y - pad - (manner.frame && nameOfAll ? frameNameSize * 2 : 0);
  const outside = shown ? entries.filter(({ mask }) => mask === 0) : [];
  const bank =
    manner.content === 'blank' && manner.wordBank
      ? [...entries].sort((a, b) => a.entry.name.localeCompare(b.entry.name, 'en'))
      : [];
  const inner = { x: around.x - pad, width: Math.max(around.width + 2 * pad, 240) };
  const strip = listBelow(outside.map(listed), { ...inner, y: around.y + around.height + pad * 0.6 }, apart);
  const frameBottom = outside.length > 0 ? strip.bottom + pad * 0.7 : around.y + around.height + pad;
  const bankStrip = listBelow(bank.map(listed), { ...inner, y: frameBottom + pad }, apart * 1.4);
  const key = keyBeside(
    [...keyedMasks]
      .sort((a, b) => a - b)
      .map((mask) => ({
        mask,
        heading: own(diagram.venn.regions, keyOfMask(sets, mask))?.title ?? keyHeading(sets, mask),
        entries: entries.filter((one) => one.mask === mask).map(listed),
        from: layout.regions.find((region) => region.mask === mask)?.middle ?? null,
      })),
    {
      frame: { x: inner.x, y: top, width: inner.width, height: frameBottom - top },
      sheet: freeRoom(diagram, noLegend),
      avoid: [...names.flatMap((name) => name.boxes), ...textBoxes(layout, entries, shown)],
    },
    ink,
  );
  const right = key.bounds.x + key.bounds.width;
  const bottom = Math.max(bank.length > 0 ? bankStrip.bottom : frameBottom, key.bounds.y + key.bounds.height);
  const [dx, dy] = [-key.bounds.x, -top];
  const groups: SceneGroup[] = [
    ...(manner.frame ? [frame(diagram, inner, top, frameBottom, ink, nameOfAll)] : []),
    ...fills(diagram, sets, layout, entries, ink, scaled),
    ...outlines(diagram, sets, layout, names, entries),
    ...regionTitles(diagram, sets, layout, entries),
    ...items(diagram, layout, entries, shown, [...strip.places, ...bankStrip.places], key.places),
    ...key.groups,
  ].map((group) => ({ ...group, x: group.x + dx, y: group.y + dy }));
  const { sheet, drawing } = placeOnSheet(diagram, { width: right + dx, height: bottom + dy }, noLegend, largestScale);
  const sizes = entries.map(({ style }) => style.nameSize);
  return {
    title: diagram.title,
    description: describe(sets, entries),
    sheet: { ...sheet, name: sheetName(diagram.sheet), ground: look.ground },
    drawing,
    direction: 'down',
    groups,
    notes: sheetNotes(diagram, look, sheet, noLegend),
    tiers: bands(diagram, sets, entries, bottom + dy),
    curves: layout.ellipses.map((e) => moved(e, dx, dy)),
    ...(scaled && { scaled: { stress: scaled.stress, diagError: scaled.diagError, unwanted: scaled.unwanted } }),
    entriesAs: 'names',
    smallestText: sizes.length > 0 ? Math.min(...sizes) * drawing.scale : null,
  };
}

interface Arranged {
  readonly entries: readonly Placed[];
  readonly layout: VennLayout;
}

/** Names on one line each; broken into several where otherwise more of them would go to the key. */
function lineByLine(
  wide: readonly Placed[],
  narrow: () => readonly Placed[],
  arrange: (entries: readonly Placed[]) => VennLayout,
): Arranged {
  const first = { entries: wide, layout: arrange(wide) };
  if (keyedIn(first) === 0) return first;
  const broken = narrow();
  const second = { entries: broken, layout: arrange(broken) };
  return keyedIn(second) < keyedIn(first) ? second : first;
}

/** How many entries do not fit into their regions. */
function keyedIn({ entries, layout }: Arranged): number {
  const masks = new Set([
    ...layout.regions.filter(({ places }) => places === null).map(({ mask }) => mask),
    ...layout.absent,
  ]);
  return entries.filter(({ mask }) => masks.has(mask)).length;
}

const listed = ({ entry, width, height, text }: Placed): Listed => ({
  id: entry.id,
  width,
  height,
  baseline: height - text.height / 2 + (text.lines[0]?.baseline ?? 0),
});

function boundsOf(layout: VennLayout, names: readonly SetName[]): Rect {
  let [left, top, right, bottom] = [0, 0, layout.width, layout.height];
  for (const { boxes } of names) {
    for (const box of boxes) {
      left = Math.min(left, box.x);
      top = Math.min(top, box.y);
      right = Math.max(right, box.x + box.width);
      bottom = Math.max(bottom, box.y + box.height);
    }
  }
  return { x: left, y: top, width: right - left, height: bottom - top };
}

function textBoxes(layout: VennLayout, entries: readonly Placed[], shown: boolean): Rect[] {
  if (!shown) return [];
  return layout.regions.flatMap(({ mask, places }) => {
    const inside = entries.filter((one) => one.mask === mask);
    return (places ?? []).map(({ x, y }, i) => ({
      x,
      y,
      width: inside[i]!.width,
      height: inside[i]!.height,
    }));
  });
}

const plainGroup = (
  stands: SceneGroup['stands'],
  label: string,
  bounds: Rect,
  children: readonly Primitive[],
): SceneGroup => ({ type: 'group', stands, label, x: 0, y: 0, bounds, children });

function frame(
  diagram: Venn,
  inner: { x: number; width: number },
  top: number,
  bottom: number,
  ink: string,
  name: string,
): SceneGroup {
  const stroke = lookOf(diagram.look).line;
  const box: Primitive = {
    type: 'box',
    shape: 'square',
    corner: 0,
    x: inner.x,
    y: top,
    width: inner.width,
    height: bottom - top,
    fill: regionStyle(diagram, 0).fill,
    stroke,
    strokeWidth: 1,
    dashed: false,
  };
  const face = sansFace(600, 'upright');
  const runs = name ? runsOf(name, face, 15) : [];
  const text: Primitive[] = name
    ? [{ type: 'text', x: inner.x + 12, y: top + 12 + capHeightOf(face, 15), size: 15, fill: ink, runs, part: 'note' }]
    : [];
  const bounds = { x: inner.x, y: top, width: inner.width, height: bottom - top };
  return plainGroup({ for: 'region', id: '' }, name, bounds, [box, ...text]);
}

function fills(
  diagram: Venn,
  sets: readonly VennSet[],
  layout: VennLayout,
  entries: readonly Placed[],
  ink: string,
  scaled: Scaled | null,
): SceneGroup[] {
  return layout.regions.map(({ mask, region, bounds: area, middle }) => {
    const style = regionStyle(diagram, mask);
    const inside = entries.filter((one) => one.mask === mask).length;
    const d = regionPath(layout.ellipses, region.loops);
    const children: Primitive[] = [
      {
        type: 'path',
        d,
        fill: style.fill,
        stroke: style.border,
        strokeWidth: style.borderWidth,
        dashed: style.borderLine === 'dashed',
      },
    ];
    // A region the shapes cannot do without, though nothing is in it: hatched, so that its area is not read as an amount.
    if (scaled?.unwanted.includes(mask)) {
      const loops = region.loops.map((loop) => flattened(layout.ellipses, loop));
      const stroke = lookOf(diagram.look).line;
      children.push({ type: 'path', d: hatchPath(loops, hatchApart), stroke, strokeWidth: 0.75, dashed: false });
    }
    if (diagram.venn.manner.content === 'counts' && !scaled?.unwanted.includes(mask)) {
      const size = Math.max(12, Math.min(30, middle.room * 0.5));
      const face = sansFace(600, 'upright');
      const runs = runsOf(String(inside), face, size);
      const width = runs.reduce((sum, run) => sum + run.width, 0);
      const y = middle.y + capHeightOf(face, size) / 2;
      children.push({ type: 'text', x: middle.x - width / 2, y, size, fill: style.text ?? ink, runs, part: 'detail' });
    }
    const title = own(diagram.venn.regions, keyOfMask(sets, mask))?.title;
    const label = `${title ? `${title}: ` : ''}${regionWords(sets, mask)}, ${inside} ${inside === 1 ? 'entry' : 'entries'}`;
    const bounds = { x: area.left, y: area.top, width: area.right - area.left, height: area.bottom - area.top };
    return {
      ...plainGroup({ for: 'region', id: keyOfMask(sets, mask) }, label, bounds, children),
      selectable: { outline: d, hit: 'area', course: [] },
    };
  });
}

function outlines(
  diagram: Venn,
  sets: readonly VennSet[],
  layout: VennLayout,
  names: readonly SetName[],
  entries: readonly Placed[],
): SceneGroup[] {
  return sets.map((set, i) => {
    const ellipse = layout.ellipses[i]!;
    const { border, borderWidth, borderLine } = setStyle(diagram, set.id);
    const line: Primitive[] =
      borderWidth > 0
        ? [
            {
              type: 'path',
              d: ellipsePath(ellipse),
              stroke: border,
              strokeWidth: borderWidth,
              dashed: borderLine === 'dashed',
            },
          ]
        : [];
    const count = entries.filter(({ mask }) => (mask >> i) & 1).length;
    const { left, top, right, bottom } = extentOf([ellipse]);
    const bounds = { x: left, y: top, width: right - left, height: bottom - top };
    const label = `Set ${set.name || 'without a name'}, ${count} ${count === 1 ? 'entry' : 'entries'}`;
    return {
      ...plainGroup({ for: 'set', id: set.id }, label, bounds, [...line, ...names[i]!.primitives]),
      selectable: { outline: ellipsePath(ellipse), hit: 'area', course: [] },
    };
  });
}

function regionTitles(
  diagram: Venn,
  sets: readonly VennSet[],
  layout: VennLayout,
  entries: readonly Placed[],
): SceneGroup[] {
  return layout.regions.flatMap(({ mask, title, places, middle }) => {
    const text = own(diagram.venn.regions, keyOfMask(sets, mask))?.title;
    if (!text || places === null) return [];
    const style = regionStyle(diagram, mask);
    const { width, height } = sizeOfTitle(text, style);
    const alone = entries.every((one) => one.mask !== mask);
    const at = title ?? (alone ? { x: middle.x - width / 2, y: middle.y - height / 2 } : null);
    if (!at) return [];
    const y = at.y + (height + capHeightOf(titleFace, style.nameSize)) / 2;
    const runs = runsOf(text, titleFace, style.nameSize);
    return [
      plainGroup({ for: 'note', id: `title-${keyOfMask(sets, mask)}` }, '', { ...at, width, height }, [
        { type: 'text', x: at.x, y, size: style.nameSize, fill: style.text, runs, part: 'name' },
      ]),
    ];
  });
}

function items(
  diagram: Venn,
  layout: VennLayout,
  entries: readonly Placed[],
  shown: boolean,
  below: readonly ListedPlace[],
  inKey: readonly ListedPlace[],
): SceneGroup[] {
  const elsewhere = [...below, ...inKey];
  const at = new Map(elsewhere.map((one) => [one.id, one]));
  if (shown) {
    for (const { mask, places } of layout.regions) {
      const inside = entries.filter((one) => one.mask === mask);
      places?.forEach(({ x, y }, i) => at.set(inside[i]!.entry.id, { id: inside[i]!.entry.id, x, y }));
    }
  }
  const sets = setsInOrder(diagram.venn);
  const look = lookOf(diagram.look);
  const onGround = readableText(look.ink, look.ground, look.ink, look.light);
  const fromElsewhere = new Set(elsewhere.map((one) => one.id));
  // A list reads from its left edge; in the regions lines stand in the middle.
  const fromLeft = new Set(inKey.map((one) => one.id));
  return entries.flatMap(({ entry, style, text, mask, picture, width, height }) => {
    const place = at.get(entry.id);
    if (!place) return [];
    const fill = fromElsewhere.has(entry.id) && mask !== 0 ? onGround : style.text;
    const left = (width - text.width) / 2;
    const top = height - text.height;
    const children = text.lines.map((line): Primitive => ({
      type: 'text',
      x: fromLeft.has(entry.id) ? 0 : left + (text.width - line.width) / 2,
      y: top + text.height / 2 + line.baseline,
      size: line.size,
      fill,
      runs: line.runs,
      part: line.part,
    }));
    if (picture)
      children.unshift({
        type: 'image',
        image: picture.id,
        x: fromLeft.has(entry.id) ? 0 : (width - picture.width) / 2,
        y: 0,
        width: picture.width,
        height: picture.height,
      });
    const label = [entry.name || 'No name yet', ...entry.details.filter(Boolean), regionWords(sets, mask)].join(', ');
    return [
      {
        ...plainGroup({ for: 'entry', id: entry.id }, label, { x: 0, y: 0, width, height }, children),
        x: place.x,
        y: place.y,
      },
    ];
  });
}

/** Reads as the list does: each set with its count, then how many are in none. */
function describe(sets: readonly VennSet[], entries: readonly Placed[]): string {
  const parts = sets.map((set, i) => `${set.name} (${entries.filter(({ mask }) => (mask >> i) & 1).length})`);
  const none = entries.filter(({ mask }) => mask === 0).length;
  return `Venn diagram: ${entries.length} entries in ${sets.length} sets: ${parts.join(', ')}${none > 0 ? `; ${none} in none` : ''}.`;
}

function bands(diagram: Venn, sets: readonly VennSet[], entries: readonly Placed[], height: number): TierBand[] {
  const tiers = Array.from({ length: sets.length }, (_, t) => t + 1);
  const none = entries.filter(({ mask }) => mask === 0).length;
  if (none > 0) tiers.push(0);
  return tiers.map((tier, i) => {
    const mask = Array.from({ length: 1 << sets.length }, (_, m) => m).find((m) => bitCount(m) === tier) ?? 0;
    return {
      tier,
      name: own(diagram.tiers, String(tier))?.name ?? overlapName(tier, sets.length),
      start: (height * i) / tiers.length,
      end: (height * (i + 0.85)) / tiers.length,
      count: entries.filter((one) => bitCount(one.mask) === tier).length,
      swatch: regionStyle(diagram, mask).fill,
      gap: null,
    };
  });
}
