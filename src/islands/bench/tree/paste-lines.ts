import { childrenOf, placeAt } from '../../../core/hierarchy';
import { kindOf, tokensOf, type Command } from '../../../core/diagram';
import { createEntry, own } from '../../../core/model';
import { type ReadEntry } from '../../../core/read';
import { newId } from '../../shared/ids';
import type { BenchStore } from '../store';

/**
 * Several lines pasted into a cell become entries after that one, with their own structure below each other. Pasted into an empty
 * line they take its place. False for a single line, which is pasted as text.
 */
export function pasteLines(store: BenchStore, at: string, text: string): boolean {
  if (!/\n./.test(text.trim())) return false;
  const { diagram, perform, notify } = store.getState();
  const read = kindOf(diagram.kind).read(tokensOf(text));
  const entry = own(diagram.entries, at);
  if (!entry || read.entries.length === 0) return false;
  const ids = new Map(read.entries.map((one) => [one.id, newId()]));
  const siblings = childrenOf(diagram, entry.parent);
  const tops = read.entries.filter((one) => one.parent === null);
  const { orders, rewrites } = placeAt(
    diagram,
    entry.parent,
    siblings.findIndex((one) => one.id === at) + 1,
    tops.length,
  );
  const topOrder = new Map(tops.map((one, i) => [one.id, orders[i]!]));
  const counts = new Map<string, number>();
  const orderOf = (one: ReadEntry): string => {
    if (one.parent === null) return topOrder.get(one.id)!;
    const n = (counts.get(one.parent) ?? 0) + 1;
    counts.set(one.parent, n);
    return `V${String(n).padStart(6, '0')}1`;
  };
  const entries = read.entries.map((one) =>
    createEntry({
      id: ids.get(one.id)!,
      name: one.name,
      details: [...one.details],
      fields: { ...one.fields },
      role: one.role,
      parent: one.parent === null ? entry.parent : ids.get(one.parent)!,
      order: orderOf(one),
    }),
  );
  const empty = entry.name === '' && !entry.details.some(Boolean) && childrenOf(diagram, at).length === 0;
  const gesture: Command[] = [...rewrites, { kind: 'addEntries', entries, links: [], branches: {}, only: {} }];
  if (empty) gesture.push({ kind: 'removeEntries', ids: [at] });
  const last = ids.get(read.entries.at(-1)!.id)!;
  perform(gesture, { select: last, focus: { entry: last, column: 0 } });
  const told = read.findings.filter((one) => one.severity !== 'note').map((one) => one.message);
  if (told.length > 0) notify(told.slice(0, 3));
  return true;
}
