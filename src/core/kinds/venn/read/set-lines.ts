import { aboveList, foldName, quotedAt, readOutline, type ListTokens, type ReadEntry } from '../../../read';
import { pushTo } from '../../../model';
import { mostSets } from '../model';
import { linesWithSets, setsNamedBy } from './item-line';
import type { Mention, SetList } from './set-list';
import { partedLists, splitSets } from './set-cells';

/** "curlew: mudflat" in its two halves, also with an arrow or a dash; null where it is none. O(length). */
function pairOf(line: string): { left: string; right: string } | null {
  const text = line
    .trim()
    .replace(/^[-*+•]\s/, '')
    .trim();
  const inQuotes = quotedAt(text, 0);
  const from = inQuotes?.end ?? 0;
  const cut = /[:→]|\s[–—]\s/.exec(text.slice(from));
  if (!cut) return null;
  // Quotes are taken off where they go around all of it.
  const isQuoted = inQuotes && text.slice(from, from + cut.index).trim() === '';
  const left = isQuoted ? inQuotes.text : text.slice(0, from + cut.index).trim();
  if (left === '' && !isQuoted) return null;
  return { left, right: text.slice(from + cut.index + cut[0].length).trim() };
}

/** Whether nearly all lines have two halves, so that a table they might be would have them in its first column. */
export function mostlyPairs(tokens: ListTokens): boolean {
  const lines = tokens.source.filter((source) => source.trim() !== '');
  const pairs = lines.filter((source) => pairOf(source) !== null).length;
  // A title may stand above them.
  return pairs >= Math.min(lines.length * 0.8, lines.length - 1);
}

/**
 * Lines such as "curlew: mudflat, saltmarsh", or the other way round, "mudflat: curlew, dunlin"; a first line "Sets: …" says which way, and names the sets
 * in their order. Null where most lines are neither.
 */
export function fromLines(tokens: ListTokens): SetList | null {
  const lines = tokens.source
    .map((source, i) => ({ source, line: i + 1, pair: pairOf(source) }))
    .filter(({ source }) => source.trim() !== '');
  const named = setsNamedBy(lines[0]?.source ?? '');
  if (named)
    return {
      ...linesList,
      apart: true,
      sets: named,
      mentions: linesWithSets(
        lines.slice(1).map(({ source }) => source),
        named,
      ).map(({ name, sets }, i) => ({ name, sets, line: lines[i + 1]!.line, details: [], fields: {} })),
    };
  const told = lines.flatMap(({ pair }) => (pair ? [pair] : []));
  if (told.length < 2 || told.length < lines.length * 0.6) return null;
  const left = fold(told.map((pair) => pair.left));
  const lists = partedLists(told.map((pair) => pair.right));
  const listOf = new Map(told.map((pair, i) => [pair, lists[i]!]));
  const right = fold(lists.flat());
  // The side with few different names is the sets.
  const setsLeft = left.size <= mostSets && right.size > left.size;
  if (!setsLeft && (right.size > mostSets + 3 || right.size < 1)) return null;
  const mentions: Mention[] = [];
  const [first, ...others] = lines;
  const titled = first!.pair === null && tokens.isBlankAfter(first!.line) && others.every(({ pair }) => pair);
  for (const { source, line, pair } of titled ? others : lines) {
    const plain = { line, details: [], fields: {} };
    if (!pair)
      mentions.push({
        ...plain,
        name: source
          .trim()
          .replace(/^[-*+•]\s/, '')
          .trim(),
        sets: [],
      });
    else if (setsLeft) for (const name of splitSets(pair.right)) mentions.push({ ...plain, name, sets: [pair.left] });
    else mentions.push({ ...plain, name: pair.left, sets: listOf.get(pair)! });
  }
  return {
    ...linesList,
    notPlaced: titled
      ? [{ line: first!.line, text: first!.source.trim(), reason: `Line ${first!.line} ${aboveList}.` }]
      : [],
    sets: [...(setsLeft ? left : right).values()],
    mentions,
  };
}

const linesList: Omit<SetList, 'sets' | 'mentions'> = {
  told: 'set-lines',
  universe: '',
  apart: false,
  notPlaced: [],
  columns: [],
  header: false,
  findings: [],
};

/** Different names in the order they come, by folded name. */
function fold(names: readonly string[]): Map<string, string> {
  const seen = new Map<string, string>();
  for (const name of names) if (!seen.has(foldName(name))) seen.set(foldName(name), name);
  return seen;
}

/** "Fresh water:" without its colon. */
const nameOf = (heading: string): string => (/[:：]$/u.test(heading) ? heading.slice(0, -1).trimEnd() : heading);

/** An outline of sets with their items one level below; a single line above all is the name of the universe. */
export function fromOutline(tokens: ListTokens): SetList | null {
  const { entries, findings, notPlaced } = readOutline(tokens);
  const children = new Map<string | null, ReadEntry[]>();
  for (const entry of entries) {
    pushTo(children, entry.parent, entry);
  }
  let tops = children.get(null) ?? [];
  let universe = '';
  const only = tops.length === 1 ? (children.get(tops[0]!.id) ?? []) : [];
  if (only.some((one) => children.has(one.id))) {
    universe = nameOf(tops[0]!.name);
    tops = only;
  }
  const sets = tops.filter((one) => children.has(one.id));
  if (sets.length < 2 || sets.length > mostSets + 3) return null;
  const below = sets.flatMap((set) => (children.get(set.id) ?? []).map((item) => ({ set, item })));
  // Deeper structure is a hierarchy, not sets of items.
  const deeper = entries.length - below.length - tops.length - (universe ? 1 : 0);
  if (deeper > entries.length * 0.1) return null;
  const shared = new Set(below.map(({ item }) => foldName(item.name))).size < below.length;
  if (!shared) return null;
  const setDetails = [...sets, ...(universe === '' ? [] : entries.slice(0, 1))]
    .filter((set) => set.details.length > 0)
    .map(({ line, details }) => ({
      line,
      text: details.join(', '),
      reason: `Line ${line}: a set has a name and no details.`,
    }));
  const outside = tops.filter((one) => !children.has(one.id));
  /** What stands deeper, under an item, is told with it. */
  const under = (item: ReadEntry): string[] => {
    const words: string[] = [];
    const waiting = [...(children.get(item.id) ?? [])].reverse();
    while (waiting.length > 0) {
      const one = waiting.pop()!;
      words.push(one.name, ...one.details);
      waiting.push(...[...(children.get(one.id) ?? [])].reverse());
    }
    return words;
  };
  const mention = (item: ReadEntry, of: string[]): Mention => ({
    line: item.line,
    name: item.name,
    details: [...item.details, ...(of.length > 0 ? under(item) : [])],
    fields: {},
    sets: of,
  });
  return {
    told: 'set-outline',
    universe,
    apart: false,
    notPlaced: [...notPlaced, ...setDetails],
    sets: sets.map((set) => nameOf(set.name)),
    mentions: [
      ...below.map(({ set, item }) => mention(item, [nameOf(set.name)])),
      ...outside.map((item) => mention(item, [])),
    ],
    columns: [],
    header: false,
    findings,
  };
}
