import {
  equalShapes,
  extentOf,
  layVenn,
  overlapShares,
  scaleShapes,
  type Ellipse,
  type RegionContent,
  type Scaled,
  type VennLayout,
} from '../../../arrange/curves';
import { boxText, faceOf, sansFace, widthOf, type BoxText, type Face, type TextWidth } from '../../../measure';
import { keyOfMask, maskOf, mostToScale, type VennSet, type Venn } from '../model';
import { remember, type BoxStyle, type Entry, own, pushTo } from '../../../model';
import { boxOfItem, regionStyle, setStyle } from '../styles';
import { vennLegend } from './legend';
import type { Listing } from '../../../hierarchy';
import { boxAround, freeRoom, textMiddle } from '../../../scene';

/** Where there is little to set, text grows with the drawing up to this. */
export const largestScale = 1.45;
/** Between items that stand in one row. */
export const apart = 18;
/** Around the curves, to the frame. */
export const pad = 20;

/** Kept between text and curves; less where four and more sets leave little room. CSS px. */
const marginFor = (sets: number): number => (sets > 3 ? 5 : 7);
const rowGap = 5;
/** Print at less than 8 pt does not read well on a handout (common practice). */
const leastPrintPx = 8.05 / 0.75;
/** Room around the curves that names, frame and margins take, CSS px. */
const aroundCurves = { width: 2 * pad + 70, height: 2 * pad + 74 };

/** An entry with what is drawn of it. */
export interface Placed {
  readonly entry: Entry;
  readonly style: BoxStyle;
  readonly text: BoxText;
  readonly mask: number;
  readonly picture: { readonly id: string; readonly width: number; readonly height: number } | null;
  /** The box around its text, and where in it the text has its middle; null where it has none. */
  readonly box: PlacedBox | null;
  /** Of all that is drawn of it. */
  readonly width: number;
  readonly height: number;
}

export interface PlacedBox {
  /** Complete style of the box; what has no fill of its own shows what is below it. */
  readonly style: BoxStyle;
  readonly width: number;
  readonly height: number;
  readonly middle: { readonly x: number; readonly y: number };
}

/** The box that an item has by its role or for itself. */
function boxOf(diagram: Venn, entry: Entry, style: BoxStyle, text: BoxText): PlacedBox | null {
  const kind = boxOfItem(diagram, entry.id, style);
  if (kind === 'none') return null;
  const { width, height } = boxAround(text, style, { narrowest: 0, padded: 'tight' });
  return {
    style: kind === 'filled' ? style : { ...style, cover: 0 },
    width,
    height,
    middle: textMiddle(style, width, height),
  };
}

/** Longest side of a picture, and its distance from the name below it. CSS px. */
const pictureSide = 64;
const pictureGap = 3;
/** Between items where some have a picture, so that it is plain whose it is. */
const pictureRowGap = 12;

export function placedEntries(
  diagram: Venn,
  structure: Listing,
  styles: readonly BoxStyle[],
  sets: readonly VennSet[],
  inLine: TextWidth,
): Placed[] {
  const pictured = diagram.venn.manner.content === 'scattered';
  return Array.from(structure.outline, (i) => {
    const entry = own(diagram.entries, structure.ids[i]!)!;
    const text = boxText(entry, styles[i]!, inLine);
    const picture = pictured && entry.image ? pictureOf(entry.image) : null;
    const box = boxOf(diagram, entry, styles[i]!, text);
    return {
      entry,
      style: styles[i]!,
      text,
      mask: maskOf(diagram.venn, sets, entry.id),
      picture,
      box,
      width: Math.max((box ?? text).width, picture?.width ?? 0),
      height: (box ?? text).height + (picture ? picture.height + pictureGap : 0),
    };
  });
}

function pictureOf({ id, width, height }: NonNullable<Entry['image']>): NonNullable<Placed['picture']> {
  const scale = pictureSide / Math.max(width, height);
  return { id, width: width * scale, height: height * scale };
}

/** How many entries are in each region, by mask. */
export function countsOf(sets: number, entries: readonly { readonly mask: number }[]): number[] {
  const counts = new Array<number>(1 << sets).fill(0);
  for (const { mask } of entries) counts[mask]!++;
  return counts;
}

/** Solved once for the same counts: typing a name does not solve again. */
const shapesToScale = remember(
  24,
  (counts: readonly number[], manner: 'circles' | 'ellipses') => `${manner}:${counts.slice(1).join(',')}`,
  scaleShapes,
);

/** Whether the curves of a diagram are to be drawn to scale, and can be. */
export const isToScale = (diagram: Venn, sets: number): boolean =>
  diagram.venn.manner.shape !== 'equal' && sets > 0 && sets <= mostToScale;

/** The curves to scale; null where equal curves are wanted, or where to scale they cannot be. */
export function scaledShapes(diagram: Venn, counts: readonly number[], sets: number): Scaled | null {
  if (!isToScale(diagram, sets)) return null;
  return shapesToScale(counts, diagram.venn.manner.shape === 'scaled-circles' ? 'circles' : 'ellipses');
}

/** The curves among which the arrangement chooses first: to scale where that is asked for, else all alike. */
export const usualShapes = (sets: number, scaled: Scaled | null): readonly (readonly Ellipse[])[] =>
  scaled ? [levelledOnce(scaled)] : overlapShares(sets).map((overlap) => equalShapes(sets, overlap));

/**
 * Curves as large as what stands in their regions needs, chosen from `shapes`: `shown` are the entries to be set inside, `named` the sets whose names
 * stand inside, by the mask of the region.
 */
export function arrangeVenn(
  diagram: Venn,
  sets: readonly VennSet[],
  shown: readonly Placed[],
  shapes: readonly (readonly Ellipse[])[],
  named: ReadonlyMap<number, number>,
): VennLayout {
  const n = sets.length;
  const extent = extentOf(shapes[0]!);
  const unit = { width: Math.max(0.1, extent.right - extent.left), height: Math.max(0.1, extent.bottom - extent.top) };
  const free = freeRoom(diagram, vennLegend(diagram));
  const least = free
    ? Math.max(
        60 / Math.max(unit.width, unit.height),
        Math.min((free.width - aroundCurves.width) / unit.width, (free.height - aroundCurves.height) / unit.height),
      )
    : Math.max(130, 300 / unit.height);
  const smallest = Math.min(14, ...shown.flatMap(({ text }) => text.lines.map(({ size }) => size)));
  const most = free ? least * Math.max(1, smallest / leastPrintPx) : least * 8;
  const contents = new Map<number, Placed[]>();
  for (const one of shown) {
    pushTo(contents, one.mask, one);
  }
  return layVenn({
    shapes,
    contents: Array.from({ length: (1 << n) - 1 }, (_, i): RegionContent => {
      const mask = i + 1;
      const title = own(diagram.venn.regions, keyOfMask(sets, mask))?.title;
      const name = named.get(mask);
      return {
        mask,
        items: (contents.get(mask) ?? []).map(({ width, height }) => ({ width, height })),
        title: title
          ? sizeOfTitle(title, regionStyle(diagram, mask))
          : name === undefined
            ? null
            : sizeOfSetName(diagram, sets[name]!),
      };
    }),
    scattered: diagram.venn.manner.content === 'scattered',
    margin: marginFor(n),
    gap: shown.some(({ picture }) => picture) ? pictureRowGap : rowGap,
    apart,
    least: free ? least / largestScale : least,
    rowsFrom: least * 1.05,
    most,
  });
}

const levels = new WeakMap<Scaled, readonly Ellipse[]>();
function levelledOnce(scaled: Scaled): readonly Ellipse[] {
  let found = levels.get(scaled);
  if (!found) levels.set(scaled, (found = levelled(scaled.shapes)));
  return found;
}

/** Turned so that the figure is at its widest from left to right, as sheets and words are; which way round does not matter to areas. */
function levelled(shapes: readonly Ellipse[]): Ellipse[] {
  const turnedBy = (angle: number): Ellipse[] => {
    const [c, s] = [Math.cos(angle), Math.sin(angle)];
    return shapes.map((e) => ({
      ...e,
      cx: e.cx * c - e.cy * s,
      cy: e.cx * s + e.cy * c,
      turn: e.rx === e.ry ? 0 : e.turn + angle,
    }));
  };
  const heightOf = (list: readonly Ellipse[]): number => {
    const { top, bottom } = extentOf(list);
    return bottom - top;
  };
  const ways = Array.from({ length: 24 }, (_, i) => turnedBy((i * Math.PI) / 24));
  const level = ways.reduce((a, b) => (heightOf(b) < heightOf(a) - 1e-9 ? b : a));
  // Sets come in the order of reading: the first on the left, and rather above than below.
  const [first, last] = [level[0]!, level.at(-1)!];
  const flipX = first.cx > last.cx + 1e-9;
  const flipY = first.cy > last.cy + 1e-9;
  return level.map((e) => ({
    ...e,
    cx: flipX ? -e.cx : e.cx,
    cy: flipY ? -e.cy : e.cy,
    turn: flipX !== flipY ? -e.turn : e.turn,
  }));
}

export const faceOfSet = (style: BoxStyle): Face =>
  faceOf(style.nameFont, { weight: style.nameWeight, slant: style.nameSlant });
function sizeOfSetName(diagram: Venn, set: VennSet): { width: number; height: number } {
  const style = setStyle(diagram, set.id);
  return { width: widthOf(set.name, faceOfSet(style), style.nameSize), height: style.nameSize * 1.3 };
}

export const titleFace = sansFace(700, 'upright');
export function sizeOfTitle(title: string, style: BoxStyle): { width: number; height: number } {
  const width = widthOf(title, titleFace, style.nameSize);
  return { width, height: style.nameSize * 1.3 };
}
