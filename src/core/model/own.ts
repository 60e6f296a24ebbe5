/**
 * What a record holds itself under a key. A record keyed by ids or by people's words must not be asked with `record[key]`: "constructor"
 * and the like would find what every object inherits. A lint rule forbids that form.
 */
export const own = <T>(record: Readonly<Record<string, T>>, key: string): T | undefined =>
  Object.hasOwn(record, key) ? record[key] : undefined;
