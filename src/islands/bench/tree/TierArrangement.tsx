import { useMemo } from 'react';
import { type Command, drawApart } from '../../../core/diagram';
import type { Arrangement } from '../../../core/model';
import { Picture } from '../../drawing/Picture';
import { useBench, useParts } from '../context';
import type { TreeBenchWords } from './words';

const arrangementsOf = ({
  groups,
  leaves,
}: TreeBenchWords): { name: string; told: string; patch: Partial<Arrangement> }[] => [
  {
    name: `Top down, ${groups} in columns`,
    told: `${leaves} stand below each other`,
    patch: { direction: 'down', lowest: 'column' },
  },
  { name: 'Top down, side by side', told: 'Every tier in one row', patch: { direction: 'down', lowest: 'row' } },
  { name: 'Left to right', told: 'Tiers are columns', patch: { direction: 'right' } },
];
const spacings: {
  key: 'siblingGap' | 'branchGap' | 'tierGap' | 'lineWidth' | 'joinRadius';
  name: string;
  least: number;
  most: number;
  step: number;
}[] = [
  { key: 'siblingGap', name: 'Between siblings', least: 4, most: 80, step: 1 },
  { key: 'branchGap', name: 'Between branches', least: 4, most: 120, step: 1 },
  { key: 'tierGap', name: 'Between tiers', least: 12, most: 160, step: 1 },
  { key: 'lineWidth', name: 'Width of lines', least: 0.5, most: 4, step: 0.25 },
  { key: 'joinRadius', name: 'Rounding of joins', least: 0, most: 24, step: 1 },
];

/** Larger diagrams show the names of the arrangements without a picture of each. */
const mostForPreviews = 2000;

/** The arrangements of tiers as small previews of this diagram, and their spacing. */
export function TierArrangement({ words }: { words: TreeBenchWords }) {
  return (
    <>
      <Previews words={words} />
      <Spacings />
    </>
  );
}

function Previews({ words }: { words: TreeBenchWords }) {
  const arrangements = useMemo(() => arrangementsOf(words), [words]);
  const { store } = useParts();
  const diagram = useBench((state) => state.diagram);
  const { direction, lowest } = diagram.arrangement;
  const previews = useMemo(
    () =>
      Object.keys(diagram.entries).length > mostForPreviews
        ? null
        : arrangements.map(
            ({ patch }) => drawApart({ ...diagram, arrangement: { ...diagram.arrangement, ...patch } }).scene,
          ),
    [diagram, arrangements],
  );
  const command = (patch: Partial<Arrangement>): Command[] => [{ kind: 'setArrangement', patch }];
  return (
    <section aria-label="Arrangement">
      <h2 className="label mb-2 font-sans">Arrangement</h2>
      <ul className="grid gap-2">
        {arrangements.map(({ name, told, patch }, i) => {
          const chosen = patch.direction === direction && (patch.lowest === undefined || patch.lowest === lowest);
          return (
            <li key={name}>
              <button
                aria-pressed={chosen}
                className={`flex w-full items-center gap-3 border bg-raised p-2 text-left hover:border-moss ${chosen ? 'border-moss outline-1 outline-moss' : 'border-edge'}`}
                onPointerEnter={() => store.getState().tryOut(chosen ? null : command(patch))}
                onPointerLeave={() => store.getState().tryOut(null)}
                onFocus={(event) =>
                  event.currentTarget.matches(':focus-visible') &&
                  store.getState().tryOut(chosen ? null : command(patch))
                }
                onBlur={() => store.getState().tryOut(null)}
                onClick={() => !chosen && store.getState().perform(command(patch))}
              >
                {previews && (
                  <span className="block h-20 w-32 shrink-0 bg-white p-1">
                    <Picture scene={previews[i]!} small label="" />
                  </span>
                )}
                <span>
                  <span className="block font-semibold">{name}</span>
                  <span className="block text-sm text-muted">{told}</span>
                </span>
              </button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

function Spacings() {
  const { store } = useParts();
  const arrangement = useBench((state) => state.diagram.arrangement);
  return (
    <section aria-label="Spacing" className="mt-5">
      <h2 className="label mb-2 font-sans">Spacing and lines</h2>
      {spacings.map(({ key, name, least, most, step }) => (
        <label key={key} className="grid grid-cols-[9.5rem_1fr_4rem] items-center gap-2 border-b border-hair py-1">
          <span>{name}</span>
          <input
            type="range"
            className="min-w-0 accent-moss"
            min={least}
            max={most}
            step={step}
            value={arrangement[key]}
            onChange={(event) =>
              store.getState().perform([{ kind: 'setArrangement', patch: { [key]: Number(event.target.value) } }], {
                merge: `arrange:${key}`,
              })
            }
          />
          <span className="text-right text-sm text-muted">{arrangement[key]} px</span>
        </label>
      ))}
    </section>
  );
}
