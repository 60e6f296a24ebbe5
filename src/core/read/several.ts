/** What parts names in one cell, from the plainest sign; short words between them may be an "and" in any language. */
const parting: readonly RegExp[] = [/;/, /[&+]/, / \/ /, /,/, /\//, / \p{Ll}{1,3} /u, /\n/];

/** The names that a cell holds: itself where it is known, else parts that are all known, else itself. O(length). */
export function namesOf(cell: string, isKnown: (name: string) => boolean): string[] {
  const whole = cell.trim();
  if (whole === '' || whole.length > 2000 || isKnown(whole)) return whole === '' ? [] : [whole];
  for (const sign of parting) {
    const parts = whole
      .split(sign)
      .map((part) => part.trim())
      .filter(Boolean);
    if (parts.length > 1 && parts.every(isKnown)) return parts;
  }
  return [whole];
}
