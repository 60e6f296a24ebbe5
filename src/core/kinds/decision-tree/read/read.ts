import { own, pushTo } from '../../../model';
import {
  fieldsOf,
  isReadAsTable,
  readOutline,
  readTree,
  withinLimits,
  type ListTokens,
  type ReadChoices,
  type ReadEntry,
  type Reading,
} from '../../../read';
import { isPlain, noFacts, type BranchFacts } from '../model';
import { habitOf, parseAmount, parseProbability } from '../numbers';
import { decisionVocabulary } from '../words';
import { readCouplets } from './couplets';
import { withAnswers } from './answers';
import { readBranchLine, type BranchLine } from './line';
import { numberUses } from './number-columns';
import type { DecisionReading } from './result';

/**
 * A decision tree from an outline with lines such as `Bad winter (0.3): -18,000` and `Yes: Curlew`, or from a table with a column for what each node follows
 * and others for answer, probability, cost and payoff; or from a key in numbered couplets.
 */
export function readDecision(tokens: ListTokens, choices: ReadChoices = {}): DecisionReading {
  const couplets = tokens.refusal || choices.structure ? null : readCouplets(tokens);
  if (couplets) return withinLimits(couplets);
  if (tokens.refusal || choices.structure === 'table' || (choices.structure !== 'outline' && isTable(tokens)))
    return fromTable(
      readTree(tokens, tokens.refusal ? choices : { ...choices, structure: 'table' }, decisionVocabulary),
    );
  // Without headings that say so, numbers do: chances that make 1, and amounts at the ends.
  const isShort = (tokens.table?.rows.length ?? 0) <= mostRows;
  if (choices.structure !== 'outline' && isShort && isReadAsTable(tokens, decisionVocabulary)) {
    const table = readTree(tokens, { ...choices, structure: 'table' }, decisionVocabulary);
    const uses = numberUses(table);
    if (table.structure !== 'flat' && uses.size > 0) return fromTable(table, uses);
  }
  return withinLimits(
    fromOutline(readOutline(tokens, decisionVocabulary.roles, (text) => ({ name: text, details: [] }))),
  );
}

/** No decision has more branches; longer tables are of something else. */
const mostRows = 20_000;

/** A table of branches has headings that say so: lines with amounts in them look like tables by their commas alone. */
function isTable(tokens: ListTokens): boolean {
  const head = tokens.table?.rows[0]?.cells;
  if (!head || !isReadAsTable(tokens, decisionVocabulary)) return false;
  const told = head.map((cell) => tokens.useOf(cell) ?? useHere(cell)).filter((use) => use !== null);
  return told.length >= 2;
}

const useHere = (cell: string) =>
  decisionVocabulary.headings.find(([, pattern]) => pattern.test(cell.trim().toLowerCase()))?.[0] ?? null;

function fromTable(read: Reading, uses = numberUses(read)): DecisionReading {
  const facts: Record<string, BranchFacts> = {};
  let unit = '';
  const habit = habitOf(read.entries.flatMap(({ fields }) => Object.values(fields)));
  const entries = read.entries.map((entry): ReadEntry => {
    const kept: [string, string][] = [];
    let own = noFacts;
    for (const [field, value] of Object.entries(entry.fields)) {
      const took = taken(uses.get(field) ?? field, habit(value));
      if (!took) kept.push([field.replace(/^own-/, ''), value]);
      else {
        own = { ...own, ...took.patch };
        unit = took.unit || unit;
      }
    }
    // Where nothing else is named, the words on the branch name what it leads to.
    const bare = entry.name === '' && own.label !== '';
    const name = bare ? own.label : entry.name;
    if (bare) own = { ...own, label: '' };
    if (!isPlain(own)) facts[entry.id] = own;
    return { ...entry, name, fields: fieldsOf(kept) };
  });
  return { ...read, entries, facts, unit };
}

function taken(field: string, value: string): { patch: Partial<BranchFacts>; unit: string } | null {
  if (field === 'own-label') return { patch: { label: value.slice(0, 200) }, unit: '' };
  if (field === 'own-probability') {
    const probability = parseProbability(value);
    return probability === null || Math.abs(probability) > 1000 ? null : { patch: { probability }, unit: '' };
  }
  if (field !== 'own-cost' && field !== 'own-payoff') return null;
  const amount = parseAmount(value);
  if (!amount || Math.abs(amount.value) > 1e15) return null;
  return { patch: field === 'own-cost' ? { cost: amount.value } : { payoff: amount.value }, unit: amount.unit };
}

/** Branch lines of texts. Where no line tells a chance or a payoff, "b. 1925" is no cost; only what says so is. */
function withoutYears(texts: readonly string[]): BranchLine[] {
  const lines = texts.map(readBranchLine);
  if (lines.some(({ facts }) => facts.probability !== null || facts.payoff !== null)) return lines;
  return lines.map((line, i) =>
    line.facts.cost !== null && !/(?:^|[^a-z])(?:costs?|toll|price|for)[^a-z]/i.test(texts[i]!)
      ? { name: texts[i]!, details: [], facts: noFacts, unit: '' }
      : line,
  );
}

function fromOutline(read: Reading): DecisionReading {
  const facts: Record<string, BranchFacts> = {};
  let unit = '';
  const habit = habitOf(read.entries.map(({ name }) => name));
  const lines = withAnswers(withoutYears(read.entries.map(({ name }) => habit(name))));
  const entries = read.entries.map((entry, i): ReadEntry => {
    const line = lines[i]!;
    unit = line.unit || unit;
    if (!isPlain(line.facts)) facts[entry.id] = { ...line.facts, label: line.facts.label.slice(0, 200) };
    return { ...entry, name: line.name, details: line.details };
  });
  return folded({ ...read, entries, facts, unit });
}

/**
 * Answers that stand on lines of their own between a question and what they lead to become the words on the branches: where a line asks something and each
 * line under it has exactly one line below.
 */
function folded(read: DecisionReading): DecisionReading {
  const children = new Map<string, ReadEntry[]>();
  for (const entry of read.entries)
    if (entry.parent !== null) {
      pushTo(children, entry.parent, entry);
    }
  const gone = new Map<string, ReadEntry>();
  const facts: Record<string, BranchFacts> = { ...read.facts };
  for (const entry of read.entries) {
    const answers = children.get(entry.id) ?? [];
    if (!entry.name.endsWith('?') || answers.length < 2) continue;
    const folds = answers.every(
      (answer) => !answer.name.endsWith('?') && children.get(answer.id)?.length === 1 && !own(facts, answer.id),
    );
    if (!folds) continue;
    for (const answer of answers) {
      const [next] = children.get(answer.id)!;
      if (own(facts, next!.id)?.label) continue;
      gone.set(answer.id, answer);
      facts[next!.id] = { ...(own(facts, next!.id) ?? noFacts), label: answer.name.slice(0, 200) };
    }
  }
  if (gone.size === 0) return read;
  const entries = read.entries
    .filter(({ id }) => !gone.has(id))
    .map((entry) => {
      const answer = entry.parent === null ? undefined : gone.get(entry.parent);
      return answer ? { ...entry, parent: answer.parent } : entry;
    });
  return { ...read, entries, facts };
}
