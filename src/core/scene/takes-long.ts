import type { DiagramCommon } from '../model';

/** From this many entries on, the search for a compact drawing takes longer than a frame. */
const longFrom = 80;
/** The same where tiers stand as they are told to: sending a drawing back and forth would take longer than making it. */
const longFromWhereTold = 600;

/** Whether a hierarchy takes longer than a frame to be arranged and drawn. */
export function takesLongToFit({ entries, arrangement: { tiers } }: DiagramCommon): boolean {
  return Object.keys(entries).length >= (tiers === 'open' || tiers === 'compact' ? longFrom : longFromWhereTold);
}

/** Whether it takes less than that where its arrangement is known. */
export const restIsQuick = ({ entries }: DiagramCommon): boolean => Object.keys(entries).length < longFromWhereTold;
