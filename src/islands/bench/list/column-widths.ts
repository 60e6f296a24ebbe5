import type { ListColumn } from '../../../core/kind';
import { own } from '../../../core/model';

/** Widths of columns: shares of the room, or px where the user has set one. By the id of the column; the name's is `name`. */
export type Widths = Readonly<Record<string, number>>;

const fewest = 5;
const most = 26;
const looked = 400;
/** Mean width of a letter in names and in details, and what names may take at least. CSS px. */
const nameLetter = 8.3;
const detailLetter = 6.8;
const mostForNames = 215;
const leastForNames = 150;
/** What names and details share in a panel of the usual width, and what a column of details has at least. CSS px. */
const usualRoom = 358;
const leastForDetails = 60;

/** How many characters most cells of a column have, within limits: what its share of the width follows. */
export function usualLength(texts: readonly string[], heading: string): number {
  const lengths = texts
    .slice(0, looked)
    .map((text) => text.length)
    .filter((length) => length > 0)
    .sort((a, b) => a - b);
  const usual = lengths[Math.floor(lengths.length * 0.8)] ?? 0;
  return Math.max(fewest, heading.length, Math.min(most, usual));
}

/** The tracks of the grid: the grip, the name with its indents (px), then each column; a width that was set by hand is kept to. */
export function tracksOf(
  columns: readonly Pick<ListColumn, 'id'>[],
  lengths: readonly number[],
  indent: number,
  set: Widths,
): string {
  const track = (id: string, length: number, least: string) => {
    const width = own(set, id);
    return width === undefined ? `minmax(${least}, ${length}fr)` : `${width}px`;
  };
  const [name = fewest, ...details] = lengths;
  // Names come first: what they need they have, up to more than half of a usual panel, and less where many columns are to be seen beside them.
  const wanted = Math.round(name * nameLetter + indent + 12);
  const leftForNames = Math.max(leastForNames, usualRoom - columns.length * leastForDetails);
  return [
    '1.5rem',
    track('name', wanted, `${Math.min(mostForNames, leftForNames, wanted)}px`),
    ...columns.map(({ id }, i) =>
      track(id, Math.round((details[i] ?? fewest) * detailLetter + 10), `${leastForDetails}px`),
    ),
  ].join(' ');
}

/** With a width that was set by hand, or without it where it is handed back. */
export const withWidth = (set: Widths, id: string, width: number | null): Widths =>
  Object.fromEntries([
    ...Object.entries(set).filter(([other]) => other !== id),
    ...(width === null ? [] : [[id, width] as const]),
  ]);
