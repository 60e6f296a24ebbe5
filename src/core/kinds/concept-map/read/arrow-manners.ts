import { withoutMarks } from '../../../read';
import { arrowLine, type ToldProposition } from './grammar';

const arrow = /\s(?:-{1,3}>|=>|~>|>>|→|⟶|➔|➝|⇒|⟹)\s/gu;
const mostly = 0.9;
const leastShared = 0.5;
const fewestLines = 3;
const looked = 2000;
const longest = 2000;

const plain = (name: string) => ({ name: name.trim(), isExample: false });

/** "silt <--carry-- tides": the other way round. */
function backward(line: string): ToldProposition | null {
  const at = line.indexOf('<-');
  if (at < 1 || line.length > longest || line.includes('>')) return null;
  const told = line.slice(at + 1).replace(/^-{1,2}/, '');
  const end = /-{1,2}\s/.exec(told);
  const phrase = end ? told.slice(0, end.index).trim() : '';
  const from = (end ? told.slice(end.index + end[0].length) : told).trim();
  return from === '' ? null : { from: plain(from), phrase, to: [plain(line.slice(0, at))] };
}

/** "tides -> carry -> silt": a phrase between two arrows. */
function between(line: string): ToldProposition | null {
  const [from, phrase, to, ...more] = line.split(arrow);
  return to !== undefined && more.length === 0 ? { from: plain(from!), phrase: phrase!.trim(), to: [plain(to)] } : null;
}

/** "tides -> silt (carry)", "tides -> silt : carry": the phrase behind. */
const behind: readonly ((text: string) => readonly [to: string, phrase: string] | null)[] = [
  (text) => {
    const open = text.endsWith(')') ? text.lastIndexOf(' (') : -1;
    return open > 0 ? [text.slice(0, open), text.slice(open + 2, -1)] : null;
  },
  (text) => {
    const at = text.indexOf(' : ');
    return at > 0 ? [text.slice(0, at), text.slice(at + 3)] : null;
  },
];

function after(line: string, parted: (typeof behind)[number]): ToldProposition | null {
  const told = arrowLine(line);
  const [to, ...more] = told?.to ?? [];
  const parts = told?.phrase === '' && to && more.length === 0 ? parted(to.name) : null;
  return parts ? { from: told!.from, phrase: parts[1].trim(), to: [plain(parts[0])] } : null;
}

/** Lines of which most begin with two steps like another: ways from the top, whose middle is no phrase. */
function areWays(lines: readonly string[]): boolean {
  const begins = lines.flatMap((line) => {
    const steps = line.length < longest ? line.split(arrow) : [];
    return steps.length > 2 ? [`${steps[0]!.trim()}\n${steps[1]!.trim()}`] : [];
  });
  const counts = new Map<string, number>();
  for (const begin of begins) counts.set(begin, (counts.get(begin) ?? 0) + 1);
  return counts.size > 1 && begins.filter((begin) => counts.get(begin)! > 1).length > begins.length * leastShared;
}

/** How the lines of a list tell propositions: as each line says for itself, or in a manner that nearly all of them have. O(characters). */
export function arrowReader(source: readonly string[]): (line: string) => ToldProposition | null {
  const lines = source
    .map((line) => line.trim())
    .filter(Boolean)
    .slice(0, looked)
    .map(withoutMarks);
  const usual = (line: string): ToldProposition | null => backward(line) ?? arrowLine(line);
  if (lines.length < fewestLines) return usual;
  for (const manner of [
    ...(areWays(lines) ? [] : [between]),
    ...behind.map((sign) => (line: string) => after(line, sign)),
  ])
    if (lines.filter((line) => line.length < longest && manner(line) !== null).length >= lines.length * mostly)
      return (line) => (line.length < longest ? manner(line) : null) ?? usual(line);
  return usual;
}
