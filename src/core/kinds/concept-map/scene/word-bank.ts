import { own } from '../../../model';
import { foldName } from '../../../read';
import type { ConceptMap } from '../model';

/** The words that are left blank, each once, by the alphabet; what a gap is filled from. */
export function blankWords({ entries, links, map }: ConceptMap): string[] {
  const words = Object.keys(map.blanks).flatMap((id) => {
    const told = own(entries, id)?.name ?? own(links, id)?.phrase ?? '';
    return told.trim() === '' ? [] : [told.trim()];
  });
  const once = new Map(words.map((word) => [foldName(word), word]));
  return [...once.values()].sort((a, b) => (foldName(a) < foldName(b) ? -1 : foldName(a) > foldName(b) ? 1 : 0));
}

/** "Words: carry · feed · silt", where the sheet is one to fill in; empty where it is not. */
export function wordBank(diagram: ConceptMap): string {
  if (!diagram.map.manner.blanked) return '';
  const words = blankWords(diagram);
  return words.length === 0 ? '' : `Words: ${words.join('  ·  ')}`;
}
