import type { Row } from './delimited';

const fewestLines = 3;
/** At least this share of lines have a gap of two blanks inside, and as many begin at the left and keep to the columns. */
const share = 0.6;
const keptTo = 0.97;
const mostColumns = 60;
const looked = 400;

/** East Asian letters take two columns of a screen, marks on letters none. */
const wide = /[\u1100-\u115f\u2e80-\ua4cf\uac00-\ud7a3\uf900-\ufaff\uff00-\uff60]/;
const mark = /\p{M}/u;

/** Where the letters of a line stand on the screen: `at[column]` is the index in the line, or −1 inside a broad letter. */
function placesOf(line: string): number[] {
  const at: number[] = [];
  for (let i = 0; i < line.length;) {
    const letter = String.fromCodePoint(line.codePointAt(i)!);
    if (!mark.test(letter)) {
      at.push(i);
      if (wide.test(letter)) at.push(-1);
    }
    i += letter.length;
  }
  return at;
}

const gap = /\S {2,}\S/;

/**
 * Columns that stand under each other, parted by blanks that go through all lines; null where there are none. Lines that do not keep to them, as titles and
 * feet of pages, are rows of one cell. O(characters).
 */
export function fixedWidthRows(source: readonly string[]): Row[] | null {
  const lines = source.flatMap((text, i) =>
    text.trim() === '' ? [] : [{ line: i + 1, text: text.trimEnd().replaceAll('\u00a0', ' ') }],
  );
  if (lines.length < fewestLines || lines.some(({ text }) => text.includes('\t'))) return null;
  const parted = lines.slice(0, looked).filter(({ text }) => gap.test(text));
  if (parted.length < fewestLines || parted.length < Math.min(lines.length, looked) * share) return null;
  if (parted.filter(({ text }) => !text.startsWith(' ')).length < parted.length * share) return null;
  const starts = startsIn(parted.map(({ text }) => text));
  if (starts.length < 2 || starts.length > mostColumns) return null;
  return lines.map(({ line, text }) => ({
    line,
    cells: gap.test(text) || text.startsWith(' ') ? cut(text, starts) : [text.trim()],
  }));
}

/** The columns of the screen in which cells begin: two blanks or the edge before them, and hardly a line with a letter on or before the place where they part. */
function startsIn(lines: readonly string[]): number[] {
  const begun: number[] = [];
  const filled: number[] = [];
  for (const line of lines) {
    const at = placesOf(line);
    at.forEach((i, column) => {
      const isBlank = i >= 0 && line[i] === ' ';
      if (isBlank) return;
      filled[column] = (filled[column] ?? 0) + 1;
      const before = (back: number): boolean =>
        column - back < 0 || (at[column - back]! >= 0 && line[at[column - back]!] === ' ');
      if (i >= 0 && before(1) && before(2)) begun[column] = (begun[column] ?? 0) + 1;
    });
  }
  const most = Math.floor(lines.length * (1 - keptTo));
  const starts: number[] = [];
  begun.forEach((count, column) => {
    const isFree = column === 0 || ((filled[column - 1] ?? 0) <= most && (filled[column - 2] ?? 0) <= most);
    if (count > 0 && isFree) starts.push(column);
  });
  return starts;
}

function cut(line: string, starts: readonly number[]): string[] {
  const at = placesOf(line);
  const index = (column: number): number => {
    for (let c = column; c < at.length; c++) if (at[c]! >= 0) return at[c]!;
    return line.length;
  };
  return starts.map((start, k) =>
    line.slice(index(start), k + 1 < starts.length ? index(starts[k + 1]!) : line.length).trim(),
  );
}
