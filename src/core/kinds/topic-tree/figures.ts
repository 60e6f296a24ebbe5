import { sizesBelow, tierCount, type Hierarchy } from '../../hierarchy';
import { own } from '../../model';
import type { TopicTree } from './model';

/** A class with what is below it. */
export interface ClassFigures {
  readonly id: string;
  readonly name: string;
  readonly tier: number;
  /** What it is divided into directly. */
  readonly parts: number;
  /** All entries below it. */
  readonly below: number;
  /** Entries below it that are divided no further. */
  readonly leaves: number;
  /** Tiers below it. */
  readonly depth: number;
  /**
   * The leaves of its largest part against those it would have if all parts had as many: 1 where they do, and at most the number of parts. Null for fewer
   * than two parts.
   */
  readonly imbalance: number | null;
  /** The part with the most leaves, by id. */
  readonly largest: string;
}

export interface TopicFigures {
  readonly ideas: number;
  readonly leaves: number;
  readonly depth: number;
  readonly tiers: readonly {
    readonly tier: number;
    readonly name: string | null;
    readonly ideas: number;
    readonly classes: number;
    readonly leaves: number;
  }[];
  /** In the order of the list. */
  readonly classes: readonly ClassFigures[];
  /** The division whose parts differ most; null where none has two parts that differ. */
  readonly leastBalanced: ClassFigures | null;
}

/** Leaves under each entry, itself where it is one. */
export function leavesBelow({ ids, parent, count }: Hierarchy): Int32Array {
  const leaves = new Int32Array(ids.length);
  for (let i = ids.length - 1; i >= 0; i--) {
    if (count[i] === 0) leaves[i] = 1;
    if (parent[i]! >= 0) leaves[parent[i]!]! += leaves[i]!;
  }
  return leaves;
}

function depthBelow({ ids, parent }: Hierarchy): Int32Array {
  const depth = new Int32Array(ids.length);
  for (let i = ids.length - 1; i > 0; i--) {
    const above = parent[i]!;
    if (above >= 0) depth[above] = Math.max(depth[above]!, depth[i]! + 1);
  }
  return depth;
}

/** Counts a class and a tier, depth, and how even divisions are. O(entries). */
export function figureTopics(diagram: TopicTree, structure: Hierarchy): TopicFigures {
  const { ids, first, count, tier, outline, tierStart } = structure;
  const leaves = leavesBelow(structure);
  const below = sizesBelow(structure);
  const depth = depthBelow(structure);
  const classes = Array.from(outline)
    .filter((i) => count[i]! > 0)
    .map((i): ClassFigures => {
      const parts = count[i]!;
      let largest = first[i]!;
      for (let c = first[i]! + 1; c < first[i]! + parts; c++) if (leaves[c]! > leaves[largest]!) largest = c;
      return {
        id: ids[i]!,
        name: own(diagram.entries, ids[i]!)!.name,
        tier: tier[i]!,
        parts,
        below: below[i]!,
        leaves: leaves[i]!,
        depth: depth[i]!,
        imbalance: parts < 2 ? null : (leaves[largest]! * parts) / leaves[i]!,
        largest: ids[largest]!,
      };
    });
  const uneven = classes.filter(({ imbalance }) => (imbalance ?? 1) > 1);
  return {
    ideas: ids.length,
    leaves: ids.filter((_, i) => count[i] === 0).length,
    depth: tierCount(structure),
    tiers: Array.from({ length: tierCount(structure) }, (_, t) => {
      let divided = 0;
      for (let i = tierStart[t]!; i < tierStart[t + 1]!; i++) if (count[i]! > 0) divided++;
      const ideas = tierStart[t + 1]! - tierStart[t]!;
      const name = own(diagram.tiers, String(t + 1))?.name ?? null;
      return { tier: t + 1, name, ideas, classes: divided, leaves: ideas - divided };
    }),
    classes,
    leastBalanced: uneven.reduce<ClassFigures | null>(
      (most, one) => (most === null || one.imbalance! > most.imbalance! ? one : most),
      null,
    ),
  };
}
