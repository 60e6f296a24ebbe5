import type { Diagram } from '../../../core/diagram';
import { foldFileName, foldName, pictureFileOf } from '../../../core/read';

/** The entry whose list names this picture file, else the one that is called as the file is; null for none. */
export function entryOfFile(diagram: Diagram, file: string): string | null {
  const wanted = foldFileName(file);
  const entries = Object.values(diagram.entries);
  const told = entries.find((entry) => {
    const named = pictureFileOf(entry.fields);
    return named !== null && foldFileName(named) === wanted;
  });
  return (told ?? entries.find((entry) => foldName(entry.name) === wanted))?.id ?? null;
}
