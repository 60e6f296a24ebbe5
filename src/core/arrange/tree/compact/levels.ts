import type { Item } from '../items';
import { sample } from '../sample';
import { cellOf, columnStep, stackOf, type Cell } from '../stack';

import type { BranchShape, CompactInput, FoundShape, ItemShape } from './types';

/** The shapes of one item: of a branch its own; of leaves a row and columns. */
export function itemShapes(
  input: CompactInput,
  { from, count, leaves }: Item,
  branch: (child: number) => readonly BranchShape[],
): readonly ItemShape[] {
  if (!leaves) return branch(from);
  const cell = cellOf(from, count, input.across, input.along);
  const shapes: ItemShape[] = [];
  if (count === 1 || input.folds !== 'column') shapes.push(rowOfLeaves(input, from, count, cell));
  if (count === 1 || input.folds === 'row') return shapes;
  const most = input.folds === 'column' ? 1 : Math.min(input.mostColumns, count - 1);
  let rowsBefore = Infinity;
  for (let columns = 1; columns <= most; columns++) {
    const stack = stackOf(count, columns, cell, columnStep(input), input.siblingGap);
    if (stack.rows === rowsBefore || stack.rows < 2) continue;
    rowsBefore = stack.rows;
    shapes.push({
      across: stack.across,
      along: stack.along,
      firstDrop: stack.spines[0]!,
      lastDrop: stack.spines.at(-1)!,
      stack,
      pick: -1,
      neck: { left: 0, right: stack.across, depth: stack.along },
    });
  }
  return shapes;
}

function rowOfLeaves(input: CompactInput, from: number, count: number, cell: Cell): ItemShape {
  let across = (count - 1) * input.siblingGap;
  for (let c = from; c < from + count; c++) across += input.across[c]!;
  return {
    across,
    along: cell.along,
    firstDrop: input.across[from]! / 2,
    lastDrop: across - input.across[from + count - 1]! / 2,
    stack: null,
    pick: -1,
    neck: { left: 0, right: across, depth: cell.along },
  };
}

/** For each of some heights and each item, its narrowest shape that is no higher; null where it has none. */
export interface Levels {
  /** From low to high. */
  readonly narrowest: readonly (readonly (ItemShape | null)[])[];
  /** The same with all leaves in their rows, which stand beside the heads of branches, over what these lead. */
  readonly flat: readonly (readonly (ItemShape | null)[])[];
  readonly all: readonly (readonly ItemShape[])[];
}

export function levelsOf(all: readonly (readonly ItemShape[])[], most: number): Levels {
  const known = new Set<number>();
  for (const shapes of all) for (const { along } of shapes) known.add(along);
  const heights = [...known].sort((a, b) => a - b);
  const narrowest = sample(heights, most).map((height) =>
    all.map((shapes) => {
      let best: ItemShape | null = null;
      for (const shape of shapes)
        if (shape.along <= height + 1e-9 && (best === null || shape.across < best.across)) best = shape;
      return best;
    }),
  );
  const lowest = all.map((shapes) => shapes.find(({ pick, stack }) => pick < 0 && stack === null) ?? null);
  const flat = lowest.every((shape) => shape === null)
    ? []
    : narrowest
        .map((level) => level.map((shape, k) => lowest[k] ?? shape))
        .filter((level, l) => level.some((shape, k) => shape !== narrowest[l]![k]));
  return { narrowest, flat, all };
}

/** Of some shapes those that no other beats both ways, from narrow to wide; of many, some spread over their widths. */
export function front(shapes: readonly FoundShape[], most: number): readonly BranchShape[] {
  const sorted = [...shapes].sort((a, b) => a.across - b.across || a.along - b.along);
  const kept: FoundShape[] = [];
  for (const shape of sorted) if (kept.length === 0 || shape.along < kept.at(-1)!.along - 0.01) kept.push(shape);
  const told = thinned(kept, most);
  told.forEach((shape, pick) => (shape.pick = pick));
  return told;
}

/** Without those that a neighbour replaces at the least loss, in width or in height as a share of it; the first and the last stay. */
function thinned(shapes: FoundShape[], most: number): readonly FoundShape[] {
  while (shapes.length > Math.max(2, most)) {
    let [least, at] = [Infinity, 1];
    for (let k = 1; k < shapes.length - 1; k++) {
      const wider = shapes[k + 1]!.across / shapes[k]!.across;
      const longer = shapes[k - 1]!.along / shapes[k]!.along;
      const loss = Math.min(wider, longer);
      if (loss < least) [least, at] = [loss, k];
    }
    shapes.splice(at, 1);
  }
  return shapes;
}
