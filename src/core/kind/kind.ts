import type { z } from 'zod';
import type { AnyCommand, CommonCommand, KindEdits, Outcome, Workspace } from '../edit';
import type { Listing, Role } from '../hierarchy';
import type { AnyScope, BoxStyle, DiagramCommon, Finding, LegendChoice, StyleProperty } from '../model';
import type { ColumnUse, Headings, ListTokens, ReadChoices, Reading } from '../read';
import type { Scene, SheetSet } from '../scene';
import type { Explained, LinkKind } from '../style';

/** What speaks for what was read being of a kind, and against it. Kinds are compared by their signs, with weights measured over lists (`diagram/weigh`). */
export interface Fit {
  readonly words: string;
  /** How far each sign is there, 0 to 1, by its name within the kind. */
  readonly signs: Readonly<Record<string, number>>;
  /** Why it is that sure, and what speaks against it, each as a sentence; empty where there is nothing to say. */
  readonly because: string;
  readonly against: string;
}

/** A column of the list beside the name, which is edited in the grid. */
export interface ListColumn {
  readonly id: string;
  readonly name: string;
  readonly type: 'text' | 'number' | 'probability' | 'money' | 'date' | 'choice' | 'entry' | 'picture';
  /** What a number is told in, such as "£" or "%"; left out for none. */
  readonly unit?: string;
  /** Share of the width, the name having 2.2. */
  readonly width: number;
  /** The answers of a choice. */
  readonly choices?: readonly string[];
  /** What the cell of an entry shows. */
  show(diagram: DiagramCommon, entry: string): string;
  /** The gesture that writes what was typed, or why it cannot be taken. */
  write(diagram: DiagramCommon, entry: string, typed: string): CellWritten;
}
export type CellWritten =
  { readonly ok: true; readonly gesture: readonly AnyCommand[] } | { readonly ok: false; readonly reason: string };

/** A sentence of two names and what joins them; empty where nothing says how. */
export interface Said {
  readonly from: string;
  readonly phrase: string;
  readonly to: string;
}

/** A way to draw that is chosen by a word: `--curves ellipses`. */
export interface KindOption<C> {
  readonly name: string;
  readonly choices: Readonly<Record<string, readonly (CommonCommand | C)[]>>;
}

/** The types a kind is made of. */
export interface KindTypes {
  readonly diagram: DiagramCommon;
  readonly listing: Listing;
  readonly reading: Reading;
  readonly scene: Scene;
  readonly figures: unknown;
  /** Commands that only this kind knows. */
  readonly command: AnyCommand;
  /** Scopes that only this kind knows. */
  readonly scope: { readonly kind: string };
  /** What an adding command brings of this kind. */
  readonly belongings: object;
}

/** The schemas that a kind adds to those of all diagrams; commands and scopes are told apart by a literal `kind`. */
export interface KindSchemas<T extends KindTypes> {
  readonly diagram: z.ZodType<T['diagram']>;
  readonly commands: readonly z.ZodType<T['command']>[];
  readonly scopes: readonly z.ZodType<T['scope']>[];
  readonly belongings: z.ZodRawShape;
}

/** All that one kind of diagram brings. A further kind is a further folder with one object of this type, named in `diagram/kinds.ts`. */
/** An arrangement that was searched for, as it goes from thread to thread. */
export interface ArrangedOnce<D> {
  /** Whether the drawing takes less than a frame where no search is needed. */
  restIsQuick(diagram: D): boolean;
  found(diagram: D): unknown;
  /** Takes what was found for a diagram of the same kind. */
  take(diagram: D, found: unknown): void;
}

export interface Kind<T extends KindTypes = KindTypes> {
  readonly id: T['diagram']['kind'];
  readonly name: string;
  /** As it stands within a sentence: "org chart". */
  readonly nameInSentence: string;
  /** "people", "ideas": what the entries are called, one and together. */
  readonly entryNoun: readonly [one: string, many: string];
  /** What its lists hold, as it is asked: "People, and who belongs to whom". */
  readonly holds: string;
  readonly schemas: KindSchemas<T>;

  // What it is
  empty(common: Omit<DiagramCommon, 'kind'>): T['diagram'];
  /** What must hold beyond what holds in every diagram, in words where it does not. */
  broken(diagram: T['diagram']): string[];
  readonly edits: KindEdits<T['diagram']>;
  /** Applies a command that only this kind knows. */
  apply(diagram: T['diagram'], command: T['command'], work: Workspace): Outcome<T['diagram']>;

  /** Adds an entry next to, under, above or beside another in this kind's own way; left out where all kinds' way is right. Null where it has no meaning. */
  adds?(
    diagram: T['diagram'],
    where: 'next' | 'under' | 'above' | 'beside',
    at: string | null,
    newId: () => string,
  ): { readonly added: string; readonly gesture: readonly (CommonCommand | T['command'])[] } | null;

  // Its list
  readonly headings: Headings;
  /** What a column of a table may be, with the words for it. */
  readonly columnUses: readonly { readonly use: ColumnUse; readonly words: string }[];
  readonly columns: readonly ListColumn[];
  /** Those of the columns that a diagram's list shows; left out where it shows all. */
  shownColumns?(diagram: T['diagram']): readonly ListColumn[];
  read(tokens: ListTokens, choices?: ReadChoices): T['reading'];
  /** Whether a table may be read without a row of headings. */
  readonly readsWithoutHeadings?: true;
  /** How the structure was told, as a sentence. */
  told(read: T['reading']): string;
  /** Null where this kind cannot show what was read. */
  fits(read: T['reading']): Fit | null;
  make(read: T['reading'], title: string): T['diagram'];
  /** The name and the details of what was typed as a name, as they are parted when it is pasted; left out where a line says more than these. */
  partTyped?(line: string): { readonly name: string; readonly details: readonly string[] };
  /** What the list itself says it is, for a title; empty where it does not say. */
  titleIn(read: T['reading']): string;
  /** What a report of the reading tells beyond what it tells of every kind, by its key. */
  reported(read: T['reading']): Readonly<Record<string, unknown>>;
  /** The list as a table and as plain text, as `read` takes them back. */
  csv(diagram: T['diagram']): string;
  text(diagram: T['diagram']): string;
  /** Further formats that hold its list, by file ending; left out for none. */
  readonly writes?: Readonly<Record<string, (diagram: T['diagram']) => string>>;
  /** What it says as sentences of two names and a phrase; left out where who stands under whom and the links say all. */
  says?(diagram: T['diagram']): readonly Said[];
  /** How a line of that text is written, for whoever edits it. */
  readonly lineTold: string;
  /** True where indents of that text tell something. */
  readonly indents: boolean;
  /** The gesture that brings a diagram to what a newer text of its list says, and what of it could not be taken. */
  update(
    diagram: T['diagram'],
    text: string,
    newId: () => string,
  ): { readonly gesture: readonly (CommonCommand | T['command'])[]; readonly findings: readonly Finding[] };

  // Its drawing
  /** Ways to draw it that a call from the command line may choose, each by a word. */
  readonly options: readonly KindOption<T['command']>[];
  readonly roles: readonly Role[];
  /** Roles that may be set by hand; others are told from the structure. */
  readonly settableRoles: readonly string[];
  /** Kinds of link it knows, the usual one first; empty where it has none. */
  readonly linkKinds: readonly LinkKind[];
  structure(diagram: T['diagram']): T['listing'];
  styles(diagram: T['diagram'], structure: T['listing']): BoxStyle[];
  /** For each property of its boxes, the value a scope shows and where it comes from; null where the scope is empty or of links. */
  explain(diagram: T['diagram'], structure: T['listing'], scope: AnyScope): Record<StyleProperty, Explained> | null;
  /** Indices of the entries a scope covers. */
  covers(diagram: T['diagram'], structure: T['listing'], scope: AnyScope): number[];
  /** Colours of its drawing beyond those of entries and of the look, in an order that is the same in every look; left out for none. */
  colours?(diagram: T['diagram']): readonly string[];
  /** What a value that a scope of this kind sets is said to come from: "set for the region"; left out for the common ones. */
  readonly originWords: Readonly<Record<string, string>>;
  /** True where making the Scene may take longer than a frame, so that a worker does it. */
  takesLong(diagram: T['diagram']): boolean;
  /** Where most of that time goes into searching for an arrangement, what was found, so that it can go from one thread to another; left out where it does not. */
  readonly arranged?: ArrangedOnce<T['diagram']>;
  scene(diagram: T['diagram'], structure: T['listing'], styles: readonly BoxStyle[]): T['scene'];

  /** What the legend on its sheet can tell. */
  readonly legend: readonly (keyof LegendChoice)[];
  /** True where its drawing is arranged for the sheet, so that orientation and size may be left to it. */
  readonly sheetOpen: boolean;
  /** Sets it over several sheets that print no smaller than `least` points; null where its drawing cannot be parted. */
  readonly set:
    ((diagram: T['diagram'], structure: T['listing'], styles: readonly BoxStyle[], least: number) => SheetSet) | null;
  /** What makes pictures seen that were brought; left out where they always are. */
  showPictures?(diagram: T['diagram']): readonly T['command'][];
  /** Further sheets that can be printed, by the word that asks for one: the diagram as that sheet shows it. */
  readonly sheets: Readonly<Record<string, (diagram: T['diagram']) => T['diagram']>>;

  // What it tells
  check(diagram: T['diagram'], structure: T['listing'], styles: readonly BoxStyle[], scene: T['scene']): Finding[];
  /** What mends a finding, in words and as a gesture; null where it cannot be mended without asking. Left out where nothing can. */
  fix?(
    diagram: T['diagram'],
    structure: T['listing'],
    finding: Finding,
  ): { readonly words: string; readonly gesture: readonly (CommonCommand | T['command'])[] } | null;
  figure(diagram: T['diagram'], structure: T['listing']): T['figures'];
}
