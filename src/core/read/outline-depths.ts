import type { Mark, OutlineLine } from './outline-lines';

/** How deep lines stand, in numbers of which only the order counts, and by what that was told. */
export interface Depths {
  readonly told: 'indent' | 'numbers' | 'signs' | 'headings';
  readonly of: readonly number[];
}

const headingRoom = 10_000;

/**
 * How deep each line of an outline stands: by numbers such as 1.2.3 or headings; by indents; and where nothing is indented by a grammar of signs: a sign is the next of
 * the nearest open level whose next it is, else it opens a level. O(lines × levels).
 */
export function depthsOf(lines: readonly OutlineLine[]): Depths {
  const flat = lines.every((each) => each.indent === lines[0]!.indent);
  if (
    lines.filter(({ sign }) => sign === 'heading').length >= (lines[0]?.sign === 'heading' ? 1 : 2) &&
    lines.length > 1
  )
    return { told: 'headings', of: byHeadings(lines) };
  const numbered = lines.filter((each) => each.sign === 'number' && each.levels > 0);
  if (numbered.some(({ levels }) => levels > 1) && numbered.length >= lines.length * 0.6)
    return { told: 'numbers', of: byNumbers(lines) };
  if (flat && isBySigns(lines)) return { told: 'signs', of: bySigns(lines) };
  return { told: 'indent', of: byIndents(lines) };
}

/** Lines below a heading stand under it, by their own indents; those before the first beside it. */
function byHeadings(lines: readonly OutlineLine[]): number[] {
  const first = lines.find(({ sign }) => sign === 'heading')!.levels;
  let open = 0;
  return lines.map(({ sign, levels, indent }) => {
    if (sign === 'heading') return (open = levels) * headingRoom;
    return open === 0 ? first * headingRoom : open * headingRoom + 1 + Math.min(indent, headingRoom - 2);
  });
}

function byNumbers(lines: readonly OutlineLine[]): number[] {
  let last = 0;
  return lines.map(({ levels }) => {
    if (levels > 0) last = levels;
    return levels || last + 1;
  });
}

/** Two manners of signs at least, on most lines. */
function isBySigns(lines: readonly OutlineLine[]): boolean {
  const signed = lines.filter(({ sign }) => sign !== null);
  return new Set(signed.map(({ marks }) => marks[0]!.style)).size >= 2 && signed.length >= lines.length * 0.7;
}

function bySigns(lines: readonly OutlineLine[]): number[] {
  const open: Mark[] = [];
  return lines.map(({ marks }) => {
    const all = marks.length > 0 ? marks : [plainMark];
    let best: { at: number; mark: Mark } | null = null;
    // The nearest level that this goes on with, whatever its sign is taken for.
    for (const mark of all) {
      const at = open.findLastIndex(
        ({ style, count }) => style === mark.style && (count === 0 || mark.count === count + 1),
      );
      if (at >= 0 && (best === null || at > best.at)) best = { at, mark };
    }
    // What begins to count opens a level; what merely jumps goes on where it is.
    best ??= beginning(all, open) ?? jumping(all, open) ?? { at: open.length, mark: all[0]! };
    open.length = best.at;
    open.push(best.mark);
    return best.at;
  });
}

const plainMark: Mark = { style: '', count: 0 };

function beginning(marks: readonly Mark[], open: readonly Mark[]): { at: number; mark: Mark } | null {
  const mark = marks.find(({ style, count }) => count <= 1 && !open.some((level) => level.style === style));
  return mark ? { at: open.length, mark } : null;
}

function jumping(marks: readonly Mark[], open: readonly Mark[]): { at: number; mark: Mark } | null {
  for (const mark of marks) {
    const at = open.findLastIndex(({ style }) => style === mark.style);
    if (at >= 0) return { at, mark };
  }
  return null;
}

/** A line with a bullet is below a plain one on the same indent. */
function byIndents(lines: readonly OutlineLine[]): number[] {
  const mixed = lines.some(({ sign }) => sign === 'bullet') && lines.some(({ sign }) => sign === null);
  const open: { depth: number; isPlain: boolean }[] = [];
  return lines.map(({ indent, sign }) => {
    const underPlain = mixed && sign === 'bullet' && isUnderPlain(open, indent);
    const depth = indent + (underPlain ? 0.5 : 0);
    while (open.length > 0 && open.at(-1)!.depth >= depth) open.pop();
    open.push({ depth, isPlain: sign === null });
    return depth;
  });
}

/** Whether a plain line above stands on this indent, so that a dash on the same indent is below it. */
function isUnderPlain(open: readonly { depth: number; isPlain: boolean }[], indent: number): boolean {
  for (let i = open.length - 1; i >= 0 && open[i]!.depth >= indent; i--)
    if (open[i]!.depth === indent) return open[i]!.isPlain;
  return false;
}
