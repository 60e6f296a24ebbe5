const romans = ['i', 'ii', 'iii', 'iv', 'v', 'vi', 'vii', 'viii', 'ix', 'x', 'xi', 'xii'];

/** The level that a cell tells: 2, "L2", "Level 2", "II"; null for none. */
function levelOf(cell: string): number | null {
  const text = cell.trim().toLowerCase();
  if (text === '' || text.length > 20) return null;
  const roman = romans.indexOf(text.replace(/\.$/, ''));
  if (roman >= 0) return roman + 1;
  const told = /^(?:\p{L}+[\s.-]*)?(\d{1,2})\.?$/u.exec(text);
  return told ? Number(told[1]) : null;
}

const fewest = 4;

/**
 * Whom each row stands under where a column tells levels by number: the first row is on the top one, none goes down by more than one step, and levels come again.
 * Null where the column is none of that. By row: the row above, −1 for the top. O(rows).
 */
export function parentsByLevel(cells: readonly string[]): number[] | null {
  const levels = cells.map(levelOf);
  if (levels.length < fewest || levels.some((level) => level === null)) return null;
  const told = levels as number[];
  const top = told[0]!;
  if (top > 1 || told.some((level) => level < top)) return null;
  const different = new Set(told).size;
  if (different < 2 || different > told.length * 0.7) return null;
  const open: number[] = [];
  const parents: number[] = [];
  for (const [row, level] of told.entries()) {
    const depth = level - top;
    if (depth > open.length) return null;
    open.length = depth;
    parents.push(open.at(-1) ?? -1);
    open.push(row);
  }
  return parents;
}
