import { createElement, Fragment, lazy } from 'react';
import { diagramOf, type Diagram } from '../../../../core/diagram';
import { newLink, type ConceptMap } from '../../../../core/kinds/concept-map';
import { createEntry, sideLinkProperties, styleProperties } from '../../../../core/model';
import { nearestTowards } from '../../stage/nearest-towards';
import { linkScopes } from '../../style/link-scopes';
import { enclosureScope, roleScopeAmong, thisScope, tierScope } from '../../style/tier-scopes';
import type { KindParts, ScopeChoice } from '../kind-parts';
import { Classroom } from './Classroom';
import { bendPlan, grabBend } from '../../tree/bending';
import { acrossLink, dropPlan, linkToGround } from './dropping';
import { GraphOffer } from './GraphOffer';
import { MapArrangement } from './MapArrangement';
import { MapList } from './MapList';

function sampleMap(): Diagram {
  const entry = (id: string) => createEntry({ id, name: 'Mmmm', order: id });
  const diagram = diagramOf('concept-map', '', ['a', 'b', 'c', 'd', 'e'].map(entry));
  const links = [
    newLink('x', 'a', 'b', 'mm'),
    newLink('y', 'a', 'c', 'mm'),
    newLink('z', 'b', 'd', 'mm'),
    newLink('w', 'c', 'e', 'mm'),
  ];
  return { ...diagram, links: Object.fromEntries(links.map((link) => [link.id, link])) };
}

export const conceptMapParts: KindParts = {
  List: MapList,
  Arrangement: MapArrangement,
  Figures: lazy(() => import('./MapFigures').then((module) => ({ default: module.MapFiguresPanel }))),
  HandOut: () => createElement(Fragment, null, createElement(Classroom), createElement(GraphOffer)),
  properties: () => styleProperties,
  notOfLinks: sideLinkProperties.filter((one) => one !== 'bend'),
  sample: sampleMap(),
  grab: grabBend,
  drawsLinks: true,
  glides: true,
  nudges: true,
  linkToGround: (diagram, from) => linkToGround(diagram as ConceptMap, from),
  towards: (_, { scene }, selected, direction) => nearestTowards(scene, selected, direction),
  keyed: () => null,
  drop: (diagram, drawn, dragged) =>
    dragged.grabbed.for === 'bend'
      ? bendPlan(diagram, drawn, dragged.grabbed.id, dragged.by, (_, link) => acrossLink(drawn, link))
      : dropPlan(diagram as ConceptMap, dragged),
  scopes: (diagram, { structure }, scope, selection): ScopeChoice[] => [
    { scope: { kind: 'everything' }, words: 'Everything' },
    tierScope(diagram, structure, scope, selection, 'Rank'),
    roleScopeAmong(diagram, scope, [{ id: 'example', words: 'Examples' }]),
    ...enclosureScope(diagram, scope, selection),
    ...thisScope(diagram, structure, { scope, selection }, 'idea'),
    ...linkScopes(diagram, scope, selection),
  ],
};
