import type { Row } from './delimited';
import { columnUseOf, fieldPrefix, type ColumnUse } from './headings';
import { foldName } from './names';
import type { Column, ReadChoices } from './result';
import type { TreeVocabulary } from './tree-vocabulary';

const firstName = /^(first name|given name|forename|vorname|prenom)$/;
const lastName = /^(last name|surname|family name|nachname|nom de famille)$/;

export interface Columns {
  readonly columns: readonly Column[];
  readonly header: boolean;
  /** Cells a row should have: those of the heading, else as many as most rows have. */
  readonly expected: number;
  /** Columns of a name in two parts, or null. */
  readonly twoPart: { readonly first: number; readonly last: number } | null;
}

/** Tells what each column is: by its heading where there is one, else by its content. */
export function findColumns(
  rows: readonly Row[],
  { columns: chosen, firstRow }: Pick<ReadChoices, 'columns' | 'firstRow'>,
  { headings, roles }: TreeVocabulary,
): Columns {
  const head = rows[0]?.cells ?? [];
  const told = head.map((cell) => columnUseOf(cell, headings));
  const named = head.filter((cell) => cell !== '').length === head.length;
  const header =
    firstRow !== 'entry' &&
    (told.includes('name') || told.filter((use) => use !== null).length >= 2 || (told.includes('parent') && named));
  const width = header ? head.length : usualWidth(rows);
  const body = header ? rows.slice(1) : rows;
  const first = header ? head.findIndex((cell) => firstName.test(foldName(cell))) : -1;
  const last = header ? head.findIndex((cell) => lastName.test(foldName(cell))) : -1;
  const twoPart = first >= 0 && last >= 0 && !told.includes('name') ? { first, last } : null;
  const uses: ColumnUse[] = Array.from({ length: width }, (_, i) => (header ? (told[i] ?? 'field') : 'detail'));
  uses.forEach((use, i) => {
    // A column headed "Role" that tells functions is a detail; a second one of a kind is kept too.
    if (use !== 'role' || body.every((row) => (row.cells[i] ?? '') === '')) return;
    if (!body.some((row) => roles.ofCell(row.cells[i] ?? '') !== null)) uses[i] = 'detail';
  });
  if (twoPart) uses[first] = uses[last] = 'name';
  if (!uses.includes('name')) uses[nameByContent(body, uses, width)] = 'name';
  onlyOne(uses, 'name', twoPart ? 2 : 1);
  for (const use of ['parent', 'role'] as const) onlyOne(uses, use, 1);
  uses.forEach((use, i) => {
    if (use === 'id' && uses.indexOf('id') < i) uses[i] = 'field';
  });
  if (!uses.includes('parent')) {
    const found = parentByContent(body, uses);
    if (found >= 0) uses[found] = 'parent';
  }
  for (const [index, use] of Object.entries(chosen ?? {})) {
    const i = Number(index);
    if (i >= width) continue;
    if (use === 'name' || use === 'parent' || use === 'id')
      uses.forEach((other, j) => (uses[j] = other === use ? 'field' : other));
    uses[i] = use;
  }
  const kept = twoPart && uses[twoPart.first] === 'name' && uses[twoPart.last] === 'name' ? twoPart : null;
  return {
    columns: uses.map((use, index) => {
      const told = (header ? head[index] : '') || `Column ${index + 1}`;
      return { index, header: told.startsWith(fieldPrefix) ? told.slice(fieldPrefix.length) : told, use };
    }),
    header,
    twoPart: kept,
    expected: width,
  };
}

function usualWidth(rows: readonly Row[]): number {
  const counts = new Map<number, number>();
  for (const { cells } of rows) counts.set(cells.length, (counts.get(cells.length) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1] || b[0] - a[0])[0]?.[0] ?? 0;
}

/** Of several columns for one use, the first is meant; the others become details. */
function onlyOne(uses: ColumnUse[], use: ColumnUse, most: number): void {
  let seen = 0;
  uses.forEach((other, i) => {
    if (other === use && ++seen > most) uses[i] = 'detail';
  });
}

/** Names are texts that hardly repeat: the column with most different values that are not numbers. */
function nameByContent(rows: readonly Row[], uses: readonly ColumnUse[], width: number): number {
  let best = 0;
  let most = -1;
  for (let i = 0; i < width; i++) {
    if (uses[i] === 'parent' || uses[i] === 'id' || uses[i] === 'alsoUnder') continue;
    const texts = rows.map((row) => row.cells[i] ?? '').filter((cell) => /\p{L}/u.test(cell));
    const score = new Set(texts).size - i * 0.01;
    if (score > most) {
      most = score;
      best = i;
    }
  }
  return best;
}

/** The superior's column repeats values that stand in the name or id column: most cells that are filled must. */
function parentByContent(rows: readonly Row[], uses: readonly ColumnUse[]): number {
  const known = new Set<string>();
  uses.forEach((use, i) => {
    if (use === 'name' || use === 'id') for (const row of rows) known.add(foldName(row.cells[i] ?? ''));
  });
  known.delete('');
  let best = -1;
  let most = 0;
  uses.forEach((use, i) => {
    if (use === 'name' || use === 'id' || use === 'alsoUnder') return;
    const filled = rows.map((row) => foldName(row.cells[i] ?? '')).filter(Boolean);
    const found = filled.filter((cell) => known.has(cell)).length;
    if (filled.length >= Math.max(1, rows.length * 0.4) && found >= filled.length * 0.6 && found > most) {
      most = found;
      best = i;
    }
  });
  return best;
}
