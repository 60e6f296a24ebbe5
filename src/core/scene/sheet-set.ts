import { hierarchyOf, type Hierarchy } from '../hierarchy';
import { own, paperSize, plainLegend, pxPerPt, type BoxStyle, type DiagramCommon } from '../model';
import { planBranches } from './branch-lines';
import { fitOnSheet } from './fit-sheet';
import { noLegend } from './legend';
import { planSheets, type SheetPlan } from './plan-sheets';
import type { Scene } from './scene';
import type { Continued } from './marks';
import { besideOf, legendOf, tierScene, type TierWords } from './tier-scene';

/** One diagram over several sheets. */
export interface SheetSet {
  readonly sheets: readonly SetSheet[];
  /** The smallest print on any of them, in points; null where nothing is printed. */
  readonly print: number | null;
  /** Links between entries of different sheets, which none of them shows. */
  readonly leftOut: number;
}

export interface SetSheet {
  /** Whose branches it shows: "Overview", "Inés Okoro". */
  readonly name: string;
  /** The entries that lead it. */
  readonly heads: readonly string[];
  readonly scene: Scene;
}

/** Share of a sheet that boxes cover at least when it is well filled, for a first guess of what it holds. */
const usualCover = 0.28;

/** Sets a hierarchy over as many sheets as it takes to print no smaller than `least` points: an overview, then the branches that are cut from it. */
export function sheetSet(
  diagram: DiagramCommon,
  structure: Hierarchy,
  styles: readonly BoxStyle[],
  words: TierWords,
  least: number,
): SheetSet {
  const part = (plan: SheetPlan, page: Page) => partOf(diagram, structure, styles, plan, { ...page, words });
  const printOf = (plan: SheetPlan): number => {
    // The texts around it are those of a long set, so that it still fits when its number is known.
    const { sub, subStructure, subStyles } = part(plan, { number: plan.heads[0] === 0 ? 1 : 88, of: 88 });
    const fit = fitOnSheet(sub, subStructure, subStyles, {
      beside: besideOf(sub, subStructure, words),
      legend: legendOf(sub, subStructure, subStyles, words),
      marks: marksOf(structure, plan, new Map()),
      branches: words.branches ? planBranches(sub, subStructure, words.branches) : null,
    });
    return fit.smallest === null ? Infinity : (fit.smallest * fit.fitted.scale) / pxPerPt;
  };
  const capacity = capacityOf(diagram, structure, styles, words, least);
  const plans = planSheets(structure, capacity, (plan) => printOf(plan) / least);
  const sheetOf = new Map<number, number>();
  plans.forEach(({ heads }, k) => heads.forEach((head) => sheetOf.set(head, k + 1)));
  let shown = 0;
  const sheets = plans.map((plan, k): SetSheet => {
    const { sub, subStructure, subStyles, name } = part(plan, { number: k + 1, of: plans.length });
    shown += Object.keys(sub.links).length;
    const scene = tierScene(sub, subStructure, subStyles, words, marksOf(structure, plan, sheetOf, plans));
    return { name, heads: plan.heads.map((i) => structure.ids[i]!), scene };
  });
  return { sheets, print: smallestPrint(sheets), leftOut: Object.keys(diagram.links).length - shown };
}

export interface Page {
  readonly number: number;
  readonly of: number;
}

/** The title line and the page number that one sheet of a set has; what the diagram has where it is the only one. */
function titledAs(
  { title: called, titleBlock }: DiagramCommon,
  name: string,
  { number, of }: Page,
): Pick<DiagramCommon, 'title' | 'titleBlock'> {
  const { shown, title, subtitle, author, date } = titleBlock;
  const page = of === 1 ? '' : `Sheet ${number} of ${of}`;
  return {
    title: of === 1 ? called : `${called}: ${name}`,
    titleBlock: {
      shown: true,
      title: shown ? title : '',
      subtitle: of === 1 ? (shown ? subtitle : '') : name.slice(0, 300),
      author: shown ? author : '',
      date: [shown ? date : '', page].filter(Boolean).join(', '),
    },
  };
}

/** How many entries a sheet holds at the wished print, by the room that its boxes take when all are as in the whole drawing. */
function capacityOf(
  diagram: DiagramCommon,
  structure: Hierarchy,
  styles: readonly BoxStyle[],
  words: TierWords,
  least: number,
): number {
  const paper = paperSize(diagram.sheet) ?? paperSize({ size: 'A4', orientation: 'landscape' })!;
  const fit = fitOnSheet(diagram, structure, styles, {
    beside: besideOf(diagram, structure, words),
    legend: noLegend,
    branches: words.branches ? planBranches(diagram, structure, words.branches) : null,
  });
  const { width, height } = fit.fitted;
  let boxes = 0;
  for (let i = 0; i < width.length; i++) boxes += width[i]! * height[i]!;
  const scale = (least * pxPerPt) / (fit.smallest ?? least * pxPerPt);
  const { margin } = diagram.sheet;
  const room = ((paper.width - 2 * margin) * (paper.height - 2 * margin)) / scale ** 2;
  return Math.max(6, Math.floor((room * usualCover) / (boxes / Math.max(1, width.length))));
}

/** The part of a diagram that stands on one sheet, each entry in the style it has in the whole, with a title line and a page number of its own. */
function partOf(
  diagram: DiagramCommon,
  structure: Hierarchy,
  styles: readonly BoxStyle[],
  { heads, cut }: SheetPlan,
  { words, ...page }: Page & { readonly words: TierWords },
) {
  const asHead = (i: number) => words.asHead?.(structure.ids[i]!) ?? own(diagram.entries, structure.ids[i]!)!;
  const name = sheetTitle(page, diagram.title || 'Diagram', heads.map((i) => asHead(i).name).join(', '));
  const entries: DiagramCommon['entries'] = {};
  const waiting = [...heads];
  for (let i = waiting.pop(); i !== undefined; i = waiting.pop()) {
    const id = structure.ids[i]!;
    const entry = own(diagram.entries, id)!;
    const head = heads.includes(i);
    entries[id] = head && entry.parent !== null ? { ...asHead(i), parent: null } : entry;
    if (head || !cut.has(i))
      for (let c = structure.first[i]!, end = c + structure.count[i]!; c < end; c++) waiting.push(c);
  }
  const links = Object.fromEntries(
    Object.entries(diagram.links).filter(([, { from, to }]) => own(entries, from) && own(entries, to)),
  );
  const down = structure.tier[heads[0]!]! - 1;
  const styled = { ...diagram.styles, ...linesFrom(diagram, down) };
  const sub = onItsSheet(
    { ...diagram, entries, links, tiers: tiersFrom(diagram, structure, down), styles: styled },
    diagram,
    name,
    page,
  );
  const subStructure = hierarchyOf(entries);
  const subStyles = subStructure.ids.map((id) => styles[structure.index.get(id)!]!);
  return { sub, subStructure, subStyles, name };
}

/** What a sheet of a set is called: after the diagram where it is the only one, the first one "Overview", the others after what leads them. */
export const sheetTitle = ({ number, of }: Page, whole: string, heads: string): string =>
  of === 1 ? whole : number === 1 ? 'Overview' : heads;

/** A part of a diagram for its sheet of a set: with a title line and a page number of its own; the sheet was chosen, so that nothing is taken in its place. */
export const onItsSheet = <D extends DiagramCommon>(part: D, whole: DiagramCommon, name: string, page: Page): D => ({
  ...part,
  ...titledAs(whole, name, page),
  nudges: {},
  notes: notesOn(whole, page.number),
  ...legendOn(whole),
  sheet: { ...whole.sheet, leastPrint: null },
});

/** Tiers of a part are named as in the whole, and so stand in its legend only where any do in that of the whole. */
function legendOn({ legend, tiers }: DiagramCommon): Pick<DiagramCommon, 'legend'> {
  const named = Object.values(tiers).some(({ name }) => name !== null);
  return named || legend?.tiers === 'shown' ? {} : { legend: { ...(legend ?? plainLegend), tiers: 'hidden' } };
}

/** Notes that belong to no entry stand on the first sheet alone. */
const notesOn = ({ notes }: DiagramCommon, number: number): DiagramCommon['notes'] =>
  number === 1 ? notes : Object.fromEntries(Object.entries(notes).filter(([, { place }]) => place.kind === 'entry'));

/** Tiers as a sheet counts them that begins so many tiers down, with the names and sizes that they have in the whole. */
function tiersFrom({ tiers, legend }: DiagramCommon, { tierStart }: Hierarchy, down: number): DiagramCommon['tiers'] {
  const moved: DiagramCommon['tiers'] = {};
  for (let tier = down + 1; tier < tierStart.length; tier++) {
    const settings = own(tiers, String(tier));
    // Where all tiers stand in the legend, they are counted there as in the whole.
    const name = settings?.name ?? (legend?.tiers === 'shown' ? `Tier ${tier}` : null);
    if (settings || name !== null) moved[String(tier - down)] = { gap: null, width: null, ...settings, name };
  }
  return moved;
}

/** What is set for lines to a tier, told by the tiers of a sheet that begins so many tiers down. */
function linesFrom({ styles: { tierLines } }: DiagramCommon, down: number): Pick<DiagramCommon['styles'], 'tierLines'> {
  if (!tierLines || down === 0) return {};
  const moved = Object.entries(tierLines).map(([tier, patch]) => [String(Number(tier) - down), patch] as const);
  return { tierLines: Object.fromEntries(moved.filter(([tier]) => Number(tier) > 0)) };
}

/** What the marks of a sheet say: where a cut branch goes on, and where a head comes from. */
function marksOf(
  structure: Hierarchy,
  { heads, cut }: SheetPlan,
  sheetOf: ReadonlyMap<number, number>,
  plans: readonly SheetPlan[] = [],
): Continued {
  const onward = new Map([...cut].map((i) => [structure.ids[i]!, sheetOf.get(i) ?? 99]));
  const back = new Map(
    heads
      .filter((i) => structure.parent[i]! >= 0)
      .map((i) => [structure.ids[i]!, Math.max(1, plans.findIndex((plan) => plan.cut.has(i)) + 1)]),
  );
  return { onward, back, tierOf: (id) => structure.tier[structure.index.get(id)!]! };
}

/** The smallest print on some sheets, in points; null where there is no text. */
export function smallestPrint(sheets: readonly SetSheet[]): number | null {
  const least = Math.min(...sheets.map(({ scene }) => scene.smallestText ?? Infinity));
  return Number.isFinite(least) ? least / pxPerPt : null;
}
