import { useStore } from 'zustand';
import { own } from '../../../core/model';
import { useBench, useParts } from '../context';
import { StageField } from './StageField';

const [width, height] = [190, 32];

/** Editing the words on a link in the drawing, at the middle of its course. */
export function LinkWordsEditor({ id, onDone }: { id: string; onDone: () => void }) {
  const { store, view } = useParts();
  const { x, y, k } = useStore(view);
  const link = useBench((state) => own(state.diagram.links, id));
  const scene = useBench((state) => state.drawn.scene);
  const group = scene.groups.find((one) => one.stands.for === 'link' && one.stands.id === id);
  if (!link) return null;
  const course = group?.selectable?.course ?? [];
  const { drawing } = scene;
  // A link that is not drawn yet is worded in the middle of what is in view.
  const at = group && course.length >= 4 ? middleOf(course) : null;
  const left = at ? x + k * (drawing.x + (group!.x + at.x) * drawing.scale) : view.getState().width / 2;
  const top = at ? y + k * (drawing.y + (group!.y + at.y) * drawing.scale) : view.getState().height / 2;
  return (
    <StageField
      label="Words on the link"
      placeholder="words on the link"
      maxLength={200}
      look="text-sm"
      style={{ left: left - width / 2, top: top - height / 2, width, height }}
      value={link.phrase}
      change={(phrase) =>
        store.getState().perform([{ kind: 'changeLink', id, patch: { phrase } }], { merge: `phrase:${id}` })
      }
      onDone={() => {
        // A new idea at its end is named next.
        const end = own(store.getState().diagram.entries, link.to);
        if (end?.name === '') store.getState().set({ editing: end.id });
        else onDone();
      }}
    />
  );
}

/** The point half way along a line, its points x and y by turns. */
function middleOf(course: readonly number[]): { x: number; y: number } {
  const lengths: number[] = [];
  for (let i = 2; i < course.length; i += 2)
    lengths.push(Math.hypot(course[i]! - course[i - 2]!, course[i + 1]! - course[i - 1]!));
  let left = lengths.reduce((sum, one) => sum + one, 0) / 2;
  const at = lengths.findIndex((length) => (left -= length) <= 0);
  const k = Math.max(0, at) * 2;
  const share = lengths[k / 2]! > 0 ? 1 + left / lengths[k / 2]! : 0;
  return {
    x: course[k]! + (course[k + 2]! - course[k]!) * share,
    y: course[k + 1]! + (course[k + 3]! - course[k + 1]!) * share,
  };
}
