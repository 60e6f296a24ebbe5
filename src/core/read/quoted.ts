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
