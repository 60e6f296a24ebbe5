import { createElement } from 'react';
import { hierarchyOf, moveUnder, ownRoles, roleName, roleOf, topmost, type Roles } from '../../../core/hierarchy';
import { kindOf } from '../../../core/diagram';
import { own, styleProperties } from '../../../core/model';
import { entryTowards } from './outline-moves';
import type { TreeBenchWords } from './words';
import { OutlineList } from './OutlineList';
import { moveMany, movingWords } from './drop-words';
import { bendPlan, grabBend } from './bending';
import { nudgePlan } from './nudging';
import { entriesOf, leadingEntry } from '../selection';
import { linkScopes, structureScope } from '../style/link-scopes';
import { enclosureScope, thisScope, tierScope } from '../style/tier-scopes';
import { TierArrangement } from './TierArrangement';
import type { KindParts, ScopeChoice } from '../kinds/kind-parts';

/** What every kind brings to the Bench whose entries stand under each other on tiers, in the kind's words. */
export const treeParts = (words: TreeBenchWords, roles: Roles): Omit<KindParts, 'Figures' | 'HandOut' | 'sample'> => ({
  List: () => createElement(OutlineList, { words }),
  Arrangement: () => createElement(TierArrangement, { words }),
  properties: () => styleProperties,
  structureLines: ['lineColour', 'lineWidth', 'dash', 'course', 'startMark', 'endMark', 'endGap'],
  scopes(diagram, _drawn, scope, selection) {
    const selected = leadingEntry(selection);
    const structure = hierarchyOf(diagram.entries);
    const at = selected === null ? undefined : structure.index.get(selected);
    const known = scope.kind === 'role' ? scope.role : (roles.leading ?? roles.all[0]?.id);
    const its = at === undefined || scope.kind === 'role' ? known : (roleOf(diagram, structure, at, roles) ?? known);
    // What is scoped is what is marked, whatever is selected.
    const all = [...ownRoles(diagram), ...kindOf(diagram.kind).roles];
    const role = all.some(({ id }) => id === its) ? its : all[0]?.id;
    const choices: ScopeChoice[] = [
      { scope: { kind: 'everything' }, words: 'Everything' },
      tierScope(diagram, structure, scope, selection, 'Tier'),
    ];
    if (role !== undefined)
      choices.push({
        scope: { kind: 'role', role },
        words: `Role: ${roleName(role, roles, diagram).toLowerCase()}`,
        among: {
          label: 'Which role',
          options: all.map((one) => ({
            scope: { kind: 'role' as const, role: one.id },
            words: one.name,
          })),
        },
      });
    choices.push(...enclosureScope(diagram, scope, selection));
    const leads = (id: string | null): boolean =>
      id !== null && structure.index.has(id) && structure.count[structure.index.get(id)!]! > 0;
    const head = scope.kind === 'branch' && leads(scope.entry) ? scope.entry : leads(selected) ? selected! : null;
    if (head !== null)
      choices.push({
        scope: { kind: 'branch', entry: head },
        words: `Branch: ${own(diagram.entries, head)!.name || 'this entry'}`,
      });
    choices.push(...thisScope(diagram, structure, { scope, selection }, 'entry'));
    if (words.lines) choices.push(...structureScope(structure, scope, words.lines, 'per tier'));
    choices.push(...linkScopes(diagram, scope, selection));
    return choices;
  },
  grab: grabBend,
  towards: (diagram, { scene }, selected, direction) =>
    entryTowards(hierarchyOf(diagram.entries), selected, direction, scene.direction),
  keyed: () => null,
  drawsLinks: true,
  nudges: true,
  drop(diagram, drawn, { grabbed, selection, over, by }) {
    if (grabbed.for === 'bend') return bendPlan(diagram, drawn, grabbed.id, by);
    const { id: moving } = grabbed;
    const picked = entriesOf(selection);
    const all = picked.includes(moving) ? topmost(diagram, picked) : [moving];
    if (over === null) return nudgePlan(diagram, picked.includes(moving) ? picked : [moving], by, words);
    if (all.length > 1) return moveMany(diagram, all, over, words);
    const { words: told, allowed } = movingWords(diagram, moving, over, words);
    if (!allowed) return { words: told, gesture: null, target: null };
    return { words: told, gesture: moveUnder(diagram, moving, over), target: { for: 'entry', id: over } };
  },
});
