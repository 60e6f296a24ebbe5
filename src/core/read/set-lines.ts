import { mostSets } from '../model';
import { foldName } from './names';
import { readOutline } from './outline';
import { splitSets } from './set-tables';
import type { Mention, SetList } from './set-list';

const pair = /^\s*(?:[-*+•]\s+)?([^:]+?)\s*(?::|→|\s[–—]\s)\s*(.*)$/u;

/** Lines such as "curlew: mudflat, saltmarsh", or the other way round, "mudflat: curlew, dunlin". Null where most lines are neither. */
export function fromLines(text: string): SetList | null {
  const lines = text
    .split(/\r\n|\r|\n/)
    .map((source, i) => ({ source, line: i + 1, match: pair.exec(source) }))
    .filter(({ source }) => source.trim() !== '');
  const told = lines.filter(({ match }) => match !== null);
  if (told.length < 2 || told.length < lines.length * 0.6) return null;
  const left = fold(told.map(({ match }) => match![1]!));
  const right = fold(told.flatMap(({ match }) => splitSets(match![2]!)));
  // The side with few different names is the sets.
  const setsLeft = left.size <= mostSets && right.size > left.size;
  if (!setsLeft && (right.size > Math.max(mostSets, told.length * 0.6) || right.size < 1)) return null;
  const mentions: Mention[] = [];
  for (const { source, line, match } of lines) {
    const plain = { line, details: [], fields: {} };
    if (!match) mentions.push({ ...plain, name: source.trim().replace(/^[-*+•]\s+/, ''), sets: [] });
    else if (setsLeft) for (const name of splitSets(match[2]!)) mentions.push({ ...plain, name, sets: [match[1]!] });
    else mentions.push({ ...plain, name: match[1]!, sets: splitSets(match[2]!) });
  }
  return {
    told: 'set-lines',
    universe: '',
    sets: [...(setsLeft ? left : right).values()],
    mentions,
    columns: [],
    header: false,
    findings: [],
  };
}

/** Different names in the order they come, by folded name. */
function fold(names: readonly string[]): Map<string, string> {
  const seen = new Map<string, string>();
  for (const name of names) if (!seen.has(foldName(name))) seen.set(foldName(name), name);
  return seen;
}

/** "Fresh water:" without its colon. */
const nameOf = (heading: string): string => heading.replace(/\s*[:：]$/u, '');

/** An outline of sets with their items one level below; a single line above all is the name of the universe. */
export function fromOutline(text: string): SetList | null {
  const { entries, findings } = readOutline(text);
  const children = new Map<string | null, typeof entries>();
  for (const entry of entries) children.set(entry.parent, [...(children.get(entry.parent) ?? []), entry]);
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
  const outside = tops.filter((one) => !children.has(one.id));
  const mention = (item: (typeof entries)[number], of: string[]): Mention => ({
    line: item.line,
    name: item.name,
    details: item.details,
    fields: {},
    sets: of,
  });
  return {
    told: 'set-outline',
    universe,
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
