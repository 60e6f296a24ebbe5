import type { DiagramCommon } from '../model';
import { enclosureGroups, type Drawn } from './enclosures';
import { entryNotes } from './entry-notes';
import type { Rect, SceneGroup } from './scene';

/** The outlines around entries, below all else, and the notes beside them. `drawn` is asked only where there are any. */
export function surroundings(
  diagram: DiagramCommon,
  drawn: () => Drawn,
): { readonly enclosures: readonly SceneGroup[]; readonly notes: readonly SceneGroup[] } {
  const noted = Object.values(diagram.notes).some(({ place }) => place.kind === 'entry');
  if (!noted && Object.keys(diagram.enclosures).length === 0) return { enclosures: [], notes: [] };
  const around = drawn();
  return { enclosures: enclosureGroups(diagram, around), notes: entryNotes(diagram, around) };
}

/** The extent of a group where it stands. */
export const placedBounds = ({ x, y, bounds }: SceneGroup): Rect => ({ ...bounds, x: bounds.x + x, y: bounds.y + y });
