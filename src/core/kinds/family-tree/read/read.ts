import { isOpen, nothingRead, type ListTokens, type ReadChoices } from '../../../read';
import { isGedcom } from './gedcom-lines';
import { readGedcom } from './gedcom';
import { readFamilyOutline } from './outline';
import { familyColumns, headedColumns } from './columns';
import { readFamilyTable } from './table';
import type { FamilyReading } from './result';

export const nothingOfFamily: FamilyReading = { ...nothingRead, people: {}, unions: [], parentage: {}, rest: '' };

/** A family from a GEDCOM file, a table with columns for parents or partners, or an indented outline with partners after + or &. */
export function readFamily(tokens: ListTokens, choices: ReadChoices = {}): FamilyReading {
  if (tokens.refusal) return { ...nothingOfFamily, findings: [tokens.refusal] };
  if (isGedcom(tokens.text)) return readGedcom(tokens.text);
  const { table } = tokens;
  const isOfWays = isOpen(choices) && tokens.hasWays;
  const told = table && choices.structure !== 'outline' && !isOfWays ? familyColumns(table, choices) : null;
  if (table && told) return readFamilyTable(tokens, table, told, choices);
  if (table && choices.structure === 'table')
    return readFamilyTable(tokens, table, headedColumns(table, choices), choices);
  return readFamilyOutline(tokens);
}
