import type { Listing } from '../hierarchy';
import { own, pxPerPt, type BoxStyle, type DiagramCommon, type ShownEntry } from '../model';
import { markWords } from './marks';
import { planSheets, type Parted, type SheetPlan } from './plan-sheets';
import type { Scene } from './scene';
import { smallestPrint, type Page, type SetSheet, type SheetSet } from './sheet-set';

/** What is parted over sheets where that is no hierarchy of entries: items, each below another or at the top. */
export interface PartTree extends Parted {
  /** Of each node, its item; `nobody` at the top where several items are. */
  readonly item: readonly number[];
  /** The node at the top that has most below it. */
  readonly main: number;
}
export const nobody = -1;

/** Items as a hierarchy in level order. `below`: what stands below each item. */
export function partTree(tops: readonly number[], below: ReadonlyMap<number, readonly number[]>): PartTree {
  const item = [tops.length === 1 ? tops[0]! : nobody];
  const parent: number[] = [-1];
  const first: number[] = [];
  const count: number[] = [];
  for (let node = 0; node < item.length; node++) {
    const children = item[node] === nobody ? tops : (below.get(item[node]!) ?? []);
    first.push(item.length);
    count.push(children.length);
    for (const child of children) {
      item.push(child);
      parent.push(node);
    }
  }
  const size = new Int32Array(item.length).fill(1);
  for (let node = item.length - 1; node > 0; node--) size[parent[node]!]! += size[node]!;
  const families = Array.from({ length: count[0]! }, (_, k) => first[0]! + k);
  return {
    ids: item.map(String),
    roots: 1,
    main: families.reduce((most, node) => (size[node]! > size[most]! ? node : most), families[0] ?? 0),
    first: Int32Array.from(first),
    count: Int32Array.from(count),
    parent: Int32Array.from(parent),
    outline: Int32Array.from(outlineOf(first, count)),
    item,
  };
}

/** Nodes with what is below them before what comes next. */
function outlineOf(first: readonly number[], count: readonly number[]): number[] {
  const found: number[] = [];
  const waiting = [0];
  for (let node = waiting.pop(); node !== undefined; node = waiting.pop()) {
    found.push(node);
    for (let k = count[node]! - 1; k >= 0; k--) waiting.push(first[node]! + k);
  }
  return found;
}

/** Whether a node hangs below another on the sheet before its own. */
export const hangs = ({ parent, item }: PartTree, node: number): boolean =>
  parent[node]! >= 0 && item[parent[node]!] !== nobody;

/** What stands on a sheet: its heads and all below them, down to those that go on elsewhere; parts that left it whole are not on it. */
export function nodesOn({ first, count, item }: PartTree, { heads, cut }: SheetPlan): number[] {
  const found = [...heads];
  for (let k = 0; k < found.length; k++) {
    const node = found[k]!;
    if (k >= heads.length && cut.has(node)) continue;
    for (let c = first[node]!, end = c + count[node]!; c < end; c++)
      if (item[node] !== nobody || !cut.has(c)) found.push(c);
  }
  return found.filter((node) => item[node] !== nobody);
}

/** What is known once all sheets are planned: the plans, and the sheet of each node, from 1, where what is below it stands as well. */
export interface Planned {
  readonly plans: readonly SheetPlan[];
  readonly numbers: ReadonlyMap<number, number>;
}

/** A number as wide as those of a long set, for a sheet whose own is not known yet. */
export const anySheet = 88;
/** Print that is planned for, as a multiple of what is wished, where it is missed. */
const spares = [1, 1.06, 1.15] as const;

/**
 * A set of few sheets that print no smaller than `least` points. `sheetOf`: draws one; `planned` is null while it is found out how large it prints. With the
 * numbers of the sheets words break otherwise, which may cost some print: then a little more is planned for.
 */
export function partedSet(
  tree: PartTree,
  least: number,
  sheetOf: (plan: SheetPlan, page: Page, planned: Planned | null) => SetSheet,
): SheetSet {
  const printOf = (plan: SheetPlan): number => {
    const page = { number: plan.heads[0] === 0 ? 1 : anySheet, of: anySheet };
    return (sheetOf(plan, page, null).scene.smallestText ?? Infinity) / pxPerPt;
  };
  const share = Math.min(1, printOf({ heads: [0], cut: new Set() }) / least);
  const capacity = Math.max(3, Math.floor(tree.ids.length * share ** 2));
  // The largest part stays on the first sheet; others may leave it whole, however small.
  const mayLead = (node: number, weight: number): boolean =>
    tree.parent[node] === 0 && tree.item[0] === nobody ? node !== tree.main : weight > 2;
  let best: SheetSet | null = null;
  for (const spare of spares) {
    const plans = planSheets(tree, capacity, (plan) => printOf(plan) / (least * spare), mayLead);
    const planned = { plans, numbers: sheetOfNode(tree, plans) };
    const sheets = plans.map((plan, k) => sheetOf(plan, { number: k + 1, of: plans.length }, planned));
    const print = smallestPrint(sheets);
    if (!best || (print ?? Infinity) > (best.print ?? Infinity)) best = { sheets, print, leftOut: 0 };
    if ((best.print ?? Infinity) >= least - 0.005) break;
  }
  return best!;
}

function sheetOfNode(tree: PartTree, plans: readonly SheetPlan[]): Map<number, number> {
  const numbers = new Map<number, number>();
  plans.forEach((plan, k) => {
    for (const node of nodesOn(tree, plan))
      if (!plan.cut.has(node) || plan.heads.includes(node)) numbers.set(node, k + 1);
  });
  return numbers;
}

/** What an entry says of another sheet, and which. */
export interface PartMark {
  readonly words: string;
  readonly sheet: number;
  readonly to: 'onward' | 'back';
}
export const partMark = (to: PartMark['to'], sheet: number): PartMark => ({ words: markWords(to, sheet), sheet, to });

/** The entries of a sheet, marks before their details. */
export function entriesOn(
  entries: DiagramCommon['entries'],
  isOn: (id: string) => boolean,
  marks: ReadonlyMap<string, PartMark>,
): DiagramCommon['entries'] {
  const told = Object.entries(entries).filter(([id]) => isOn(id));
  return Object.fromEntries(
    told.map(([id, entry]): [string, ShownEntry] => {
      const mark = marks.get(id);
      if (!mark) return [id, entry];
      return [id, { ...entry, details: [mark.words, ...entry.details.slice(0, 6)], ahead: 1 }];
    }),
  );
}

type Told = Pick<Listing, 'ids' | 'index' | 'tier'>;

/** The styles of the entries of a sheet as they are in the whole, with a line more where there is a mark. */
export const stylesOn = (
  whole: { readonly listing: Told; readonly styles: readonly BoxStyle[] },
  { ids }: Told,
  marks: ReadonlyMap<string, PartMark>,
): BoxStyle[] =>
  ids.map((id) => {
    const style = whole.styles[whole.listing.index.get(id)!]!;
    return marks.has(id) ? { ...style, details: style.details + 1 } : style;
  });

/** Tiers of a sheet have the names and gaps that they have in the whole. `nameOf`: of a tier of the whole that has none of its own. */
export function tiersOn(
  { diagram, listing }: { readonly diagram: DiagramCommon; readonly listing: Told },
  { ids, tier }: Told,
  nameOf: (tier: number) => string,
): DiagramCommon['tiers'] {
  const tiers: DiagramCommon['tiers'] = {};
  ids.forEach((id, i) => {
    const here = String(tier[i]!);
    if (tier[i] === 0 || own(tiers, here)) return;
    const there = listing.tier[listing.index.get(id)!]!;
    tiers[here] = { name: nameOf(there), gap: null, width: null, ...own(diagram.tiers, String(there)) };
  });
  return tiers;
}

/** Marks lead to their sheets: the box of what has one. */
export function withWays(scene: Scene, marks: ReadonlyMap<string, PartMark>): Scene {
  const ways = scene.groups.flatMap((group) => {
    const mark = group.stands.for === 'entry' ? marks.get(group.stands.id) : undefined;
    if (!mark) return [];
    return [{ ...group, stands: { for: mark.to, id: String(mark.sheet) }, label: '', children: [] }];
  });
  return { ...scene, groups: [...scene.groups, ...ways] };
}
