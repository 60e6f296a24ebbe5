import type { Finding } from '../model';
import type { Reading } from '../read';
import type { Kind } from './kind';

/** "an org chart", "a Venn diagram". */
export const withArticle = ({ nameInSentence }: Pick<Kind, 'nameInSentence'>): string =>
  `${/^[aeiou]/i.test(nameInSentence) ? 'an' : 'a'} ${nameInSentence}`;

/** How many lines of a list found their places in a tree, for `Fit.words`. */
export function placesTold({ structure, entries, notPlaced }: Reading): string {
  if (structure === 'flat') return 'all on one tier';
  return notPlaced.length > 0
    ? `${entries.length} of ${entries.length + notPlaced.length} lines have a place`
    : 'fits every line';
}

/**
 * What a newer text of a list changes. Unchanged text changes nothing, whatever a reader makes of it; what cannot be read does not empty the diagram; an
 * empty text does.
 */
export function changesTold<R extends Pick<Reading, 'entries' | 'findings'>, C>(
  text: string,
  before: string,
  read: (text: string) => R,
  changes: (read: R) => readonly C[],
): { readonly gesture: readonly C[]; readonly findings: readonly Finding[] } {
  if (text === before) return { gesture: [], findings: [] };
  const told = read(text);
  const unread = text.trim() !== '' && told.entries.length === 0;
  return { gesture: unread ? [] : changes(told), findings: told.findings };
}
