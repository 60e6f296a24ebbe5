import type { Hierarchy, Listing } from '../../../core/hierarchy';

/** The entry `step` lines further in the list; null at the ends. */
export function lineAway(structure: Listing, id: string, step: number): string | null {
  const at = structure.outline.indexOf(structure.index.get(id) ?? -1);
  const index = structure.outline[at + step];
  return at < 0 || index === undefined ? null : structure.ids[index]!;
}

/** Where the selection goes when entries are removed: the line before the first of them, else the first after that stays. */
export function neighbourAfterRemoval(structure: Listing, ids: readonly string[]): string | null {
  const going = new Set(ids);
  const lines = Array.from(structure.outline, (i) => structure.ids[i]!);
  const first = lines.findIndex((id) => going.has(id));
  return lines[first - 1] ?? lines.slice(first).find((id) => !going.has(id)) ?? null;
}

export type Direction = 'up' | 'down' | 'left' | 'right';

/** From one entry to the next in the drawing: along the structure towards or away from the top, across it within the tier. */
export function entryTowards(
  structure: Hierarchy,
  id: string,
  direction: Direction,
  grows: 'down' | 'right',
): string | null {
  const i = structure.index.get(id);
  if (i === undefined) return null;
  const [up, down, before, after] =
    grows === 'down' ? (['up', 'down', 'left', 'right'] as const) : (['left', 'right', 'up', 'down'] as const);
  if (direction === up) return structure.ids[structure.parent[i]!] ?? null;
  if (direction === down) return structure.count[i]! > 0 ? structure.ids[structure.first[i]!]! : null;
  const next = direction === before ? i - 1 : direction === after ? i + 1 : -1;
  return next >= 0 && structure.tier[next] === structure.tier[i] ? structure.ids[next]! : null;
}
