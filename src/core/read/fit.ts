import { beginning, limits, type Finding } from '../model';
import { readFinding } from './codes';
import type { ReadEntry, Reading } from './result';

/** A heading longer than this is shortened to be the name of a field. */
const headingLength = 100;

/**
 * Brings what was read within the limits of a diagram. Nothing is cut in silence: a text that does not fit is shortened where it is drawn and kept
 * whole in the tray, details beyond those that are drawn become fields, and each is told with its line. O(characters).
 */
export function withinLimits<R extends Reading>(result: R): R {
  const findings: Finding[] = [];
  const notPlaced = result.notPlaced.flatMap((item) => inPieces(item));
  const shorten = (text: string, most: number, what: string, of: { line: number; id: string }): string => {
    if (text.length <= most) return text;
    const message = `Line ${of.line}: ${what} has ${text.length.toLocaleString('en')} characters and may have ${most}. It was shortened; the whole is kept in the tray.`;
    findings.push(readFinding('too-long', 'warning', message, { line: of.line, entries: [of.id] }));
    notPlaced.push(
      ...inPieces({ line: of.line, text, reason: `Line ${of.line}: ${what} was too long and is kept whole here.` }),
    );
    return atWord(text, most);
  };
  const fitted = (entry: ReadEntry): ReadEntry => {
    if (fits(entry)) return entry;
    const own = (text: string, most: number, what: string) => shorten(text, most, what, entry);
    const more = entry.details.slice(limits.details).filter(Boolean);
    const given = [
      ...Object.entries(entry.fields),
      ...more.map((detail, i): [string, string] => [`Detail ${limits.details + i + 1}`, detail]),
    ];
    if (more.length > 0) {
      const message = `Line ${entry.line}: ${entry.details.length} details; the first ${limits.details} are drawn, the others are kept as fields.`;
      findings.push(readFinding('many-details', 'note', message, { line: entry.line, entries: [entry.id] }));
    }
    return {
      ...entry,
      name: own(entry.name, limits.nameLength, 'the name'),
      details: entry.details.slice(0, limits.details).map((detail) => own(detail, limits.detailLength, 'a detail')),
      fields: fieldsOf(
        given.map(([heading, value]) => [
          own(heading, headingLength, 'a heading'),
          own(value, limits.detailLength, `“${beginning(heading, 40)}”`),
        ]),
      ),
    };
  };
  const entries = result.entries.map(fitted);
  return { ...result, entries, notPlaced, findings: [...result.findings, ...findings] };
}

function fits({ name, details, fields }: ReadEntry): boolean {
  return (
    name.length <= limits.nameLength &&
    details.length <= limits.details &&
    details.every((detail) => detail.length <= limits.detailLength) &&
    Object.entries(fields).every(([key, value]) => key.length <= headingLength && value.length <= limits.detailLength)
  );
}

/** Up to the last blank that leaves most of it. */
export function atWord(text: string, most: number): string {
  const cut = beginning(text, most);
  const blank = cut.lastIndexOf(' ');
  return (blank > most / 2 ? cut.slice(0, blank) : cut).trim();
}

/** A line too long for one place in the tray, in several. */
export function inPieces(item: Reading['notPlaced'][number]): Reading['notPlaced'][number][] {
  const pieces: Reading['notPlaced'][number][] = [];
  for (let rest = item.text; ;) {
    const piece = beginning(rest, limits.trayLength);
    pieces.push({ ...item, text: piece, reason: beginning(item.reason, 1000) });
    rest = rest.slice(piece.length);
    if (rest === '') return pieces;
  }
}

/** Fields by heading: a second column of one heading is numbered, and an empty or impossible heading is named by its place. */
export function fieldsOf(given: readonly (readonly [heading: string, value: string])[]): Record<string, string> {
  const fields = new Map<string, string>();
  // Of each heading the number from which on none is taken yet.
  const next = new Map<string, number>();
  for (const [heading, value] of given) {
    const plain = heading.replace(/^__proto__$/, 'proto__') || 'Field';
    let name = plain;
    let n = next.get(plain) ?? 2;
    for (; fields.has(name); n++) name = `${beginning(plain, headingLength - 6)} (${n})`;
    next.set(plain, n);
    fields.set(name, value);
  }
  return Object.fromEntries(fields);
}
