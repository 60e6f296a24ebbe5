import type { ComponentType } from 'react';
import type { Gesture } from '../../../core/edit';
import type { Drawn } from '../../../core/kind';
import type { BenchStore } from '../store';
import type { Diagram, Scope, StyleProperty } from '../../../core/model';

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
  readonly for: 'entry' | 'set';
  readonly id: string;
}

/** What dropping what is dragged here would do. */
export interface DropPlan {
  readonly words: string;
  /** Null where it would do nothing. */
  readonly gesture: Gesture | null;
  /** What lights up. */
  readonly target: { readonly for: 'entry' | 'region' | 'set'; readonly id: string } | null;
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
  /** What can be styled in a scope, in the order it is shown. */
  properties(scope: Scope): readonly StyleProperty[];
  /** Takes picture files that were dropped; left out where the kind shows no pictures. */
  readonly bringPictures?: (store: BenchStore, files: readonly File[]) => Promise<void>;
  /** Some lines on which the looks are shown. */
  readonly sample: Diagram;
  scopes(diagram: Diagram, drawn: Drawn, scope: Scope, selected: string | null): ScopeChoice[];
  /** What besides entries can be dragged from a point in drawing coordinates. */
  grab(drawn: Drawn, x: number, y: number): Grabbed | null;
  /** `over`: the entry under the pointer; `x`, `y` in drawing coordinates. */
  drop(diagram: Diagram, drawn: Drawn, moving: Grabbed, over: string | null, x: number, y: number): DropPlan;
  /** What a key does to the selected entry in the drawing beyond what it does in every kind; null for nothing. */
  keyed(diagram: Diagram, selected: string, key: string): Gesture | null;
}
