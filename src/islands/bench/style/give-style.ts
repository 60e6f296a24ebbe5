import type { Command, Scope } from '../../../core/diagram';
import { linkProperties, styleProperties } from '../../../core/model';
import { entriesOf, entryPick, isPicked, linkPick, linksOf, type Selection } from '../selection';
import type { BenchStore } from '../store';
import type { GivenStyle } from './given-style';

/** "Only this" means all that is selected, where that is several. */
function scopesMeant(scope: Scope, selection: Selection): Scope[] {
  if (scope.kind === 'this' && isPicked(selection, entryPick(scope.entry)))
    return entriesOf(selection).map((entry) => ({ kind: 'this', entry }));
  if (scope.kind === 'link' && isPicked(selection, linkPick(scope.link)))
    return linksOf(selection).map((link) => ({ kind: 'link', link }));
  return [scope];
}

const commands = (scopes: readonly Scope[], given: readonly GivenStyle[]): Command[] =>
  scopes.flatMap((scope) =>
    given.map(({ property, value }): Command => ({ kind: 'setStyle', scope, property, value })),
  );

/** Gives a value to what a scope means, and remembers it as the last style. */
export function giveStyle(store: BenchStore, scope: Scope, given: GivenStyle): void {
  const { perform, selection, set } = store.getState();
  const merge = `style:${JSON.stringify(scope)}:${given.property}`;
  if (perform(commands(scopesMeant(scope, selection), [given]), { merge })) set({ lastStyle: given });
}

/** Hands back all that a scope sets, in one step. */
export function handBackAll(store: BenchStore, scope: Scope, properties: readonly GivenStyle['property'][]): void {
  const { perform, selection } = store.getState();
  perform(
    commands(
      scopesMeant(scope, selection),
      properties.map((property) => ({ property, value: null })),
    ),
  );
}

/** Gives the last style to each of what is selected, in one step; says so where there is nothing to repeat, or nothing it fits. */
export function repeatStyle(store: BenchStore): boolean {
  const { lastStyle, selection, notify, perform } = store.getState();
  if (!lastStyle) {
    notify(['No style was given yet: choose one in Style, then select others and press R.']);
    return false;
  }
  const ofBoxes = styleProperties.some((one) => one === lastStyle.property);
  const ofLinks = linkProperties.some((one) => one === lastStyle.property);
  const scopes: Scope[] = [
    ...(ofBoxes ? entriesOf(selection).map((entry): Scope => ({ kind: 'this', entry })) : []),
    ...(ofLinks ? linksOf(selection).map((link): Scope => ({ kind: 'link', link })) : []),
  ];
  if (scopes.length === 0) {
    notify([ofBoxes ? 'The last style was for entries: select some.' : 'The last style was for links: select some.']);
    return false;
  }
  return perform(commands(scopes, [lastStyle]));
}
