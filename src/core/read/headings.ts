import { foldName } from './names';
import type { ColumnUse } from './result';

/** Headings people use, folded. The first that fits a heading wins. */
const headings: [ColumnUse, RegExp][] = [
  [
    'alsoReportsTo',
    /^(also (reports|answers) to|second(ary)? (manager|supervisor|superior|line)|side link|dotted line.*|functional (manager|line))$/,
  ],
  [
    'reportsTo',
    /^(reports? to|answers? to|manager|managers? name|line manager|supervisor|superior|boss|parent|head|vorgesetzte[rn]?|responsable|superieur|jefe|belongs to|under|managers? (id|no|number)|(reports? to|parent|supervisor) (id|no|number))$/,
  ],
  [
    'id',
    /^(id|no|nr|number|staff (id|no|number)|employee (id|no|number)|personnel (no|number)|personalnummer|code|key)$/,
  ],
  ['role', /^(role|kind|status|type|post status)$/],
  [
    'name',
    /^(name|full name|(surname|last name|family name|name|nachname),? (first name|given name|vorname|forename)|nom,? prenom|apellidos?,? nombre|person|employee|employee name|staff|staff member|who|nom|nombre|vor und nachname|display name|entry|item)$/,
  ],
  [
    'detail',
    /^(details?( \d+)?|title|job title|job|post|position|function|site|place|location|office|department|team|unit|section|division|titel|funktion|stelle|abteilung|fonction|poste|service|cargo)$/,
  ],
];
/** Stands before the name of a field that would be taken for something else. */
export const fieldPrefix = 'Field: ';

/** What a column with this heading is; null where the heading says nothing known. */
export function columnUseOf(heading: string): ColumnUse | null {
  if (heading.startsWith(fieldPrefix)) return 'field';
  if (heading.length > 80) return null;
  const folded = foldName(heading).replace(/[:?]/g, '').trim();
  return headings.find(([, pattern]) => pattern.test(folded))?.[0] ?? null;
}
