import { kindOf, type Diagram } from '../../../core/diagram';
import { own } from '../../../core/model';
import type { ScopeChoice } from '../kinds/kind-parts';
import { linksOf, type Selection } from '../selection';

/** All links, and the one that is selected; none where the diagram has no links. */
export function linkScopes(diagram: Diagram, selection: Selection): ScopeChoice[] {
  if (Object.keys(diagram.links).length === 0) return [];
  const name = kindOf(diagram.kind).linkKinds[0]?.name.toLowerCase() ?? 'link';
  const picked = linksOf(selection);
  const link = picked.length > 0 ? own(diagram.links, picked.at(-1)!) : undefined;
  const named = (id: string) => own(diagram.entries, id)?.name || 'an entry without a name';
  const choices: ScopeChoice[] = [{ scope: { kind: 'links' }, words: `All ${name}s` }];
  if (link)
    choices.push({
      scope: { kind: 'link', link: link.id },
      words:
        picked.length > 1
          ? `Only these ${picked.length} links`
          : `Only the one from ${named(link.from)} to ${named(link.to)}`,
    });
  return choices;
}
