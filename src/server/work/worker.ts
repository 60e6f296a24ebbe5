import { Refusal } from '../refusal';
import { tasks, type TaskName } from './tasks';

/** A refusal's words and status do not survive the way between threads as an Error, so they travel as data. */
export type Told =
  | { readonly ok: true; readonly result: unknown }
  | { readonly ok: false; readonly status: Refusal['status']; readonly message: string };

/** Runs one task in this thread. Started by piscina, which wants a default export. */
async function run({ name, input }: { readonly name: TaskName; readonly input: unknown }): Promise<Told> {
  try {
    return { ok: true, result: await (tasks[name] as (given: unknown) => unknown)(input) };
  } catch (error) {
    if (error instanceof Refusal) return { ok: false, status: error.status, message: error.message };
    throw error;
  }
}

// eslint-disable-next-line no-restricted-exports
export default run;
