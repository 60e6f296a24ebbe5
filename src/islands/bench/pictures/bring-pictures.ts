import { kindOf, type Command } from '../../../core/diagram';
import { ApiError } from '../../shared/api';
import { bringPicture } from '../../shared/bring-picture';
import type { BenchStore } from '../store';
import { entryOfFile } from './entry-of-file';

/**
 * Brings picture files to the entries they are named after, a single one to the entry it was dropped on, else to the selected one, and shows them; one step
 * to undo.
 */
export async function bringPictures(
  store: BenchStore,
  files: readonly File[],
  onto: string | null = null,
): Promise<void> {
  const { diagram, notify, selected } = store.getState();
  const unmatched: string[] = [];
  const told: string[] = [];
  const gesture: Command[] = [];
  const alone = files.length === 1;
  for (const file of files) {
    const entry = (alone ? onto : null) ?? entryOfFile(diagram, file.name) ?? (alone ? selected : null);
    if (entry === null) {
      unmatched.push(file.name);
      continue;
    }
    try {
      gesture.push({ kind: 'setImage', id: entry, image: await bringPicture(file) });
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      told.push(`${file.name}: ${error.message}`);
    }
  }
  if (gesture.length > 0) {
    const now = store.getState().diagram;
    store.getState().perform([...gesture, ...(kindOf(now.kind).showPictures?.(now) ?? [])]);
  }
  if (unmatched.length > 0)
    told.push(
      `No entry is called like ${unmatched.slice(0, 3).join(', ')}${unmatched.length > 3 ? ' …' : ''}. Name the file as the entry, drop it on the entry, or select the entry and bring one picture.`,
    );
  if (told.length > 0) notify(told.slice(0, 4));
}
