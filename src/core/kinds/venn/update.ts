import type { CommonCommand } from '../../edit';
import { entryChanges, matchEntries } from '../../hierarchy';
import { beginning, evenKeys, finding, keyBetween, own, type Finding } from '../../model';
import { foldName, nothingRead, withinLimits, type ReadEntry } from '../../read';
import type { VennCommand } from './commands';
import { mostSets, regionKey, setsInOrder, type Venn } from './model';
import { readMembershipLines } from './read/membership-lines';
import { vennText } from './write';

type Command = CommonCommand | VennCommand;

/**
 * The gesture that brings a Venn diagram to what a newer text of its list says, and what of the text could not be taken. Entries found
 * again keep their id, style, picture, and their details where the text tells none; another name in the same place and sets is a new name. A set that goes unnamed stays, empty, unless a new name
 * holds much the same: then it was renamed; where a first line names all sets, one that is not among them and holds nothing goes.
 */
export function updateVenn(
  diagram: Venn,
  text: string,
  newId: () => string,
): { gesture: Command[]; findings: readonly Finding[] } {
  const now = vennText(diagram);
  if (text === now || text.trim() === now) return { gesture: [], findings: [] };
  const sets = setsInOrder(diagram.venn);
  const {
    lines,
    findings,
    sets: inOrder,
  } = readMembershipLines(
    text,
    sets.map(({ name }) => name),
  );
  const plain = { fields: {}, role: null, parent: null };
  const fitted = withinLimits({
    ...nothingRead,
    entries: lines.map(({ name, details }, i): ReadEntry => ({
      id: `line${i}`,
      line: i + 1,
      name,
      details: details ?? [],
      ...plain,
    })),
  });
  const read = fitted.entries;
  const lineOf = new Map(read.map(({ id }, i) => [id, lines[i]!]));
  const idOf = matchEntries(diagram, read, newId, {
    known: ({ id }) =>
      sets
        .filter((set) => own(diagram.venn.members, id)?.includes(set.id))
        .map(({ name }) => foldName(name))
        .sort()
        .join('\n'),
    read: ({ id }) => [...new Set(lineOf.get(id)!.sets.map(foldName))].sort().join('\n'),
  });
  const entries = read.map((one, i) => {
    const known = own(diagram.entries, idOf.get(one.id)!);
    return known && lines[i]!.details === null ? { ...one, details: known.details } : one;
  });
  const told = setChanges(
    diagram,
    lines.map((line, i) => ({ entry: idOf.get(read[i]!.id)!, sets: line.sets })),
    newId,
    inOrder ?? [],
  );
  const wantedSets = (i: number): string[] => [
    ...new Set(lines[i]!.sets.flatMap((name) => told.idOf.get(foldName(name)) ?? [])),
  ];
  const members = lines.flatMap((_, i): Command[] => {
    const entry = idOf.get(read[i]!.id)!;
    const before = regionKey(new Set(own(diagram.venn.members, entry) ?? []));
    const after = regionKey(new Set(wantedSets(i)));
    return before === after ? [] : [{ kind: 'setMembers', entry, sets: after.split(',').filter(Boolean) }];
  });
  return {
    gesture: [
      ...told.changes,
      ...(inOrder ? reordered(diagram, told, inOrder) : []),
      ...entryChanges(diagram, entries, idOf),
      ...members,
      ...(inOrder ? leftOut(diagram, told, [...inOrder, ...lines.flatMap((line) => line.sets)]) : []),
      ...fitted.notPlaced.map((item): Command => ({ kind: 'putInTray', item: { ...item, id: newId() } })),
    ],
    findings: [...findings, ...fitted.findings, ...told.findings],
  };
}

interface SetChanges {
  /** Sets by folded name, as they are to be. */
  readonly idOf: ReadonlyMap<string, string>;
  readonly changes: readonly Command[];
  readonly findings: readonly Finding[];
}

/** New names of sets are those of sets that go unnamed and held much the same, or of further sets. */
function setChanges(
  diagram: Venn,
  lines: readonly { readonly entry: string; readonly sets: readonly string[] }[],
  newId: () => string,
  /** Sets that the text names beside its lines, also such as hold nothing. */
  alsoNamed: readonly string[],
): SetChanges {
  const sets = setsInOrder(diagram.venn);
  const idOf = new Map(sets.map(({ id, name }) => [foldName(name), id]));
  const findings: Finding[] = [];
  const fresh = new Map<string, { name: string; holds: Set<string> }>();
  const named = new Set<string>();
  for (const { entry, sets: own } of lines)
    for (const name of own) {
      const folded = foldName(name);
      named.add(folded);
      if (idOf.has(folded)) continue;
      const known = fresh.get(folded);
      if (known) known.holds.add(entry);
      else {
        if (name.length > 200)
          findings.push(
            finding('too-long', 'warning', `The name of a set may have 200 characters; “${name}” was shortened.`),
          );
        fresh.set(folded, { name: beginning(name, 200), holds: new Set([entry]) });
      }
    }
  for (const name of alsoNamed) {
    const folded = foldName(name);
    named.add(folded);
    if (!idOf.has(folded) && !fresh.has(folded)) fresh.set(folded, { name: beginning(name, 200), holds: new Set() });
  }
  const unnamed = sets.filter(({ name }) => !named.has(foldName(name)));
  const changes: Command[] = [];
  let count = sets.length;
  let last = sets.at(-1)?.order ?? null;
  for (const [folded, { name, holds }] of fresh) {
    const former = unnamed.findIndex(({ id }) => isMuchTheSame(holdersOf(diagram, id), holds));
    if (former >= 0) {
      const { id } = unnamed.splice(former, 1)[0]!;
      idOf.set(folded, id);
      changes.push({ kind: 'changeSet', id, patch: { name } });
    } else if (count === mostSets) {
      const message = `A Venn diagram draws at most ${mostSets} sets; “${name}” is left out.`;
      findings.push(finding('too-many-sets', 'warning', message));
    } else {
      const id = newId();
      const order: string = keyBetween(last, null) ?? evenKeys(1)[0]!;
      [last, count] = [order, count + 1];
      idOf.set(folded, id);
      changes.push({ kind: 'putSet', set: { id, name, order, colour: null }, members: [], regions: {} });
    }
  }
  return { idOf, changes, findings };
}

/** The sets in the order in which the text names them; others after them as they were. */
function reordered(diagram: Venn, { idOf, changes }: SetChanges, inOrder: readonly string[]): Command[] {
  const before = [
    ...setsInOrder(diagram.venn).map(({ id }) => id),
    ...changes.flatMap((one) => (one.kind === 'putSet' ? [one.set.id] : [])),
  ];
  const first = inOrder.flatMap((name) => idOf.get(foldName(name)) ?? []);
  const wanted = [...new Set([...first, ...before])];
  if (wanted.every((id, i) => id === before[i])) return [];
  const keys = evenKeys(wanted.length);
  return wanted.map((id, i): Command => ({ kind: 'changeSet', id, patch: { order: keys[i]! } }));
}

/** Sets that the text does not name, although it names all. */
function leftOut(diagram: Venn, { idOf }: SetChanges, named: readonly string[]): Command[] {
  const kept = new Set(named.flatMap((name) => idOf.get(foldName(name)) ?? []));
  return setsInOrder(diagram.venn).flatMap(({ id }): Command[] => (kept.has(id) ? [] : [{ kind: 'dropSet', id }]));
}

const holdersOf = ({ venn }: Venn, set: string): string[] =>
  Object.keys(venn.members).filter((entry) => own(venn.members, entry)!.includes(set));

/** More than half of all that either holds is held by both. */
function isMuchTheSame(before: readonly string[], after: ReadonlySet<string>): boolean {
  const both = before.filter((id) => after.has(id)).length;
  return both * 2 > before.length + after.size - both;
}
