import { columnUseOf, type Row } from '../../../read';
import { setHeadings } from './set-list';

/** Cells that say that an item is in a set, and that it is not. */
export const yes =
  /^(x|×|✓|✔|✗|✘|☑|●|•|\*|\+|1|y|yes|ja|j|oui|o|si|s|sí|sì|sim|tak|ano|kyllä|evet|igen|true|wahr|vrai|vero|verdadero|waar|sant|sann)$/iu;
export const no =
  /^(|0|n|no|nein|nee|nej|non|não|nie|ne|ei|hayır|nem|false|falsch|faux|falso|onwaar|falskt|osant|-|−|–|—|☐|○)$/iu;
/** A mark that somebody was not sure of. */
export const unsure = /^\(?[x✓✔]?\s?[?？¿]\)?$/iu;
/** A cross is a mark, but beside ticks it says the contrary. */
const ticks = /^[✓✔☑]$/u;
const crosses = /^[✗✘×xX]$/u;

export const isMark = (cell: string): boolean => yes.test(cell) || no.test(cell) || unsure.test(cell);

/** Rows that tell what a column is like. */
export const looked = 2000;

/** Rows whose marks are written in one way: letters of a language as x and -, without blanks around, and no crosses beside ticks. */
export const withPlainMarks = (rows: readonly Row[]): readonly Row[] =>
  withoutCrosses(withoutBlanks(withoutLetters(rows)));

/** Rows with the cells below the heading changed. */
const changed = (rows: readonly Row[], change: (cell: string, column: number) => string): readonly Row[] =>
  rows.map((row, i) => (i === 0 ? row : { line: row.line, cells: row.cells.map(change) }));

/** First letters of yes and no in languages in which one of them says the contrary elsewhere: the two that a list has tell which. */
const letters: readonly (readonly [yes: string, no: string])[] = [
  ['e', 'h'],
  ['k', 'e'],
  ['t', 'n'],
  ['a', 'n'],
  ['i', 'n'],
  ['d', 'n'],
  ['д', 'н'],
];

/** Rows in which columns of one such pair alone have plain marks instead: at least two columns, and both letters. */
function withoutLetters(rows: readonly Row[]): readonly Row[] {
  const width = rows[0]?.cells.length ?? 0;
  const values = Array.from({ length: width }, (_, i) => {
    const cells = rows.slice(1, looked).map(({ cells: own }) => (own[i] ?? '').trim().toLowerCase());
    return new Set(cells.filter(Boolean));
  });
  for (const [within, outside] of letters) {
    const isOf = values.map(
      (own) =>
        (own.has(within) || own.has(outside)) &&
        [...own].every((cell) => cell === within || cell === outside || unsure.test(cell)),
    );
    const both =
      values.some((own, i) => isOf[i] && own.has(within)) && values.some((own, i) => isOf[i] && own.has(outside));
    if (!both || isOf.filter(Boolean).length < 2) continue;
    const plain = (cell: string): string => {
      const letter = cell.trim().toLowerCase();
      return letter === within ? 'x' : letter === outside ? '-' : cell;
    };
    return changed(rows, (cell, i) => (isOf[i] ? plain(cell) : cell));
  }
  return rows;
}

/** Rows in which the marks of a column of nothing else have no blanks around. */
function withoutBlanks(rows: readonly Row[]): readonly Row[] {
  const width = rows[0]?.cells.length ?? 0;
  const isOfMarks = Array.from({ length: width }, (_, i) => {
    const cells = rows.slice(1, looked).map(({ cells: own }) => (own[i] ?? '').trim());
    const isName = columnUseOf(rows[0]!.cells[i] ?? '', setHeadings) === 'name';
    return !isName && cells.some((cell) => yes.test(cell)) && cells.every(isMark);
  });
  return rows.map(({ line, cells }) => ({
    line,
    cells: cells.map((cell, i) => (isOfMarks[i] && isMark(cell.trim()) ? cell.trim() : cell)),
  }));
}

/** Rows in which a cross beside ticks is no mark. */
function withoutCrosses(rows: readonly Row[]): readonly Row[] {
  const hasTicks = rows.slice(1).some(({ cells }) => cells.some((cell) => ticks.test(cell)));
  if (!hasTicks || !rows.slice(1).some(({ cells }) => cells.some((cell) => crosses.test(cell)))) return rows;
  return changed(rows, (cell) => (crosses.test(cell) ? '-' : cell));
}
