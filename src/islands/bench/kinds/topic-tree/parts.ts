import { lazy } from 'react';
import { diagramOf, type Diagram } from '../../../../core/diagram';
import { createEntry } from '../../../../core/model';
import { topicRoles } from '../../../../core/kinds/topic-tree';
import { treeParts } from '../../tree/tree-parts';
import { wayOf, type TreeBenchWords } from '../../tree/words';
import type { KindParts } from '../kind-parts';

function sampleTree(): Diagram {
  const entry = (id: string, parent: string | null) => createEntry({ id, name: 'Mmmm', parent, order: id });
  const entries = [entry('a', null), ...['b', 'c'].map((id) => entry(id, 'a'))];
  entries.push(entry('d', 'b'), entry('e', 'b'), entry('f', 'c'), entry('g', 'c'));
  const diagram = diagramOf('topic-tree', '', entries);
  return { ...diagram, arrangement: { ...diagram.arrangement, tiers: 'bands', lowest: 'row' } };
}

const words: TreeBenchWords = {
  leading: 'Class (is divided further)',
  dropHint: 'drop it on what it is to belong to',
  willBeUnder: 'will belong to',
  isUnder: 'belongs to',
  head: 'class',
  leaves: 'Ideas not divided further',
  lines: 'Lines of the tree',
  ways: [wayOf.bands, wayOf.right, wayOf.columns, wayOf.indented, wayOf.compact],
};

export const topicTreeParts: KindParts = {
  ...treeParts(words, topicRoles),
  Figures: lazy(() => import('./TopicFigures').then((module) => ({ default: module.TopicFiguresPanel }))),
  HandOut: null,
  sample: sampleTree(),
};
