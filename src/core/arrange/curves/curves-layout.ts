import { extentOf, moved, scaled, type Ellipse, type Point } from './ellipse';
import { setInLines, setInRows, setScattered, Shape, type Item, type Places } from './region-text';
import { flattened, regionsOf, type Region } from './regions';

/** What is to be set in one region. All lengths CSS px. */
export interface RegionContent {
  readonly mask: number;
  readonly items: readonly Item[];
  /** Stands above the items; null for none. */
  readonly title: Item | null;
}

export interface VennLayoutInput {
  /** Curves to choose among, for a size of 1; the first is the best where all fit alike. */
  readonly shapes: readonly (readonly Ellipse[])[];
  readonly contents: readonly RegionContent[];
  readonly scattered: boolean;
  /** Kept between text and curves. */
  readonly margin: number;
  /** Between rows of text, and between items in one row. */
  readonly gap: number;
  readonly apart: number;
  /** Size (length of the first axis) to begin with, and the largest that the sheet takes. */
  readonly least: number;
  /** From this size on a row may hold several items. */
  readonly rowsFrom: number;
  readonly most: number;
}

export interface RegionLayout {
  readonly mask: number;
  readonly region: Region;
  /** Of the items; null where they do not fit and go to the key. */
  readonly places: Places | null;
  readonly title: Point | null;
  /** A point far from the region's curves, and the width of the largest box (2 : 1) around it. */
  readonly middle: Point & { readonly room: number };
  readonly bounds: { readonly left: number; readonly top: number; readonly right: number; readonly bottom: number };
}

export interface VennLayout {
  /** Moved so that all lie right of and below the origin. */
  readonly ellipses: readonly Ellipse[];
  readonly width: number;
  readonly height: number;
  readonly size: number;
  readonly regions: readonly RegionLayout[];
  /** Regions with items that the curves do not have at all. */
  readonly absent: readonly number[];
}

/** From one size to the next that is tried. */
const growth = 1.09;

interface Keyed extends RegionContent {
  /** The same for two contents that are set alike. */
  readonly key: string;
}
interface Input extends VennLayoutInput {
  readonly contents: readonly Keyed[];
}
const sizeKey = ({ width, height }: Item): string => `${width},${height}`;
const keyOf = (
  { scattered, margin, gap, apart, rowsFrom }: VennLayoutInput,
  { mask, items, title }: RegionContent,
): string => [mask, scattered, margin, gap, apart, rowsFrom, title && sizeKey(title), ...items.map(sizeKey)].join(';');

/**
 * Sets items inside the regions of curves. The curves grow from `least` until everything fits as lists; where the sheet does not allow
 * that, rows may hold several items; where even that does not help, the curves have their largest size and the regions that are too small
 * say so by `places` null. Of several sets of curves, the one that needs the least size is taken. Text is never made smaller. Sizes are
 * found by halving, as what fits at one size all but always fits at a larger one.
 */
export function layVenn(given: VennLayoutInput): VennLayout {
  const input = { ...given, contents: given.contents.map((content) => ({ ...content, key: keyOf(given, content) })) };
  let best: { unit: readonly Ellipse[]; size: number; fits: boolean } | null = null;
  for (const unit of input.shapes) {
    const size = smallestFitting(input, unit);
    const one = { unit, size: size ?? input.most, fits: size !== null };
    // The first curves are kept unless others save a good part.
    if (!best || (one.fits && !best.fits) || (one.fits === best.fits && one.size < best.size * 0.85)) best = one;
    if (best.fits && best.size === input.least) break;
  }
  if (best && !best.fits && input.shapes.length > 1) {
    // Where not all fits in any of them, the curves in which most does.
    const left = input.shapes.map((unit) => leftOut(input, unit, input.most));
    best = { ...best, unit: input.shapes[left.indexOf(Math.min(...left))]! };
  }
  return finish(input, best?.unit ?? [], best?.size ?? input.least);
}

/** How many items do not fit into their regions. */
function leftOut(input: Input, unit: readonly Ellipse[], size: number): number {
  const regions = unitRegions(unit);
  return input.contents.reduce((sum, content) => {
    const found = regions.get(content.mask);
    const fits = content.items.length === 0 || (found && placed(input, content, found, size) !== null);
    return sum + (fits ? 0 : content.items.length);
  }, 0);
}

/** The first of the sizes least, least · growth, … , most at which everything fits; null for none. */
function smallestFitting(input: Input, unit: readonly Ellipse[]): number | null {
  const steps = Math.max(0, Math.ceil(Math.log(input.most / input.least) / Math.log(growth)));
  const sizeAt = (step: number): number => Math.min(input.most, input.least * growth ** step);
  if (fitsAt(input, unit, sizeAt(0))) return sizeAt(0);
  if (steps === 0 || !fitsAt(input, unit, sizeAt(steps))) return null;
  let [tooSmall, enough] = [0, steps];
  while (enough - tooSmall > 1) {
    const step = (tooSmall + enough) >> 1;
    if (fitsAt(input, unit, sizeAt(step))) enough = step;
    else tooSmall = step;
  }
  return sizeAt(enough);
}

/** Boxes that a region is told to have room for are so many times as wide as high. */
const usualProportion = 2;

/** What of a region does not depend on the size of the curves. */
interface UnitRegion {
  readonly region: Region;
  readonly loops: readonly (readonly Point[])[];
  readonly extent: { readonly left: number; readonly top: number; readonly right: number; readonly bottom: number };
  readonly middle: Point & { readonly room: number };
  /** Middles of the largest boxes by their proportions, that of `middle` first and others as they are asked for. */
  readonly middles: Map<number, Point & { readonly room: number }>;
  readonly shape: Shape;
}

const units = new WeakMap<readonly Ellipse[], Map<number, UnitRegion>>();

/** Regions of curves of size 1; kept by the curves, which never change in place. Parameters of arcs are the same at every size. */
function unitRegions(unit: readonly Ellipse[]): Map<number, UnitRegion> {
  let found = units.get(unit);
  if (found) return found;
  found = new Map();
  for (const [mask, region] of regionsOf(unit)) {
    if (mask === 0) continue;
    const loops = region.loops.map((loop) => flattened(unit, loop, Math.PI / 40));
    const shape = new Shape(loops, 0);
    const middle = shape.middle(usualProportion);
    found.set(mask, { region, loops, extent: shape, middle, middles: new Map([[usualProportion, middle]]), shape });
  }
  units.set(unit, found);
  return found;
}

/** The width of the largest box (2 : 1) in each region, by mask, for curves of size 1; 0 where a region is not there. */
export function roomsOf(unit: readonly Ellipse[]): number[] {
  const regions = unitRegions(unit);
  return Array.from({ length: 1 << unit.length }, (_, mask) => regions.get(mask)?.middle.room ?? 0);
}

const shapeAt = ({ loops }: UnitRegion, size: number, margin: number): Shape =>
  new Shape(
    loops.map((loop) => loop.map(({ x, y }) => ({ x: x * size, y: y * size }))),
    margin,
  );
const middleAt = ({ x, y, room }: UnitRegion['middle'], size: number, margin: number): RegionLayout['middle'] => ({
  x: x * size,
  y: y * size,
  room: Math.max(0, room * size - 2 * margin),
});

/** Proportions of blocks of text that are told apart: the nearest power of two, from half as wide as high to eight times. */
const proportionOf = (items: readonly Item[], gap: number): number => {
  const width = Math.max(...items.map((item) => item.width));
  const height = items.reduce((sum, item) => sum + item.height + gap, -gap);
  return 2 ** Math.min(3, Math.max(-1, Math.round(Math.log2(width / Math.max(1, height)))));
};

/** Where the largest box stands that has the proportions of some text: the visual centre of the region for it. */
function centreFor(found: UnitRegion, items: readonly Item[], gap: number): UnitRegion['middle'] {
  const proportion = proportionOf(items, gap);
  let centre = found.middles.get(proportion);
  if (!centre) found.middles.set(proportion, (centre = found.shape.middle(proportion)));
  return centre;
}

function fitsAt(input: Input, unit: readonly Ellipse[], size: number): boolean {
  const regions = unitRegions(unit);
  return input.contents.every((content) => {
    if (content.items.length === 0 && !content.title) return true;
    const found = regions.get(content.mask);
    // A region the curves do not have does not appear at any size.
    if (!found) return true;
    const area = content.items.reduce((sum, item) => sum + item.width * item.height, 0);
    if (area >= found.region.area * size * size) return false;
    return placed(input, content, found, size) !== null;
  });
}

interface Placing {
  readonly places: Places;
  readonly title: Point | null;
}

/** How contents were set in a region of some curves at some size; kept, as an edit changes what is in a region or two. */
const settings = new WeakMap<UnitRegion, Map<string, Placing | null>>();
const mostKept = 200;

function placed(input: Input, content: Keyed, found: UnitRegion, size: number): Placing | null {
  let known = settings.get(found);
  if (!known) settings.set(found, (known = new Map()));
  const key = `${size};${content.key}`;
  let result = known.get(key);
  if (result === undefined) {
    const shape = shapeAt(found, size, input.margin);
    const all = content.title ? [content.title, ...content.items] : content.items;
    const centre = all.length > 0 ? centreFor(found, all, input.gap) : found.middle;
    const about = (middle: UnitRegion['middle']) =>
      place(input, content, shape, middleAt(middle, size, input.margin), size);
    // What finds no room about the centre of its own proportions may find it about the usual one.
    result = about(centre) ?? (centre === found.middle ? null : about(found.middle));
    if (known.size >= mostKept) known.delete(known.keys().next().value!);
    known.set(key, result);
  }
  return result;
}

function place(
  input: VennLayoutInput,
  { items, title }: RegionContent,
  shape: Shape,
  about: Point,
  size: number,
): Placing | null {
  const all = title ? [title, ...items] : items;
  // What is wider than the whole region, or higher, need not be tried at every height.
  const [width, height] = [shape.right - shape.left - 2 * shape.margin, shape.bottom - shape.top - 2 * shape.margin];
  if (all.some((item) => item.width > width || item.height > height)) return null;
  if (input.scattered && !title) {
    const places = setScattered(shape, items, input.gap, about);
    return places && { places, title: null };
  }
  const lines = setInLines(shape, all, input.gap, about);
  const rows = size >= input.rowsFrom;
  const places = lines ?? (rows ? setInRows(shape, all, input.gap, input.apart, about) : null);
  if (!places) return null;
  return title ? { places: places.slice(1), title: places[0]! } : { places, title: null };
}

const sized = new WeakMap<readonly Ellipse[], { readonly size: number; readonly ellipses: readonly Ellipse[] }>();

/** The curves at a size, right of and below the origin; the same object as long as the size stays, so that paths made of it can be kept. */
function ellipsesAt(unit: readonly Ellipse[], size: number): readonly Ellipse[] {
  let known = sized.get(unit);
  if (known?.size !== size) {
    const { left, top } = extentOf(unit);
    const ellipses = unit.map((e) => moved(scaled(e, size), -left * size, -top * size));
    sized.set(unit, (known = { size, ellipses }));
  }
  return known.ellipses;
}

function finish(input: Input, unit: readonly Ellipse[], size: number): VennLayout {
  const { left, top, right, bottom } = extentOf(unit);
  const [dx, dy] = [-left * size, -top * size];
  const shifted = ({ x, y }: Point): Point => ({ x: x + dx, y: y + dy });
  const contents = new Map(input.contents.map((content) => [content.mask, content]));
  const found = unitRegions(unit);
  const regions = [...found].map(([mask, one]): RegionLayout => {
    const content = contents.get(mask);
    const about = middleAt(one.middle, size, input.margin);
    const set = content ? placed(input, content, one, size) : { places: [], title: null };
    const extent = one.extent;
    return {
      mask,
      region: one.region,
      bounds: {
        left: extent.left * size + dx,
        top: extent.top * size + dy,
        right: extent.right * size + dx,
        bottom: extent.bottom * size + dy,
      },
      middle: { ...shifted(about), room: about.room },
      places: set?.places?.map(shifted) ?? null,
      title: set?.title ? shifted(set.title) : null,
    };
  });
  return {
    ellipses: ellipsesAt(unit, size),
    width: (right - left) * size,
    height: (bottom - top) * size,
    size,
    regions: regions.sort((a, b) => a.mask - b.mask),
    absent: input.contents.filter(({ mask, items }) => items.length > 0 && !found.has(mask)).map(({ mask }) => mask),
  };
}
