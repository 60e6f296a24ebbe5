import { lazy } from 'react';
import { diagramOf, type Diagram } from '../../../../core/diagram';
import { createEntry } from '../../../../core/model';
import { orgRoles } from '../../../../core/kinds/org-chart';
import { treeParts } from '../../tree/tree-parts';
import { wayOf, type TreeBenchWords } from '../../tree/words';
import type { KindParts } from '../kind-parts';

function sampleChart(): Diagram {
  const entry = (id: string, parent: string | null) => createEntry({ id, name: 'Mmmm', parent, order: id });
  const entries = [entry('a', null), ...['b', 'c'].map((id) => entry(id, 'a'))];
  entries.push(entry('d', 'b'), entry('e', 'b'), entry('f', 'c'), entry('g', 'c'));
  const diagram = diagramOf('org-chart', '', entries);
  return { ...diagram, arrangement: { ...diagram.arrangement, tiers: 'bands', lowest: 'row' } };
}

const words: TreeBenchWords = {
  leading: 'Manager (has reports)',
  dropHint: 'drop on whom to report to',
  willBeUnder: 'will report to',
  isUnder: 'reports to',
  head: 'manager',
  leaves: 'Reports who lead nobody',
  lines: 'Reporting lines',
  ways: [wayOf.bands, wayOf.compact, wayOf.right],
};

export const orgChartParts: KindParts = {
  ...treeParts(words, orgRoles),
  Figures: lazy(() => import('./OrgFigures').then((module) => ({ default: module.FiguresPanel }))),
  HandOut: null,
  sample: sampleChart(),
};
