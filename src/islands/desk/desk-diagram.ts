/** What the Desk shows of a diagram. */
export interface DeskDiagram {
  readonly id: string;
  readonly kind: string;
  readonly title: string;
  readonly revision: number;
  readonly entries: number;
  readonly tiers: number;
  readonly findings: number;
  readonly changedAt: string;
  readonly changedBy: string;
  readonly binned: boolean;
}
