import { own, pushTo, type BoxStyle } from '../../../model';
import {
  anySheet,
  entriesOn,
  hangs,
  nobody,
  nodesOn,
  onItsSheet,
  partedSet,
  partMark,
  partTree,
  sheetTitle,
  stylesOn,
  tiersOn,
  withWays,
  type Page,
  type PartMark,
  type PartTree,
  type SetSheet,
  type SheetPlan,
  type SheetSet,
} from '../../../scene';
import { familyStructure, withRelations, type RelatedListing } from '../structure';
import type { FamilyPart, FamilyTree } from '../model';
import { bestRows } from './best-rows';
import type { Rows } from './blocks';
import { familyScene } from './scene';
import { nameOfTier } from './tier-words';

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
  return partedSet(tree, least, (plan, page, planned) =>
    sheetOf(whole, plan, page, (node) => (planned ? (planned.numbers.get(node) ?? 1) : anySheet)),
  );
}

interface Whole {
  readonly diagram: FamilyTree;
  readonly listing: RelatedListing;
  readonly styles: readonly BoxStyle[];
  readonly rows: Rows;
  /** Blocks, each below the block of the family it stands under. */
  readonly tree: PartTree;
}

function treeOf({ blocks, rows, blockOf, host, unions }: Rows): PartTree {
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
  return partTree(tops, below);
}

function sheetOf(whole: Whole, plan: SheetPlan, page: Page, numberOf: (node: number) => number): SetSheet {
  const { diagram, listing, rows, tree } = whole;
  const nodes = nodesOn(tree, plan);
  const nodeOf = new Map(tree.item.map((block, node) => [block, node]));
  const persons = new Set(nodes.flatMap((node) => rows.blocks[tree.item[node]!]!.members));
  const marks = new Map<string, PartMark>();
  const mark = (person: number, to: PartMark['to'], sheet: number): void => {
    marks.set(listing.ids[person]!, partMark(to, sheet));
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
  for (const node of plan.cut) if (hangs(tree, node)) mark(leadOf(whole, node), 'onward', numberOf(node));
  for (const node of plan.heads) if (hangs(tree, node)) mark(leadOf(whole, node), 'back', numberOf(tree.parent[node]!));
  const heads = plan.heads
    .filter((node) => tree.item[node] !== nobody)
    .map((node) => rows.blocks[tree.item[node]!]!.members);
  const named = heads.map((members) => members.map((i) => nameOf(whole, i)).join(' and ')).join(', ');
  const name = sheetTitle(page, diagram.title || 'Family tree', named);
  const titled = onItsSheet(subFamily(whole, persons, marks), diagram, name, page);
  const subListing = withRelations(titled, familyStructure(titled));
  const tiers = tiersOn(whole, subListing, (tier) => nameOfTier(diagram, listing, tier));
  const scene = familyScene({ ...titled, tiers }, subListing, stylesOn(whole, subListing, marks));
  return {
    name,
    heads: heads.flat().map((i) => listing.ids[i]!),
    scene: withWays(scene, marks),
  };
}

const nameOf = ({ diagram, listing }: Whole, i: number): string =>
  own(diagram.entries, listing.ids[i]!)!.name || 'nobody named';

/** Of a block the member who has parents in the family it stands under. */
function leadOf({ rows, tree }: Whole, node: number): number {
  const block = tree.item[node]!;
  const { members } = rows.blocks[block]!;
  const union = rows.unions[rows.host[block]!];
  return members.find((m) => union?.children.some(({ child }) => child === m)) ?? members[0]!;
}

/** The persons of a sheet with the partnerships and parents that are on it. */
function subFamily(
  { diagram, listing }: Whole,
  persons: ReadonlySet<number>,
  marks: ReadonlyMap<string, PartMark>,
): FamilyTree {
  const { family } = diagram;
  const ids = new Set([...persons].map((i) => listing.ids[i]!));
  const entries = entriesOn(diagram.entries, (id) => ids.has(id), marks);
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
