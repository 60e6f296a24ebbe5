import { useEffect, useRef, useState } from 'react';
import { useStore } from 'zustand';
import { own } from '../../../core/model';
import { useBench, useParts } from '../context';
import { DragGhost } from './DragGhost';
import { Marks } from './Marks';
import { LinkWordsEditor } from './LinkWordsEditor';
import { NameEditor } from './NameEditor';
import { Sheet } from './Sheet';
import { TierRail } from './TierRail';
import { useEntryDrag } from './useEntryDrag';
import { useGestures } from './useGestures';
import { useStageKeys } from './useStageKeys';
import { useZoom } from './useZoom';

/** The drawing on its sheet, with the tier rail along the edge where tiers begin. */
export function Stage() {
  const { store, view } = useParts();
  const frame = useRef<HTMLDivElement>(null);
  const root = useRef<SVGGElement>(null);
  const direction = useBench((state) => (state.trial ?? state.drawn).scene.direction);
  const label = useBench((state) =>
    state.selected === null
      ? ''
      : (state.drawn.scene.groups.find((group) => group.stands.for === 'entry' && group.stands.id === state.selected)
          ?.label ?? ''),
  );
  const editing = useBench((state) => state.editing);
  const Editor = useBench((state) => editing !== null && own(state.diagram.links, editing) !== undefined)
    ? LinkWordsEditor
    : NameEditor;
  const zoom = useZoom();
  const [ready, setReady] = useState(false);
  useGestures(frame, root, zoom, () => setReady(true));
  const onKeyDown = useStageKeys(zoom);
  const drag = useEntryDrag(frame);
  useSelectionInView();

  return (
    <section
      aria-label="Drawing"
      className={`relative grid min-h-0 min-w-0 flex-1 bg-ground ${direction === 'down' ? 'grid-cols-[136px_1fr]' : 'grid-rows-[76px_1fr]'}`}
    >
      <TierRail />
      <div
        ref={frame}
        tabIndex={0}
        role="group"
        aria-label="The drawing. Arrow keys go from entry to entry; F2 edits the name; question mark shows all keys."
        className="relative min-h-0 min-w-0 touch-none overflow-hidden -outline-offset-2"
        onKeyDown={onKeyDown}
        onPointerDown={drag.down}
        onPointerMove={drag.move}
        onPointerUp={drag.up}
        onPointerCancel={drag.cancel}
        onDoubleClick={(event) => {
          const { selection } = store.getState();
          // What a double press is on was selected by its first.
          const id = drag.entryAt(event) ?? selection.find((one) => one.for === 'link')?.id;
          if (id) store.getState().set({ editing: id });
        }}
      >
        <svg className="drawing absolute inset-0 h-full w-full" data-testid="stage">
          <g ref={root}>
            {ready && <Sheet />}
            <Marks target={drag.target} framed={drag.framed} />
          </g>
        </svg>
        {editing !== null && <Editor key={editing} id={editing} onDone={() => frame.current?.focus()} />}
        {drag.ghost && <DragGhost {...drag.ghost} />}
      </div>
      <p role="status" className="sr-only">
        {label}
      </p>
    </section>
  );

  /** A selection made elsewhere is brought into view. */
  function useSelectionInView() {
    const selected = useBench((state) => state.selected);
    const width = useStore(view, (state) => state.width);
    useEffect(() => {
      if (selected === null || width === 0) return;
      const { scene } = store.getState().drawn;
      const group = scene.groups.find((one) => one.stands.for === 'entry' && one.stands.id === selected);
      if (!group) return;
      const { x, y, k, height } = view.getState();
      const { drawing } = scene;
      const left = x + k * (drawing.x + group.x * drawing.scale);
      const top = y + k * (drawing.y + group.y * drawing.scale);
      const right = left + group.bounds.width * drawing.scale * k;
      const bottom = top + group.bounds.height * drawing.scale * k;
      const dx = left < 0 || right > width ? width / 2 - (left + right) / 2 : 0;
      const dy = top < 0 || bottom > height ? height / 2 - (top + bottom) / 2 : 0;
      if (dx !== 0 || dy !== 0) view.getState().apply({ x: x + dx, y: y + dy, k });
    }, [selected, width]);
  }
}
