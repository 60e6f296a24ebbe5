/** The middle of some numbers. */
export function median(list: readonly number[]): number {
  const sorted = [...list].sort((a, b) => a - b);
  return sorted[Math.floor((sorted.length - 1) / 2)] ?? 0;
}
