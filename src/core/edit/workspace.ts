/**
 * The records one gesture is at work on. A record is copied the first time the gesture changes it and changed in place from then on, so that a
 * gesture of many commands copies each record once. What was there before the gesture is never changed.
 */
export class Workspace {
  private readonly copied = new WeakSet<object>();

  /** The record with a value under a key: a copy, or the same record where this gesture has copied it already. */
  put<T>(record: Readonly<Record<string, T>>, key: string, value: T): Record<string, T> {
    const copy = this.copyOf(record);
    copy[key] = value;
    return copy;
  }

  /** The record without a key, likewise. */
  drop<T>(record: Readonly<Record<string, T>>, key: string): Record<string, T> {
    if (!Object.hasOwn(record, key)) return record;
    const copy = this.copyOf(record);
    // eslint-disable-next-line @typescript-eslint/no-dynamic-delete
    delete copy[key];
    return copy;
  }

  /** The record that may be changed in place. */
  copyOf<T>(record: Readonly<Record<string, T>>): Record<string, T> {
    if (this.copied.has(record)) return record as Record<string, T>;
    const copy = { ...record };
    this.copied.add(copy);
    return copy;
  }
}
