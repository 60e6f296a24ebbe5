import { finding, limits, type Finding } from '../model';
import { isAssistantTitle, isVacantName } from './names';
import { nothingRead, type ReadEntry, type ReadResult } from './result';

const bullet = /^(?:[-*+•◦▪‣–·○●■□➢>]\s+|[•◦▪‣○●■□➢])/u;
const number = /^(\d+(?:\.\d+)*)[.)]?\s+/;
const letter = /^(?:[a-zA-Z]|[ivxIVX]{1,5})[.)]\s+/;
const heading = /^(#{1,6})\s+/;
const tabWidth = 4;

interface Line {
  readonly line: number;
  /** Columns of leading white space. */
  readonly indent: number;
  readonly text: string;
  /** Levels told by a number such as 1.2.3, or by signs of a heading; 0 for none. */
  readonly numbered: number;
}

/** One indented line to its parts. */
function measure(source: string, line: number): Line {
  let indent = 0;
  let i = 0;
  for (; i < source.length; i++) {
    if (source[i] === '\t') indent += tabWidth - (indent % tabWidth);
    else if (source[i] === ' ' || source[i] === '\u00a0' || source[i] === '\u3000') indent++;
    else break;
  }
  let text = source.slice(i).trim();
  let numbered = 0;
  const head = heading.exec(text);
  const count = number.exec(text);
  if (head) {
    numbered = head[1]!.length;
    text = text.slice(head[0].length);
  } else if (bullet.test(text)) {
    text = text.replace(bullet, '');
  } else if (count) {
    numbered = count[1]!.split('.').length;
    text = text.slice(count[0].length);
  } else {
    text = text.replace(letter, '');
  }
  return { line, indent, text: text.trim(), numbered };
}

/** "Hana Petrović – Schools lead, North site" to name and details. */
export function splitDetails(text: string): { name: string; details: string[] } {
  const cut = /\t+|\s+[–—|-]\s+|:\s+|,\s+|;\s+/.exec(text);
  const bracket = /^(.+?)\s*\(([^()]+)\)$/.exec(text);
  if (bracket && (!cut || cut.index > bracket[1]!.length))
    return { name: bracket[1]!.trim(), details: bracket[2]!.split(/[,;]\s*/).map((part) => part.trim()) };
  if (!cut || cut.index === 0) return { name: text, details: [] };
  const rest = text.slice(cut.index + cut[0].length);
  return {
    name: text.slice(0, cut.index).trim(),
    details: rest
      .split(/\t+|,\s+|;\s+|\s+[|–—]\s+/)
      .map((part) => part.trim())
      .filter(Boolean)
      .slice(0, limits.details),
  };
}

/**
 * An indented list: by tabs or spaces, with or without bullets; or by numbers such as 1.2.3 or headings where nothing is indented.
 * A line belongs to the nearest line above it that is indented less. O(lines).
 */
export function readOutline(text: string): ReadResult {
  const source = text.split(/\r\n|\r|\n/);
  const lines = source.map((each, i) => measure(each, i + 1)).filter((each) => each.text !== '');
  if (lines.length === 0) return nothingRead;
  const flat = lines.every((each) => each.indent === lines[0]!.indent);
  const byNumber =
    flat &&
    lines.some((each) => each.numbered > 1) &&
    lines.filter((each) => each.numbered > 0).length >= lines.length * 0.6;
  const findings: Finding[] = [];
  const entries: ReadEntry[] = [];
  const stack: { depth: number; id: string }[] = [];
  let last = 0;
  for (const each of lines) {
    const depth = byNumber ? each.numbered || last + 1 : each.indent;
    if (byNumber && each.numbered > 0) last = each.numbered;
    let left: number | null = null;
    while (stack.length > 0 && stack.at(-1)!.depth >= depth) left = stack.pop()!.depth;
    if (
      !byNumber &&
      left !== null &&
      left > depth &&
      (stack.length > 0 || entries.length > 0) &&
      depth > (stack.at(-1)?.depth ?? -1) &&
      depth !== 0
    ) {
      const message = `Line ${each.line} is indented between two levels; “${each.text.slice(0, 60)}” was taken to the level of the lines further out. Indent it like its siblings if that is wrong.`;
      findings.push(
        finding('uneven-indent', 'warning', message, {
          line: each.line,
          column: depth + 1,
          entries: [`e${each.line}`],
        }),
      );
    }
    const parent = stack.at(-1)?.id ?? null;
    const id = `e${each.line}`;
    const { name, details } = splitDetails(each.text);
    const role = isVacantName(name) ? 'vacancy' : isAssistantTitle(details[0] ?? '') ? 'assistant' : null;
    entries.push({
      id,
      line: each.line,
      name: name.slice(0, limits.nameLength),
      details: details.map((detail) => detail.slice(0, limits.detailLength)),
      fields: {},
      role,
      parent,
    });
    stack.push({ depth, id });
  }
  return {
    ...nothingRead,
    structure: flat && !byNumber ? 'flat' : 'indent',
    emptyLines: emptyBefore(source, lines.length),
    entries,
    findings,
  };
}

/** Empty lines between the first and the last that has text. */
export function emptyBefore(source: readonly string[], filled: number): number {
  let end = source.length;
  while (end > 0 && source[end - 1]!.trim() === '') end--;
  let start = 0;
  while (start < end && source[start]!.trim() === '') start++;
  return end - start - filled;
}
