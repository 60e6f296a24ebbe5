import type { Hierarchy } from '../hierarchy';

/** What stands on one sheet of a set: some heads with all below them, down to those whose branches go on elsewhere. Indices of the hierarchy. */
export interface SheetPlan {
  readonly heads: readonly number[];
  /** Entries shown here without what is below them. */
  readonly cut: ReadonlySet<number>;
}

/** What of a hierarchy in level order is asked for. */
export type Parted = Pick<Hierarchy, 'ids' | 'roots' | 'first' | 'count' | 'parent' | 'outline'>;

/** A branch is never taken for a sheet of its own with fewer entries than this below it. */
const fewestBelow = 2;
const isLarge = (_: number, weight: number): boolean => weight > fewestBelow;
/** Sheets are joined only where together they hold no more than this share of what one should hold. */
const joinedShare = 1.6;

/**
 * Cuts a hierarchy into few sheets. From the lowest heads up, whatever would hold more than `capacity` entries gives away its largest branches; what then
 * does not fit gives away more; neighbours that fit together share a sheet. Only whole branches are cut, so that those who stand under one head are always on one
 * sheet with it. The first sheet holds the top. `printed`: how large a plan prints, as a share of what is wished;
 * `mayCut`: whether an entry may lead a sheet of its own, by how many it has below it with itself. O(entries log entries) and a few calls a sheet.
 */
export function planSheets(
  structure: Parted,
  capacity: number,
  printed: (plan: SheetPlan) => number,
  mayCut: (entry: number, weight: number) => boolean = isLarge,
): SheetPlan[] {
  const { count, first, roots, ids, parent } = structure;
  const n = ids.length;
  const cut = new Set<number>();
  const weight = new Int32Array(n).fill(1);
  const childrenOf = (i: number) => Array.from({ length: count[i]! }, (_, k) => first[i]! + k);
  for (let i = n - 1; i >= 0; i--) {
    for (const c of childrenOf(i)) weight[i]! += weight[c]!;
    if (weight[i]! <= capacity) continue;
    const branches = childrenOf(i).filter((c) => mayCut(c, weight[c]!));
    for (const largest of branches.sort((a, b) => weight[b]! - weight[a]! || a - b)) {
      if (weight[i]! <= capacity) break;
      cut.add(largest);
      weight[i]! -= weight[largest]! - 1;
    }
  }
  const below = (heads: readonly number[]): number[] => {
    const found = [...heads];
    for (let k = 0; k < found.length; k++)
      if (k < heads.length || !cut.has(found[k]!)) found.push(...childrenOf(found[k]!));
    return found;
  };
  const planOf = (heads: readonly number[]): SheetPlan => {
    const all = below(heads);
    return { heads, cut: new Set(all.slice(heads.length).filter((i) => cut.has(i))) };
  };
  /** Gives away a branch anywhere on a sheet: the smallest that should make it fit, by how it prints now, else the largest. */
  const shrink = (heads: readonly number[], ratio: number): boolean => {
    const all = below(heads);
    const spare = Math.ceil(all.length * (1 - ratio ** 2));
    const branches = all
      .slice(heads.length)
      .filter((i) => !cut.has(i) && mayCut(i, weight[i]!) && weight[i]! < weight[heads[0]!]!)
      .sort((a, b) => weight[b]! - weight[a]! || a - b);
    const largest = branches.findLast((i) => weight[i]! - 1 >= spare) ?? branches[0];
    if (largest === undefined) return false;
    cut.add(largest);
    for (let up = parent[largest]!; up >= 0; up = parent[up]!) {
      weight[up]! -= weight[largest]! - 1;
      if (cut.has(up) || heads.includes(up)) break;
    }
    return true;
  };
  const top = Array.from({ length: roots }, (_, r) => r);
  const settled = (heads: readonly number[]): SheetPlan => {
    let plan = planOf(heads);
    for (;;) {
      const ratio = printed(plan);
      if (ratio >= 1 || !shrink(heads, ratio)) return plan;
      plan = planOf(heads);
    }
  };
  const whole = settled(top);
  const place = new Map(Array.from(structure.outline, (i, line) => [i, line]));
  const done: SheetPlan[] = [];
  const handled = new Set<number>();
  for (;;) {
    const next = [...cut].filter((i) => !handled.has(i)).sort((a, b) => place.get(a)! - place.get(b)!)[0];
    if (next === undefined) break;
    handled.add(next);
    done.push(settled([next]));
  }
  return [
    whole,
    ...joined(
      done.sort((a, b) => place.get(a.heads[0]!)! - place.get(b.heads[0]!)!),
      weight,
      capacity,
      printed,
    ),
  ];
}

/** Two plans on one sheet; where one shows the head of the other cut, they grow together again. */
function together(a: SheetPlan, b: SheetPlan): SheetPlan {
  const heads = [...a.heads, ...b.heads].filter((head) => !a.cut.has(head) && !b.cut.has(head));
  return { heads, cut: new Set([...a.cut, ...b.cut].filter((i) => !a.heads.includes(i) && !b.heads.includes(i))) };
}

/** Neighbours on one sheet where they fit on it together. */
function joined(
  plans: readonly SheetPlan[],
  weight: Int32Array,
  capacity: number,
  printed: (plan: SheetPlan) => number,
): SheetPlan[] {
  const sheets: SheetPlan[] = [];
  const holds = ({ heads }: SheetPlan) => heads.reduce((sum, head) => sum + weight[head]!, 0);
  for (const plan of plans) {
    // With the fullest sheet that still takes it, so that few stay half empty; else with one of the emptiest.
    const roomy = sheets
      .map((sheet, k) => ({ k, both: holds(sheet) + holds(plan) }))
      .filter(({ both }) => both <= capacity * joinedShare)
      .sort((a, b) => b.both - a.both || a.k - b.k);
    const found = [...roomy.slice(0, 3), ...roomy.slice(3).slice(-2)]
      .map(({ k }) => ({ k, plan: together(sheets[k]!, plan) }))
      .find((one) => printed(one.plan) >= 1);
    if (found) sheets[found.k] = found.plan;
    else sheets.push(plan);
  }
  return sheets;
}
