import { beginning } from '../model';
import { titleAbove, type Reading } from '../read';
import type { AnyKind, Diagram } from './diagram';

/** What a diagram is called where neither the list nor anybody says it; such a title is no title of the sheet. */
export const madeUpTitle = (kind: AnyKind): string => `New ${kind.nameInSentence}`;

/** Whether a title was made up, and perhaps numbered since. */
export const isMadeUp = (kind: AnyKind, title: string): boolean =>
  title.startsWith(madeUpTitle(kind)) && /^(?: \(\d{1,4}\))?$/.test(title.slice(madeUpTitle(kind).length));

/** A diagram from what was read of a list, in which nothing stands for a title that nobody gave. */
export function makeDiagram(kind: AnyKind, read: Reading, title: string): Diagram {
  const made = makeTitled(kind, read, beginning(title, longestTitle));
  return isMadeUp(kind, title) ? { ...made, titleBlock: { ...made.titleBlock, title: '' } } : made;
}
const longestTitle = 200;

/** A line above the list that became the title needs no place in the tray beside. */
function makeTitled(kind: AnyKind, read: Reading, title: string): Diagram {
  const above = titleAbove(read);
  if (above === '' || beginning(above, longestTitle) !== title) return kind.make(read, title);
  const at = read.notPlaced.findIndex(({ text }) => text === above);
  return kind.make({ ...read, notPlaced: read.notPlaced.filter((_, i) => i !== at) }, title);
}
