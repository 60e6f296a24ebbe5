import { useState } from 'react';
import { useStore } from 'zustand';
import { own } from '../../../core/model';
import { useBench, useParts } from '../context';
import { addedStep } from '../edit-actions';
import { StageField } from './StageField';

const height = 36;

/** Editing a name in the drawing, in place of the box. */
export function NameEditor({ id, onDone }: { id: string; onDone: () => void }) {
  const { store, view } = useParts();
  const { x, y, k } = useStore(view);
  const entry = useBench((state) => own(state.diagram.entries, id));
  const scene = useBench((state) => state.drawn.scene);
  const [before] = useState(entry?.name ?? '');
  const group = scene.groups.find((one) => one.stands.for === 'entry' && one.stands.id === id);
  if (!entry || !group) return null;
  const scale = k * scene.drawing.scale;
  const left = x + k * scene.drawing.x + group.x * scale;
  const top = y + k * scene.drawing.y + group.y * scale;
  const width = Math.max(160, group.bounds.width * scale + 12);
  return (
    <StageField
      label={`Name of ${before || 'the new entry'}`}
      look="font-semibold"
      style={{
        left: left + (group.bounds.width * scale) / 2 - width / 2,
        top: top + (group.bounds.height * scale - height) / 2,
        width,
        height,
      }}
      value={entry.name}
      change={(name) =>
        store.getState().perform([{ kind: 'rename', id, name }], { merge: `drawing:${id}`, joins: addedStep(id) })
      }
      onDone={onDone}
    />
  );
}
