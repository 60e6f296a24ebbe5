import { applyGesture, kindOf, type Command, type Diagram } from '../../../core/diagram';
import { addNext, addUnder } from '../../../core/hierarchy';
import { own } from '../../../core/model';
import { ApiError } from '../../shared/api';
import { bringPicture } from '../../shared/bring-picture';
import { newId } from '../../shared/ids';
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
  if (unmatched.length > 0) store.getState().set({ unmatched: [...store.getState().unmatched, ...unmatched] });
  if (told.length > 0) notify(told.slice(0, 4));
}

/** Makes an entry of each file that fits none, called as the file is, with its picture: after the selected one or under it, else last; one step to undo. */
export async function makeEntriesOf(store: BenchStore, files: readonly File[]): Promise<void> {
  const told: string[] = [];
  const brought: { readonly name: string; readonly image: Awaited<ReturnType<typeof bringPicture>> }[] = [];
  for (const file of files) {
    try {
      brought.push({ name: file.name.replace(/\.[^.]*$/, ''), image: await bringPicture(file) });
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      told.push(`${file.name}: ${error.message}`);
    }
  }
  const { diagram, selected } = store.getState();
  let [now, at] = [diagram, selected];
  const gesture: Command[] = [];
  for (const { name, image } of brought) {
    const made = madeNext(now, at, name);
    if (!made) continue;
    const all: Command[] = [...made.gesture, { kind: 'setImage', id: made.added, image }];
    const outcome = applyGesture(now, all);
    if (!outcome.ok) {
      told.push(outcome.reason);
      continue;
    }
    gesture.push(...all);
    [now, at] = [outcome.diagram, made.added];
  }
  if (gesture.length > 0)
    store
      .getState()
      .perform([...gesture, ...(kindOf(now.kind).showPictures?.(now) ?? [])], { ...(at && { select: at }) });
  if (told.length > 0) store.getState().notify(told.slice(0, 4));
}

/** An entry of a name after another, or under one that leads all, in the way of its kind. */
function madeNext(diagram: Diagram, at: string | null, name: string) {
  const { adds } = kindOf(diagram.kind);
  if (!adds) {
    const added = newId();
    // Whoever leads all gets them under it, instead of others beside it at the top.
    const leads =
      at !== null && own(diagram.entries, at)?.parent === null && kindOf(diagram.kind).edits.noneUnderAnother === null;
    const gesture: readonly Command[] = leads
      ? addUnder(diagram, at, { id: added, name })
      : addNext(diagram, at, { id: added, name });
    return { added, gesture };
  }
  const made = adds(diagram, 'next', at, newId);
  return made && { ...made, gesture: [...made.gesture, { kind: 'rename', id: made.added, name } as const] };
}
