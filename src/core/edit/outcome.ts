import type { DiagramCommon } from '../model';

/** A command of any kind of diagram, as far as what is shared knows it. */
export interface AnyCommand {
  readonly kind: string;
}

/** Either the new diagram and the command that takes the change back, or the reason why nothing was changed. */
export type Outcome<D = DiagramCommon> =
  | { readonly ok: true; readonly diagram: D; readonly inverse: AnyCommand }
  | { readonly ok: false; readonly reason: string };

export interface Refused {
  readonly ok: false;
  readonly reason: string;
}

export const done = <D, C extends AnyCommand>(diagram: D, inverse: C): Outcome<D> => ({ ok: true, diagram, inverse });
export const refused = (reason: string): Refused => ({ ok: false, reason });

/** A copy of a record without some keys. */
export function without<T>(record: Record<string, T>, keys: Iterable<string>): Record<string, T> {
  const gone = new Set(keys);
  return Object.fromEntries(Object.entries(record).filter(([key]) => !gone.has(key)));
}

/** The part of a record whose keys are among some. */
export const within = <T>(record: Record<string, T>, keys: ReadonlySet<string>): Record<string, T> =>
  Object.fromEntries(Object.entries(record).filter(([key]) => keys.has(key)));

/** The part of a record whose keys a patch names. */
export function formerValues<T extends object>(record: T, patch: Partial<T>): Partial<T> {
  const former: Partial<T> = {};
  for (const key of Object.keys(patch) as (keyof T)[]) former[key] = record[key];
  return former;
}
