import { pushTo } from '../../../model';
import type { Union } from '../model';
import { partnersOf } from '../relations';
import type { RelatedListing } from '../structure';

/** Persons of one generation who stand next to each other: somebody with partners, and theirs; or siblings on each other. */
export interface Block {
  readonly members: readonly number[];
  readonly row: number;
  /** Left out where they stand side by side. */
  readonly stacked?: true;
}

/** The generations as rows of blocks, and which partnership each block stands below. */
export interface Rows {
  readonly blocks: readonly Block[];
  /** Blocks of each row, from left to right. */
  readonly rows: readonly (readonly number[])[];
  /** The block each person is in; −1 for who is not shown. */
  readonly blockOf: Int32Array;
  /** The partnership that a block stands below, among the siblings of one of its members; −1 for none. */
  readonly host: Int32Array;
  readonly unions: readonly ShownUnion[];
  /** Blocks that could as well stand below another family: two members have parents here. */
  readonly torn: readonly number[];
}

/** A partnership with those of its partners and children that are shown, by index. */
export interface ShownUnion {
  readonly union: Union;
  readonly partners: readonly number[];
  readonly children: readonly { readonly child: number; readonly kind: string }[];
}

export function shownUnions({ index, shown, relations }: RelatedListing): ShownUnion[] {
  const seen = new Set<string>();
  const found: ShownUnion[] = [];
  for (const id of shown)
    for (const union of relations.unionsOf(id)) {
      if (seen.has(union.id)) continue;
      seen.add(union.id);
      const children = relations.childrenOf(union.id).filter((child) => shown.has(child.id));
      const partners = union.partners.filter((one) => shown.has(one)).map((one) => index.get(one)!);
      if (partners.length < 2 && children.length === 0) continue;
      found.push({
        union,
        partners,
        children: children.map(({ id: child, kind }) => ({ child: index.get(child)!, kind })),
      });
    }
  return found;
}

/** How rows are put together; several ways are tried and the one with the fewest crossings taken. */
export interface Way {
  /** Whether the family of the first child's partner stands to the left of the family, or all to the right. */
  readonly first: 'left' | 'right';
  /** Of two partners with parents, whose family the couple stands below: that of who comes first in the list, or the other's. */
  readonly below: 'first' | 'other';
  /** Blocks that stand below the other one all the same. */
  readonly exceptions: ReadonlySet<number>;
}
const none: ReadonlySet<number> = new Set();
export const ways: readonly Way[] = [
  { first: 'left', below: 'first', exceptions: none },
  { first: 'right', below: 'first', exceptions: none },
  { first: 'left', below: 'other', exceptions: none },
  { first: 'right', below: 'other', exceptions: none },
];

/** Rows by following each family down from its eldest, the families of those who marry in beside it. O(persons + relations), no recursion on generations. */
export function rowsOf(
  { tierStart }: Pick<RelatedListing, 'tierStart'>,
  unions: readonly ShownUnion[],
  { blocks, blockOf, place }: Blocks,
  way: Way,
): Rows {
  const parentsOf = new Map<number, number[]>();
  const childrenOf = new Map<number, number[]>();
  unions.forEach(({ partners, children }, u) => {
    for (const { child } of children) pushTo(parentsOf, child, u);
    for (const partner of partners) pushTo(childrenOf, partner, u);
  });
  const host = new Int32Array(blocks.length).fill(-1);
  const rows: number[][] = Array.from({ length: Math.max(0, tierStart.length - 1) }, () => []);
  const done = new Uint8Array(blocks.length);
  /** A union that a member of a block is a child of, one row above at least, which is not its own. */
  const above = (member: number): number | undefined =>
    parentsOf
      .get(member)
      ?.find((u) => unions[u]!.partners.some((p) => blocks[blockOf[p]!]!.row < blocks[blockOf[member]!]!.row));
  const torn: number[] = [];
  const choose = (b: number): number => {
    const withParents = blocks[b]!.members.filter((m) => above(m) !== undefined).sort((x, y) => place[x]! - place[y]!);
    if (withParents.length > 1) torn.push(b);
    const member = (way.below === 'first') !== way.exceptions.has(b) ? withParents[0] : withParents.at(-1);
    return member === undefined ? -1 : above(member)!;
  };
  for (let b = 0; b < blocks.length; b++) host[b] = choose(b);
  const hosted = new Map<number, number[]>();
  unions.forEach(({ children }, u) => {
    const below: number[] = [];
    for (const { child } of children) {
      const b = blockOf[child]!;
      if (host[b] === u && !below.includes(b)) below.push(b);
    }
    hosted.set(u, below);
  });
  const topOf = (b: number): number => {
    let at = b;
    for (let step = 0; host[at]! >= 0 && step <= blocks.length; step++) at = blockOf[unions[host[at]!]!.partners[0]!]!;
    return at;
  };
  /** Other families that somebody of a block comes from. */
  const marriedIn = (b: number): number[] =>
    blocks[b]!.members.flatMap((m) =>
      (parentsOf.get(m) ?? [])
        .filter((u) => u !== host[b])
        .flatMap((u) => unions[u]!.partners.map((p) => topOf(blockOf[p]!))),
    );
  type Task = { readonly block: number; readonly step: 'begin' | 'place' };
  const stack: Task[] = [];
  const later = (list: readonly Task[]) => {
    for (let k = list.length - 1; k >= 0; k--) stack.push(list[k]!);
  };
  const start = (b: number): Task => ({ block: b, step: 'begin' });
  const begun = new Uint8Array(blocks.length);
  const roots = blocks
    .map((_, b) => b)
    .filter((b) => host[b]! < 0)
    .sort((a, b) => place[blocks[a]!.members[0]!]! - place[blocks[b]!.members[0]!]!);
  for (const root of [...roots, ...blocks.keys()]) {
    if (done[root] === 1) continue;
    stack.push(start(root));
    for (let task = stack.pop(); task; task = stack.pop()) {
      const { block } = task;
      if (done[block] === 1) continue;
      const below = blocks[block]!.members.flatMap((m) => (childrenOf.get(m) ?? []).flatMap((u) => hosted.get(u)!));
      const distinct = [...new Set(below)];
      if (task.step === 'begin' && way.first === 'left' && begun[block] === 0) {
        begun[block] = 1;
        const [eldest] = distinct;
        const left =
          eldest === undefined ? [] : marriedIn(eldest).filter((b) => done[b] === 0 && begun[b] === 0 && b !== block);
        later([...left.map(start), { block, step: 'place' }]);
        continue;
      }
      done[block] = 1;
      rows[blocks[block]!.row]!.push(block);
      later([
        ...marriedIn(block)
          .filter((b) => done[b] === 0)
          .map(start),
        ...distinct.flatMap((b) => [start(b)]),
      ]);
    }
  }
  return { blocks, rows, blockOf, host, unions, torn };
}

/** Blocks, whichever way they are put together, and the place of each person in the list. */
export interface Blocks extends Pick<Rows, 'blocks' | 'blockOf'> {
  readonly place: Int32Array;
}

/** Chains of partners within a row, beginning at an end of the chain. */
export function blocksOf({ ids, index, tier, shown, relations, outline }: RelatedListing): Blocks {
  const place = new Int32Array(ids.length);
  outline.forEach((i, k) => (place[i] = k));
  const blockOf = new Int32Array(ids.length).fill(-1);
  const blocks: Block[] = [];
  const known: (readonly number[] | undefined)[] = [];
  const near = (i: number): readonly number[] =>
    (known[i] ??= partnersOf(relations, ids[i]!)
      .filter((id) => shown.has(id))
      .map((id) => index.get(id)!)
      .filter((j) => tier[j] === tier[i]));
  const all = Array.from(outline).filter((i) => tier[i]! > 0);
  for (const seed of all) {
    if (blockOf[seed]! >= 0) continue;
    // All who hang together, then from an end of the chain.
    const group = [seed];
    const seen = new Set(group);
    for (let k = 0; k < group.length; k++)
      for (const other of near(group[k]!))
        if (!seen.has(other)) {
          seen.add(other);
          group.push(other);
        }
    const ends = group.filter((i) => near(i).length <= 1);
    const hub = group.reduce((most, i) => (near(i).length > near(most).length ? i : most), group[0]!);
    // Of two partners the first in the list stands first; of several the first partner stands before who has them all.
    const first =
      group.length === 2
        ? group.reduce((a, b) => (place[b]! < place[a]! ? b : a))
        : (near(hub).find((i) => ends.includes(i)) ?? ends[0] ?? seed);
    const members: number[] = [];
    const stack = [first];
    const taken = new Set<number>();
    for (let i = stack.pop(); i !== undefined; i = stack.pop()) {
      if (taken.has(i)) continue;
      taken.add(i);
      members.push(i);
      const next = near(i).filter((j) => !taken.has(j));
      for (let k = next.length - 1; k >= 0; k--) stack.push(next[k]!);
    }
    for (const i of members) blockOf[i] = blocks.length;
    blocks.push({ members, row: tier[seed]! - 1 });
  }
  return { blocks, blockOf, place };
}
