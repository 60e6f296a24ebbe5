import { hierarchyOf, matchEntries, entryChanges, type Hierarchy } from '../../hierarchy';
import { changesTold, directions, trayChanges, treeDrawing, treeList, type Kind } from '../../kind';
import { emptyCommon, own } from '../../model';
import { commonSigns, hangingShare, ListTokens, takenFrom } from '../../read';
import { takesLongToFit, type Scene } from '../../scene';
import { checkDecision } from './check';
import { columnsShown, decisionColumns } from './columns';
import { applyDecision, decisionBelongings, decisionCommands, decisionEdits, type DecisionCommand } from './commands';
import { figureDecision, type DecisionFigures } from './figures/figures';
import { decisionFix } from './fixes';
import {
  brokenDecision,
  DecisionTree,
  emptyDecision,
  factsOf,
  noFacts,
  type BranchFacts,
  type DecisionManner,
} from './model';
import { readDecision } from './read/read';
import type { DecisionReading } from './read/result';
import { signsOfFacts } from './read/signs';
import { decisionScene, decisionSet, decisionWords } from './scene';
import { decisionVocabulary } from './words';
import { decisionCsv, decisionText } from './write';

interface DecisionTypes {
  readonly diagram: DecisionTree;
  readonly listing: Hierarchy;
  readonly reading: DecisionReading;
  readonly scene: Scene;
  readonly figures: DecisionFigures;
  readonly command: DecisionCommand;
  readonly scope: never;
  readonly belongings: { readonly facts?: Record<string, BranchFacts> };
}

const mannered = (patch: Partial<DecisionManner>): readonly DecisionCommand[] => [{ kind: 'setDecision', patch }];

const isAnalysis = ({ facts }: DecisionReading): boolean =>
  Object.values(facts).some(
    ({ probability, cost, payoff }) => probability !== null || cost !== null || payoff !== null,
  );

/** Words that answer a question. */
const answering = /^(yes|no|true|false|ja|nein|oui|non|sí|si|otherwise|else)$/i;

export const decisionTree: Kind<DecisionTypes> = {
  id: 'decision-tree',
  name: 'Decision tree',
  nameInSentence: 'decision tree',
  entryNoun: ['node', 'nodes'],
  holds: 'Questions with answers, or decisions with chances and payoffs',
  schemas: {
    diagram: DecisionTree,
    commands: decisionCommands,
    scopes: [],
    belongings: decisionBelongings,
  },
  empty: (common) => ({
    kind: 'decision-tree',
    ...common,
    sheet: { ...common.sheet, orientation: 'open' },
    arrangement: { ...common.arrangement, direction: 'right', tiers: 'bands', lowest: 'row', narrowest: 20 },
    decision: emptyDecision,
  }),
  broken: brokenDecision,
  edits: decisionEdits,
  apply: applyDecision,

  ...treeList(decisionVocabulary),
  columnUses: [
    { use: 'name', words: 'the question, choice or result' },
    { use: 'parent', words: 'what it follows' },
    { use: 'own-label', words: 'the answer' },
    { use: 'own-probability', words: 'a probability' },
    { use: 'own-cost', words: 'a cost' },
    { use: 'own-payoff', words: 'a payoff' },
    { use: 'role', words: 'the kind of node' },
    { use: 'id', words: 'an id' },
    { use: 'detail', words: 'a note' },
    { use: 'field', words: 'kept, not drawn' },
    { use: 'leftOut', words: 'left out' },
  ],
  columns: decisionColumns,
  shownColumns: columnsShown,
  read: readDecision,
  told(read) {
    if (read.structure === 'couplets') return 'Numbered couplets lead from one to the next.';
    if (isAnalysis(read)) return 'Probabilities, costs and payoffs stand on the branches.';
    if (Object.values(read.facts).some(({ label }) => label !== '')) return 'Answers lead from question to question.';
    return 'Nothing tells answers or chances yet.';
  },
  fits(read) {
    if (read.entries.length === 0) return null;
    const told = Object.keys(read.facts).length;
    const branches = read.entries.filter(({ parent }) => parent !== null).length;
    const share = branches === 0 ? 0 : Math.min(1, told / branches);
    const asking = read.entries.filter(({ name }) => name.endsWith('?')).length;
    const answers = Object.values(read.facts).filter(({ label }) => answering.test(label.trim())).length;
    const analysis = isAnalysis(read);
    const couplets = read.structure === 'couplets';
    // What stands below nothing is no branch of a tree.
    const hangs = branches > (read.entries.length - 1) * 0.5;
    const speaks = couplets || (hangs && (analysis ? share > 0.3 : share > 0.5 && (asking > 0 || answers > 0)));
    return {
      words: analysis ? 'chances and payoffs' : speaks ? 'questions and answers' : 'the list tells no answers',
      signs: {
        ...commonSigns(read),
        // The questions of couplets have numbers for names.
        ...(couplets && { odd: 0 }),
        ...signsOfFacts(read),
        told: share,
        analysis: Number(analysis),
        answers: told === 0 ? 0 : answers / told,
        hanging: hangingShare(read),
      },
      because: decisionTree.told(read),
      against: speaks ? '' : 'Few lines tell an answer, a probability or a payoff.',
    };
  },
  make(read, title) {
    const base = decisionTree.empty(emptyCommon(title));
    const taken = takenFrom(read);
    const analysis = isAnalysis(read);
    const facts = Object.fromEntries(Object.entries(read.facts).filter(([id]) => own(taken.entries, id)));
    const manner = {
      ...base.decision.manner,
      manner: analysis ? ('analysis' as const) : ('key' as const),
      ends: analysis ? ('aligned' as const) : ('own' as const),
      unit: read.unit.slice(0, 12),
    };
    return { ...base, ...taken, links: {}, decision: { facts, manner } };
  },
  csv: decisionCsv,
  text: decisionText,
  lineTold:
    'One line a branch: words (probability, cost 20): name = payoff, of which any part may be missing. “Bad winter (0.3) = -18000”, “Yes: Curlew”. Tab indents; what stands in quotes is taken as it is.',
  update: (diagram, text, newId) =>
    changesTold(
      text,
      decisionText(diagram),
      (now) => readDecision(new ListTokens(now, decisionVocabulary.headings)),
      (read) => {
        const idOf = matchEntries(diagram, read.entries, newId);
        const changed = read.entries.flatMap((entry): DecisionCommand[] => {
          const id = idOf.get(entry.id)!;
          const [before, now] = [factsOf(diagram, id), own(read.facts, entry.id) ?? noFacts];
          return JSON.stringify(before) === JSON.stringify({ ...before, ...now })
            ? []
            : [{ kind: 'setFacts', id, patch: now }];
        });
        return [...entryChanges(diagram, read.entries, idOf), ...changed, ...trayChanges(diagram, read, newId)];
      },
    ),

  options: [
    directions,
    { name: 'manner', choices: { key: mannered({ manner: 'key' }), analysis: mannered({ manner: 'analysis' }) } },
    { name: 'ends', choices: { own: mannered({ ends: 'own' }), aligned: mannered({ ends: 'aligned' }) } },
    { name: 'aim', choices: { most: mannered({ aim: 'most' }), least: mannered({ aim: 'least' }) } },
  ],
  ...treeDrawing(decisionWords),
  settableRoles: ['decision', 'chance'],
  structure: (diagram) => hierarchyOf(diagram.entries),
  scene: decisionScene,
  set: decisionSet,
  takesLong: takesLongToFit,
  sheets: {},
  check: checkDecision,
  fix: decisionFix,
  figure: figureDecision,
};
