import { foldName } from './names';
import { ringShare } from './rings';

/** An entry that lines name, with the number of the one above in the list; −1 for none. */
export interface NamedLine {
  readonly line: number;
  readonly name: string;
  readonly parent: number;
}

/** Entries in the order in which lines name them, each once. */
export class NamedEntries {
  readonly all: { line: number; name: string; parent: number }[] = [];
  private readonly numbers = new Map<string, number>();

  /** The number of a name; of a new one the next. */
  add(name: string, line: number): number {
    const key = foldName(name);
    let at = this.numbers.get(key);
    if (at === undefined) this.numbers.set(key, (at = this.all.push({ line, name, parent: -1 }) - 1));
    return at;
  }

  hasRing(): boolean {
    return ringShare(this.all.map(({ parent }) => parent)) > 0;
  }
}
