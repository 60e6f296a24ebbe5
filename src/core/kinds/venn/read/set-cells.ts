import {
  foldName,
  partsOf,
  profileOf,
  trayed,
  type Column,
  type ColumnUse,
  type ListTokens,
  type Row,
} from '../../../read';
import { mostSets } from '../model';
import type { Mention, SetList } from './set-list';
import { jointWord } from './sign-lines';

export const columnOf = (head: Row, index: number, use: ColumnUse): Column => ({
  index,
  header: head.cells[index] || `Column ${index + 1}`,
  use,
});

/** Names of sets in one text; those in quotes are taken as they are. */
export const splitSets = (cell: string): string[] =>
  cell.split(/("(?:[^"]|"")*")/).flatMap((part) =>
    part.startsWith('"') && part.endsWith('"') && part.length > 2
      ? [part.slice(1, -1).replaceAll('""', '"')]
      : part
          .split(/[;,/|&+]|\sand\s|\sund\s|\set\s/u)
          .map((one) => one.trim())
          .filter((one) => one !== '' && !/^(none|no|nothing|keine?|-|–)$/iu.test(one)),
  );

const mostColumns = 12;
/** Of the cells of a column of names at least this share is different. */
const leastDifferent = 0.9;

/** A row an item, in one column its name and in another a cell that lists its sets: few, which come again. In any order of columns. O(cells). */
export function fromCells(head: Row, body: readonly Row[], tokens: ListTokens): SetList | null {
  const width = Math.min(mostColumns, head.cells.length);
  const cells = Array.from({ length: width }, (_, i) => body.map((row) => row.cells[i] ?? ''));
  const profiles = cells.map(profileOf);
  const all = cells.map(listsIn);
  const several = all.map((lists) => lists?.filter((list) => list.length > 1).length ?? 0);
  // Names hardly come again, and are no lists; of such columns the first with most.
  const [name] = profiles
    .flatMap(({ main, filled, distinct: different }, i) =>
      main === 'words' && different >= filled * leastDifferent ? [{ i, different }] : [],
    )
    .sort((a, b) => several[a.i]! - several[b.i]! || b.different - a.different || a.i - b.i)
    .map(({ i }) => i);
  if (name === undefined) return null;
  for (let at = 0; at < width; at++) {
    if (at === name) continue;
    const lists = all[at];
    const found = lists && setsIn(lists, cells[name]!, tokens.useOf(head.cells[at] ?? ''));
    if (!found) continue;
    const nameless = body.filter((row) => (row.cells[name] ?? '') === '' && row.cells.some((cell) => cell !== ''));
    const others = cells.flatMap((_, i) => (i === at || i === name ? [] : [i]));
    return {
      told: 'set-lists',
      universe: '',
      apart: false,
      notPlaced: nameless.map((row) => trayed(row, `Line ${row.line} has no name.`)),
      sets: found,
      mentions: body.flatMap((row, k): Mention[] => {
        const item = row.cells[name] ?? '';
        const beyond = [...others.map((i) => row.cells[i] ?? ''), ...row.cells.slice(width)];
        const details = beyond.slice(0, beyond.findLastIndex((cell) => cell !== '') + 1);
        return item === '' ? [] : [{ line: row.line, name: item, details, fields: {}, sets: lists[k]! }];
      }),
      columns: cells.map((_, i) => columnOf(head, i, i === name ? 'name' : i === at ? 'set' : 'detail')),
      header: true,
      findings: [],
    };
  }
  return null;
}

/** The names that each text lists, parted by signs and by a short word between them, "and" in any language. */
export function partedLists(texts: readonly string[]): string[][] {
  const plain = texts.map(splitSets);
  const word = jointWord(plain.flat());
  return word === null ? plain : plain.map((list) => list.flatMap((part) => partsOf(part, word)));
}

/** The names that each cell lists; null where no cell has several. */
function listsIn(cells: readonly string[]): string[][] | null {
  const told = partedLists(cells);
  return told.some((list) => list.length > 1) ? told : null;
}

/** The sets that lists name: few, each more than once, and none of the items; under a heading that speaks of superiors nobody of the list. */
function setsIn(lists: readonly string[][], items: readonly string[], use: string | null): string[] | null {
  const sets = distinct(lists.flat());
  const filled = lists.filter((list) => list.length > 0).length;
  if (sets.length < 2 || sets.length > mostSets || filled <= sets.length || areWays(lists)) return null;
  const keys = new Set(sets.map(foldName));
  const named = items.filter((item) => keys.has(foldName(item))).length;
  const isOfSuperiors = ['parent', 'alsoUnder'].includes(use ?? '');
  return named > (isOfSuperiors ? 0 : sets.length / 2) ? null : sets;
}

/** Whether lists are ways from the top: longer ones begin with the whole of others, all with the same. */
function areWays(lists: readonly string[][]): boolean {
  const filled = lists.filter((list) => list.length > 0).map((list) => list.map(foldName));
  const known = new Set(filled.map((list) => list.join('\n')));
  const long = filled.filter((list) => list.length > 1);
  const first = filled[0]?.[0];
  return filled.every((list) => list[0] === first) && long.every((list) => known.has(list.slice(0, -1).join('\n')));
}

export function distinct(names: readonly string[]): string[] {
  const seen = new Map<string, string>();
  for (const name of names) if (!seen.has(foldName(name))) seen.set(foldName(name), name);
  return [...seen.values()];
}
