import { pushTo } from '../model';
import { isNear, isWithin, partsStandFor } from './names';

/** What one list may cost; what is beyond is left unmatched, and told, instead of making everybody wait. */
const mostLooks = 250_000;
const mostDistances = 30_000;
/** More candidates than this are not told apart by hand. */
const mostFound = 50;

/**
 * Folded names with an index, in the order they are added, so that near ones are found without looking through all: by their parts for initials
 * and shortened names; by segments for slips of the pen (a name with at most k slips keeps at least one of 2k + 1 segments whole, a swap of
 * neighbours touching two). Names with other numbers in them are never near. O(length) to add; to ask, O(candidates that share a part).
 */
export class NameIndex {
  private readonly names: string[] = [];
  private readonly parts: (readonly string[])[] = [];
  /** Whether a name has a part that is but an initial. */
  private readonly short: boolean[] = [];
  private readonly byPart = new Map<string, number[]>();
  private readonly bySegment = new Map<number, number[]>();
  private segmented = 0;
  private looks = 0;
  private distances = 0;

  /** True once the list has cost so much that no more near names are looked for. */
  get isSpent(): boolean {
    return this.looks > mostLooks || this.distances > mostDistances;
  }

  /** `most`: slips of the pen that are looked for later. */
  constructor(private readonly most: 1 | 2) {}

  /** Adds a name under the next number, from 0. */
  add(name: string): void {
    const at = this.names.push(name) - 1;
    const parts = name.split(' ');
    this.parts.push(parts);
    this.short.push(parts.some((part) => part.length === 1));
    for (const part of new Set(parts)) if (part.length > 1) pushTo(this.byPart, part, at);
  }

  /** Numbers of names that `asked` may stand for, or that stand shortened for it: initials for first names, or one part alone. */
  standingFor(asked: string): number[] {
    const wanted = asked.split(' ');
    const lists = wanted.filter((part) => part.length > 1).map((part) => this.byPart.get(part) ?? []);
    const shortest = lists.filter((list) => list.length > 0).sort((a, b) => a.length - b.length)[0] ?? [];
    const found: number[] = [];
    for (const at of shortest) {
      if (++this.looks > mostLooks || found.length >= mostFound) break;
      const parts = this.parts[at]!;
      if (partsStandFor(wanted, parts) || (this.short[at]! && partsStandFor(parts, wanted)) || isWithin(parts, wanted))
        found.push(at);
    }
    return found;
  }

  /** Numbers of names with at most `slips` slips of the pen against `asked`, in order. */
  near(asked: string, slips: number): number[] {
    if (this.isSpent) return [];
    for (; this.segmented < this.names.length; this.segmented++) {
      const name = this.names[this.segmented]!;
      for (const key of this.segmentsOf(name, numbersIn(name), name.length, 0))
        pushTo(this.bySegment, key, this.segmented);
    }
    const candidates = new Set<number>();
    const numbers = numbersIn(asked);
    for (let length = asked.length - slips; length <= asked.length + slips; length++)
      for (let shift = -slips; shift <= slips; shift++)
        for (const key of this.segmentsOf(asked, numbers, length, shift))
          for (const at of this.bySegment.get(key) ?? []) {
            candidates.add(at);
            if (candidates.size > 500) return [];
          }
    const found: number[] = [];
    for (const at of [...candidates].sort((a, b) => a - b)) {
      if (++this.distances > mostDistances || found.length >= mostFound) break;
      if (isNear(asked, this.names[at]!, slips)) found.push(at);
    }
    return found;
  }

  /**
   * Keys of the segments that a name of `length` characters is cut into, read from `text` moved by `shift`: numbers in which few differ, as
   * what is found by them is looked at once more.
   */
  private segmentsOf(text: string, numbers: number, length: number, shift: number): number[] {
    const count = 2 * this.most + 1;
    if (length < count) return [];
    const keys: number[] = [];
    for (let i = 0; i < count; i++) {
      const from = Math.floor((i * length) / count) + shift;
      const to = Math.floor(((i + 1) * length) / count) + shift;
      if (from < 0 || to > text.length) continue;
      keys.push(hashed(text, from, to, Math.imul(numbers + length, 31) + i));
    }
    return keys;
  }
}

/** The hash FNV-1a (G. Fowler, L. C. Noll, K.-P. Vo) of a stretch of text, begun with a number. */
function hashed(text: string, from: number, to: number, begin: number): number {
  let hash = begin ^ 0x811c9dc5;
  for (let i = from; i < to; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193);
  return hash;
}

/** A number for the digits in a name, which no slip of the pen changes; 0 for none. */
function numbersIn(text: string): number {
  if (!/\d/.test(text)) return 0;
  const numbers = text.replace(/\D+/g, ' ').trim();
  return hashed(numbers, 0, numbers.length, 0);
}
