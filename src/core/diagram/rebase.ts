import { applyGesture } from './apply';
import type { Gesture } from './command';
import type { Diagram } from './diagram';

export interface Rebased {
  readonly diagram: Diagram;
  /** Gestures that still apply, in order. */
  readonly kept: readonly Gesture[];
  readonly refused: readonly { readonly gesture: Gesture; readonly reason: string }[];
}

/**
 * Puts gestures made on an older Diagram onto a newer one, in order. One that no longer applies is left out with its reason.
 *   rebase(d, [g1, g2]).diagram equals rebase(rebase(d, [g1]).diagram, [g2]).diagram
 */
export function rebase(onto: Diagram, gestures: readonly Gesture[]): Rebased {
  let diagram = onto;
  const kept: Gesture[] = [];
  const refused: { gesture: Gesture; reason: string }[] = [];
  for (const gesture of gestures) {
    const outcome = applyGesture(diagram, gesture);
    if (outcome.ok) {
      diagram = outcome.diagram;
      kept.push(gesture);
    } else {
      refused.push({ gesture, reason: outcome.reason });
    }
  }
  return { diagram, kept, refused };
}
