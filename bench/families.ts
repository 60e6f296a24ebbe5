/**
 * Measures families: crossings of the lines to children, and times of an arrangement and of an edit: npm run
 * bench:core prints it beside the other figures. Asserts nothing.
 */
import { applyGesture, draw } from '../src/core/diagram';
import { relatedStructure, type FamilyTree } from '../src/core/kinds/family-tree';
import { familyOf } from '../src/core/testing/arbitrary-family';
import { median } from './median';
import { random } from './random';

interface Measured {
  readonly crossings: number;
}

/** Crossings of straight lines from partnerships to children, by their middles, row by row. */
function crossings(edges: readonly { readonly row: number; readonly from: number; readonly to: number }[]): number {
  let count = 0;
  for (let i = 0; i < edges.length; i++)
    for (let j = i + 1; j < edges.length; j++) {
      const [a, b] = [edges[i]!, edges[j]!];
      if (a.row === b.row && (a.from - b.from) * (a.to - b.to) < -0.01) count++;
    }
  return count;
}

function ours(diagram: FamilyTree): Measured {
  const { scene } = draw({ ...diagram, sheet: { ...diagram.sheet, size: 'drawing' } });
  const boxes = new Map(
    scene.groups.flatMap(({ stands, x, bounds }) =>
      stands.for === 'entry'
        ? [[stands.id, { middle: x + bounds.x + bounds.width / 2, width: bounds.width }] as const]
        : [],
    ),
  );
  const { relations, index, tier } = relatedStructure(diagram);
  const edges = Object.values(diagram.family.unions).flatMap((union) => {
    const at = union.partners.map((id) => boxes.get(id)!.middle);
    const from = at.reduce((sum, one) => sum + one, 0) / at.length;
    return relations
      .childrenOf(union.id)
      .map(({ id }) => ({ row: tier[index.get(union.partners[0]!)!]!, from, to: boxes.get(id)!.middle }));
  });
  return { crossings: crossings(edges) };
}

export function benchFamilies(): void {
  const next = random(29);
  const draws = (n: number) => Array.from({ length: n }, () => Math.floor(next() * 1_000_000));
  const sets = [12, 25, 40, 60, 90].flatMap((n) => Array.from({ length: 8 }, () => familyOf(draws(n))));
  const found = sets.map(ours);
  console.log(
    `families of 12 to 90 persons (${sets.length}): ${median(found.map(({ crossings: n }) => n))} crossings of lines to children in the median, ${found.reduce((total, { crossings: n }) => total + n, 0)} in all`,
  );
  for (const n of [60, 500, 5000]) {
    let now = familyOf(draws(n));
    const first = timed(() => draw(now));
    const edits = Array.from({ length: n > 1000 ? 5 : 15 }, (_, k) => {
      const outcome = applyGesture(now, [{ kind: 'rename', id: `e${k}`, name: `Person ${k} Quill` }]);
      if (!outcome.ok) throw new Error(outcome.reason);
      now = outcome.diagram as FamilyTree;
      return timed(() => draw(now));
    });
    console.log(
      `${n} persons: drawn the first time in ${first.toFixed(0)} ms, after a name was typed in ${median(edits).toFixed(0)} ms`,
    );
  }
}

function timed(work: () => unknown): number {
  const start = performance.now();
  work();
  return performance.now() - start;
}
