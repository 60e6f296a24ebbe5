import type { Item } from '../items';
import type { Stack } from '../stack';

/** A hierarchy in level order for an arrangement in which each branch begins right below its head. Sizes across and along the growth, CSS px. */
export interface CompactInput {
  readonly roots: number;
  readonly first: Int32Array;
  readonly count: Int32Array;
  readonly tier: Int32Array;
  readonly beside: Uint8Array;
  readonly foot: Float64Array | null;
  readonly across: Float64Array;
  readonly along: Float64Array;
  readonly siblingGap: number;
  readonly branchGap: number;
  /** `tierGap[t]`: between tier t and t + 1, counted from 1. */
  readonly tierGap: readonly number[];
  readonly mostColumns: number;
  /** What stands below each entry, as `itemsOf` tells it. */
  readonly items: readonly (readonly Item[])[];
  /** `rough` tries fewer ways, for finding out which sizes of boxes are worth a `fine` look, and which of these a `close` one. */
  readonly look: Look;
  /** Whether leaves may fold into columns, and branches hang below each other; else all stand side by side. */
  readonly folds: 'row' | 'column' | 'open';
}

/** What stands below a head, or one item of it, in one of its shapes. */
export interface ItemShape {
  readonly across: number;
  readonly along: number;
  /** Where the first and the last line from the bus meet it, from its beginning across. */
  readonly firstDrop: number;
  readonly lastDrop: number;
  /** Leaves: their columns; null where they stand in a row. */
  readonly stack: Stack | null;
  /** A branch: which of its shapes. */
  readonly pick: number;
  readonly neck: Neck;
}

/** The upper part of a shape, which is no wider than its head: a neighbour may stand over what is below it. */
export interface Neck {
  readonly left: number;
  readonly right: number;
  readonly depth: number;
}

/** A branch in one of its shapes: its head at the top, `anchor` the head's middle across, where lines from a bus meet it. */
export interface BranchShape extends ItemShape {
  readonly anchor: number;
  readonly plan: Plan;
}

/** One before `front` tells which of all it is. */
export type FoundShape = BranchShape & { pick: number };

export function branchShape(across: number, along: number, anchor: number, neck: Neck, plan: Plan): FoundShape {
  return { across, along, firstDrop: anchor, lastDrop: anchor, stack: null, pick: 0, neck, anchor, plan };
}

/** What is drawn of a shape. What takes work to tell is told when it is asked for: of thousands of shapes one is drawn. */
export type Plan =
  | { readonly how: 'alone' }
  /** All items side by side, the head over the middle. `ats`: where each begins across; `start`: where they begin along, from the head's beginning. */
  | {
      readonly how: 'row';
      readonly picks: readonly ItemShape[];
      readonly ats: () => readonly number[];
      readonly start: number;
    }
  /** Entries below each other in columns, each column at a spine before it, the head over the middle. */
  | {
      readonly how: 'columns';
      readonly columns: () => readonly Column[];
      readonly start: number;
      readonly left: number;
    }
  /** Items in rows below each other, a trunk before them, the head at the beginning. */
  | { readonly how: 'shelves'; readonly rows: () => readonly Shelf[] };

export interface Shelf {
  /** Index of the first of its items, and their shapes. */
  readonly from: number;
  readonly picks: readonly ItemShape[];
  /** Where each begins across, after the indent. */
  readonly ats: readonly number[];
  /** Where its boxes begin, from the head's beginning. */
  readonly start: number;
  /** Joined by a bus above, or each by a tick from the trunk. */
  readonly joined: 'bus' | 'ticks';
}

/** One column: where its spine stands across, and its entries, counted from the first below their head, with their shapes and where each begins. */
export interface Column {
  readonly at: number;
  readonly units: readonly { readonly entry: number; readonly pick: number; readonly start: number }[];
}

/** Distance of a trunk from the beginning of its head, and from the boxes that hang at it. CSS px. */
export const trunk = { at: 12, clear: 12 } as const;

/**
 * How closely is looked: shapes that are kept of a branch (more of a large one), levels of height that are tried of a row, items of a shelf, widths of
 * shelves, and heights and widths of columns.
 */
export const looks = {
  rough: { shapes: 7, levels: 6, inShelf: 5, shelfWidths: [2, 3], columnHeights: 4, columnWidths: 5 },
  fine: { shapes: 16, levels: 14, inShelf: 12, shelfWidths: [1.5, 2, 3, 4, 6], columnHeights: 12, columnWidths: 8 },
  close: {
    shapes: 40,
    levels: 40,
    inShelf: 12,
    shelfWidths: [1.2, 1.5, 1.75, 2, 2.5, 3, 3.5, 4, 5, 6],
    columnHeights: 24,
    columnWidths: 16,
  },
} as const;
export type Look = keyof typeof looks;

export interface Shapes {
  readonly ofBranch: readonly (readonly BranchShape[])[];
  /** Of all roots together. */
  readonly whole: readonly BranchShape[];
  readonly rootItems: readonly Item[];
}
