import type { Command, Diagram } from '../../core/diagram';
import { own } from '../../core/model';

/** What somebody typed, and of which entry. */
export interface Typed {
  /** The name of the entry as it is here; null where it belongs to none. */
  readonly whose: string | null;
  readonly words: readonly string[];
}

/** Under these names commands hold what was typed. */
const typed = new Set([
  ...['name', 'details', 'fields', 'phrase', 'text', 'title', 'subtitle', 'author', 'date', 'label', 'question'],
  ...['born', 'died', 'place', 'words', 'note', 'unit', 'value'],
]);

/** The words in commands that somebody may want back, each with the entry that it is of. */
export function typedIn({ entries }: Diagram, commands: readonly Command[]): Typed[] {
  return commands.flatMap((command): Typed[] => {
    const given: Readonly<Record<string, unknown>> = { ...command };
    const of = given.id ?? given.entry;
    const words = wordsIn(given, false);
    const entry = typeof of === 'string' ? own(entries, of) : undefined;
    return words.length > 0 ? [{ whose: entry ? entry.name || 'An entry without a name' : null, words }] : [];
  });
}

function wordsIn(value: unknown, isTyped: boolean): string[] {
  if (typeof value === 'string') return isTyped && value.trim() !== '' ? [value] : [];
  if (Array.isArray(value)) return value.flatMap((each) => wordsIn(each, isTyped));
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([key, each]) => wordsIn(each, isTyped || typed.has(key)));
}
