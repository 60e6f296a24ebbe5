import { useRef, type PointerEvent } from 'react';
import { middlePart, own, partWithin, wholeAround, withPart, type PicturePart as Part } from '../../../core/model';
import { Dialog } from '../../shared/Dialog';
import { useBench, useParts } from '../context';

/** Side of the square in which the picture is moved, CSS px. */
const side = 260;

/** Which part of a picture is shown: moved by dragging or by the sliders, drawn nearer by one. Each change is shown in the drawing at once. */
export function PicturePart({ entry, onClose }: { entry: string; onClose: () => void }) {
  const { store } = useParts();
  const held = useRef<{ readonly x: number; readonly y: number; readonly part: Part } | null>(null);
  const one = useBench((state) => own(state.diagram.entries, entry));
  const image = one?.image;
  if (!image) return null;
  const part = partWithin(image, image.part ?? middlePart);
  const whole = wholeAround(image, part, side);
  const show = (next: Part) =>
    store
      .getState()
      .perform([{ kind: 'setImage', id: entry, image: withPart(image, next) }], { merge: `part:${entry}` });
  const drag = (event: PointerEvent) => {
    if (!held.current) return;
    const { x, y, part: from } = held.current;
    show({ ...from, x: from.x - (event.clientX - x) / whole.width, y: from.y - (event.clientY - y) / whole.height });
  };
  const half = (part.side * Math.min(image.width, image.height)) / 2;
  const slider = (name: string, at: number, least: number, most: number, set: (to: number) => Part) => (
    <label className="flex flex-col gap-1">
      {name}
      <input
        type="range"
        className="w-full accent-moss"
        min={least}
        max={most}
        step={0.005}
        value={at}
        disabled={most - least < 0.005}
        onChange={(event) => show(set(Number(event.target.value)))}
      />
    </label>
  );
  return (
    <Dialog
      title={`The picture of ${one.name || 'this entry'}`}
      told="Drag the picture, or move the sliders, to what its place is to show."
      onClose={onClose}
    >
      <div className="grid gap-3 sm:grid-cols-[260px_minmax(0,1fr)]">
        <div
          className="relative cursor-grab touch-none overflow-hidden border border-edge active:cursor-grabbing"
          style={{ width: side, height: side }}
          data-testid="picture-part"
          onPointerDown={(event) => {
            event.currentTarget.setPointerCapture(event.pointerId);
            held.current = { x: event.clientX, y: event.clientY, part };
          }}
          onPointerMove={drag}
          onPointerUp={() => (held.current = null)}
          onPointerCancel={() => (held.current = null)}
        >
          <img
            src={`/api/pictures/${image.id}`}
            alt=""
            draggable={false}
            className="absolute max-w-none select-none"
            style={{ left: whole.x, top: whole.y, width: whole.width, height: whole.height }}
          />
        </div>
        <div className="flex flex-col gap-3">
          {slider('Nearer', 1 / part.side, 1, 10, (nearer) => ({ ...part, side: 1 / nearer }))}
          {slider('Left to right', part.x, half / image.width, 1 - half / image.width, (x) => ({ ...part, x }))}
          {slider('Up and down', part.y, half / image.height, 1 - half / image.height, (y) => ({ ...part, y }))}
          <div className="mt-2 flex flex-wrap gap-2">
            <button className="button" disabled={!image.part} onClick={() => show(middlePart)}>
              The middle again
            </button>
            <button className="button button-main" onClick={onClose}>
              Done
            </button>
          </div>
        </div>
      </div>
    </Dialog>
  );
}
