import type { Finding } from '../model';

export const columnUses = [
  'name',
  'reportsTo',
  'alsoReportsTo',
  'id',
  'detail',
  'role',
  'set',
  'field',
  'leftOut',
] as const;
export type ColumnUse = (typeof columnUses)[number];

export interface Column {
  readonly index: number;
  readonly header: string;
  readonly use: ColumnUse;
}

/** What the user decided on Start; the list is read again with it. */
export interface ReadChoices {
  readonly structure?: 'outline' | 'table';
  readonly columns?: Readonly<Record<number, ColumnUse>>;
  /** By question: the id of an entry, `top`, or `add`. */
  readonly answers?: Readonly<Record<string, string>>;
}

/** Something the reader was not sure of. `guess` is what it took meanwhile. */
export interface Question {
  readonly id: string;
  readonly line: number;
  readonly entry: string;
  readonly wanted: string;
  readonly text: string;
  readonly guess: string | null;
  readonly candidates: readonly { readonly id: string; readonly name: string; readonly line: number }[];
  readonly answered: boolean;
  /** The answers to choose among, where they are not entries. */
  readonly options?: readonly { readonly value: string; readonly words: string }[];
}

export interface ReadEntry {
  readonly id: string;
  readonly line: number;
  readonly name: string;
  readonly details: readonly string[];
  readonly fields: Readonly<Record<string, string>>;
  readonly role: string | null;
  readonly parent: string | null;
}

export interface ReadResult {
  /** How the structure was told. */
  readonly structure:
    'indent' | 'reports-to' | 'flat' | 'set-columns' | 'set-marks' | 'set-lists' | 'set-lines' | 'set-outline' | 'none';
  readonly columns: readonly Column[];
  readonly header: boolean;
  readonly emptyLines: number;
  /** In the order of the list. */
  readonly entries: readonly ReadEntry[];
  readonly links: readonly { readonly from: string; readonly to: string; readonly line: number }[];
  readonly notPlaced: readonly { readonly line: number; readonly text: string; readonly reason: string }[];
  /** Sets with the ids of their items, and what they are all taken from; only where sets are read. */
  readonly sets: readonly { readonly name: string; readonly items: readonly string[] }[];
  readonly universe: string;
  readonly questions: readonly Question[];
  readonly findings: readonly Finding[];
}

export const nothingRead: ReadResult = {
  structure: 'none',
  columns: [],
  header: false,
  emptyLines: 0,
  entries: [],
  links: [],
  notPlaced: [],
  sets: [],
  universe: '',
  questions: [],
  findings: [],
};
