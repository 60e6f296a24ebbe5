import type { Gesture } from '../edit';
import type { BoxStyle, Diagram, Finding, KindId, Scope, StyleProperty } from '../model';
import type { ColumnUse, ReadChoices, ReadResult } from '../read';
import type { Scene } from '../scene';
import type { Explained } from '../style';
import type { Structure } from '../tiers';

export type DiagramOf<K extends KindId> = Extract<Diagram, { kind: K }>;

/** How well what was read fits a kind; of several kinds the one with most `strength` is offered first. */
export interface Fit {
  readonly words: string;
  /** 0 to 1. */
  readonly strength: number;
}

/** All that one kind of diagram brings. A further kind is a further file of this type, named in `kinds.ts`. */
export interface Kind<K extends KindId = KindId, Figures = unknown> {
  readonly id: K;
  readonly name: string;
  /** As it stands within a sentence: "org chart". */
  readonly nameInSentence: string;
  /** "people", "ideas": what the entries are called, one and together. */
  readonly entryNoun: readonly [one: string, many: string];
  /** Columns of the list beside the name; each is one detail line. */
  readonly detailColumns: readonly string[];
  /** What a column of a table may be. */
  readonly columnUses: readonly ColumnUse[];
  readonly roles: readonly { readonly id: string; readonly name: string; readonly told: string }[];
  /** Roles that may be set by hand; others are told from the structure. */
  readonly settableRoles: readonly string[];
  read(text: string, choices?: ReadChoices): ReadResult;
  /** How the structure was told, as a sentence. */
  told(read: ReadResult): string;
  /** Null where this kind cannot show what was read. */
  fits(read: ReadResult): Fit | null;
  make(read: ReadResult, title: string): DiagramOf<K>;
  structure(diagram: DiagramOf<K>): Structure;
  styles(diagram: DiagramOf<K>, structure: Structure): BoxStyle[];
  /** For each property, the value a scope shows and where it comes from; null where the scope is empty. */
  explain(diagram: DiagramOf<K>, structure: Structure, scope: Scope): Record<StyleProperty, Explained> | null;
  /** Indices of the entries a scope covers. */
  covers(diagram: DiagramOf<K>, structure: Structure, scope: Scope): number[];
  /** True where making the Scene may take longer than a frame, so that a worker does it. */
  takesLong(diagram: DiagramOf<K>): boolean;
  scene(diagram: DiagramOf<K>, structure: Structure, styles: readonly BoxStyle[]): Scene;
  check(diagram: DiagramOf<K>, structure: Structure, styles: readonly BoxStyle[], scene: Scene): Finding[];
  figure(diagram: DiagramOf<K>, structure: Structure): Figures;
  /** The list as a table and as plain text, as `read` takes them back. */
  csv(diagram: DiagramOf<K>): string;
  text(diagram: DiagramOf<K>): string;
  /** How a line of that text is written, for whoever edits it. */
  readonly lineTold: string;
  /** True where indents of that text tell something. */
  readonly indents: boolean;
  /** The gesture that brings a diagram to what a newer text of its list says, and what of it could not be taken. */
  update(
    diagram: DiagramOf<K>,
    text: string,
    newId: () => string,
  ): { readonly gesture: Gesture; readonly findings: readonly Finding[] };
}
