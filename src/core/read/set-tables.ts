import { finding, mostSets, type Finding } from '../model';
import { parseDelimited, type Delimiter, type Row } from './delimited';
import { foldName } from './names';
import { isPictureHeading } from './picture-field';
import { columnUseOf } from './columns';
import type { Column, ColumnUse, ReadChoices } from './result';
import type { Mention, SetList } from './set-list';

const yes = /^(x|×|✓|✔|✗|☑|●|•|\*|\+|1|y|yes|ja|j|oui|si|sí|true|wahr|vrai)$/iu;
const no = /^(|0|n|no|nein|non|false|falsch|faux|-|–|—|☐|○)$/iu;

/** A table with sets: marks in a column for each set, items under each set, or a cell that lists the sets. Null where it is none of these. */
export function fromTable(text: string, delimiter: Delimiter, choices: ReadChoices): SetList | null {
  const { rows, openQuote } = parseDelimited(text, delimiter);
  const head = rows[0];
  if (!head || rows.length < 2) return null;
  const findings: Finding[] = [];
  if (openQuote !== null) {
    const message = `Line ${openQuote} has a quotation mark that is never closed; it was read as a plain character.`;
    findings.push(finding('open-quote', 'warning', message, { line: openQuote }));
  }
  const body = rows.slice(1);
  const found = fromMarks(head, body, choices) ?? fromCells(head, body) ?? fromColumns(head, body);
  return found && { ...found, findings: [...findings, ...found.findings] };
}

const columnOf = (head: Row, index: number, use: ColumnUse): Column => ({
  index,
  header: head.cells[index] || `Column ${index + 1}`,
  use,
});

/** A row an item, a column a set, a mark in the cell. */
function fromMarks(head: Row, body: readonly Row[], choices: ReadChoices): SetList | null {
  const width = head.cells.length;
  const uses = Array.from({ length: width }, (_, i): ColumnUse => {
    const chosen = choices.columns?.[i];
    if (chosen) return chosen;
    const cells = body.map((row) => row.cells[i] ?? '');
    const marked = cells.filter((cell) => yes.test(cell)).length;
    const known = columnUseOf(head.cells[i] ?? '');
    if (known === 'id') return 'leftOut';
    if (isPictureHeading(head.cells[i] ?? '')) return 'field';
    return marked > 0 && cells.every((cell) => yes.test(cell) || no.test(cell)) ? 'set' : 'field';
  });
  const sets = uses.flatMap((use, i) => (use === 'set' ? [i] : []));
  if (sets.length < 2 && !Object.values(choices.columns ?? {}).includes('set')) return null;
  if (!uses.includes('name')) {
    const named = head.cells.findIndex((cell, i) => uses[i] === 'field' && columnUseOf(cell) === 'name');
    const first =
      named >= 0 ? named : uses.findIndex((use, i) => use === 'field' && !isPictureHeading(head.cells[i] ?? ''));
    if (first < 0) return null;
    uses[first] = 'name';
  }
  uses.forEach((use, i) => {
    if (use === 'field' && !choices.columns?.[i] && !isPictureHeading(head.cells[i] ?? '')) uses[i] = 'detail';
  });
  const name = uses.indexOf('name');
  const findings: Finding[] = [];
  const mentions = body.flatMap((row): Mention[] => {
    const item = row.cells[name] ?? '';
    if (item === '') {
      const message = `Line ${row.line} has no name; it was passed over.`;
      findings.push(finding('no-name', 'warning', message, { line: row.line }));
      return [];
    }
    const details = row.cells.filter((cell, i) => uses[i] === 'detail' && cell !== '');
    const fields = Object.fromEntries(
      row.cells.flatMap((cell, i) =>
        uses[i] === 'field' && cell !== '' ? [[(head.cells[i] ?? '').slice(0, 100), cell]] : [],
      ),
    );
    const marked = sets.filter((i) => yes.test(row.cells[i] ?? '')).map((i) => head.cells[i]!);
    return [{ line: row.line, name: item, details, fields, sets: marked }];
  });
  return {
    told: 'set-marks',
    universe: '',
    sets: sets.map((i) => head.cells[i] || `Set ${i + 1}`),
    mentions,
    columns: uses.map((use, i) => columnOf(head, i, use)),
    header: true,
    findings,
  };
}

export const splitSets = (cell: string): string[] =>
  cell
    .split(/\s*[;,/&+]\s*|\s+and\s+|\s+und\s+|\s+et\s+/u)
    .map((part) => part.trim())
    .filter((part) => part !== '' && !/^(none|no|nothing|keine?|-|–)$/iu.test(part));

/** Two columns: the item, and a cell that lists its sets. */
function fromCells(head: Row, body: readonly Row[]): SetList | null {
  if (head.cells.length !== 2) return null;
  const mentions = body
    .filter((row) => (row.cells[0] ?? '') !== '')
    .map((row): Mention => ({
      line: row.line,
      name: row.cells[0]!,
      details: [],
      fields: {},
      sets: splitSets(row.cells.slice(1).join(';')),
    }));
  const sets = distinct(mentions.flatMap((one) => one.sets));
  const several = mentions.some((one) => one.sets.length > 1);
  if (!several || sets.length < 2 || sets.length > mostSets || mentions.length <= sets.length) return null;
  if (['reportsTo', 'alsoReportsTo'].includes(columnUseOf(head.cells[1] ?? '') ?? '')) return null;
  return {
    told: 'set-lists',
    universe: '',
    sets,
    mentions,
    columns: [columnOf(head, 0, 'name'), columnOf(head, 1, 'set')],
    header: true,
    findings: [],
  };
}

/** A column a set, its items below the heading; an item in two columns is in both sets. */
function fromColumns(head: Row, body: readonly Row[]): SetList | null {
  const sets = head.cells.map((cell, i) => cell || `Set ${i + 1}`);
  if (sets.length < 2 || sets.length > 12) return null;
  const uses = head.cells.map(columnUseOf);
  if (uses.some((use) => use !== null)) return null;
  const mentions = body.flatMap((row) =>
    row.cells.flatMap((cell, i): Mention[] =>
      cell === '' || i >= sets.length
        ? []
        : [{ line: row.line, name: cell, details: [], fields: {}, sets: [sets[i]!] }],
    ),
  );
  const seen = new Map<string, Set<string>>();
  for (const { name, sets: of } of mentions) {
    const key = foldName(name);
    seen.set(key, (seen.get(key) ?? new Set()).add(of[0]!));
  }
  // Without any item in two columns it is a table of something else, unless it is ragged as such columns are.
  const shared = [...seen.values()].some((of) => of.size > 1);
  const lengths = sets.map((_, i) => body.filter((row) => (row.cells[i] ?? '') !== '').length);
  if (!shared && new Set(lengths).size === 1) return null;
  return {
    told: 'set-columns',
    universe: '',
    sets,
    mentions,
    columns: sets.map((_, i) => columnOf(head, i, 'set')),
    header: true,
    findings: [],
  };
}

function distinct(names: readonly string[]): string[] {
  const seen = new Map<string, string>();
  for (const name of names) if (!seen.has(foldName(name))) seen.set(foldName(name), name);
  return [...seen.values()];
}
