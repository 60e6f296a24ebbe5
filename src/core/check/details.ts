import type { Listing } from '../hierarchy';
import { nameOf } from './list-checks';
import { detailsInOrder, finding, own, type BoxStyle, type DiagramCommon, type Finding } from '../model';

/** How many detail lines have to be shown for all that are not empty to be. */
const toldIn = ({ entries }: DiagramCommon, id: string, order: string): number =>
  detailsInOrder(own(entries, id)!, order).reduce((last, detail, k) => (detail.trim() === '' ? last : k + 1), 0);

/** Details that the list has and the drawing leaves out. Where a style shows none at all, somebody wanted it so. */
export function detailsLeftOut(
  diagram: DiagramCommon,
  { ids }: Listing,
  styles: readonly BoxStyle[],
): Finding<'details-left-out'>[] {
  const left = ids.filter(
    (id, i) => styles[i]!.details > 0 && toldIn(diagram, id, styles[i]!.detailOrder) > styles[i]!.details,
  );
  if (left.length === 0) return [];
  const whose = left.length === 1 ? `${nameOf(diagram, left[0]!)} has` : `${left.length} entries have`;
  const message = `${whose} more details than the drawing shows.`;
  return [finding('details-left-out', 'note', message, { entries: left })];
}

/** As many detail lines as the entries of a finding have, in whichever order. */
export const mostDetails = ({ entries }: DiagramCommon, ids: readonly string[]): number =>
  Math.max(...ids.map((id) => own(entries, id)!.details.length));
