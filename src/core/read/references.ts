import { classOf, isAmount, profileOf, saysNothing, type ColumnProfile } from './cell-shape';
import { CellForms, RowByForm } from './cell-forms';
import { NameIndex } from './name-index';
import { foldName, turned } from './names';
import { ringShare } from './rings';

/** A column of which each cell names another row, by what stands in the key. */
export interface Reference {
  /** The columns of the key: one, or two of a name in two parts. */
  readonly key: readonly number[];
  readonly column: number;
  /** Cells that say something, and of these those that name a row. */
  readonly filled: number;
  readonly found: number;
  /** By row: the row that is named; −1 for none. */
  readonly to: readonly number[];
  /** Bits that are saved by writing rows instead of letters. */
  readonly saved: number;
  /** The share of rows that stand in a ring. */
  readonly rings: number;
}

/** Rows of the sample that columns are held against each other by. */
export const rowsLooked = 2000;
/** Further columns are not held against each other. */
export const mostColumns = 40;
/** What makes a key, a reference and a forest, as shares of rows or cells. */
const least = { keyFilled: 0.6, keyDistinct: 0.8, found: 0.55, someFound: 0.3 };
const mostUnknown = 2;
/** Columns with more amounts than this share name nobody. */
const mostAmounts = 0.3;
const mostRings = 0.35;
const letterBits = 4.5;
const digitBits = 3.3;

/**
 * Which columns name rows of the table, best first, by inclusion between columns (De Marchi, Lopes and Petit 2002; what tells a reference from chance: Rostin
 * et al. 2009). `body`: rows without heading. `inTwoParts`: names may stand in two columns. Looks at a sample of the rows. O(columns² × rows of the sample).
 */
export function findReferences(body: readonly (readonly string[])[], { inTwoParts = true } = {}): Reference[] {
  const rows = body.slice(0, rowsLooked);
  const width = Math.min(
    mostColumns,
    rows.reduce((most, cells) => Math.max(most, cells.length), 0),
  );
  const columns = Array.from({ length: width }, (_, i) => rows.map((cells) => cells[i] ?? ''));
  const profiles = columns.map(profileOf);
  const amounts = columns.map((cells, i) => cells.filter(isAmount).length > profiles[i]!.filled * mostAmounts);
  const found: Reference[] = [];
  const keys: { key: number[]; cells: string[] }[] = profiles.flatMap((profile, i) =>
    isKey(profile, rows.length) && !amounts[i] ? [{ key: [i], cells: columns[i]! }] : [],
  );
  const cellLooks = new Looks();
  const try_ = (loosely: boolean) => {
    for (const { key, cells } of keys) {
      const index = new Key(cellLooks, cells, loosely);
      columns.forEach((column, i) => {
        if (key.includes(i) || profiles[i]!.filled < 1 || amounts[i]) return;
        const one = referenceTo(index, key, column, i);
        if (one) found.push(one);
      });
    }
  };
  try_(false);
  if (found.length === 0) {
    if (inTwoParts) keys.push(...namesInTwoParts(columns, profiles, rows.length));
    try_(true);
  }
  return found.sort((a, b) => b.saved - a.saved);
}

/** Whether a column's cells may tell its rows apart: they hardly come again, and few lack one. */
export const isKey = ({ filled, distinct, main }: ColumnProfile, rows: number): boolean =>
  main !== 'date' &&
  main !== 'sign' &&
  filled >= rows * least.keyFilled &&
  filled >= 2 &&
  distinct >= filled * least.keyDistinct;

/** Neighbouring columns of words that together hardly come again, written either way round. */
function namesInTwoParts(
  columns: readonly string[][],
  profiles: readonly ColumnProfile[],
  rows: number,
): { key: number[]; cells: string[] }[] {
  return profiles.slice(1).flatMap((second, k) => {
    const first = profiles[k]!;
    if (
      first.main !== 'words' ||
      second.main !== 'words' ||
      Math.max(first.filled, second.filled) < rows * least.keyFilled
    )
      return [];
    return [
      [k, k + 1],
      [k + 1, k],
    ].map((key) => ({ key, cells: columns[key[0]!]!.map((cell, row) => `${cell} ${columns[key[1]!]![row]!}`.trim()) }));
  });
}

/** What all cells are by their class and with given names first, each looked at once. */
class Looks {
  readonly forms = new CellForms();
  private readonly asked = new Map<string, string | null>();

  /** A name, folded, with given names first; null of what is no words. */
  nameOf(cell: string): string | null {
    let name = this.asked.get(cell);
    if (name === undefined) {
      name = classOf(cell) === 'words' ? foldName(turned(cell)) : null;
      this.asked.set(cell, name);
    }
    return name;
  }
}

/** The cells of a key by all their forms. */
class Key {
  private readonly byForm: RowByForm;
  private readonly names: NameIndex | null;
  private readonly loose = new Map<string, number>();
  readonly count: number;

  constructor(
    private readonly looks: Looks,
    cells: readonly string[],
    loosely: boolean,
  ) {
    this.count = cells.length;
    this.byForm = new RowByForm(looks.forms, cells);
    this.names = loosely && cells.some((cell) => looks.nameOf(cell) !== null) ? new NameIndex(1) : null;
    for (const cell of this.names ? cells : []) this.names!.add(looks.nameOf(cell) ?? foldName(turned(cell)));
  }

  /** The row that a cell names; −1 for none. */
  find(cell: string): number {
    const exact = this.byForm.find(cell);
    if (exact !== undefined) return exact;
    const asked = this.names && this.looks.nameOf(cell);
    if (!this.names || asked === null) return -1;
    let row = this.loose.get(asked);
    if (row === undefined) this.loose.set(asked, (row = this.names.standingFor(asked)[0] ?? -1));
    return row;
  }
}

function referenceTo(index: Key, key: readonly number[], column: readonly string[], at: number): Reference | null {
  const unknown = new Set<string>();
  let filled = 0;
  let found = 0;
  let own = 0;
  let saved = 0;
  const rowBits = Math.log2(index.count + 1);
  const to = column.map((cell, row) => {
    if (saysNothing(cell)) return -1;
    filled++;
    const named = index.find(cell);
    const cost = cell.length * (/\p{L}/u.test(cell) ? letterBits : digitBits);
    if (named < 0) {
      unknown.add(cell);
      saved -= Math.min(cost, letterBits * 2);
      return -1;
    }
    found++;
    if (named === row) {
      own++;
      return -1;
    }
    saved += Math.max(0.5, cost - rowBits);
    return named;
  });
  // Those at the top may have no row of their own.
  const isFound = found >= filled * least.found || (unknown.size <= mostUnknown && found >= filled * least.someFound);
  if (found - own < 1 || !isFound || own > Math.max(1, found * 0.3)) return null;
  const rings = ringShare(to);
  if (rings > mostRings || to.every((row) => row >= 0)) return null;
  return { key, column: at, filled, found, to, saved: saved * (1 - rings), rings };
}
