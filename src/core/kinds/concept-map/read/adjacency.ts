import { foldName, type ListTokens, type ReadChoices, type SignedLines } from '../../../read';
import { MapMaker, type MapReading } from './result';

/** Such signs tell a link by themselves; behind others there may be anything. */
const arrows = [' -> ', ' → ', ' => '];
const fewestLines = 3;
/** So many of those before the sign stand behind it in other lines, and at least two; one where any comes again behind it. */
const leastChained = 0.25;

/** Lines that list, for each idea, those it leads to: "tides: silt, mudflat". Ideas stand on both sides of the sign; those of sets never do. */
export function adjacencyOf(tokens: ListTokens): SignedLines | null {
  return tokens.signed.find(({ sign, told }) => isAdjacency(told, arrows.includes(sign))) ?? null;
}

function isAdjacency(told: SignedLines['told'], byArrow: boolean): boolean {
  if (told.length < fewestLines || told.some(({ below }) => below.length === 0)) return false;
  const several = told.filter(({ below }) => below.length > 1);
  // With one behind each arrow, lines are read as arrows are.
  if (byArrow && several.length === 0) return false;
  const heads = new Set(told.map(({ above }) => foldName(above)));
  if (heads.size < told.length) return false;
  const counts = new Map<string, number>();
  for (const { below } of told)
    for (const name of below) counts.set(foldName(name), (counts.get(foldName(name)) ?? 0) + 1);
  const chained = [...heads].filter((head) => counts.has(head)).length;
  const isAgain = (name: string) => heads.has(foldName(name)) || counts.get(foldName(name))! > 1;
  if (byArrow) return several.some(({ below }) => below.some(isAgain));
  return (
    chained >= Math.max(2, told.length * leastChained) ||
    (chained > 0 && [...counts.values()].some((count) => count > 1))
  );
}

export function readAdjacency(tokens: ListTokens, { told }: SignedLines, choices: ReadChoices): MapReading {
  const maker = new MapMaker(choices);
  const known = new Set(told.map(({ line }) => line));
  for (const { line, above, below } of told) {
    const from = maker.idea(above, line);
    for (const name of below) maker.link(from, maker.idea(name, line), '', line);
  }
  for (const { line, text } of tokens.filled)
    if (!known.has(line))
      maker.notPlaced.push({ line, text, reason: `Line ${line} has not the sign that the others have.` });
  return maker.done('adjacency', { emptyLines: tokens.emptyLines(tokens.filled.length) });
}
