import { select } from 'd3-selection';
import { zoom as d3Zoom, zoomIdentity, type D3ZoomEvent } from 'd3-zoom';
import { useEffect, useRef, type RefObject } from 'react';
import { useBench, useParts } from '../context';
import { zoomLimits, type View } from '../view';
import { grabbedUnder } from './hit';
import type { useZoom } from './useZoom';

/** Wheel, drag and pinch move the view; the drawing's transform is set on the element itself, without a render. */
export function useGestures(
  frame: RefObject<HTMLDivElement | null>,
  root: RefObject<SVGGElement | null>,
  zoom: ReturnType<typeof useZoom>,
  onReady: () => void,
): void {
  const { store, view } = useParts();
  const fitted = useRef(true);
  const ready = useRef(onReady);
  useEffect(() => {
    const element = frame.current!;
    const target = select<HTMLDivElement, unknown>(element);
    const behaviour = d3Zoom<HTMLDivElement, unknown>()
      .filter((event: MouseEvent | TouchEvent | WheelEvent) => {
        if (event.target instanceof Element && event.target.closest('input, button')) return false;
        if (event.type === 'wheel') return true;
        if ('button' in event && (event.button !== 0 || event.shiftKey)) return false;
        const { diagram, drawn } = store.getState();
        if ('touches' in event)
          return event.touches.length > 1 || !grabbedUnder(diagram, drawn, view.getState(), element, event.touches[0]!);
        return !grabbedUnder(diagram, drawn, view.getState(), element, event);
      })
      .on('zoom', (event: D3ZoomEvent<HTMLDivElement, unknown>) => {
        if (event.sourceEvent) fitted.current = false;
        const { x, y, k } = event.transform;
        view.getState().move({ x, y, k });
      });
    const limit = () => {
      const { least, most } = zoomLimits(store.getState().drawn.scene.drawing);
      behaviour.scaleExtent([least, most]);
    };
    limit();
    const limited = store.subscribe((now, before) => now.drawn !== before.drawn && limit());
    target.call(behaviour).on('dblclick.zoom', null);
    const apply = (next: View) =>
      target.call((selection) => behaviour.transform(selection, zoomIdentity.translate(next.x, next.y).scale(next.k)));
    view.setState({ apply });
    const place = ({ x, y, k }: View) => root.current?.setAttribute('transform', `translate(${x} ${y}) scale(${k})`);
    const stop = view.subscribe(place);
    const watch = new ResizeObserver(() => {
      const first = view.getState().width === 0;
      view.getState().size(element.clientWidth, element.clientHeight);
      if (first || fitted.current) zoom.fit();
      place(view.getState());
      if (first) ready.current();
    });
    watch.observe(element);
    return () => {
      limited();
      stop();
      watch.disconnect();
      target.on('.zoom', null);
    };
  }, [frame, root, store, view, zoom]);

  const width = useBench((state) => state.drawn.scene.sheet.width);
  const height = useBench((state) => state.drawn.scene.sheet.height);
  useEffect(() => {
    if (view.getState().width > 0 && fitted.current) zoom.fit();
  }, [width, height, view, zoom]);
}
