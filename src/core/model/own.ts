/**
 * What a record holds itself under a key. A record keyed by ids or by people's words must not be asked with `record[key]`: "constructor"
 * and the like would find what every object inherits. A lint rule forbids that form.
 */
export function own<T>(record: Readonly<Record<string, T>>, key: string): T | undefined {
  // What is not there at all, which is the usual answer, is told without asking whose it is.
  const value = record[key];
  return value !== undefined && Object.hasOwn(record, key) ? value : undefined;
}
