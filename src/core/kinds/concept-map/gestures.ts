import type { CommonCommand } from '../../edit';
import { placeAt } from '../../hierarchy';
import { byOrder, createEntry, own, type Entry, type Link } from '../../model';
import { foldName } from '../../read';
import { proposition, type ConceptMap } from './model';

type Told = readonly CommonCommand[];

export const newLink = (id: string, from: string, to: string, phrase = ''): Link => ({
  ...{ id, from, to, phrase },
  kind: proposition,
});
const add = (entries: Entry[], links: Link[] = []): CommonCommand => ({
  kind: 'addEntries',
  ...{ entries, links },
  branches: {},
  only: {},
});

/** A new idea after another in the list, or at its end. */
export function ideaAfter(
  diagram: ConceptMap,
  after: string | null,
  id: string,
  name = '',
): { readonly rewrites: Told; readonly entry: Entry } {
  const all = Object.values(diagram.entries).sort(byOrder);
  const at = after === null ? all.length : all.findIndex((one) => one.id === after) + 1;
  const { orders, rewrites } = placeAt(diagram, null, at);
  return { rewrites, entry: createEntry({ id, name, order: orders[0]! }) };
}

export interface Made {
  readonly idea: string;
  readonly link: string;
}

/** An idea that a new link leads to from another. */
export function addBelow(diagram: ConceptMap, from: string, made: Made, phrase = ''): Told | null {
  if (!own(diagram.entries, from)) return null;
  const { rewrites, entry } = ideaAfter(diagram, from, made.idea);
  return [...rewrites, add([entry], [newLink(made.link, from, made.idea, phrase)])];
}

/** An idea with a link that leads from it to another. */
export function addAbove(diagram: ConceptMap, to: string, made: Made): Told | null {
  if (!own(diagram.entries, to)) return null;
  const all = Object.values(diagram.entries).sort(byOrder);
  const at = all.findIndex((one) => one.id === to);
  const { rewrites, entry } = ideaAfter(diagram, all[at - 1]?.id ?? null, made.idea);
  return [...rewrites, add([entry], [newLink(made.link, made.idea, to)])];
}

/** An idea led to from the same idea as another, with the same words; unlinked where nothing leads to that one. */
export function addNextTo(diagram: ConceptMap, at: string | null, made: Made): Told {
  const { rewrites, entry } = ideaAfter(diagram, at, made.idea);
  const led = at === null ? undefined : Object.values(diagram.links).find(({ to }) => to === at);
  return [...rewrites, add([entry], led ? [newLink(made.link, led.from, made.idea, led.phrase)] : [])];
}

/** The link the other way round. */
export const turnedRound = ({ id, from, to }: Link): Told => [
  { kind: 'changeLink', id, patch: { from: to, to: from } },
];

/** A new idea in the middle of a link: the words stay before it. */
export function split(diagram: ConceptMap, link: Link, made: Made): Told {
  const { rewrites, entry } = ideaAfter(diagram, link.from, made.idea);
  return [
    ...rewrites,
    add([entry]),
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
  const { rewrites, entry } = ideaAfter(diagram, after, id, name);
  return { id, gesture: [...rewrites, add([entry])] };
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
