import type { AnyScope, CommonScope, DiagramCommon, LinkPatch, StylePatch, Styles } from '../model';
import type { SetStyle } from './command';
import type { KindEdits } from './kind-edits';

/** A property that somebody set on a scope. */
export interface HandSetting {
  readonly scope: AnyScope;
  readonly property: SetStyle['property'];
  readonly value: NonNullable<SetStyle['value']>;
}

const settingsOf = (scope: AnyScope, patch: StylePatch | LinkPatch): HandSetting[] =>
  Object.entries(patch).map(([property, value]) => ({
    scope,
    property: property as HandSetting['property'],
    value: value as HandSetting['value'],
  }));

/** All that styles set on the scopes that every kind has, from the widest to the narrowest. O(settings). */
export function settingsIn({
  everything,
  tiers,
  roles,
  branches,
  only,
  links,
  onlyLinks,
  lines,
  tierLines,
  enclosures,
}: Styles): HandSetting[] {
  const each = (record: Readonly<Record<string, StylePatch | LinkPatch>>, scope: (key: string) => CommonScope) =>
    Object.entries(record).flatMap(([key, patch]) => settingsOf(scope(key), patch));
  return [
    ...settingsOf({ kind: 'everything' }, everything),
    ...each(tiers, (tier) => ({ kind: 'tier', tier: Number(tier) })),
    ...each(roles, (role) => ({ kind: 'role', role })),
    ...each(enclosures ?? {}, (enclosure) => ({ kind: 'enclosure', enclosure })),
    ...each(branches, (entry) => ({ kind: 'branch', entry })),
    ...each(only, (entry) => ({ kind: 'this', entry })),
    ...settingsOf({ kind: 'lines', tier: null } satisfies CommonScope, lines ?? {}),
    ...each(tierLines ?? {}, (tier) => ({ kind: 'lines', tier: Number(tier) })),
    ...settingsOf({ kind: 'links' }, links),
    ...each(onlyLinks, (link) => ({ kind: 'link', link })),
  ];
}

/** All that was set by hand in a diagram, on scopes that only its kind knows as well. O(settings). */
export const settingsByHand = <D extends DiagramCommon>(diagram: D, kind: KindEdits<D>): HandSetting[] => [
  ...settingsIn(diagram.styles),
  ...(kind.ownScopes?.(diagram) ?? []).flatMap((scope) => settingsOf(scope, kind.patchOf(diagram, scope))),
];
