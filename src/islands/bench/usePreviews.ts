import { useEffect, useMemo, useState } from 'react';
import { applyGesture, drawApart, kindOf, type Diagram, type Gesture } from '../../core/diagram';
import type { Scene } from '../../core/scene';
import { drawPreview } from '../../workers/draw-away';

/**
 * What a diagram would look like after each of some gestures; null for one that does not apply or is still being drawn. `gestures` has to
 * be the same array from one rendering to the next.
 */
export function usePreviews(diagram: Diagram, gestures: readonly Gesture[]): readonly (Scene | null)[] {
  const wanted = useMemo(
    () =>
      gestures.map((gesture) => {
        const outcome = applyGesture(diagram, gesture);
        return outcome.ok ? outcome.diagram : null;
      }),
    [diagram, gestures],
  );
  const atOnce = useMemo(
    () => wanted.map((one) => (one && !kindOf(one.kind).takesLong(one) ? drawApart(one).scene : null)),
    [wanted],
  );
  const [away, setAway] = useState<{ of: typeof wanted; scenes: (Scene | null)[] } | null>(null);
  useEffect(() => {
    let current = true;
    wanted.forEach((one, i) => {
      if (!one || atOnce[i]) return;
      drawPreview(one).then(
        ({ scene }) => {
          if (!current) return;
          setAway((before) => {
            const scenes = before?.of === wanted ? [...before.scenes] : wanted.map(() => null);
            scenes[i] = scene;
            return { of: wanted, scenes };
          });
        },
        // Its choice stays, without a picture; choosing it tells what is wrong.
        () => undefined,
      );
    });
    return () => {
      current = false;
    };
  }, [wanted, atOnce]);
  return atOnce.map((scene, i) => scene ?? (away?.of === wanted ? (away.scenes[i] ?? null) : null));
}
