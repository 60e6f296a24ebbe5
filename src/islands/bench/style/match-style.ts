import { kindOf, type Command, type Diagram, type Scope } from '../../../core/diagram';
import { own } from '../../../core/model';
import { entriesOf } from '../selection';
import type { BenchStore } from '../store';
import type { GivenStyle } from './given-style';

/** What an entry shows of some properties, wherever it comes from. */
export function seenStyle(
  diagram: Diagram,
  entry: string,
  properties: readonly GivenStyle['property'][],
): readonly GivenStyle[] {
  const told = explainedIn(diagram, { kind: 'this', entry });
  return properties.flatMap((property) => {
    const value = told ? (own(told, property)?.value ?? null) : null;
    return value === null ? [] : [{ property, value: value as GivenStyle['value'] }];
  });
}

function explainedIn(diagram: Diagram, scope: Scope) {
  const kind = kindOf(diagram.kind);
  return kind.explain(diagram, kind.structure(diagram), scope) as Readonly<
    Record<string, { readonly value: unknown }>
  > | null;
}

/** What text stands on, and so what may have another colour chosen for it. */
const grounds: readonly GivenStyle['property'][] = ['fill', 'cover', 'shape'];
const texts: readonly GivenStyle['property'][] = ['text', 'detailText'];

/** Sets on each scope what its entries do not show already; colours of text always where what they stand on is set, so that they stay as they are given. */
export const matchingCommands = (diagram: Diagram, scopes: readonly Scope[], given: readonly GivenStyle[]): Command[] =>
  scopes.flatMap((scope) => {
    const told = explainedIn(diagram, scope);
    const differs = ({ property, value }: GivenStyle) => !told || own(told, property)?.value !== value;
    const grounded = given.some((one) => grounds.includes(one.property) && differs(one));
    return given
      .filter((one) => differs(one) || (grounded && texts.includes(one.property)))
      .map(({ property, value }): Command => ({ kind: 'setStyle', scope, property, value }));
  });

/** Gives the style that is being matched to what is selected, but for the entry that it is from. False where that changes nothing. */
export function giveMatched(store: BenchStore): boolean {
  const { matching, diagram, selection, perform } = store.getState();
  if (!matching) return false;
  const scopes = entriesOf(selection)
    .filter((entry) => entry !== matching.entry)
    .map((entry): Scope => ({ kind: 'this', entry }));
  const commands = matchingCommands(diagram, scopes, matching.given);
  return commands.length > 0 && perform(commands);
}
