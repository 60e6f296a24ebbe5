import { inOrder } from '../../../arrange/graph';
import { pushTo } from '../../../model';
import type { Rows, ShownUnion } from './blocks';
import { crossingsIn, type Edge } from './crossings';
import { bracket } from './stacks';

/** Gaps across the generations, CSS px. */
export interface AcrossGaps {
  readonly partner: number;
  readonly sibling: number;
  readonly branch: number;
}

/** Where everybody stands across: the middle of each person, and of each partnership. CSS px. */
export interface Across {
  readonly middle: Float64Array;
  /** Where the line to the children begins. */
  readonly union: Float64Array;
  readonly left: number;
  readonly right: number;
}

/** Turns up and down; fewer for large families, whose middle has settled by then as far as can be seen. */
const sweepsFor = (blocks: number): number => (blocks > 1200 ? 4 : blocks > 250 ? 6 : 12);

/**
 * Places blocks across in their order: children below the middle of their parents, parents above the middle of their children, by turns, each row as near to
 * what it wants as the order and the gaps allow. The last turn is upward, so that parents stand exactly over their children where nothing forces them
 * elsewhere. `breadth`: of each person; `sweeps`: turns up and down, fewer for a rough look. O(sweeps × persons).
 */
export function placeAcross(
  rows: Rows,
  breadth: Float64Array,
  gaps: AcrossGaps,
  sweeps = sweepsFor(rows.blocks.length),
): Across {
  const { blocks, rows: order, blockOf, host, unions } = rows;
  const size = blocks.map(({ members, stacked }) =>
    stacked
      ? bracket + members.reduce((most, m) => Math.max(most, breadth[m]!), 0)
      : members.reduce((sum, m) => sum + breadth[m]!, 0) + gaps.partner * (members.length - 1),
  );
  const within = new Float64Array(breadth.length);
  blocks.forEach(({ members, stacked }, b) => {
    let at = -size[b]! / 2 + (stacked ? bracket : 0);
    for (const m of members) {
      within[m] = at + breadth[m]! / 2;
      if (!stacked) at += breadth[m]! + gaps.partner;
    }
  });
  const centre = new Float64Array(blocks.length);
  const apart = order.map((row) =>
    Float64Array.from(row, (b, k) => {
      if (k === 0) return 0;
      const before = row[k - 1]!;
      const siblings = host[b]! >= 0 && host[b] === host[before];
      return size[before]! / 2 + size[b]! / 2 + (siblings ? gaps.sibling : gaps.branch);
    }),
  );
  order.forEach((row, r) => {
    let at = 0;
    row.forEach((b, k) => {
      at += k === 0 ? 0 : apart[r]![k]!;
      centre[b] = at;
    });
  });
  const middleOf = (m: number) => centre[blockOf[m]!]! + within[m]!;
  const unionAt = ({ partners }: ShownUnion): number => unionMiddle(partners, middleOf, breadth);
  const ties = tiesKept.get(rows) ?? tiesOf(rows);
  tiesKept.set(rows, ties);
  const widest = order.reduce((most, { length }) => Math.max(most, length), 0);
  const [wanted, weight] = [new Float64Array(widest), new Float64Array(widest)];
  const settle = (r: number, want: (b: number, k: number) => void) => {
    const row = order[r]!;
    for (let k = 0; k < row.length; k++) want(row[k]!, k);
    const places = inOrder(wanted.subarray(0, row.length), weight, apart[r]!);
    for (let k = 0; k < row.length; k++) centre[row[k]!] = places[k]!;
  };
  const wish = (b: number, k: number, sum: number, heavy: number) => {
    wanted[k] = heavy === 0 ? centre[b]! : sum / heavy;
    weight[k] = heavy === 0 ? 0.02 : heavy;
  };
  const down = (b: number, k: number) => {
    let [sum, heavy] = [0, 0];
    for (let t = ties.upFrom[b]!; t < ties.upFrom[b + 1]!; t++) {
      const u = ties.upUnion[t]!;
      // The family the block stands below counts more than those it is tied to besides.
      const w = u === host[b] ? 1 : 0.35;
      sum += w * (unionAt(unions[u]!) - within[ties.upMember[t]!]!);
      heavy += w;
    }
    wish(b, k, sum, heavy);
  };
  const up = (b: number, k: number) => {
    let [sum, heavy] = [0, 0];
    for (let t = ties.downFrom[b]!; t < ties.downFrom[b + 1]!; t++) {
      const u = ties.downUnion[t]!;
      const union = unions[u]!;
      let [least, most, hosts] = [Infinity, -Infinity, false];
      for (const { child } of union.children) {
        const at = middleOf(child);
        if (at < least) least = at;
        if (at > most) most = at;
        hosts ||= host[blockOf[child]!] === u;
      }
      if (least > most) continue;
      const w = hosts ? 1 : 0.2;
      sum += w * (centre[b]! + (least + most) / 2 - unionAt(union));
      heavy += w;
    }
    wish(b, k, sum, heavy);
  };
  for (let sweep = 0; sweep < sweeps; sweep++) {
    for (let r = 1; r < order.length; r++) settle(r, down);
    for (let r = order.length - 1; r >= 0; r--) settle(r, up);
  }
  const middle = Float64Array.from(breadth, (_, m) => (blockOf[m]! < 0 ? 0 : middleOf(m)));
  let [left, right] = [Infinity, -Infinity];
  breadth.forEach((wide, m) => {
    if (blockOf[m]! < 0) return;
    left = Math.min(left, middle[m]! - wide / 2 - (blocks[blockOf[m]!]!.stacked ? bracket : 0));
    right = Math.max(right, middle[m]! + wide / 2);
  });
  if (left > right) [left, right] = [0, 0];
  return { middle, union: Float64Array.from(unions, unionAt), left, right };
}

/** What pulls blocks: for each the partnerships its members are children of, and those it has; from `…From[b]` to before `…From[b + 1]`. */
interface Ties {
  readonly upFrom: Int32Array;
  readonly upUnion: Int32Array;
  readonly upMember: Int32Array;
  readonly downFrom: Int32Array;
  readonly downUnion: Int32Array;
}

const tiesKept = new WeakMap<Rows, Ties>();

function tiesOf({ blocks, blockOf, unions }: Rows): Ties {
  const up: { readonly union: number; readonly member: number }[][] = blocks.map(() => []);
  const down: number[][] = blocks.map(() => []);
  const place = new Map<number, number>();
  for (const { members } of blocks) members.forEach((m, k) => place.set(m, k));
  unions.forEach(({ partners, children }, u) => {
    for (const { child } of children) up[blockOf[child]!]!.push({ union: u, member: child });
    // A partnership counts once, with the block of its first partner.
    down[blockOf[partners[0]!]!]!.push(u);
  });
  for (const ties of up) if (ties.length > 1) ties.sort((a, b) => place.get(a.member)! - place.get(b.member)!);
  const starts = (all: readonly (readonly unknown[])[]): Int32Array => {
    const from = new Int32Array(all.length + 1);
    all.forEach(({ length }, b) => (from[b + 1] = from[b]! + length));
    return from;
  };
  const ties = up.flat();
  return {
    upFrom: starts(up),
    upUnion: Int32Array.from(ties, ({ union }) => union),
    upMember: Int32Array.from(ties, ({ member }) => member),
    downFrom: starts(down),
    downUnion: Int32Array.from(down.flat()),
  };
}

/** The rows with couples turned round whose families stand on the other side each; the same where none is. */
export function turnedRows(rows: Rows, { union, middle }: Across): Rows {
  const { blocks, unions } = rows;
  const parentAt = new Map<number, number>();
  unions.forEach(({ children }, u) => {
    for (const { child } of children) if (!parentAt.has(child)) parentAt.set(child, union[u]!);
  });
  let turned = false;
  const next = blocks.map((block) => {
    if (block.members.length < 2) return block;
    const [first, last] = [parentAt.get(block.members[0]!), parentAt.get(block.members.at(-1)!)];
    const centre = (middle[block.members[0]!]! + middle[block.members.at(-1)!]!) / 2;
    // Both have parents: each on the side of theirs. One has: on the side where they are, where that is far off.
    const wrong =
      first !== undefined && last !== undefined
        ? first > last + 0.5
        : block.members.length === 2 &&
          ((first !== undefined && first > centre + 40) || (last !== undefined && last < centre - 40));
    if (!wrong) return block;
    turned = true;
    return { ...block, members: [...block.members].reverse() };
  });
  return turned ? { ...rows, blocks: next } : rows;
}

/** The middle of the room between two partners, or of a single parent. */
export function unionMiddle(
  partners: readonly number[],
  middleOf: (m: number) => number,
  breadth: Float64Array,
): number {
  const [a, b] = partners;
  if (b === undefined) return middleOf(a!);
  const [one, other] = middleOf(a!) < middleOf(b) ? [a!, b] : [b, a!];
  return (middleOf(one) + breadth[one]! / 2 + middleOf(other) - breadth[other]! / 2) / 2;
}

/** How many lines from partnerships to children cross between neighbouring rows. O(n log n). */
export function crossingsOf({ unions, blocks, blockOf }: Rows, across: Across): number {
  const byRow = new Map<number, Edge[]>();
  unions.forEach((union, u) => {
    const row = blocks[blockOf[union.partners[0]!]!]!.row;
    for (const { child } of union.children) pushTo(byRow, row, [across.union[u]!, across.middle[child]!]);
  });
  return [...byRow.values()].reduce((sum, edges) => sum + crossingsIn(edges), 0);
}
