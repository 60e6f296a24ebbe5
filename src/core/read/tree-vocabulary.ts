import { own } from '../model';
import { commonHeadings, type Headings } from './headings';
import type { Reading } from './result';

/** How a kind speaks of entries that stand under each other. */
export interface TreeWords {
  /** "person", "people". */
  readonly entry: string;
  readonly entries: string;
  /** "reports to", "report to", "also reports to". */
  readonly under: string;
  readonly areUnder: string;
  readonly alsoUnder: string;
  /** What an entry is under: "superiors". */
  readonly parents: string;
  /** "who reports to whom". */
  readonly whichUnderWhich: string;
  /** "who is not in the list". */
  readonly notInList: string;
  /** What to do about it: "Add that person or correct the name". */
  readonly addOrCorrect: string;
  /** "someone else". */
  readonly other: string;
}

/** The words of a list by which a kind tells roles. */
export interface RoleWords {
  /** The role that a cell of a role column names, `none` for none at all; null for any other word. */
  ofCell(cell: string): string | null;
  /** True where nothing is lost when only the role is kept of the cell. */
  isPlain(cell: string): boolean;
  ofName(name: string): string | null;
  ofDetail(detail: string): string | null;
  /** A role that nobody has who has others under it. */
  readonly leafOnly: string | null;
  /** A role of which several may have one name. */
  readonly repeated: string | null;
}

/** What the reader and the writer of a kind's lists need to know of it, where its entries stand under each other. */
export interface TreeVocabulary {
  readonly headings: Headings;
  /** The headings that a written table has. */
  readonly written: { readonly parent: string; readonly alsoUnder: string; readonly details: readonly string[] };
  /** The kind of link that a further parent becomes. */
  readonly linkKind: string;
  readonly words: TreeWords;
  readonly roles: RoleWords;
  /** Whether "Saws: fretsaw, bow saw" tells what belongs to what where no other line says so. */
  readonly classesAlone?: boolean;
}

export const noRoles: RoleWords = {
  ofCell: () => null,
  isPlain: () => false,
  ofName: () => null,
  ofDetail: () => null,
  leafOnly: null,
  repeated: null,
};

/** Headings that speak of what this kind has above an entry, and not of whatever stands above. */
export const ownParents = ({ headings }: TreeVocabulary): Headings =>
  headings.filter((one) => one[0] === 'parent' && !commonHeadings.includes(one));

/** By what a list tells its structure, where no single column does, in words for people. */
export function structureTold({ structure }: Pick<Reading, 'structure'>, { whichUnderWhich }: TreeWords): string {
  const told: Readonly<Record<string, string>> = {
    levels: 'Each column is a level, from the top one on.',
    'level-column': 'A column tells the tier of each row.',
    'path-column': 'A column tells the way to each row from the top.',
    'path-lines': 'Each line tells the way from the top.',
    'class-lines': 'Each line names what stands above, then what stands under it.',
    'signed-lines': `A sign in each line tells ${whichUnderWhich}.`,
    sentences: `Sentences tell ${whichUnderWhich}.`,
    indent: `Indents tell ${whichUnderWhich}.`,
  };
  return own(told, structure) ?? `Nothing tells ${whichUnderWhich} yet.`;
}
