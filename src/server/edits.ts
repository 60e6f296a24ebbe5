import type pg from 'pg';
import { z } from 'zod';
import { applyGesture, Command } from '../core/edit';
import { openDiagram } from '../core/model';
import { indexEntries, notFound } from './diagrams';
import { many, maybeOne, run, sql, withTransaction, type Connection } from './database';

export const Batch = z.strictObject({
  /** The revision the gestures were made on. */
  base: z.number().int().min(0),
  gestures: z
    .array(z.strictObject({ id: z.string().min(8).max(64), commands: z.array(Command).min(1).max(200_000) }))
    .min(1)
    .max(500),
});
export type Batch = z.infer<typeof Batch>;

export interface Edit {
  readonly revision: number;
  readonly id: string;
  /** Left out where the asker sent them itself. */
  readonly commands?: readonly Command[];
}

export interface BatchAnswer {
  readonly revision: number;
  /** All that happened since the asker's base, in order, its own among it. */
  readonly edits: readonly Edit[];
  readonly refused: readonly { readonly id: string; readonly reason: string }[];
}

const Stored = z.object({ body: z.unknown(), revision: z.number() });

/**
 * Puts gestures on the newest revision: each becomes one revision, or is refused with its reason where it no longer applies. A gesture
 * that arrived before (its answer was lost) is not applied again. Body, log and search index are written in one transaction.
 */
export function submitBatch(pool: pg.Pool, account: string, id: string, batch: Batch): Promise<BatchAnswer> {
  return withTransaction(pool, async (tx) => {
    const row = await maybeOne(
      tx,
      Stored,
      sql`select body, revision from diagram where id = ${id} and owner = ${account} for update`,
    );
    if (!row) throw notFound();
    const asked = batch.gestures.map((gesture) => gesture.id);
    const known = new Set(
      (
        await many(
          tx,
          z.object({ gesture: z.string() }),
          sql`select gesture from edit where diagram = ${id} and gesture = any(${asked})`,
        )
      ).map((one) => one.gesture),
    );
    const before = openDiagram(row.body);
    let diagram = before;
    let revision = row.revision;
    const refused: { id: string; reason: string }[] = [];
    for (const gesture of batch.gestures) {
      if (known.has(gesture.id)) continue;
      const outcome = applyGesture(diagram, gesture.commands);
      if (!outcome.ok) {
        refused.push({ id: gesture.id, reason: outcome.reason });
        continue;
      }
      known.add(gesture.id);
      diagram = outcome.diagram;
      revision++;
      await run(
        tx,
        sql`insert into edit (diagram, revision, gesture, account, commands) values (${id}, ${revision}, ${gesture.id}, ${account}, ${JSON.stringify(gesture.commands)})`,
      );
    }
    if (revision > row.revision) {
      await run(
        tx,
        sql`update diagram set body = ${JSON.stringify(diagram)}, revision = ${revision}, title = ${diagram.title},
            entry_count = ${Object.keys(diagram.entries).length}, updated_at = now(), updated_by = ${account} where id = ${id}`,
      );
      await indexEntries(tx, id, before.entries, diagram.entries);
      await run(tx, sql`select pg_notify('diagram', ${JSON.stringify({ id, revision })})`);
    }
    const sent = new Set(asked);
    const edits = (await editsSince(tx, id, batch.base)).map((edit) =>
      sent.has(edit.id) ? { revision: edit.revision, id: edit.id } : edit,
    );
    return { revision, edits, refused };
  });
}

const EditRow = z.object({ revision: z.number(), gesture: z.string(), commands: z.array(Command) });

/** The log after a revision, in order. The caller has checked who asks. */
export async function editsSince(on: Connection, id: string, since: number): Promise<Required<Edit>[]> {
  const rows = await many(
    on,
    EditRow,
    sql`select revision, gesture, commands from edit where diagram = ${id} and revision > ${since} order by revision`,
  );
  return rows.map((row) => ({ revision: row.revision, id: row.gesture, commands: row.commands }));
}
