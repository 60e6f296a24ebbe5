import { foldName, leastForHeading, profileOf, rowsLooked, type TableTokens } from '../../../read';

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
 * end. `told`: what headings say. Null where no columns do. O(columns² × rows looked at).
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
  const words = profiles.flatMap(({ main, filled }, i) =>
    main === 'words' && filled >= body.length * least.full ? [i] : [],
  );
  const phrases = words.filter((i) => arePhrases(cells[i]!));
  if (phrases.length === 0) return null;
  const pairs = words.flatMap((from, k) =>
    words.slice(k + 1).map((to) => ({ from, to, again: shareAgain(cells[from]!, cells[to]!) })),
  );
  let best: { from: number; to: number; phrase: number; again: number } | null = null;
  for (const phrase of phrases) {
    const isStray = (end: number) => [...profiles[phrase]!.counts.keys()].some((key) => profiles[end]!.counts.has(key));
    for (const { from, to, again } of pairs) {
      if (from === phrase || to === phrase || again < least.again || again <= (best?.again ?? 0)) continue;
      if (!isStray(from) && !isStray(to)) best = { from, to, phrase, again };
    }
  }
  if (!best) return null;
  const uses: Found['uses'][number][] = profiles.map(() => 'field');
  const isTurned = told[best.from] === 'to' || (told[best.to] === 'from' && told[best.from] !== 'from');
  uses[best.from] = isTurned ? 'to' : 'from';
  uses[best.to] = isTurned ? 'from' : 'to';
  uses[best.phrase] = 'phrase';
  return { header, uses };
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
  const [from, to] = [first.map(foldName), second.map(foldName)];
  const seen = new Map<string, number>();
  for (const key of [...from, ...to]) seen.set(key, (seen.get(key) ?? 0) + 1);
  return from.filter((key, row) => seen.get(key)! > 1 || seen.get(to[row]!)! > 1).length / from.length;
}
