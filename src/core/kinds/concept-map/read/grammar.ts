import { quoted, quotedAt, withoutMarks } from '../../../read';

/** A proposition as a line tells it; several ideas may follow one phrase. */
export interface ToldProposition {
  readonly from: ToldIdea;
  readonly phrase: string;
  readonly to: readonly ToldIdea[];
}

/** An idea as it stands at an end; one that begins with "e.g." is an example. */
export interface ToldIdea {
  readonly name: string;
  readonly isExample: boolean;
}

/** "tides --carry--> silt", "tides -carry-> silt", "tides -> silt", "tides → silt", "tides —carry→ silt", "tides [carry] silt". */
const arrowSign = String.raw`(?:-{1,3}>|[—–]>|=>|~>|(?<=\s)>>(?=\s)|→|⟶|➔|➝|⇒|⟹)`;
// None of these patterns passes blanks before it knows what follows them, so that a long run of blanks costs its length.
const stroke = /^(?:-{1,2}|—|–|=)\s*/u;
/** What ends an idea at the beginning of a line, and a phrase. */
const afterIdea = new RegExp(String.raw`-{2,}|${arrowSign}|(?<=\s)[—–=-]`, 'u');
const afterPhrase = new RegExp(String.raw`[—–]?${arrowSign}`, 'u');
// Where an arrow was found, what stands before it was seen.
const foundSign = arrowSign.replace(String.raw`(?<=\s)`, '');
const direct = new RegExp(String.raw`^${foundSign}\s*`, 'u');
const closing = new RegExp(String.raw`^[—–]?${foundSign}\s*`, 'u');
const semicolon = /;/u;

/**
 * The proposition that a line with an arrow tells; null where it has none. Ideas and the phrase may stand in quotes, and are then taken as they are; several
 * ideas after the arrow are parted by semicolons. O(length).
 */
export function arrowLine(line: string): ToldProposition | null {
  const first = partAt(line, 0, afterIdea);
  if (first.text === '') return null;
  let at = first.end;
  let phrase = '';
  const arrow = direct.exec(line.slice(at));
  if (arrow) at += arrow[0].length;
  else {
    const begin = stroke.exec(line.slice(at));
    if (!begin) return null;
    const words = partAt(line, at + begin[0].length, afterPhrase);
    const end = closing.exec(line.slice(words.end));
    if (!end) return null;
    phrase = words.quoted ? words.text : withoutBrackets(words.text);
    at = words.end + end[0].length;
  }
  const to: ToldIdea[] = [];
  while (at < line.length) {
    const part = partAt(line, at, semicolon);
    if (part.text !== '') to.push(ideaIn(part));
    at = part.end + /^;?\s*/u.exec(line.slice(part.end))![0].length;
  }
  return to.length > 0 ? { from: ideaIn(first), phrase, to } : null;
}

/** "[carry]" and "(carry)" without their brackets. */
const withoutBrackets = (text: string): string =>
  /^\[[^[\]]+\]$|^\([^()]+\)$/u.test(text) ? text.slice(1, -1).trim() : text;

interface Part {
  readonly text: string;
  readonly end: number;
  readonly quoted: boolean;
}

function ideaIn({ text, quoted: asItIs }: Part): ToldIdea {
  const shown = asItIs ? null : exampleIn(text);
  return { name: shown ?? text, isExample: shown !== null };
}

/** The text from a place up to what ends it; in quotes as it is, where what ends it comes right after them. */
function partAt(line: string, start: number, ending: RegExp): Part {
  const told = quotedAt(line, start);
  if (told) {
    const rest = line.slice(told.end);
    if (rest.trim() === '') return { text: told.text, end: line.length, quoted: true };
    const blanks = rest.length - rest.trimStart().length;
    if (ending.exec(rest)?.index === blanks) return { text: told.text, end: told.end + blanks, quoted: true };
  }
  const cut = ending.exec(line.slice(start));
  const end = cut ? start + cut.index : line.length;
  return { text: line.slice(start, end).trim(), end, quoted: false };
}

/** Whether a text is read back from a line as it is, without quotes. */
const isPlain = (text: string): boolean =>
  text !== '' &&
  text === text.trim() &&
  !/["\\\n\r\t;<>→⟶➔➝⇒⟹—–]|--|\s-|-$|^-|\s=|=$|^=|\s:\s/u.test(text) &&
  !/^[[(].*[\])]$|\)$/u.test(text) &&
  !startsLikeOther.test(text) &&
  withoutMarks(`${text} .`) === `${text} .`;
/** Beginnings that mean something else at the beginning of a line. */
const startsLikeOther = /^(e\.?\s?g\.?\s|focus(\s|:)|[-*+•#]\s|\d+[.)]\s|[a-z][.)]\s)/iu;

const told = (text: string): string => (isPlain(text) ? text : quoted(text));

/** A proposition as a line from which it is read back. */
export const propositionLine = (from: string, phrase: string, to: string): string =>
  phrase === '' ? `${told(from)} --> ${told(to)}` : `${told(from)} --${told(phrase)}--> ${told(to)}`;

/** What follows a heading on a line, in quotes as it is; null where the line has not that heading. */
function after(heading: RegExp, line: string): string | null {
  const found = heading.exec(line);
  if (!found) return null;
  const rest = line.slice(found[0].length).trim();
  const inQuotes = quotedAt(rest, 0);
  return rest === '' ? null : inQuotes && inQuotes.end === rest.length ? inQuotes.text : rest;
}

/** "Focus question: What makes an estuary productive?"; the question, or null. */
export const questionIn = (line: string): string | null =>
  after(/^\s*(?:focus question|question|leitfrage)\s*[:=]/iu, line);

/** "Focus: estuary"; the idea, or null. */
export const focusIn = (line: string): string | null => after(/^\s*focus(?: idea| concept)?\s*[:=]/iu, line);

/** "e.g. redshank" without its sign; null for what is no example. */
export function exampleIn(text: string): string | null {
  const found = /^(?:e\.\s?g\.|eg\.?|for example:?|example:|z\.\s?b\.|p\.\s?ex\.)\s(.+)$/isu.exec(text);
  return found?.[1]!.trim() || null;
}

/** The line (from 1) of a question that stands first in a list, before propositions: "What makes an estuary productive?"; null where none does. */
export function questionAbove(source: readonly string[]): number | null {
  const at = source.findIndex((line) => line.trim() !== '');
  const more = source.slice(at + 1, at + 1 + 5).some((line) => line.trim() !== '');
  const first = source[at]?.trim() ?? '';
  const isQuestion = first.endsWith('?') && questionIn(first) === null && arrowLine(first) === null;
  return more && isQuestion ? at + 1 : null;
}
