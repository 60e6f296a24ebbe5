/**
 * Text between double quotes, for words that a plain line could not hold as they are: what looks like a bullet, a number or several parts, line
 * ends and tabs, blanks at the ends. Inside, a quote is doubled, and \n, \r, \t and \\ stand for a line end, a return, a tab and a backslash.
 *   quotedAt(quoted(text), 0) equals { text, end: quoted(text).length }
 */
export const quoted = (text: string): string =>
  `"${text.replace(/[\\"\n\r\t]/g, (sign) => (sign === '"' ? '""' : `\\${signs.get(sign) ?? sign}`))}"`;

const signs = new Map([
  ['\n', 'n'],
  ['\r', 'r'],
  ['\t', 't'],
]);
const meanings = new Map([
  ['n', '\n'],
  ['r', '\r'],
  ['t', '\t'],
  ['\\', '\\'],
]);

/** The quoted text that begins at a place of a line, and where it ends; null where none begins there or it never ends. O(its length). */
export function quotedAt(line: string, at: number): { readonly text: string; readonly end: number } | null {
  if (line[at] !== '"') return null;
  let text = '';
  for (let i = at + 1; i < line.length; i++) {
    const sign = line[i]!;
    if (sign === '"') {
      if (line[i + 1] !== '"') return { text, end: i + 1 };
      text += '"';
      i++;
    } else if (sign === '\\' && meanings.has(line[i + 1] ?? '')) {
      text += meanings.get(line[++i]!)!;
    } else {
      text += sign;
    }
  }
  return null;
}

/** Several texts in one cell, parted by semicolons; in quotes where they would not be read back otherwise. Empty ones keep their place. */
export const cellOf = (texts: readonly string[]): string =>
  texts.map((text) => (text !== text.trim() || /[;"\n\r\t]/.test(text) ? quoted(text) : text)).join('; ');

/** The texts of such a cell; the inverse of `cellOf`. */
export function textsOf(cell: string): string[] {
  const texts: string[] = [];
  let at = 0;
  for (;;) {
    while (cell[at] === ' ') at++;
    const inQuotes = quotedAt(cell, at);
    const next = inQuotes ? nextAfter(cell, inQuotes.end) : null;
    if (inQuotes && next !== null) {
      texts.push(inQuotes.text);
      at = next;
    } else {
      const end = cell.indexOf(';', at);
      texts.push((end < 0 ? cell.slice(at) : cell.slice(at, end)).trim());
      at = end < 0 ? cell.length + 1 : end + 1;
    }
    if (at > cell.length) return texts;
  }
}

/** Where the text after a separator begins, beyond the end of the cell where none follows; null where something else follows. */
function nextAfter(cell: string, end: number): number | null {
  let at = end;
  while (cell[at] === ' ') at++;
  return at >= cell.length ? cell.length + 1 : cell[at] === ';' ? at + 1 : null;
}
