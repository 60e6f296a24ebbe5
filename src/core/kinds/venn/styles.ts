import { curveColour, regionFills, setColour } from './inks';
import { keyOfMask, maskOf, setsInOrder, vennScope, type Venn } from './model';
import { type BoxStyle, type AnyScope, type StyleProperty, own, commonScope } from '../../model';
import { bitCount } from './structure';
import { ownRoleOf, type Listing } from '../../hierarchy';
import {
  explained,
  interned,
  resolve,
  type Explained,
  type Layer,
  readableText,
  lookOf,
  tierStyle,
  type Look,
} from '../../style';

const inks = (text: string): Pick<BoxStyle, 'text' | 'detailText'> => ({ text, detailText: text });

function layersOf(diagram: Venn, mask: number, entry: string | null): Layer[] {
  const look = lookOf(diagram);
  const sets = setsInOrder(diagram.venn);
  const tier = bitCount(mask);
  const fill = regionFills(look, diagram.venn)[mask]!;
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
  readonly seeThrough: number | undefined;
  readonly byMask: BoxStyle[];
}
const regionStyles = new WeakMap<Venn['styles'], RegionStyles>();

/** The style of a region, whether anything is in it or not; its fill is the region's, the rest its entries'. */
export function regionStyle(diagram: Venn, mask: number): BoxStyle {
  const { styles } = diagram;
  const look = lookOf(diagram);
  const { sets, regions } = diagram.venn;
  const { seeThrough } = diagram.venn.manner;
  let known = regionStyles.get(styles);
  if (known?.look !== look || known.sets !== sets || known.regions !== regions || known.seeThrough !== seeThrough)
    regionStyles.set(styles, (known = { look, sets, regions, seeThrough, byMask: [] }));
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
