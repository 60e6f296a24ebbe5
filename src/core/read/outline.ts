import { type Finding } from '../model';
import { readFinding } from './codes';
import { splitDetails } from './line-parts';
import { aboveList } from './title-above';
import { isSumName } from './names';
import { asidesOf } from './outline-asides';
import { depthsOf } from './outline-depths';
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
  const beside = asidesOf(whole, (line) => tokens.isBlankAfter(line));
  const all = whole.filter((_, i) => !beside.has(i));
  const lines = all.filter((each, i) => !isSum(each, all[i + 1]));
  if (lines.length === 0 && all.length === 0) return nothingRead;
  const { told, of } = depthsOf(lines);
  const findings: Finding[] = [];
  const entries: ReadEntry[] = [];
  const stack: { readonly depth: number; readonly id: string }[] = [];
  for (const [i, each] of lines.entries()) {
    const depth = of[i]!;
    let left: number | null = null;
    while (stack.length > 0 && stack.at(-1)!.depth >= depth) left = stack.pop()!.depth;
    const uneven =
      left !== null &&
      left - depth >= 1 &&
      // A dash below a plain line on its indent is half a level deeper.
      Math.floor(depth) > (stack.at(-1)?.depth ?? -1) &&
      depth !== 0;
    if (told === 'indent' && uneven && entries.length > 0) findings.push(unevenIndent(each));
    const id = `e${each.line}`;
    const next = lines[i + 1];
    const overDashes =
      told === 'indent' && each.sign === null && next?.sign === 'bullet' && next.indent === each.indent;
    const { name, details } = split(overDashes ? withoutColon(each.text) : each.text, each.whole);
    const role = roles.ofName(name) ?? roles.ofDetail(details[0] ?? '');
    const parent = stack.at(-1)?.id ?? null;
    entries.push({ id, line: each.line, name, details, fields: {}, role, parent });
    stack.push({ depth, id });
  }
  const sums = all
    .filter((each, i) => isSum(each, all[i + 1]))
    .map(({ line, text: sum }) => ({ line, text: sum, reason: `Line ${line} is a sum, not an entry.` }));
  const around = [...beside].map(([i, what]) => {
    const { line, whole: text } = whole[i]!;
    return { line, text, reason: `Line ${line} ${what === 'title' ? aboveList : besideList}.` };
  });
  const notPlaced = [...around, ...sums].sort((a, b) => a.line - b.line);
  return {
    ...nothingRead,
    structure: told === 'indent' && entries.every(({ parent }) => parent === null) ? 'flat' : 'indent',
    emptyLines: tokens.emptyLines(whole.length),
    entries,
    notPlaced,
    findings,
  };
}

const besideList = 'is a remark or the foot of a page, not an entry';

const isSum = (each: OutlineLine, next: OutlineLine | undefined): boolean =>
  !each.text.startsWith('"') && isSumName(each.text) && (next === undefined || next.indent <= each.indent);

const withoutColon = (text: string): string => (text.endsWith(':') ? text.slice(0, -1).trimEnd() : text);

function unevenIndent(each: OutlineLine): Finding {
  const message = `Line ${each.line} is indented between two levels; “${each.text.slice(0, 60)}” was taken to the level of the lines further out. Indent it like its siblings if that is wrong.`;
  return readFinding('uneven-indent', 'warning', message, {
    line: each.line,
    column: each.indent + 1,
    entries: [`e${each.line}`],
  });
}
