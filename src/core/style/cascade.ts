import { enclosedBy, hasRole, roleBesides, roleOf, type Hierarchy, type Roles } from '../hierarchy';
import {
  commonScope,
  interning,
  own,
  styleProperties,
  type AnyScope,
  type BoxStyle,
  type DiagramCommon,
  type StylePatch,
  type StyleProperty,
} from '../model';
import { readableText } from './contrast';
import { isInside, textGround } from './text-ground';
import { lookOf, roleStyle, tierStyle, type Look } from './look';

/**
 * Where a value comes from: the look, `contrast` (text colour chosen because the fill was changed and the wanted one would not read), or the kind of
 * the scope that sets it, which a kind of diagram may have named.
 */
export type Origin = string;

export interface Layer {
  readonly origin: Origin;
  readonly patch: StylePatch;
}

/**
 * Complete style of every entry, in level order. The cascade, from wide to narrow: look, everything, tier, the look's roles, role,
 * enclosure (the smallest wins), branch (the nearest wins), only this. Entries alike in all of that share one object, so later stages can compare by reference.
 */
export function resolveStyles(diagram: DiagramCommon, structure: Hierarchy, roles: Roles): BoxStyle[] {
  const owners = branchOwners(diagram, structure);
  const { only } = diagram.styles;
  const branches = branchLayers(diagram, structure);
  const around = enclosureLayers(diagram);
  const resolved = (i: number): BoxStyle => {
    const near = [...around(structure.ids[i]!), ...branches(owners[i]!)];
    return interned(resolve(layersOf(diagram, structure, i, { near, roles }), lookOf(diagram)).style);
  };
  // By role and enclosures within a tier and branch, which is all that tells apart the entries without a style of their own.
  const shared = new Map<number, Map<string, BoxStyle>>();
  return structure.ids.map((id, i) => {
    if (own(only, id)) return resolved(i);
    const place = (owners[i]! + 1) * mostTiers + structure.tier[i]!;
    let byRole = shared.get(place);
    if (!byRole) shared.set(place, (byRole = new Map()));
    const key = `${rolesKey(diagram, structure, i, roles)}${enclosureKey(around(id))}`;
    let style = byRole.get(key);
    if (!style) byRole.set(key, (style = resolved(i)));
    return style;
  });
}

/** More than there can be entries, and so tiers. */
const mostTiers = 2 ** 20;

/** One object for equal styles, also from one drawing to the next. */
export const interned = interning<BoxStyle>(5000);

/** For each index, the index of the nearest entry (itself or above) whose branch is styled; −1 for none. */
function branchOwners(diagram: DiagramCommon, structure: Hierarchy): Int32Array {
  const owners = new Int32Array(structure.ids.length).fill(-1);
  const any = Object.keys(diagram.styles.branches).length > 0;
  if (!any) return owners;
  for (let i = 0; i < owners.length; i++) {
    const parent = structure.parent[i]!;
    owners[i] = own(diagram.styles.branches, structure.ids[i]!) ? i : parent >= 0 ? owners[parent]! : -1;
  }
  return owners;
}

/** Entries with the same key take the same layers, and so the same style. */
function kindOfStyle(
  diagram: DiagramCommon,
  structure: Hierarchy,
  roles: Roles,
  { owners, around, i }: { readonly owners: Int32Array; readonly around: EnclosureLayers; readonly i: number },
): string {
  const id = structure.ids[i]!;
  return `${structure.tier[i]!}|${rolesKey(diagram, structure, i, roles)}|${owners[i]!}|${own(diagram.styles.only, id) ? id : ''}${enclosureKey(around(id))}`;
}

const rolesKey = (diagram: DiagramCommon, structure: Hierarchy, i: number, roles: Roles): string =>
  `${roleOf(diagram, structure, i, roles) ?? ''}+${roleBesides(diagram, structure, i, roles) ?? ''}`;

/** What the enclosures around an entry set, the widest first. */
type EnclosureLayers = (id: string) => readonly (Layer & { readonly enclosure: string })[];

const none: never[] = [];
const enclosureKey = (layers: ReturnType<EnclosureLayers>): string =>
  layers.map(({ enclosure }) => `|${enclosure}`).join('');

/** Of enclosures around the same entry the one with fewer in it goes before. O(enclosures that are styled · entries). */
function enclosureLayers(diagram: DiagramCommon): EnclosureLayers {
  const styled = Object.entries(diagram.styles.enclosures ?? {}).flatMap(([id, patch]) => {
    const enclosure = own(diagram.enclosures, id);
    return enclosure ? [{ enclosure: id, patch, origin: 'enclosure', inside: enclosedBy(diagram, enclosure) }] : [];
  });
  if (styled.length === 0) return () => none;
  styled.sort((a, b) => b.inside.size - a.inside.size || (a.enclosure < b.enclosure ? -1 : 1));
  return (id) => styled.filter(({ inside }) => inside.has(id));
}

/**
 * The layers that the branches of an owner (see `branchOwners`) and those above it give, wide to narrow. A property that a narrower branch sets
 * anew is left out of the wider ones, so that there are never more layers than properties, however deep branches are styled. Kept per owner.
 */
function branchLayers(diagram: DiagramCommon, structure: Hierarchy): (owner: number) => readonly Layer[] {
  const kept = new Map<number, readonly Layer[]>([[-1, []]]);
  const owners = branchOwners(diagram, structure);
  return (owner) => {
    const waiting: number[] = [];
    let at = owner;
    while (!kept.has(at)) {
      waiting.push(at);
      const parent = structure.parent[at]!;
      at = parent < 0 ? -1 : owners[parent]!;
    }
    let layers = kept.get(at)!;
    while (waiting.length > 0) {
      const styled = waiting.pop()!;
      const patch = own(diagram.styles.branches, structure.ids[styled]!)!;
      layers = [...layers.map((wider) => lessThan(wider, patch)).filter(hasAny), { origin: 'branch', patch }];
      kept.set(styled, layers);
    }
    return layers;
  };
}

const hasAny = ({ patch }: Layer): boolean => Object.keys(patch).length > 0;
const lessThan = (wider: Layer, patch: StylePatch): Layer => ({
  ...wider,
  patch: Object.fromEntries(Object.entries(wider.patch).filter(([property]) => !Object.hasOwn(patch, property))),
});

function layersOf(
  diagram: DiagramCommon,
  structure: Hierarchy,
  i: number,
  { near, roles }: { readonly near: readonly Layer[]; readonly roles: Roles },
): Layer[] {
  const { styles } = diagram;
  const look = lookOf(diagram);
  const tier = structure.tier[i]!;
  const role = roleOf(diagram, structure, i, roles);
  const layers: Layer[] = [
    { origin: 'look', patch: { ...tierStyle(look, tier), ...roles.tierStyle?.(diagram, tier) } },
    { origin: 'everything', patch: styles.everything },
    { origin: 'tier', patch: own(styles.tiers, String(tier)) ?? {} },
    { origin: 'look', patch: { ...roleStyle(look, role), ...ofRole(diagram, role, roles) } },
  ];
  for (const one of [role, roleBesides(diagram, structure, i, roles)])
    if (one !== null) layers.push({ origin: 'role', patch: own(styles.roles, one) ?? {} });
  layers.push(...near, { origin: 'this', patch: own(styles.only, structure.ids[i]!) ?? {} });
  return layers;
}

const ofRole = (diagram: DiagramCommon, role: string | null, { all }: Roles): StylePatch =>
  (role === null ? undefined : all.find(({ id }) => id === role)?.style?.(diagram)) ?? {};

export function resolve(
  layers: readonly Layer[],
  look: Look,
): { style: BoxStyle; origins: Record<StyleProperty, Origin> } {
  const style: Record<string, unknown> = {};
  const origins = {} as Record<StyleProperty, Origin>;
  const depth: Partial<Record<StyleProperty, number>> = {};
  layers.forEach(({ origin, patch }, at) => {
    for (const property of Object.keys(patch) as StyleProperty[]) {
      if (patch[property] === undefined) continue;
      style[property] = patch[property];
      origins[property] = origin;
      depth[property] = at;
    }
  });
  const complete = style as BoxStyle;
  // Details take the colour of the name, unless they are given one as near or nearer.
  if (depth.text! > depth.detailText!) {
    complete.detailText = complete.text;
    origins.detailText = origins.text;
    depth.detailText = depth.text!;
  }
  const ground = textGround(complete, look);
  const grounded = isInside(complete.shape) ? Math.max(depth.fill!, depth.cover!) : depth.shape!;
  for (const property of ['text', 'detailText'] as const) {
    if (grounded <= depth[property]!) continue;
    const text = readableText(complete[property], ground, look.ink, look.light);
    if (text === complete[property]) continue;
    complete[property] = text;
    origins[property] = 'contrast';
  }
  return { style: complete, origins };
}

/** The indices of the entries a scope covers, in level order; none for scopes that are no entries, or that only a kind knows. */
export function entriesIn(diagram: DiagramCommon, structure: Hierarchy, of: AnyScope, roles: Roles): number[] {
  const all = structure.ids.map((_, i) => i);
  const scope = commonScope(of);
  switch (scope?.kind) {
    case 'everything':
      return all;
    case 'tier':
      return all.filter((i) => structure.tier[i] === scope.tier);
    case 'role':
      return all.filter((i) => hasRole(diagram, structure, i, roles, scope.role));
    case 'enclosure': {
      const enclosure = own(diagram.enclosures, scope.enclosure);
      const inside = enclosure ? enclosedBy(diagram, enclosure) : new Set<string>();
      return all.filter((i) => inside.has(structure.ids[i]!));
    }
    case 'branch': {
      const inside = new Uint8Array(all.length);
      const top = structure.index.get(scope.entry);
      if (top !== undefined) inside[top] = 1;
      return all.filter((i) => {
        const parent = structure.parent[i]!;
        if (parent >= 0 && inside[parent] === 1) inside[i] = 1;
        return inside[i] === 1;
      });
    }
    case 'this':
      return all.filter((i) => structure.ids[i] === scope.entry);
    default:
      return [];
  }
}

export interface Explained {
  /** Null where the entries of the scope differ. */
  readonly value: BoxStyle[StyleProperty] | null;
  readonly origin: Origin | 'several';
}

/** For each property, the value the entries of a scope show and where it comes from. Null where the scope has no entries. */
export function explainStyle(
  diagram: DiagramCommon,
  structure: Hierarchy,
  scope: AnyScope,
  roles: Roles,
): Record<StyleProperty, Explained> | null {
  const seen = new Map<string, ReturnType<typeof resolve>>();
  const owners = branchOwners(diagram, structure);
  const branches = branchLayers(diagram, structure);
  const around = enclosureLayers(diagram);
  for (const i of entriesIn(diagram, structure, scope, roles)) {
    const key = kindOfStyle(diagram, structure, roles, { owners, around, i });
    if (seen.has(key)) continue;
    const near = [...around(structure.ids[i]!), ...branches(owners[i]!)];
    seen.set(key, resolve(layersOf(diagram, structure, i, { near, roles }), lookOf(diagram)));
  }
  return explained([...seen.values()]);
}

/** One value and origin for each property, where all that was resolved agree. Null where nothing was. */
export function explained(resolved: readonly ReturnType<typeof resolve>[]): Record<StyleProperty, Explained> | null {
  if (resolved.length === 0) return null;
  const told = {} as Record<StyleProperty, Explained>;
  for (const property of styleProperties) {
    const value = resolved[0]!.style[property];
    const origin = resolved[0]!.origins[property];
    told[property] = {
      value: resolved.every((one) => one.style[property] === value) ? value : null,
      origin: resolved.every((one) => one.origins[property] === origin) ? origin : 'several',
    };
  }
  return told;
}
