import { kindOf, patchOf, settingsByHand, type Command, type Diagram, type Scope } from '../../../core/diagram';
import { linkProperties, styleProperties } from '../../../core/model';
import { entriesOf, entryPick, isPicked, linkPick, linksOf, type Selection } from '../selection';
import type { BenchStore } from '../store';
import type { GivenStyle } from './given-style';
import { giveMatched } from './match-style';

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

const mostRemembered = 12;

/** Gives a value to what a scope means, and remembers it as the last style. */
export function giveStyle(store: BenchStore, scope: Scope, given: GivenStyle): void {
  const { perform, selection, set } = store.getState();
  const merge = `style:${JSON.stringify(scope)}:${given.property}`;
  if (!perform(commands(scopesMeant(scope, selection), [given]), { merge })) return;
  if (typeof given.value === 'string' && given.value.startsWith('#')) {
    const { usedColours, lastStyle } = store.getState();
    // A colour on its way through a picker takes the place of the one before.
    const others =
      lastStyle?.property === given.property ? usedColours.filter((one) => one !== lastStyle.value) : usedColours;
    const colour = given.value;
    set({ usedColours: [colour, ...others.filter((one) => one !== colour)].slice(0, mostRemembered) });
  }
  set({ lastStyle: given });
}

/** Hands back what was set by hand in a diagram, where its scope is one of those meant. */
export const handingBack = (diagram: Diagram, meant: (scope: Scope) => boolean = () => true): Command[] =>
  settingsByHand(diagram).flatMap(({ scope, property }): Command[] =>
    meant(scope as Scope) ? [{ kind: 'setStyle', scope: scope as Scope, property, value: null }] : [],
  );

/** Hands back everything that was set by hand in the whole diagram, in one step; the colours of its look and page as well where that is asked for. */
export function handBackEverything(store: BenchStore, and?: 'colours too'): void {
  const { diagram, perform } = store.getState();
  perform([...handingBack(diagram), ...(and ? [{ kind: 'setPalette', palette: null } as const] : [])]);
}

/** What the selected entries set alone is said for the tiers or roles they belong to instead, in one step; `to` tells the scope of an entry. */
export function liftStyle(store: BenchStore, scope: Scope, to: (entry: string) => Scope | null): void {
  const { diagram, selection, perform, notify } = store.getState();
  const lifted: Command[] = [];
  const given = new Set<string>();
  for (const one of scopesMeant(scope, selection)) {
    const wider = one.kind === 'this' ? to(one.entry) : null;
    if (!wider) continue;
    for (const [property, value] of Object.entries(patchOf(diagram, one))) {
      const key = `${JSON.stringify(wider)} ${property}`;
      const known = property as GivenStyle['property'];
      if (!given.has(key)) lifted.push({ kind: 'setStyle', scope: wider, property: known, value: value as never });
      given.add(key);
      lifted.push({ kind: 'setStyle', scope: one, property: known, value: null });
    }
  }
  if (lifted.length > 0 && perform(lifted)) {
    const wider = [...new Set([...given].map((key) => key.slice(0, key.lastIndexOf(' '))))].map(
      (key) => JSON.parse(key) as Scope,
    );
    const kind = kindOf(diagram.kind);
    const listing = kind.structure(diagram);
    const count = wider.reduce((sum, one) => sum + kind.covers(diagram, listing, one).length, 0);
    notify([`${count === 1 ? 'The one entry' : `All ${count} entries`} of it now ${count === 1 ? 'says' : 'say'} so.`]);
  }
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
  const { lastStyle, matching, selection, notify, perform } = store.getState();
  if (matching) return giveMatched(store);
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
