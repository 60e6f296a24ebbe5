import type { Diagram } from '../model';
import type { Command } from './command';

/** Either the new Diagram and the command that takes the change back, or the reason why nothing was changed. */
export type Outcome =
  | { readonly ok: true; readonly diagram: Diagram; readonly inverse: Command }
  | { readonly ok: false; readonly reason: string };

export const done = (diagram: Diagram, inverse: Command): Outcome => ({ ok: true, diagram, inverse });
export const refused = (reason: string): Outcome => ({ ok: false, reason });

/** A copy of a record without some keys. */
export function without<T>(record: Record<string, T>, keys: Iterable<string>): Record<string, T> {
  const gone = new Set(keys);
  return Object.fromEntries(Object.entries(record).filter(([key]) => !gone.has(key)));
}

/** The part of a record whose keys a patch names. */
export function formerValues<T extends object>(record: T, patch: Partial<T>): Partial<T> {
  const former: Partial<T> = {};
  for (const key of Object.keys(patch) as (keyof T)[]) former[key] = record[key];
  return former;
}
