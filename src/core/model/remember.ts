/**
 * A pure function that keeps its last results by what they depend on, as `key` writes it: an edit changes little of what a drawing is
 * made from. The oldest go when there are more than `most`.
 */
export function remember<A extends readonly unknown[], R>(
  most: number,
  key: (...given: A) => string,
  make: (...given: A) => R,
): (...given: A) => R {
  const kept = new Map<string, R>();
  return (...given) => {
    const at = key(...given);
    if (kept.has(at)) return kept.get(at)!;
    const made = make(...given);
    if (kept.size >= most) kept.delete(kept.keys().next().value!);
    kept.set(at, made);
    return made;
  };
}
