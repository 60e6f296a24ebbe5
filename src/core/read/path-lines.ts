import { foldName } from './names';
import type { NamedLine } from './named-entries';
import { signsInLines, treeOfPaths } from './paths';
import { partsOf } from './several';
import type { ListTokens } from './tokens';

const fewestLines = 3;
const least = { parted: 0.6, shared: 0.6 };
const mostSteps = 12;

/**
 * Lines that are ways from the top, "Boats / Sail / Yawl", or back to it, "Yawl < Sail < Boats". They are told by ways of which most begin like another. Null
 * where lines say something else. O(characters × signs).
 */
export function readPathLines(tokens: ListTokens): NamedLine[] | null {
  const lines = tokens.filled;
  if (lines.length < fewestLines) return null;
  for (const sign of signsInLines) {
    const parted = lines.filter(({ text }) => text.includes(sign)).length;
    if (parted < Math.max(2, lines.length * least.parted)) continue;
    const steps = lines.map(({ text }) => partsOf(text, sign));
    if (steps.some((way) => way.length > mostSteps)) continue;
    const ways = [steps, steps.map((way) => [...way].reverse())].filter(shareBeginnings);
    // Where both ends are shared, the end at which fewer begin is the top.
    const [best] = ways.sort((a, b) => firsts(a) - firsts(b));
    if (!best) continue;
    return treeOfPaths(best).nodes.map(({ name, parent, from }) => ({ name, parent, line: lines[from]!.line }));
  }
  return null;
}

/** Ways of the sample by which it is told whether lines are ways. */
const looked = 2000;

const firsts = (ways: readonly (readonly string[])[]): number =>
  new Set(ways.map((way) => foldName(way[0] ?? ''))).size;

/** Whether most ways begin with more than one step like another way, and they have different lengths or share much. Looks at a sample. */
function shareBeginnings(all: readonly (readonly string[])[]): boolean {
  const ways = all.slice(0, looked).map((way) => way.map(foldName));
  const counts = new Map<string, number>();
  const known = new Set<string>();
  const above = ways.map((way) => {
    let begin = '';
    let before = '';
    way.forEach((step, k) => {
      before = begin;
      begin += `${step}\n`;
      if (k < way.length - 1) counts.set(begin, (counts.get(begin) ?? 0) + 1);
    });
    known.add(begin);
    return before;
  });
  const long = ways.flatMap((way, i) => (way.length > 1 ? [above[i]!] : []));
  const shared = long.filter((begin) => known.has(begin) || counts.get(begin)! > 1).length;
  // Ways of two steps tell something where each begins with what is a line of its own.
  const allTold = long.length >= fewestLines && long.every((begin) => known.has(begin));
  return (
    (ways.some((way) => way.length > 2) || allTold) &&
    shared >= long.length * least.shared &&
    firsts(ways) <= Math.max(1, ways.length * 0.4)
  );
}
