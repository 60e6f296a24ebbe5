import { type Finding, own, pushTo } from '../model';
import { readFinding } from './codes';
import { NameIndex } from './name-index';
import { foldName, turned } from './names';
import { formsOf, mailIn } from './cell-forms';
import type { Question, ReadEntry } from './result';
import type { TreeWords } from './tree-vocabulary';

export interface Listed {
  readonly entry: ReadEntry;
  /** The id the list gives this entry, or ''. */
  readonly ownId: string;
  /** What the list says of the superior, or ''. */
  readonly wanted: string;
}

export interface Resolved {
  readonly parents: ReadonlyMap<string, string | null>;
  readonly questions: readonly Question[];
  readonly findings: readonly Finding[];
  /** Superiors to be added at the top because the user said so. */
  readonly added: readonly {
    readonly id: string;
    readonly name: string;
    readonly line: number;
    readonly parent?: string | null;
  }[];
}

type Match = { readonly sure: boolean; readonly why: string; readonly entries: readonly Listed[] };

/** As many candidates as a question offers to choose from. */
const mostCandidates = 8;

/**
 * Finds what each entry stands under, in lists as they are written. Sure matches are taken, others are asked. `onlyPairs`: the list says nothing but who
 * stands under whom, so that whoever it names only as a superior is an entry too.
 */
export function findParents(
  listed: readonly Listed[],
  answers: Readonly<Record<string, string>>,
  words: TreeWords,
  {
    find = parentMatcher(listed, words),
    onlyPairs = false,
  }: { readonly find?: ParentMatcher; readonly onlyPairs?: boolean } = {},
): Resolved {
  const parents = new Map<string, string | null>();
  const questions: Question[] = [];
  const findings: Finding[] = [];
  const added = new Map<string, { id: string; name: string; line: number }>();
  const ids = new Set(listed.map(({ entry }) => entry.id));
  const ownIds = new Set(listed.map(({ ownId }) => ownId).filter(Boolean));
  for (const { entry, wanted, ownId } of listed) {
    parents.set(entry.id, null);
    if (wanted === '') continue;
    // What is at the top often stands under itself.
    if (ownIds.has(wanted) ? wanted === ownId : foldName(wanted) === foldName(entry.name)) continue;
    const { sure, why, entries } = find(wanted, entry.id);
    if (sure) {
      parents.set(entry.id, entries[0]!.entry.id);
      continue;
    }
    const id = `superior-${entry.line}`;
    const answer = own(answers, id);
    if (onlyPairs && entries.length === 0 && answer === undefined) {
      parents.set(entry.id, addedFor(added, wanted, entry.line));
      continue;
    }
    const guess = entries[0]?.entry.id ?? null;
    let parent = guess;
    if (answer === 'top') parent = null;
    else if (answer === 'add') parent = addedFor(added, wanted, entry.line);
    else if (answer !== undefined && ids.has(answer)) parent = answer;
    parents.set(entry.id, parent);
    questions.push({
      id,
      line: entry.line,
      entry: entry.id,
      wanted,
      text: `${entry.name} ${words.under} “${wanted}”. ${why}`,
      guess,
      candidates: entries.map((one) => ({ id: one.entry.id, name: one.entry.name, line: one.entry.line })),
      answered: answer !== undefined,
    });
    if (answer === undefined) findings.push(openFinding(entry, wanted, entries, words));
  }
  breakLoops(listed, parents, findings, words);
  if (find.isSpent())
    findings.push(
      readFinding(
        'not-all-compared',
        'note',
        `The list is so long and names so many ${words.parents} who are not in it that not every name was compared with near spellings.`,
      ),
    );
  return { parents, questions, findings, added: [...added.values()] };
}

function addedFor(
  added: Map<string, { id: string; name: string; line: number }>,
  wanted: string,
  line: number,
): string {
  const key = foldName(wanted);
  const known = added.get(key) ?? { id: `added-${line}`, name: wanted, line };
  added.set(key, known);
  return known.id;
}

function openFinding(entry: ReadEntry, wanted: string, found: readonly Listed[], words: TreeWords): Finding {
  const where = { line: entry.line, entries: [entry.id] };
  const subject = `Line ${entry.line}: ${entry.name} ${words.under} “${wanted}”`;
  if (found.length === 0) {
    return readFinding(
      'unknown-superior',
      'error',
      `${subject}, ${words.notInList}. ${words.addOrCorrect}; until then ${entry.name} stands at the top.`,
      where,
    );
  }
  const first = found[0]!.entry;
  if (found.length === 1) {
    return readFinding(
      'unsure-superior',
      'warning',
      `${subject}; that was taken to be ${first.name}, line ${first.line}. Say so if it is ${words.other}.`,
      where,
    );
  }
  const lines = found
    .slice(0, 4)
    .map((one) => one.entry.line)
    .join(', ');
  return readFinding(
    'ambiguous-superior',
    'warning',
    `${subject}, which fits several ${words.entries} (lines ${lines}${found.length > 4 ? ' …' : ''}); the one on line ${first.line} was taken.`,
    where,
  );
}

/** Who is meant by what a list says of a superior; never the asker. */
export type ParentMatcher = ((wanted: string, self: string) => Match) & {
  /** True where the list was too long to look for every misspelt name. */
  isSpent(): boolean;
};

export function parentMatcher(listed: readonly Listed[], words: TreeWords): ParentMatcher {
  // Made when somebody is asked for: most lists of levels and ways ask for nobody.
  let made: ParentMatcher | null = null;
  const find = (wanted: string, self: string): Match => (made ??= matcherOf(listed, words))(wanted, self);
  return Object.assign(find, { isSpent: () => made?.isSpent() ?? false });
}

function matcherOf(listed: readonly Listed[], words: TreeWords): ParentMatcher {
  const byId = new Map<string, Listed[]>();
  const byName = new Map<string, Listed[]>();
  const byTitle = new Map<string, Listed[]>();
  const byAddress = new Map<string, Listed[]>();
  /** Ids without zeros and letters around their numbers. */
  const byForm = new Map<string, Listed[]>();
  const note = (map: Map<string, Listed[]>, key: string, one: Listed) => {
    if (key !== '' && map.get(key)?.at(-1) !== one) pushTo(map, key, one);
  };
  const index = new NameIndex(2);
  for (const one of listed) {
    const name = foldName(one.entry.name);
    const otherWay = foldName(turned(one.entry.name));
    note(byId, one.ownId, one);
    if (one.ownId !== '') for (const form of formsOf(one.ownId)) note(byForm, form, one);
    note(byName, name, one);
    if (otherWay !== name) note(byName, otherWay, one);
    for (const detail of one.entry.details) note(byTitle, foldName(detail), one);
    for (const told of [...one.entry.details, ...Object.values(one.entry.fields)])
      note(byAddress, mailIn(told) ?? '', one);
    note(byAddress, mailIn(one.ownId) ?? '', one);
    index.add(otherWay);
  }
  const remembered = new Map<string, { readonly isShort: boolean; readonly list: readonly Listed[] }>();
  const loosely = (key: string) => {
    let found = remembered.get(key);
    if (!found) {
      const slips = key.length >= 6 ? (key.length >= 10 ? 2 : 1) : 0;
      const short = index.standingFor(key);
      const list = short.length > 0 || slips === 0 ? short : index.near(key, slips);
      found = { isShort: short.length > 0, list: list.map((at) => listed[at]!) };
      remembered.set(key, found);
    }
    return found;
  };
  const match = (wanted: string, self: string): Match => {
    const exact = [
      byId.get(wanted),
      byAddress.get(mailIn(wanted) ?? ''),
      byName.get(foldName(wanted)),
      byName.get(foldName(turned(wanted))),
      ...(byForm.size > 0 ? formsOf(wanted).map((form) => byForm.get(form)) : []),
    ]
      .map((list) => othersThan(self, list))
      .find(({ count }) => count > 0);
    if (exact?.count === 1) return { sure: true, why: '', entries: exact.some };
    if (exact)
      return {
        sure: false,
        why: `“${wanted}” is the name of ${exact.count} ${words.entries}. Which one is meant?`,
        entries: exact.some,
      };
    const near = loosely(foldName(turned(wanted)));
    const loose = othersThan(self, near.list);
    const titled = loose.count > 0 ? loose : othersThan(self, byTitle.get(foldName(wanted)));
    // The only one whose name is written so, shortened, or whose post it is.
    if (titled.count === 1 && (titled !== loose || near.isShort)) return { sure: true, why: '', entries: titled.some };
    const first = titled.some[0]?.entry;
    if (!first) return { sure: false, why: `“${wanted}” is not in the list.`, entries: [] };
    const why =
      titled.count === 1
        ? `Is “${wanted}” ${first.name}, line ${first.line}?`
        : `“${wanted}” may be one of ${titled.count} ${words.entries}. Which one?`;
    return { sure: false, why, entries: titled.some };
  };
  return Object.assign(match, { isSpent: () => index.isSpent });
}

/** The first few of a list without one of them, and how many there are; nobody looks through fifty thousand of one name. */
function othersThan(self: string, list: readonly Listed[] = []): { some: Listed[]; count: number } {
  const few = list.slice(0, mostCandidates + 1);
  const some = few.filter(({ entry }) => entry.id !== self);
  return { some: some.slice(0, mostCandidates), count: list.length - (few.length - some.length) };
}

/** Where entries stand under each other in a circle, the first of them in the list is put at the top and the circle told. */
function breakLoops(
  listed: readonly Listed[],
  parents: Map<string, string | null>,
  findings: Finding[],
  words: TreeWords,
): void {
  const byId = new Map(listed.map(({ entry }) => [entry.id, entry]));
  const settled = new Set<string>();
  for (const { entry } of listed) {
    const path: string[] = [];
    const on = new Set<string>();
    let at: string | null = entry.id;
    while (at !== null && !settled.has(at) && !on.has(at)) {
      on.add(at);
      path.push(at);
      at = parents.get(at) ?? null;
    }
    if (at !== null && on.has(at)) {
      const circle = path
        .slice(path.indexOf(at))
        .map((id) => byId.get(id)!)
        .sort((a, b) => a.line - b.line);
      const first = circle[0]!;
      parents.set(first.id, null);
      const names = circle
        .slice(0, 5)
        .map((one) => `${one.name} (line ${one.line})`)
        .join(', ');
      const message = `${names}${circle.length > 5 ? ' and others' : ''} ${words.areUnder} each other in a circle. ${first.name} was put at the top; correct ${words.whichUnderWhich}.`;
      findings.push(
        readFinding('circle', 'error', message, { line: first.line, entries: circle.map((one) => one.id) }),
      );
    }
    for (const id of path) settled.add(id);
  }
}
