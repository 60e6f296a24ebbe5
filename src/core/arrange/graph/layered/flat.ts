/** Neighbours of all vertices in one row: those of vertex v stand from `start[v]` to before `start[v + 1]`. */
export interface Flat {
  readonly start: Int32Array;
  readonly ends: Int32Array;
}
const known = new WeakMap<readonly (readonly number[])[], Flat>();

/** The same neighbours where they are gone through thousands of times; they must not change any more. */
export function flat(near: readonly (readonly number[])[]): Flat {
  const before = known.get(near);
  if (before) return before;
  const start = new Int32Array(near.length + 1);
  near.forEach(({ length }, v) => (start[v + 1] = start[v]! + length));
  const ends = new Int32Array(start[near.length]!);
  near.forEach((all, v) => ends.set(all, start[v]));
  const made = { start, ends };
  known.set(near, made);
  return made;
}
