import { foldName, turned } from './names';
import type { Reading } from './result';

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

/** The share of entries whose name looks like that of a person: two to five words that begin large, short small ones only between, without an article. 0 to 1. */
export function personShare({ entries }: Reading): number {
  if (entries.length === 0) return 0;
  const person =
    /^\p{Lu}[\p{L}\p{M}'’.-]*(\s(\p{Ll}{1,3}|\d[\d-]*|\p{L}?[\p{L}'’-]?\p{Lu}[\p{L}\p{M}'’.-]*)){0,3}\s(\d[\d-]*|\p{L}?[\p{L}'’-]?\p{Lu}[\p{L}\p{M}'’.-]*)$/u;
  const article = /^(the|a|an|what|how|why|when|where|which|is|does|do)\s/i;
  return entries.filter(({ name }) => person.test(turned(name)) && !article.test(name)).length / entries.length;
}

const leastPeople = 0.5;
/**
 * How far the entries of a list are people, from 0 to 1: by their names; and where a script has no large letters, by most of them having details, as posts are.
 */
export function peopleIn(reading: Reading): number {
  const { entries } = reading;
  const cased = entries.filter(({ name }) => /\p{Lu}|\p{Ll}/u.test(name)).length;
  const named = Math.min(1, personShare(reading) / leastPeople);
  if (cased >= entries.length * leastPeople) return named;
  const detailed = entries.filter(({ details }) => details.some((detail) => detail !== '')).length;
  return Math.max(named, entries.length === 0 ? 0 : detailed / entries.length);
}

/** The share of entries whose name stands under another parent too, as the items of sets do. 0 to 1. */
export function repeatedShare({ entries }: Reading): number {
  const parents = new Map<string, Set<string | null>>();
  for (const { name, parent } of entries) {
    const key = foldName(name);
    parents.set(key, (parents.get(key) ?? new Set()).add(parent));
  }
  const repeated = entries.filter(({ name }) => parents.get(foldName(name))!.size > 1).length;
  return entries.length === 0 ? 0 : repeated / entries.length;
}

/** The share of entries with a detail: a post, a place. 0 to 1. */
export const detailedShare = ({ entries }: Reading): number =>
  entries.length === 0 ? 0 : entries.filter(({ details }) => details.some(Boolean)).length / entries.length;

/** The share of entries that stand under another. 0 to 1. */
export const hangingShare = ({ entries }: Reading): number =>
  entries.length === 0 ? 0 : entries.filter(({ parent }) => parent !== null).length / entries.length;

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
    asking: read.entries.filter(({ name }) => /[?？؟\u037e]$/u.test(name)).length / entries,
  };
}
