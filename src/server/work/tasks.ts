import { admitBatch, admitDiagram, type Admitted } from './admit';
import { applyBatch, rebuild, type IndexChanges } from './apply';
import { handOut, printSheet, summarise } from './drawings';

export interface ApplyInput {
  readonly body: string;
  readonly gestures: readonly Pick<Admitted, 'commands'>[];
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

/** All that may take long: pure functions from plain data to plain data, run in a worker thread where what they are given is large. */
export const tasks = { admitBatch, admitDiagram, applyBatch, rebuild, summarise, handOut, printSheet };
export type TaskName = keyof typeof tasks;
export type TaskInput<N extends TaskName> = Parameters<(typeof tasks)[N]>[0];
export type TaskResult<N extends TaskName> = Awaited<ReturnType<(typeof tasks)[N]>>;
