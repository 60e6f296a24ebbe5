import { foldName } from './names';
import { signsInLines, stepsOf, treeOfPaths } from './paths';
import type { NamedLine } from './class-lines';
import type { ListTokens } from './tokens';

const fewestLines = 3;
const least = { parted: 0.6, shared: 0.6 };
const mostSteps = 12;

/**
 * Lines that are ways from the top, "Boats / Sail / Yawl", or back to it, "Yawl < Sail < Boats". They are told by ways of which most begin like another. Null
 * where lines say something else. O(characters × signs).
 */
export function readPathLines(tokens: ListTokens): NamedLine[] | null {
  const lines = tokens.source.flatMap((text, i) => (text.trim() === '' ? [] : [{ line: i + 1, text: text.trim() }]));
  if (lines.length < fewestLines) return null;
  for (const sign of signsInLines) {
    const parted = lines.filter(({ text }) => text.includes(sign)).length;
    if (parted < Math.max(2, lines.length * least.parted)) continue;
    const steps = lines.map(({ text }) => stepsOf(text, sign));
    if (steps.some((way) => way.length > mostSteps)) continue;
    const ways = [steps, steps.map((way) => [...way].reverse())].filter(shareBeginnings);
    // Where both ends are shared, the end at which fewer begin is the top.
    const [best] = ways.sort((a, b) => firsts(a) - firsts(b));
    if (!best) continue;
    return treeOfPaths(best).nodes.map(({ name, parent, from }) => ({ name, parent, line: lines[from]!.line }));
  }
  return null;
}

const firsts = (ways: readonly (readonly string[])[]): number =>
  new Set(ways.map((way) => foldName(way[0] ?? ''))).size;

/** Whether most ways begin with more than one step like another way, and they have different lengths or share much. */
function shareBeginnings(ways: readonly (readonly string[])[]): boolean {
  const counts = new Map<string, number>();
  for (const way of ways)
    for (let k = 1; k < way.length; k++) {
      const key = way.slice(0, k).map(foldName).join('\n');
      counts.set(key, (counts.get(key) ?? 0) + 1);
    }
  const known = new Set(ways.map((way) => way.map(foldName).join('\n')));
  const long = ways.filter((way) => way.length > 1);
  const shared = long.filter((way) => {
    const above = way.slice(0, -1).map(foldName).join('\n');
    return known.has(above) || counts.get(above)! > 1;
  }).length;
  const deep = Math.max(...ways.map((way) => way.length));
  return deep > 2 && shared >= long.length * least.shared && firsts(ways) <= Math.max(1, ways.length * 0.4);
}
