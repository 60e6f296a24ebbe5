import { createElement, Fragment, lazy } from 'react';
import { diagramOf, type Diagram } from '../../../../core/diagram';
import { newLink, type ConceptMap } from '../../../../core/kinds/concept-map';
import { roman, tierCount } from '../../../../core/hierarchy';
import { createEntry, own, styleProperties } from '../../../../core/model';
import { entriesOf, leadingEntry } from '../../selection';
import { nearestTowards } from '../../stage/nearest-towards';
import { linkScopes } from '../../style/link-scopes';
import type { KindParts, ScopeChoice } from '../kind-parts';
import { Classroom } from './Classroom';
import { dropPlan, linkToGround } from './dropping';
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
  sample: sampleMap(),
  grab: () => null,
  drawsLinks: true,
  nudges: true,
  linkToGround: (diagram, from) => linkToGround(diagram as ConceptMap, from),
  towards: (_, { scene }, selected, direction) => nearestTowards(scene, selected, direction),
  keyed: () => null,
  drop: (diagram, _drawn, dragged) => dropPlan(diagram as ConceptMap, dragged),
  scopes(diagram, { structure }, scope, selection) {
    const selected = leadingEntry(selection);
    const at = selected === null ? undefined : structure.index.get(selected);
    const tiers = tierCount(structure);
    const itsTier = Math.max(1, at === undefined ? 1 : structure.tier[at]!);
    const tier = scope.kind === 'tier' && scope.tier <= tiers ? scope.tier : itsTier;
    const named = own(diagram.tiers, String(tier))?.name;
    const choices: ScopeChoice[] = [
      { scope: { kind: 'everything' }, words: 'Everything' },
      {
        scope: { kind: 'tier', tier },
        words: `Rank ${roman(tier)}${named ? `, ${named}` : ''}`,
        ...(tiers > 1 && {
          among: {
            label: 'Which rank',
            options: Array.from({ length: tiers }, (_, t) => ({
              scope: { kind: 'tier' as const, tier: t + 1 },
              words: roman(t + 1),
            })),
          },
        }),
      },
      { scope: { kind: 'role', role: 'example' }, words: 'Examples' },
    ];
    if (selected !== null && at !== undefined) {
      const picked = entriesOf(selection).length;
      choices.push({
        scope: { kind: 'this', entry: selected },
        words: picked > 1 ? `Only these ${picked}` : `Only ${own(diagram.entries, selected)!.name || 'this idea'}`,
      });
    }
    choices.push(...linkScopes(diagram, selection));
    return choices;
  },
};
