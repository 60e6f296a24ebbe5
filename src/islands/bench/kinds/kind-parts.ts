import type { ComponentType } from 'react';
import type { Stands } from '../../../core/scene';
import type { Gesture, Drawn, Diagram, Scope } from '../../../core/diagram';
import type { Direction } from '../tree/outline-moves';
import type { Selection } from '../selection';
import type { LinkProperty, StyleProperty } from '../../../core/model';

/** One scope to choose in Style; `among` lets its own kind be chosen in place. */
export interface ScopeChoice {
  readonly scope: Scope;
  readonly words: string;
  readonly among?: {
    readonly label: string;
    readonly options: readonly { readonly scope: Scope; readonly words: string }[];
  };
}

/** What is dragged: an entry, or what the kind lets be dragged besides. */
export interface Grabbed {
  readonly for: string;
  readonly id: string;
}

/** What dropping what is dragged here would do. */
export interface DropPlan {
  readonly words: string;
  /** Null where it would do nothing. */
  readonly gesture: Gesture | null;
  /** What lights up. */
  readonly target: Stands | null;
  /** What is selected afterwards; left out where that stays as it is. */
  readonly picks?: Selection;
  /** The entry or link whose words are typed at once; left out for none. */
  readonly edits?: string;
}

/** What is dragged to where. */
export interface Dragged {
  readonly grabbed: Grabbed;
  readonly selection: Selection;
  /** The entry under the pointer. */
  readonly over: string | null;
  /** In drawing coordinates. */
  readonly x: number;
  readonly y: number;
  /** How far it was dragged. */
  readonly by: { readonly x: number; readonly y: number };
}

/** What one kind of diagram brings to the Bench. */
export interface KindParts {
  /** The list's own grid with its tools. */
  readonly List: ComponentType;
  /** Arrangements and spacing, above the choice of the sheet. */
  readonly Arrangement: ComponentType;
  readonly Figures: ComponentType;
  /** Further ways to hand out, below the files; null for none. */
  readonly HandOut: ComponentType | null;
  /** What can be styled on boxes in a scope, in the order it is shown. */
  properties(scope: Scope): readonly StyleProperty[];
  /** What can be styled on the lines of its structure; left out where they are its links, or where there are none. */
  readonly structureLines?: readonly LinkProperty[];
  /** Properties of links that its drawings cannot have, as the words of links are parts of them. */
  readonly notOfLinks?: readonly LinkProperty[];
  /** False where entries already stand within outlines; left out where some of them can be enclosed. */
  readonly encloses?: false;
  /** True where fills follow from something else than tiers, so that tiers cannot all be coloured at once; left out elsewhere. */
  readonly fillsElsewhere?: true;
  /** What the text of a scope stands on where that is not its fill; left out where it always is. */
  textGround?(diagram: Diagram, scope: Scope): string | null;
  /** Some lines on which the looks are shown. */
  readonly sample: Diagram;
  scopes(diagram: Diagram, drawn: Drawn, scope: Scope, selection: Selection): ScopeChoice[];
  /** The regions that a scope of this kind lights, by their ids; left out where it has none. */
  litRegions?(scope: Scope): readonly string[];
  /** What besides entries can be dragged from a point in drawing coordinates. */
  grab(drawn: Drawn, x: number, y: number, reach: number): Grabbed | null;
  /** True where links can be drawn from one entry to another. */
  readonly drawsLinks: boolean;
  /** What drawing a link to free ground does; left out where it does nothing. */
  linkToGround?(diagram: Diagram, from: string): DropPlan;
  /** True where boxes glide to their new places, so that the eye can follow; left out where they are there at once. */
  readonly glides?: true;
  /** True where keys nudge what is selected off its place. */
  readonly nudges: boolean;
  drop(diagram: Diagram, drawn: Drawn, dragged: Dragged): DropPlan;
  /** The entry that an arrow key goes to from the selected one; null where there is none that way. */
  towards(diagram: Diagram, drawn: Drawn, selected: string, direction: Direction): string | null;
  /** What a key does to the selected entry in the drawing beyond what it does in every kind; null for nothing. */
  keyed(diagram: Diagram, selected: string, key: string): Gesture | null;
}
