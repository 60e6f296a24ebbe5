import { pushTo } from '../model';
import { NamedEntries, type NamedLine } from './named-entries';
import { foldName } from './names';
import { isSureWay, mostWords as mostPartable, partedSentences } from './sentence-parts';
import type { ListTokens } from './tokens';

const fewestLines = 3;
const mostLines = 20_000;
const mostWords = 24;
const longestPhrase = 8;
/** Wordings that a list mixes, and how many lines the first of them has at least. */
const mostWordings = 8;
const leastLines = 2;
/** At least this share of lines has a wording that others have. */
const leastShare = 0.5;

interface Wording {
  readonly before: readonly string[];
  readonly between: readonly string[];
  readonly after: readonly string[];
}

interface Said {
  readonly line: number;
  readonly left: string;
  readonly right: string;
  readonly wording: Wording;
}

/**
 * Sentences that say who is under whom, in any language: lines of one wording, or of a few, between two names that stand in other lines too. Whoever stands on one side once in all lines is below.
 * `bySign`: no words stand between the names. Null where lines say something else. O(lines × words²).
 */
export function readReports(
  tokens: ListTokens,
): { readonly lines: readonly NamedLine[]; readonly bySign: boolean } | null {
  const { filled } = tokens;
  if (filled.length < fewestLines || filled.length > mostLines) return null;
  const lines = filled.map(({ line, text }) => ({ line, words: wordsOf(text) }));
  if (
    lines.length < fewestLines ||
    lines.length > mostLines ||
    lines.some(({ words }) => words.length < 3 || words.length > mostWords)
  )
    return null;
  const said: Said[] = [];
  let left = lines;
  const names = endWords(lines.slice(0, looked).map(({ words }) => words));
  for (let k = 0; k < mostWordings && left.length > 0; k++) {
    const wording = commonWording(
      left.map(({ words }) => words),
      names,
    );
    if (!wording) break;
    const rest: typeof left = [];
    for (const one of left) {
      const parts = partedBy(one.words, wording);
      if (parts) said.push({ line: one.line, ...parts, wording });
      else rest.push(one);
    }
    if (rest.length === left.length) break;
    for (const one of said) for (const word of `${one.left} ${one.right}`.split(' ')) names.add(word);
    left = rest;
  }
  // What is left is said in words of its own, between names that others tell.
  const others = byNames(left, said);
  if (others.length === left.length && said.length >= lines.length * leastShare) {
    const found = forestOf([...said, ...others].sort((a, b) => a.line - b.line));
    const bySign = said.every(({ wording: { between } }) => !/[\p{L}\p{N}]/u.test(between.join('')));
    return found && { lines: found, bySign };
  }
  const found = forestOf(saidByParts(lines), true);
  return found && { lines: found, bySign: false };
}

/** Longer lists of sentences have wordings that come again. */
const mostParted = 500;

/** Sentences of which hardly two are worded alike, parted by the names that come again; none where that is no shorter. */
function saidByParts(lines: readonly { readonly line: number; readonly words: readonly string[] }[]): Said[] {
  if (lines.length > mostParted || lines.some(({ words }) => words.length > mostPartable)) return [];
  const { ways, saved } = partedSentences(lines);
  if (saved <= 0 || !ways.every(isSureWay)) return [];
  const wordings = new Map<string, Wording>();
  return lines.map(({ line, words }, i): Said => {
    const { end, begin } = ways[i]![0]!.cut;
    const between = words.slice(end, begin);
    const phrase = foldName(between.join(' '));
    const wording = wordings.get(phrase) ?? { before: [], between, after: [] };
    wordings.set(phrase, wording);
    return { line, left: words.slice(0, end).join(' '), right: words.slice(begin).join(' '), wording };
  });
}

/** Words of a sentence without the stop at its end; a possessive stands apart from its name. */
const wordsOf = (text: string): string[] =>
  text
    .trim()
    .replace(/[.!]$/, '')
    .replace(/(['’]s)(?=\s)/g, ' $1')
    .split(/\s+/)
    .filter(Boolean);

const looked = 300;
/** Words at the ends of lines are of names, but for those that so many lines begin or end with. */
const wordingShare = 0.6;

/** The words between two names that save most letters where they are told once, with what all lines that have them begin and end with. */
function commonWording(all: readonly (readonly string[])[], names: ReadonlySet<string>): Wording | null {
  const lines = all.slice(0, looked);
  const counts = new Map<string, number>();
  for (const words of lines) {
    const seen = new Set<string>();
    for (let from = 1; from < words.length - 1; from++)
      for (let length = 1; length <= longestPhrase && from + length < words.length; length++) {
        if (names.has(words[from + length - 1]!)) break;
        seen.add(words.slice(from, from + length).join(' '));
      }
    for (const phrase of seen) counts.set(phrase, (counts.get(phrase) ?? 0) + 1);
  }
  let best: { phrase: string; saved: number } | null = null;
  for (const [phrase, count] of counts) {
    const saved = (count - 1) * (phrase.length + 1);
    if (count >= leastLines && (best === null || saved > best.saved)) best = { phrase, saved };
  }
  if (!best) return null;
  const between = best.phrase.split(' ');
  const having = lines.flatMap((words) => {
    const at = indexOf(words, between);
    return at > 0 ? [{ head: words.slice(0, at), tail: words.slice(at + between.length) }] : [];
  });
  const before = common(having.map(({ head }) => head.slice(0, -1)));
  const after = common(having.map(({ tail }) => tail.slice(1).reverse())).reverse();
  return { before, between, after };
}

/** Words that lines begin or end with, without those of the wording itself. */
function endWords(lines: readonly (readonly string[])[]): Set<string> {
  const names = new Set<string>();
  for (const back of [false, true])
    for (let k = 0; k < longestPhrase; k++) {
      const counts = new Map<string, number>();
      for (const words of lines) {
        const word = words[back ? words.length - 1 - k : k];
        if (word !== undefined) counts.set(word, (counts.get(word) ?? 0) + 1);
      }
      const isWording = Math.max(...counts.values()) > lines.length * wordingShare && lines.length >= fewestLines;
      if (isWording) continue;
      for (const word of counts.keys()) names.add(word);
      break;
    }
  return names;
}

/** Sentences of wordings of their own, by the names that others tell: one at the beginning, another at the end. Those that have none are left out. */
function byNames(
  lines: readonly { readonly line: number; readonly words: readonly string[] }[],
  said: readonly Said[],
): Said[] {
  const known = new Set(said.flatMap(({ left, right }) => [foldName(left), foldName(right)]));
  const found: Said[] = [];
  for (const { line, words } of lines) {
    const length = (of: (k: number) => readonly string[]) => {
      for (let k = words.length - 2; k > 0; k--) if (known.has(foldName(of(k).join(' ')))) return k;
      return 0;
    };
    const [first, last] = [length((k) => words.slice(0, k)), length((k) => words.slice(-k))];
    if (first === 0 || last === 0 || first + last >= words.length) continue;
    const wording = { before: [], between: words.slice(first, words.length - last), after: [] };
    found.push({ line, left: words.slice(0, first).join(' '), right: words.slice(-last).join(' '), wording });
  }
  return found;
}

function indexOf(words: readonly string[], phrase: readonly string[]): number {
  for (let at = 1; at + phrase.length < words.length; at++)
    if (phrase.every((word, k) => words[at + k] === word)) return at;
  return -1;
}

/** What all begin with; nothing where there is but one. */
function common(all: readonly (readonly string[])[]): string[] {
  const [first = []] = all;
  if (all.length < 2) return [];
  let length = 0;
  while (length < first.length && all.every((words) => words[length] === first[length])) length++;
  return first.slice(0, length);
}

function partedBy(
  words: readonly string[],
  { before, between, after }: Wording,
): { left: string; right: string } | null {
  if (!before.every((word, k) => words[k] === word)) return null;
  if (!after.every((word, k) => words[words.length - after.length + k] === word)) return null;
  const inner = words.slice(before.length, words.length - after.length);
  const at = indexOf(inner, between);
  if (at < 1) return null;
  return { left: inner.slice(0, at).join(' '), right: inner.slice(at + between.length).join(' ') };
}

const passes = 4;

/** For each wording the side on which nobody stands twice is below; all together must hang together. `sure`: and no wording may be turned alone. O(lines). */
function forestOf(said: readonly Said[], sure = false): readonly NamedLine[] | null {
  const byWording = new Map<Wording, { said: Said; keys: readonly [left: string, right: string] }[]>();
  for (const one of said)
    pushTo(byWording, one.wording, { said: one, keys: [foldName(one.left), foldName(one.right)] });
  const below = new Below();
  const side = new Map<Wording, 0 | 1>();
  for (const [wording, own] of byWording) {
    const different = (at: 0 | 1) => new Set(own.map(({ keys }) => keys[at])).size;
    const first = different(1) > different(0) ? 1 : 0;
    side.set(wording, first);
    for (const { keys } of own) below.change(keys[first], 1);
  }
  const turn = (wording: Wording): void => {
    const now = side.get(wording)!;
    const other = now === 0 ? 1 : 0;
    side.set(wording, other);
    for (const { keys } of byWording.get(wording)!) {
      below.change(keys[now], -1);
      below.change(keys[other], 1);
    }
  };
  const wordings = [...byWording.keys()];
  // A wording is turned where then fewer stand below two; that may let another turn.
  for (let pass = 0; pass < passes && below.twice > 0; pass++)
    for (const wording of wordings) {
      const before = below.twice;
      turn(wording);
      if (below.twice >= before) turn(wording);
    }
  if (below.twice > 0) return null;
  const mayTurn = (wording: Wording): boolean => {
    turn(wording);
    const stands = below.twice === 0;
    turn(wording);
    return stands;
  };
  if (sure && wordings.some(mayTurn)) return null;
  const entries = new NamedEntries();
  const pairs = said.map(({ left, right, wording, line }) => {
    const [lower, upper] = side.get(wording) === 0 ? [left, right] : [right, left];
    return { above: entries.add(upper, line), below: entries.add(lower, line) };
  });
  for (const pair of pairs) entries.all[pair.below]!.parent = pair.above;
  const leading = new Set(pairs.map(({ above }) => above));
  const isDeep = pairs.some((pair) => leading.has(pair.below));
  const tops = entries.all.filter(({ parent }) => parent < 0).length;
  return isDeep && tops <= Math.max(1, entries.all.length * 0.2) && !entries.hasRing() ? entries.all : null;
}

/** Who stands below somebody, how often; `twice`: how many times somebody does so once more. */
class Below {
  private readonly counts = new Map<string, number>();
  twice = 0;

  change(key: string, by: 1 | -1): void {
    const before = this.counts.get(key) ?? 0;
    this.counts.set(key, before + by);
    this.twice += Math.max(0, before + by - 1) - Math.max(0, before - 1);
  }
}
