import { isSumName } from './names';
import { quoted, quotedAt } from './quoted';

/** Signs before the name of a line. None of these patterns goes back over what it has passed. */
export const bullet = /^(?:[-*+•◦▪‣–·○●■□➢>]\s+|[•◦▪‣○●■□➢])/u;
/** "│   ├── ", or "|  |- " in plain letters. */
export const branches = /^[\s│║├└┬─╰╭┌╠╚╔═|`+\\]*(?:[├└╰╭┌┬╠╚╔][─═]*|[|`+\\]-+)\s*(?=\S)/u;
/** A line that only goes on with what is drawn. */
export const onlyDrawn = /^[\s│║|]+$/u;
/** Whether a line of a list begins with lines drawn before its name. */
export const isDrawn = (source: string): boolean => branches.test(source);
/** "** ", "-- " or ">> ": as many levels as signs. */
export const repeated = /^(?:\*{2,}|-{2,}|>{2,}|\+{2,}|•{2,})\s+/u;
/** "....": dots for indents. */
export const dotted = /^\.{2,}(?=[^.\s])/;
export const number = /^\(?(\d+(?:\.\d+)*)([.)]?)\s+/;
export const letter = /^\(?([a-zA-Z]|[ivxIVX]{1,5})[.)]\s+/;
export const heading = /^(#{1,6})\s+/;

export interface Parts {
  readonly name: string;
  readonly details: readonly string[];
}

const nameEnd = /\t|\s[–—|-]\s|:\s|,\s|;\s/;
const detailEnd = /\t|,\s|;\s|\s[|–—]\s/;

/**
 * "Hana Petrović – Schools lead, North site" to name and details. Where there are tabs, they alone part; what stands in quotes is taken as it
 * is. O(length).
 */
export function splitDetails(line: string): { name: string; details: string[] } {
  const first = quotedAt(line, 0);
  const rest = first ? afterQuotes(line, first.end) : null;
  if (first && rest !== null) return { name: first.text, details: detailsOf(rest) };
  if (line.includes('\t')) {
    const cut = line.indexOf('\t');
    return { name: line.slice(0, cut).trim(), details: detailsOf(line.slice(cut)) };
  }
  const cut = nameEnd.exec(line);
  const bracket = bracketed(line);
  if (bracket && (!cut || cut.index > bracket.name.length)) return bracket;
  if (!cut || line.slice(0, cut.index).trim() === '') return { name: line.trim(), details: [] };
  return { name: line.slice(0, cut.index).trim(), details: detailsOf(line.slice(cut.index + cut[0].length)) };
}

/** "Hana Petrović (Schools lead, North site)". */
function bracketed(line: string): { name: string; details: string[] } | null {
  const text = line.trimEnd();
  if (!text.endsWith(')')) return null;
  const open = text.lastIndexOf('(');
  const inside = text.slice(open + 1, -1);
  const name = text.slice(0, Math.max(0, open)).trim();
  if (open < 1 || name === '' || inside.trim() === '' || inside.includes(')')) return null;
  return { name, details: inside.split(/[,;]/).map((part) => part.trim()) };
}

/** What follows quotes: empty, or with the separator first; null where neither, so that the quotes belong to a plain text. */
function afterQuotes(line: string, end: number): string | null {
  const rest = line.slice(end);
  const trimmed = rest.trim();
  if (trimmed === '') return '';
  if (rest.startsWith('\t')) return rest;
  return /^\s*([–—|:;,-])(\s|$)/.test(rest.slice(0, 40)) ? trimmed.slice(1) : null;
}

/** The parts of what follows a name; a place is passed over once. O(length). */
function detailsOf(rest: string): string[] {
  const parting = rest.includes('\t') ? /\t/ : detailEnd;
  const [next, here] = [new RegExp(parting, 'g'), new RegExp(parting, 'y')];
  const details: string[] = [];
  const length = rest.trimEnd().length;
  /** The first letter from `at` on, and the text in quotes that begins there. */
  let letter = -1;
  let inQuotes: ReturnType<typeof quotedAt> = null;
  for (let at = 0; at < length;) {
    if (letter < at) {
      letter = at;
      while (isBlank(rest[letter]!)) letter++;
      inQuotes = quotedAt(rest, letter);
    }
    here.lastIndex = inQuotes?.end ?? 0;
    if (inQuotes && (inQuotes.end >= length || here.test(rest))) {
      details.push(inQuotes.text);
      at = inQuotes.end >= length ? length : here.lastIndex;
      continue;
    }
    next.lastIndex = at;
    const cut = next.exec(rest);
    const piece = rest.slice(at, cut?.index).trim();
    if (piece !== '') details.push(piece);
    at = cut ? next.lastIndex : length;
  }
  return details;
}

const isBlank = (sign: string): boolean => /\s/.test(sign);

/** The line without any sign before its name, whatever its neighbours are. */
export function withoutMarks(line: string): string {
  for (const sign of [heading, repeated, dotted, bullet, number, letter, branches]) {
    const found = sign.exec(line);
    if (found) return line.slice(found[0].length).trim();
  }
  return line.trim();
}

/** How the parts of a written line are parted: by tabs, or by dashes where tabs would make a table of the list. */
export type Parting = '\t' | ' – ';

/** A line that is read back as this name and these details: in quotes where it would not be without. */
export function lineOf(name: string, details: readonly string[], parting: Parting = '\t'): string {
  const plain = details.map((detail) => (isPlainDetail(detail) ? detail : quoted(detail)));
  const asTold = [name, ...plain].join(parting);
  if (isReadBack(asTold, name, details)) return asTold;
  const nameQuoted = [quoted(name), ...plain].join(parting);
  if (isSame(splitDetails(nameQuoted), name, details)) return nameQuoted;
  return [quoted(name), ...details.map(quoted)].join(parting);
}

const isPlainDetail = (detail: string): boolean =>
  detail !== '' && !/[\t\n\r]/.test(detail) && detail === detail.trim() && !detail.startsWith('"');

/** True where nothing of the line could be taken for a sign, a sum or another parting, whatever stands around it. */
function isReadBack(line: string, name: string, details: readonly string[]): boolean {
  if (name === '' || /[\n\r]/.test(line) || name !== name.trim() || isSumName(line)) return false;
  return withoutMarks(line) === line && !line.endsWith(':') && isSame(splitDetails(line), name, details);
}

const isSame = (read: Parts, name: string, details: readonly string[]): boolean =>
  read.name === name &&
  read.details.length === details.length &&
  read.details.every((detail, i) => detail === details[i]);
