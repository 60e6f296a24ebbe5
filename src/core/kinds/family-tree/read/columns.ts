import {
  CellForms,
  columnUseOf,
  isKey,
  leastForHeading,
  rowsLooked,
  mostColumns,
  namesOf,
  profileOf,
  RowByForm,
  waysToPart,
  type Column,
  type ReadChoices,
  type TableTokens,
} from '../../../read';
import { familyHeadings } from '../words';
import { parentageOf } from './life';

export interface FamilyColumns {
  readonly columns: readonly Column[];
  readonly header: boolean;
}

const least = { found: 0.5, mutual: 0.5, together: 0.5 };
const mostShared = 0.1;
const mostMany = 0.1;
/** With fewer rows, or fewer cells that name somebody, chance may tell as much. */
const fewestRows = 4;
const fewestNamed = 3;

/** A column that names persons of the table, cell by cell. */
interface Naming {
  readonly column: number;
  /** By row: the rows that are named. */
  readonly to: readonly (readonly number[])[];
  readonly filled: number;
  readonly several: number;
}

/**
 * What the columns of a table of persons are: by their headings, and by what cells repeat of others. Two columns that name persons side by side, none of them
 * in both, are parents; one that names who names back is of partners. Null where nothing tells a family. O(cells × columns).
 */
export function familyColumns({ rows, heading }: TableTokens, choices: ReadChoices = {}): FamilyColumns | null {
  const head = rows[0]?.cells ?? [];
  const told = head.map((cell) => columnUseOf(cell, familyHeadings));
  const relations = told.filter((use) => ['father', 'mother', 'parents', 'partner'].includes(use ?? '')).length;
  const byWords = told.includes('name') && relations > 0;
  const header = byWords || heading > leastForHeading || told.filter((use) => use !== null).length >= 2;
  const body = (header ? rows.slice(1) : rows).slice(0, rowsLooked).map(({ cells }) => cells);
  const uses = head.map((_, i) => (header ? (told[i] ?? 'field') : 'field'));
  // Where headings tell all that persons are to each other, no cell says otherwise.
  const hasParents = told.includes('parents') || (told.includes('father') && told.includes('mother'));
  const isTold = byWords && hasParents && told.includes('partner') && told.includes('id');
  const found = isTold || body.length < fewestRows ? null : relationsIn(body, uses);
  if (!byWords && !found) return null;
  if (found) tellBy(found, uses, body);
  tellParentage(uses, body);
  return {
    header,
    columns: uses.map((use, index) => ({
      index,
      header: (header ? head[index]! : '').replace(/\s+/g, ' ') || `Column ${index + 1}`,
      use: choices.columns?.[index] ?? use,
    })),
  };
}

/** Columns by their headings alone, where a list is said to be a table. */
export const headedColumns = ({ rows }: TableTokens, choices: ReadChoices): FamilyColumns => ({
  header: true,
  columns: (rows[0]?.cells ?? []).map((header, index) => ({
    index,
    header: header || `Column ${index + 1}`,
    use: choices.columns?.[index] ?? columnUseOf(header, familyHeadings) ?? 'field',
  })),
});

interface Found {
  readonly key: number;
  readonly parents: readonly Naming[];
  readonly partner: Naming | null;
}

function relationsIn(body: readonly (readonly string[])[], uses: readonly string[]): Found | null {
  const width = Math.min(mostColumns, uses.length);
  const forms = new CellForms();
  const waysOf = eachOnce(waysToPart);
  const cells = Array.from({ length: width }, (_, i) => body.map((row) => row[i] ?? ''));
  const profiles = cells.map(profileOf);
  let best: { found: Found; worth: number } | null = null;
  for (let key = 0; key < width; key++) {
    if (!isKey(profiles[key]!, body.length) || ['father', 'mother', 'parents', 'partner'].includes(uses[key]!))
      continue;
    const known = new RowByForm(forms, cells[key]!);
    const naming = cells.flatMap((column, i) => (i === key ? [] : (namingOf(column, i, known, waysOf) ?? [])));
    const found = { key, ...parted(naming) };
    const told = found.parents.length + (found.partner ? 1 : 0);
    const isFamily =
      found.parents.length === 2 ||
      (found.parents.length === 1 && (found.partner !== null || found.parents[0]!.several > 0));
    const named = [...found.parents, ...(found.partner ? [found.partner] : [])]
      .flatMap(({ to }) => to)
      .filter((rows) => rows.length > 0).length;
    if (named < fewestNamed) continue;
    // A key is filled in every row; of keys that tell as much, the one with most different values.
    const worth = profiles[key]!.distinct * (1 + told / 4);
    if (isFamily && (best === null || worth > best.worth)) best = { found, worth };
  }
  return best?.found ?? null;
}

/** The same function, asked once for each text. */
function eachOnce<T>(of: (text: string) => T): (text: string) => T {
  const known = new Map<string, T>();
  return (text) => {
    if (!known.has(text)) known.set(text, of(text));
    return known.get(text)!;
  };
}

function namingOf(
  cells: readonly string[],
  column: number,
  known: RowByForm,
  waysOf: (cell: string) => string[][],
): Naming | null {
  let filled = 0;
  let found = 0;
  let several = 0;
  const to = cells.map((cell) => {
    if (cell === '') return [];
    filled++;
    const rows = namesOf(cell, (part) => known.find(part) !== undefined, waysOf).flatMap(
      (part) => known.find(part) ?? [],
    );
    if (rows.length > 0) found++;
    if (rows.length > 1) several++;
    return rows;
  });
  const own = to.filter((rows, row) => rows.includes(row)).length;
  // Nobody has more than two parents, and few more partners.
  const many = to.filter((rows) => rows.length > 2).length;
  return filled > 0 && many <= filled * mostMany && found >= Math.max(1, filled * least.found) && own <= found * 0.2
    ? { column, to, filled, several }
    : null;
}

/** Which of the columns that name persons are of partners, and which of parents. */
function parted(naming: readonly Naming[]): Pick<Found, 'parents' | 'partner'> {
  const isMutual = ({ to }: Naming): boolean => {
    let back = 0;
    let all = 0;
    to.forEach((rows, row) => {
      for (const other of rows) {
        all++;
        if (to[other]!.includes(row)) back++;
      }
    });
    return back >= all * least.mutual;
  };
  const partner = naming.find(isMutual) ?? null;
  const others = naming.filter((one) => one !== partner && !isMutual(one));
  for (const [i, first] of others.entries())
    for (const second of others.slice(i + 1)) if (isPair(first, second)) return { parents: [first, second], partner };
  const one =
    others.find(({ several, filled }) => several >= Math.max(1, filled * 0.2)) ?? (partner ? others[0] : undefined);
  return { parents: one ? [one] : [], partner };
}

/** Columns that are filled together and name nobody both. */
function isPair(first: Naming, second: Naming): boolean {
  const both = first.to.filter((rows, row) => rows.length > 0 && second.to[row]!.length > 0).length;
  if (both < Math.max(first.filled, second.filled) * least.together) return false;
  const [a, b] = [first, second].map(({ to }) => new Set(to.flat())) as [Set<number>, Set<number>];
  const shared = [...a].filter((row) => b.has(row)).length;
  return shared <= Math.min(a.size, b.size) * mostShared;
}

function tellBy({ key, parents, partner }: Found, uses: string[], body: readonly (readonly string[])[]): void {
  const free = (use: string) => uses.forEach((each, i) => each === use && (uses[i] = 'field'));
  const profiles = uses.map((_, i) => profileOf(body.map((row) => row[i] ?? '')));
  for (const use of ['father', 'mother', 'parents', 'partner', 'parent', 'alsoUnder']) {
    const at = uses.indexOf(use);
    const isFound = [...parents, partner].some((one) => one?.column === at);
    if (at >= 0 && !isFound && parents.length > 0 && use !== 'partner') free(use);
  }
  const [first, second] = parents;
  if (first && second) {
    const isTurned = uses[first.column] === 'mother' || uses[second.column] === 'father';
    uses[first.column] = isTurned ? 'mother' : 'father';
    uses[second.column] = isTurned ? 'father' : 'mother';
  } else if (first) uses[first.column] = 'parents';
  if (partner) uses[partner.column] = 'partner';
  if (profiles[key]!.main === 'words' || profiles[key]!.main === 'text') {
    free('name');
    uses[key] = 'name';
  } else {
    free('id');
    uses[key] = 'id';
  }
  if (!uses.includes('name')) {
    let best = -1;
    profiles.forEach(({ main, distinct }, i) => {
      if (uses[i] === 'field' && main === 'words' && distinct > (profiles[best]?.distinct ?? 0)) best = i;
    });
    if (best >= 0) uses[best] = 'name';
  }
  tellDates(uses, body);
}

/** A column in which every filled cell says how a child belongs to its parents. */
function tellParentage(uses: string[], body: readonly (readonly string[])[]): void {
  if (uses.includes('parentage')) return;
  const at = uses.findIndex((use, i) => {
    const filled = use === 'field' || use === 'detail' ? body.flatMap((row) => row[i] || []) : [];
    return filled.length > 0 && filled.every((cell) => parentageOf(cell) !== null);
  });
  if (at >= 0) uses[at] = 'parentage';
}

/** The year in a cell, whatever stands around it; null for none. */
const yearIn = (cell: string): number | null => {
  const told = /(?:^|\D)(1[0-9]{3}|20[0-9]{2})(?:\D|$)/.exec(cell);
  return told ? Number(told[1]) : null;
};

/** Of the columns of years the fuller and earlier one tells births, the other, where it is later in every row, deaths. */
function tellDates(uses: string[], body: readonly (readonly string[])[]): void {
  const years = uses.map((_, i) => body.map((row) => yearIn(row[i] ?? '')));
  const dated = uses.flatMap((use, i) => {
    const filled = body.filter((row) => (row[i] ?? '') !== '').length;
    const told = years[i]!.filter((year) => year !== null).length;
    return use === 'field' && told > 0 && told >= filled * 0.8 ? [i] : [];
  });
  const count = (i: number) => years[i]!.filter((year) => year !== null).length;
  const [one, other] = [...dated].sort((a, b) => count(b) - count(a));
  if (one === undefined) return;
  const died = uses.indexOf('died');
  const born = uses.indexOf('born');
  const isLater = (late: number, early: number): boolean =>
    years[late]!.every((year, row) => year === null || years[early]![row] === null || year >= years[early]![row]!);
  if (born < 0 && (died < 0 || isLater(died, one))) uses[one] = 'born';
  if (other !== undefined && died < 0 && uses[one] === 'born' && isLater(other, one)) uses[other] = 'died';
  if (born >= 0 && died < 0 && isLater(one, born)) uses[one] = 'died';
}
