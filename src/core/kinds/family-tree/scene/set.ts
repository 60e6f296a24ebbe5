import { own, pushTo, pxPerPt, type BoxStyle } from '../../../model';
import {
  markWords,
  notesOn,
  planSheets,
  titledAs,
  type Page,
  type Parted,
  type Scene,
  type SetSheet,
  type SheetPlan,
  type SheetSet,
} from '../../../scene';
import { familyStructure, withRelations, type RelatedListing } from '../structure';
import type { FamilyPart, FamilyTree } from '../model';
import { bestRows } from './best-rows';
import type { Rows } from './blocks';
import { familyScene, nameOfTier } from './scene';

/**
 * A family over as many sheets as it takes to print no smaller than `least` points: an overview, then the couples that are cut from it with their
 * descendants. Who stands on another sheet with a family of their own says on which.
 */
export function familySet(
  diagram: FamilyTree,
  listing: RelatedListing,
  styles: readonly BoxStyle[],
  least: number,
): SheetSet {
  const rows = bestRows(diagram, listing);
  const tree = treeOf(rows);
  const whole: Whole = { diagram, listing, styles, rows, tree };
  // Texts around it are those of a long set, so that a sheet still fits when its number is known.
  const printOf = (plan: SheetPlan): number => {
    const { smallestText } = sheetOf(whole, plan, { number: plan.heads[0] === 0 ? 1 : 88, of: 88 }, () => 88).scene;
    return (smallestText ?? Infinity) / pxPerPt / least;
  };
  const first = printOf({ heads: [0], cut: new Set() });
  const capacity = Math.max(3, Math.floor(tree.ids.length * Math.min(1, first) ** 2));
  // The largest family stays on the first sheet; others may leave it whole, however small.
  const plans = planSheets(tree, capacity, printOf, (node, weight) =>
    tree.parent[node] === 0 && tree.block[0] === nobody ? node !== tree.main : weight > 2,
  );
  const numbers = new Map<number, number>();
  plans.forEach((plan, k) => {
    for (const node of nodesOf(tree, plan)) if (!plan.cut.has(node)) numbers.set(node, k + 1);
  });
  const sheets = plans.map((plan, k) =>
    sheetOf(whole, plan, { number: k + 1, of: plans.length }, (node) => numbers.get(node) ?? 1),
  );
  const prints = sheets.map(({ scene }) => (scene.smallestText ?? Infinity) / pxPerPt);
  return { sheets, print: Math.min(...prints), leftOut: 0 };
}

interface Whole {
  readonly diagram: FamilyTree;
  readonly listing: RelatedListing;
  readonly styles: readonly BoxStyle[];
  readonly rows: Rows;
  readonly tree: BlockTree;
}

/** Blocks as a hierarchy in level order: each below the block of the family it stands under. */
interface BlockTree extends Parted {
  /** Of each node, its block; `nobody` where several families have no ancestors in common. */
  readonly block: readonly number[];
  /** The family that most belong to. */
  readonly main: number;
}
const nobody = -1;

function treeOf({ blocks, rows, blockOf, host, unions }: Rows): BlockTree {
  const above = (b: number): number => (host[b]! < 0 ? -1 : blockOf[unions[host[b]!]!.partners[0]!]!);
  const place = new Map(rows.flat().map((b, k) => [b, k]));
  const below = new Map<number, number[]>();
  const tops: number[] = [];
  for (const b of [...blocks.keys()].sort((x, y) => place.get(x)! - place.get(y)!)) {
    // Only upward, so that nothing goes round in a ring.
    const up = above(b);
    if (up < 0 || blocks[up]!.row >= blocks[b]!.row) tops.push(b);
    else pushTo(below, up, b);
  }
  if (tops.length > 1) below.set(nobody, tops);
  const block = [tops.length === 1 ? tops[0]! : nobody];
  const parent: number[] = [-1];
  const first: number[] = [];
  const count: number[] = [];
  for (let node = 0; node < block.length; node++) {
    const children = below.get(block[node]!) ?? [];
    first.push(block.length);
    count.push(children.length);
    for (const child of children) {
      block.push(child);
      parent.push(node);
    }
  }
  const size = new Int32Array(block.length).fill(1);
  for (let node = block.length - 1; node > 0; node--) size[parent[node]!]! += size[node]!;
  const families = Array.from({ length: count[0]! }, (_, k) => first[0]! + k);
  return {
    ids: block.map(String),
    roots: 1,
    main: families.reduce((most, node) => (size[node]! > size[most]! ? node : most), families[0] ?? 0),
    first: Int32Array.from(first),
    count: Int32Array.from(count),
    parent: Int32Array.from(parent),
    outline: Int32Array.from(outlineOf(first, count)),
    block,
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

/** What stands on a sheet: its heads and all below them, down to those that go on elsewhere; families that left it whole are not on it. */
function nodesOf({ first, count, block }: BlockTree, { heads, cut }: SheetPlan): number[] {
  const found = [...heads];
  for (let k = 0; k < found.length; k++) {
    const node = found[k]!;
    if (k >= heads.length && cut.has(node)) continue;
    for (let c = first[node]!, end = c + count[node]!; c < end; c++)
      if (block[node] !== nobody || !cut.has(c)) found.push(c);
  }
  return found.filter((node) => block[node] !== nobody);
}

function sheetOf(whole: Whole, plan: SheetPlan, page: Page, numberOf: (node: number) => number): SetSheet {
  const { diagram, listing, rows, tree } = whole;
  const nodes = nodesOf(tree, plan);
  const nodeOf = new Map(tree.block.map((block, node) => [block, node]));
  const persons = new Set(nodes.flatMap((node) => rows.blocks[tree.block[node]!]!.members));
  const marks = new Map<number, { readonly words: string; readonly sheet: number; readonly to: 'onward' | 'back' }>();
  const mark = (person: number, to: 'onward' | 'back', sheet: number): void => {
    marks.set(person, { words: markWords(to, sheet), sheet, to });
  };
  // Children whose own families stand on another sheet stand here alone.
  for (const { partners, children } of rows.unions)
    if (partners.every((one) => persons.has(one)) && !isCut(partners))
      for (const { child } of children) {
        if (persons.has(child)) continue;
        persons.add(child);
        mark(child, 'onward', numberOf(nodeOf.get(rows.blockOf[child]!)!));
      }
  function isCut(partners: readonly number[]): boolean {
    const node = nodeOf.get(rows.blockOf[partners[0]!]!)!;
    return plan.cut.has(node) && !plan.heads.includes(node);
  }
  const hangs = (node: number): boolean => tree.parent[node]! >= 0 && tree.block[tree.parent[node]!] !== nobody;
  for (const node of plan.cut) if (hangs(node)) mark(leadOf(whole, node), 'onward', numberOf(node));
  for (const node of plan.heads) if (hangs(node)) mark(leadOf(whole, node), 'back', numberOf(tree.parent[node]!));
  const heads = plan.heads
    .filter((node) => tree.block[node] !== nobody)
    .map((node) => rows.blocks[tree.block[node]!]!.members);
  const name =
    page.of === 1
      ? diagram.title || 'Family tree'
      : page.number === 1
        ? 'Overview'
        : heads.map((members) => members.map((i) => nameOf(whole, i)).join(' and ')).join(', ');
  const sub = subFamily(whole, persons, new Map([...marks].map(([i, { words }]) => [listing.ids[i]!, words])));
  // The sheet was chosen: nothing is taken in its place.
  const titled: FamilyTree = {
    ...sub,
    ...titledAs(diagram, name, page),
    nudges: {},
    notes: notesOn(diagram, page.number),
    sheet: { ...diagram.sheet, leastPrint: null },
  };
  const subListing = withRelations(titled, familyStructure(titled));
  const styles = subListing.ids.map((id) => {
    const i = listing.index.get(id)!;
    return marks.has(i) ? { ...whole.styles[i]!, details: whole.styles[i]!.details + 1 } : whole.styles[i]!;
  });
  const scene = familyScene({ ...titled, tiers: tiersOf(whole, subListing) }, subListing, styles);
  return {
    name,
    heads: heads.flat().map((i) => listing.ids[i]!),
    scene: withWays(scene, new Map([...marks].map(([i, one]) => [listing.ids[i]!, one]))),
  };
}

const nameOf = ({ diagram, listing }: Whole, i: number): string =>
  own(diagram.entries, listing.ids[i]!)!.name || 'nobody named';

/** Of a block the member who has parents in the family it stands under. */
function leadOf({ rows, tree }: Whole, node: number): number {
  const block = tree.block[node]!;
  const { members } = rows.blocks[block]!;
  const union = rows.unions[rows.host[block]!];
  return members.find((m) => union?.children.some(({ child }) => child === m)) ?? members[0]!;
}

/** The persons of a sheet with the partnerships and parents that are on it. */
function subFamily(
  { diagram, listing }: Whole,
  persons: ReadonlySet<number>,
  marks: ReadonlyMap<string, string>,
): FamilyTree {
  const { family } = diagram;
  const ids = new Set([...persons].map((i) => listing.ids[i]!));
  const entries = Object.fromEntries(
    Object.entries(diagram.entries)
      .filter(([id]) => ids.has(id))
      .map(([id, entry]) => {
        const words = marks.get(id);
        return [id, words === undefined ? entry : { ...entry, details: [words, ...entry.details.slice(0, 6)] }];
      }),
  );
  const unions = Object.fromEntries(
    Object.entries(family.unions).filter(([, { partners }]) => partners.every((one) => ids.has(one))),
  );
  const parentage: FamilyPart['parentage'] = {};
  for (const [child, links] of Object.entries(family.parentage)) {
    const kept = links.filter(({ union }) => own(unions, union));
    if (ids.has(child) && kept.length > 0) parentage[child] = kept;
  }
  const people = Object.fromEntries(Object.entries(family.people).filter(([id]) => ids.has(id)));
  const manner = { ...family.manner, view: 'whole' as const, of: null, numbers: 'none' as const };
  return { ...diagram, entries, family: { ...family, people, unions, parentage, manner } };
}

/** Generations have the names and gaps that they have in the whole. */
function tiersOf({ diagram, listing }: Whole, { ids, tier }: RelatedListing): FamilyTree['tiers'] {
  const tiers: FamilyTree['tiers'] = {};
  ids.forEach((id, i) => {
    const here = String(tier[i]!);
    const there = listing.tier[listing.index.get(id)!]!;
    if (tier[i]! === 0 || own(tiers, here)) return;
    const known = own(diagram.tiers, String(there));
    tiers[here] = { name: nameOfTier(diagram, listing, there), gap: null, width: null, ...known };
  });
  return tiers;
}

/** Marks lead to their sheets: the box of who has one. */
function withWays(
  scene: Scene,
  marks: ReadonlyMap<string, { readonly sheet: number; readonly to: 'onward' | 'back' }>,
): Scene {
  const ways = scene.groups.flatMap((group) => {
    const mark = group.stands.for === 'entry' ? marks.get(group.stands.id) : undefined;
    if (!mark) return [];
    return [{ ...group, stands: { for: mark.to, id: String(mark.sheet) }, label: '', children: [] }];
  });
  return { ...scene, groups: [...scene.groups, ...ways] };
}
