import { admitBatch, admitDiagram } from './admit';
import { applyBatch, rebuild } from './apply';
import { handOut, printSheet, summarise } from './drawings';

/** All that may take long: pure functions from plain data to plain data, run in a worker thread where what they are given is large. */
export const tasks = { admitBatch, admitDiagram, applyBatch, rebuild, summarise, handOut, printSheet };
export type TaskName = keyof typeof tasks;
export type TaskInput<N extends TaskName> = Parameters<(typeof tasks)[N]>[0];
export type TaskResult<N extends TaskName> = Awaited<ReturnType<(typeof tasks)[N]>>;
