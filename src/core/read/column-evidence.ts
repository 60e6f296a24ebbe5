import { formsOf } from './cell-forms';
import { classOf, type CellClass } from './cell-shape';
import type { Row } from './delimited';
import { foldName } from './names';
import type { Column } from './result';
import { namesOf } from './several';

/** So many rows are looked at. */
const looked = 2000;
/** From this share of its cells on a column is said to name another, or to hold one sort of thing. */
const leastShare = 0.6;

/** A column of which this share of the cells differ can be named by others. */
const mostAlike = 0.95;

/** A column that others may name, and all forms of what stands in it. */
interface Key {
  readonly column: Column;
  readonly known: ReadonlySet<string>;
}

const classes: Partial<Record<CellClass, string>> = { number: 'numbers', date: 'dates', mail: 'mail addresses' };

/**
 * What speaks for what each column was taken for, in words, as whoever looks at the cells would say it: how many are filled and differ, how many stand in
 * another column, what sort of thing they hold. `rows`: without the heading. O(cells).
 */
export function columnEvidence(rows: readonly Row[], columns: readonly Column[]): readonly string[] {
  const sample = rows.slice(0, looked);
  const cells = (index: number): string[] => sample.map((row) => (row.cells[index] ?? '').trim());
  const keys = columns.flatMap((column): Key[] => {
    const filled = cells(column.index).filter(Boolean);
    const isKey = new Set(filled.map(foldName)).size >= Math.max(2, filled.length * mostAlike);
    return isKey ? [{ column, known: new Set(filled.flatMap(formsOf)) }] : [];
  });
  return columns.map((column): string => {
    const filled = cells(column.index).filter(Boolean);
    if (filled.length === 0) return 'all empty';
    const distinct = new Set(filled.map((cell) => foldName(cell) || cell)).size;
    const told = filledWords(filled.length, sample.length);
    if (column.use === 'id' || column.use === 'name')
      return distinct === filled.length ? `${told}, no two alike` : `${told}, ${distinct} different`;
    const named = mostNamed(
      filled,
      keys.filter((key) => key.column !== column),
    );
    if (named) return named;
    const numbers = filled.filter((cell) => /^\d+$/.test(cell) && Number(cell) <= rows.length).length;
    if (column.use === 'parent' && numbers === filled.length) return `${told}, all numbers of rows`;
    for (const [sort, words] of Object.entries(classes)) {
      const of = filled.filter((cell) => classOf(cell) === sort).length;
      if (of >= filled.length * leastShare) return `${of} of ${filled.length} are ${words}`;
    }
    return distinct <= filled.length / 2 ? `${told}, ${distinct} different` : told;
  });
}

const filledWords = (filled: number, of: number): string =>
  filled === of ? `all ${of} filled` : `${filled} of ${of} filled`;

/** The column whose cells are found best in another, said as it is counted. */
function mostNamed(filled: readonly string[], keys: readonly Key[]): string | null {
  let best: { readonly found: number; readonly header: string; readonly index: number } | null = null;
  for (const { column, known } of keys) {
    const isKnown = (name: string): boolean => formsOf(name).some((form) => known.has(form));
    const found = filled.filter((cell) => namesOf(cell, isKnown).every(isKnown)).length;
    if (found > (best?.found ?? 0)) best = { found, header: column.header, index: column.index };
  }
  if (!best || best.found < filled.length * leastShare) return null;
  return `${best.found} of ${filled.length} stand in ${best.header === '' ? `column ${best.index + 1}` : `“${best.header}”`}`;
}
