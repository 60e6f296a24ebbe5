import { sharedWays, type Polyline } from '../arrange/graph';
import type { Hierarchy } from '../hierarchy';
import type { Link } from '../model';

/** So many links between the same two branches run together. */
const fewest = 3;

/** For each link the bundle it runs with, by number; undefined for one that runs alone, as links with words do, which need a line for them. O(links · tiers). */
export function bundlesOf(links: readonly Link[], { index, parent, tier }: Hierarchy): (number | undefined)[] {
  const keys = links.map(({ id, kind, from, to, phrase }) => {
    if (phrase !== '') return id;
    const [a, b] = branchesOf(index.get(from)!, index.get(to)!, parent, tier);
    return `${kind} ${Math.min(a, b)} ${Math.max(a, b)}`;
  });
  const times = new Map<string, number>();
  for (const key of keys) times.set(key, (times.get(key) ?? 0) + 1);
  const numbers = new Map<string, number>();
  return keys.map((key) => {
    if (times.get(key)! < fewest) return undefined;
    if (!numbers.has(key)) numbers.set(key, numbers.size);
    return numbers.get(key);
  });
}

/** The branches two entries are in, side by side below their nearest common superior; an entry itself where it is that superior. */
function branchesOf(from: number, to: number, parent: Int32Array, tier: Int32Array): [number, number] {
  let [a, b] = [from, to];
  while (tier[a]! > tier[b]!) {
    if (parent[a] === b) return [a, b];
    a = parent[a]!;
  }
  while (tier[b]! > tier[a]!) {
    if (parent[b] === a) return [a, b];
    b = parent[b]!;
  }
  while (a !== b && parent[a] !== parent[b]) [a, b] = [parent[a]!, parent[b]!];
  return [a, b];
}

/** What of each way is drawn for itself, null where all of it is; and the trunks that several share, by the first of their links. */
export function trunksOf(
  ways: readonly Polyline[],
  bundles: readonly (number | undefined)[],
): {
  readonly own: readonly (readonly Polyline[] | null)[];
  readonly trunks: readonly { readonly first: number; readonly lines: readonly Polyline[] }[];
} {
  const own: (readonly Polyline[] | null)[] = ways.map(() => null);
  const trunks: { first: number; lines: readonly Polyline[] }[] = [];
  for (const bundle of new Set(bundles)) {
    if (bundle === undefined) continue;
    const members = bundles.flatMap((one, k) => (one === bundle ? [k] : []));
    const found = sharedWays(members.map((k) => ways[k]!));
    if (found.shared.length === 0) continue;
    members.forEach((k, m) => (own[k] = found.own[m]!));
    trunks.push({ first: members[0]!, lines: found.shared });
  }
  return { own, trunks };
}
