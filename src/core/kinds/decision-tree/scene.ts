import type { Hierarchy } from '../../hierarchy';
import {
  KeptFor,
  own,
  type BoxStyle,
  type DiagramCommon,
  type Entry,
  type LinkStyle,
  type ShownEntry,
} from '../../model';
import { sheetSet, tierScene, type BranchLines, type Scene, type SheetSet, type TierWords } from '../../scene';
import { branchStyle, lookOf, mixed, type LinkKind } from '../../style';
import { branchName } from './figures/figures';
import { bestPlan, rollBack } from './figures/roll-back';
import { valueTreeOf, type ValueTree } from './figures/value-tree';
import { factsOf, type BranchFacts, type DecisionManner, type DecisionTree } from './model';
import { kindsOfNodes } from './nodes';
import { formatAmount, formatProbability } from './numbers';
import { decisionRoles, decisionVocabulary } from './words';

/** The lines of the tree as they are styled: all at once. */
const branchKind: LinkKind = {
  id: 'branch',
  name: 'Branch',
  legend: '',
  style: { phraseSize: 12 },
  ofStructure: true,
};

export const decisionWords: TierWords = {
  kindName: 'Decision tree',
  under: decisionVocabulary.words.under,
  alsoUnder: 'also to',
  roles: decisionRoles,
  linkKinds: [branchKind],
};

/** The tree as it is drawn: entries as the boxes show them, and what stands on the lines. */
interface Shown {
  readonly diagram: DiagramCommon;
  readonly words: TierWords;
}

export function decisionScene(diagram: DecisionTree, structure: Hierarchy, styles: readonly BoxStyle[]): Scene {
  const { diagram: shown, words } = shownAs(diagram, structure);
  return tierScene(shown, structure, styles, words);
}

/** The drawing with the way to a node lit: its lines stand out, the others stand back. */
export function litScene(
  diagram: DecisionTree,
  structure: Hierarchy,
  styles: readonly BoxStyle[],
  way: ReadonlySet<string>,
): Scene {
  const { lines } = styledLines(diagram);
  const branches: BranchLines = {
    words: (id) => [factsOf(diagram, id).label],
    style: (id) => lines[way.has(id) ? 'best' : 'other'],
    rank: (id) => (way.has(id) ? 1 : 0),
    ends: diagram.decision.manner.ends,
  };
  const faded = styles.map((style, i) => (way.has(structure.ids[i]!) ? litBox(style) : style));
  return tierScene(diagram, structure, faded, { ...decisionWords, branches });
}

const litBox = (style: BoxStyle): BoxStyle => ({ ...style, borderWidth: Math.max(3, style.borderWidth) });

export function decisionSet(
  diagram: DecisionTree,
  structure: Hierarchy,
  styles: readonly BoxStyle[],
  least: number,
): SheetSet {
  const { diagram: shown, words } = shownAs(diagram, structure);
  return sheetSet(shown, structure, styles, words, least);
}

function shownAs(diagram: DecisionTree, structure: Hierarchy): Shown {
  return diagram.decision.manner.manner === 'key' ? asKey(diagram) : asAnalysis(diagram, structure);
}

function asKey(diagram: DecisionTree): Shown {
  const style = branchStyle(diagram, {});
  const branches: BranchLines = {
    words: (id) => [factsOf(diagram, id).label],
    style: () => style,
    rank: () => 0,
    ends: diagram.decision.manner.ends,
  };
  return { diagram, words: { ...decisionWords, branches } };
}

function asAnalysis(diagram: DecisionTree, structure: Hierarchy): Shown {
  const { manner } = diagram.decision;
  const { tree, plan, amounts } = valuedOf(diagram, structure);
  const shown = manner.values === 'shown';
  const entries: DiagramCommon['entries'] = {};
  structure.ids.forEach((id, i) => {
    const entry = own(diagram.entries, id)!;
    const { payoff, label } = factsOf(diagram, id);
    const end = tree.count[i] === 0;
    const value = shown || end ? amounts[i]! : '';
    // On a branch with words of its own, the name is that of the node; else it stands on the branch.
    const named = tree.parent[i]! < 0 || label !== '';
    entries[id] = withValue(entry, named ? entry.name : null, end && payoff === null ? '?' : value);
  });
  const { lines } = styledLines(diagram);
  const branches: BranchLines = {
    words: (id) => wordsOfBranch(diagram, id),
    style: (id) => lines[!shown ? 'plain' : plan[structure.index.get(id)!] === 1 ? 'best' : 'other'],
    rank: (id) => (shown ? plan[structure.index.get(id)!]! : 0),
    ends: manner.ends,
    ...(shown && { explained: [{ words: 'Best choice', line: lines.best }] }),
  };
  const asHead = (id: string): Entry => {
    const entry = own(diagram.entries, id)!;
    const value = own(entries, id)!;
    const name = factsOf(diagram, id).label || entry.name;
    return value.name === entry.name || name === '' ? value : { ...entry, name, details: shown ? [value.name] : [] };
  };
  return { diagram: { ...diagram, entries }, words: { ...decisionWords, branches, asHead } };
}

interface Valued {
  readonly structure: Hierarchy;
  readonly tree: ValueTree;
  readonly plan: Uint8Array;
  /** Expected values as they are written. */
  readonly amounts: readonly string[];
}
const valued = new KeptFor<DecisionTree['decision'], Valued>();

/** What the nodes come to. Kept while no number, kind or place of a node changes. */
function valuedOf(diagram: DecisionTree, structure: Hierarchy): Valued {
  const before = valued.get(diagram.decision);
  const kinds = kindsOfNodes(diagram, structure);
  if (before?.structure === structure && before.tree.kind.every((kind, i) => kind === kinds[i])) return before;
  const { manner } = diagram.decision;
  const tree = valueTreeOf(diagram, structure);
  const rolled = rollBack(tree);
  const amounts = Array.from(rolled.value, (value) => formatAmount(value, manner));
  const made = { structure, tree, plan: bestPlan(tree, rolled), amounts };
  valued.set(diagram.decision, made);
  return made;
}

interface OnBranch {
  readonly facts: BranchFacts;
  readonly manner: DecisionManner;
  readonly words: readonly string[];
}
const onBranches = new KeptFor<Entry, OnBranch>();

/** What stands on the branch to a node: its name, and below it its chance and cost. The same words are one object. */
function wordsOfBranch(diagram: DecisionTree, id: string): readonly string[] {
  const entry = own(diagram.entries, id)!;
  const { manner } = diagram.decision;
  const facts = factsOf(diagram, id);
  const before = onBranches.get(entry);
  if (before?.facts === facts && before.manner === manner) return before.words;
  const { probability, cost } = facts;
  const numbers = [
    ...(probability === null ? [] : [formatProbability(probability)]),
    ...(cost === null ? [] : [`${manner.aim === 'most' ? '−' : '+'}${formatAmount(cost, manner)}`]),
  ].join('  ');
  const words = [branchName(diagram, id), numbers];
  onBranches.set(entry, { facts, manner, words });
  return words;
}

const withValues = new KeptFor<
  Entry,
  { readonly name: string | null; readonly value: string; readonly entry: Entry }
>();

/** An entry as its box shows it: its value alone, or below its name. Kept per entry while nothing in it changes. */
function withValue(entry: Entry, name: string | null, value: string): Entry {
  const before = withValues.get(entry);
  if (before && before.name === name && before.value === value) return before.entry;
  const details = value === '' ? entry.details : [value, ...entry.details.slice(0, 7)];
  const shown: ShownEntry =
    name === null || name === ''
      ? { ...entry, name: value || ' ', details: [] }
      : { ...entry, name, details, ahead: value === '' ? 0 : 1 };
  withValues.set(entry, { name, value, entry: shown });
  return shown;
}

/** Lines of the best plan stand out, the others stand back. */
function styledLines(diagram: DecisionTree): {
  readonly lines: Readonly<Record<'plain' | 'best' | 'other', LinkStyle>>;
} {
  const look = lookOf(diagram);
  const plain = branchStyle(diagram, {});
  const width = diagram.arrangement.lineWidth;
  return {
    lines: {
      plain,
      best: branchStyle(diagram, { lineColour: plain.phraseColour, lineWidth: width * 2 }),
      other: branchStyle(diagram, { lineColour: mixed(look.line, look.ground, 0.4) }),
    },
  };
}
