import { kindOf, type Diagram, type Scope } from '../../../core/diagram';
import { enclosedBy, ownRoles, roman, tierCount, type Listing } from '../../../core/hierarchy';
import { own } from '../../../core/model';
import type { ScopeChoice } from '../kinds/kind-parts';
import { entriesOf, leadingEntry, type Selection } from '../selection';

/** The tier that is scoped, else that of the selected entry, with all others to choose in place; `word`: what a tier is called. */
export function tierScope(
  { tiers: named }: Diagram,
  structure: Listing,
  scope: Scope,
  selection: Selection,
  word: string,
): ScopeChoice {
  const selected = leadingEntry(selection);
  const at = selected === null ? undefined : structure.index.get(selected);
  const tiers = tierCount(structure);
  const itsTier = Math.max(1, at === undefined ? 1 : structure.tier[at]!);
  const tier = scope.kind === 'tier' && scope.tier <= tiers ? scope.tier : itsTier;
  const name = own(named, String(tier))?.name;
  return {
    scope: { kind: 'tier', tier },
    words: `${word} ${roman(tier)}${name ? `, ${name}` : ''}`,
    ...(tiers > 1 && {
      among: {
        label: `Which ${word.toLowerCase()}`,
        options: Array.from({ length: tiers }, (_, t) => ({
          scope: { kind: 'tier' as const, tier: t + 1 },
          words: roman(t + 1),
        })),
      },
    }),
  };
}

/**
 * The selected entries alone, called by the name of the one that leads; where none is selected the one that is scoped. `noun`: what one without a name is
 * called.
 */
export function thisScope(
  { entries }: Diagram,
  structure: Listing,
  { scope, selection }: { readonly scope: Scope; readonly selection: Selection },
  noun: string,
): readonly ScopeChoice[] {
  const selected = leadingEntry(selection) ?? (scope.kind === 'this' ? scope.entry : null);
  if (selected === null || !structure.index.has(selected)) return [];
  const picked = entriesOf(selection).length;
  const name = own(entries, selected)?.name || `this ${noun}`;
  return [{ scope: { kind: 'this', entry: selected }, words: picked > 1 ? `Only these ${picked}` : `Only ${name}` }];
}

/** An enclosure: the one that is scoped, else one around the selected entry, with all others to choose in place; none where there are none. */
export function enclosureScope(diagram: Diagram, scope: Scope, selection: Selection): readonly ScopeChoice[] {
  const all = Object.values(diagram.enclosures).sort((a, b) => (a.id < b.id ? -1 : 1));
  const selected = leadingEntry(selection);
  const known = scope.kind === 'enclosure' ? own(diagram.enclosures, scope.enclosure) : undefined;
  const around = selected === null ? undefined : all.find((one) => enclosedBy(diagram, one).has(selected));
  const chosen = known ?? around ?? all[0];
  if (!chosen) return [];
  const told = ({ id, name }: { readonly id: string; readonly name: string }) =>
    name || `no. ${all.findIndex((one) => one.id === id) + 1}`;
  const scoped = (id: string) => ({ kind: 'enclosure' as const, enclosure: id });
  const options = all.map((one) => ({ scope: scoped(one.id), words: told(one) }));
  return [
    {
      scope: scoped(chosen.id),
      words: `Enclosure: ${told(chosen)}`,
      ...(all.length > 1 && { among: { label: 'Which enclosure', options } }),
    },
  ];
}

/** The role that is scoped among those made for the diagram and `known` ones, else the first of these. */
export function roleScopeAmong(
  diagram: Diagram,
  scope: Scope,
  known: readonly { readonly id: string; readonly words: string }[],
): ScopeChoice {
  const made = ownRoles(diagram).map(({ id, name }) => ({ id, words: `Role: ${name}` }));
  const all = [...known, ...made];
  const chosen = all.find(({ id }) => scope.kind === 'role' && id === scope.role) ?? all[0]!;
  const scoped = (role: string) => ({ kind: 'role' as const, role });
  const options = all.map(({ id, words }) => ({ scope: scoped(id), words }));
  return {
    scope: scoped(chosen.id),
    words: chosen.words,
    ...(all.length > 1 && { among: { label: 'Which role', options } }),
  };
}

/** The role of an entry as a scope; null where it has none. `at`: its index in the structure. */
export function roleScope(diagram: Diagram, at: number): Scope | null {
  const kind = kindOf(diagram.kind);
  const structure = kind.structure(diagram);
  return (
    [...ownRoles(diagram), ...kind.roles]
      .map(({ id }): Scope => ({ kind: 'role', role: id }))
      .find((scope) => kind.covers(diagram, structure, scope).includes(at)) ?? null
  );
}
