import { ownRoleOf } from '../../../hierarchy';
import { legendFrom, roleItems, type Legend } from '../../../scene';
import type { Venn } from '../model';
import { boxing } from '../styles';

const kept = new WeakMap<Venn, Legend>();

/** What tells the roles made for a diagram, for those that an item has that is drawn; sets and regions say themselves what they are. */
export function vennLegend(diagram: Venn): Legend {
  let made = kept.get(diagram);
  if (made) return made;
  const { content, wordBank } = diagram.venn.manner;
  const isDrawn = content === 'names' || content === 'scattered' || (content === 'blank' && wordBank);
  const has = (role: string): boolean =>
    isDrawn && Object.keys(diagram.entries).some((id) => ownRoleOf(diagram, id, false) === role);
  made = legendFrom(
    diagram,
    {
      roles: () =>
        roleItems(diagram, { all: [] }, has, (patch) => boxing.some((property) => patch[property] !== undefined)),
    },
    true,
  );
  kept.set(diagram, made);
  return made;
}
