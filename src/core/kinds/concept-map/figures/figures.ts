import { connectedParts } from '../../../arrange/graph';
import { own } from '../../../model';
import type { ConceptMap } from '../model';
import { sentenceOf } from '../sentences';
import { linksInOrder, type MapListing } from '../structure';
import { comparison, type Comparison } from './compare';
import { scoreOf, type Score } from './score';
import { mapTree } from './tree';

export interface MapFigures {
  readonly ideas: number;
  readonly propositions: number;
  /** Every proposition as it is read, in the order of ranks. */
  readonly sentences: readonly {
    readonly link: string;
    readonly entries: readonly [string, string];
    readonly sentence: string;
    /** Whether it leads across the hierarchy. */
    readonly across: boolean;
    readonly mark: 'valid' | 'notValid' | null;
  }[];
  /** Ideas with the links from and to each, most first. */
  readonly degrees: readonly { readonly id: string; readonly from: number; readonly to: number }[];
  /** What hangs together, largest first. */
  readonly islands: readonly (readonly string[])[];
  /** The ideas of the longest chain that is read downwards. */
  readonly chain: readonly string[];
  readonly score: Score;
  /** Beside the key map; null where there is none. */
  readonly compared: Comparison | null;
}

/** O((ideas + links) log ideas), and what comparing with a key takes. */
export function figureMap(diagram: ConceptMap, listing: MapListing): MapFigures {
  const links = linksInOrder(diagram, listing);
  const across = new Set(mapTree(diagram, listing).across.map(({ id }) => id));
  return {
    ideas: listing.ids.length,
    propositions: links.length,
    sentences: links.map((link) => ({
      link: link.id,
      entries: [link.from, link.to],
      sentence: sentenceOf(diagram, link),
      across: across.has(link.id),
      mark: own(diagram.map.marks, link.id) ?? null,
    })),
    degrees: degreesOf(diagram, listing),
    islands: islandsOf(diagram, listing),
    chain: chainOf(diagram, listing),
    score: scoreOf(diagram, listing),
    compared: comparison(diagram),
  };
}

function degreesOf({ links }: ConceptMap, { ids, index }: MapListing): MapFigures['degrees'] {
  const from = new Int32Array(ids.length);
  const to = new Int32Array(ids.length);
  for (const link of Object.values(links)) {
    from[index.get(link.from)!]!++;
    to[index.get(link.to)!]!++;
  }
  return ids
    .map((id, i) => ({ id, from: from[i]!, to: to[i]! }))
    .sort((a, b) => b.from + b.to - a.from - a.to || index.get(a.id)! - index.get(b.id)!);
}

/** What hangs together, the largest first; ids. O(ideas + links). */
export function islandsOf({ links }: ConceptMap, { ids, index }: MapListing): string[][] {
  const near: number[][] = ids.map(() => []);
  for (const { from, to } of Object.values(links)) {
    near[index.get(from)!]!.push(index.get(to)!);
    near[index.get(to)!]!.push(index.get(from)!);
  }
  return connectedParts(ids.length, [near])
    .map((part) => part.map((i) => ids[i]!))
    .sort((a, b) => b.length - a.length);
}

/** The longest chain of links that each lead to a later rank; ids from its first idea to its last. */
function chainOf(diagram: ConceptMap, { ids, index, tier }: MapListing): string[] {
  const longest = new Int32Array(ids.length).fill(1);
  const next = new Int32Array(ids.length).fill(-1);
  const downwards = Object.values(diagram.links)
    .map(({ from, to }) => [index.get(from)!, index.get(to)!] as const)
    .filter(([from, to]) => tier[from]! < tier[to]!)
    .sort((a, b) => tier[b[0]]! - tier[a[0]]! || a[0] - b[0] || a[1] - b[1]);
  for (const [from, to] of downwards)
    if (longest[to]! + 1 > longest[from]!) {
      longest[from] = longest[to]! + 1;
      next[from] = to;
    }
  let at = longest.reduce((best, length, i) => (length > longest[best]! ? i : best), 0);
  const chain: string[] = [];
  for (; ids.length > 0 && at >= 0; at = next[at]!) chain.push(ids[at]!);
  return chain;
}
