import { foldName, quoted, quotedAt } from '../../../read';

/** An item with its sets by name; `details` null where the text does not tell any. */
export interface MembershipLine {
  readonly name: string;
  readonly details: readonly string[] | null;
  readonly sets: readonly string[];
}

/** Stands for an item without a name. */
export const noName = '–';

/** What a first line begins with that names all sets, in their order. */
const setsWord = 'Sets';
const isSetsWord = (name: string): boolean => foldName(name) === foldName(setsWord);

/** The sets that a line such as "Sets: mudflat, saltmarsh" names; null where it is none. */
export function setsNamedBy(line: string): string[] | null {
  const found = /^\s*sets\s*:/i.exec(line);
  const names = found ? piecesOf(line.slice(found[0].length)).filter(Boolean) : [];
  return names.length > 0 ? names : null;
}

/** That line, for sets in their order. */
export const setsLineOf = (names: readonly string[]): string =>
  `${setsWord}: ${names.map((name) => (name === '' || /[,;"\n\r]/.test(name) || name !== name.trim() ? quoted(name) : name)).join(', ')}`;

/** Lines whose sets have names that are known. */
export function linesWithSets(lines: readonly string[], known: readonly string[]): MembershipLine[] {
  const all = knownOf(known);
  return lines.map((line) => lineOf(line, all));
}

/** Cut at the first colon after which there is nothing but known sets; where there is none, at the last. */
function lineOf(line: string, known: Known): MembershipLine {
  const text = line.trim();
  const inQuotes = quotedAt(text, 0);
  if (inQuotes && text[inQuotes.end] === ':')
    return { name: inQuotes.text, details: null, sets: setsOf(text.slice(inQuotes.end + 1), known) };
  const cuts = [...line.matchAll(/:(?=\s|$)/g)].map(({ index }) => index);
  for (const cut of cuts.slice(0, mostCuts)) {
    const sets = setsOf(line.slice(cut + 1), known);
    if (sets.length > 0 && sets.every((name) => known.names.has(foldName(name)))) return cutAt(line, cut, sets);
  }
  const last = cuts.at(-1);
  return last === undefined ? cutAt(line, line.length, []) : cutAt(line, last, setsOf(line.slice(last + 1), known));
}

function cutAt(line: string, cut: number, sets: readonly string[]): MembershipLine {
  const name = line.slice(0, cut).trim();
  return { name: name === noName ? '' : name, details: null, sets };
}

/** Colons of one line that are tried one after the other. */
const mostCuts = 20;

/** Known names of sets by folded name, and the most commas any of them has. */
interface Known {
  readonly names: ReadonlyMap<string, string>;
  readonly commas: number;
}

/** Names between commas, quoted ones as they are; as many pieces together as make a known name with commas of its own. */
function setsOf(told: string, { names, commas }: Known): string[] {
  const pieces = piecesOf(told);
  const found: string[] = [];
  for (let i = 0; i < pieces.length;) {
    let taken = 1;
    for (let more = Math.min(pieces.length - i, commas + 1); more > 1; more--) {
      if (!names.has(foldName(pieces.slice(i, i + more).join(', ')))) continue;
      taken = more;
      break;
    }
    const name = pieces.slice(i, i + taken).join(', ');
    i += taken;
    if (name !== '') found.push(names.get(foldName(name)) ?? name);
  }
  return found;
}

/** Between commas and semicolons; what stands in quotes is one. O(length). */
function piecesOf(told: string): string[] {
  const pieces: string[] = [];
  for (let left = told.trim(); left !== '';) {
    const inQuotes = quotedAt(left, 0);
    const after = inQuotes ? left.slice(inQuotes.end).trimStart() : '';
    if (inQuotes && (after === '' || /^[,;]/.test(after))) {
      pieces.push(inQuotes.text);
      left = after.slice(1).trimStart();
      continue;
    }
    const cut = /[,;]/.exec(left);
    pieces.push((cut ? left.slice(0, cut.index) : left).trim());
    left = cut ? left.slice(cut.index + 1).trimStart() : '';
  }
  return pieces;
}

/** A line that is read back as this item in these sets, whatever their names hold. `known`: the names of all sets. */
export function membershipLineOf(name: string, sets: readonly string[], known: readonly string[]): string {
  const all = knownOf(known);
  const isSame = (line: string) => {
    const read = lineOf(line, all);
    return read.name === name && read.sets.length === sets.length && read.sets.every((set, i) => set === sets[i]);
  };
  const end = `: ${sets.join(', ')}`.trimEnd();
  const plain = `${name === '' ? noName : name}${end}`;
  if (!/[\n\r]/.test(plain) && !isSetsWord(name) && isSame(plain)) return plain;
  const nameQuoted = `${quoted(name)}${end}`;
  if (!/[\n\r]/.test(nameQuoted) && isSame(nameQuoted)) return nameQuoted;
  return `${quoted(name)}: ${sets.map(quoted).join(', ')}`.trimEnd();
}

const knownOf = (names: readonly string[]): Known => ({
  names: new Map(names.map((name) => [foldName(name), name])),
  commas: names.reduce((most, name) => Math.max(most, name.split(/[,;]/).length - 1), 0),
});
