import type { BoxStyle, Diagram, Finding, KindId } from '../model';
import type { ReadResult } from '../read';
import type { Scene } from '../scene';
import type { Structure } from '../tiers';

/** All that one kind of diagram brings. A further kind is a further file of this type, named in `kinds.ts`. */
export interface Kind<Figures = unknown> {
  readonly id: KindId;
  readonly name: string;
  /** "people", "ideas": what the entries are called together. */
  readonly entryNoun: string;
  /** Columns of the list beside the name; each is one detail line. */
  readonly detailColumns: readonly string[];
  readonly roles: readonly { readonly id: string; readonly name: string; readonly told: string }[];
  /** Roles that may be set by hand; others are told from the structure. */
  readonly settableRoles: readonly string[];
  /** How well what was read fits, in words; null where this kind cannot show it. */
  fits(read: ReadResult): string | null;
  make(read: ReadResult, title: string): Diagram;
  scene(diagram: Diagram, structure: Structure, styles: readonly BoxStyle[]): Scene;
  check(diagram: Diagram, structure: Structure, styles: readonly BoxStyle[], scene: Scene): Finding[];
  figure(diagram: Diagram, structure: Structure): Figures;
}
