import { isBesideLine, sizesBelow, tierCount, type Hierarchy } from '../../hierarchy';
import { own } from '../../model';
import type { OrgChart } from './model';
import { orgRoles } from './words';

export interface OrgFigures {
  readonly people: number;
  readonly vacancies: number;
  readonly tiers: readonly {
    readonly tier: number;
    readonly name: string | null;
    readonly filled: number;
    readonly vacant: number;
    readonly managers: number;
  }[];
  /** Managers by span, widest first; equal spans in level order. */
  readonly managers: readonly ManagerFigures[];
  readonly spans: {
    readonly mean: number | null;
    readonly median: number | null;
    readonly widest: number | null;
    /** How many managers have each span, from 1 up to the widest; past 40 only the spans that occur. */
    readonly counts: readonly { readonly span: number; readonly managers: number }[];
  };
}

export interface ManagerFigures {
  readonly id: string;
  readonly name: string;
  readonly tier: number;
  /** Direct reports, vacant posts and assistants among them. */
  readonly span: number;
  readonly vacant: number;
  /** All entries under this one. */
  readonly below: number;
  /** Possible relationships with and among the direct reports (V. A. Graicunas 1933). */
  readonly relationships: number;
}

/** n(2^(n−1) + n − 1) relationships of a superior with n subordinates. V. A. Graicunas, "Relationship in Organization", 1933. */
export const graicunas = (n: number): number => n * (2 ** (n - 1) + n - 1);

/** Headcount, spans of control and vacancies. O(entries log entries). */
export function figureOrgChart(diagram: OrgChart, structure: Hierarchy): OrgFigures {
  const below = sizesBelow(structure);
  const vacant = (i: number): boolean => own(diagram.entries, structure.ids[i]!)!.role === 'vacancy';
  const tiers = Array.from({ length: tierCount(structure) }, (_, t) => {
    const members = Array.from(
      { length: structure.tierStart[t + 1]! - structure.tierStart[t]! },
      (__, k) => structure.tierStart[t]! + k,
    );
    const empty = members.filter(vacant).length;
    return {
      tier: t + 1,
      name: own(diagram.tiers, String(t + 1))?.name ?? null,
      filled: members.length - empty,
      vacant: empty,
      managers: members.filter((i) => structure.count[i]! > 0).length,
    };
  });
  const managers: ManagerFigures[] = [];
  structure.ids.forEach((id, i) => {
    const span = structure.count[i]!;
    if (span === 0) return;
    const reports = Array.from({ length: span }, (_, k) => structure.first[i]! + k);
    managers.push({
      id,
      name: own(diagram.entries, id)!.name,
      tier: structure.tier[i]!,
      span,
      vacant: reports.filter(vacant).length,
      below: below[i]!,
      relationships: graicunas(reports.filter((r) => !isBesideLine(diagram, structure, r, orgRoles)).length),
    });
  });
  const spans = managers.map((manager) => manager.span).sort((a, b) => a - b);
  managers.sort((a, b) => b.span - a.span);
  const vacancies = tiers.reduce((sum, tier) => sum + tier.vacant, 0);
  return {
    people: structure.ids.length - vacancies,
    vacancies,
    tiers,
    managers,
    spans: { ...spread(spans), counts: countsOf(spans) },
  };
}

function spread(sorted: readonly number[]): { mean: number | null; median: number | null; widest: number | null } {
  const n = sorted.length;
  if (n === 0) return { mean: null, median: null, widest: null };
  const middle = (sorted[Math.floor((n - 1) / 2)]! + sorted[Math.ceil((n - 1) / 2)]!) / 2;
  return { mean: sorted.reduce((sum, span) => sum + span, 0) / n, median: middle, widest: sorted[n - 1]! };
}

function countsOf(sorted: readonly number[]): { span: number; managers: number }[] {
  const counts = new Map<number, number>();
  for (const span of sorted) counts.set(span, (counts.get(span) ?? 0) + 1);
  const widest = sorted.at(-1) ?? 0;
  if (widest > 40) return [...counts].map(([span, managers]) => ({ span, managers }));
  return Array.from({ length: widest }, (_, i) => ({ span: i + 1, managers: counts.get(i + 1) ?? 0 }));
}
