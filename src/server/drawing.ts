import { z } from 'zod';
import { database, maybeOne, run, sql } from './database';
import { log } from './log';
import { revisionOf } from './diagrams';
import { picturesIn } from './pictures';
import { Refusal } from './refusal';
import { work } from './work/pool';

const Newest = z.object({
  owner: z.string(),
  body: z.string(),
  revision: z.number(),
});
const Drawn = z.object({ revision: z.number(), svg: z.string().nullable(), problem: z.string().nullable() });

/** Drawings being made in this process, by diagram. */
const making = new Map<string, Promise<void>>();
const waiting = new Map<string, NodeJS.Timeout>();

/** A diagram is drawn for the Desk when it has not been edited for this long. */
const pauseMs = 2500;

/** Draws a diagram for the Desk once its edits pause; what goes wrong is kept and told there. */
export function drawSoon(id: string): void {
  clearTimeout(waiting.get(id));
  const timer = setTimeout(() => {
    waiting.delete(id);
    drawNow(id).catch((error: unknown) => log('drawing', error));
  }, pauseMs);
  timer.unref();
  waiting.set(id, timer);
}

/** Draws the newest revision and keeps drawing and counts. One drawing of a diagram at a time. */
export function drawNow(id: string): Promise<void> {
  const current = making.get(id);
  if (current) return current;
  const made = make(id).finally(() => making.delete(id));
  making.set(id, made);
  return made;
}

async function make(id: string): Promise<void> {
  const pool = database();
  const newest = await maybeOne(
    pool,
    Newest,
    sql`select owner, body::text as body, revision from diagram where id = ${id}
        and not exists (select from drawing where drawing.diagram = diagram.id and drawing.revision = diagram.revision)`,
  );
  if (!newest) return;
  const { owner, body, revision } = newest;
  let svg: string | null = null;
  let problem: string | null = null;
  try {
    const summary = await work(`drawings of ${owner}`, 'summarise', {
      body,
      pictures: await picturesIn(pool, owner, body),
    });
    svg = summary.svg;
    await run(
      pool,
      sql`update diagram set summary_revision = ${revision}, summary_tiers = ${summary.tiers}, summary_findings = ${summary.findings}
          where id = ${id} and revision = ${revision}`,
    );
  } catch (error) {
    // A busy moment passes; anything else is a fault of this diagram, told on the Desk until it changes.
    if (!(error instanceof Refusal) || error.status === 429) throw error;
    problem = error.message;
  }
  await run(
    pool,
    sql`insert into drawing (diagram, revision, svg, problem) select ${id}, ${revision}, ${svg}, ${problem}
        where exists (select from diagram where id = ${id})
        on conflict (diagram) do update set revision = excluded.revision, svg = excluded.svg, problem = excluded.problem, made_at = now()
        where drawing.revision <= excluded.revision`,
  );
}

/** How long a request waits for a drawing that is being made. */
const patienceMs = 20_000;

/** The drawing of a diagram of this account for the Desk, made now where there is none of the newest revision. */
export async function drawingOf(
  account: string,
  id: string,
): Promise<{ readonly svg: string; readonly revision: number }> {
  // Nobody else's is drawn, or even told from one that is not there.
  await revisionOf(database(), account, id);
  const read = () =>
    maybeOne(
      database(),
      Drawn,
      sql`select drawing.revision, svg, problem from drawing join diagram on diagram.id = drawing.diagram
          where drawing.diagram = ${id} and owner = ${account} and drawing.revision = diagram.revision`,
    );
  let drawn = await read();
  if (!drawn) {
    const patience = new Promise<'late'>((resolve) => setTimeout(resolve, patienceMs, 'late').unref());
    if ((await Promise.race([drawNow(id), patience])) === 'late')
      throw new Refusal(503, 'The drawing is still being made.', 5);
    drawn = await read();
  }
  if (!drawn) throw new Refusal(503, 'The drawing is still being made.', 2);
  if (drawn.svg === null) throw new Refusal(422, drawn.problem ?? 'This diagram cannot be drawn.');
  return { svg: drawn.svg, revision: drawn.revision };
}
