import type { AnyScope, DiagramCommon, LinkPatch, StylePatch } from '../model';
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

/** All that was set by hand in a diagram, from the widest scope to the narrowest. O(settings). */
export function settingsByHand<D extends DiagramCommon>(diagram: D, kind: KindEdits<D>): HandSetting[] {
  const { everything, tiers, roles, branches, only, links, onlyLinks, lines, tierLines } = diagram.styles;
  const each = (record: Readonly<Record<string, StylePatch | LinkPatch>>, scope: (key: string) => AnyScope) =>
    Object.entries(record).flatMap(([key, patch]) => settingsOf(scope(key), patch));
  return [
    ...settingsOf({ kind: 'everything' }, everything),
    ...each(tiers, (tier) => ({ kind: 'tier', tier: Number(tier) })),
    ...each(roles, (role) => ({ kind: 'role', role })),
    ...(kind.ownScopes?.(diagram) ?? []).flatMap((scope) => settingsOf(scope, kind.patchOf(diagram, scope))),
    ...each(branches, (entry) => ({ kind: 'branch', entry })),
    ...each(only, (entry) => ({ kind: 'this', entry })),
    ...settingsOf({ kind: 'lines', tier: null } as AnyScope, lines ?? {}),
    ...each(tierLines ?? {}, (tier) => ({ kind: 'lines', tier: Number(tier) }) as AnyScope),
    ...settingsOf({ kind: 'links' }, links),
    ...each(onlyLinks, (link) => ({ kind: 'link', link })),
  ];
}
