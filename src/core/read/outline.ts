import { type Finding } from '../model';
import { readFinding } from './codes';
import { splitDetails } from './line-parts';
import { aboveList } from './title-above';
import { isSumName } from './names';
import type { OutlineLine } from './outline-lines';
import { nothingRead, type ReadEntry, type Reading } from './result';
import type { ListTokens } from './tokens';
import { noRoles, type RoleWords } from './tree-vocabulary';

/**
 * An indented list: by tabs or spaces, with or without bullets; or by numbers such as 1.2.3 or headings where nothing is indented.
 * A line belongs to the nearest line above it that is indented less; lines with dashes belong to the plain line above them. A last line
 * with a sum goes to the tray. `split`: what a line says of its entry, without and with the sign before it. O(characters).
 */
export function readOutline(
  tokens: ListTokens,
  roles: RoleWords = noRoles,
  split: (line: string, whole: string) => { readonly name: string; readonly details: readonly string[] } = splitDetails,
): Reading {
  const whole = tokens.outline.lines;
  const title = titleOf(tokens, whole);
  const all = title ? whole.slice(1) : whole;
  const lines = all.filter((each, i) => !isSum(each, all[i + 1]));
  if (lines.length === 0 && all.length === 0) return nothingRead;
  const flat = lines.every((each) => each.indent === lines[0]!.indent);
  const byNumber = flat && isByLevels(lines);
  const mixed = lines.some((each) => each.sign === 'bullet') && lines.some((each) => each.sign === null);
  const findings: Finding[] = [];
  const entries: ReadEntry[] = [];
  const stack: OpenLine[] = [];
  let last = 0;
  for (const [i, each] of lines.entries()) {
    const underPlain = !byNumber && mixed && each.sign === 'bullet' && isUnderPlain(stack, each.indent);
    const depth = byNumber ? each.levels || last + 1 : each.indent + (underPlain ? 0.5 : 0);
    if (byNumber && each.levels > 0) last = each.levels;
    let left: number | null = null;
    while (stack.length > 0 && stack.at(-1)!.depth >= depth) left = stack.pop()!.depth;
    const uneven =
      left !== null && left > depth && left - depth >= 1 && depth > (stack.at(-1)?.depth ?? -1) && depth !== 0;
    if (!byNumber && uneven && entries.length > 0) findings.push(unevenIndent(each));
    const id = `e${each.line}`;
    const next = lines[i + 1];
    const overDashes = each.sign === null && next?.sign === 'bullet' && next.indent === each.indent && !byNumber;
    const { name, details } = split(overDashes ? withoutColon(each.text) : each.text, each.whole);
    const role = roles.ofName(name) ?? roles.ofDetail(details[0] ?? '');
    const parent = stack.at(-1)?.id ?? null;
    entries.push({ id, line: each.line, name, details, fields: {}, role, parent });
    stack.push({ depth, id, isPlain: each.sign === null });
  }
  const sums = all
    .filter((each, i) => isSum(each, all[i + 1]))
    .map(({ line, text: sum }) => ({ line, text: sum, reason: `Line ${line} is a sum, not an entry.` }));
  const notPlaced = title
    ? [{ line: title.line, text: title.text, reason: `Line ${title.line} ${aboveList}.` }, ...sums]
    : sums;
  return {
    ...nothingRead,
    structure: flat && !byNumber && entries.every(({ parent }) => parent === null) ? 'flat' : 'indent',
    emptyLines: tokens.emptyLines(whole.length),
    entries,
    notPlaced,
    findings,
  };
}

/**
 * The first line where it is a title: nothing is indented below it, an empty line parts it from the others, and of the others every one that
 * stands as far out has something below it. Null where there is none.
 */
function titleOf(tokens: ListTokens, lines: readonly OutlineLine[]): OutlineLine | null {
  const [first, second] = lines;
  if (!first || !second || first.sign !== null || second.indent !== first.indent) return null;
  if (!tokens.isBlankAfter(first.line)) return null;
  const heads = lines.slice(1).every((each, i, rest) => {
    const next = rest[i + 1];
    const isIn = each.indent > first.indent || each.sign === 'bullet';
    return (
      isIn || (next !== undefined && (next.indent > each.indent || (next.sign === 'bullet' && each.sign === null)))
    );
  });
  return heads ? first : null;
}

const isSum = (each: OutlineLine, next: OutlineLine | undefined): boolean =>
  !each.text.startsWith('"') && isSumName(each.text) && (next === undefined || next.indent <= each.indent);

/** Levels told by numbers on most lines, or by headings from the first line on. */
function isByLevels(lines: readonly OutlineLine[]): boolean {
  if (lines[0]?.sign === 'heading') return lines.length > 1;
  const told = lines.filter((each) => each.levels > 0).length;
  return lines.some((each) => each.levels > 1) && told >= lines.length * 0.6;
}

/** A line that lines further in may belong to. */
interface OpenLine {
  readonly depth: number;
  readonly id: string;
  /** Without a bullet, number or letter before it. */
  readonly isPlain: boolean;
}

/** Whether a plain line above stands on this indent, so that a dash on the same indent is below it. */
function isUnderPlain(stack: readonly OpenLine[], indent: number): boolean {
  for (let i = stack.length - 1; i >= 0 && stack[i]!.depth >= indent; i--)
    if (stack[i]!.depth === indent) return stack[i]!.isPlain;
  return false;
}

const withoutColon = (text: string): string => (text.endsWith(':') ? text.slice(0, -1).trimEnd() : text);

function unevenIndent(each: OutlineLine): Finding {
  const message = `Line ${each.line} is indented between two levels; “${each.text.slice(0, 60)}” was taken to the level of the lines further out. Indent it like its siblings if that is wrong.`;
  return readFinding('uneven-indent', 'warning', message, {
    line: each.line,
    column: each.indent + 1,
    entries: [`e${each.line}`],
  });
}
