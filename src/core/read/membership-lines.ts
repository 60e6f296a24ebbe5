import type { Finding } from '../model';
import { foldName } from './names';
import { readSets } from './sets';

/** An item with its sets by name; `details` null where the text does not tell any. */
export interface MembershipLine {
  readonly name: string;
  readonly details: readonly string[] | null;
  readonly sets: readonly string[];
}

/** Stands for an item without a name. */
export const noName = '–';

/**
 * Lines such as "curlew: mudflat, saltmarsh", in which `known` names of sets may themselves have colons and commas; or a table or an
 * outline pasted in their place, as `readSets` takes it. Every line is an item of its own, also where two have one name.
 */
export function readMembershipLines(
  text: string,
  known: readonly string[],
): { lines: MembershipLine[]; findings: readonly Finding[] } {
  const lines = text.split(/\r\n|\r|\n/).filter((line) => line.trim() !== '');
  const colons = lines.filter((line) => line.includes(':')).length;
  if (colons < lines.length * 0.6) {
    const read = readSets(text);
    if (read.sets.length > 0 && read.structure !== 'set-lines') {
      const setsOf = new Map<string, string[]>(read.entries.map(({ id }) => [id, []]));
      for (const { name, items } of read.sets) for (const id of items) setsOf.get(id)!.push(name);
      return {
        lines: read.entries.map(({ id, name, details }) => ({ name, details, sets: setsOf.get(id)! })),
        findings: read.findings,
      };
    }
  }
  const names = new Map(known.map((name) => [foldName(name), name]));
  return { lines: lines.map((line) => lineOf(line, names)), findings: [] };
}

/** Cut at the first colon after which there is nothing but known sets; where there is none, at the last. */
function lineOf(line: string, known: ReadonlyMap<string, string>): MembershipLine {
  const cuts = [...line.matchAll(/:(?=\s|$)/g)].map(({ index }) => index);
  for (const cut of cuts) {
    const sets = setsOf(line.slice(cut + 1), known);
    if (sets.length > 0 && sets.every((name) => known.has(foldName(name)))) return cutAt(line, cut, sets);
  }
  const last = cuts.at(-1);
  return last === undefined ? cutAt(line, line.length, []) : cutAt(line, last, setsOf(line.slice(last + 1), known));
}

function cutAt(line: string, cut: number, sets: readonly string[]): MembershipLine {
  const name = line.slice(0, cut).trim();
  return { name: name === noName ? '' : name, details: null, sets };
}

/** Names between commas; as many pieces together as make a known name with commas of its own. */
function setsOf(told: string, known: ReadonlyMap<string, string>): string[] {
  const pieces = told.split(/[,;]/).map((piece) => piece.trim());
  const found: string[] = [];
  for (let i = 0; i < pieces.length;) {
    let taken = 1;
    for (let more = pieces.length - i; more > 1; more--) {
      if (!known.has(foldName(pieces.slice(i, i + more).join(', ')))) continue;
      taken = more;
      break;
    }
    const name = pieces.slice(i, i + taken).join(', ');
    i += taken;
    if (name !== '') found.push(known.get(foldName(name)) ?? name);
  }
  return found;
}
