/** Signs that nobody sees and no word needs: soft hyphen, zero-width space, word joiner, the mark of a byte order. */
const unseen = /[\u00ad\u200b\u2060\ufeff]/g;

/** Blanks that do not break as blanks that do, one for one. */
export const withPlainBlanks = (text: string): string => text.replace(/[\u00a0\u202f]/g, ' ');

const quotedLine = /^\s*>(?=[>\s]|$)/;
/** How many lines of a quoted mail begin with its sign, at least. */
const quotedShare = 0.6;
/** A mail is quoted in a mail so often at most. */
const mostQuoted = 20;

/** Whether a line that is quoted stands right at one that is not. */
const isMixed = (lines: readonly string[]): boolean =>
  lines.some((line, i) => {
    const before = lines[i - 1] ?? '';
    return line.trim() !== '' && before.trim() !== '' && quotedLine.test(line) !== quotedLine.test(before);
  });

/**
 * The text of a list without what its way through mail and web pages left in it: unseen signs, and the signs before every line of a quoted mail, as often as
 * they stand there. What is not quoted is parted from it by an empty line; else the signs are bullets. Lines stay where they are. O(characters).
 */
export function plainText(source: string): string {
  let text = source.replace(unseen, '');
  for (let level = 0; level < mostQuoted && text.includes('>'); level++) {
    const lines = text.split(/(\r\n|\r|\n)/);
    const plain = lines.filter((_, i) => i % 2 === 0);
    const told = plain.filter((line) => line.trim() !== '');
    const begun = told.filter((line) => quotedLine.test(line)).length;
    if (told.length < 2 || begun < Math.max(2, told.length * quotedShare) || isMixed(plain)) break;
    const shorter = lines
      .map((line, i) => (i % 2 === 0 && quotedLine.test(line) ? line.replace(/^\s*> ?/, '') : line))
      .join('');
    if (shorter === text) break;
    text = shorter;
  }
  return text;
}
