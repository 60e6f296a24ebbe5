import type { Diagram } from '../../../core/diagram';
import { kindOf } from '../../../core/diagram';
import { own } from '../../../core/model';
import { newId } from '../../shared/ids';
import type { DropPlan } from '../kinds';
import { linkPick } from '../selection';

/** What drawing a link from an entry to where the pointer is would do. */
export function linkPlan(diagram: Diagram, from: string, to: string | null): DropPlan {
  const kind = kindOf(diagram.kind).linkKinds.find(({ ofStructure }) => !ofStructure);
  const name = (id: string) => own(diagram.entries, id)?.name || 'an entry without a name';
  if (!kind || to === null || to === from)
    return {
      words: `${kind?.name ?? 'Link'} from ${name(from)}: let go on another entry`,
      gesture: null,
      target: null,
    };
  const known = Object.values(diagram.links).some((one) => one.from === from && one.to === to && one.kind === kind.id);
  const target = { for: 'entry', id: to };
  if (known) return { words: `${name(from)} and ${name(to)} are linked already`, gesture: null, target };
  const id = newId();
  return {
    words: `${kind.name} from ${name(from)} to ${name(to)}`,
    gesture: [{ kind: 'addLink', link: { id, from, to, kind: kind.id, phrase: '' } }],
    target,
    picks: [linkPick(id)],
    edits: id,
  };
}
