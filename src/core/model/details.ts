import type { Entry } from './common';
import type { BoxStyle } from './style';

/** An entry as its box shows it: details that its kind puts before those of the list stand there whatever a style says. */
export interface ShownEntry extends Entry {
  readonly ahead?: number;
}

/** Details in the order that a style tells: those it names first, then the others as they stand in the list. */
export function detailsInOrder(
  { details, ahead = 0 }: Pick<ShownEntry, 'details' | 'ahead'>,
  order: string,
): readonly string[] {
  if (order === '') return details;
  const named = order.split(' ').map((place) => Number(place) - 1 + ahead);
  const told = named.flatMap((k) => (details[k] === undefined ? [] : [details[k]]));
  return [...details.slice(0, ahead), ...told, ...details.filter((_, k) => k >= ahead && !named.includes(k))];
}

/** The details that are drawn; some of them may be empty. */
export const drawnDetails = (
  entry: Pick<ShownEntry, 'details' | 'ahead'>,
  style: Pick<BoxStyle, 'details' | 'detailOrder'>,
): readonly string[] => detailsInOrder(entry, style.detailOrder).slice(0, style.details);
