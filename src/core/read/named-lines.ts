import { columnUseOf } from './headings';
import { readClassLines } from './class-lines';
import type { NamedLine } from './named-entries';
import { readPathLines } from './path-lines';
import { nothingRead, type Reading } from './result';
import { readReports } from './report-lines';
import { leastForHeading } from './table-parts';
import type { ListTokens } from './tokens';
import type { RoleWords, TreeVocabulary } from './tree-vocabulary';

/** Lines that name each other: ways, classes with what they hold, sentences that say who is under whom. Null where lines say something else. */
export function readNamedLines(
  tokens: ListTokens,
  { roles, classesAlone = false, headings }: TreeVocabulary,
): Reading | null {
  if (isPlainTable(tokens)) return null;
  const head = tokens.table?.rows[0]?.cells ?? [];
  if (head.filter((cell) => columnUseOf(cell, headings) !== null).length >= 2) return null;
  const classes = readClassLines(tokens, classesAlone);
  if (classes) return readingOf('class-lines', classes, tokens, roles);
  const paths = readPathLines(tokens);
  if (paths) return readingOf('path-lines', paths, tokens, roles);
  const reports = readReports(tokens);
  return reports && readingOf(reports.bySign ? 'signed-lines' : 'sentences', reports.lines, tokens, roles);
}

/** Whether all rows of a table have as many cells, below a heading: then its lines are no sentences or ways. */
function isPlainTable({ table }: ListTokens): boolean {
  if (!table || table.heading <= leastForHeading || table.rows.length < fewestRows) return false;
  const [first] = table.rows;
  return first!.cells.length > 1 && table.rows.every(({ cells }) => cells.length === first!.cells.length);
}
const fewestRows = 4;

function readingOf(structure: string, lines: readonly NamedLine[], tokens: ListTokens, roles: RoleWords): Reading {
  const idOf = (k: number): string => `e${lines[k]!.line}-${k + 1}`;
  return {
    ...nothingRead,
    structure,
    emptyLines: tokens.emptyLines(tokens.filled.length),
    entries: lines.map(({ line, name, parent }, k) => ({
      ...{ id: idOf(k), line, name, details: [], fields: {}, role: roles.ofName(name) },
      parent: parent < 0 ? null : idOf(parent),
    })),
  };
}
