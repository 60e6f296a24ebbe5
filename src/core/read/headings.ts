import { withoutEnd } from '../model';
import { foldName } from './names';

/** What a column of a table is, by the word the kind gives it; these are common, a kind may know further ones. */
export type ColumnUse = string;

/** Headings people use, folded, with what a column under them is. The first that fits wins. */
export type Headings = readonly (readonly [use: ColumnUse, heading: RegExp])[];

/** Headings that mean the same in every kind of list. */
export const commonHeadings: Headings = [
  ['alsoUnder', /^(second(ary)? (parent|superior|line)|side link|also (belongs to|under)|dotted line.*)$/],
  ['parent', /^(parent|superior|belongs to|under|head|(parent|superior) (id|no|number))$/],
  ['id', /^(id|no|nr|number|code|key)$/],
  ['role', /^(role|kind|status|type)$/],
  ['tray', /^not placed$/],
  ['linkPhrase', /^(link phrases?|phrases?|linking phrases?)$/],
  ['name', /^(name|nom|nombre|entry|item|display name)$/],
  ['detail', /^(details?( \d+)?|title|place|location|titel)$/],
];

/** Heading of the column that keeps lines without a place in a table of our own. */
export const trayHeading = 'Not placed';

/** Stands before the name of a field that would be taken for something else. */
export const fieldPrefix = 'Field: ';

/** A heading without its line breaks and what is said of it in brackets or by a star. */
export function withoutRemark(heading: string): string {
  let plain = withoutEnd(heading.replace(/\s+/g, ' ').trim(), '* ');
  for (const [open, close] of ['[]', '()'] as const)
    if (plain.endsWith(close!)) plain = plain.slice(0, Math.max(0, plain.lastIndexOf(open!))).trim();
  return plain === '' ? heading : plain;
}

/** What a column with this heading is; null where the heading says nothing known. */
export function columnUseOf(heading: string, headings: Headings): ColumnUse | null {
  if (heading.startsWith(fieldPrefix)) return 'field';
  if (heading.length > 80) return null;
  const folded = foldName(withoutRemark(heading)).replace(/[:?]/g, '').trim();
  return headings.find(([, pattern]) => pattern.test(folded))?.[0] ?? null;
}
