import { isOpen, withoutMarks, type ListTokens, type ReadChoices } from '../../../read';
import { adjacencyOf, readAdjacency } from './adjacency';
import { arrowLine } from './grammar';
import { isDot, readDot } from './dot';
import { isGraphml, readGraphml } from './graphml';
import { isArrowList, readArrows } from './lines';
import { arrowsAreBelow, readMapOutline } from './outline';
import { propositionColumns, readPropositions } from './table';
import { noMapRead, type MapReading } from './result';
import { readSentences } from './sentences';

/** Reads a list of ideas and how they are connected, as it is. Never throws for what stands in it. */
export function readMap(tokens: ListTokens, choices: ReadChoices = {}): MapReading {
  if (tokens.refusal) return { ...noMapRead, findings: [tokens.refusal] };
  if (isGraphml(tokens.text)) return readGraphml(tokens, choices);
  if (isDot(tokens.text)) return readDot(tokens, choices);
  const { table } = tokens;
  const columns = table && choices.structure !== 'outline' ? propositionColumns(table, choices) : null;
  if (table && columns?.header) return readPropositions(tokens, table, columns, choices);
  const listed = adjacencyOf(tokens);
  if (listed) return readAdjacency(tokens, listed, choices);
  const isOfWays = isOpen(choices) && tokens.hasWays;
  if (!isOfWays && isArrowList(tokens) && !arrowsAreBelow(tokens)) return readArrows(tokens, choices);
  if (table && columns) return readPropositions(tokens, table, columns, choices);
  const indented = tokens.outline.lines.some(({ indent }) => indent > 0);
  return (indented ? null : readSentences(tokens, choices)) ?? readMapOutline(tokens, choices);
}

/**
 * A map's own text after it was edited: lines with arrows, and ideas on lines of their own, however few arrows there are. `told`: whether it was written so; else
 * it was a table.
 */
export function readMapText(tokens: ListTokens, told: boolean): MapReading {
  const read = readMap(tokens);
  if (read.structure === 'propositions' || read.structure === 'graphml' || read.structure === 'dot') return read;
  const isOutline = tokens.outline.lines.some(({ indent }) => indent > 0);
  const hasArrows = tokens.source.some((line) => arrowLine(withoutMarks(line.trim())) !== null);
  return !tokens.refusal && (hasArrows || (told && !isOutline)) ? readArrows(tokens) : read;
}
