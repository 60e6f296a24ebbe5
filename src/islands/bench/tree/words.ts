/** How a kind whose entries stand under each other speaks of them on the Bench. */
export interface TreeBenchWords {
  /** "Manager (has reports)": the role of whoever has others under it, as the choice of a role says it; empty where there is none. */
  readonly leading: string;
  /** What is said while a branch is dragged over nothing: "drop on whom to report to". */
  readonly dropHint: string;
  /** "will report to", "reports to". */
  readonly willBeUnder: string;
  /** "manager": who leads a branch, within a sentence. */
  readonly head: string;
  /** "Reports who lead nobody": entries with none below them. */
  readonly leaves: string;
  readonly isUnder: string;
}
