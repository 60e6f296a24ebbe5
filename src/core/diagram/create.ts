import { emptyCommon, type Entry } from '../model';
import { kindOf, type DiagramOf, type KindId } from './diagram';

/** An empty diagram of a kind, ready to take entries. */
export const createDiagram = <K extends KindId>(kind: K, title: string): DiagramOf<K> =>
  kindOf(kind).empty(emptyCommon(title)) as DiagramOf<K>;

/** A diagram from entries that are already in order. */
export const diagramOf = <K extends KindId>(kind: K, title: string, entries: readonly Entry[]): DiagramOf<K> => ({
  ...createDiagram(kind, title),
  entries: Object.fromEntries(entries.map((entry) => [entry.id, entry])),
});
