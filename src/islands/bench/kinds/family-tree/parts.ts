import { lazy } from 'react';
import { diagramOf, type Diagram } from '../../../../core/diagram';
import { createEntry, styleProperties } from '../../../../core/model';
import type { FamilyTree } from '../../../../core/kinds/family-tree';
import { structureScope } from '../../style/link-scopes';
import { enclosureScope, roleScopeAmong, thisScope, tierScope } from '../../style/tier-scopes';
import { nearestTowards } from '../../stage/nearest-towards';
import type { KindParts } from '../kind-parts';
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
  structureLines: ['lineColour', 'lineWidth'],
  sample: sampleFamily(),
  grab: () => null,
  drawsLinks: false,
  nudges: false,
  towards: (_, { scene }, selected, direction) => nearestTowards(scene, selected, direction),
  keyed: () => null,
  drop: (diagram, _drawn, { grabbed, over }) => dropPlan(diagram as FamilyTree, grabbed.id, over),
  scopes(diagram, { structure }, scope, selection) {
    return [
      { scope: { kind: 'everything' }, words: 'Everything' },
      tierScope(diagram, structure, scope, selection, 'Generation'),
      roleScopeAmong(diagram, scope, [
        { id: 'pet', words: 'Pets' },
        { id: 'guest', words: 'Guests' },
      ]),
      ...enclosureScope(diagram, scope, selection),
      ...thisScope(diagram, structure, { scope, selection }, 'person'),
      ...structureScope(structure, scope, 'Family lines', 'all alike'),
    ];
  },
};
