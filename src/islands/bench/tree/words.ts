import type { Diagram } from '../../../core/diagram';
import type { Arrangement } from '../../../core/model';

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
  /** Whether a role can be chosen in a diagram; left out where it always can. */
  choosesRole?(diagram: Diagram): boolean;
  /** "Reporting lines": the lines of the structure; left out where its links are those. */
  readonly lines?: string;
  /** The ways its tiers can stand, the usual first. */
  readonly ways: readonly Way[];
}

/** A way that tiers can stand. */
export interface Way {
  readonly name: string;
  readonly told: string;
  readonly patch: Partial<Arrangement>;
}

export const wayOf = {
  bands: { name: 'Tier bands', told: 'Every tier on a line of its own', patch: { direction: 'down', tiers: 'bands' } },
  compact: {
    name: 'Compact',
    told: 'Each branch right below its head',
    patch: { direction: 'down', tiers: 'compact' },
  },
  right: { name: 'Left to right', told: 'Tiers side by side', patch: { direction: 'right', tiers: 'bands' } },
  columns: {
    name: 'Tier columns',
    told: 'Evenly spaced columns with their names over them',
    patch: { direction: 'right', tiers: 'columns', tierNames: 'drawn' },
  },
  indented: {
    name: 'Indented',
    told: 'A stepped outline, for narrow sheets',
    patch: { direction: 'down', tiers: 'indented' },
  },
} as const satisfies Record<string, Way>;
