import type { Drop } from './fan';

/** Free distance between a line and an assistant's box beside it. CSS px. */
export const clear = 14;
/** Free distance between a spine and the boxes beside it, by the gap between siblings. CSS px. */
export const spineClear = (siblingGap: number): number => Math.min(clear, Math.max(8, siblingGap + 2));

/**
 * Leaves folded into columns, read down one column after the other. Two columns share a spine between them; a single one, or the last of an odd number,
 * has its spine before it. All cells are alike. Sizes in CSS px, across and along the direction of growth.
 */
export interface Stack {
  readonly columns: number;
  readonly rows: number;
  readonly across: number;
  readonly along: number;
  /** Middle of each column, and of each spine, from the beginning across. */
  readonly middles: readonly number[];
  readonly spines: readonly number[];
  /** For each column, its spine and on which side of it the column stands. */
  readonly spineOf: readonly number[];
}

export interface Cell {
  readonly across: number;
  readonly along: number;
}

/** Between boxes of a column. CSS px. */
export const columnStep = ({ siblingGap }: { readonly siblingGap: number }): number => Math.max(5, siblingGap * 0.75);

/** The largest of some boxes in a row of the level order, each way. */
export function cellOf(from: number, count: number, across: Float64Array, along: Float64Array): Cell {
  let [widest, longest] = [0, 0];
  for (let c = from; c < from + count; c++) {
    widest = Math.max(widest, across[c]!);
    longest = Math.max(longest, along[c]!);
  }
  return { across: widest, along: longest };
}

/** The stack of `count` leaves in `columns` columns; `step` between boxes of a column, `gap` between columns without a spine in between. */
export function stackOf(count: number, columns: number, cell: Cell, step: number, gap: number): Stack {
  const rows = Math.ceil(count / columns);
  const used = Math.ceil(count / rows);
  const middles: number[] = [];
  const spines: number[] = [];
  const spineOf: number[] = [];
  const beside = spineClear(gap);
  let at = 0;
  for (let c = 0; c < used; c++) {
    const single = c % 2 === 0 && c === used - 1;
    if (c > 0 && c % 2 === 0) at += gap;
    if (single) {
      spines.push(at);
      at += beside;
    } else if (c % 2 === 1) {
      spines.push(at + beside);
      at += 2 * beside;
    }
    spineOf.push(single ? spines.length - 1 : c % 2 === 1 ? spines.length - 1 : spines.length);
    middles.push(at + cell.across / 2);
    at += cell.across;
  }
  return { columns: used, rows, across: at, along: rows * cell.along + (rows - 1) * step, middles, spines, spineOf };
}

/** Which column and row the leaf at a place stands in. */
export const placeIn = ({ rows }: Stack, index: number): { column: number; row: number } => ({
  column: Math.floor(index / rows),
  row: index % rows,
});

/** Where a line meets a box that has a mark below it, from its beginning: the middle of the box alone. `foot`: room of the mark, none where it is null. */
export const dockOf = (along: Float64Array, foot: Float64Array | null, i: number): number =>
  (along[i]! - (foot ? foot[i]! : 0)) / 2;

/** Boxes of a stack placed: the middle of each across, its beginning along; and the drops of its spines. */
export function placeStack(
  stack: Stack,
  origin: { readonly across: number; readonly along: number },
  boxes: readonly { readonly across: number; readonly along: number; readonly dock: number }[],
  cell: Cell,
  step: number,
): { readonly at: readonly { readonly middle: number; readonly start: number }[]; readonly drops: readonly Drop[] } {
  const ticks: { edge: number; at: number }[][] = stack.spines.map(() => []);
  const at = boxes.map((box, index) => {
    const { column, row } = placeIn(stack, index);
    const spine = stack.spineOf[column]!;
    const after = stack.middles[column]! > stack.spines[spine]!;
    // Boxes narrower than the cell stand at their spine.
    const slack = (cell.across - box.across) / 2;
    const middle = origin.across + stack.middles[column]! + (after ? -slack : slack);
    const start = origin.along + row * (cell.along + step);
    ticks[spine]!.push({ edge: middle + (after ? -box.across : box.across) / 2, at: start + box.dock });
    return { middle, start };
  });
  const drops = stack.spines.map((spine, s): Drop => {
    const own = ticks[s]!.sort((a, b) => a.at - b.at || a.edge - b.edge);
    return { at: origin.across + spine, to: own.at(-1)?.at ?? origin.along, ticks: own };
  });
  return { at, drops };
}
