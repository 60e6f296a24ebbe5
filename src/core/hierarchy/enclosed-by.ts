import { own, type DiagramCommon, type Enclosure } from '../model';
import { withBranches } from './many';

/** Who an enclosure is around: its members, and all of its branch. O(members), and O(entries) where it is around a branch. */
export function enclosedBy(diagram: DiagramCommon, { members, branch }: Enclosure): ReadonlySet<string> {
  const inside = members.filter((id) => own(diagram.entries, id));
  return new Set(branch === null ? inside : [...inside, ...withBranches(diagram, [branch])]);
}
