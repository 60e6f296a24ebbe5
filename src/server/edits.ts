import type pg from 'pg';
import { z } from 'zod';
import { many, maybeOne, run, sql, withTransaction, type Connection } from './database';
import { drawSoon } from './drawing';
import { notFound, revisionOf, writeIndex } from './diagrams';
import { applyBatch, type AppliedBatch, type ApplyInput } from './work/apply';
import { Together } from './together';
import type { AdmittedBatch } from './work/admit';
import { work } from './work/pool';

/** What became of one gesture; asked again, the same is answered. */
export type Outcome =
  { readonly id: string; readonly revision: number } | { readonly id: string; readonly refused: string };

export interface Edit {
  readonly revision: number;
  readonly id: string;
  /** As JSON; null where the asker sent them itself. */
  readonly commands: string | null;
  /** True where the log begins anew here: the diagram has to be fetched. */
  readonly anew: boolean;
}

export interface Page {
  /** The newest revision there is. */
  readonly revision: number;
  /** What happened after the asker's base, in order; where `more`, only the first part of it. */
  readonly edits: readonly Edit[];
  readonly more: boolean;
}
export interface BatchAnswer extends Page {
  readonly outcomes: readonly Outcome[];
}

const Stored = z.object({ body: z.string(), revision: z.number() });

/** Bodies and batches larger than this are worked on in another thread. */
const largeBody = 400_000;
const largeBatch = 1500;

/**
 * Puts gestures on the newest revision: each becomes one revision, or is refused with its reason where it no longer applies; every one is answered
 * for by its id, also one that arrived before (its answer was lost). Body, log and search index are written in one transaction.
 */
export async function submitBatch(
  pool: pg.Pool,
  account: string,
  id: string,
  batch: AdmittedBatch,
): Promise<BatchAnswer> {
  return queueOf(`${account} ${id}`).add(batch, (batches) => submitTogether(pool, account, id, batches));
}

/** Batches for one diagram that come while others are written wait and are then written together: the diagram is read and written once for all. */
const queues = new Map<string, Together<AdmittedBatch, BatchAnswer>>();
function queueOf(key: string): Together<AdmittedBatch, BatchAnswer> {
  const known = queues.get(key);
  if (known) return known;
  const queue = new Together<AdmittedBatch, BatchAnswer>(() => queues.delete(key));
  queues.set(key, queue);
  return queue;
}

async function submitTogether(
  pool: pg.Pool,
  account: string,
  id: string,
  batches: readonly AdmittedBatch[],
): Promise<BatchAnswer[]> {
  const gestures = batches.flatMap((batch) => batch.gestures);
  const { answers, changed } = await withTransaction(pool, async (tx) => {
    const row = await maybeOne(
      tx,
      Stored,
      sql`select body::text as body, revision from diagram where id = ${id} and owner = ${account} for update`,
    );
    if (!row) throw notFound();
    const known = await knownOutcomes(tx, id, gestures);
    const met = new Set<string>();
    const fresh = gestures.filter((gesture) => {
      const again = known.has(gesture.id) || met.has(gesture.id);
      met.add(gesture.id);
      return !again;
    });
    let revision = row.revision;
    if (fresh.length > 0) {
      const applied = await apply(account, { body: row.body, gestures: fresh });
      const kept = fresh.flatMap((gesture, i) => {
        const outcome = applied.outcomes[i]!;
        if (!outcome.ok) {
          known.set(gesture.id, { id: gesture.id, refused: outcome.reason });
          return [];
        }
        revision++;
        known.set(gesture.id, { id: gesture.id, revision });
        return [{ ...gesture, revision, inverse: outcome.inverse }];
      });
      await writeRefusals(
        tx,
        id,
        fresh.flatMap(({ id: gesture }) => known.get(gesture)!),
      );
      if (applied.body !== null || kept.length > 0)
        await write(tx, { id, account, revision, applied, kept, body: applied.body ?? row.body });
    }
    const answers: BatchAnswer[] = [];
    for (const batch of batches) {
      const sent = new Set(batch.gestures.map((gesture) => gesture.id));
      const page = await pageSince(tx, id, Math.min(batch.base, revision), revision);
      answers.push({
        ...page,
        edits: page.edits.map((edit) => (sent.has(edit.id) ? { ...edit, commands: null } : edit)),
        outcomes: batch.gestures.map((gesture) => known.get(gesture.id)!),
      });
    }
    return { answers, changed: revision > row.revision };
  });
  if (changed) drawSoon(id);
  return answers;
}

const apply = (account: string, input: ApplyInput): Promise<AppliedBatch> | AppliedBatch => {
  const count = input.gestures.reduce((sum, { commands }) => sum + commands.length, 0);
  return input.body.length + count > largeBody || input.gestures.length > largeBatch
    ? work(account, 'applyBatch', { body: input.body, gestures: input.gestures.map(({ commands }) => ({ commands })) })
    : applyBatch(input);
};

async function knownOutcomes(
  tx: Connection,
  id: string,
  gestures: AdmittedBatch['gestures'],
): Promise<Map<string, Outcome>> {
  const asked = gestures.map((gesture) => gesture.id);
  const applied = await many(
    tx,
    z.object({ id: z.string(), revision: z.number() }),
    sql`select gesture as id, revision from edit where diagram = ${id} and gesture = any(${asked})`,
  );
  const refused = await many(
    tx,
    z.object({ id: z.string(), refused: z.string() }),
    sql`select gesture as id, reason as refused from refusal where diagram = ${id} and gesture = any(${asked})`,
  );
  return new Map<string, Outcome>([...refused, ...applied].map((one) => [one.id, one]));
}

async function writeRefusals(tx: Connection, id: string, outcomes: readonly Outcome[]): Promise<void> {
  const refused = outcomes.flatMap((one) => ('refused' in one ? [one] : []));
  if (refused.length === 0) return;
  await run(
    tx,
    sql`insert into refusal (diagram, gesture, reason)
        select ${id}, * from unnest(${refused.map((one) => one.id)}::text[], ${refused.map((one) => one.refused)}::text[])
        on conflict do nothing`,
  );
  await run(tx, sql`delete from refusal where diagram = ${id} and at < now() - interval '30 days'`);
}

interface Writing {
  readonly id: string;
  readonly account: string;
  readonly revision: number;
  readonly applied: AppliedBatch;
  readonly body: string;
  readonly kept: readonly (AdmittedBatch['gestures'][number] & { revision: number; inverse: string | null })[];
}

async function write(tx: Connection, { id, account, revision, applied, kept, body }: Writing): Promise<void> {
  await run(
    tx,
    sql`insert into edit (diagram, account, revision, gesture, commands, inverse, step, manner)
        select ${id}, ${account}, * from unnest(${kept.map((one) => one.revision)}::int[], ${kept.map((one) => one.id)}::text[],
          ${kept.map((one) => one.commands)}::json[], ${kept.map((one) => one.inverse)}::json[],
          ${kept.map((one) => one.step)}::text[], ${kept.map((one) => one.manner)}::text[])`,
  );
  await run(
    tx,
    sql`update diagram set body = ${body}, revision = ${revision}, title = ${applied.title},
        entry_count = case when ${applied.body === null} then entry_count else ${applied.entryCount} end,
        updated_at = now(), updated_by = ${account} where id = ${id}`,
  );
  await writeIndex(tx, id, applied.index);
  await run(tx, sql`select pg_notify('diagram', ${JSON.stringify({ id, revision })})`);
}

const EditRow = z.object({ revision: z.number(), id: z.string(), commands: z.string(), anew: z.boolean() });
const mostEdits = 300;
const mostCharacters = 1_500_000;

/** The log after a revision, in order, as far as fits one answer. The caller has checked who asks. */
async function pageSince(on: Connection, id: string, since: number, newest: number): Promise<Page> {
  const rows =
    since >= newest
      ? []
      : await many(
          on,
          EditRow,
          sql`select revision, gesture as id, commands::text as commands, body is not null as anew from edit
              where diagram = ${id} and revision > ${since} order by revision limit ${mostEdits}`,
        );
  let size = 0;
  const fits = rows.findIndex(({ commands }, i) => (size += commands.length) > mostCharacters && i > 0);
  const edits = fits < 0 ? rows : rows.slice(0, fits);
  const last = edits.at(-1)?.revision ?? since;
  return { revision: newest, edits, more: last < newest };
}

/** What happened to a diagram of this account after a revision. */
export async function editsSince(on: Connection, account: string, id: string, since: number): Promise<Page> {
  const row = await maybeOne(
    on,
    z.object({ revision: z.number() }),
    sql`select revision from diagram where id = ${id} and owner = ${account}`,
  );
  if (!row) throw notFound();
  return pageSince(on, id, since, row.revision);
}

/** The answer as JSON; what stands in the log is passed on as it is. */
export function pageText({
  revision,
  edits,
  more,
  ...rest
}: Page & { readonly outcomes?: readonly Outcome[] }): string {
  const told = edits.map(
    ({ id, commands, anew, revision: at }) =>
      `{"revision":${at},"id":${JSON.stringify(id)}${commands === null ? '' : `,"commands":${commands}`}${anew ? ',"anew":true' : ''}}`,
  );
  return `{"revision":${revision},"more":${more},"outcomes":${JSON.stringify(rest.outcomes ?? [])},"edits":[${told.join(',')}]}`;
}

const Step = z.object({ inverse: z.string(), step: z.string().nullable(), manner: z.enum(['do', 'undo', 'redo']) });
const mostSteps = 200;

/** The account's own newest gestures of a diagram with what takes them back, oldest first, as JSON: what can be undone after opening it again. */
export async function ownSteps(on: Connection, account: string, id: string): Promise<string> {
  await revisionOf(on, account, id);
  const rows = await many(
    on,
    Step,
    sql`select inverse::text as inverse, step, manner from edit join diagram on diagram.id = edit.diagram
        where diagram.id = ${id} and owner = ${account} and account = ${account} and inverse is not null
          and edit.revision > coalesce((select max(revision) from edit as other where other.diagram = ${id} and other.inverse is null), -1)
        order by edit.revision desc limit ${mostSteps}`,
  );
  let size = 0;
  const fits = rows.findIndex(({ inverse }) => (size += inverse.length) > mostCharacters);
  const kept = (fits < 0 ? rows : rows.slice(0, fits)).reverse();
  return `[${kept.map(({ inverse, step, manner }) => `{"inverse":${inverse},"step":${JSON.stringify(step)},"manner":"${manner}"}`).join(',')}]`;
}
