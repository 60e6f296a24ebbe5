import type { Reading } from './result';

/** Why the first line of a list is no entry. */
export const aboveTable = 'stands above the table';
export const aboveList = 'stands above the list';

/** The first line above a table or an outline that says what it is; empty where none does, or where it is too long for a title. */
export function titleAbove({ notPlaced }: Reading): string {
  const isAbove = ({ reason }: { readonly reason: string }): boolean =>
    reason.endsWith(`${aboveTable}.`) || reason.endsWith(`${aboveList}.`);
  const told = notPlaced.find(isAbove)?.text ?? '';
  return told.length <= 120 ? told : '';
}
