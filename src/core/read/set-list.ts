import type { Finding } from '../model';
import type { Column, ReadResult } from './result';

/** One mention of an item in a list, with the sets that the place names. An item without sets is in none. */
export interface Mention {
  readonly line: number;
  readonly name: string;
  readonly details: readonly string[];
  readonly fields: Readonly<Record<string, string>>;
  readonly sets: readonly string[];
}

/** How a list told its sets, before mentions of the same item are brought together. */
export interface SetList {
  readonly told: 'set-columns' | 'set-marks' | 'set-lists' | 'set-lines' | 'set-outline';
  readonly universe: string;
  /** Names of the sets in the order of the list. */
  readonly sets: readonly string[];
  /** True where every mention is an item of its own, also where two have one name. */
  readonly apart: boolean;
  /** What found no place. */
  readonly notPlaced: ReadResult['notPlaced'];
  readonly mentions: readonly Mention[];
  readonly columns: readonly Column[];
  readonly header: boolean;
  readonly findings: readonly Finding[];
}
