import { readOutline, splitDetails, withinLimits, type ListTokens, type ReadEntry } from '../../../read';
import { isUnknown, noFacts, type Parentage, type Person } from '../model';
import { lifeIn } from './life';
import { partnerSigns } from './partner-signs';
import { FamilyMaker, type FamilyReading } from './result';

/**
 * An indented family: a line is a person or a couple ("Ada + Bo", "Ada & Bo"), the lines below are the children. A line that begins with "+" or "&" is a
 * further partner of the person above it, and what is indented below it are the children of those two.
 */
export function readFamilyOutline(tokens: ListTokens): FamilyReading {
  const signs = partnerSigns(tokens.outline.lines.map(({ whole, text, sign }) => (sign === 'bullet' ? whole : text)));
  // A plus before a name is no bullet where it begins the line of a partner.
  const read = readOutline(tokens, undefined, (line, whole) => ({
    name: signs.further(whole) === null ? line : whole,
    details: [],
  }));
  const maker = new FamilyMaker();
  const entries: ReadEntry[] = [];
  const people = new Map<string, string>();
  const unionOf = new Map<string, readonly string[]>();
  const kinds = new Map<string, Parentage['kind']>();
  /** By what stands above: the last person of the family there. */
  const lastUnder = new Map<string | null, string>();
  const indents = new Map(tokens.outline.lines.map(({ line, indent }) => [`e${line}`, indent]));
  const personFrom = (text: string, line: number, k: number): string => {
    const { name: told, born, died, parentage } = lifeIn(text);
    const { name, details } = splitPerson(told);
    const id = `p${line}${k === 0 ? '' : `-${k + 1}`}`;
    entries.push({ id, line, name, details: [...details], fields: {}, role: null, parent: null });
    const person: Person = { ...noFacts, born, died };
    if (!isUnknown(person)) maker.people[id] = person;
    if (parentage !== null) kinds.set(id, parentage);
    return id;
  };
  for (const each of read.entries) {
    const further = signs.further(each.name);
    const names = further === null ? signs.parted(each.name) : [further];
    const ids = names.map((name, k) => personFrom(name, each.line, k));
    // A further partner is one of the person above on the same indent, where that one has a partner beside; else of the line it is indented below.
    const beside = lastUnder.get(each.parent) ?? null;
    const isLevel = each.parent !== null && indents.get(each.id) === indents.get(each.parent);
    const isBeside = signs.beside && !isLevel && beside !== null && unionOf.get(beside)!.length > 1;
    const above = further === null ? each.parent : isBeside ? beside : (each.parent ?? beside);
    const first = further !== null && above !== null ? people.get(above)! : ids[0]!;
    const partners = further !== null && above !== null ? ids : ids.slice(1);
    people.set(each.id, first);
    if (further === null) lastUnder.set(each.parent, each.id);
    unionOf.set(each.id, partners.length > 0 ? [first, partners[0]!] : [first]);
    // Children on the indent of a partner who stands on a line of their own are of these two, where there was none before.
    if (further !== null && above !== null && unionOf.get(above)?.length === 1)
      unionOf.set(above, [first, ids.at(-1)!]);
    for (const partner of partners) if (partner !== first) maker.union([first, partner], { kind: 'unknown' });
    if (further === null && above !== null)
      maker.child(ids[0]!, maker.union(unionOf.get(above)!), kinds.get(ids[0]!) ?? 'birth');
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
