import { lazy } from 'react';
import { outsideness } from '../../../../core/arrange/curves';
import {
  keyOfMask,
  maskOf,
  setsInOrder,
  setsOfMask,
  regionWords,
  overlapName,
  type VennScene,
} from '../../../../core/kinds/venn';
import { own } from '../../../../core/model';
import { lookOf } from '../../../../core/style';
import { nearestTowards } from '../../stage/nearest-towards';
import { entriesOf, leadingEntry } from '../../selection';
import { roleScopeAmong } from '../../style/tier-scopes';
import type { KindParts, ScopeChoice } from '../kind-parts';
import { dropSet, sampleSets, setNameAt } from './dragging-sets';
import { tick } from './set-actions';
import { Exercise } from './Exercise';
import { SetList } from './SetList';
import { VennArrangement } from './VennArrangement';

const curveProperties = [
  'fill',
  'text',
  'border',
  'borderWidth',
  'borderLine',
  'nameFont',
  'nameSize',
  'nameWeight',
  'nameSlant',
] as const;
const regionProperties = [
  ...curveProperties,
  'nameCase',
  'details',
  'detailOrder',
  'detailFont',
  'detailSize',
  'detailWeight',
  'detailSlant',
  'detailText',
  'cover',
  'nameMarks',
  'sign',
  'signColour',
] as const;
/** Of items with a role, and of single ones, which have a box of their own once anything of it is set. */
const itemProperties = [...regionProperties, 'shape', 'corner', 'room', 'shade', 'effect'] as const;

export const vennParts: KindParts = {
  List: SetList,
  Arrangement: VennArrangement,
  Figures: lazy(() => import('./VennFigures').then((module) => ({ default: module.VennFigures }))),
  HandOut: Exercise,
  properties: ({ kind }) =>
    kind === 'set' ? curveProperties : kind === 'role' || kind === 'this' ? itemProperties : regionProperties,
  fillsElsewhere: true,
  encloses: false,
  sample: sampleSets(),
  litRegions: (scope) => (scope.kind === 'region' ? [scope.region] : []),
  grab: setNameAt,
  textGround: (diagram, scope) => (scope.kind === 'set' ? lookOf(diagram).ground : null),
  towards: (_diagram, { scene }, selected, direction) => nearestTowards(scene, selected, direction),
  keyed(diagram, selected, key) {
    const set = diagram.kind === 'venn' ? setsInOrder(diagram.venn)[Number(key) - 1] : undefined;
    return diagram.kind === 'venn' && set ? tick(diagram, selected, set.id) : null;
  },
  scopes(diagram, { structure }, scope, selection) {
    const selected = leadingEntry(selection);
    if (diagram.kind !== 'venn') return [];
    const sets = setsInOrder(diagram.venn);
    const at = selected === null ? undefined : structure.index.get(selected);
    const tierOptions = Array.from({ length: sets.length + 1 }, (_, t) => ({
      scope: { kind: 'tier' as const, tier: t },
      words: own(diagram.tiers, String(t))?.name ?? overlapName(t, sets.length),
    }));
    const regionOptions = Array.from({ length: 1 << sets.length }, (_, mask) => ({
      scope: { kind: 'region' as const, region: keyOfMask(sets, mask) },
      words: regionWords(sets, mask),
    }));
    const ownTier = at === undefined ? 1 : structure.tier[at]!;
    const tier = scope.kind === 'tier' && scope.tier <= sets.length ? scope.tier : ownTier;
    const last = selection.at(-1);
    const ownRegion =
      last?.for === 'region' ? last.id : keyOfMask(sets, selected === null ? 1 : maskOf(diagram.venn, sets, selected));
    const region =
      scope.kind === 'region' && regionOptions.some((one) => one.scope.region === scope.region)
        ? scope.region
        : ownRegion;
    const set =
      sets.find((one) => scope.kind === 'set' && one.id === scope.set) ??
      sets.find((one) => last?.for === 'set' && one.id === last.id) ??
      sets[0];
    const choices: ScopeChoice[] = [
      { scope: { kind: 'everything' }, words: 'Everything' },
      {
        scope: { kind: 'tier', tier },
        words: `Tier: ${tierOptions[tier]!.words.toLowerCase()}`,
        among: { label: 'Which tier', options: tierOptions },
      },
      {
        scope: { kind: 'region', region },
        words: `Region: ${regionOptions.find((one) => one.scope.region === region)?.words ?? ''}`,
        among: { label: 'Which region', options: regionOptions },
      },
    ];
    if (set)
      choices.push({
        scope: { kind: 'set', set: set.id },
        words: `Set: ${set.name || 'without a name'}`,
        among: {
          label: 'Which set',
          options: sets.map((one) => ({
            scope: { kind: 'set' as const, set: one.id },
            words: one.name || 'without a name',
          })),
        },
      });
    if (Object.keys(diagram.roles).length > 0) choices.push(roleScopeAmong(diagram, scope, []));
    if (selected !== null && at !== undefined)
      choices.push({
        scope: { kind: 'this', entry: selected },
        words:
          entriesOf(selection).length > 1
            ? `Only these ${entriesOf(selection).length}`
            : `Only ${own(diagram.entries, selected)!.name || 'this entry'}`,
      });
    return choices;
  },
  drawsLinks: false,
  nudges: false,
  drop(diagram, drawn, { grabbed, selection, x, y }) {
    const scene = drawn.scene as VennScene;
    if (grabbed.for === 'set') return dropSet(diagram, drawn, grabbed.id, x, y);
    const moving = grabbed.id;
    const entry = own(diagram.entries, moving);
    if (diagram.kind !== 'venn' || !entry) return { words: '', gesture: null, target: null };
    const sets = setsInOrder(diagram.venn);
    const mask = scene.curves.reduce((bits, curve, i) => (outsideness(curve, x, y) < 0 ? bits | (1 << i) : bits), 0);
    const picked = entriesOf(selection);
    const all = picked.includes(moving) ? picked : [moving];
    const elsewhere = all.filter((id) => maskOf(diagram.venn, sets, id) !== mask);
    const name = all.length > 1 ? `${all.length} entries` : entry.name || 'This entry';
    const target = { for: 'region', id: keyOfMask(sets, mask) };
    if (elsewhere.length === 0)
      return {
        words: `${name} ${all.length > 1 ? 'are' : 'is'} here: ${regionWords(sets, mask)}`,
        gesture: null,
        target,
      };
    const members = setsOfMask(sets, mask).map((set) => set.id);
    return {
      words: `${name}: ${regionWords(sets, mask)}`,
      gesture: elsewhere.map((id) => ({ kind: 'setMembers', entry: id, sets: members })),
      target,
    };
  },
};
