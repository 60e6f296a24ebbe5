import type { Arrangement } from '../../../core/model';
import { useBench, useParts } from '../context';

type NumberKey = {
  [K in keyof Arrangement]: Arrangement[K] extends number ? K : never;
}[keyof Arrangement];

interface Slider {
  readonly key: NumberKey;
  readonly name: string;
  readonly least: number;
  readonly most: number;
  readonly step: number;
  readonly unit: 'px' | 'pt' | '%' | '';
}

const spacings: readonly Slider[] = [
  { key: 'siblingGap', name: 'Between siblings', least: 4, most: 80, step: 1, unit: 'px' },
  { key: 'branchGap', name: 'Between branches', least: 4, most: 120, step: 1, unit: 'px' },
  { key: 'tierGap', name: 'Between tiers', least: 12, most: 160, step: 1, unit: 'px' },
  { key: 'lineWidth', name: 'Width of lines', least: 0.5, most: 4, step: 0.25, unit: 'px' },
  { key: 'joinRadius', name: 'Rounding of joins', least: 0, most: 24, step: 1, unit: 'px' },
];
const limits: readonly Slider[] = [
  { key: 'mostColumns', name: 'Columns at most', least: 1, most: 12, step: 1, unit: '' },
  { key: 'narrowest', name: 'Narrowest box', least: 20, most: 240, step: 4, unit: 'px' },
  { key: 'widest', name: 'Widest text', least: 60, most: 480, step: 10, unit: 'px' },
  { key: 'tightest', name: 'Smallest gaps', least: 0.3, most: 1, step: 0.05, unit: '%' },
  { key: 'largestPrint', name: 'Largest print of names', least: 6, most: 36, step: 1, unit: 'pt' },
];

/** How leaves fold, how far the arrangement may go to fill the sheet, and the spacing. */
export function FoldingAndLimits({ leaves, folds = true }: { leaves: string; folds?: boolean }) {
  const { store } = useParts();
  const lowest = useBench((state) => state.diagram.arrangement.lowest);
  return (
    <>
      <section aria-label="Limits" className="mt-5">
        <h2 className="label mb-2 font-sans">To fill the sheet</h2>
        {folds && (
          <label className="grid grid-cols-[9.5rem_1fr] items-center gap-2 border-b border-hair py-1">
            {leaves}
            <select
              className="field min-w-0"
              value={lowest}
              onChange={(event) =>
                store.getState().perform([
                  {
                    kind: 'setArrangement',
                    patch: { lowest: event.target.value as Arrangement['lowest'] },
                  },
                ])
              }
            >
              <option value="open">as the sheet wants it</option>
              <option value="row">side by side</option>
              <option value="column">below each other</option>
            </select>
          </label>
        )}
        {limits
          .filter(({ key }) => folds || key !== 'mostColumns')
          .map((slider) => (
            <SliderRow key={slider.key} slider={slider} />
          ))}
      </section>
      <section aria-label="Spacing" className="mt-5">
        <h2 className="label mb-2 font-sans">Spacing and lines</h2>
        {spacings.map((slider) => (
          <SliderRow key={slider.key} slider={slider} />
        ))}
      </section>
    </>
  );
}

function SliderRow({ slider: { key, name, least, most, step, unit } }: { slider: Slider }) {
  const { store } = useParts();
  const value = useBench((state) => state.diagram.arrangement[key]);
  return (
    <label className="grid grid-cols-[9.5rem_1fr_4rem] items-center gap-2 border-b border-hair py-1">
      <span>{name}</span>
      <input
        type="range"
        className="min-w-0 accent-moss"
        min={least}
        max={most}
        step={step}
        value={value}
        onChange={(event) =>
          store.getState().perform([{ kind: 'setArrangement', patch: { [key]: Number(event.target.value) } }], {
            merge: `arrange:${key}`,
          })
        }
      />
      <span className="text-right text-sm text-muted">
        {unit === '%' ? `${Math.round(value * 100)} %` : `${value} ${unit}`}
      </span>
    </label>
  );
}
