import { own } from '../../../core/model';
import { useEffect, useRef, useState } from 'react';
import { useStore } from 'zustand';
import { useBench, useParts } from '../context';

/** Editing a name in the drawing, in place of the box. */
export function NameEditor({ id, onDone }: { id: string; onDone: () => void }) {
  const { store, view } = useParts();
  const { x, y, k } = useStore(view);
  const entry = useBench((state) => own(state.diagram.entries, id));
  const scene = useBench((state) => state.drawn.scene);
  const [before] = useState(entry?.name ?? '');
  const input = useRef<HTMLInputElement>(null);
  const group = scene.groups.find((one) => one.stands.for === 'entry' && one.stands.id === id);
  useEffect(() => {
    input.current?.focus();
    input.current?.select();
  }, []);
  if (!entry || !group) return null;
  const scale = k * scene.drawing.scale;
  const left = x + k * scene.drawing.x + group.x * scale;
  const top = y + k * scene.drawing.y + group.y * scale;
  const width = Math.max(160, group.bounds.width * scale + 12);
  const rename = (name: string) => store.getState().perform([{ kind: 'rename', id, name }], { merge: `drawing:${id}` });
  const close = () => {
    store.getState().set({ editing: null });
    onDone();
  };
  return (
    <input
      ref={input}
      aria-label={`Name of ${before || 'the new entry'}`}
      className="absolute border-2 border-moss bg-raised px-2 py-1 text-center font-semibold text-ink"
      style={{
        left: left + (group.bounds.width * scale) / 2 - width / 2,
        top: top + (group.bounds.height * scale) / 2 - 18,
        width,
        height: 36,
      }}
      value={entry.name}
      onChange={(event) => rename(event.target.value)}
      onBlur={() => store.getState().set({ editing: null })}
      onKeyDown={(event) => {
        if (event.key === 'Enter' || event.key === 'Tab') {
          event.preventDefault();
          close();
        } else if (event.key === 'Escape') {
          if (entry.name !== before) rename(before);
          close();
        }
        event.stopPropagation();
      }}
    />
  );
}
