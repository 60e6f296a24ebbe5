import { textOfBase64, unfolded } from './base64';
import { listOf, tell, type FormatText, type Item } from './records';

const line = /^([a-z][a-z0-9-]*(?:;[a-z0-9-]+)*):([:<]?)(.*)$/i;

/** Whether a text is LDIF: its first record begins with its distinguished name. */
export function isLdif(text: string): boolean {
  const lines = text.slice(0, 10_000).split(/\r\n|\r|\n/);
  const first = lines.find((one) => one.trim() !== '' && !one.startsWith('#') && !/^version:/i.test(one));
  return first !== undefined && /^dn::? ?\S/i.test(first);
}

/** Attributes that say what a record is for a directory, not who it is. */
const ofDirectory =
  /^(?:objectclass|changetype|version|userpassword|unicodepwd|objectguid|objectsid|jpegphoto|thumbnailphoto)$/i;

/** A distinguished name (RFC 4514) as it is compared. */
const foldDn = (dn: string): string =>
  dn
    .split(/([,=+])/)
    .map((part) => part.trim())
    .join('')
    .toLowerCase();
const firstPart = (dn: string): string =>
  parts(dn)[0]
    ?.replace(/^[^=]*=\s*/, '')
    .replaceAll('\\', '') ?? dn;
const parts = (dn: string): string[] => dn.match(/(?:\\.|[^,\\])+/g) ?? [];

/**
 * LDIF (RFC 2849) as a table: a row a record, a column an attribute, several values of one joined. Where no attribute names other records, who stands under
 * whom is told by the ends of their distinguished names. What is for the directory alone (classes, passwords, photos) is passed over and told. O(characters).
 */
export function ldifText(source: string): FormatText {
  const records: Record[] = [];
  const problems: { line: number; message: string }[] = [];
  const passed = new Set<string>();
  let open: Record | null = null;
  for (const { line: at, text } of unfolded(source)) {
    if (text.startsWith('#') || /^version:/i.test(text)) continue;
    if (text.trim() === '') {
      open = null;
      continue;
    }
    const [, key, sign, rest] = line.exec(text) ?? [];
    if (key === undefined) {
      if (text !== '-')
        problems.push({ line: at, message: `“${text.slice(0, 60)}” is no line of LDIF and was passed over.` });
      continue;
    }
    const name = key.split(';')[0]!;
    const value = sign === ':' ? textOfBase64(rest!) : sign === '<' ? null : rest!.trim();
    if (name.toLowerCase() === 'dn') records.push((open = { line: at, dn: value ?? rest!.trim(), cells: new Map() }));
    else if (ofDirectory.test(name) || value === null) passed.add(name);
    else if (open) tell(open.cells, name, value);
  }
  if (passed.size > 0)
    problems.push({ line: 1, message: `Passed over, as it is for the directory alone: ${[...passed].join(', ')}.` });
  const items = itemsOf(records);
  const told = new Set(items.map((item) => item.line));
  for (const { line: at, dn } of records.filter((record) => !told.has(record.line)).slice(0, 20))
    problems.push({ line: at, message: `“${dn}” names nobody and is named by nobody; it was passed over.` });
  return { format: 'LDIF', ...listOf(items), problems };
}

interface Record {
  readonly line: number;
  readonly dn: string;
  readonly cells: Map<string, string>;
}

function itemsOf(records: readonly Record[]): Item[] {
  const byDn = new Map(records.map((record) => [foldDn(record.dn), record]));
  const naming = new Set<string>();
  const named = new Set<string>();
  for (const { cells } of records)
    for (const [key, value] of cells) {
      const known = value.includes('=')
        ? value
            .split('; ')
            .map(foldDn)
            .filter((dn) => byDn.has(dn))
        : [];
      if (known.length > 0) naming.add(key);
      for (const dn of known) named.add(dn);
    }
  if (naming.size === 0) return underTheirEnds(records);
  // Records that neither name another nor are named are the drawers the others lie in.
  const kept = records.filter(({ dn, cells }) => named.has(foldDn(dn)) || [...naming].some((key) => cells.has(key)));
  const nameOf = namesOf(kept);
  return kept.map((record) => {
    const cells = new Map([['Name', nameOf(record)]]);
    for (const [key, value] of record.cells) {
      const told = naming.has(key)
        ? value
            .split('; ')
            .map((dn) => (byDn.has(foldDn(dn)) ? nameOf(byDn.get(foldDn(dn))!) : dn))
            .join('; ')
        : value;
      if (told !== nameOf(record)) cells.set(key, told);
    }
    return { line: record.line, cells: cells.set('dn', record.dn), below: [] };
  });
}

/** What records are called: by the first attribute that names people and tells all of them apart, else by the first part of their distinguished names. */
function namesOf(records: readonly Record[]): (record: Record) => string {
  const key = ['displayName', 'cn', 'name'].find(
    (one) => new Set(records.map(({ cells }) => cells.get(one))).size === records.length,
  );
  return ({ dn, cells }) => (key ? cells.get(key) : undefined) ?? firstPart(dn);
}

/** Each record below the one whose distinguished name its own ends with, counting from the nearest. */
function underTheirEnds(records: readonly Record[]): Item[] {
  const items = records.map(({ line: at, dn, cells }) => {
    const named =
      parts(dn)[0]
        ?.replace(/^[^=]*=\s*/, '')
        .replaceAll('\\', '') ?? dn;
    return { line: at, cells: new Map([['Name', named], ...cells]), below: [] as Item[] };
  });
  const byDn = new Map(records.map(({ dn }, i) => [foldDn(dn), items[i]!]));
  return items.filter((item, i) => {
    const above = parts(records[i]!.dn);
    for (let k = 1; k < above.length; k++) {
      const holder = byDn.get(foldDn(above.slice(k).join(',')));
      if (holder && holder !== item) {
        holder.below.push(item);
        return false;
      }
    }
    return true;
  });
}
