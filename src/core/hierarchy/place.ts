import type { CommonCommand } from '../edit';
import { byOrder, evenKeys, keysBetween, type DiagramCommon, type Entry } from '../model';

const longKey = 24;

/** The children of an entry (null: the top) in their order. Linear in the diagram. */
export function childrenOf(diagram: DiagramCommon, parent: string | null): Entry[] {
  return Object.values(diagram.entries)
    .filter((entry) => entry.parent === parent)
    .sort(byOrder);
}

/**
 * `n` order keys that stand at `index` among the children of `parent`, leaving out the entry `moving`.
 * Where the neighbours leave no room, or their keys have grown long, `rewrites` gives the siblings new keys first, in one command.
 */
export function placeAt(
  diagram: DiagramCommon,
  parent: string | null,
  index: number,
  n = 1,
  moving: string | null = null,
): { orders: string[]; rewrites: CommonCommand[] } {
  const siblings = childrenOf(diagram, parent).filter((entry) => entry.id !== moving);
  const at = Math.max(0, Math.min(index, siblings.length));
  const orders = keysBetween(siblings[at - 1]?.order ?? null, siblings[at]?.order ?? null, n);
  if (orders && orders.every((key) => key.length <= longKey)) return { orders, rewrites: [] };
  const keys = evenKeys(siblings.length + n);
  const moves = siblings.map((entry, i) => ({ id: entry.id, parent, order: keys[i < at ? i : i + n]! }));
  return { orders: keys.slice(at, at + n), rewrites: moves.length > 0 ? [{ kind: 'moveEntries', moves }] : [] };
}
