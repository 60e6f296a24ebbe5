import type { Columns } from './columns';
import type { Row } from './delimited';
import { parentsByLevel } from './level-numbers';
import { foldName } from './names';
import { findPaths, treeOfPaths } from './paths';
import { formsOf } from './cell-forms';

/** Where a column tells what rows stand under without naming another row: by numbers of levels, or by the way from the top. */
export interface RowStructure {
  readonly told: 'level-column' | 'path-column';
  readonly column: number;
  /** By row: its own name where the way tells it, else null. */
  readonly names: readonly string[] | null;
  /** By row: the row above, −1 for the top, −2 − k for the k-th of the added. */
  readonly parents: readonly number[];
  /** Steps of ways that have no row of their own, with what they are under, told likewise, and the row that first names them. */
  readonly added: readonly { readonly name: string; readonly parent: number; readonly from: number }[];
}

/** Null where no column tells levels or ways. O(cells × signs). */
export function rowStructure(
  body: readonly Row[],
  { columns, twoPart }: Columns,
  nameOf: (row: Row) => string,
): RowStructure | null {
  const parent = columns.find(({ use }) => use === 'parent');
  const named = parent ? namedShare(body, columns, parent.index, nameOf) : 0;
  if (named > mostNamed) return null;
  const free = parent
    ? [parent.index]
    : columns.flatMap(({ use, index }) => (['field', 'detail', 'id'].includes(use) ? [index] : []));
  for (const column of free) {
    const parents = named > leastNamed ? null : parentsByLevel(body.map(({ cells }) => cells[column] ?? ''));
    if (parents) return { told: 'level-column', column, names: null, parents, added: [] };
  }
  const cells = body.map((row) => row.cells);
  const names = body.map(nameOf);
  const own = columns.find(({ use }) => use === 'name');
  const found =
    findPaths(cells, names, free) ??
    (own && !twoPart && (!parent || named < leastNamed) ? findPaths(cells, null, [own.index]) : null);
  return found && byPaths(found.column, found.ways, found.column === own?.index);
}

/** Where so many cells of superiors name rows, they tell the structure themselves; where more than so many do, no numbers of levels are looked for. */
const mostNamed = 0.97;
const leastNamed = 0.3;

/** The share of a column's cells that name rows. */
function namedShare(
  body: readonly Row[],
  columns: Columns['columns'],
  at: number,
  nameOf: (row: Row) => string,
): number {
  const id = columns.find(({ use }) => use === 'id');
  const known = new Set(
    body.flatMap((row) => [foldName(nameOf(row)), ...(id ? formsOf(row.cells[id.index] ?? '') : [])]),
  );
  known.delete('');
  const told = body.map(({ cells }) => cells[at] ?? '').filter((cell) => cell !== '');
  return told.length === 0
    ? 1
    : told.filter((cell) => formsOf(cell).some((form) => known.has(form))).length / told.length;
}

function byPaths(column: number, ways: readonly (readonly string[])[], named: boolean): RowStructure {
  const { nodes, of } = treeOfPaths(ways);
  const rowOf = new Map<number, number>();
  of.forEach((node, row) => {
    if (node >= 0 && !rowOf.has(node)) rowOf.set(node, row);
  });
  const added: { name: string; parent: number; from: number }[] = [];
  const placeOf = new Map<number, number>();
  const place = (node: number): number => (node < 0 ? -1 : (rowOf.get(node) ?? placeOf.get(node)!));
  nodes.forEach(({ name, parent, from }, node) => {
    if (rowOf.has(node)) return;
    placeOf.set(node, -2 - added.length);
    added.push({ name, parent: place(parent), from });
  });
  const parents = of.map((node, row) =>
    node < 0 ? -1 : rowOf.get(node) === row ? place(nodes[node]!.parent) : place(nodes[node]!.parent),
  );
  return { told: 'path-column', column, names: named ? ways.map((way) => way.at(-1) ?? '') : null, parents, added };
}
