import type { CommonCommand } from '../../edit';
import { addNext, childrenOf, placeAt } from '../../hierarchy';
import { createEntry, own, type Link } from '../../model';
import { foldName } from '../../read';
import { proposition, type ConceptMap } from './model';

type Told = readonly CommonCommand[];

export const newLink = (id: string, from: string, to: string, phrase = ''): Link => ({
  ...{ id, from, to, phrase },
  kind: proposition,
});
export interface Made {
  readonly idea: string;
  readonly link: string;
}

/** An idea that a new link leads to from another. */
export function addBelow(diagram: ConceptMap, from: string, made: Made, phrase = ''): Told | null {
  if (!own(diagram.entries, from)) return null;
  return [
    ...addNext(diagram, from, { id: made.idea }),
    { kind: 'addLink', link: newLink(made.link, from, made.idea, phrase) },
  ];
}

/** An idea with a link that leads from it to another. */
export function addAbove(diagram: ConceptMap, to: string, made: Made): Told | null {
  if (!own(diagram.entries, to)) return null;
  const before = childrenOf(diagram, null).findIndex((one) => one.id === to);
  const { orders, rewrites } = placeAt(diagram, null, before);
  const entries = [createEntry({ id: made.idea, order: orders[0]! })];
  const links = [newLink(made.link, made.idea, to)];
  return [...rewrites, { kind: 'addEntries', entries, links, branches: {}, only: {} }];
}

/** An idea led to from the same idea as another, with the same words; unlinked where nothing leads to that one. */
export function addNextTo(diagram: ConceptMap, at: string | null, made: Made): Told {
  const led = at === null ? undefined : Object.values(diagram.links).find(({ to }) => to === at);
  const link = led && newLink(made.link, led.from, made.idea, led.phrase);
  return [...addNext(diagram, at, { id: made.idea }), ...(link ? [{ kind: 'addLink' as const, link }] : [])];
}

/** The link the other way round. */
export const turnedRound = ({ id, from, to }: Link): Told => [
  { kind: 'changeLink', id, patch: { from: to, to: from } },
];

/** A new idea in the middle of a link: the words stay before it. */
export function split(diagram: ConceptMap, link: Link, made: Made): Told {
  return [
    ...addNext(diagram, link.from, { id: made.idea }),
    { kind: 'changeLink', id: link.id, patch: { to: made.idea } },
    { kind: 'addLink', link: newLink(made.link, made.idea, link.to) },
  ];
}

/** The idea of a name, or the gesture that makes one. Null for an empty name. */
export function ideaNamed(
  diagram: ConceptMap,
  typed: string,
  newId: () => string,
  after: string | null = null,
): { readonly id: string; readonly gesture: Told } | null {
  const name = typed.trim();
  if (name === '') return null;
  const key = foldName(name);
  const known = Object.values(diagram.entries).find((entry) => foldName(entry.name) === key);
  if (known) return { id: known.id, gesture: [] };
  const id = newId();
  return { id, gesture: addNext(diagram, after, { id, name }) };
}

type Written = { readonly ok: true; readonly gesture: Told } | { readonly ok: false; readonly reason: string };

/** One end of a proposition as it is typed: an idea that is not there yet is made. */
export function endWritten(
  diagram: ConceptMap,
  link: Link,
  end: 'from' | 'to',
  typed: string,
  newId: () => string,
): Written {
  const idea = ideaNamed(diagram, typed, newId, end === 'to' ? link.from : null);
  if (!idea) return { ok: false, reason: 'A proposition needs an idea at both ends; remove it to take it away.' };
  if (idea.id === link[end]) return { ok: true, gesture: [] };
  if (idea.id === link[end === 'from' ? 'to' : 'from'])
    return { ok: false, reason: 'A proposition leads from one idea to another.' };
  return {
    ok: true,
    gesture: [...idea.gesture, { kind: 'changeLink', id: link.id, patch: { [end]: idea.id } }],
  };
}

/** A whole proposition as it is typed: ideas that are not there yet are made. */
export function propositionWritten(
  diagram: ConceptMap,
  told: { readonly from: string; readonly phrase: string; readonly to: string },
  newId: () => string,
): Written & { readonly link?: string } {
  const [a, b] = [foldName(told.from), foldName(told.to)];
  if (a === '' || b === '') return { ok: false, reason: 'A proposition needs an idea at both ends.' };
  if (a === b) return { ok: false, reason: 'A proposition leads from one idea to another.' };
  if (told.phrase.trim().length > 200) return { ok: false, reason: 'A linking phrase may have 200 characters.' };
  const from = ideaNamed(diagram, told.from, newId)!;
  const more = from.gesture.flatMap((command) => (command.kind === 'addEntries' ? command.entries : []));
  const between: ConceptMap = {
    ...diagram,
    entries: { ...diagram.entries, ...Object.fromEntries(more.map((entry) => [entry.id, entry])) },
  };
  const to = ideaNamed(between, told.to, newId, from.id)!;
  const link = newId();
  return {
    ok: true,
    link,
    gesture: [
      ...from.gesture,
      ...to.gesture,
      { kind: 'addLink', link: newLink(link, from.id, to.id, told.phrase.trim()) },
    ],
  };
}
