import { z } from 'zod';
import { many, run, sql, type Connection } from './database';

/** A feed renews its visit this often; one not renewed for three times as long is over (its process died). */
export const renewMs = 20_000;

export const Visitor = z.object({ name: z.string(), own: z.boolean() });
/** Somebody else's window on the diagram, or another one of the asker's (`own`). */
export type Visitor = z.infer<typeof Visitor>;

const tell = (on: Connection, diagram: string) =>
  run(on, sql`select pg_notify('diagram', ${JSON.stringify({ id: diagram, visits: true })})`);

/** Begins a visit, or renews it; the other windows are told when it is new. */
export async function renewVisit(on: Connection, visit: string, diagram: string, account: string): Promise<void> {
  const renewed = await run(on, sql`update visit set seen_at = now() where id = ${visit}`);
  if (renewed > 0) return;
  await run(on, sql`delete from visit where seen_at < now() - make_interval(secs => ${(3 * renewMs) / 1000})`);
  await run(on, sql`insert into visit (id, diagram, account) values (${visit}, ${diagram}, ${account})`);
  await tell(on, diagram);
}

export async function endVisit(on: Connection, visit: string, diagram: string): Promise<void> {
  if ((await run(on, sql`delete from visit where id = ${visit}`)) > 0) await tell(on, diagram);
}

/** Who else has the diagram open, by name; several windows of one person count once. */
export function othersHere(on: Connection, visit: string, diagram: string, account: string): Promise<Visitor[]> {
  return many(
    on,
    Visitor,
    sql`select distinct account.name, account.id = ${account} as own from visit join account on account.id = visit.account
        where diagram = ${diagram} and visit.id <> ${visit} and seen_at > now() - make_interval(secs => ${(3 * renewMs) / 1000})
        order by own, name`,
  );
}
