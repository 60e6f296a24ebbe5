import { kindOf, type Diagram, type Scope } from '../../../core/diagram';
import { roman, tierCount, type Listing } from '../../../core/hierarchy';
import { own } from '../../../core/model';
import type { ScopeChoice } from '../kinds/kind-parts';
import { linksOf, type Selection } from '../selection';

/** All links, and the one that is selected; none where the diagram has no links. */
export function linkScopes(diagram: Diagram, scope: Scope, selection: Selection): ScopeChoice[] {
  if (Object.keys(diagram.links).length === 0) return [];
  const name = kindOf(diagram.kind).linkKinds[0]?.name.toLowerCase() ?? 'link';
  const picked = linksOf(selection);
  const meant = picked.at(-1) ?? (scope.kind === 'link' ? scope.link : null);
  const link = meant === null ? undefined : own(diagram.links, meant);
  const named = (id: string) => own(diagram.entries, id)?.name || 'an entry without a name';
  const choices: ScopeChoice[] = [{ scope: { kind: 'links' }, words: `All ${name}s` }];
  if (link)
    choices.push({
      scope: { kind: 'link', link: link.id },
      words:
        picked.length > 1
          ? `Only these ${picked.length} links`
          : `Only the one from ${named(link.from)} to ${named(link.to)}`,
    });
  return choices;
}

/** The lines of the structure: all, or those to one tier, chosen in place. `words`: what they are called together. */
export function structureScope(
  structure: Listing,
  scope: Scope,
  words: string,
  perTier: 'per tier' | 'all alike',
): ScopeChoice[] {
  const tiers = tierCount(structure);
  if (tiers < 2) return [];
  const all: Scope = { kind: 'lines', tier: null };
  const chosen = scope.kind === 'lines' && perTier === 'per tier' && (scope.tier ?? 2) <= tiers ? scope : all;
  const told = (tier: number | null): string => (tier === null ? 'all' : `to ${roman(tier)}`);
  const options = [null, ...Array.from({ length: tiers - 1 }, (_, t) => t + 2)].map((tier) => ({
    scope: { kind: 'lines' as const, tier },
    words: told(tier),
  }));
  return [
    {
      scope: chosen,
      words:
        chosen.kind === 'lines' && chosen.tier !== null
          ? `${words} ${told(chosen.tier)}`
          : `All ${words.toLowerCase()}`,
      ...(perTier === 'per tier' && tiers > 2 && { among: { label: 'Which lines', options } }),
    },
  ];
}
