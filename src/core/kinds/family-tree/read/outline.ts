import { readOutline, splitDetails, withinLimits, type ListTokens, type ReadEntry } from '../../../read';
import { isUnknown, noFacts, type Person } from '../model';
import { FamilyMaker, type FamilyReading } from './result';

/** "Ada Quill (1850–1921)" to name and dates; what stands in brackets and is no date stays with the name. */
export function lifeIn(text: string): { readonly name: string; readonly born: string; readonly died: string } {
  const bare = text.trim();
  const open = /[)\]]$/.test(bare) ? Math.max(bare.lastIndexOf('('), bare.lastIndexOf('[')) : -1;
  const name = bare.slice(0, Math.max(0, open)).trim();
  const life = name ? lifeOf(bare.slice(open + 1, -1)) : null;
  return life ? { name, ...life } : { name: bare, born: '', died: '' };
}

const year = String.raw`(?:(?:(?:c\.|ca\.|about|abt|before|bef|after|aft|~)\s*)?\d{3,4}\??|\d{1,2}[./ ](?:\d{1,2}|\p{L}+)[./ ]\d{3,4}|\d{4}-\d{2}-\d{2})`;
const both = new RegExp(`^(${year})?\\s*[–-]\\s*(${year})?$`, 'u');
const yearAlone = /^\d{4}$/;
const one = new RegExp(`^(?:(b\\.?|born|\\*)|(d\\.?|died|†))\\s*(${year})$`, 'u');

function lifeOf(text: string): { born: string; died: string } | null {
  const span = both.exec(text.trim());
  if (span && (span[1] ?? span[2])) return { born: span[1]?.trim() ?? '', died: span[2]?.trim() ?? '' };
  // A year alone is that of birth.
  if (yearAlone.test(text.trim())) return { born: text.trim(), died: '' };
  const event = one.exec(text.trim());
  if (event) return event[1] ? { born: event[3]!, died: '' } : { born: '', died: event[3]! };
  return null;
}

/**
 * An indented family: a line is a person or a couple ("Ada + Bo", "Ada & Bo"), the lines below are the children. A line that begins with "+" or "&" is a
 * further partner of the person above it, and what is indented below it are the children of those two.
 */
export function readFamilyOutline(tokens: ListTokens): FamilyReading {
  // A plus before a name is no bullet here.
  const read = readOutline(tokens, undefined, (line, whole) => ({
    name: whole.startsWith('+') ? whole : line,
    details: [],
  }));
  const maker = new FamilyMaker();
  const entries: ReadEntry[] = [];
  const people = new Map<string, string>();
  const unionOf = new Map<string, readonly string[]>();
  const personFrom = (text: string, line: number, k: number, details: readonly string[]): string => {
    const { name, born, died } = lifeIn(text);
    const id = `p${line}${k === 0 ? '' : `-${k + 1}`}`;
    entries.push({ id, line, name, details: [...details], fields: {}, role: null, parent: null });
    const person: Person = { ...noFacts, born, died };
    if (!isUnknown(person)) maker.people[id] = person;
    return id;
  };
  for (const each of read.entries) {
    const further = /^[+&]/.test(each.name) && each.name.length > 1;
    const { name: told, details } = splitPerson(further ? each.name.slice(1).trim() : each.name);
    const names = further ? [told] : told.split(/(?<=\s)[+&](?=\s)/).map((name) => name.trim());
    const ids = names.map((name, k) => personFrom(name, each.line, k, k === 0 ? details : []));
    // Of further partners on one line each is one of the first.
    const above = each.parent;
    const first = further && above !== null ? people.get(above)! : ids[0]!;
    const partners = further && above !== null ? ids : ids.slice(1);
    people.set(each.id, first);
    unionOf.set(each.id, partners.length > 0 ? [first, partners[0]!] : [first]);
    // Children on the indent of a partner who stands on a line of their own are of these two, where there was none before.
    if (further && above !== null && unionOf.get(above)?.length === 1) unionOf.set(above, [first, ids.at(-1)!]);
    for (const partner of partners) if (partner !== first) maker.union([first, partner], { kind: 'unknown' });
    if (!further && above !== null) maker.child(ids[0]!, maker.union(unionOf.get(above)!));
  }
  const { unions, parentage } = maker;
  return withinLimits({
    ...read,
    entries,
    findings: read.findings,
    ...{ people: maker.people, unions, parentage, rest: '' },
    links: [],
  });
}

/** The person before details parted by tabs or a comma; a plus or an ampersand parts partners, not details. */
export function splitPerson(line: string): { name: string; details: readonly string[] } {
  if (line.includes('\t')) return splitDetails(line);
  const cut = /,\s/.exec(line);
  return cut && cut.index > 0
    ? { name: line.slice(0, cut.index).trim(), details: splitDetails(`x${line.slice(cut.index)}`).details }
    : { name: line, details: [] };
}
