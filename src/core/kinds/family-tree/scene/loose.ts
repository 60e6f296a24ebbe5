import type { Rows } from './blocks';

/** From so many persons without relatives on, they stand in rows of their own beside or below the family. */
const fewest = 3;
/** So many ways of parting them into rows are tried. */
const mostRows = 60;

/** A family and those who belong to nobody in it, in the order of the list. */
export interface Kin {
  readonly rows: Rows;
  readonly loose: readonly number[];
}

const kinKept = new WeakMap<Rows, Kin>();

/** Parts those without partners, parents and children from the rows, where there are several. O(persons). */
export function kinOf(rows: Rows): Kin {
  const known = kinKept.get(rows);
  if (known) return known;
  const related = new Set(
    rows.unions.flatMap(({ partners, children }) => [...partners, ...children.map(({ child }) => child)]),
  );
  const loose = rows.rows.flat().flatMap((b) => rows.blocks[b]!.members.filter((m) => !related.has(m)));
  const kin = loose.length < fewest ? { rows, loose: [] } : { rows: without(rows, new Set(loose)), loose };
  kinKept.set(rows, kin);
  return kin;
}

const without = (rows: Rows, loose: ReadonlySet<number>): Rows => ({
  ...rows,
  blockOf: rows.blockOf.map((b, m) => (loose.has(m) ? -1 : b)),
  rows: rows.rows.map((row) => row.filter((b) => !loose.has(rows.blocks[b]!.members[0]!))),
});

export interface Size {
  readonly width: number;
  readonly height: number;
}

/** Where those without relatives stand: from the upper left corner of the block, and that from the upper left of the family. CSS px. */
export interface LooseBlock extends Size {
  readonly x: number;
  readonly y: number;
  readonly columns: number;
  readonly cell: Size;
  readonly gap: number;
}

/** Place of the k-th of a block, CSS px. */
export const placeInBlock = ({ x, y, columns, cell, gap }: LooseBlock, k: number): { x: number; y: number } => ({
  x: x + (k % columns) * (cell.width + gap),
  y: y + Math.floor(k / columns) * (cell.height + gap),
});

/** The block of `count` cells below or beside a family with which both print largest in a room; where several do, the widest below. O(1). */
export function blockBeside(
  count: number,
  cell: Size,
  family: Size,
  room: Size,
  gaps: { readonly block: number; readonly cell: number },
): { readonly block: LooseBlock; readonly all: Size } {
  const alone = family.width === 0 && family.height === 0;
  const apart = alone ? 0 : gaps.block;
  let best: { block: LooseBlock; all: Size; scale: number } | null = null;
  const attempt = (columns: number, beside: boolean): void => {
    const rows = Math.ceil(count / columns);
    const width = columns * (cell.width + gaps.cell) - gaps.cell;
    const height = rows * (cell.height + gaps.cell) - gaps.cell;
    const x = beside ? family.width + apart : (family.width - width) / 2;
    const y = beside ? 0 : family.height + apart;
    const all = beside
      ? { width: x + width, height: Math.max(family.height, height) }
      : { width: Math.max(family.width, width), height: y + height };
    const scale = Math.min(room.width / all.width, room.height / all.height);
    if (best && scale <= best.scale * 1.001) return;
    best = { block: { x, y, width, height, columns, cell, gap: gaps.cell }, all, scale };
  };
  const most = Math.min(count, mostRows);
  for (let rows = 1; rows <= most; rows++) attempt(Math.ceil(count / rows), false);
  if (!alone) for (let columns = 1; columns <= most; columns++) attempt(columns, true);
  return best!;
}
