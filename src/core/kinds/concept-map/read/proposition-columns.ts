import { foldName, leastForHeading, profileOf, rowsLooked, type ColumnProfile, type TableTokens } from '../../../read';

const mostColumns = 12;
const fewestRows = 2;
/** Shares of rows: that are full, of which an end stands at another end too, whose phrase begins small and is short. */
const least = { full: 0.8, again: 0.5, phrases: 0.8 };
const longestPhrase = 5;

interface Found {
  readonly uses: readonly ('from' | 'phrase' | 'to' | 'field')[];
  readonly header: boolean;
}

/**
 * Which columns of a table tell propositions, by their cells: the ends are two columns of which ideas come again in both, the phrase is words that stand at no
 * end. `told`: what headings say. Null where the rows tell something else, as who is under whom: there one end names each once. O(columns² × rows looked at).
 */
export function propositionsIn(
  { rows, heading }: TableTokens,
  told: readonly (string | null)[],
  width: number,
): Found | null {
  const header = heading > leastForHeading || told.some((use) => use === 'from' || use === 'to' || use === 'phrase');
  const body = (header ? rows.slice(1) : rows).slice(0, rowsLooked);
  if (body.length < fewestRows || width < 3 || width > mostColumns) return null;
  const cells = Array.from({ length: width }, (_, i) => body.map((row) => (row.cells[i] ?? '').trim()));
  const profiles = cells.map(profileOf);
  const isFull = ({ filled }: ColumnProfile) => filled >= body.length * least.full;
  const words = profiles.flatMap((profile, i) => (profile.main === 'words' && isFull(profile) ? [i] : []));
  let best: { ends: readonly [number, number]; phrase: number; worth: number } | null = null;
  for (const phrase of words) {
    if (!arePhrases(cells[phrase]!)) continue;
    for (const [k, first] of words.entries())
      for (const second of words.slice(k + 1)) {
        if (first === phrase || second === phrase) continue;
        const again = shareAgain(cells[first]!, cells[second]!);
        const stray = [...profiles[phrase]!.counts.keys()].filter(
          (key) => profiles[first]!.counts.has(key) || profiles[second]!.counts.has(key),
        ).length;
        const worth = again - stray / profiles[phrase]!.distinct;
        if (again >= least.again && stray === 0 && (best === null || worth > best.worth))
          best = { ends: [first, second], phrase, worth };
      }
  }
  if (!best) return null;
  const [first, second] = best.ends;
  const isTurned = told[first] === 'to' || (told[second] === 'from' && told[first] !== 'from');
  const { phrase } = best;
  return {
    header,
    uses: profiles.map((_, i) =>
      i === phrase
        ? 'phrase'
        : i === (isTurned ? second : first)
          ? 'from'
          : i === (isTurned ? first : second)
            ? 'to'
            : 'field',
    ),
  };
}

/** Among columns that no heading tells the one whose cells are phrases; −1 where none or several are. */
export function phraseColumn({ rows }: TableTokens, open: readonly number[]): number {
  const body = rows.slice(1, rowsLooked);
  const found = open.filter((i) => arePhrases(body.map(({ cells }) => (cells[i] ?? '').trim())));
  return found.length === 1 ? found[0]! : -1;
}

/** Whether cells are phrases: short, of words that begin small, most of them. */
function arePhrases(cells: readonly string[]): boolean {
  const filled = cells.filter(Boolean);
  const phrases = filled.filter(
    (cell) => /^\p{Ll}[\p{L}\s'’-]*$/u.test(cell) && cell.split(/\s+/).length <= longestPhrase,
  );
  return filled.length > 0 && phrases.length >= filled.length * least.phrases;
}

/** The share of rows of which an end stands in other rows too, on either side. */
function shareAgain(first: readonly string[], second: readonly string[]): number {
  const seen = new Map<string, number>();
  const key = (cell: string) => foldName(cell);
  for (const cell of [...first, ...second]) seen.set(key(cell), (seen.get(key(cell)) ?? 0) + 1);
  const rows = first.filter((cell, row) => seen.get(key(cell))! > 1 || seen.get(key(second[row]!))! > 1);
  return rows.length / first.length;
}
