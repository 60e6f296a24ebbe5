import { applyGesture, kindOf, type Command, type Diagram } from '../../../core/diagram';
import { own } from '../../../core/model';
import { ApiError } from '../../shared/api';
import { bringPicture } from '../../shared/bring-picture';
import { addition } from '../edit-actions';
import type { BenchStore } from '../store';
import { entryOfFile } from './entry-of-file';

/**
 * Brings picture files to the entries they are named after, a single one to the entry it was dropped on, else to the selected one, and shows them; one step
 * to undo. Those that fit no entry wait until it is said what becomes of them.
 */
export async function bringPictures(
  store: BenchStore,
  files: readonly File[],
  onto: string | null = null,
): Promise<void> {
  const { diagram, notify, selected } = store.getState();
  const unmatched: File[] = [];
  const told: string[] = [];
  const gesture: Command[] = [];
  const alone = files.length === 1;
  for (const file of files) {
    const entry = (alone ? onto : null) ?? entryOfFile(diagram, file.name) ?? (alone ? selected : null);
    if (entry === null) {
      unmatched.push(file);
      continue;
    }
    const image = await brought(file, told);
    if (image) gesture.push({ kind: 'setImage', id: entry, image });
  }
  if (gesture.length > 0) {
    const now = store.getState().diagram;
    store.getState().perform([...gesture, ...(kindOf(now.kind).showPictures?.(now) ?? [])]);
  }
  if (unmatched.length > 0) store.getState().set({ unmatched: [...store.getState().unmatched, ...unmatched] });
  if (told.length > 0) notify(told.slice(0, 4));
}

/** Makes an entry of each file that fits none, called as the file is, with its picture: after the selected one or under it, else last; one step to undo. */
export async function makeEntriesOf(store: BenchStore, files: readonly File[]): Promise<void> {
  const told: string[] = [];
  const pictures: { readonly name: string; readonly image: BroughtPicture }[] = [];
  for (const file of files) {
    const image = await brought(file, told);
    if (image) pictures.push({ name: file.name.replace(/\.[^.]*$/, ''), image });
  }
  const { diagram, selected } = store.getState();
  let [now, at] = [diagram, selected];
  const gesture: Command[] = [];
  for (const { name, image } of pictures) {
    const made = addition(now, leadsAll(now, at) ? 'under' : 'next', at);
    if (!made) continue;
    const { added } = made;
    const all: Command[] = [
      ...made.gesture,
      { kind: 'rename', id: added, name },
      { kind: 'setImage', id: added, image },
    ];
    const outcome = applyGesture(now, all);
    if (!outcome.ok) {
      told.push(outcome.reason);
      continue;
    }
    gesture.push(...all);
    [now, at] = [outcome.diagram, added];
  }
  if (gesture.length > 0)
    store
      .getState()
      .perform([...gesture, ...(kindOf(now.kind).showPictures?.(now) ?? [])], { ...(at && { select: at }) });
  if (told.length > 0) store.getState().notify(told.slice(0, 4));
}

/** Whoever leads all gets further entries under it, instead of others beside it at the top. */
const leadsAll = (diagram: Diagram, at: string | null): boolean =>
  at !== null &&
  !kindOf(diagram.kind).adds &&
  kindOf(diagram.kind).edits.noneUnderAnother === null &&
  own(diagram.entries, at)?.parent === null;

type BroughtPicture = Awaited<ReturnType<typeof bringPicture>>;

/** The picture of a file, kept by the server; null where it was refused, which is told. */
async function brought(file: File, told: string[]): Promise<BroughtPicture | null> {
  try {
    return await bringPicture(file);
  } catch (error) {
    if (!(error instanceof ApiError)) throw error;
    told.push(`${file.name}: ${error.message}`);
    return null;
  }
}
