import { lazy } from 'react';
import { moveUnder } from '../../../core/edit';
import { kindOf } from '../../../core/kind';
import { createEntry, diagramOf, styleProperties, type Diagram, own } from '../../../core/model';
import { roleName, roleOf, roman } from '../../../core/tiers';
import { OutlineList } from '../list/OutlineList';
import { movingWords } from '../moving-words';
import { TierArrangement } from '../panels/TierArrangement';
import type { KindParts, ScopeChoice } from './kind-parts';

function sampleChart(): Diagram {
  const entry = (id: string, parent: string | null) => createEntry({ id, name: 'Mmmm', parent, order: id });
  const entries = [entry('a', null), ...['b', 'c'].map((id) => entry(id, 'a'))];
  entries.push(entry('d', 'b'), entry('e', 'b'), entry('f', 'c'), entry('g', 'c'));
  const diagram = diagramOf('org-chart', '', entries);
  return { ...diagram, arrangement: { ...diagram.arrangement, lowest: 'row' } };
}

export const orgChartParts: KindParts = {
  List: OutlineList,
  Arrangement: TierArrangement,
  Figures: lazy(() => import('../panels/FiguresPanel').then((module) => ({ default: module.FiguresPanel }))),
  HandOut: null,
  properties: () => styleProperties,
  sample: sampleChart(),
  scopes(diagram, { structure }, scope, selected) {
    const at = selected === null ? undefined : structure.index.get(selected);
    const tiers = structure.tierStart.length - 1;
    const itsTier = at !== undefined ? structure.tier[at]! : 1;
    const tier = scope.kind === 'tier' && scope.tier <= tiers ? scope.tier : itsTier;
    const known = scope.kind === 'role' ? scope.role : 'manager';
    const role = at === undefined ? known : (roleOf(diagram, structure, at) ?? known);
    const tierName = own(diagram.tiers, String(tier))?.name;
    const choices: ScopeChoice[] = [
      { scope: { kind: 'everything' }, words: 'Everything' },
      {
        scope: { kind: 'tier', tier },
        words: `Tier ${roman(tier)}${tierName ? `, ${tierName}` : ''}`,
        ...(tiers > 1 && {
          among: {
            label: 'Which tier',
            options: Array.from({ length: tiers }, (_, t) => ({
              scope: { kind: 'tier' as const, tier: t + 1 },
              words: roman(t + 1),
            })),
          },
        }),
      },
      {
        scope: { kind: 'role', role },
        words: `Role: ${roleName(role).toLowerCase()}`,
        among: {
          label: 'Which role',
          options: kindOf(diagram.kind).roles.map((one) => ({
            scope: { kind: 'role' as const, role: one.id },
            words: one.name,
          })),
        },
      },
    ];
    if (selected !== null && at !== undefined) {
      const name = own(diagram.entries, selected)!.name || 'this entry';
      if (structure.count[at]! > 0)
        choices.push({ scope: { kind: 'branch', entry: selected }, words: `Branch: ${name}` });
      choices.push({ scope: { kind: 'this', entry: selected }, words: `Only ${name}` });
    }
    return choices;
  },
  grab: () => null,
  keyed: () => null,
  drop(diagram, _drawn, { id: moving }, over) {
    const { words, allowed } = movingWords(diagram, moving, over);
    if (!allowed || over === null) return { words, gesture: null, target: null };
    return { words, gesture: moveUnder(diagram, moving, over), target: { for: 'entry', id: over } };
  },
};
