/**
 * What a record holds itself under a key. A record keyed by ids or by people's words must not be asked with `record[key]`: "constructor"
 * and the like would find what every object inherits. A lint rule forbids that form.
 */
export function own<T>(record: Readonly<Record<string, T>>, key: string): T | undefined {
  // What is not there at all is told without asking whose it is; what no object inherits is the record's own. This is asked thousands of times a drawing.
  const value = record[key];
  return value !== undefined && (!(key in Object.prototype) || Object.hasOwn(record, key)) ? value : undefined;
}
