import type { AnyScope, DiagramCommon, LinkPatch, StylePatch } from '../model';
import type { AddEntries, SetStyle } from './command';
import type { Outcome, Refused } from './outcome';
import type { Workspace } from './workspace';

/** What belongs to entries beyond what every kind keeps of them: added to the command that brings them back. */
export type OwnBelongings = Readonly<Record<string, unknown>>;

/** What a kind says to the edits that every kind has; so the shared edits know no kind. */
export interface KindEdits<D extends DiagramCommon = DiagramCommon> {
  /** What an adding command may bring of this kind, by its keys. */
  readonly ownKeys: readonly string[];
  /** Why entries of this kind do not stand under each other; null where they may. */
  readonly noneUnderAnother: string | null;
  /** The diagram without what it keeps of entries that go, and that. The entries themselves are still there. */
  takeOut(diagram: D, going: ReadonlySet<string>): { readonly rest: D; readonly own: OwnBelongings };
  /** The diagram with what an adding command brings of this kind; refused where it does not belong to the entries added. */
  putBack(
    diagram: D,
    command: AddEntries,
    adding: ReadonlySet<string>,
    work: Workspace,
  ): { readonly ok: true; readonly diagram: D } | Refused;
  /** What a scope of this kind sets itself, without what it takes from wider ones; empty for a scope that is not there. */
  patchOf(diagram: D, scope: AnyScope): StylePatch | LinkPatch;
  /** The scopes of this kind that set something; left out where it has none of its own. */
  ownScopes?(diagram: D): readonly AnyScope[];
  /** Styles a scope that only this kind knows. The value is known to be one of the property. */
  setStyle(diagram: D, command: SetStyle): Outcome<D>;
}

/** For a kind that keeps nothing of entries itself and knows no scopes of its own. */
export const plainEdits = <D extends DiagramCommon>(): KindEdits<D> => ({
  ownKeys: [],
  noneUnderAnother: null,
  takeOut: (diagram) => ({ rest: diagram, own: {} }),
  putBack: (diagram) => ({ ok: true, diagram }),
  patchOf: () => ({}),
  setStyle: () => ({ ok: false, reason: 'This diagram has no such scope.' }),
});
