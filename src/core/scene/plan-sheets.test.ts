import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { hierarchyOf, type Hierarchy } from '../hierarchy';
import { diagramFromParents, parents } from '../testing/arbitrary';
import { planSheets, type SheetPlan } from './plan-sheets';

const hierarchy = (list: readonly number[]): Hierarchy => hierarchyOf(diagramFromParents(list).entries);
const childrenOf = ({ first, count }: Hierarchy, i: number) =>
  Array.from({ length: count[i]! }, (_, k) => first[i]! + k);

/** Everything that a plan shows: its heads and what is below them, down to what is cut. */
function shown(structure: Hierarchy, { heads, cut }: SheetPlan): number[] {
  const found = [...heads];
  for (let k = 0; k < found.length; k++)
    if (k < heads.length || !cut.has(found[k]!)) found.push(...childrenOf(structure, found[k]!));
  return found;
}

describe('a hierarchy cut into sheets', () => {
  const cases = fc.tuple(parents(150), fc.integer({ min: 6, max: 40 })).filter(([list]) => list.length > 0);
  /** A sheet takes so many entries; what it prints goes down with what it holds. */
  const taking = (structure: Hierarchy, most: number) => (plan: SheetPlan) =>
    Math.sqrt(most / shown(structure, plan).length);

  it('loses nobody, and says every cut on one sheet and every head on another', () => {
    fc.assert(
      fc.property(cases, ([list, most]) => {
        const structure = hierarchy(list);
        const plans = planSheets(structure, most, taking(structure, most));
        const all = new Set(plans.flatMap((plan) => shown(structure, plan)));
        expect(all.size).toBe(structure.ids.length);
        const cuts = plans.flatMap(({ cut }) => [...cut]).sort((a, b) => a - b);
        const heads = plans
          .flatMap((plan) => [...plan.heads])
          .filter((i) => structure.parent[i]! >= 0)
          .sort((a, b) => a - b);
        expect(cuts).toEqual(heads);
      }),
    );
  });
  it('begins with the top, whole where it fits', () => {
    fc.assert(
      fc.property(parents(60), (list) => {
        fc.pre(list.length > 0);
        const structure = hierarchy(list);
        const plans = planSheets(structure, 1000, () => 1);
        expect(plans).toHaveLength(1);
        expect(plans[0]!.cut.size).toBe(0);
        expect([...plans[0]!.heads]).toEqual(Array.from({ length: structure.roots }, (_, r) => r));
      }),
    );
  });
  it('cuts branches only, each of three entries or more', () => {
    fc.assert(
      fc.property(cases, ([list, most]) => {
        const structure = hierarchy(list);
        for (const { cut } of planSheets(structure, most, taking(structure, most)))
          for (const i of cut) expect(structure.count[i]!).toBeGreaterThan(0);
      }),
    );
  });
  it('fits every sheet that a further cut could make fit', () => {
    fc.assert(
      fc.property(cases, ([list, most]) => {
        const structure = hierarchy(list);
        const fits = taking(structure, most);
        for (const plan of planSheets(structure, most, fits)) {
          if (fits(plan) >= 1) continue;
          // Nothing on it, beside its heads, still has a branch of three or more below it.
          const below = shown(structure, plan).filter((i) => !plan.heads.includes(i) && !plan.cut.has(i));
          for (const i of below)
            expect(childrenOf(structure, i).filter((c) => !plan.cut.has(c)).length).toBeLessThan(2);
        }
      }),
    );
  });
  it('lets small neighbours share a sheet', () => {
    // A head with 20 teams of 4 on sheets that take 30: far fewer sheets than teams.
    const list = [-1, ...Array.from({ length: 20 }, () => 0), ...Array.from({ length: 80 }, (_, k) => 1 + (k % 20))];
    const structure = hierarchy(list);
    const plans = planSheets(structure, 30, taking(structure, 30));
    expect(plans.length).toBeLessThanOrEqual(6);
  });
});
