import { leastPrintedPt, printPt } from '../../../check';
import { withoutParents } from '../../../hierarchy';
import { KeptFor } from '../../../model';
import { resolveStyles } from '../../../style';
import type { FamilyTree } from '../model';
import { relatedStructure } from '../structure';
import { familyRoles } from '../words';
import { familyScene } from './scene';

/** Larger families go over several sheets in any case, and trying takes its time. */
const mostTried = 250;
/** The other way has to print this much larger. */
const worthTurning = 1.15;

type Way = FamilyTree['arrangement']['direction'];

/** Size of the smallest text of a family whose generations follow each other in a way, in points; 0 without text. */
function printOf(diagram: FamilyTree, direction: Way): number {
  const turned = { ...diagram, arrangement: { ...diagram.arrangement, direction } };
  const listing = relatedStructure(turned);
  return printPt(familyScene(turned, listing, resolveStyles(turned, withoutParents(listing), familyRoles))) ?? 0;
}

interface Larger {
  readonly direction: Way;
  readonly points: number;
}
const known = new KeptFor<FamilyTree, { readonly larger: Larger | null }>();

/**
 * The way in which a family that prints too small would print clearly larger, and how large, in points; null where there is none. A broad family has more
 * room with its generations as columns, as names lie along the lines of print. Asked again for the same family it is known.
 */
export function largerWay(diagram: FamilyTree): Larger | null {
  const before = known.get(diagram);
  if (before) return before.larger;
  const larger = triedWay(diagram);
  known.set(diagram, { larger });
  return larger;
}

function triedWay(diagram: FamilyTree): Larger | null {
  const persons = Object.keys(diagram.entries).length;
  if (persons === 0 || persons > mostTried || diagram.sheet.size === 'drawing') return null;
  const { direction } = diagram.arrangement;
  const points = printOf(diagram, direction);
  if (points >= (diagram.sheet.leastPrint ?? leastPrintedPt)) return null;
  const other = direction === 'right' ? 'down' : 'right';
  const turned = printOf(diagram, other);
  return turned > points * worthTurning ? { direction: other, points: turned } : null;
}

/** A family as it is made from a list: from the top down where that can be read on its sheet or prints as large, else from left to right. */
export function readably(diagram: FamilyTree): FamilyTree {
  const many = Object.keys(diagram.entries).length > mostTried;
  const way = many ? 'right' : largerWay(diagram)?.direction;
  return way ? { ...diagram, arrangement: { ...diagram.arrangement, direction: way } } : diagram;
}
