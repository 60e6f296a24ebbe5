/**
 * What a record holds itself under a key. A record keyed by ids or by people's words must not be asked with `record[key]`: "constructor"
 * and the like would find what every object inherits. A lint rule forbids that form.
 */
export function own<T>(record: Readonly<Record<string, T>>, key: string): T | undefined {
  // All that an object inherits are functions and "__proto__"; the rest is the record's own. This is asked thousands of times a drawing.
  const value = record[key];
  if (typeof value !== 'function' && key !== '__proto__') return value;
  return Object.hasOwn(record, key) ? value : undefined;
}
