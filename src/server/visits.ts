import { z } from 'zod';
import { many, run, sql, type Connection } from './database';

/** A feed renews its visits this often; one not renewed for three times as long is over (its process died). */
export const renewMs = 20_000;

/** Somebody else's window on the diagram, or another one of the asker's (`own`). */
export interface Visitor {
  readonly name: string;
  readonly own: boolean;
}

/** A window that has a diagram open. */
export interface Visit {
  readonly id: string;
  readonly diagram: string;
  readonly account: string;
}

const tell = async (on: Connection, diagrams: readonly string[]): Promise<void> => {
  if (diagrams.length === 0) return;
  const told = [...new Set(diagrams)].map((id) => JSON.stringify({ id, visits: true }));
  await run(on, sql`select pg_notify('diagram', told) from unnest(${told}::text[]) as told`);
};

/** Begins visits, or renews them; other windows on a diagram are told where one is new. One of a diagram that is gone is passed over. */
export async function renewVisits(on: Connection, visits: readonly Visit[]): Promise<void> {
  if (visits.length === 0) return;
  const [ids, diagrams, accounts] = [
    visits.map(({ id }) => id),
    visits.map(({ diagram }) => diagram),
    visits.map(({ account }) => account),
  ];
  // What stands in a row that was just inserted has no older version.
  const rows = await many(
    on,
    z.object({ diagram: z.string(), fresh: z.boolean() }),
    sql`insert into visit (id, diagram, account)
        select given.id, diagram.id, given.account
        from unnest(${ids}::uuid[], ${diagrams}::text[], ${accounts}::uuid[]) as given (id, diagram, account)
        join diagram on diagram.id = given.diagram
        on conflict (id) do update set seen_at = now()
        returning diagram, xmax = 0 as fresh`,
  );
  const fresh = rows.filter((row) => row.fresh).map(({ diagram }) => diagram);
  if (fresh.length > 0)
    await run(on, sql`delete from visit where seen_at < now() - make_interval(secs => ${(3 * renewMs) / 1000})`);
  await tell(on, fresh);
}

export async function endVisits(on: Connection, visits: readonly string[]): Promise<void> {
  if (visits.length === 0) return;
  const rows = await many(
    on,
    z.object({ diagram: z.string() }),
    sql`delete from visit where id = any(${visits}::uuid[]) returning diagram`,
  );
  await tell(
    on,
    rows.map(({ diagram }) => diagram),
  );
}

const Here = z.object({ diagram: z.string(), account: z.string(), name: z.string(), windows: z.number() });
/** Somebody who has a diagram open, in how many windows. */
export type Here = z.infer<typeof Here>;

/** Who has each of some diagrams open, by name. */
export function whoIsHere(on: Connection, diagrams: readonly string[]): Promise<Here[]> {
  return many(
    on,
    Here,
    sql`select diagram, account, account.name, count(*)::int as windows from visit join account on account.id = visit.account
        where diagram = any(${diagrams}) and seen_at > now() - make_interval(secs => ${(3 * renewMs) / 1000})
        group by diagram, account, account.name order by account.name, account`,
  );
}

/** Of those who are here, the others as one of them sees them: each once by name, and oneself only where another window of one's own is open. */
export function othersOf(here: readonly Here[], account: string): Visitor[] {
  const names = new Set(here.filter((one) => one.account !== account).map(({ name }) => name));
  const self = here.find((one) => one.account === account);
  return [
    ...[...names].map((name) => ({ name, own: false })),
    ...(self && self.windows > 1 ? [{ name: self.name, own: true }] : []),
  ];
}
