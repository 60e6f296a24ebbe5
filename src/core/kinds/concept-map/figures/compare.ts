import { remember } from '../../../model';
import { foldName, isNear, ListTokens } from '../../../read';
import type { ConceptMap } from '../model';
import { readMap } from '../read/read';
import { mapHeadings } from '../words';

/** A proposition of the key map in words. */
export interface KeyProposition {
  readonly from: string;
  readonly phrase: string;
  readonly to: string;
}

/** A map beside a key map: what of the key it says, and what it says besides. Links by their ids. */
export interface Comparison {
  readonly found: readonly { readonly key: KeyProposition; readonly link: string }[];
  /** The same two ideas, linked by other words. */
  readonly otherWords: readonly { readonly key: KeyProposition; readonly link: string }[];
  /** The same words, the other way round. */
  readonly reversed: readonly { readonly key: KeyProposition; readonly link: string }[];
  readonly missing: readonly KeyProposition[];
  readonly extra: readonly string[];
  /** Ideas of the key that the map has not. */
  readonly missingIdeas: readonly string[];
}

const small = /^(the|a|an|of|to|is|are|be|it|its)$/;

/** Words of a text without articles and endings, in no order, so that "silt carried" is "carries silt". */
export function bareWords(text: string): string[] {
  return foldName(text)
    .replace(/[^\p{L}\p{N}\s]/gu, ' ')
    .split(/\s+/)
    .filter((word) => word !== '' && !small.test(word))
    .map(bareWord)
    .sort();
}

/** Without the endings that a verb or a plural has, so that "carries" is "carry" and "tides" is "tide". */
function bareWord(word: string): string {
  if (word.length <= 3) return word;
  const stem = word
    .replace(/ies$/, 'y')
    .replace(/(s|x|z|ch|sh)es$/, '$1')
    .replace(/([^s])s$/, '$1')
    .replace(/(ed|ing)$/, '');
  return stem.length > 3 ? stem.replace(/e$/, '') : stem;
}

/** Whether two texts say the same up to articles, endings, the order of their words and a slip of the pen a word. */
export function isAlike(a: readonly string[], b: readonly string[]): boolean {
  if (a.length !== b.length) return false;
  const left = [...b];
  return a.every((word) => {
    const at = left.findIndex(
      (other) => other === word || (word.length >= 5 && isNear(word, other, word.length >= 9 ? 2 : 1)),
    );
    if (at < 0) return false;
    left.splice(at, 1);
    return true;
  });
}

/** The propositions of a key as they are written in a list. */
export const keyPropositions = remember(
  4,
  (key: string) => key,
  (key): readonly KeyProposition[] => {
    const read = readMap(new ListTokens(key, mapHeadings));
    const name = new Map(read.entries.map((entry) => [entry.id, entry.name]));
    return read.links.map(({ from, to, phrase }) => ({ from: name.get(from)!, phrase, to: name.get(to)! }));
  },
);

/** O(propositions of the key × ideas, and of the map × those). */
export function compareWithKey(diagram: ConceptMap, keys: readonly KeyProposition[]): Comparison {
  const ideas = Object.values(diagram.entries).map(({ id, name }) => ({
    id,
    words: bareWords(name),
    name: foldName(name),
  }));
  const known = new Map<string, string | null>();
  const ideaOf = (name: string): string | null => {
    const key = foldName(name);
    const before = known.get(key);
    if (before !== undefined) return before;
    const words = bareWords(name);
    const found =
      ideas.find((one) => one.name === key) ??
      ideas.find((one) => one.words.join(' ') === words.join(' ')) ??
      ideas.find((one) => isAlike(words, one.words));
    known.set(key, found?.id ?? null);
    return found?.id ?? null;
  };
  const links = Object.values(diagram.links)
    .sort((a, b) => (a.id < b.id ? -1 : 1))
    .map((link) => ({ ...link, words: bareWords(link.phrase) }));
  const used = new Set<string>();
  const found: { key: KeyProposition; link: string }[] = [];
  const otherWords: typeof found = [];
  const reversed: typeof found = [];
  let open = keys.map((key) => ({ key, from: ideaOf(key.from), to: ideaOf(key.to), words: bareWords(key.phrase) }));
  const pass = (into: typeof found, isMatch: (key: (typeof open)[number], link: (typeof links)[number]) => boolean) => {
    open = open.filter((one) => {
      const link = links.find((each) => !used.has(each.id) && isMatch(one, each));
      if (!link) return true;
      used.add(link.id);
      into.push({ key: one.key, link: link.id });
      return false;
    });
  };
  const isSame = (a: { words: readonly string[] }, b: { words: readonly string[] }) =>
    a.words.join(' ') === b.words.join(' ') || isAlike(a.words, b.words);
  pass(found, (one, link) => one.from === link.from && one.to === link.to && isSame(one, link));
  pass(reversed, (one, link) => one.from === link.to && one.to === link.from && isSame(one, link));
  pass(otherWords, (one, link) => one.from === link.from && one.to === link.to);
  pass(reversed, (one, link) => one.from === link.to && one.to === link.from);
  return {
    found,
    otherWords,
    reversed,
    missing: open.map(({ key }) => key),
    extra: links.filter(({ id }) => !used.has(id)).map(({ id }) => id),
    missingIdeas: [...new Set(keys.flatMap(({ from, to }) => [from, to]).filter((name) => ideaOf(name) === null))],
  };
}

/** The key of a map, compared; null where it has none. */
export function comparison(diagram: ConceptMap): Comparison | null {
  const keys = diagram.map.key.trim() === '' ? [] : keyPropositions(diagram.map.key);
  return keys.length === 0 ? null : compareWithKey(diagram, keys);
}
