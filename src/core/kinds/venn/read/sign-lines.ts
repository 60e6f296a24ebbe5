import { foldName, partsOf, withPlainBlanks, type ListTokens } from '../../../read';
import { mostSets } from '../model';
import type { Mention, SetList } from './set-list';

const signs = [' = ', ' -> ', ' → ', ' => ', ' – ', ' — ', ' - ', ': '];
const commas = ['; ', ', ', ' / ', ' | ', ' + ', ' & '];
/** What stands between names of sets that a line has in common. */
const joints = [' & ', ' + ', ' ∩ ', ' ∧ '];
const fewestLines = 2;
/** Short words that may stand between names of sets are tried up to so many. */
const mostWords = 3;
/** Of the sets of regions at least this share is told more than once. */
const leastTold = 0.6;
/** Of regions with one item each so many lines at least tell anything. */
const fewestSingle = 4;

interface Line {
  readonly line: number;
  readonly head: string;
  readonly members: readonly string[];
}

/**
 * Lines with one name before a sign and several after it, in any signs: lists a set, sets an item, or items a region, "Boats & Sails: dinghy, yawl". The side with few
 * names that come again is the sets. Null where lines say something else. O(characters × signs).
 */
export function fromSigns(tokens: ListTokens): SetList | null {
  const lines = tokens.filled;
  if (lines.length < fewestLines) return null;
  for (const sign of signs) {
    const parted = lines.filter(({ text }) => text.indexOf(sign) > 0);
    if (parted.length < fewestLines || parted.length < lines.length) continue;
    const heads = parted.map(({ text }) => text.slice(0, text.indexOf(sign)).trim());
    const tails = parted.map(({ text }) => text.slice(text.indexOf(sign) + sign.length).trim());
    const parts = partingOf(tails);
    const told = parted.map(({ line }, i): Line => ({ line, head: heads[i]!, members: parts(tails[i]!) }));
    const found = regions(told) ?? (sign === ': ' ? null : plain(told));
    if (found) return found;
  }
  return null;
}

/** How lists are parted: by the sign that most of them have, or by a short word between the names that come again. */
function partingOf(lists: readonly string[]): (list: string) => string[] {
  const counts = commas.map((comma) => lists.filter((list) => list.includes(comma)).length);
  const most = Math.max(...counts);
  if (most > 0) {
    const comma = commas[counts.indexOf(most)]!;
    return (list) => partsOf(list, comma);
  }
  const word = jointWord(lists);
  return (list) => partsOf(list, word);
}

/** The short words with a blank at either side that stand in lists most often: "and" in any language. */
function jointWords(lists: readonly string[]): string[] {
  const counts = new Map<string, number>();
  for (const list of lists)
    for (const [word] of list.matchAll(/(?<=\s)\p{Ll}{1,3}(?=\s)/gu))
      counts.set(` ${word} `, (counts.get(` ${word} `) ?? 0) + 1);
  return [...counts]
    .sort((a, b) => b[1] - a[1])
    .slice(0, mostWords)
    .map(([word]) => word);
}

const leastApart = 0.5;

/**
 * The short word that stands between names in lists: what it parts comes again by itself or with others. Null where it is but a word within names, as in "Isle
 * of Ness". O(characters × words tried).
 */
export function jointWord(lists: readonly string[]): string | null {
  const values = [...new Set(lists.map(withPlainBlanks))];
  for (const word of jointWords(values)) {
    const times = new Map<string, number>();
    for (const value of values)
      for (const key of new Set(partsOf(value, word).map(foldName))) times.set(key, (times.get(key) ?? 0) + 1);
    const parts = new Set(values.flatMap((value) => (value.includes(word) ? partsOf(value, word).map(foldName) : [])));
    const apart = [...parts].filter((part) => times.get(part)! > 1).length;
    if (parts.size > 1 && apart >= parts.size * leastApart) return word;
  }
  return null;
}

const distinct = (names: readonly string[]): string[] => [
  ...new Map(names.map((name) => [foldName(name), name])).values(),
];

function plain(told: readonly Line[]): SetList | null {
  const heads = distinct(told.map(({ head }) => head));
  const members = distinct(told.flatMap((one) => one.members));
  if (heads.length < told.length) return null;
  const headKeys = new Set(heads.map(foldName));
  if (members.some((member) => headKeys.has(foldName(member)))) return null;
  const all = told.reduce((sum, one) => sum + one.members.length, 0);
  if (all === members.length) return null;
  if (heads.length <= Math.min(mostSets, members.length))
    return listOf(
      heads,
      told.flatMap(({ line, head, members: items }) => items.map((name) => ({ name, line, sets: [head] }))),
    );
  if (members.length > mostSets || members.length >= heads.length) return null;
  return listOf(
    members,
    told.map(({ line, head, members: sets }) => ({ name: head, line, sets })),
  );
}

/** Of heads that name one set, the word that all of them begin or end with, and no other head does, says "only" in some language. */
function withoutOnly(heads: readonly string[], joint: string): string[] {
  const single = heads.filter((head) => !head.includes(joint));
  const ways: readonly (readonly [of: (head: string) => string, without: (head: string, word: string) => string])[] = [
    [(head) => head.slice(head.lastIndexOf(' ') + 1), (head, word) => head.slice(0, head.length - word.length).trim()],
    [(head) => head.slice(0, Math.max(0, head.indexOf(' '))), (head, word) => head.slice(word.length).trim()],
  ];
  for (const [of, without] of ways) {
    const word = of(single[0] ?? '').toLowerCase();
    const isOnly = (head: string) => of(head).toLowerCase() === word && without(head, word) !== '';
    const others = heads.filter((head) => head.includes(joint) && isOnly(head)).length;
    if (word !== '' && others === 0 && single.every(isOnly) && (single.length > 1 || word === 'only'))
      return heads.map((head) => (head.includes(joint) ? head : without(head, word)));
  }
  return [...heads];
}

/** Lines of which some name several sets before the sign, and each item stands in one line. */
function regions(told: readonly Line[]): SetList | null {
  const items = told.flatMap(({ members }) => members.map(foldName));
  if (told.length < fewestLines || new Set(items).size < items.length) return null;
  // Where each line has one item, either side might be the sets: all of them must come again.
  const isSingle = items.length <= told.length;
  if (isSingle && told.length < fewestSingle) return null;
  const all = told.map(({ head }) => head);
  for (const joint of [...joints, ...jointWords(all)]) {
    const heads = withoutOnly(all, joint);
    const parts = heads.map((head) => partsOf(head, joint));
    const sets = distinct(parts.flat());
    const several = parts.filter((one) => one.length > 1).length;
    if (several === 0 || sets.length < 2 || sets.length > mostSets || sets.length > told.length) continue;
    // Most sets stand in more than one region, or by themselves.
    const known = sets.filter((set) => {
      const key = foldName(set);
      return (
        parts.filter((one) => one.some((part) => foldName(part) === key)).length > 1 ||
        heads.some((head) => foldName(head) === key)
      );
    });
    if (known.length < Math.max(2, isSingle ? sets.length : sets.length * leastTold)) continue;
    return listOf(
      sets,
      told.flatMap(({ line, members }, i) => members.map((name) => ({ name, line, sets: parts[i]! }))),
    );
  }
  return null;
}

const listOf = (sets: readonly string[], mentions: readonly Pick<Mention, 'name' | 'line' | 'sets'>[]): SetList => ({
  told: 'set-lines',
  universe: '',
  apart: false,
  sets,
  mentions: mentions.map((one) => ({ ...one, details: [], fields: {} })),
  notPlaced: [],
  columns: [],
  header: false,
  findings: [],
});
