import { evenKeys, limits, pushTo, type Entry, type Finding, type Link, type Unplaced } from '../model';
import { readFinding } from './codes';
import { findColumns } from './columns';
import { withinLimits } from './fit';
import { columnUseOf } from './headings';
import { foldName } from './names';
import { readLevels } from './levels';
import { readNamedLines } from './named-lines';
import { readOutline } from './outline';
import { depthsOf } from './outline-depths';
import { isOpen, nothingRead, type Column, type ReadChoices, type Reading } from './result';
import { rowStructure } from './row-structure';
import { nameOf, readTable } from './table';
import type { ListTokens, TableTokens } from './tokens';
import type { TreeVocabulary } from './tree-vocabulary';

/**
 * Reads a list of entries that stand under each other, as it is. Never throws for what stands in it; findings and questions say what was unsure. The
 * kind gives its words.
 */
export function readTree(tokens: ListTokens, choices: ReadChoices, vocabulary: TreeVocabulary): Reading {
  if (tokens.refusal) return { ...nothingRead, findings: [tokens.refusal] };
  const levels = tokens.table && choices.structure !== 'outline' ? readLevels(tokens, tokens.table, choices) : null;
  const named = isOpen(choices) && !levels ? readNamedLines(tokens, vocabulary) : null;
  const table = levels || named ? null : tableOf(tokens, choices, vocabulary);
  const asTable = table && readTable(tokens, table, choices, vocabulary);
  const result = levels ?? named ?? asTable ?? readOutline(tokens, vocabulary.roles);
  return withinLimits(withGeneralFindings(withinCount(result), vocabulary));
}

/** True where a text is read as a table and not as an outline. */
export const isReadAsTable = (tokens: ListTokens, vocabulary: TreeVocabulary): boolean =>
  tableOf(tokens, {}, vocabulary) !== null;

/** The table where the text is one with entries in it, null where it is an outline. */
function tableOf(tokens: ListTokens, choices: ReadChoices, vocabulary: TreeVocabulary): TableTokens | null {
  if (choices.structure === 'outline') return null;
  const { table } = tokens;
  if (!table || choices.structure === 'table') return table;
  const rows = table.rows.length > mostLookedAt ? table.rows.slice(0, mostLookedAt) : table.rows;
  // Cells that never stand beside another are lines that are indented.
  if (table.delimiter === '\t' && rows.every(({ cells }) => cells.filter((cell) => cell !== '').length < 2))
    return null;
  const { heading } = table;
  const found = findColumns({ rows, heading }, choices.firstRow ? { firstRow: choices.firstRow } : {}, vocabulary);
  const { columns, header, borneOut } = found;
  if (borneOut) return table;
  const told = columns.some((column) => column.use === 'parent');
  const isAligned = table.delimiter === 'blanks';
  // One blank before a cell is not yet an indent.
  const indented = isAligned ? 0 : tokens.source.filter((line) => /^( {2,}|\t+)\S/.test(line)).length;
  const isIndented = indented > rows.length * 0.2;
  if (!isIndented && !told && rowStructure(header ? rows.slice(1) : rows, found, (row) => nameOf(row, found)))
    return table;
  const known = rows[0]?.cells.filter((cell) => columnUseOf(cell, vocabulary.headings) !== null).length ?? 0;
  if (isIndented && (!header || (known < 2 && !told))) return null;
  // Lines that stand under each other say more than a table in which nothing does.
  if (!told && known < 2 && !isAligned && isLayered(tokens)) return null;
  // Commas stand in many a line that is none of a table.
  if (!told && known < 2 && table.delimiter === ',' && table.openQuote !== null) return null;
  // Words over the columns are believed where the cells bear them out: lines that are indented below them, and name nobody who is in the list, are an outline.
  if (isIndented && !namesSomebody(rows.slice(1), columns)) return null;
  return header || told ? table : null;
}
/** Whether lines stand under each other by their signs or indents. */
function isLayered(tokens: ListTokens): boolean {
  const lines = tokens.outline.lines.slice(0, mostLookedAt);
  const told = lines.filter(({ sign, indent }) => sign !== null || indent > 1).length;
  return told >= lines.length * 0.3 && new Set(depthsOf(lines).of).size > 1;
}

/** Whether cells that are said to name whom somebody is under name somebody in the list, or say nothing. */
function namesSomebody(rows: TableTokens['rows'], columns: readonly Column[]): boolean {
  const cellsOf = (uses: readonly string[]) =>
    columns.flatMap(({ use, index }) =>
      uses.includes(use) ? rows.map(({ cells }) => foldName(cells[index] ?? '')).filter(Boolean) : [],
    );
  const known = new Set(cellsOf(['name', 'id']));
  const named = cellsOf(['parent']);
  return named.length === 0 || named.some((cell) => known.has(cell));
}

/** Rows enough to tell what the columns are. */
const mostLookedAt = 5000;

function withinCount(result: Reading): Reading {
  if (result.entries.length <= limits.entries) return result;
  const entries = result.entries.slice(0, limits.entries);
  const kept = new Set(entries.map((entry) => entry.id));
  const message = `The list has ${result.entries.length.toLocaleString('en')} entries; a diagram holds ${limits.entries.toLocaleString('en')}. The lines from ${result.entries[limits.entries]!.line} on were left out. Split the list.`;
  return {
    ...result,
    entries: entries.map((entry) =>
      entry.parent !== null && !kept.has(entry.parent) ? { ...entry, parent: null } : entry,
    ),
    links: result.links.filter((link) => kept.has(link.from) && kept.has(link.to)),
    findings: [
      readFinding('too-many', 'error', message, { line: result.entries[limits.entries]!.line }),
      ...result.findings,
    ],
  };
}

function withGeneralFindings(result: Reading, { words, roles, written }: TreeVocabulary): Reading {
  const findings: Finding[] = [];
  const seen = new Map<string, { line: number; id: string }>();
  for (const entry of result.entries) {
    if (entry.role !== null && entry.role === roles.repeated) continue;
    const key = foldName(entry.name);
    const before = seen.get(key);
    if (before) {
      const message = `Lines ${before.line} and ${entry.line} have the same name, “${entry.name}”. Both were kept; remove one if it is the same ${words.entry}.`;
      findings.push(readFinding('same-name', 'warning', message, { line: entry.line, entries: [before.id, entry.id] }));
    } else {
      seen.set(key, { line: entry.line, id: entry.id });
    }
  }
  const tops = result.entries.filter((entry) => entry.parent === null);
  if (result.structure === 'parent-column' && tops.length > 1) {
    const names = tops
      .slice(0, 4)
      .map((entry) => `${entry.name} (line ${entry.line})`)
      .join(', ');
    const message = `${tops.length} ${words.entries} ${words.areUnder} nobody: ${names}${tops.length > 4 ? ' …' : ''}. Each stands at the top.`;
    findings.push(
      readFinding('several-tops', 'note', message, { line: tops[1]!.line, entries: tops.map((entry) => entry.id) }),
    );
  }
  if (result.structure === 'flat' && result.entries.length > 1) {
    const message = `Nothing in the list tells ${words.whichUnderWhich}, so all stand at the top. Indent lines, or add a column “${written.parent}”.`;
    findings.push(readFinding('no-structure', 'note', message));
  }
  return { ...result, findings: [...result.findings, ...findings] };
}

/** What a diagram takes over of a reading: ids are those of the reader, siblings keep the order of the list. */
export interface Taken {
  readonly entries: Record<string, Entry>;
  readonly links: Record<string, Link>;
  readonly notPlaced: Unplaced[];
}

export function takenFrom(result: Reading): Taken {
  const siblings = new Map<string | null, string[]>();
  for (const entry of result.entries) pushTo(siblings, entry.parent, entry.id);
  const orders = new Map<string, string>();
  for (const ids of siblings.values()) evenKeys(ids.length).forEach((key, i) => orders.set(ids[i]!, key));
  const entries = result.entries.map(({ id, name, details, fields, role, parent }): Entry => ({
    id,
    name,
    details: [...details],
    fields: { ...fields },
    role,
    parent,
    order: orders.get(id)!,
  }));
  const links = result.links.map(({ from, to, line, kind, phrase }, i): Link => ({
    id: `${kind}-${line}-${i + 1}`,
    from,
    to,
    kind,
    phrase,
  }));
  return {
    entries: Object.fromEntries(entries.map((entry) => [entry.id, entry])),
    links: Object.fromEntries(links.map((link) => [link.id, link])),
    notPlaced: result.notPlaced.map((item, i) => ({ ...item, id: `line-${item.line}-${i + 1}` })),
  };
}
