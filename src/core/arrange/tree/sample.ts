/** Some of a list, spread over it, the first and the last among them. */
export function sample<T>(list: readonly T[], most: number): readonly T[] {
  if (list.length <= most) return list;
  return Array.from({ length: most }, (_, k) => list[Math.round((k * (list.length - 1)) / (most - 1))]!);
}
