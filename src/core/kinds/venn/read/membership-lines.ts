import type { Finding } from '../../../model';
import { ListTokens } from '../../../read';
import { linesWithSets, setsNamedBy, type MembershipLine } from './item-line';
import { setHeadings } from './set-list';
import { readSets } from './sets';

/**
 * Lines such as "curlew: mudflat, saltmarsh", in which `known` names of sets may themselves have colons and commas; or a table or an
 * outline pasted in their place, as `readSets` takes it. Every line is an item of its own, also where two have one name.
 */
export function readMembershipLines(
  text: string,
  known: readonly string[],
): { lines: MembershipLine[]; findings: readonly Finding[]; sets: readonly string[] | null } {
  const all = text.split(/\r\n|\r|\n/).filter((line) => line.trim() !== '');
  const sets = setsNamedBy(all[0] ?? '');
  if (sets) return { lines: linesWithSets(all.slice(1), [...sets, ...known]), findings: [], sets };
  const lines = all;
  const colons = lines.filter((line) => line.includes(':')).length;
  if (colons < lines.length * 0.6) {
    const read = readSets(new ListTokens(text, setHeadings));
    if (read.sets.length > 0 && read.structure !== 'set-lines') {
      const setsOf = new Map<string, string[]>(read.entries.map(({ id }) => [id, []]));
      for (const { name, items } of read.sets) for (const id of items) setsOf.get(id)!.push(name);
      return {
        lines: read.entries.map(({ id, name, details }) => ({ name, details, sets: setsOf.get(id)! })),
        findings: read.findings,
        sets: null,
      };
    }
  }
  return { lines: linesWithSets(lines, known), findings: [], sets: null };
}
