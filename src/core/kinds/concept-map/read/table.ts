import {
  asideTrayed,
  columnUseOf,
  fieldsOf,
  foldName,
  onlyCount,
  openQuoteFinding,
  trayed,
  withoutRemark,
  type Column,
  type ListTokens,
  type ReadChoices,
  type TableTokens,
} from '../../../read';
import { mapHeadings, roleOfWord } from '../words';
import { phraseColumn, propositionsIn } from './proposition-columns';
import { MapMaker, type MapReading } from './result';

interface Told {
  readonly columns: readonly Column[];
  readonly header: boolean;
}

const endByNumber: ReadonlyMap<string | undefined, string> = new Map([
  ['1', 'from'],
  ['2', 'to'],
]);

/** Whatever ideas are called, "Notion 1" and "Notion 2" are an end and the other, where nothing is told of either and there is no third. */
function numbered(head: readonly string[], uses: readonly (string | null)[]): readonly (string | null)[] {
  const told = head.map((cell) => /^(\D{2,30}) (\d)$/u.exec(foldName(withoutRemark(cell))));
  const [first, second] = ['1', '2'].map((number) => told.findIndex((one) => one?.[2] === number)) as [number, number];
  const others = told.filter((one) => one !== null).length;
  const isPair = first >= 0 && second >= 0 && others === 2 && told[first]![1] === told[second]![1];
  const isAlone = others === 1 && (uses.includes('from') || uses.includes('to') || uses.includes('phrase'));
  return uses.map((use, i) => (use === null && (isPair || isAlone) ? (endByNumber.get(told[i]?.[2]) ?? null) : use));
}

/** What the columns of a table are, where it holds propositions; null where it does not. */
export function propositionColumns(table: TableTokens, choices: ReadChoices = {}): Told | null {
  const { rows } = table;
  const head = rows[0]?.cells ?? [];
  const uses = numbered(
    head,
    head.map((cell) => columnUseOf(cell, mapHeadings)),
  );
  const at = (use: string) => uses.indexOf(use);
  // "Idea, Linking phrase, Idea": the second column of one heading is the other end.
  const second = at('from') >= 0 && at('to') < 0 ? uses.indexOf('from', at('from') + 1) : -1;
  const to = at('to') >= 0 ? at('to') : second;
  const isHeader = at('from') >= 0 && to >= 0;
  const chosen = choices.columns;
  if (isHeader) {
    const open = uses.flatMap((use, i) => (use === null && i !== to ? [i] : []));
    const phrase = at('phrase') < 0 ? phraseColumn(table, open) : -1;
    const columns = head.map((header, index): Column => ({
      index,
      header,
      use: chosen?.[index] ?? (index === to ? 'to' : index === phrase ? 'phrase' : (uses[index] ?? 'field')),
    }));
    return { columns, header: true };
  }
  const width = Math.max(0, ...rows.slice(0, 50).map(({ cells }) => cells.length));
  const told = chosen ? Object.values(chosen) : [];
  const isChosen = told.includes('from') && told.includes('to');
  const found = propositionsIn(table, uses, width);
  if (!found && !isChosen) return null;
  const header = found?.header ?? false;
  const foundUses = isChosen ? [] : (found?.uses ?? []);
  return {
    columns: Array.from({ length: width }, (_, index): Column => ({
      index,
      header: header ? (head[index] ?? '') : '',
      use: chosen?.[index] ?? foundUses[index] ?? 'field',
    })),
    header,
  };
}

/**
 * A table of propositions: idea, linking phrase, idea. A row with one idea alone tells details, its kind and fields; with a column of numbers, ideas of one
 * name are told apart and propositions name them by number. O(cells).
 */
export function readPropositions(tokens: ListTokens, table: TableTokens, how: Told, choices: ReadChoices): MapReading {
  const { columns, header } = how;
  const maker = new MapMaker(choices);
  if (table.openQuote !== null) maker.findings.push(openQuoteFinding(table.openQuote));
  maker.notPlaced.push(...asideTrayed(table.aside));
  const rows = header ? table.rows.slice(1) : table.rows;
  const numbered = columns.some(({ use }) => use === 'id');
  const numbers = columns.find(({ use }) => use === 'id');
  const told = numbers ? rows.flatMap(({ cells }) => (cells[numbers.index] ?? '').trim() || []) : [];
  const counts = onlyCount(told);
  const byNumber = new Map<string, string>();
  const later: { from: string; phrase: string; to: string; line: number; rest: Rest }[] = [];
  const ideaAt = (cell: string, line: number): string | null =>
    (numbered ? byNumber.get(cell.trim()) : undefined) ?? maker.idea(cell, line);
  for (const row of rows) {
    const { cells, line } = row;
    const of = (use: string) => columns.filter((column) => column.use === use).map(({ index }) => cells[index] ?? '');
    const one = (use: string) => of(use).find((cell) => cell.trim() !== '') ?? '';
    const tray = one('tray');
    if (tray !== '' && cells.filter((cell) => cell.trim() !== '').length === 1) {
      maker.notPlaced.push({ line, text: tray, reason: 'It had no place before.' });
      continue;
    }
    const details = [...of('detail'), ...cells.slice(columns.length)];
    while (details.length > 0 && details.at(-1)!.trim() === '') details.pop();
    const role = roleOfWord(one('role'));
    const id = one('id').trim();
    // A row with a number is an idea and no proposition.
    const isIdea = numbered && id !== '';
    // What a further column of one use says, or a column that maps make nothing of, is kept all the same.
    const taken = new Set(
      [...(counts ? ['id'] : []), 'from', ...(isIdea ? [] : ['phrase', 'to'])].map((use) =>
        firstFilled(columns, cells, use),
      ),
    );
    const isKept = (use: string, index: number): boolean =>
      use !== 'leftOut' && use !== 'detail' && !taken.has(index) && !(use === 'role' && role !== null);
    const fields = fieldsOf(
      columns.flatMap(({ use, header: name, index }): [string, string][] =>
        isKept(use, index) && (cells[index] ?? '').trim() !== ''
          ? [[name.replace(/^Field: /, '') || `Column ${index + 1}`, cells[index]!]]
          : [],
      ),
    );
    const rest: Rest = { details, fields, role };
    const [from, to] = [one('from'), one('to')];
    if (isIdea) {
      const made = maker.add({ name: of('from')[0] ?? '', line });
      if (made !== null) {
        byNumber.set(id, made);
        maker.tell(made, rest);
      }
      continue;
    }
    if (from.trim() === '') {
      maker.notPlaced.push(trayed(row, `Line ${line} names no idea to begin with.`));
      continue;
    }
    if (to.trim() === '' && one('phrase').trim() !== '') {
      maker.notPlaced.push(trayed(row, `Line ${line} does not say which idea the phrase leads to.`));
      continue;
    }
    later.push({ from, phrase: one('phrase'), to, line, rest });
    if (!numbered) {
      const made = maker.idea(from, line);
      if (to.trim() !== '') maker.idea(to, line);
      if (made !== null) maker.tell(made, rest);
    }
  }
  for (const { from, phrase, to, line, rest } of later) {
    if (to.trim() === '') {
      const alone = numbered ? ideaAt(from, line) : null;
      if (alone !== null) maker.tell(alone, rest);
      continue;
    }
    const [a, b] = [ideaAt(from, line), ideaAt(to, line)];
    if (numbered && a !== null) maker.tell(a, rest);
    maker.link(a, b, phrase, line);
  }
  return maker.done('propositions', {
    columns,
    header,
    emptyLines: tokens.emptyLines(table.all.length),
  });
}

/** The first column of a use in which a row has something; −1 for none. */
const firstFilled = (columns: readonly Column[], cells: readonly string[], use: string): number =>
  columns.find((column) => column.use === use && (cells[column.index] ?? '').trim() !== '')?.index ?? -1;

interface Rest {
  readonly details: readonly string[];
  readonly fields: Readonly<Record<string, string>>;
  readonly role: string | null;
}
