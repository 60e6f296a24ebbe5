import { CellForms } from './cell-forms';
import { classOf, type CellClass } from './cell-shape';
import type { Row } from './delimited';
import { foldName } from './names';
import type { Column, Reading } from './result';
import { namesOf } from './several';
import type { ListTokens } from './tokens';

/** So many rows are looked at. */
const looked = 2000;
/** From this share of its cells on a column is said to name another, or to hold one sort of thing. */
const leastShare = 0.6;
/** A column of which this share of the cells differ can be named by others. */
const mostAlike = 0.95;

/** Parts of a column whose cells name nothing that stands elsewhere, however alike they look. */
const namesNobody = new Set(['detail', 'field', 'leftOut', 'tray']);

const classes: Partial<Record<CellClass, string>> = { number: 'numbers', date: 'dates', mail: 'mail addresses' };

/** The rows of the table that a list was read as, without its heading; none where it is no table. */
export function bodyOf({ table }: ListTokens, { header }: Reading): readonly Row[] {
  if (!table) return [];
  return header ? table.rows.slice(1) : table.rows;
}

/** What the cells of one column are like. */
interface Seen {
  readonly filled: readonly string[];
  readonly distinct: number;
  /** All forms of its cells by which others may name them, where it hardly repeats itself. */
  readonly known: ReadonlySet<number> | null;
}

/**
 * What speaks for what each column was taken for, in words, as whoever looks at the cells would say it: how many are filled and differ, how many stand in
 * another column, what sort of thing they hold. Cells are looked at once, however many kinds ask. O(cells × columns).
 */
export class ColumnEvidence {
  private readonly forms = new CellForms();
  private readonly seen: Seen[] = [];
  private readonly found: number[][] = [];

  /** `rows`: without the heading. */
  constructor(private readonly rows: readonly Row[]) {}

  of(columns: readonly Column[]): readonly string[] {
    return columns.map((column) => this.wordsFor(column, columns));
  }

  private wordsFor({ index, use }: Column, columns: readonly Column[]): string {
    const { filled, distinct } = this.column(index);
    if (filled.length === 0) return 'all empty';
    const sample = Math.min(looked, this.rows.length);
    const told = filled.length === sample ? `all ${sample} filled` : `${filled.length} of ${sample} filled`;
    if (use === 'id' || use === 'name')
      return distinct === filled.length ? `${told}, no two alike` : `${told}, ${distinct} different`;
    const named = namesNobody.has(use) ? null : this.mostNamed(index, columns);
    if (named) return named;
    const numbers = filled.filter((cell) => /^\d+$/.test(cell) && Number(cell) <= this.rows.length).length;
    if (use === 'parent' && numbers === filled.length) return `${told}, all numbers of rows`;
    for (const [sort, words] of Object.entries(classes)) {
      const of = filled.filter((cell) => classOf(cell) === sort).length;
      if (of >= filled.length * leastShare) return `${of} of ${filled.length} are ${words}`;
    }
    return distinct <= filled.length / 2 ? `${told}, ${distinct} different` : told;
  }

  private column(index: number): Seen {
    return (this.seen[index] ??= this.look(index));
  }
  private look(index: number): Seen {
    const filled = this.rows.slice(0, looked).flatMap(({ cells }) => (cells[index] ?? '').trim() || []);
    const distinct = new Set(filled.map((cell) => foldName(cell) || cell)).size;
    const isKey = distinct >= Math.max(2, filled.length * mostAlike);
    return { filled, distinct, known: isKey ? new Set(filled.flatMap((cell) => this.forms.of(cell))) : null };
  }

  /** How many cells of a column name what stands in another. */
  private foundIn(index: number, key: number): number {
    return ((this.found[index] ??= [])[key] ??= this.countFound(index, key));
  }
  private countFound(index: number, key: number): number {
    const { known } = this.column(key);
    if (!known) return 0;
    const isKnown = (name: string): boolean => this.forms.of(name).some((form) => known.has(form));
    return this.column(index).filled.filter((cell) => namesOf(cell, isKnown).every(isKnown)).length;
  }

  /** The column whose cells are named best by another, said as it is counted. */
  private mostNamed(index: number, columns: readonly Column[]): string | null {
    const others = columns.filter((column) => column.index !== index);
    const counts = others.map((column) => this.foundIn(index, column.index));
    const most = Math.max(0, ...counts);
    const filled = this.column(index).filled.length;
    if (most === 0 || most < filled * leastShare) return null;
    const { header, index: key } = others[counts.indexOf(most)]!;
    return `${most} of ${filled} stand in ${header === '' ? `column ${key + 1}` : `“${header}”`}`;
  }
}
