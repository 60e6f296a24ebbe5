import { beginning, own, type Finding } from '../../../model';
import { setFinding } from './codes';
import {
  atWord,
  fieldsOf,
  foldName,
  inPieces,
  isOpen,
  NameIndex,
  withinLimits,
  type ListTokens,
  type Question,
  type ReadChoices,
  type ReadEntry,
} from '../../../read';
import { mostSets } from '../model';
import { setsNamedBy } from './item-line';
import { fromLines, fromOutline, mostlyPairs } from './set-lines';
import { noSetsRead, type Mention, type SetList, type SetReading } from './set-list';
import { fromTable } from './set-tables';
import { fromSigns } from './sign-lines';

/** The shortest names that are asked about when they differ by one slip of the pen. */
const shortestAsked = 5;

/** Reads a list of items with the sets they are in. Null parts and doubtful spellings are told as findings and questions. */
export function readSets(tokens: ListTokens, choices: ReadChoices = {}): SetReading {
  if (tokens.refusal) return { ...noSetsRead, findings: [tokens.refusal] };
  const list = tellSets(tokens, choices);
  if (!list) {
    const message =
      'Nothing in the list tells sets. Write a column for each set, or lines such as “curlew: mudflat, saltmarsh”, or indent items under their sets.';
    return { ...noSetsRead, findings: [setFinding('no-sets', 'note', message)] };
  }
  return namesWithinLimits(withinLimits(gather(list, choices)));
}

/** A set's name and that of the whole may have so many characters. */
const longestSetName = 200;

function namesWithinLimits(read: SetReading): SetReading {
  const findings: Finding[] = [];
  const kept: SetReading['notPlaced'][number][] = [];
  const shorten = (text: string, what: string): string => {
    if (text.length <= longestSetName) return text;
    const message = `Line 1: ${what} has ${text.length.toLocaleString('en')} characters and may have ${longestSetName}. It was shortened; the whole is kept in the tray.`;
    findings.push(setFinding('too-long', 'warning', message, { line: 1 }));
    kept.push(
      ...inPieces({ line: 1, text, reason: beginning(`Line 1: ${what} was too long and is kept whole here.`, 1000) }),
    );
    return atWord(text, longestSetName);
  };
  const sets = read.sets.map((set) => ({ ...set, name: shorten(set.name, 'the name of a set') }));
  const universe = shorten(read.universe, 'the name of the whole');
  return {
    ...read,
    sets,
    universe,
    notPlaced: [...read.notPlaced, ...kept],
    findings: [...read.findings, ...findings],
  };
}

function tellSets(tokens: ListTokens, choices: ReadChoices): SetList | null {
  // A first line that names the sets leaves nothing to be weighed.
  if (setsNamedBy(tokens.source.find((line) => line.trim() !== '') ?? '')) return fromLines(tokens);
  const { table: cells } = tokens;
  if (isOpen(choices) && tokens.hasWays) return null;
  const table = cells && choices.structure !== 'outline' ? fromTable(tokens, cells, choices) : null;
  if (choices.structure === 'table' || table?.told === 'set-marks') return table;
  // Commas between the sets of a line are no columns where lines name their item before a colon.
  const signs = choices.structure === undefined ? fromSigns(tokens) : null;
  const lines = signs ?? (table && !mostlyPairs(tokens) ? null : fromLines(tokens));
  return lines ?? table ?? fromOutline(tokens);
}

/** Brings mentions of one item together: by name without case, accents and spaces; near spellings are asked about. */
function gather(list: SetList, choices: ReadChoices): SetReading {
  const findings: Finding[] = [...list.findings];
  const { names, leftOut } = keepSets(list, findings);
  const questions: Question[] = [];
  const known = new Map<string, Item>();
  const spellings = new NameIndex(1);
  const keys: string[] = [];
  for (const mention of list.mentions) {
    let key = list.apart ? `${mention.line}` : foldName(mention.name);
    if (!list.apart && !known.has(key) && key.length >= shortestAsked) {
      const near = spellings.near(key, 1).find((at) => keys[at]!.length >= shortestAsked);
      if (near !== undefined) {
        const before = known.get(keys[near]!)!.entry;
        const question = spellingQuestion(mention, before, choices);
        questions.push(question);
        if (own(choices.answers ?? {}, question.id) === 'same') key = keys[near]!;
      }
    }
    const sets = mention.sets.map(foldName);
    const dropped = mention.sets.filter((name) => leftOut.has(foldName(name)));
    const before = known.get(key);
    const id = before?.entry.id ?? `e${mention.line}-${known.size + 1}`;
    for (const set of mention.unsure ?? []) {
      const question = markQuestion(mention, set, id, choices);
      questions.push(question);
      if (own(choices.answers ?? {}, question.id) === 'in') sets.push(foldName(set));
    }
    if (before) {
      for (const set of sets) if (names.has(set)) before.sets.add(set);
      // A further mention may tell more.
      for (const detail of [...mention.details, ...dropped])
        if (detail !== '' && !before.details.includes(detail)) before.details.push(detail);
      before.fields.push(...Object.entries(mention.fields).filter(([, value]) => !before.values.has(value)));
      for (const value of Object.values(mention.fields)) before.values.add(value);
      if (mention.name !== before.entry.name && before.spellings.size < 20) before.spellings.add(mention.name);
      continue;
    }
    if (!list.apart) {
      spellings.add(key);
      keys.push(key);
    }
    const { line, name, fields } = mention;
    const entry: ReadEntry = {
      id,
      line,
      name,
      details: [],
      fields: {},
      role: null,
      parent: null,
    };
    known.set(key, {
      entry,
      details: [...mention.details, ...dropped],
      fields: Object.entries(fields),
      values: new Set(Object.values(fields)),
      sets: new Set(sets.filter((set) => names.has(set))),
      spellings: new Set(),
    });
  }
  const items = [...known.values()];
  const entries = items.map(({ entry, details, fields }) => ({ ...entry, details, fields: fieldsOf(fields) }));
  return {
    ...noSetsRead,
    structure: list.told,
    columns: list.columns,
    header: list.header,
    entries,
    universe: list.universe,
    notPlaced: list.notPlaced,
    sets: [...names].map(([key, name]) => ({
      name,
      items: items.filter(({ sets }) => sets.has(key)).map(({ entry }) => entry.id),
    })),
    questions,
    findings: [...findings, ...spelledTwice(items), ...doubts(items)],
  };
}

interface Item {
  readonly entry: ReadEntry;
  readonly details: string[];
  readonly fields: [string, string][];
  readonly values: Set<string>;
  readonly sets: Set<string>;
  /** Other ways in which the list writes the name. */
  readonly spellings: Set<string>;
}

/** Names that differ only in case, accents or blanks are one item; which way was kept is told. */
function spelledTwice(items: readonly Item[]): Finding[] {
  return items
    .filter(({ spellings }) => spellings.size > 0)
    .map(({ entry, spellings }) => {
      const others = [...spellings].map((name) => `“${name}”`).join(', ');
      const message = `${others} and “${entry.name}” (line ${entry.line}) were taken for one item; it is written “${entry.name}”.`;
      return setFinding('spelled-twice', 'note', message, { line: entry.line, entries: [entry.id] });
    });
}

/** Names of the sets that are drawn, by folded name; what is beyond five is told, and kept as details of its items. */
function keepSets(list: SetList, findings: Finding[]): { names: Map<string, string>; leftOut: ReadonlySet<string> } {
  const names = new Map<string, string>();
  for (const name of list.sets) if (!names.has(foldName(name))) names.set(foldName(name), name);
  const beyond = [...names].slice(mostSets);
  if (beyond.length > 0) {
    const shown = beyond.map(([, name]) => name).join(', ');
    const message = `The list has ${names.size} sets; a Venn diagram draws at most ${mostSets}. Left out: ${shown}. Their names are kept as details of their items. Make the columns you want to see “a set”, or take the others out.`;
    findings.push(setFinding('too-many-sets', 'warning', message));
    for (const [key] of beyond) names.delete(key);
  }
  return { names, leftOut: new Set(beyond.map(([key]) => key)) };
}

/** Whether an item is in a set, where the list has a question mark. */
function markQuestion(mention: Mention, set: string, entry: string, choices: ReadChoices): Question {
  const id = `in-${mention.line}-${foldName(set).slice(0, 80)}`;
  return {
    id,
    line: mention.line,
    entry,
    wanted: mention.name,
    text: `Line ${mention.line} has a question mark: is “${mention.name}” in “${set}”?`,
    guess: null,
    candidates: [],
    options: [
      { value: 'in', words: `In “${set}”` },
      { value: 'out', words: 'Not in it' },
    ],
    answered: own(choices.answers ?? {}, id) !== undefined,
  };
}

function spellingQuestion(mention: Mention, before: ReadEntry, choices: ReadChoices): Question {
  const id = `same-${mention.line}-${foldName(mention.name).slice(0, 80)}`;
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
    answered: own(choices.answers ?? {}, id) !== undefined,
  };
}

function doubts(entries: readonly Item[]): Finding[] {
  const outside = entries.filter(({ sets }) => sets.size === 0);
  if (outside.length === 0) return [];
  const names = outside
    .slice(0, 4)
    .map(({ entry }) => `${entry.name} (line ${entry.line})`)
    .join(', ');
  const message = `${outside.length} ${outside.length === 1 ? 'item is' : 'items are'} in no set: ${names}${outside.length > 4 ? ' …' : ''}. ${outside.length === 1 ? 'It stands' : 'They stand'} outside the curves.`;
  return [
    setFinding('in-no-set', 'note', message, {
      line: outside[0]!.entry.line,
      entries: outside.map(({ entry }) => entry.id),
    }),
  ];
}
