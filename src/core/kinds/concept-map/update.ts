import type { CommonCommand } from '../../edit';
import { entryChanges, matchEntries } from '../../hierarchy';
import { own, pushTo, type Link } from '../../model';
import { trayChanges } from '../../kind';
import type { MapCommand } from './commands';
import { newLink } from './gestures';
import type { ConceptMap } from './model';
import type { MapReading } from './read/result';

const bare = (details: readonly string[]): readonly string[] =>
  details.slice(0, details.findLastIndex((detail) => detail.trim() !== '') + 1);

/**
 * What makes a map what was read: ideas first, then propositions, which keep their id, style and marks where the same two ideas are linked by the same words, or
 * are linked still. O((ideas + propositions) log ideas).
 */
export function mapChanges(diagram: ConceptMap, read: MapReading, newId: () => string): (CommonCommand | MapCommand)[] {
  const idOf = matchEntries(diagram, read.entries, newId);
  // A table holds no empty details at the end.
  const told = read.entries.map((entry) => {
    const known = own(diagram.entries, idOf.get(entry.id)!);
    const isSame = known && bare(known.details).join('\n') === bare(entry.details).join('\n');
    return isSame ? { ...entry, details: known.details } : entry;
  });
  const entries = entryChanges(diagram, told, idOf);
  const removed = entries.filter(({ kind }) => kind === 'removeEntries');
  const going = new Set(removed.flatMap((command) => (command.kind === 'removeEntries' ? command.ids : [])));
  const roles = read.entries.flatMap((entry): CommonCommand[] => {
    const known = own(diagram.entries, idOf.get(entry.id)!);
    return known && known.role !== entry.role ? [{ kind: 'setRole', id: known.id, role: entry.role }] : [];
  });
  const free = new Set(Object.keys(diagram.links));
  const wanted = read.links.map(({ from, to, phrase }) => ({ from: idOf.get(from)!, to: idOf.get(to)!, phrase }));
  const found: (Link | null)[] = wanted.map(() => null);
  const pair = (key: (link: Pick<Link, 'from' | 'to' | 'phrase'>) => string): void => {
    const shelf = new Map<string, Link[]>();
    for (const id of free) {
      const link = own(diagram.links, id)!;
      pushTo(shelf, key(link), link);
    }
    wanted.forEach((one, i) => {
      if (found[i]) return;
      const link = shelf.get(key(one))?.shift();
      if (!link) return;
      free.delete(link.id);
      found[i] = link;
    });
  };
  pair(({ from, to, phrase }) => `${from} ${to} ${phrase}`);
  pair(({ from, to }) => `${from} ${to}`);
  const links = wanted.flatMap(({ from, to, phrase }, i): CommonCommand[] => {
    const known = found[i];
    if (!known) return [{ kind: 'addLink', link: newLink(newId(), from, to, phrase) }];
    return known.phrase === phrase ? [] : [{ kind: 'changeLink', id: known.id, patch: { phrase } }];
  });
  const dropped = [...free]
    .filter((id) => {
      const { from, to } = own(diagram.links, id)!;
      return !going.has(from) && !going.has(to);
    })
    .map((id): CommonCommand => ({ kind: 'removeLink', id }));
  const { manner } = diagram.map;
  const focus = read.focus === null ? null : (idOf.get(read.focus) ?? null);
  const patch = {
    ...(read.structure === 'arrows' && read.question !== manner.question && { question: read.question }),
    ...(read.structure === 'arrows' && focus !== manner.focus && { focus }),
  };
  return [
    ...entries.filter(({ kind }) => kind !== 'removeEntries'),
    ...roles,
    ...dropped,
    ...links,
    ...(Object.keys(patch).length > 0 ? [{ kind: 'setMap' as const, patch }] : []),
    ...removed,
    ...trayChanges(diagram, read, newId),
  ];
}
