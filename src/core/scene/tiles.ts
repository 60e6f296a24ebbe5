import { paperSize } from '../model';
import type { Rect } from './scene';

/** Sheets that a poster may be printed over. */
export const tilePapers = ['A4', 'A3', 'letter'] as const;
export type TilePaper = (typeof tilePapers)[number];
export const isTilePaper = (name: string): name is TilePaper => tilePapers.some((paper) => paper === name);

/** Edge that most printers leave white, and the part that two neighbours both show, where they are joined. CSS px: 8 mm and 10 mm. */
export const tileEdge = (8 * 96) / 25.4;
export const tileOverlap = (10 * 96) / 25.4;

export interface Tile {
  readonly row: number;
  readonly column: number;
  /** The part of the poster it shows, CSS px. */
  readonly cut: Rect;
}

export interface Tiling {
  /** The paper of each tile, CSS px, lying or standing, whichever needs fewer. */
  readonly width: number;
  readonly height: number;
  readonly rows: number;
  readonly columns: number;
  readonly tiles: readonly Tile[];
}

/** The tiles that together show a sheet of a size (CSS px), row by row; neighbours overlap. */
export function tilingOf(sheet: { readonly width: number; readonly height: number }, paper: TilePaper): Tiling {
  const { width: short, height: long } = paperSize({ size: paper, orientation: 'portrait' })!;
  const standing = tiled(sheet, short, long);
  const lying = tiled(sheet, long, short);
  return lying.tiles.length < standing.tiles.length ? lying : standing;
}

function tiled(sheet: { readonly width: number; readonly height: number }, width: number, height: number): Tiling {
  const shown = { width: width - 2 * tileEdge, height: height - 2 * tileEdge };
  const step = { x: shown.width - tileOverlap, y: shown.height - tileOverlap };
  const count = (size: number, most: number, by: number) => Math.max(1, Math.ceil((size - most) / by - 1e-9) + 1);
  const columns = count(sheet.width, shown.width, step.x);
  const rows = count(sheet.height, shown.height, step.y);
  const tiles = Array.from({ length: rows * columns }, (_, k): Tile => {
    const [row, column] = [Math.floor(k / columns), k % columns];
    return { row: row + 1, column: column + 1, cut: { x: column * step.x, y: row * step.y, ...shown } };
  });
  return { width, height, rows, columns, tiles };
}
