import type { Block, Rows } from './blocks';

/** Before the boxes of a stack, for the line that leads to them all. CSS px. */
export const bracket = 10;
/** From that line to the boxes, CSS px. */
export const bracketGap = 7;
/** Between two boxes of a stack, CSS px. */
export const stackGap = 6;

/** How many stand on each other at most, from none on; each is tried where less would print small. */
export const stackings = [2, 3, 4, 5, 6, 8, 12] as const;

/** How many stand on each other at most in each row. */
export const highestOf = ({ rows, blocks }: Rows): number[] =>
  rows.map((row) =>
    row.reduce((high, b) => (blocks[b]!.stacked ? Math.max(high, blocks[b]!.members.length) : high), 1),
  );

/**
 * The rows with children who have nobody of their own, and are next to each other in age, standing on each other: as many as `mostOf` their row. Whose lines are of
 * another manner stands apart. The same rows where there are none. O(persons).
 */
export function stackedRows(rows: Rows, mostOf: (row: number) => number): Rows {
  const { unions, blockOf, host } = rows;
  const partners = new Set(unions.flatMap((union) => union.partners));
  /** How each belongs to the one family it is a child of. */
  const kinds = new Map<number, string | null>();
  for (const { children } of unions)
    for (const { child, kind } of children) kinds.set(child, kinds.has(child) ? null : kind);
  /** The manner of the line to a block that can stand in a stack; null for one that cannot. */
  const mannerOf = (b: number): string | null => {
    const { members, row } = rows.blocks[b]!;
    const [one] = members;
    const above = unions[host[b]!]?.partners[0];
    if (members.length > 1 || above === undefined || partners.has(one!)) return null;
    return rows.blocks[blockOf[above]!]!.row === row - 1 ? (kinds.get(one!) ?? null) : null;
  };
  const blocks: Block[] = [...rows.blocks];
  const hosts = Array.from(host);
  const inBlock = blockOf.slice();
  const stack = (run: readonly number[]): readonly number[] => {
    const { row } = blocks[run[0]!]!;
    const columns = Math.ceil(run.length / mostOf(row));
    if (columns === run.length) return run;
    return Array.from({ length: columns }, (_, c) => {
      // As many in each as can be, the longer ones first.
      const from = Math.ceil((run.length * c) / columns);
      const members = run.slice(from, Math.ceil((run.length * (c + 1)) / columns)).map((b) => blocks[b]!.members[0]!);
      if (members.length === 1) return run[from]!;
      for (const m of members) inBlock[m] = blocks.length;
      hosts.push(host[run[0]!]!);
      return blocks.push({ members, row, stacked: true }) - 1;
    });
  };
  const order = rows.rows.map((row) => {
    const next: number[] = [];
    for (let k = 0; k < row.length;) {
      const manner = mannerOf(row[k]!);
      let end = k + 1;
      while (manner !== null && end < row.length && host[row[end]!] === host[row[k]!] && mannerOf(row[end]!) === manner)
        end++;
      next.push(...stack(row.slice(k, end)));
      k = end;
    }
    return next;
  });
  if (blocks.length === rows.blocks.length) return rows;
  return { ...rows, blocks, rows: order, blockOf: inBlock, host: Int32Array.from(hosts) };
}
