import { lazy } from 'react';
import { diagramOf, type Diagram } from '../../../../core/diagram';
import { roman, tierCount } from '../../../../core/hierarchy';
import { createEntry, own, styleProperties } from '../../../../core/model';
import type { FamilyTree } from '../../../../core/kinds/family-tree';
import { entriesOf, leadingEntry } from '../../selection';
import { nearestTowards } from '../../stage/nearest-towards';
import type { KindParts, ScopeChoice } from '../kind-parts';
import { FamilyArrangement } from './FamilyArrangement';
import { FamilyList } from './FamilyList';
import { GedcomOffer } from './GedcomOffer';
import { dropPlan } from './dropping';

function sampleFamily(): Diagram {
  const entry = (id: string) => createEntry({ id, name: 'Mmmm', order: id });
  const diagram = diagramOf('family-tree', '', ['a', 'b', 'c', 'd'].map(entry));
  const union = { id: 'u', partners: ['a', 'b'], kind: 'unknown' as const, from: '', to: '', extra: '' };
  const child = [{ union: 'u', kind: 'birth' as const }];
  return { ...diagram, family: { ...diagram.family, unions: { u: union }, parentage: { c: child, d: child } } };
}

export const familyTreeParts: KindParts = {
  List: FamilyList,
  Arrangement: FamilyArrangement,
  Figures: lazy(() => import('./FamilyFigures').then((module) => ({ default: module.FamilyFiguresPanel }))),
  HandOut: GedcomOffer,
  properties: () => styleProperties,
  sample: sampleFamily(),
  grab: () => null,
  drawsLinks: false,
  nudges: false,
  towards: (_, { scene }, selected, direction) => nearestTowards(scene, selected, direction),
  keyed: () => null,
  drop: (diagram, _drawn, { grabbed, over }) => dropPlan(diagram as FamilyTree, grabbed.id, over),
  scopes(diagram, { structure }, scope, selection) {
    const selected = leadingEntry(selection);
    const at = selected === null ? undefined : structure.index.get(selected);
    const tiers = tierCount(structure);
    const itsTier = Math.max(1, at === undefined ? 1 : structure.tier[at]!);
    const tier = scope.kind === 'tier' && scope.tier <= tiers ? scope.tier : itsTier;
    const named = own(diagram.tiers, String(tier))?.name;
    const role = scope.kind === 'role' ? scope.role : 'pet';
    const choices: ScopeChoice[] = [
      { scope: { kind: 'everything' }, words: 'Everything' },
      {
        scope: { kind: 'tier', tier },
        words: `Generation ${roman(tier)}${named ? `, ${named}` : ''}`,
        ...(tiers > 1 && {
          among: {
            label: 'Which generation',
            options: Array.from({ length: tiers }, (_, t) => ({
              scope: { kind: 'tier' as const, tier: t + 1 },
              words: roman(t + 1),
            })),
          },
        }),
      },
      {
        scope: { kind: 'role', role },
        words: role === 'guest' ? 'Guests' : 'Pets',
        among: {
          label: 'Which kind',
          options: [
            { scope: { kind: 'role' as const, role: 'pet' }, words: 'Pets' },
            { scope: { kind: 'role' as const, role: 'guest' }, words: 'Guests' },
          ],
        },
      },
    ];
    if (selected !== null && at !== undefined) {
      const picked = entriesOf(selection).length;
      choices.push({
        scope: { kind: 'this', entry: selected },
        words: picked > 1 ? `Only these ${picked}` : `Only ${own(diagram.entries, selected)!.name || 'this person'}`,
      });
    }
    return choices;
  },
};
