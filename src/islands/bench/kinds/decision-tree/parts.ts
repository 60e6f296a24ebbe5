import { lazy } from 'react';
import { diagramOf, type Diagram } from '../../../../core/diagram';
import { createEntry, sideLinkProperties } from '../../../../core/model';
import { decisionRoles, type DecisionTree } from '../../../../core/kinds/decision-tree';
import { treeParts } from '../../tree/tree-parts';
import type { TreeBenchWords } from '../../tree/words';
import type { KindParts } from '../kind-parts';
import { DecisionArrangement } from './DecisionArrangement';
import { WalkOffer } from './WalkOffer';

function sampleTree(): Diagram {
  const entry = (id: string, parent: string | null) => createEntry({ id, name: 'Mmmm', parent, order: id });
  const entries = [entry('a', null), ...['b', 'c'].map((id) => entry(id, 'a'))];
  entries.push(entry('d', 'b'), entry('e', 'b'), entry('f', 'c'), entry('g', 'c'));
  return diagramOf('decision-tree', '', entries);
}

const words: TreeBenchWords = {
  leading: '',
  dropHint: 'drop it on what it is to follow',
  willBeUnder: 'will follow',
  isUnder: 'follows',
  head: 'node',
  leaves: 'Ends',
  ways: [],
  choosesRole: (diagram) => (diagram as DecisionTree).decision.manner.manner === 'analysis',
};

const parts = treeParts(words, decisionRoles);

export const decisionTreeParts: KindParts = {
  ...parts,
  scopes: (...given) => [...parts.scopes(...given), { scope: { kind: 'links' }, words: 'All branches' }],
  Arrangement: DecisionArrangement,
  Figures: lazy(() => import('./DecisionFigures').then((module) => ({ default: module.DecisionFiguresPanel }))),
  HandOut: WalkOffer,
  drawsLinks: false,
  notOfLinks: sideLinkProperties,
  sample: sampleTree(),
};
