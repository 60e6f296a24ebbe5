import { own } from '../../../model';
import { example, type Counted, type ConceptMap } from '../model';
import type { MapListing } from '../structure';
import { mapTree } from './tree';

/** What a map is given points for. */
export interface ScoreLine {
  readonly of: keyof Counted;
  readonly counted: number;
  /** What a teacher counts instead; null where the count stands. */
  readonly corrected: number | null;
  readonly each: number;
  readonly points: number;
}

export interface Score {
  readonly lines: readonly ScoreLine[];
  readonly total: number;
}

/** Points for each: J. D. Novak, D. B. Gowin, "Learning How to Learn", 1984. */
const points = { propositions: 1, levels: 5, crossLinks: 10, examples: 1 } as const;

/**
 * The hierarchy and cross-link score of Novak and Gowin 1984: 1 for each valid proposition, 5 for each level of the hierarchy below the first idea, 10 for each
 * valid cross-link, 1 for each example. Propositions that lead to an example count with it; those marked as not valid do not count.
 */
export function scoreOf(diagram: ConceptMap, listing: MapListing): Score {
  const { entries, map } = diagram;
  const isExample = (id: string) => own(entries, id)!.role === example;
  const links = Object.values(diagram.links).filter(
    ({ id, phrase }) => own(map.marks, id) !== 'notValid' && phrase.trim() !== '',
  );
  const valid = new Set(links.map(({ id }) => id));
  const across = new Set(mapTree(diagram, listing).across.map(({ id }) => id));
  const levels = listing.ids.reduce((most, id, i) => (isExample(id) ? most : Math.max(most, listing.tier[i]! - 1)), 0);
  const counted: Record<keyof Counted, number> = {
    propositions: links.filter(({ to }) => !isExample(to)).length,
    levels: links.length === 0 ? 0 : levels,
    crossLinks: links.filter(({ id }) => across.has(id)).length,
    examples: new Set(links.flatMap(({ id, to }) => (valid.has(id) && isExample(to) ? [to] : []))).size,
  };
  const lines = (Object.keys(points) as (keyof Counted)[]).map((of): ScoreLine => {
    const corrected = map.counted[of];
    return { of, counted: counted[of], corrected, each: points[of], points: (corrected ?? counted[of]) * points[of] };
  });
  return { lines, total: lines.reduce((sum, line) => sum + line.points, 0) };
}
