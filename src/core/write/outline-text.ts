import type { Diagram } from '../model';
import { structureOf } from '../tiers';

/** One line as the outline shows it: the name, then details after commas. */
function lineOf(name: string, details: readonly string[]): string {
  const shown = details.filter(Boolean);
  return shown.length > 0 ? `${name || '–'}\t${shown.join('\t')}` : name || '–';
}

/** The list as plain text, one line an entry: four spaces a tier, name and details parted by tabs. Read back by `readOutline`. */
export function outlineText(diagram: Diagram): string {
  const structure = structureOf(diagram.entries);
  return Array.from(structure.outline, (i) => {
    const entry = diagram.entries[structure.ids[i]!]!;
    return '    '.repeat(structure.tier[i]! - 1) + lineOf(entry.name, entry.details);
  }).join('\n');
}
