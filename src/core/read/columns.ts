import { classOf, isAmount, profileOf, saysNothing } from './cell-shape';
import type { Row } from './delimited';
import { columnUseOf, fieldPrefix, type ColumnUse } from './headings';
import { foldName } from './names';
import { standsOverWays } from './paths';
import { findReferences, type Reference } from './references';
import type { Column, ReadChoices } from './result';
import { partsOf } from './several';
import { leastForHeading } from './table-parts';
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
  /** Whether cells of the column of superiors name rows. */
  readonly borneOut: boolean;
  /** Two columns that both name what rows stand under, and differ in these rows (of those below the heading); null where one is plain. */
  readonly rivals: { readonly columns: readonly [number, number]; readonly rows: readonly number[] } | null;
}

/** Rows and what speaks for the first of them being a heading. */
export interface HeadedRows {
  readonly rows: readonly Row[];
  readonly heading: number;
}

/** The question which of two columns tells the structure; its answers are their places. */
export const rivalsQuestion = 'parent-column';

/** Tells what each column is: by what its cells repeat of other columns, and by its heading where there is one. */
export function findColumns(
  { rows, heading }: HeadedRows,
  { columns: chosen, firstRow, answers }: Pick<ReadChoices, 'columns' | 'firstRow' | 'answers'>,
  { headings, roles }: TreeVocabulary,
): Columns {
  const head = (rows[0]?.cells ?? []).map(plainHeading);
  const worded = head.map((cell) => columnUseOf(cell, headings));
  const several = worded.filter((use) => use === 'name').length > 1;
  // A word over amounts names nobody, nor one over numbers where another names.
  const told = worded.map((use, i) => (use === 'name' && isOfAmounts(rows, i, several) ? null : use));
  const named = head.filter((cell) => cell !== '').length === head.length;
  const byWords =
    told.includes('name') || told.filter((use) => use !== null).length >= 2 || (told.includes('parent') && named);
  const header =
    firstRow === 'heading' ||
    (firstRow !== 'entry' && (byWords || (rows.length > fewestRows && byCells(rows, heading))));
  const body = header ? rows.slice(1) : rows;
  const width = header ? head.length : usualWidth(rows);
  const first = header ? head.findIndex((cell) => firstName.test(foldName(cell))) : -1;
  const last = header ? head.findIndex((cell) => lastName.test(foldName(cell))) : -1;
  let twoPart = first >= 0 && last >= 0 && !told.includes('name') ? { first, last } : null;
  const uses: ColumnUse[] = Array.from({ length: width }, (_, i) => (header ? (told[i] ?? 'field') : 'detail'));
  uses.forEach((use, i) => {
    // A column headed "Role" that tells functions is a detail; a second one of a kind is kept too.
    if (use !== 'role' || body.every((row) => (row.cells[i] ?? '') === '')) return;
    if (!body.some((row) => roles.ofCell(row.cells[i] ?? '') !== null)) uses[i] = 'detail';
  });
  if (twoPart) uses[first] = uses[last] = 'name';
  const references = findReferences(
    body.map(({ cells }) => cells.slice(0, width)),
    { inTwoParts: !uses.includes('name') || twoPart !== null },
  );
  const byHeading = uses.includes('parent') && uses.includes('name');
  const best = bestReference(references, uses, told, byHeading);
  // A word over a column that names nobody is not believed where nothing is headed as a name.
  if (!best && !byHeading && body.length > fewestRows)
    uses.forEach((use, i) => use === 'parent' && (uses[i] = 'field'));
  if (best) twoPart = tellBy(best, uses, twoPart, body);
  if (!uses.includes('name')) uses[nameByContent(body, uses, width)] = 'name';
  onlyOne(uses, 'name', twoPart ? 2 : 1);
  for (const use of ['parent', 'role'] as const) onlyOne(uses, use, 1);
  uses.forEach((use, i) => {
    if (use === 'id' && uses.indexOf('id') < i) uses[i] = 'field';
  });
  // Where headings tell id, name and superior, no other column is taken for what no heading says.
  const rivals = best && !(byHeading && told.includes('id')) ? rivalsOf(references, uses, chosen) : null;
  const answer = rivals && answers?.[rivalsQuestion];
  if (rivals && answer !== undefined && rivals.columns.includes(Number(answer)))
    uses.forEach((use, i) => (uses[i] = i === Number(answer) ? 'parent' : use === 'parent' ? 'field' : use));
  // What no heading tells and words fill is drawn below the name, as far as nothing else is.
  if (!byHeading && best && header && !uses.includes('detail')) drawDetails(uses, body);
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
      const words = (header ? head[index] : '') || `Column ${index + 1}`;
      return { index, header: words.startsWith(fieldPrefix) ? words.slice(fieldPrefix.length) : words, use };
    }),
    header,
    twoPart: kept,
    expected: width,
    borneOut: best !== null && uses[best.column] === 'parent',
    rivals,
  };
}

/** Whether its cells make the first row a heading: nobody is under it, and it is unlike those below, or it names nobody where others do. */
function byCells(rows: readonly Row[], heading: number): boolean {
  const [best] = findReferences(rows.map(({ cells }) => cells));
  return (
    (heading > leastForHeading && !best?.to.includes(0)) ||
    namesNobody(rows, best) ||
    standsOverWays(rows.slice(0, looked).map(({ cells }) => cells))
  );
}

/** Whether the first row, and hardly any other, names something that stands in no row, and is named by none. */
function namesNobody(rows: readonly Row[], best: Reference | undefined): boolean {
  if (!best || best.filled < 3 || best.to[0] !== -1 || best.to.includes(0)) return false;
  const first = rows[0]!.cells[best.column] ?? '';
  // What stands over a column does not come again in it.
  const again = rows.slice(1, looked).some(({ cells }) => foldName(cells[best.column] ?? '') === foldName(first));
  return (
    !again &&
    !saysNothing(first) &&
    foldName(first) !== foldName(rows[0]!.cells[best.key[0]!] ?? '') &&
    best.found >= (best.filled - 1) * 0.7
  );
}

/** In fewer rows nothing is usual. */
const fewestRows = 3;
/** Whether a column tells amounts, or any `numbers`, below its first row. */
function isOfAmounts(rows: readonly Row[], at: number, numbers: boolean): boolean {
  const filled = rows.slice(1, looked).flatMap(({ cells }) => cells[at] || []);
  const amounts = filled.filter((cell) => isAmount(cell) || (numbers && classOf(cell) === 'number')).length;
  return filled.length > (numbers ? 0 : 2) && amounts > filled.length * 0.7;
}

/** A heading on one line. */
const plainHeading = (cell: string): string => (/[\r\n]/.test(cell) ? partsOf(cell, /[\r\n]/).join(' ') : cell);

/** The reference that tells the structure: of those that save most the one that a heading, if any, speaks for. What is headed as name and superior is these, where it names anybody. */
function bestReference(
  all: readonly Reference[],
  uses: readonly ColumnUse[],
  told: readonly (ColumnUse | null)[],
  byHeading: boolean,
): Reference | null {
  const headed = byHeading ? all.filter(({ column }) => uses[column] === 'parent') : [];
  const byNumber = headed.filter(({ key }) => uses[key[0]!] === 'id');
  const parent = uses.indexOf('parent');
  // What is headed as a name refers to nothing, and what is headed as a superior is no key.
  const others = byHeading ? all.filter(({ key, column }) => told[column] === null && !key.includes(parent)) : all;
  const references = [byNumber, headed].find((some) => some.length > 0) ?? others;
  const worth = (one: Reference) =>
    one.saved *
    (uses[one.column] === 'parent' ? 1.5 : uses[one.column] === 'alsoUnder' ? 0.3 : 1) *
    (one.found / one.filled) *
    Math.sqrt(one.filled);
  return references.reduce<Reference | null>(
    (best, one) => (best === null || worth(one) > worth(best) ? one : best),
    null,
  );
}

/** Gives the columns of a reference their uses. Returns the columns of a name in two parts. */
function tellBy(
  { key, column }: Reference,
  uses: ColumnUse[],
  told: Columns['twoPart'],
  body: readonly Row[],
): Columns['twoPart'] {
  uses.forEach((use, i) => {
    if (use === 'parent') uses[i] = 'field';
  });
  uses[column] = 'parent';
  const [first, last] = key;
  const isHeaded = uses.includes('name');
  if (last !== undefined) {
    uses.forEach((use, i) => {
      if (use === 'name') uses[i] = 'detail';
    });
    uses[first!] = uses[last] = 'name';
    return { first: first!, last };
  }
  const profile = profileOf(body.slice(0, 500).map(({ cells }) => cells[first!] ?? ''));
  const isName = profile.main === 'words' || profile.main === 'text';
  if (!isName) {
    uses.forEach((use, i) => {
      if (use === 'id') uses[i] = 'field';
    });
    uses[first!] = 'id';
  } else if (!isHeaded) {
    uses[first!] = 'name';
  }
  return told;
}

/** A second column that names rows like the first: what differs in few rows is a rival, what is seldom filled tells links beside the structure. */
function rivalsOf(
  references: readonly Reference[],
  uses: ColumnUse[],
  chosen: ReadChoices['columns'],
): Columns['rivals'] {
  const parent = uses.indexOf('parent');
  const main = references.find(({ column }) => column === parent);
  if (!main) return null;
  for (const other of references) {
    if (other.column === parent || chosen?.[other.column] !== undefined) continue;
    if (!['field', 'detail', 'alsoUnder'].includes(uses[other.column]!)) continue;
    const both = main.to.flatMap((to, row) => (to >= 0 && other.to[row]! >= 0 ? [row] : []));
    const apart = both.filter((row) => main.to[row] !== other.to[row]);
    const dense = other.found >= main.found * 0.75;
    if (dense && apart.length > 0 && uses[other.column] !== 'alsoUnder' && apart.length < both.length * 0.7)
      return { columns: parent < other.column ? [parent, other.column] : [other.column, parent], rows: apart };
    if (!dense && apart.length >= both.length * 0.7 && both.length > 0 && !uses.includes('alsoUnder'))
      uses[other.column] = 'alsoUnder';
  }
  return null;
}

const mostDrawn = 2;
function drawDetails(uses: ColumnUse[], body: readonly Row[]): void {
  let left = mostDrawn;
  uses.forEach((use, i) => {
    if (use !== 'field' || left === 0) return;
    const profile = profileOf(body.slice(0, 500).map(({ cells }) => cells[i] ?? ''));
    if (profile.main !== 'words' || profile.filled < body.length * 0.6) return;
    uses[i] = 'detail';
    left--;
  });
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

const person = /^\p{Lu}[\p{L}\p{M}'’.-]*(\s(\p{Ll}{1,3}|\p{Lu}[\p{L}\p{M}'’.-]*)){1,4}$/u;
const looked = 1000;

/** Names are words that hardly repeat, most of them and as people are called; of such columns the first. */
function nameByContent(rows: readonly Row[], uses: readonly ColumnUse[], width: number): number {
  let best = 0;
  let most = -1;
  const sample = rows.slice(0, looked);
  for (let i = 0; i < width; i++) {
    if (uses[i] === 'parent' || uses[i] === 'id' || uses[i] === 'alsoUnder') continue;
    const texts = sample
      .map((row) => row.cells[i] ?? '')
      .filter((cell) => classOf(cell) === 'words' || classOf(cell) === 'text');
    const people = texts.filter((text) => person.test(text)).length;
    const score = new Set(texts).size + people * 0.3 - i * 0.01;
    if (score > most) {
      most = score;
      best = i;
    }
  }
  return best;
}
