import type { CommonCommand } from '../edit';
import { createEntry, evenKeys, keysBetween, own, pushTo, type DiagramCommon, type Entry } from '../model';
import type { ReadEntry, Reading } from '../read';
import { hierarchyOf } from './structure';

/**
 * The gesture that brings a Diagram to what a newer text of its list says. Entries found again keep their id, style, role and fields:
 * first those whose line is the same under a parent of the same name, then those of the same name there, then those of the same line or name
 * elsewhere, then, as renamed, the ones that stand
 * at the same place under the same parent. Empty where nothing changes. O(entries log entries).
 */
export function updateFromList(diagram: DiagramCommon, read: Reading, newId: () => string): CommonCommand[] {
  return entryChanges(diagram, read.entries, matchEntries(diagram, read.entries, newId));
}

/** The commands that make the entries what was read; `idOf` gives the id of each line. Who stays in order keeps the order key. */
export function entryChanges(
  diagram: DiagramCommon,
  read: readonly ReadEntry[],
  idOf: ReadonlyMap<string, string>,
): CommonCommand[] {
  const used = new Set(idOf.values());
  const byId = new Map(read.map((entry) => [idOf.get(entry.id)!, entry]));
  const added: Entry[] = [];
  const moves: Move[] = [];
  const changes: CommonCommand[] = [];
  for (const [parent, children] of wantedChildren(read, idOf)) {
    const orders = ordersFor(children.map((id) => keyUnder(own(diagram.entries, id), parent)));
    children.forEach((id, i) => {
      const { name, details, role } = byId.get(id)!;
      const entry = own(diagram.entries, id);
      const order = orders[i]!;
      if (!entry) {
        added.push(createEntry({ id, name, details: [...details], role, parent, order }));
        return;
      }
      if (entry.parent !== parent || entry.order !== order) moves.push({ id, parent, order });
      if (entry.name !== name) changes.push({ kind: 'rename', id, name });
      if (!isSameTexts(details, entry.details)) changes.push({ kind: 'setDetails', id, details: [...details] });
    });
  }
  const gone = Object.keys(diagram.entries).filter((id) => !used.has(id));
  return [
    ...(added.length > 0 ? [{ kind: 'addEntries' as const, entries: added, links: [], branches: {}, only: {} }] : []),
    ...(moves.length > 0 ? [{ kind: 'moveEntries' as const, moves }] : []),
    ...changes,
    ...(gone.length > 0 ? [{ kind: 'removeEntries' as const, ids: gone }] : []),
  ];
}

type Move = Extract<CommonCommand, { kind: 'moveEntries' }>['moves'][number];

const isSameTexts = (a: readonly string[], b: readonly string[]): boolean =>
  a.length === b.length && a.every((text, i) => text === b[i]);

const keyUnder = (entry: Entry | undefined, parent: string | null): Ordered | null =>
  entry && entry.parent === parent ? { id: entry.id, order: entry.order } : null;

interface Ordered {
  readonly id: string;
  readonly order: string;
}

/**
 * Order keys for children in a wanted order: the longest run of those that stand in it already keep theirs, the others get keys between them; all
 * are new only where there is no room. O(n log n).
 */
function ordersFor(children: readonly (Ordered | null)[]): string[] {
  const staying = longestRising(children);
  const orders: string[] = [];
  let low: string | null = null;
  for (let i = 0; i < children.length;) {
    if (staying.has(i)) {
      low = children[i]!.order;
      orders.push(low);
      i++;
      continue;
    }
    let end = i;
    while (end < children.length && !staying.has(end)) end++;
    const keys: string[] | null = keysBetween(low, children[end]?.order ?? null, end - i);
    if (!keys || keys.some((key) => key.length > longestKey)) return evenKeys(children.length);
    orders.push(...keys);
    low = keys.at(-1)!;
    i = end;
  }
  return orders;
}
const longestKey = 24;

/** Indices of a longest part of the list whose keys rise strictly (Fredman 1975). O(n log n). */
function longestRising(list: readonly (Ordered | null)[]): Set<number> {
  const ends: number[] = [];
  const before = new Int32Array(list.length).fill(-1);
  list.forEach((each, i) => {
    if (!each) return;
    let from = 0;
    let to = ends.length;
    while (from < to) {
      const middle = (from + to) >> 1;
      if (list[ends[middle]!]!.order < each.order) from = middle + 1;
      else to = middle;
    }
    before[i] = from > 0 ? ends[from - 1]! : -1;
    ends[from] = i;
  });
  const rising = new Set<number>();
  for (let at = ends.at(-1) ?? -1; at >= 0; at = before[at]!) rising.add(at);
  return rising;
}

function wantedChildren(
  entries: readonly ReadEntry[],
  idOf: ReadonlyMap<string, string>,
): Map<string | null, string[]> {
  const wanted = new Map<string | null, string[]>();
  for (const entry of entries)
    pushTo(wanted, entry.parent === null ? null : idOf.get(entry.parent)!, idOf.get(entry.id)!);
  return wanted;
}

const noTraits = { known: () => '', read: () => '' };

/** For each line that was read, the id of the entry it is: a known one, or a new one. Who is renamed keeps place and `traits`. */
export function matchEntries(
  diagram: DiagramCommon,
  read: readonly ReadEntry[],
  newId: () => string,
  traits: { readonly known: (entry: Entry) => string; readonly read: (entry: ReadEntry) => string } = noTraits,
): Map<string, string> {
  const structure = hierarchyOf(diagram.entries);
  const known = Array.from(structure.outline, (i) => own(diagram.entries, structure.ids[i]!)!);
  const readById = new Map(read.map((entry) => [entry.id, entry]));
  const free = new Set(known.map((entry) => entry.id));
  const idOf = new Map<string, string>();
  const pair = (keyOfKnown: (entry: Entry) => string, keyOfRead: (entry: ReadEntry) => string) => {
    const shelf = new Map<string, string[]>();
    for (const entry of known) if (free.has(entry.id)) pushTo(shelf, keyOfKnown(entry), entry.id);
    for (const list of shelf.values()) list.reverse();
    for (const entry of read) {
      if (idOf.has(entry.id)) continue;
      const id = shelf.get(keyOfRead(entry))?.pop();
      if (id === undefined) continue;
      free.delete(id);
      idOf.set(entry.id, id);
    }
  };
  const nameOfParent = (parent: string | null, of: (id: string) => string | undefined) =>
    parent === null ? '' : (of(parent) ?? '');
  const parentOfKnown = (entry: Entry) => nameOfParent(entry.parent, (id) => own(diagram.entries, id)?.name);
  const parentOfRead = (entry: ReadEntry) => nameOfParent(entry.parent, (id) => readById.get(id)?.name);
  if (traits !== noTraits)
    pair(
      (entry) => JSON.stringify([entry.name, traits.known(entry)]),
      (entry) => JSON.stringify([entry.name, traits.read(entry)]),
    );
  // The whole line under the same parent first, so that of two of one name each keeps its own; then less and less of it.
  pair(
    (entry) => JSON.stringify([parentOfKnown(entry), entry.name, ...entry.details]),
    (entry) => JSON.stringify([parentOfRead(entry), entry.name, ...entry.details]),
  );
  pair(
    (entry) => JSON.stringify([parentOfKnown(entry), entry.name.trim()]),
    (entry) => JSON.stringify([parentOfRead(entry), entry.name.trim()]),
  );
  pair(
    (entry) => JSON.stringify([entry.name, ...entry.details]),
    (entry) => JSON.stringify([entry.name, ...entry.details]),
  );
  pair(
    (entry) => entry.name.trim(),
    (entry) => entry.name.trim(),
  );
  const [placeThen, placeNow] = [placeOfKnown(known), placeOfRead(read, idOf)];
  pair(
    (entry) => `${placeThen(entry)}\n${traits.known(entry)}`,
    (entry) => `${placeNow(entry)}\n${traits.read(entry)}`,
  );
  for (const entry of read) if (!idOf.has(entry.id)) idOf.set(entry.id, newId());
  return idOf;
}

function placeOfKnown(known: readonly Entry[]): (entry: Entry) => string {
  const seen = new Map<string | null, number>();
  const places = new Map<string, string>();
  for (const entry of known) {
    const at = seen.get(entry.parent) ?? 0;
    seen.set(entry.parent, at + 1);
    places.set(entry.id, `${entry.parent ?? ''}\n${at}`);
  }
  return (entry) => places.get(entry.id)!;
}

function placeOfRead(read: readonly ReadEntry[], idOf: ReadonlyMap<string, string>): (entry: ReadEntry) => string {
  const seen = new Map<string | null, number>();
  const places = new Map<string, number>();
  for (const entry of read) {
    const at = seen.get(entry.parent) ?? 0;
    seen.set(entry.parent, at + 1);
    places.set(entry.id, at);
  }
  return (entry) => `${entry.parent === null ? '' : (idOf.get(entry.parent) ?? '?')}\n${places.get(entry.id)!}`;
}
