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
  type Planned,
  type SetSheet,
  type SheetPlan,
  type SheetSet,
} from '../../../scene';
import type { ConceptMap } from '../model';
import { mapStructure, type MapListing } from '../structure';
import { rankName } from '../words';
import { mapScene } from './scene';

interface Whole {
  readonly diagram: ConceptMap;
  readonly listing: MapListing;
  readonly styles: readonly BoxStyle[];
  /** Ideas, each below the one it is led to from. */
  readonly tree: PartTree;
  readonly nodeOf: ReadonlyMap<number, number>;
  readonly links: readonly { readonly id: string; readonly from: number; readonly to: number }[];
}

/**
 * A map over as many sheets as it takes to print no smaller than `least` points: an overview, then the branches that are cut from it. Every proposition stands
 * on one sheet at least: an idea of another sheet that it needs stands there too, and says where it goes on.
 */
export function mapSet(diagram: ConceptMap, listing: MapListing, styles: readonly BoxStyle[], least: number): SheetSet {
  const links = Object.values(diagram.links).map(({ id, from, to }) => ({
    ...{ id, from: listing.index.get(from)!, to: listing.index.get(to)! },
  }));
  const tree = treeOf(listing, links);
  const nodeOf = new Map(tree.item.map((idea, node) => [idea, node]));
  const whole: Whole = { diagram, listing, styles, tree, nodeOf, links };
  return partedSet(tree, least, (plan, page, planned) => sheetOf(whole, plan, page, planned));
}

/** Each idea below a neighbour of the rank nearest before its own. */
function treeOf({ ids, tier }: MapListing, links: Whole['links']): PartTree {
  const above = new Int32Array(ids.length).fill(-1);
  const nearer = (one: number, other: number): boolean =>
    above[one]! < 0 || tier[other]! > tier[above[one]!]! || (tier[other] === tier[above[one]!] && other < above[one]!);
  for (const { from, to } of links)
    for (const [one, other] of [
      [from, to],
      [to, from],
    ] as const)
      if (tier[other]! < tier[one]! && nearer(one, other)) above[one] = other;
  const below = new Map<number, number[]>();
  const tops: number[] = [];
  ids.forEach((_, i) => (above[i]! < 0 ? tops.push(i) : pushTo(below, above[i]!, i)));
  return partTree(tops, below);
}

function sheetOf(whole: Whole, plan: SheetPlan, page: Page, planned: Planned | null): SetSheet {
  const { diagram, listing, tree } = whole;
  const nodes = nodesOn(tree, plan);
  const ideas = new Set(nodes.map((node) => tree.item[node]!));
  const marks = new Map<string, PartMark>();
  const sheetOfIdea = (idea: number): number => planned?.numbers.get(whole.nodeOf.get(idea)!) ?? anySheet;
  const mark = (idea: number, to: PartMark['to'], sheet = sheetOfIdea(idea)): void => {
    marks.set(listing.ids[idea]!, partMark(to, sheet));
  };
  for (const node of plan.cut) if (tree.item[node] !== nobody && hangs(tree, node)) mark(tree.item[node]!, 'onward');
  for (const node of plan.heads)
    if (hangs(tree, node)) mark(tree.item[node]!, 'back', sheetOfIdea(tree.item[tree.parent[node]!]!));
  const isHome = (idea: number): boolean => {
    const node = whole.nodeOf.get(idea)!;
    return ideas.has(idea) && (!plan.cut.has(node) || plan.heads.includes(node));
  };
  const shown = new Set<string>();
  const guests = new Set<number>();
  for (const { id, from, to } of whole.links) {
    if (ideas.has(from) && ideas.has(to)) {
      if (isHome(from) || isHome(to)) shown.add(id);
    } else if (isHome(from) && !isElsewhere(whole, planned, from, to)) {
      guests.add(to);
      shown.add(id);
    }
  }
  for (const idea of guests) {
    ideas.add(idea);
    mark(idea, 'onward');
  }
  const heads = plan.heads.filter((node) => tree.item[node] !== nobody).map((node) => listing.ids[tree.item[node]!]!);
  const named = heads.map((id) => own(diagram.entries, id)!.name || 'no name yet').join(', ');
  const name = sheetTitle(page, diagram.title || 'Concept map', named);
  const part = partOf(whole, { ideas, shown, marks, head: heads[0] ?? null, page });
  const titled = onItsSheet(part, diagram, name, page);
  const subListing = mapStructure(titled);
  const tiers = tiersOn(whole, subListing, rankName);
  const scene = mapScene({ ...titled, tiers }, subListing, stylesOn(whole, subListing, marks));
  return { name, heads, scene: withWays(scene, marks) };
}

/** Whether another sheet shows both ideas, one of them with what is below it. Before all are planned: whether the one leads here from the other. */
function isElsewhere({ tree, nodeOf }: Whole, planned: Planned | null, from: number, to: number): boolean {
  const [a, b] = [nodeOf.get(from)!, nodeOf.get(to)!];
  if (!planned) return tree.parent[a] === b;
  const { plans, numbers } = planned;
  return plans[(numbers.get(b) ?? 1) - 1]!.cut.has(a);
}

/** The ideas and propositions of a sheet; ranks go down from its head, and its word bank has what is blank there. */
function partOf(
  { diagram, listing }: Whole,
  on: {
    readonly ideas: ReadonlySet<number>;
    readonly shown: ReadonlySet<string>;
    readonly marks: ReadonlyMap<string, PartMark>;
    readonly head: string | null;
    readonly page: Page;
  },
): ConceptMap {
  const isOn = (id: string): boolean => on.ideas.has(listing.index.get(id) ?? -1);
  const links = Object.fromEntries(Object.entries(diagram.links).filter(([id]) => on.shown.has(id)));
  const { blanks, manner } = diagram.map;
  const question = on.page.number === 1 ? manner.question : '';
  return {
    ...diagram,
    entries: entriesOn(diagram.entries, isOn, on.marks),
    links,
    map: {
      ...diagram.map,
      manner: { ...manner, focus: on.head, question },
      blanks: Object.fromEntries(Object.entries(blanks).filter(([id]) => isOn(id) || on.shown.has(id))),
    },
  };
}
