import type { ListTokens, ReadChoices } from '../../../read';
import { isDot, readDot } from './dot';
import { isGraphml, readGraphml } from './graphml';
import { isArrowList, readArrows } from './lines';
import { readMapOutline } from './outline';
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
  if (isArrowList(tokens)) return readArrows(tokens, choices);
  if (table && columns) return readPropositions(tokens, table, columns, choices);
  const indented = tokens.outline.lines.some(({ indent }) => indent > 0);
  return (indented ? null : readSentences(tokens, choices)) ?? readMapOutline(tokens, choices);
}
