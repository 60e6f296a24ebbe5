import { classOf, profileOf, saysNothing, type ColumnProfile } from './cell-shape';
import type { Row } from './delimited';
import { columnUseOf, type Headings } from './headings';
import { foldName, isSumName } from './names';
import { aboveTable } from './title-above';

/** A table and what stands around it. */
export interface TableParts {
  /** From the heading on, where there is one. */
  readonly rows: readonly Row[];
  /** Bits that speak for the first of the rows being a heading and no entry; below 0 it is like the others. */
  readonly heading: number;
  /** Rows of titles and remarks above, of sums, feet of pages, groups and headings that come again: told and kept in the tray. */
  readonly aside: readonly { readonly row: Row; readonly why: string }[];
}

const filledIn = (row: Row): number => row.cells.filter((cell) => cell !== '').length;
/** How far down a heading is looked for, and how many rows tell what a column is like. */
const mostAbove = 20;
const looked = 500;

/** The rows of a table from its heading on, and what stands above, between and below them. O(cells). */
export function tableParts(all: readonly Row[], headings: Headings): TableParts {
  const begin = beginOf(all, headings);
  const aside = all.slice(0, begin).map((row) => ({ row, why: aboveTable }));
  const told = all.slice(begin);
  const [first] = told;
  if (!first || told.length < 2) return { rows: told, heading: 0, aside };
  const heading = headingBits(first, told.slice(1, looked + 1), headings);
  // Our own tables have a column for what found no place, and nothing beside their rows.
  if (first.cells.some((cell) => columnUseOf(cell, headings) === 'tray')) return { rows: told, heading, aside };
  const odd = new OddRows(first, told.slice(1), heading > leastForHeading ? 0 : 1);
  const why = told.map((row, i) => (i === 0 ? null : odd.why(row)));
  // Behind the last of the others there is no group to be the head of.
  for (let i = told.length - 1; i > 0 && why[i] !== null; i--) if (why[i] === isHeadOfGroup) why[i] = null;
  told.forEach((row, i) => why[i] !== null && aside.push({ row, why: why[i]! }));
  const rows = told.filter((_, i) => why[i] === null);
  return { rows, heading, aside: aside.sort((a, b) => a.row.line - b.row.line) };
}

/** Whether rows that were written with a heading would be read as they are: none of them is set aside. */
export const isReadWhole = (written: readonly (readonly string[])[], headings: Headings): boolean =>
  tableParts(
    written.map((cells, i) => ({ line: i + 1, cells })),
    headings,
  ).aside.length === 0;

/** Index of the heading, or of the first full row: every row before it has at most half as many cells filled. */
function beginOf(rows: readonly Row[], headings: Headings): number {
  let widest = 0;
  for (let i = 0; i < Math.min(rows.length, mostAbove); i++) {
    const row = rows[i]!;
    const width = filledIn(row);
    const known = row.cells.filter((cell) => columnUseOf(cell, headings) !== null).length;
    const isHeading = known >= 2 && known * 2 >= width;
    if (isHeading && (i === 0 || widest * 2 <= width)) return i;
    widest = Math.max(widest, width);
  }
  const usual = usualOf(rows.map(filledIn));
  const full = rows.slice(0, mostAbove).findIndex((row) => filledIn(row) > 1);
  if (full <= 0) return 0;
  if (usual > 1) return full;
  // Rows of one cell each, in columns: only a heading has all of them.
  const width = rows.reduce((most, { cells }) => Math.max(most, cells.findLastIndex((cell) => cell !== '') + 1), 0);
  return filledIn(rows[full]!) === width && rows.slice(0, full).every(({ cells }) => cells[0] !== '') ? full : 0;
}

/** How many cells a row has: of most cells, so that few long rows outweigh remarks around them. */
function usualOf(counts: readonly number[]): number {
  const sorted = counts.slice(0, looked).sort((a, b) => a - b);
  const half = sorted.reduce((sum, count) => sum + count, 0) / 2;
  let sum = 0;
  return sorted.find((count) => (sum += count) > half) ?? 0;
}

const bitsOf = (count: number, of: number): number => -Math.log2((count + 0.5) / (of + 1));
/** What one cell may say for a heading at most, and a known word over a column; what is said against it by a value that comes again. */
const mostForCell = 6;
const forKnownWord = 4;
const againstRepeated = 6;
/** So many bits make a heading of a first row whose words nobody knows. */
export const leastForHeading = 3;
/** A table has a heading more often than not. */
const usually = 1;

/** How much more the first row costs as one of the others than as a heading: cells of another sort than those below, values that never come again where others do. */
function headingBits(first: Row, body: readonly Row[], headings: Headings): number {
  const width = Math.max(first.cells.length, ...body.slice(0, 50).map(({ cells }) => cells.length));
  const columnOf = columnsOfValues(body);
  const isAgain = body.some((row) => isRepeated(row, first));
  let bits = usually;
  let known = 0;
  for (let i = 0; i < width; i++) {
    const cell = first.cells[i] ?? '';
    const column = profileOf(body.map(({ cells }) => cells[i] ?? ''));
    if (cell === '') {
      // Every row has something there, and this one has not: rather one of them that lacks it than a heading.
      if (column.filled > 0) bits -= column.main === 'words' ? 0.5 : 0;
      continue;
    }
    if (columnUseOf(cell, headings) !== null) {
      known++;
      bits += forKnownWord;
    }
    if (column.filled < 2) continue;
    const cells = body.flatMap((row) => row.cells[i] || []);
    bits += Math.min(mostForCell, looksOff(cell, cells));
    const told = classOf(cell);
    const ofClass = column.classes.get(told) ?? 0;
    if (told === 'words' || told === 'text' || told === 'code') {
      if (ofClass < column.filled)
        bits += Math.min(mostForCell, bitsOf(ofClass, column.filled) - bitsOf(column.filled, column.filled));
    } else if (ofClass > 0 && told !== 'sign') bits -= mostForCell / 2;
    const key = foldName(cell) || cell;
    const again = column.counts.get(key) ?? 0;
    const elsewhere = columnOf.get(key);
    if (told === 'words' && elsewhere !== undefined && elsewhere !== i) bits -= againstRepeated;
    if (again > 0 && !isAgain) bits -= againstRepeated;
    else if (column.distinct < column.filled * 0.8 && ofClass > 0) {
      const once = [...column.counts.values()].filter((count) => count === 1).length;
      bits += Math.min(mostForCell / 2, Math.max(0, bitsOf(once, column.filled)));
    }
  }
  return known >= 2 ? Math.max(bits, forKnownWord) : bits;
}

/** By value, written in one way: the column it stands in, −1 where it stands in several. O(cells). */
function columnsOfValues(body: readonly Row[]): ReadonlyMap<string, number> {
  const columns = new Map<string, number>();
  for (const { cells } of body)
    cells.forEach((cell, i) => {
      if (cell === '') return;
      const key = foldName(cell);
      const before = columns.get(key);
      columns.set(key, before === undefined || before === i ? i : -1);
    });
  return columns;
}

/** What nearly all cells of a column have and a heading lacks, or the other way round: signs within, and capitals throughout. Bits. */
function looksOff(cell: string, cells: readonly string[]): number {
  let bits = 0;
  for (const look of looks) {
    const has = look(cell);
    const same = cells.filter((other) => look(other) === has).length;
    if (same <= cells.length * 0.15) bits = Math.max(bits, bitsOf(same, cells.length) - 0.5);
  }
  return bits;
}
const looks: readonly ((cell: string) => boolean)[] = [
  (cell) => /\p{Lu}{3}/u.test(cell) && !/\p{Ll}/u.test(cell),
  (cell) => /^\p{Lu}/u.test(cell),
  (cell) => / /.test(cell),
  (cell) => /[/>»→\\|]|::/.test(cell),
];

const isRepeated = (row: Row, heading: Row): boolean =>
  filledIn(row) > 1 && heading.cells.every((cell, i) => foldName(cell) === foldName(row.cells[i] ?? ''));

/** Tells rows that are no entries by their not following the columns. */
class OddRows {
  private readonly columns: readonly ColumnProfile[];
  private readonly features: readonly (readonly number[])[];
  private readonly usual: number;
  private readonly name: number;
  private readonly count: number;
  private readonly empty: readonly number[];
  /** Entries since the last sum, and what numbers of columns add up to. */
  private since: number;
  private readonly sums = new Map<number, number>();
  private readonly addends = new Map<number, number>();
  private readonly last = new Map<number, number>();
  private readonly largest = new Map<number, number>();
  /** Cells that have a row for themselves, by column. */
  private readonly alone = new Set<string>();
  /** By column: the values of others that refer to it, and what their ways begin with. */
  private readonly referred = new Map<number, ReadonlySet<string>>();

  constructor(
    private readonly heading: Row,
    rows: readonly Row[],
    /** Entries before these rows: one where the first is no heading. */
    private entries: number,
  ) {
    this.since = entries;
    const sample = rows.slice(0, looked).filter((row) => !isRepeated(row, heading));
    this.usual = usualOf(sample.map(filledIn));
    const full = sample.filter((row) => filledIn(row) >= Math.min(2, this.usual));
    const width = Math.max(0, ...full.slice(0, 50).map(({ cells }) => cells.length), heading.cells.length);
    const cells = Array.from({ length: width }, (_, i) => full.map((row) => row.cells[i] ?? ''));
    this.count = full.length;
    this.columns = cells.map(profileOf);
    this.empty = cells.map((column) => column.filter((cell) => cell === '').length);
    for (const row of sample)
      if (filledIn(row) === 1)
        row.cells.forEach((cell, i) => {
          if (cell !== '' && !isOfPage(cell) && !hasLine(cell)) this.alone.add(`${i} ${foldName(cell)}`);
        });
    this.features = cells.map((column) =>
      traits.map((trait) => column.filter((cell) => cell !== '' && trait(cell)).length),
    );
    this.name = nameColumn(this.columns);
  }

  /** Why a row is none of the entries; null where it is one. Rows are asked about in their order. */
  why(row: Row): string | null {
    const why = this.told(row);
    if (why === null) {
      this.entries++;
      this.since++;
      row.cells.forEach((cell, i) => {
        const value = amountOf(cell);
        if (value === null) return;
        this.sums.set(i, (this.sums.get(i) ?? 0) + value);
        this.addends.set(i, (this.addends.get(i) ?? 0) + 1);
        this.last.set(i, value);
        this.largest.set(i, Math.max(value, this.largest.get(i) ?? value));
      });
    } else if (why === isSum) this.since = 0;
    return why;
  }

  private told(row: Row): string | null {
    if (isRepeated(row, this.heading)) return 'repeats the heading';
    const filled = row.cells.flatMap((cell, i) => (cell === '' ? [] : [i]));
    if (this.countsOn(row)) return null;
    if (this.isSum(row, filled)) return isSum;
    if (filled.length !== 1) return null;
    const [at] = filled as [number];
    const cell = row.cells[at]!;
    const column = this.columns[at];
    if (!column) return null;
    if (isOfPage(cell)) return isRemark;
    const lacksMuch = this.lackBits(filled) > dearest;
    if (this.count < 3 && !lacksMuch) return hasLine(cell) ? isRemark : null;
    // A number makes a remark of a name only where rows have more than a name.
    const unlike = this.isUnlike(cell, at, at === this.name && this.usual > 1 && !lacksMuch ? hasDigit : null);
    if (this.usual < 2) return unlike ? isRemark : null;
    if (this.isReferred(cell, at)) return null;
    if (unlike) return isRemark;
    if (this.alone.size > this.count * mostAlone) return null;
    if (at !== this.name) return isHeadOfGroup;
    return lacksMuch ? isHeadOfGroup : null;
  }

  /** A word with the count of the entries above, or with what a column adds up to; or the trade's words for a sum, with nothing but numbers beside. */
  private isSum(row: Row, filled: readonly number[]): boolean {
    // The word for it, and the numbers at either side.
    const at = filled.find((i) => amountOf(row.cells[i]!) === null);
    if (at === undefined) return false;
    const rest = filled.filter((i) => i !== at).map((i) => [i, amountOf(row.cells[i]!)] as const);
    if (at === filled[0] && isSumName(row.cells[at]!) && rest.every(([, value]) => value !== null)) return true;
    if (rest.length === 0 || rest.length > Math.max(1, this.usual - 2) || rest.some(([, value]) => value === null))
      return false;
    if (this.entries < 2 || this.isReferred(row.cells[at]!, at) || (at !== filled[0] && rest.length > 1)) return false;
    if (rest.length === 1 && this.lackBits(filled) > dearest * 1.5 && this.isStrange(rest[0]![0], row)) return true;
    if (rest.every(([i]) => this.isOfWords(i))) return true;
    return rest.every(([i, value]) => {
      const column = this.columns[i];
      const counts = value === this.entries || value === this.since;
      if (!column || column.main !== 'number' || column.filled < this.count * 0.5) return counts;
      const isTotal =
        column.distinct > 1 && (this.addends.get(i) ?? 0) > 1 && Math.abs(value! - (this.sums.get(i) ?? 0)) < 0.005;
      if (isTotal && (filled.length < this.usual || (this.entries > 3 && value! > (this.largest.get(i) ?? 0))))
        return true;
      // In a column of numbers a count may be a number like the others: here the row lacks what others have, and numbers do not merely go on.
      return counts && filled.length < this.usual && this.last.get(i) !== value! - 1;
    });
  }

  /** Whether a row has the next number in a column that counts the rows. */
  private countsOn(row: Row): boolean {
    return row.cells.some((cell, i) => {
      const column = this.columns[i];
      const isCount =
        column !== undefined && column.main === 'number' && column.mainShare === 1 && column.distinct === column.filled;
      return isCount && amountOf(cell) === (this.last.get(i) ?? 0) + 1;
    });
  }

  /** Bits for all that a row lacks and others have. */
  private lackBits(filled: readonly number[]): number {
    return this.columns.reduce(
      (sum, { filled: cells }, i) =>
        filled.includes(i) || cells === 0 ? sum : sum + bitsOf(this.empty[i]!, this.count),
      0,
    );
  }

  /** Whether all cells of a column are words, so that a number among them is none of an entry. */
  private isOfWords(at: number): boolean {
    const column = this.columns[at];
    if (!column || column.filled < 5) return false;
    const numbers = (column.classes.get('number') ?? 0) + (column.classes.get('code') ?? 0);
    return numbers <= Math.max(2, column.filled * 0.1) && (column.classes.get('words') ?? 0) >= column.filled * 0.7;
  }

  /** Whether a number stands among words, or comes again where numbers come once. */
  private isStrange(at: number, row: Row): boolean {
    const column = this.columns[at];
    if (!column || column.main !== 'number') return true;
    const again = column.counts.get(foldName(row.cells[at]!)) ?? 0;
    return column.distinct >= column.filled * 0.9 - 1 && again > 1;
  }

  /** Whether a cell has a trait, but for one, that hardly another of its column has. */
  private isUnlike(cell: string, at: number, except: ((cell: string) => boolean) | null): boolean {
    // Columns of rows that have one cell each are alike, and such rows are among those that were looked at.
    const isEach = this.usual < 2;
    const filled = isEach ? this.columns.reduce((sum, column) => sum + column.filled, 0) : this.columns[at]!.filled;
    const have = (k: number): number =>
      isEach ? this.features.reduce((sum, counts) => sum + counts[k]!, 0) - 1 : this.features[at]![k]!;
    const most = Math.max(isEach ? 1 : 0, Math.floor(filled * 0.1));
    return traits.some((trait, k) => trait !== except && trait(cell) && have(k) <= most);
  }

  /** Whether other rows name this cell, in a column of which most values stand in this one. */
  private isReferred(cell: string, at: number): boolean {
    let named = this.referred.get(at);
    if (!named) this.referred.set(at, (named = this.namedBeside(at)));
    return named.has(foldName(cell));
  }

  private namedBeside(at: number): ReadonlySet<string> {
    const own = this.columns[at]!.counts;
    const named = new Set<string>();
    this.columns.forEach(({ counts, distinct }, i) => {
      if (i === at || distinct === 0) return;
      // A way names the row where it begins.
      const keys = [...new Set([...counts.keys()].map(firstStep))];
      const found = keys.filter((key) => own.has(key)).length;
      const alone = keys.filter((key) => !own.has(key) && this.alone.has(`${at} ${key}`)).length;
      if (found === 0 || found + alone < keys.length * 0.5) return;
      for (const key of [...keys, ...counts.keys()]) named.add(key);
    });
    return named;
  }
}

/** What stands before the first sign of a way. */
function firstStep(way: string): string {
  const at = way.search(/[/>»→\\|›]|::/u);
  return at > 0 ? way.slice(0, at).replace(/-$/, '').trim() : way;
}

/** Where more rows than this share stand alone, that is how the table is. */
const mostAlone = 0.3;
/** Rows of one cell in the column of names cost so many bits in all their empty cells before they are taken to head a group. */
const dearest = 5;
const isSum = 'is a sum, not an entry';
const isRemark = 'is a remark or the foot of a page, not an entry';
const isHeadOfGroup = 'stands alone between the rows, as the head of a group does';

const hasDigit = (cell: string): boolean => /\d/.test(cell);
const hasLine = (cell: string): boolean => /_{3}/.test(cell);
/** What a remark or the foot of a page has and a name has not: by these a cell differs from the others of its column. */
export const traits: readonly ((cell: string) => boolean)[] = [
  hasDigit,
  (cell) => /:(\s|$)/.test(cell),
  hasLine,
  (cell) => cell.length > 40,
];

/** The foot of a page, in the languages of the trade: "Page 2", "S. 2 / 3". */
const ofPage =
  /^[-–\s]*(?:pages?|pag|pagina|página|pág|pg|p|seite|s|sida|side|sid|sivu|str|strana|strona|oldal|blad|blz|стр|страница)\.?\s?\d{1,4}(?:\s?(?:\/|\p{L}{1,4})\s?\d{1,4})?[-–\s.]*$/iu;

/** A word with a number of as many or more says the same in any language: "Sayfa 2 / 3". */
const ofSome = /^[-–\s]*\p{L}{1,12}\.?\s(\d{1,4})\s?\/\s?(\d{1,4})[-–\s.]*$/u;

function isOfPage(cell: string): boolean {
  const told = ofSome.exec(cell);
  return ofPage.test(cell) || (told !== null && Number(told[1]) >= 1 && Number(told[1]) <= Number(told[2]));
}

/** The column of names: words that hardly come again, most of them; of such columns the first. */
function nameColumn(columns: readonly ColumnProfile[]): number {
  let best = 0;
  let most = -1;
  columns.forEach((column, i) => {
    const worth = column.main === 'words' && column.filled > 0 ? column.distinct * column.mainShare : 0;
    if (worth > most * 1.1 + 0.5) [best, most] = [i, worth];
  });
  return best;
}

/** A plain whole or decimal number; null for anything else. */
function amountOf(cell: string): number | null {
  if (saysNothing(cell) || !/^[-+]?\d[\d.,\s]*%?$/.test(cell)) return null;
  const value = Number(cell.replace(/[\s%]/g, '').replace(',', '.'));
  return Number.isFinite(value) ? value : null;
}
