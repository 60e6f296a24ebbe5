import { isSumName, quoted, quotedAt, splitDetails, withoutMarks } from '../../../read';
import { noFacts, type BranchFacts } from '../model';
import { parseAmount, parseProbability, plainNumber } from '../numbers';

/** One line of an outline: the branch and the node it leads to. */
export interface BranchLine {
  readonly name: string;
  readonly details: readonly string[];
  readonly facts: BranchFacts;
  /** A unit that stood at an amount; empty for none. */
  readonly unit: string;
}

type Numbers = Pick<BranchFacts, 'probability' | 'cost'> & { readonly unit: string };

const costWords = /^(?:costs?|toll|price|for)/i;
const chanceWords = /^(?:probability|prob|p|chance)/i;

/** What follows words at the beginning, and a colon or an equals sign after them; null where nothing does, or others begin. */
function after(words: RegExp, text: string): string | null {
  const found = words.exec(text);
  if (!found || /^\p{L}/u.test(text.slice(found[0].length))) return null;
  const rest = text.slice(found[0].length).trimStart();
  return (/^[:=]/.test(rest) ? rest.slice(1).trimStart() : rest) || null;
}

/** What stands in brackets after the words: "0.3", "30 %, cost 400". Null where it is no such thing. */
function numbersIn(inside: string): Numbers | null {
  let [probability, cost, unit]: [number | null, number | null, string] = [null, null, ''];
  for (const part of inside.split(/;|,(?=\s)/)) {
    const bare = part.trim();
    const costs = after(costWords, bare);
    const worded = costs ?? wordBefore(bare);
    const chance = costs === null && worded !== null && isShare(worded) ? worded : null;
    const amount = worded === null || chance !== null ? null : parseAmount(worded);
    if (amount) {
      if (cost !== null) return null;
      [cost, unit] = [amount.value, amount.unit || unit];
      continue;
    }
    const value = parseProbability(chance ?? after(chanceWords, bare) ?? bare);
    if (value === null || probability !== null || Math.abs(value) > 1000) return null;
    probability = value;
  }
  return { probability, cost, unit };
}

/** A part of one as nobody writes an amount: "0.3", "30 %", "3/10". */
const isShare = (text: string): boolean => /^0?[.,]\d+$|^\d+\s*\/\s*\d+$|^[\d.,]+\s*%$/.test(text.trim());

/** What follows one word that speaks of no chance: "Ausgabe 4.000" tells a cost in any language, "Wahrsch. 0,3" a chance. */
function wordBefore(text: string): string | null {
  const space = text.search(/[\s:=]/);
  const word = text.slice(0, Math.max(0, space));
  if (!/^\p{L}[\p{L}\p{M}.]*$/u.test(word) || chanceWords.test(word)) return null;
  const rest = text
    .slice(space)
    .trimStart()
    .replace(/^[:=]\s*/, '');
  return /^(?:[^\p{L}]|[A-Z]{3}\s)/u.test(rest) ? rest : null;
}

/** A text in quotes at the beginning of what is left, or what is plain up to a sign. */
interface Words {
  readonly text: string;
  readonly rest: string;
  readonly quoted: boolean;
}

/** What follows brackets with numbers. */
const closing = /\s*(?:$|[:=])/y;

/** The words at the beginning: in quotes, or up to brackets with numbers, a colon with a blank after it, or an equals sign before an amount. */
function wordsAt(line: string): Words {
  const inQuotes = quotedAt(line, 0);
  if (inQuotes && /^\s*($|[(:=\t])/.test(line.slice(inQuotes.end)))
    return { text: inQuotes.text, rest: line.slice(inQuotes.end).trimStart(), quoted: true };
  let end = line.length;
  const colon = /:(\s|$)/.exec(line);
  if (colon) end = Math.min(end, colon.index);
  // Brackets with others within hold no numbers.
  let open = -1;
  for (let at = 0; at < line.length && (open < 0 ? at : open) < end; at++) {
    if (line[at] === '(') open = at;
    if (line[at] !== ')' || open < 0) continue;
    closing.lastIndex = at + 1;
    if (closing.test(line) && numbersIn(line.slice(open + 1, at))) end = open;
    open = -1;
  }
  // "p = 0.3" is a chance and "cost = 400" a cost: what such words say goes before an amount at the end.
  const equals = line.lastIndexOf(' = ');
  const isAmount = equals >= 0 && equals < end && parseAmount(line.slice(equals + 3)) !== null;
  let comma = numbersAfter(line.slice(0, end));
  if (isAmount && comma < 0) {
    end = equals;
    comma = numbersAfter(line.slice(0, end));
  }
  if (comma >= 0)
    return {
      text: line.slice(0, comma).trim(),
      rest: `(${line.slice(comma + 1, end).trim()})${line.slice(end)}`,
      quoted: false,
    };
  return { text: line.slice(0, end).trim(), rest: line.slice(end).trimStart(), quoted: false };
}

/** Where the comma stands after which nothing but numbers follow, chances and costs; −1 for none. */
function numbersAfter(head: string): number {
  let found = -1;
  for (let at = head.lastIndexOf(', '); at > 0; at = head.lastIndexOf(', ', at - 1)) {
    if (head.length - at > 80 || !numbersIn(head.slice(at + 1))) break;
    found = at;
  }
  return found;
}

/** "Bad winter (0.3, cost 400): Repairs = -18,000" with or without any of its parts; details after a tab. O(length). */
export function readBranchLine(source: string): BranchLine {
  const tab = tabOutsideQuotes(source);
  const details = tab < 0 ? [] : splitDetails(`x${source.slice(tab)}`).details;
  const line = (tab < 0 ? source : source.slice(0, tab)).trim();
  const before = wordsAt(line);
  let facts: BranchFacts = noFacts;
  let unit = '';
  let rest = before.rest;
  if (rest.startsWith('(')) {
    const close = rest.indexOf(')');
    const numbers = close > 0 ? numbersIn(rest.slice(1, close)) : null;
    if (numbers) {
      facts = { ...facts, probability: numbers.probability, cost: numbers.cost };
      unit = numbers.unit;
      rest = rest.slice(close + 1).trimStart();
    }
  }
  const plain = { name: before.text, details, unit };
  if (rest === '') return { ...plain, facts };
  const payoff = (text: string): boolean => {
    const amount = parseAmount(text);
    if (!amount || Math.abs(amount.value) > 1e15) return false;
    facts = { ...facts, payoff: amount.value };
    unit = amount.unit || unit;
    return true;
  };
  if (rest.startsWith('=') && payoff(rest.slice(1))) return { ...plain, facts, unit };
  if (!rest.startsWith(':')) return { ...noneOf(line), details };
  const after = rest.slice(1).trim();
  if (after === '') return { ...plain, facts, unit };
  if (payoff(after)) return { ...plain, facts, unit };
  const named = wordsAfter(after);
  if (named.rest.startsWith('=') && payoff(named.rest.slice(1)) === false) return { ...noneOf(line), details };
  return { name: named.text, details, facts: { ...facts, label: before.text }, unit };
}

/** The name after the colon: in quotes, or all up to an equals sign before an amount. */
function wordsAfter(text: string): Words {
  const inQuotes = quotedAt(text, 0);
  if (inQuotes && /^\s*($|=)/.test(text.slice(inQuotes.end)))
    return { text: inQuotes.text, rest: text.slice(inQuotes.end).trimStart(), quoted: true };
  const equals = text.lastIndexOf(' = ');
  if (equals >= 0 && parseAmount(text.slice(equals + 3)))
    return { text: text.slice(0, equals).trim(), rest: text.slice(equals + 1), quoted: false };
  return { text, rest: '', quoted: false };
}

const noneOf = (line: string): BranchLine => ({ name: line, details: [], facts: noFacts, unit: '' });

/** Where the first tab stands that is in no quotes; −1 for none. */
function tabOutsideQuotes(line: string): number {
  for (let at = 0; at < line.length; at++) {
    if (line[at] === '\t') return at;
    const inQuotes = line[at] === '"' && (at === 0 || /[\s:]/.test(line[at - 1]!)) ? quotedAt(line, at) : null;
    if (inQuotes) at = inQuotes.end - 1;
  }
  return -1;
}

const isPlainDetail = (detail: string): boolean =>
  detail !== '' && !/[\t\n\r]/.test(detail) && detail === detail.trim() && !detail.startsWith('"');

/** A line that is read back as this branch and node. Words stand in quotes where they would be read otherwise without. */
export function branchLineOf({ name, details, facts }: Omit<BranchLine, 'unit'>): string {
  const { label, probability, cost, payoff } = facts;
  const numbers = [
    ...(probability === null ? [] : [plainNumber(probability)]),
    ...(cost === null ? [] : [`cost ${plainNumber(cost)}`]),
  ].join(', ');
  const tail = details.map((detail) => `\t${isPlainDetail(detail) ? detail : quoted(detail)}`).join('');
  const write = (first: string, second: string | null): string =>
    first +
    (numbers ? ` (${numbers})` : '') +
    (second === null ? '' : `: ${second}`) +
    (payoff === null ? '' : ` = ${plainNumber(payoff)}`) +
    tail;
  const same = (line: string): boolean => {
    const read = readBranchLine(line);
    return (
      read.name === name &&
      JSON.stringify(read.details) === JSON.stringify(details) &&
      JSON.stringify(read.facts) === JSON.stringify(facts)
    );
  };
  const plain = label === '' ? write(name, null) : write(label, name);
  const first = label === '' ? name : label;
  const safe =
    first !== '' &&
    first === first.trim() &&
    !/[\n\r\t]/.test(plain.slice(0, plain.length - tail.length)) &&
    withoutMarks(plain) === plain &&
    !isSumName(plain) &&
    !plain.endsWith(':');
  if (safe && same(plain)) return plain;
  return label === '' ? write(quoted(name), null) : write(quoted(label), quoted(name));
}
