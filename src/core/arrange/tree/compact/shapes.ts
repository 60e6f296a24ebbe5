import type { Item } from '../items';
import { columnsOf } from './columns';
import { headOf, noHead, type Head } from './head';
import { front, itemShapes, levelsOf } from './levels';
import { rows } from './row';
import { shelves } from './shelves';
import { branchShape, looks, type BranchShape, type CompactInput, type Shapes } from './types';

/** What is known of the shapes of branches from one tier down to another, by the branch's index, while the boxes of these tiers are the same. */
export type KnownShapes = (tier: number, deepest: number) => Map<number, readonly BranchShape[]>;

/**
 * For every branch the shapes it can take of which none is both wider and longer than another, from the lowest up: shape functions as in floor planning
 * (L. Stockmeyer, "Optimal Orientations of Cells in Slicing Floorplan Designs", Information and Control 57, 1983), with rows, shelves and columns
 * as the ways to put shapes together; of many, some are kept. O(entries · shapes · levels), and O(items · items in a shelf) for the shelves.
 */
export function compactShapes(input: CompactInput, known: KnownShapes | null = null): Shapes {
  const n = input.tier.length;
  const ofBranch: (readonly BranchShape[])[] = new Array<readonly BranchShape[]>(n);
  // How many entries a branch holds: a large one is told in more shapes.
  const size = new Int32Array(n).fill(1);
  const deepest = input.tier.slice();
  // Teams of as many, of boxes of the same sizes, take the same shapes.
  const teams = new Map<number, number>();
  for (let i = n - 1; i >= 0; i--) {
    for (let c = input.first[i]!, end = c + input.count[i]!; c < end; c++) {
      size[i]! += size[c]!;
      deepest[i] = Math.max(deepest[i]!, deepest[c]!);
    }
    const before = known?.(input.tier[i]!, deepest[i]!);
    const alike = teams.get(teamKey(input, i)) ?? null;
    const shapes =
      before?.get(i) ??
      (alike !== null && areAlike(input, alike, i) ? ofBranch[alike]! : null) ??
      shapesOf(input, headOf(input, i), input.items[i]!, (c) => ofBranch[c]!, size[i]! / n);
    if (alike === null && isTeam(input, i)) teams.set(teamKey(input, i), i);
    before?.set(i, shapes);
    ofBranch[i] = shapes;
  }
  const rootItems = Array.from({ length: input.roots }, (_, r): Item => ({ from: r, count: 1, leaves: false }));
  const whole = input.roots === 1 ? ofBranch[0]! : shapesOf(input, noHead(input), rootItems, (c) => ofBranch[c]!, 1);
  return { ofBranch, whole: whole ?? none, rootItems };
}
const none: never[] = [];

function shapesOf(
  input: CompactInput,
  head: Head,
  items: readonly Item[],
  branch: (child: number) => readonly BranchShape[],
  share: number,
): readonly BranchShape[] {
  if (items.length === 0) {
    const across = Math.max(head.across, head.stripBreadth);
    const along = head.along + (head.strip > 0 ? head.gap / 2 + head.strip : 0);
    return [branchShape(across, along, across / 2, { left: 0, right: across, depth: along }, { how: 'alone' })];
  }
  const look = looks[input.look];
  const levels = levelsOf(
    items.map((item) => itemShapes(input, item, branch)),
    Math.round(look.levels * (1 + share)),
  );
  const most = Math.round(look.shapes * (1 + 3 * share));
  const shapes = rows(input, head, levels);
  if (input.folds === 'row') return front(shapes, most);
  shapes.push(...shelves(input, head, items, levels));
  if (items.length > 1) shapes.push(...columnsOf(input, head, items, branch));
  return front(shapes, most);
}

/** Whether an entry has nobody below it but some leaves that follow each other, all of one size. */
function isTeam({ items, count, across, along }: CompactInput, i: number): boolean {
  if (count[i] === 0) return true;
  const [only, ...others] = items[i]!;
  if (others.length > 0 || !only?.leaves || only.count !== count[i]) return false;
  for (let c = only.from + 1; c < only.from + only.count; c++)
    if (across[c] !== across[only.from] || along[c] !== along[only.from]) return false;
  return true;
}

const teamKey = ({ tier, count }: CompactInput, i: number): number => tier[i]! * 65_536 + Math.min(count[i]!, 65_535);

/** Whether two teams of as many entries are of the same sizes. */
function areAlike(input: CompactInput, a: number, b: number): boolean {
  const { across, along, first, count } = input;
  const same = (i: number, j: number) => across[i] === across[j] && along[i] === along[j];
  return isTeam(input, b) && count[a] === count[b] && same(a, b) && (count[a] === 0 || same(first[a]!, first[b]!));
}
