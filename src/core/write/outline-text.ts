import { own, type Diagram } from '../model';
import { isReadAsTable, lineOf, type Parting } from '../read';
import { structureOf } from '../tiers';
import { csvOf } from './csv';

/** A list deeper than this is written as a table: its indents alone would be longer than its words. */
const deepestIndented = 60;

/**
 * The list as plain text, one line an entry: four spaces a tier, name and details parted by tabs, in quotes where they would be read otherwise.
 * Read back by `readOutline`; very deep lists are written as a table, read back by `readTable`. O(characters).
 */
export function outlineText(diagram: Diagram): string {
  const structure = structureOf(diagram.entries);
  if (structure.tierStart.length - 1 > deepestIndented) return csvOf(diagram);
  const text = (parting: Parting): string =>
    Array.from(structure.outline, (i) => {
      const entry = own(diagram.entries, structure.ids[i]!)!;
      return '    '.repeat(structure.tier[i]! - 1) + lineOf(entry.name, entry.details, parting);
    }).join('\n');
  const usual = text('\t');
  return isReadAsTable(usual) ? text(' – ') : usual;
}
