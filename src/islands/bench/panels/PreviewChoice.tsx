import type { Gesture, Diagram } from '../../../core/diagram';
import { Picture } from '../../drawing/Picture';
import { useParts } from '../context';
import { usePreviews } from '../usePreviews';
import { useTrial } from '../useTrial';

export interface PreviewOption {
  readonly name: string;
  readonly told: string;
  readonly gesture: Gesture;
  readonly chosen: boolean;
  /** Why it cannot be chosen, in words; null where it can. */
  readonly barred?: string | null;
}

/** Ways to draw this very diagram as small pictures of it: pointing at one tries it on the drawing, a click keeps it. */
export function PreviewChoice({
  title,
  diagram,
  options,
  gestures,
}: {
  title: string;
  diagram: Diagram;
  options: readonly PreviewOption[];
  gestures: readonly Gesture[];
}) {
  const { store } = useParts();
  const trial = useTrial();
  const previews = usePreviews(diagram, gestures);
  return (
    <section aria-label={title} className="mb-5">
      <h2 className="label mb-2 font-sans">{title}</h2>
      <ul className="grid gap-2">
        {options.map(({ name, told, gesture, chosen, barred }, i) => {
          const scene = previews[i];
          return (
            <li key={name}>
              <button
                aria-pressed={chosen}
                disabled={Boolean(barred)}
                className={`flex w-full items-center gap-3 border bg-raised p-2 text-left enabled:hover:border-moss disabled:opacity-70 ${chosen ? 'border-moss outline-1 outline-moss' : 'border-edge'}`}
                {...trial(chosen || barred ? null : gesture)}
                onClick={() => !chosen && store.getState().perform(gesture)}
              >
                <span className="block h-16 w-24 shrink-0 bg-white p-1">
                  {scene && !barred && <Picture scene={scene} small label="" />}
                </span>
                <span>
                  <span className="block font-semibold">{name}</span>
                  <span className="block text-sm text-muted">{barred ?? told}</span>
                </span>
              </button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
