import { applyGesture, Command, brokenReferences, Diagram, openDiagram } from '../../core/diagram';
import { own, type Entry } from '../../core/model';
import { z } from 'zod';

export interface ApplyInput {
  readonly body: string;
  readonly gestures: readonly { readonly commands: string }[];
}

export type GestureOutcome =
  { readonly ok: true; readonly inverse: string | null } | { readonly ok: false; readonly reason: string };

export interface AppliedBatch {
  /** The new body as JSON; null where nothing changed. */
  readonly body: string | null;
  readonly title: string;
  readonly entryCount: number;
  /** One for each gesture, in order. */
  readonly outcomes: readonly GestureOutcome[];
  readonly index: IndexChanges;
}

/** An inverse longer than this is not kept: such a step cannot be undone after the diagram was closed. */
const longestInverse = 2_000_000;

/**
 * Puts gestures onto a stored body. What is returned holds to the schema and to every invariant; a gesture that would break them is refused
 * like one that no longer applies.
 */
export function applyBatch({ body, gestures }: ApplyInput): AppliedBatch {
  const before = openDiagram(JSON.parse(body));
  let diagram = before;
  const outcomes: GestureOutcome[] = [];
  for (const { commands } of gestures) {
    const outcome = applyGesture(diagram, z.array(Command).parse(JSON.parse(commands)));
    if (!outcome.ok) {
      outcomes.push({ ok: false, reason: outcome.reason });
      continue;
    }
    const problem = problemOf(diagram, outcome.diagram);
    if (problem) {
      outcomes.push({ ok: false, reason: `The diagram would not hold together: ${problem}.` });
      continue;
    }
    diagram = outcome.diagram;
    const inverse = JSON.stringify(outcome.inverse);
    outcomes.push({ ok: true, inverse: inverse.length <= longestInverse ? inverse : null });
  }
  if (diagram === before) return { body: null, title: diagram.title, entryCount: 0, outcomes, index: nothing };
  return {
    body: JSON.stringify(diagram),
    title: diagram.title,
    entryCount: Object.keys(diagram.entries).length,
    outcomes,
    index: indexChanges(before, diagram),
  };
}

/** What of the shape or the invariants a change broke; null where all hold. Entries that kept their identity are not looked at again. */
function problemOf(before: Diagram, after: Diagram): string | null {
  const changed = Object.entries(after.entries).filter(([id, entry]) => own(before.entries, id) !== entry);
  const shape = Diagram.safeParse({ ...after, entries: Object.fromEntries(changed) });
  if (!shape.success) return shape.error.issues[0]!.message;
  return brokenReferences(after)[0] ?? null;
}

export interface IndexChanges {
  readonly gone: readonly string[];
  readonly ids: readonly string[];
  readonly names: readonly string[];
  readonly texts: readonly string[];
}
const nothing: IndexChanges = { gone: [], ids: [], names: [], texts: [] };

/** What brings the search index from one state of the entries to the next; entries that kept their identity are passed over. */
export function indexChanges(
  from: Pick<Diagram, 'entries' | 'links'>,
  to: Pick<Diagram, 'entries' | 'links'>,
): IndexChanges {
  const { entries: before } = from;
  const { entries: after } = to;
  const [saidBefore, said] = [phrasesOf(from.links), phrasesOf(to.links)];
  const changed = Object.values(after).filter((entry) => {
    const old = own(before, entry.id);
    return (
      !old ||
      old.name !== entry.name ||
      old.details !== entry.details ||
      old.fields !== entry.fields ||
      saidBefore.get(entry.id) !== said.get(entry.id)
    );
  });
  return {
    gone: Object.keys(before).filter((id) => !own(after, id)),
    ids: changed.map(({ id }) => id),
    names: changed.map(({ name }) => name),
    texts: changed.map((entry) => searchText(entry, said.get(entry.id) ?? '')),
  };
}

const searchText = ({ name, details, fields }: Entry, phrases: string): string =>
  [name, ...details, ...Object.values(fields), phrases].join(' ').trim().toLowerCase();

/** The words on the links from each entry. */
function phrasesOf(links: Diagram['links']): ReadonlyMap<string, string> {
  const phrases = new Map<string, string>();
  for (const { from, phrase } of Object.values(links))
    if (phrase !== '') phrases.set(from, `${phrases.get(from) ?? ''} ${phrase}`.trim());
  return phrases;
}

/** The diagram as far as a log leads from a body: edits are applied until one cannot be. */
export function rebuild({ body, edits }: { readonly body: string; readonly edits: readonly string[] }): {
  readonly body: string;
  readonly applied: number;
} {
  let diagram = openDiagram(JSON.parse(body));
  let applied = 0;
  for (const commands of edits) {
    const parsed = z.array(Command).safeParse(JSON.parse(commands));
    const outcome = parsed.success ? applyGesture(diagram, parsed.data) : null;
    if (!outcome?.ok) break;
    diagram = outcome.diagram;
    applied++;
  }
  return { body: JSON.stringify(diagram), applied };
}
