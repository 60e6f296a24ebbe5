/**
 * Measures families: crossings of the lines to children, and times of an arrangement and of an edit: npm run
 * bench:core prints it beside the other figures. Asserts nothing.
 */
import ELK from 'elkjs';
import { applyGesture, draw } from '../src/core/diagram';
import type { FamilyTree } from '../src/core/kinds/family-tree';
import { familyOf } from '../src/core/testing/arbitrary-family';
import { median } from './median';
import { random } from './random';

interface Measured {
  readonly crossings: number;
  readonly width: number;
}
interface Point {
  readonly x: number;
  readonly y: number;
}
/** From a person to a partnership, or from that to a child. */
type Leg = readonly [from: Point, to: Point, ends: readonly [string, string]];

/** Crossings of straight legs that have no end in common: one measure for all arrangements. */
function crossings(legs: readonly Leg[]): number {
  let count = 0;
  for (let i = 0; i < legs.length; i++)
    for (let j = i + 1; j < legs.length; j++) {
      const [[a, b, ends], [c, d, others]] = [legs[i]!, legs[j]!];
      if (!ends.some((end) => others.includes(end)) && crosses(a, b, c, d)) count++;
    }
  return count;
}
const turn = (a: Point, b: Point, c: Point): number => (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x);
const crosses = (a: Point, b: Point, c: Point, d: Point): boolean =>
  turn(a, b, c) * turn(a, b, d) < -1e-6 && turn(c, d, a) * turn(c, d, b) < -1e-6;

const middle = (points: readonly Point[]): Point => ({
  x: points.reduce((sum, { x }) => sum + x, 0) / points.length,
  y: points.reduce((sum, { y }) => sum + y, 0) / points.length,
});

function legsOf({ family }: FamilyTree, at: (id: string) => Point, unionAt: (id: string) => Point): Leg[] {
  return [
    ...Object.values(family.unions).flatMap(({ id, partners }) =>
      partners.map((one): Leg => [at(one), unionAt(id), [one, id]]),
    ),
    ...Object.entries(family.parentage).flatMap(([child, links]) =>
      links.map(({ union }): Leg => [unionAt(union), at(child), [union, child]]),
    ),
  ];
}

interface Box {
  readonly id: string;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

function boxesOf(diagram: FamilyTree): Box[] {
  const { scene } = draw({ ...diagram, sheet: { ...diagram.sheet, size: 'drawing' } });
  return scene.groups.flatMap(({ stands, x, y, bounds: { x: left, y: top, width, height } }) =>
    stands.for === 'entry' ? [{ id: stands.id, x: x + left, y: y + top, width, height }] : [],
  );
}

function measured(diagram: FamilyTree, boxes: readonly Box[], unionAt: ReadonlyMap<string, Point> | null): Measured {
  const middles = new Map(
    boxes.map(({ id, x, y, width, height }) => [id, { x: x + width / 2, y: y + height / 2 }] as const),
  );
  const at = (id: string) => middles.get(id)!;
  const legs = legsOf(diagram, at, (id) => unionAt?.get(id) ?? middle(diagram.family.unions[id]!.partners.map(at)));
  const left = Math.min(...boxes.map(({ x }) => x));
  const right = Math.max(...boxes.map(({ x, width }) => x + width));
  return { crossings: crossings(legs), width: right - left };
}

/** The same persons and partnerships, boxes of the same sizes with the same gaps, by elkjs layered. */
async function byElk(diagram: FamilyTree, boxes: readonly Box[]): Promise<Measured> {
  const { unions, parentage } = diagram.family;
  const edges = [
    ...Object.values(unions).flatMap(({ id, partners }) => partners.map((one) => [one, id] as const)),
    ...Object.entries(parentage).flatMap(([child, links]) => links.map(({ union }) => [union, child] as const)),
  ];
  const laid = await new ELK().layout({
    id: 'root',
    layoutOptions: {
      'elk.algorithm': 'layered',
      'elk.direction': 'DOWN',
      'elk.spacing.nodeNode': '12',
      'elk.layered.spacing.nodeNodeBetweenLayers': '20',
    },
    children: [
      ...boxes.map(({ id, width, height }) => ({ id, width, height })),
      ...Object.keys(unions).map((id) => ({ id, width: 2, height: 2 })),
    ],
    edges: edges.map(([from, to], k) => ({ id: `l${k}`, sources: [from], targets: [to] })),
  });
  const placed = new Map(laid.children!.map((node) => [node.id, { x: node.x!, y: node.y! }]));
  return measured(
    diagram,
    boxes.map((box) => ({ ...box, ...placed.get(box.id)! })),
    new Map(Object.keys(unions).map((id) => [id, placed.get(id)!])),
  );
}

export async function benchFamilies(): Promise<void> {
  const next = random(29);
  const draws = (n: number) => Array.from({ length: n }, () => Math.floor(next() * 1_000_000));
  const sets = [12, 25, 40, 60, 90].flatMap((n) => Array.from({ length: 8 }, () => familyOf(draws(n))));
  const ours: Measured[] = [];
  const elk: Measured[] = [];
  for (const diagram of sets) {
    const boxes = boxesOf(diagram);
    ours.push(measured(diagram, boxes, null));
    elk.push(await byElk(diagram, boxes));
  }
  const crossed = (all: readonly Measured[]) => median(all.map((one) => one.crossings));
  const wider = median(ours.map(({ width }, k) => width / elk[k]!.width));
  console.log(
    `families of 12 to 90 persons (${sets.length}): ${crossed(ours)} crossings of straight legs in the median, elkjs layered ${crossed(elk)}; width ${wider.toFixed(2)} of elkjs's in the median`,
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
