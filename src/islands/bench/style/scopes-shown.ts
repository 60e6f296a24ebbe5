import type { Diagram, Drawn, Scope } from '../../../core/diagram';
import type { KindParts, ScopeChoice } from '../kinds/kind-parts';
import type { Selection } from '../selection';

export const isSameScope = (a: Scope, b: Scope): boolean => JSON.stringify(a) === JSON.stringify(b);

/**
 * The scopes that can be chosen, and the one that is: what is marked among them is what is changed. A scope that is not to be had any more, as its tier,
 * role or entry is gone, is everything.
 */
export function scopesShown(
  parts: Pick<KindParts, 'scopes'>,
  diagram: Diagram,
  drawn: Drawn,
  { scope, selection }: { readonly scope: Scope; readonly selection: Selection },
): { readonly choices: readonly ScopeChoice[]; readonly scope: Scope } {
  const choices = parts.scopes(diagram, drawn, scope, selection);
  if (choices.some((one) => isSameScope(one.scope, scope))) return { choices, scope };
  const everything: Scope = { kind: 'everything' };
  return { choices: parts.scopes(diagram, drawn, everything, selection), scope: everything };
}
