import { foldName } from './names';
import { partsOf } from './several';

/** Signs that part the steps of a path, with blanks around them. */
const apart = [' > ', ' » ', ' :: ', ' → ', ' -> ', ' | ', ' / ', ' \\ ', ' › '] as const;
/** In cells, the plainest last. */
const signs = [...apart, '\\', '>', '»', '::', '→', '/', '|', ' - ', ' – ', '.'] as const;
/** In lines of text a sign must stand alone, and may point back. */
export const signsInLines = [...apart, ' - ', ' – ', ' < ', ' ← '] as const;

const least = { parted: 0.4, known: 0.6 };

/** Whole ways to the entries of rows, from the top; the row's own name is the last step. */
export interface Paths {
  readonly column: number;
  /** By row: the steps, none where the row tells none. */
  readonly ways: readonly (readonly string[])[];
}

/** Whether cells without a sign between steps are steps of the others, or rows. */
function areSteps(cells: readonly string[], sign: string, names: readonly string[] | null): boolean {
  const steps = new Set(cells.flatMap((cell) => (cell.includes(sign) ? partsOf(cell, sign).map(foldName) : [])));
  for (const name of names ?? []) steps.add(foldName(name));
  return cells.every((cell) => cell === '' || cell.includes(sign) || steps.has(foldName(cell)));
}

const keyOf = (steps: readonly string[]): string => steps.map(foldName).join('\n');

/**
 * The column of a table that tells the way to each row from the top, with or without the row's own name at its end; null for none. It is one where most ways
 * above a row are ways of other rows too. `names`: the names of the rows, null where the way alone names them. O(cells).
 */
export function findPaths(
  body: readonly (readonly string[])[],
  names: readonly string[] | null,
  columns: readonly number[],
  { among = signs, known: leastKnown = least.known }: { among?: readonly string[]; known?: number } = {},
): Paths | null {
  let best: { paths: Paths; share: number } | null = null;
  for (const column of columns)
    for (const sign of among) {
      const cells = body.map((row) => row[column] ?? '');
      const filled = cells.filter((cell) => cell !== '').length;
      const parted = cells.filter((cell) => cell.includes(sign)).length;
      if (parted < 2 || (parted < filled * least.parted && !areSteps(cells, sign, names))) continue;
      const steps = cells.map((cell) => partsOf(cell, sign));
      const own =
        names && steps.filter((way, i) => way.length > 0 && foldName(way.at(-1)!) === foldName(names[i]!)).length;
      const withSelf = own === null || own >= filled * 0.8;
      const ways = withSelf ? steps : steps.map((way, i) => [...way, names![i]!]);
      const known = new Set(ways.map(keyOf));
      const below = ways.filter((way) => way.length > 1);
      const found = below.filter((way) => known.has(keyOf(way.slice(0, -1)))).length;
      const share = below.length === 0 ? 0 : found / below.length;
      if (
        share >= leastKnown &&
        new Set(ways.map((way) => way.length)).size > 1 &&
        (best === null || share > best.share)
      )
        best = { paths: { column, ways }, share };
    }
  return best?.paths ?? null;
}

/** Fewer ways of several steps may be so by chance. */
const fewestLong = 3;

/** Whether no two rows have one way; sets in common are told by several. */
const areDifferent = (found: Paths | null): boolean =>
  found !== null &&
  found.ways.filter((way) => way.length > 1).length >= fewestLong &&
  new Set(found.ways.map(keyOf)).size >= found.ways.length * 0.95;

const mostColumns = 8;
const looked = 300;
/** Signs that hardly stand in names and numbers. */
const plain = [...apart, '\\', '>', '»', '::', '→', '/', '|'];

/** The ways that some column of a table tells to its rows; null where none does. Looks at a sample. O(columns² × rows looked at). */
function waysIn(body: readonly (readonly string[])[]): Paths | null {
  const rows = body.slice(0, looked);
  const width = Math.min(
    mostColumns,
    rows.reduce((most, cells) => Math.max(most, cells.length), 0),
  );
  const columns = Array.from({ length: width }, (_, i) => i);
  const how = { among: plain, known: 0.8 };
  for (const way of columns) {
    if (!rows.some((cells) => plain.some((sign) => cells[way]?.includes(sign)))) continue;
    const alone = findPaths(rows, null, [way], how);
    if (areDifferent(alone)) return alone;
    for (const name of columns) {
      const names = rows.map((cells) => cells[name] ?? '');
      const found = name === way ? null : findPaths(rows, names, [way], how);
      if (found && found.ways.filter((steps) => steps.length > 2).length >= fewestLong) return found;
    }
  }
  return null;
}

/** Whether some column of a table tells the ways to its rows, so that its parts are neither sets nor parents. */
export const hasWays = (body: readonly (readonly string[])[]): boolean => waysIn(body) !== null;

/** Whether the first of the rows stands over a column of ways: what it says there is no step of any. */
export function standsOverWays(rows: readonly (readonly string[])[]): boolean {
  const found = waysIn(rows.slice(1));
  const over = foldName(rows[0]?.[found?.column ?? 0] ?? '');
  return found !== null && over !== '' && !found.ways.some((steps) => steps.some((step) => foldName(step) === over));
}

/** By way: its number in the list of all ways, and the number of the way above; ways that nobody told are made where they are missing. */
export function treeOfPaths(ways: readonly (readonly string[])[]): {
  readonly nodes: readonly { readonly name: string; readonly parent: number; readonly from: number }[];
  readonly of: readonly number[];
} {
  const nodes: { name: string; parent: number; from: number }[] = [];
  const known = new Map<string, number>();
  const of = ways.map((way, from) => {
    let at = -1;
    for (const name of way) {
      const key = `${at}\n${foldName(name)}`;
      let next = known.get(key);
      if (next === undefined) known.set(key, (next = nodes.push({ name, parent: at, from }) - 1));
      at = next;
    }
    return at;
  });
  return { nodes, of };
}
