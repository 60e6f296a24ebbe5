import { withoutMarks } from '../../../read';
import { arrowLine, type ToldProposition } from './grammar';

const arrow = /\s(?:-{1,3}>|=>|~>|>>|→|⟶|➔|➝|⇒|⟹)\s/gu;
const back = /^([^<]+?)\s*<(-{1,2})([^<>]*?)-{1,2}\s+([^<>]+)$/u;
const behind = [/^(.*\S)\s+\(([^()]+)\)$/u, /^(.*\S)\s+:\s+(.+)$/u] as const;
const mostly = 0.9;
const fewestLines = 3;
const looked = 2000;
const longest = 2000;

const plain = (name: string) => ({ name: name.trim(), isExample: false });

/** "silt <--carry-- tides": the other way round. */
function backward(line: string): ToldProposition | null {
  if (line.length > longest || !line.includes('<-')) return null;
  const told = back.exec(line);
  return told ? { from: plain(told[4]!), phrase: told[3]!.trim(), to: [plain(told[1]!)] } : null;
}

/** "tides -> carry -> silt": a phrase between two arrows. */
function between(line: string): ToldProposition | null {
  const [from, phrase, to, ...more] = line.split(arrow);
  return to !== undefined && more.length === 0 ? { from: plain(from!), phrase: phrase!.trim(), to: [plain(to)] } : null;
}

/** "tides -> silt (carry)", "tides -> silt : carry": the phrase behind. */
function after(line: string, manner: RegExp): ToldProposition | null {
  const told = arrowLine(line);
  const [to, ...more] = told?.to ?? [];
  const parts =
    told?.phrase === '' && to && more.length === 0 && to.name.length < longest ? manner.exec(to.name) : null;
  return parts ? { from: told!.from, phrase: parts[2]!.trim(), to: [plain(parts[1]!)] } : null;
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
  for (const manner of [between, ...behind.map((sign) => (line: string) => after(line, sign))])
    if (lines.filter((line) => line.length < longest && manner(line) !== null).length >= lines.length * mostly)
      return (line) => (line.length < longest ? manner(line) : null) ?? usual(line);
  return usual;
}
