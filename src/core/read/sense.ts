import { foldName, turned } from './names';
import type { ReadEntry, Reading } from './result';

/** What is no name: several cells in one, a number alone, a paragraph. */
const odd = (name: string): boolean =>
  /[;\t|]/.test(name) || name.split(',').length > 3 || name.length > 90 || /^[\d\s.,%-]+$/.test(name);

/**
 * How far a reading makes sense, from 0 to 1: the share of what was read that has a plain name and a place, squared, so that a reading which leaves
 * separators inside names is worth next to nothing. `groups`: names of what the entries were sorted into.
 */
export function senseOf({ entries, notPlaced }: Reading, groups: readonly string[] = []): number {
  if (entries.length === 0) return 0;
  const names = [...entries.map(({ name }) => name), ...groups];
  const plain = names.filter((name) => !odd(name)).length / names.length;
  const oddGroups = groups.some(odd) ? 0.2 : 1;
  const placed = entries.length / (entries.length + 0.5 * notPlaced.length);
  return plain * plain * placed * oddGroups;
}

/** The share of entries of which something is so. 0 to 1. */
const shareOf = ({ entries }: Reading, isSo: (entry: ReadEntry) => boolean): number =>
  entries.length === 0 ? 0 : entries.filter(isSo).length / entries.length;

const person = /^\p{Lu}[\p{L}\p{M}'’.-]*(\s(\p{Ll}{1,3}|\d[\d-]*|\p{L}?[\p{L}'’-]?\p{Lu}[\p{L}\p{M}'’.-]*)){1,4}$/u;
/** Small words stand within names of persons, not at their ends. */
const endsSmall = /\s\p{Ll}{1,3}$/u;
const article = /^(the|a|an|what|how|why|when|where|which|is|does|do)\s/i;

/** The share of entries whose name looks like that of a person: two to five words that begin large, short small ones only between, without an article. 0 to 1. */
export const personShare = (read: Reading): number =>
  shareOf(read, ({ name }) => {
    const told = turned(name);
    return person.test(told) && !endsSmall.test(told) && !article.test(name);
  });

const leastPeople = 0.5;
/**
 * How far the entries of a list are people, from 0 to 1: by their names; and where a script has no large letters, by most of them having details, as posts are.
 */
export function peopleIn(reading: Reading): number {
  const { entries } = reading;
  const cased = entries.filter(({ name }) => /\p{Lu}|\p{Ll}/u.test(name)).length;
  const named = Math.min(1, personShare(reading) / leastPeople);
  if (cased >= entries.length * leastPeople) return named;
  return Math.max(named, detailedShare(reading));
}

/** The share of entries whose name stands under another parent too, as the items of sets do. 0 to 1. */
function repeatedShare({ entries }: Reading): number {
  const parents = new Map<string, Set<string | null>>();
  for (const { name, parent } of entries) {
    const key = foldName(name);
    parents.set(key, (parents.get(key) ?? new Set()).add(parent));
  }
  const repeated = entries.filter(({ name }) => parents.get(foldName(name))!.size > 1).length;
  return entries.length === 0 ? 0 : repeated / entries.length;
}

/** The share of entries with a detail: a post, a place. 0 to 1. */
const detailedShare = (read: Reading): number => shareOf(read, ({ details }) => details.some(Boolean));

/** The share of entries that stand under another. 0 to 1. */
export const hangingShare = (read: Reading): number => shareOf(read, ({ parent }) => parent !== null);

/**
 * What any reading says for itself or against: names that are none (4 halvings of the sense are all), lines without a place, questions, warnings, and how
 * much it is a list of people. Each 0 to 1.
 */
export function commonSigns(read: Reading, groups: readonly string[] = []): Record<string, number> {
  const entries = Math.max(1, read.entries.length);
  const sense = senseOf(read, groups);
  const warned = read.findings.filter(({ severity }) => severity !== 'note').length;
  return {
    [`as ${read.structure}`]: 1,
    'in columns': Number(read.columns.length > 0),
    odd: sense <= 0 ? 1 : Math.min(1, -Math.log2(sense) / 4),
    unplaced: read.notPlaced.length / (entries + read.notPlaced.length),
    asked: Math.min(1, read.questions.length / entries),
    warned: Math.min(1, warned / entries),
    people: peopleIn(read),
    asking: shareOf(read, ({ name }) => /[?？؟\u037e]$/u.test(name)),
  };
}

/** What entries under each other say beside that; `headed`: whether a word over a column speaks of the kind. */
export const treeSigns = (read: Reading, headed: boolean): Record<string, number> => ({
  ...commonSigns(read),
  headed: Number(headed),
  detailed: detailedShare(read),
  // What stands under several heads is rather an item of several sets.
  'under several': repeatedShare(read),
  hanging: hangingShare(read),
});
