import { createElement, lazy } from 'react';
import { moveUnder, topmost, hierarchyOf, roleName, roleOf, roman } from '../../../../core/hierarchy';
import { kindOf, diagramOf, type Diagram } from '../../../../core/diagram';
import { createEntry, styleProperties, own } from '../../../../core/model';
import { orgRoles } from '../../../../core/kinds/org-chart';
import { entryTowards } from '../../tree/outline-moves';
import type { TreeBenchWords } from '../../tree/words';
import { OutlineList } from '../../tree/OutlineList';
import { moveMany, movingWords } from '../../tree/drop-words';
import { entriesOf, leadingEntry } from '../../selection';
import { linkScopes } from '../../style/link-scopes';
import { TierArrangement } from '../../tree/TierArrangement';
import type { KindParts, ScopeChoice } from '../kind-parts';

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
};

export const orgChartParts: KindParts = {
  List: () => createElement(OutlineList, { words }),
  Arrangement: () => createElement(TierArrangement, { words }),
  Figures: lazy(() => import('./OrgFigures').then((module) => ({ default: module.FiguresPanel }))),
  HandOut: null,
  properties: () => styleProperties,
  sample: sampleChart(),
  scopes(diagram, _drawn, scope, selection) {
    const selected = leadingEntry(selection);
    const structure = hierarchyOf(diagram.entries);
    const at = selected === null ? undefined : structure.index.get(selected);
    const tiers = structure.tierStart.length - 1;
    const itsTier = at !== undefined ? structure.tier[at]! : 1;
    const tier = scope.kind === 'tier' && scope.tier <= tiers ? scope.tier : itsTier;
    const known = scope.kind === 'role' ? scope.role : 'manager';
    const role = at === undefined ? known : (roleOf(diagram, structure, at, orgRoles) ?? known);
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
        words: `Role: ${roleName(role, orgRoles).toLowerCase()}`,
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
      const picked = entriesOf(selection).length;
      choices.push({
        scope: { kind: 'this', entry: selected },
        words: picked > 1 ? `Only these ${picked}` : `Only ${name}`,
      });
    }
    choices.push(...linkScopes(diagram, selection));
    return choices;
  },
  grab: () => null,
  towards: (diagram, { scene }, selected, direction) =>
    entryTowards(hierarchyOf(diagram.entries), selected, direction, scene.direction),
  keyed: () => null,
  drawsLinks: true,
  drop(diagram, _drawn, { grabbed: { id: moving }, selection, over }) {
    const picked = entriesOf(selection);
    const all = picked.includes(moving) ? topmost(diagram, picked) : [moving];
    if (all.length > 1) return moveMany(diagram, all, over, words);
    const { words: told, allowed } = movingWords(diagram, moving, over, words);
    if (!allowed || over === null) return { words: told, gesture: null, target: null };
    return { words: told, gesture: moveUnder(diagram, moving, over), target: { for: 'entry', id: over } };
  },
};
