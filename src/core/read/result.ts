import type { Finding } from '../model';
import type { ColumnUse } from './headings';
import type { Separator } from './delimited';

export interface Column {
  readonly index: number;
  readonly header: string;
  readonly use: ColumnUse;
}

/** What the user decided on Start; the list is read again with it. */
export interface ReadChoices {
  readonly structure?: 'outline' | 'table';
  readonly columns?: Readonly<Record<number, ColumnUse>>;
  /** `entry`: the first row is one like the others, whatever it looks like; `heading`: it stands over the others. */
  readonly firstRow?: 'entry' | 'heading';
  /** The kind that was chosen by hand: a long list is read whole as this one too. */
  readonly kind?: string;
  /** What parts the cells of the table, where it was told. */
  readonly separator?: Separator;
  /** By question: the id of an entry, `top`, `add`, or one of its options. */
  readonly answers?: Readonly<Record<string, string>>;
}

/** Whether nobody has said yet what a list is or what its columns are, so that all is open to what it tells itself. */
export const isOpen = ({ structure, columns }: ReadChoices): boolean =>
  structure === undefined && columns === undefined;

/** Something the reader was not sure of. `guess` is what it took meanwhile. */
export interface Question {
  readonly id: string;
  readonly line: number;
  readonly entry: string;
  /** The words of the list that are in doubt. */
  readonly wanted: string;
  /** The whole question, as it is asked. */
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

/** A link that the list tells beside its structure. */
export interface ReadLink {
  readonly from: string;
  readonly to: string;
  readonly line: number;
  readonly kind: string;
  readonly phrase: string;
}

/** What a reader of any kind of diagram makes of a list; a kind adds what only it reads. */
export interface Reading {
  /** How the structure was told, by the reader's own word: `indent`, `parent-column`, `flat` …; `none` where nothing was read. */
  readonly structure: string;
  readonly columns: readonly Column[];
  readonly header: boolean;
  readonly emptyLines: number;
  /** In the order of the list. */
  readonly entries: readonly ReadEntry[];
  readonly links: readonly ReadLink[];
  readonly notPlaced: readonly { readonly line: number; readonly text: string; readonly reason: string }[];
  readonly questions: readonly Question[];
  readonly findings: readonly Finding[];
}

export const nothingRead: Reading = {
  structure: 'none',
  columns: [],
  header: false,
  emptyLines: 0,
  entries: [],
  links: [],
  notPlaced: [],
  questions: [],
  findings: [],
};
