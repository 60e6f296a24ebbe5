import { useCallback, useMemo } from 'react';
import { useParts } from '../context';
import { fitting, zoomLimits, type View } from '../view';

/** Zooming by buttons and keys; the gestures live in the Stage. */
export function useZoom() {
  const { view, store } = useParts();
  const go = useCallback((next: View) => view.getState().apply(next), [view]);
  return useMemo(
    () => ({
      go,
      by(factor: number) {
        const { x, y, k, width, height } = view.getState();
        const { least, most } = zoomLimits(store.getState().drawn.scene.drawing);
        const next = Math.min(most, Math.max(least, k * factor));
        go({ k: next, x: width / 2 - ((width / 2 - x) / k) * next, y: height / 2 - ((height / 2 - y) / k) * next });
      },
      fit() {
        const { sheet } = store.getState().drawn.scene;
        go(fitting({ x: 0, y: 0, ...sheet }, view.getState(), 14, 2));
      },
      pan(dx: number, dy: number) {
        const { x, y, k } = view.getState();
        go({ x: x + dx, y: y + dy, k });
      },
    }),
    [go, view, store],
  );
}
