/** Signs that nobody sees and no word needs: soft hyphen, zero-width space, word joiner, the mark of a byte order. */
const unseen = /[\u00ad\u200b\u2060\ufeff]/g;

const quotedLine = /^\s*>(?=[>\s]|$)/;
/** How many lines of a quoted mail begin with its sign, at least: 0.9. */
const quotedShare = 0.9;

/**
 * The text of a list without what its way through mail and web pages left in it: unseen signs, and the signs before every line of a quoted mail, as often as
 * all of its lines have them. Lines stay where they are. O(characters).
 */
export function plainText(source: string): string {
  let text = source.replace(unseen, '');
  while (text.includes('>')) {
    const lines = text.split(/(\r\n|\r|\n)/);
    const told = lines.filter((line, i) => i % 2 === 0 && line.trim() !== '');
    const begun = told.filter((line) => quotedLine.test(line)).length;
    if (told.length < 2 || begun < Math.max(2, told.length * quotedShare)) break;
    const shorter = lines.map((line, i) => (i % 2 === 0 ? line.replace(/^\s*> ?/, '') : line)).join('');
    if (shorter === text) break;
    text = shorter;
  }
  return text;
}
