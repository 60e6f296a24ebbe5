import type { KindId } from '../../../core/diagram';
import type { KindParts } from './kind-parts';
import { conceptMapParts } from './concept-map/parts';
import { decisionTreeParts } from './decision-tree/parts';
import { familyTreeParts } from './family-tree/parts';
import { orgChartParts } from './org-chart/parts';
import { topicTreeParts } from './topic-tree/parts';
import { vennParts } from './venn/parts';

const parts: { readonly [K in KindId]: KindParts } = {
  'org-chart': orgChartParts,
  'topic-tree': topicTreeParts,
  'decision-tree': decisionTreeParts,
  'family-tree': familyTreeParts,
  'concept-map': conceptMapParts,
  venn: vennParts,
};

export const partsOf = (kind: KindId): KindParts => parts[kind];
export type { DropPlan, Dragged, Grabbed, KindParts, ScopeChoice } from './kind-parts';
