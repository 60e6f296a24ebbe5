import { clampChroma, formatHex, oklch, parse, rgb } from 'culori';
import { keyOfMask, maskOf, setsInOrder, vennScope, type VennSet, type Venn } from './model';
import { remember, type BoxStyle, type AnyScope, type StyleProperty, own, commonScope } from '../../model';
import { bitCount } from './structure';
import { ownRoleOf, type Listing } from '../../hierarchy';
import {
  explained,
  interned,
  resolve,
  type Explained,
  type Layer,
  contrastRatio,
  readableText,
  lookOf,
  tierStyle,
  type Look,
} from '../../style';

/** How much of a set's colour its fill lays over what is below, by the number of sets: about half transparent. */
const opacities = [0.56, 0.56, 0.56, 0.56, 0.47, 0.38];
/** Steps of hue from the look's own: near enough that overlaps keep a colour, far enough to tell apart. */
const hueSteps = [
  [0, 105, -105],
  [0, 72, -72, 144, -144],
];
const greys = [0.72, 0.88, 0.6, 0.8, 0.94];

/** A colour that was picked by hand: it is drawn as it was picked where nothing else lies over it. */
interface Picked {
  readonly picked: string;
}

/** The colour that a set alone is drawn in. */
export const shownColour = (look: Look, set: VennSet, i: number, total: number): string =>
  set.colour ?? blended(look, [lookColour(look, i, total)], total);

/** The colour of the i-th set: hues evenly around the circle from the look's own, of one lightness; greys apart where the look has no hue. */
export function setColour(look: Look, set: VennSet, i: number, total: number): string {
  if (set.colour) return set.colour;
  return lookColour(look, i, total);
}

const lookColour = remember(
  200,
  (look: Look, i: number, total: number) => `${look.id} ${i} ${total}`,
  (look, i, total) => {
    if (look.second.chroma === 0) return formatHex({ mode: 'oklch', l: greys[i % greys.length]!, c: 0, h: 0 });
    const dark = isDark(look);
    const hue = look.hue + 360 + hueSteps[total > 3 ? 1 : 0]![i]!;
    return formatHex(
      clampChroma(
        { mode: 'oklch', l: dark ? 0.52 : 0.8 - 0.03 * (i % 2), c: dark ? 0.09 : 0.105, h: hue % 360 },
        'oklch',
      ),
    );
  },
);

const isDark = (look: Look): boolean => contrastRatio(look.ground, '#ffffff') > 8;

/**
 * The fill of a region: the colours of its sets laid over the ground like transparent inks, multiplied on a light ground and screened on a
 * dark one (W3C Compositing and Blending), so that the order of the sets does not matter and more sets are darker, in grey too.
 */
export const blended = remember(
  400,
  (look: Look, colours: readonly (string | Picked)[], total: number) =>
    `${look.id} ${total} ${colours.map((one) => (typeof one === 'string' ? one : `=${one.picked}`)).join(' ')}`,
  (look, colours, total) => {
    const opacity = opacities[total]!;
    const dark = isDark(look);
    const ground = rgb(parse(look.ground))!;
    const mix = (channel: 'r' | 'g' | 'b'): number =>
      colours.reduce((under, colour) => {
        if (typeof colour !== 'string') {
          // The ink that, alone on the ground, is the colour that was picked.
          const wanted = rgb(parse(colour.picked))![channel];
          const bare = ground[channel];
          if (dark) return 1 - (1 - under) * (bare < 1 ? Math.min(1, (1 - wanted) / (1 - bare)) : 1);
          return under * (bare > 0 ? Math.min(1, wanted / bare) : 1);
        }
        const ink = rgb(parse(colour))![channel];
        return dark ? 1 - (1 - under) * (1 - opacity * ink) : under * (1 - opacity * (1 - ink));
      }, ground[channel]);
    return formatHex({ mode: 'rgb', r: mix('r'), g: mix('g'), b: mix('b') });
  },
);

/** The colour of a curve and of its name: the set's, dark or light enough to read on the ground. */
export const curveColour = remember(
  200,
  (look: Look, colour: string) => `${look.id} ${colour}`,
  (look, colour) => {
    const { h, c } = oklch(parse(colour))!;
    const ink = formatHex(
      clampChroma({ mode: 'oklch', l: isDark(look) ? 0.84 : 0.42, c: Math.min(c, 0.12), h: h ?? 0 }, 'oklch'),
    );
    return readableText(ink, look.ground, look.ink, look.light);
  },
);

const inks = (text: string): Pick<BoxStyle, 'text' | 'detailText'> => ({ text, detailText: text });

function layersOf(diagram: Venn, mask: number, entry: string | null): Layer[] {
  const look = lookOf(diagram);
  const sets = setsInOrder(diagram.venn);
  const colours = sets
    .map((set, i) => (set.colour ? { picked: set.colour } : lookColour(look, i, sets.length)))
    .filter((_, i) => (mask >> i) & 1);
  const tier = bitCount(mask);
  const fill = blended(look, colours, sets.length);
  const base = tierStyle(look, 3);
  return [
    {
      origin: 'look',
      patch: {
        ...base,
        fill,
        ...inks(readableText(look.ink, fill, look.ink, look.light)),
        borderWidth: 0,
        nameSize: 14,
        nameWeight: tier > 1 ? 600 : 400,
        detailSize: 11.5,
        details: 1,
        equalSize: false,
      },
    },
    { origin: 'everything', patch: diagram.styles.everything },
    { origin: 'tier', patch: own(diagram.styles.tiers, String(tier)) ?? {} },
    { origin: 'region', patch: own(diagram.venn.regions, keyOfMask(sets, mask))?.style ?? {} },
    ...(entry === null ? [] : layersOfItem(diagram, entry)),
  ];
}

/** What is set for the role made for the diagram that an item has, and for it alone. */
function layersOfItem(diagram: Venn, entry: string): Layer[] {
  const role = ownRoleOf(diagram, entry, false);
  return [
    ...(role === null ? [] : [{ origin: 'role', patch: own(diagram.styles.roles, role) ?? {} }]),
    { origin: 'this', patch: own(diagram.styles.only, entry) ?? {} },
  ];
}

const itemStyle = (layers: Layer[], look: Look): BoxStyle => interned(resolve(layers, look).style);

/** What gives an item a box of its own, where it is set for its role or for it alone; in regions these say how the region is drawn. */
export const boxing = ['shape', 'fill', 'border', 'borderWidth', 'borderLine', 'shade', 'effect'] as const;

/** A box around the name of an item: none, one that shows what is below it, or one with a fill. */
export function boxOfItem(diagram: Venn, entry: string, { sign }: BoxStyle): 'none' | 'clear' | 'filled' {
  const patches = layersOfItem(diagram, entry).map(({ patch }) => patch);
  const sets = (property: StyleProperty): boolean => patches.some((patch) => patch[property] !== undefined);
  if (sets('fill') || sets('shade')) return 'filled';
  return sign !== 'none' || boxing.some(sets) ? 'clear' : 'none';
}

interface RegionStyles {
  readonly look: Look;
  readonly sets: Venn['venn']['sets'];
  readonly regions: Venn['venn']['regions'];
  readonly byMask: BoxStyle[];
}
const regionStyles = new WeakMap<Venn['styles'], RegionStyles>();

/** The style of a region, whether anything is in it or not; its fill is the region's, the rest its entries'. */
export function regionStyle(diagram: Venn, mask: number): BoxStyle {
  const { styles } = diagram;
  const look = lookOf(diagram);
  const { sets, regions } = diagram.venn;
  let known = regionStyles.get(styles);
  if (known?.look !== look || known.sets !== sets || known.regions !== regions)
    regionStyles.set(styles, (known = { look, sets, regions, byMask: [] }));
  return (known.byMask[mask] ??= itemStyle(layersOf(diagram, mask, null), look));
}

/** What outline the whole diagram asks for, as a width of the curves in CSS px. */
const outlineWidths = { none: 0, thin: 1.25, strong: 3 } as const;

/** A set's fill is its colour, its border the curve, its text the name beside the curve. */
function layersOfSet(diagram: Venn, id: string): Layer[] {
  const look = lookOf(diagram);
  const sets = setsInOrder(diagram.venn);
  const at = sets.findIndex((set) => set.id === id);
  const set = sets[at]!;
  const colour = setColour(look, set, at, sets.length);
  const line = curveColour(look, colour);
  return [
    {
      origin: 'look',
      patch: {
        ...tierStyle(look, 3),
        fill: setColour(look, { ...set, colour: null }, at, sets.length),
        ...inks(line),
        border: line,
        borderWidth: outlineWidths[diagram.venn.manner.outline],
        borderLine: 'solid',
        nameSize: 18,
        nameWeight: 700,
        nameSlant: 'upright',
      },
    },
    { origin: 'set', patch: { ...set.style, ...(set.colour ? { fill: set.colour } : {}) } },
  ];
}

/** The name stands on the ground of the sheet, not on the set's fill; its colour is taken as it is. */
function resolveSet(diagram: Venn, id: string): ReturnType<typeof resolve> {
  const look = lookOf(diagram);
  const { style, origins } = resolve(layersOfSet(diagram, id), look);
  const text = own(diagram.venn.sets, id)!.style?.text;
  const colour = curveColour(look, style.fill);
  return {
    style: { ...style, text: text ?? colour },
    origins: { ...origins, text: text ? 'set' : 'look' },
  };
}

/** Complete style of a set's curve (border) and name (text). */
export const setStyle = (diagram: Venn, id: string): BoxStyle => interned(resolveSet(diagram, id).style);

/** The colours of all regions, and of all curves with their names. */
export function coloursOfSets(diagram: Venn): string[] {
  const sets = setsInOrder(diagram.venn);
  const regions = Array.from({ length: 1 << sets.length }, (_, mask) => regionStyle(diagram, mask));
  return [...sets.map(({ id }) => setStyle(diagram, id)), ...regions].flatMap(({ fill, border, text }) => [
    text,
    border,
    fill,
  ]);
}

/** Complete style of every entry, in the order of the structure: look, everything, tier, region, role, only this. */
export function vennStyles(diagram: Venn, structure: Listing): BoxStyle[] {
  const sets = setsInOrder(diagram.venn);
  const shared = new Map<number, BoxStyle>();
  return structure.ids.map((id) => {
    const mask = maskOf(diagram.venn, sets, id);
    const role = ownRoleOf(diagram, id, false);
    if (own(diagram.styles.only, id) ?? (role !== null && own(diagram.styles.roles, role)))
      return itemStyle(layersOf(diagram, mask, id), lookOf(diagram));
    let style = shared.get(mask);
    if (!style) shared.set(mask, (style = regionStyle(diagram, mask)));
    return style;
  });
}

/** The masks of the regions a scope covers; none for a role and "only this". */
export function masksIn(diagram: Venn, scope: AnyScope): number[] {
  const sets = setsInOrder(diagram.venn);
  const all = Array.from({ length: 1 << sets.length }, (_, mask) => mask);
  const own = vennScope(scope);
  if (own?.kind === 'region') return all.filter((mask) => keyOfMask(sets, mask) === own.region);
  if (own) {
    const at = sets.findIndex((set) => set.id === own.set);
    return all.filter((mask) => at >= 0 && (mask >> at) & 1);
  }
  const common = commonScope(scope);
  if (common?.kind === 'everything') return all;
  return common?.kind === 'tier' ? all.filter((mask) => bitCount(mask) === common.tier) : [];
}

/** The indices a scope covers, in the order of the structure. */
export function vennEntriesIn(diagram: Venn, structure: Listing, scope: AnyScope): number[] {
  const sets = setsInOrder(diagram.venn);
  const masks = new Set(masksIn(diagram, scope));
  const only = thisOf(scope);
  const common = commonScope(scope);
  if (common?.kind === 'role')
    return structure.ids.flatMap((id, i) => (ownRoleOf(diagram, id, false) === common.role ? [i] : []));
  return structure.ids.flatMap((id, i) =>
    (only === null ? masks.has(maskOf(diagram.venn, sets, id)) : only === id) ? [i] : [],
  );
}

function thisOf(scope: AnyScope): string | null {
  const common = commonScope(scope);
  return common?.kind === 'this' ? common.entry : null;
}

/** For each property, the value the regions (or the entry) of a scope show and where it comes from. Null where there are none. */
export function explainVenn(diagram: Venn, scope: AnyScope): Record<StyleProperty, Explained> | null {
  const look = lookOf(diagram);
  const sets = setsInOrder(diagram.venn);
  const told = vennScope(scope);
  if (told?.kind === 'set') return explained(own(diagram.venn.sets, told.set) ? [resolveSet(diagram, told.set)] : []);
  const only = thisOf(scope);
  const common = commonScope(scope);
  if (common?.kind === 'role') {
    const having = Object.keys(diagram.entries).filter((id) => ownRoleOf(diagram, id, false) === common.role);
    return explained(having.map((id) => resolve(layersOf(diagram, maskOf(diagram.venn, sets, id), id), look)));
  }
  if (only === null)
    return explained(masksIn(diagram, scope).map((mask) => resolve(layersOf(diagram, mask, null), look)));
  const there = own(diagram.entries, only) !== undefined;
  return explained(there ? [resolve(layersOf(diagram, maskOf(diagram.venn, sets, only), only), look)] : []);
}
