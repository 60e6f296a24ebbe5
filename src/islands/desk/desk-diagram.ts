/** What the Desk shows of a diagram. */
export interface DeskDiagram {
  readonly id: string;
  readonly kind: string;
  readonly title: string;
  readonly revision: number;
  readonly entries: number;
  /** Counts of the newest revision that was drawn; null where none was yet. */
  readonly tiers: number | null;
  readonly findings: number | null;
  /** Why it cannot be drawn or read; null where it can. */
  readonly problem: string | null;
  readonly changedAt: string;
  readonly changedBy: string;
  readonly binned: boolean;
}
