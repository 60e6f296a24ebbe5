import { titleAbove, type Reading } from '../read';
import type { AnyKind, Diagram } from './diagram';

/** A diagram from what was read of a list. A line above the list that became the title needs no place in the tray beside. */
export function makeDiagram(kind: AnyKind, read: Reading, title: string): Diagram {
  const above = titleAbove(read);
  if (above === '' || above !== title) return kind.make(read, title);
  const at = read.notPlaced.findIndex(({ text }) => text === above);
  return kind.make({ ...read, notPlaced: read.notPlaced.filter((_, i) => i !== at) }, title);
}
