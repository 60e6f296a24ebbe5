import type { Diagram } from '../../core/diagram';
import { own } from '../../core/model';
import type { Stands } from '../../core/scene';

/** What is selected, in the order it was picked; the last one leads. */
export type Selection = readonly Stands[];

export const entryPick = (id: string): Stands => ({ for: 'entry', id });
export const linkPick = (id: string): Stands => ({ for: 'link', id });

export const isSame = (a: Stands, b: Stands): boolean => a.for === b.for && a.id === b.id;
export const isPicked = (selection: Selection, one: Stands): boolean => selection.some((other) => isSame(other, one));

/** Ids of the entries among what is selected. */
export const entriesOf = (selection: Selection): string[] =>
  selection.flatMap((one) => (one.for === 'entry' ? [one.id] : []));
export const linksOf = (selection: Selection): string[] =>
  selection.flatMap((one) => (one.for === 'link' ? [one.id] : []));

/** Picked if it was not, let go if it was. */
export const toggled = (selection: Selection, one: Stands): Selection =>
  isPicked(selection, one) ? selection.filter((other) => !isSame(other, one)) : [...selection, one];

/** Without what is no longer there. */
export function stillThere(selection: Selection, { entries, links }: Diagram): Selection {
  const gone = ({ for: what, id }: Stands) =>
    (what === 'entry' && !own(entries, id)) || (what === 'link' && !own(links, id));
  return selection.some(gone) ? selection.filter((one) => !gone(one)) : selection;
}

/** The lines of a list from one to another, both with them, the other last; just the other where the first is not in it. */
export function lineRange(lines: readonly string[], from: string | null, to: string): Selection {
  const [a, b] = [from === null ? -1 : lines.indexOf(from), lines.indexOf(to)];
  if (a < 0 || b < 0) return [entryPick(to)];
  const between = a <= b ? lines.slice(a, b + 1) : lines.slice(b, a + 1).reverse();
  return between.map(entryPick);
}

/** The entry that leads a selection; null where none does. */
export const leadingEntry = (selection: Selection): string | null => {
  const last = selection.at(-1);
  return last?.for === 'entry' ? last.id : null;
};
