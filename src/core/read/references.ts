import { classOf, isAmount, profileOf, saysNothing, type ColumnProfile } from './cell-shape';
import { withoutEnd } from '../model';
import { NameIndex } from './name-index';
import { foldName, turned } from './names';

/** How cells may name what stands in another column, from the strictest: as it is, surname first, an address bare, a number without zeros and letters around it. */
export function formsOf(cell: string): string[] {
  const forms = [foldName(cell)];
  const add = (form: string) => {
    if (form !== '' && !forms.includes(form)) forms.push(form);
  };
  if (cell.includes(',')) add(foldName(turned(cell)));
  const mail = mailIn(cell);
  if (mail) add(mail);
  const sort = classOf(cell);
  if (sort === 'number' || sort === 'code') {
    const plain = withoutEnd(cell.trim().toLowerCase(), ').');
    const at = plain.search(/\d/);
    const figures = plain.slice(Math.max(0, at));
    if (at >= 0 && /^\d+$/.test(figures)) {
      const value = figures.replace(/^0+(?=\d)/, '');
      add(`${plain.slice(0, at).replace(/[^\p{L}]/gu, '')}${value}`);
      add(value);
    }
  }
  return forms;
}

/** The address of mail in a cell, as `mailto:` or behind a name in angle brackets too; null for none. */
export function mailIn(cell: string): string | null {
  if (!cell.includes('@') || cell.length > 300) return null;
  const open = cell.lastIndexOf('<');
  const close = cell.indexOf('>', open);
  const inside = open >= 0 && close > open ? cell.slice(open + 1, close) : cell.trim();
  const bare = inside.replace(/^mailto:/i, '').toLowerCase();
  return /^[^\s@]+@[^\s@]+$/.test(bare) ? bare : null;
}

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

const looked = 2000;
const mostColumns = 40;
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
  const rows = body.slice(0, looked);
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
  const try_ = (loosely: boolean) => {
    for (const { key, cells } of keys) {
      const index = new Key(cells, loosely);
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

const isKey = ({ filled, distinct, main }: ColumnProfile, rows: number): boolean =>
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

/** The cells of a key by all their forms. */
class Key {
  private readonly byForm = new Map<string, number>();
  private readonly names: NameIndex | null;
  private readonly loose = new Map<string, number>();
  readonly count: number;

  constructor(cells: readonly string[], loosely: boolean) {
    this.count = cells.length;
    this.names = loosely && cells.some((cell) => classOf(cell) === 'words') ? new NameIndex(1) : null;
    cells.forEach((cell, row) => {
      if (cell !== '') for (const form of formsOf(cell)) if (!this.byForm.has(form)) this.byForm.set(form, row);
      this.names?.add(foldName(turned(cell)));
    });
  }

  /** The row that a cell names; −1 for none. */
  find(cell: string): number {
    for (const form of formsOf(cell)) {
      const row = this.byForm.get(form);
      if (row !== undefined) return row;
    }
    if (!this.names || classOf(cell) !== 'words') return -1;
    const asked = foldName(turned(cell));
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

/** The share of rows that stand in a ring or lead into one. */
function ringShare(to: readonly number[]): number {
  const state = new Int8Array(to.length);
  let inRing = 0;
  for (let i = 0; i < to.length; i++) {
    const way: number[] = [];
    let at = i;
    while (at >= 0 && state[at] === 0) {
      state[at] = 1;
      way.push(at);
      at = to[at]!;
    }
    if (at >= 0 && state[at] === 1) inRing += way.length - way.indexOf(at);
    for (const one of way) state[one] = 2;
  }
  return to.length === 0 ? 0 : inRing / to.length;
}
