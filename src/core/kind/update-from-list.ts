import type { Command } from '../edit';
import { createEntry, evenKeys, type Diagram, type Entry } from '../model';
import type { ReadEntry, ReadResult } from '../read';
import { structureOf } from '../tiers';

/**
 * The gesture that brings a Diagram to what a newer text of its list says. Entries found again keep their id, style, role and fields:
 * first those of the same name under a parent of the same name, then those of the same name, then, as renamed, the ones that stand
 * at the same place under the same parent. Empty where nothing changes. O(entries log entries).
 */
export function updateFromList(diagram: Diagram, read: ReadResult, newId: () => string): Command[] {
  return entryChanges(diagram, read.entries, matchEntries(diagram, read.entries, newId));
}

/** The commands that make the entries what was read; `idOf` gives the id of each line. */
export function entryChanges(
  diagram: Diagram,
  read: readonly ReadEntry[],
  idOf: ReadonlyMap<string, string>,
): Command[] {
  const wanted = wantedChildren(read, idOf);
  const present = new Map<string | null, string[]>();
  const structure = structureOf(diagram.entries);
  for (const i of structure.outline) push(present, diagram.entries[structure.ids[i]!]!.parent, structure.ids[i]!);
  const used = new Set(idOf.values());
  const added: Entry[] = [];
  const moves: Command[] = [];
  const changes: Command[] = [];
  // Parents before children: a branch is never moved under one that still stands below it.
  const byId = new Map(read.map((entry) => [idOf.get(entry.id)!, entry]));
  const queue: (string | null)[] = [null];
  for (let q = 0; q < queue.length; q++) {
    const parent = queue[q]!;
    const children = wanted.get(parent) ?? [];
    queue.push(...children);
    const before = (present.get(parent) ?? []).filter((id) => used.has(id));
    const same = before.length === children.length && children.every((id, i) => before[i] === id);
    const keys = same ? [] : evenKeys(children.length);
    children.forEach((id, i) => {
      const { name, details } = byId.get(id)!;
      const entry = diagram.entries[id];
      if (!entry) {
        added.push(createEntry({ id, name, details: [...details], role: byId.get(id)!.role, parent, order: keys[i]! }));
        return;
      }
      if (!same) moves.push({ kind: 'moveBranch', id, parent, order: keys[i]! });
      if (entry.name !== name) changes.push({ kind: 'rename', id, name });
      if (details.join('\n') !== entry.details.filter(Boolean).join('\n'))
        changes.push({ kind: 'setDetails', id, details: [...details] });
    });
  }
  const gone = Object.keys(diagram.entries).filter((id) => !used.has(id));
  return [
    ...(added.length > 0 ? [{ kind: 'addEntries' as const, entries: added, links: [], branches: {}, only: {} }] : []),
    ...moves,
    ...changes,
    ...(gone.length > 0 ? [{ kind: 'removeEntries' as const, ids: gone }] : []),
  ];
}

function push<K>(map: Map<K, string[]>, key: K, id: string): void {
  const list = map.get(key);
  if (list) list.push(id);
  else map.set(key, [id]);
}

function wantedChildren(
  entries: readonly ReadEntry[],
  idOf: ReadonlyMap<string, string>,
): Map<string | null, string[]> {
  const wanted = new Map<string | null, string[]>();
  for (const entry of entries)
    push(wanted, entry.parent === null ? null : idOf.get(entry.parent)!, idOf.get(entry.id)!);
  return wanted;
}

const noTraits = { known: () => '', read: () => '' };

/** For each line that was read, the id of the entry it is: a known one, or a new one. Who is renamed keeps place and `traits`. */
export function matchEntries(
  diagram: Diagram,
  read: readonly ReadEntry[],
  newId: () => string,
  traits: { readonly known: (entry: Entry) => string; readonly read: (entry: ReadEntry) => string } = noTraits,
): Map<string, string> {
  const structure = structureOf(diagram.entries);
  const known = Array.from(structure.outline, (i) => diagram.entries[structure.ids[i]!]!);
  const readById = new Map(read.map((entry) => [entry.id, entry]));
  const free = new Set(known.map((entry) => entry.id));
  const idOf = new Map<string, string>();
  const pair = (keyOfKnown: (entry: Entry) => string, keyOfRead: (entry: ReadEntry) => string) => {
    const shelf = new Map<string, string[]>();
    for (const entry of known) if (free.has(entry.id)) push(shelf, keyOfKnown(entry), entry.id);
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
  pair(
    (entry) => `${nameOfParent(entry.parent, (id) => diagram.entries[id]?.name)}\n${entry.name.trim()}`,
    (entry) => `${nameOfParent(entry.parent, (id) => readById.get(id)?.name)}\n${entry.name.trim()}`,
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
