/** What stands after a surname. */
const after = /^(?:jr|sr|junior|senior|[ivx]{2,4}|\d+(?:st|nd|rd|th))\.?$/i;

/**
 * A name with its surname between strokes, as GEDCOM marks it: the last word, with small words before it ("van der Veen") and without what stands after it
 * ("Jr"). A single word, and a name that has strokes already, stay as they are.
 */
export function markedSurname(name: string): string {
  const words = name.split(' ');
  if (words.length < 2 || name.includes('/')) return name;
  let end = words.length;
  while (end > 2 && after.test(words[end - 1]!)) end--;
  let start = end - 1;
  while (start > 1 && /^\p{Ll}/u.test(words[start - 1]!)) start--;
  return [...words.slice(0, start), `/${words.slice(start, end).join(' ')}/`, ...words.slice(end)].join(' ');
}
