import { finding, limits, mostSets, type Finding } from '../model';
import { findDelimiter } from './delimited';
import { foldName, isNear } from './names';
import { nothingRead, type Question, type ReadChoices, type ReadEntry, type ReadResult } from './result';
import { fromLines, fromOutline } from './set-lines';
import type { Mention, SetList } from './set-list';
import { fromTable } from './set-tables';

/** The shortest names that are asked about when they differ by one slip of the pen. */
const shortestAsked = 5;

/** Reads a list of items with the sets they are in. Null parts and doubtful spellings are told as findings and questions. */
export function readSets(source: string, choices: ReadChoices = {}): ReadResult {
  const text = source.replace(/^\ufeff/, '').replaceAll('\u0000', '');
  const refusal =
    text.trim() === ''
      ? finding('empty', 'error', 'The list is empty. Paste or type the items and the sets they are in.')
      : text.length > limits.listBytes
        ? finding(
            'too-large',
            'error',
            'The list is larger than 20 MB. Leave out columns you do not need, or split it.',
          )
        : null;
  if (refusal) return { ...nothingRead, findings: [refusal] };
  const list = tellSets(text, choices);
  if (!list) {
    const message =
      'Nothing in the list tells sets. Write a column for each set, or lines such as “curlew: mudflat, saltmarsh”, or indent items under their sets.';
    return { ...nothingRead, findings: [finding('no-sets', 'note', message)] };
  }
  return gather(list, choices);
}

function tellSets(text: string, choices: ReadChoices): SetList | null {
  const delimiter = choices.structure === 'outline' ? null : findDelimiter(text);
  const table = delimiter ? fromTable(text, delimiter, choices) : null;
  if (table || choices.structure === 'table') return table;
  return fromLines(text) ?? fromOutline(text);
}

/** Brings mentions of one item together: by name without case, accents and spaces; near spellings are asked about. O(items²) at worst. */
function gather(list: SetList, choices: ReadChoices): ReadResult {
  const findings: Finding[] = [...list.findings];
  const names = keepSets(list, findings);
  const questions: Question[] = [];
  const known = new Map<string, { entry: ReadEntry; sets: Set<string> }>();
  const spellings: { key: string; line: number }[] = [];
  for (const mention of list.mentions) {
    let key = foldName(mention.name);
    if (!known.has(key)) {
      const near = spellings.find(
        (one) => one.key.length >= shortestAsked && key.length >= shortestAsked && isNear(one.key, key, 1),
      );
      if (near) {
        const before = known.get(near.key)!.entry;
        const question = spellingQuestion(mention, before, choices);
        questions.push(question);
        if (choices.answers?.[question.id] === 'same') key = near.key;
      }
    }
    const sets = mention.sets.map(foldName).filter((set) => names.has(set));
    const before = known.get(key);
    if (before) {
      for (const set of sets) before.sets.add(set);
      continue;
    }
    spellings.push({ key, line: mention.line });
    const entry: ReadEntry = {
      id: `e${mention.line}-${known.size + 1}`,
      line: mention.line,
      name: mention.name.slice(0, limits.nameLength),
      details: mention.details.slice(0, limits.details).map((detail) => detail.slice(0, limits.detailLength)),
      fields: mention.fields,
      role: null,
      parent: null,
    };
    known.set(key, { entry, sets: new Set(sets) });
  }
  const entries = [...known.values()];
  return {
    ...nothingRead,
    structure: list.told,
    columns: list.columns,
    header: list.header,
    entries: entries.map(({ entry }) => entry),
    universe: list.universe,
    sets: [...names].map(([key, name]) => ({
      name,
      items: entries.filter(({ sets }) => sets.has(key)).map(({ entry }) => entry.id),
    })),
    questions,
    findings: [...findings, ...doubts(entries)],
  };
}

/** Names of the sets that are drawn, by folded name; what is beyond five is told. */
function keepSets(list: SetList, findings: Finding[]): Map<string, string> {
  const names = new Map<string, string>();
  for (const name of list.sets) if (!names.has(foldName(name))) names.set(foldName(name), name.slice(0, 200));
  if (names.size > mostSets) {
    const left = [...names.values()].slice(mostSets);
    const message = `The list has ${names.size} sets; a Venn diagram draws at most ${mostSets}. Left out: ${left.slice(0, 5).join(', ')}${left.length > 5 ? ' …' : ''}. Make the columns you want to see “a set”, or take the others out.`;
    findings.push(finding('too-many-sets', 'warning', message));
    for (const key of [...names.keys()].slice(mostSets)) names.delete(key);
  }
  return names;
}

function spellingQuestion(mention: Mention, before: ReadEntry, choices: ReadChoices): Question {
  const id = `same-${mention.line}-${foldName(mention.name)}`;
  return {
    id,
    line: mention.line,
    entry: before.id,
    wanted: mention.name,
    text: `“${mention.name}” is nearly “${before.name}” of line ${before.line}. Are they the same?`,
    guess: null,
    candidates: [],
    options: [
      { value: 'same', words: `The same: “${before.name}”` },
      { value: 'different', words: 'Two different things' },
    ],
    answered: choices.answers?.[id] !== undefined,
  };
}

function doubts(entries: readonly { entry: ReadEntry; sets: ReadonlySet<string> }[]): Finding[] {
  const outside = entries.filter(({ sets }) => sets.size === 0);
  if (outside.length === 0) return [];
  const names = outside
    .slice(0, 4)
    .map(({ entry }) => `${entry.name} (line ${entry.line})`)
    .join(', ');
  const message = `${outside.length} ${outside.length === 1 ? 'item is' : 'items are'} in no set: ${names}${outside.length > 4 ? ' …' : ''}. ${outside.length === 1 ? 'It stands' : 'They stand'} outside the curves.`;
  return [
    finding('in-no-set', 'note', message, {
      line: outside[0]!.entry.line,
      entries: outside.map(({ entry }) => entry.id),
    }),
  ];
}
