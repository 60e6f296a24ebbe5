import { own, type DiagramCommon } from '../model';
import { isReadAsTable, lineOf, ListTokens, type Parting, type TreeVocabulary } from '../read';
import { csvOf } from './csv';
import { tierCount } from './listing';
import { hierarchyOf } from './structure';

/** A list deeper than this is written as a table: its indents alone would be longer than its words. */
export const deepestIndented = 60;

/**
 * The list as plain text, one line an entry: four spaces a tier, name and details parted by tabs, in quotes where they would be read otherwise.
 * Read back by `readOutline`; very deep lists are written as a table, read back by `readTable`. O(characters).
 */
export function outlineText(diagram: DiagramCommon, vocabulary: TreeVocabulary): string {
  const structure = hierarchyOf(diagram.entries);
  if (tierCount(structure) > deepestIndented) return csvOf(diagram, vocabulary);
  const text = (parting: Parting): string =>
    Array.from(structure.outline, (i) => {
      const entry = own(diagram.entries, structure.ids[i]!)!;
      return '    '.repeat(structure.tier[i]! - 1) + lineOf(entry.name, entry.details, parting);
    }).join('\n');
  const usual = text('\t');
  const tokens = new ListTokens(usual, vocabulary.headings);
  return usual !== '' && isReadAsTable(tokens, vocabulary) ? text(' – ') : usual;
}
