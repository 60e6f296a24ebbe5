import { kindOf } from '../../../core/diagram';
import type { Sheet } from '../../../core/model';
import { useBench, useParts } from '../context';
import { partsOf } from '../kinds';

/** How the diagram is laid out, by its kind, and the sheet it stands on. */
export function ArrangePanel() {
  const { Arrangement } = partsOf(useBench((state) => state.diagram.kind));
  return (
    <div className="min-h-0 flex-1 overflow-auto px-4 pb-6">
      <Arrangement />
      <SheetChoice />
    </div>
  );
}

/** Sizes of print that one may wish for, in points. */
const wishes = [7, 8, 9, 10, 11, 12, 14];

function SheetChoice() {
  const { store } = useParts();
  const sheet = useBench((state) => state.diagram.sheet);
  // A kind that is arranged for its sheet may leave the sheet open.
  const opens = useBench((state) => kindOf(state.diagram.kind).sheetOpen);
  const set = (patch: Partial<Sheet>, merge?: string) =>
    store.getState().perform([{ kind: 'setSheet', patch }], merge ? { merge } : {});
  return (
    <section aria-label="Sheet" className="mt-5 grid gap-2">
      <h2 className="label font-sans">Sheet</h2>
      <label className="grid grid-cols-[9.5rem_1fr] items-center gap-2">
        Size
        <select
          className="field min-w-0"
          value={sheet.size}
          onChange={(event) => set({ size: event.target.value as Sheet['size'] })}
        >
          <option value="A4">A4, 210 × 297 mm</option>
          <option value="A3">A3, 297 × 420 mm</option>
          <option value="letter">Letter, 8.5 × 11 in</option>
          <option value="tabloid">Tabloid, 11 × 17 in</option>
          <option value="A2">Poster A2, 420 × 594 mm</option>
          <option value="A1">Poster A1, 594 × 841 mm</option>
          <option value="A0">Poster A0, 841 × 1189 mm</option>
          <option value="drawing">As large as the drawing</option>
        </select>
      </label>
      {sheet.size !== 'drawing' && (
        <fieldset className="grid grid-cols-[9.5rem_1fr] items-center gap-2">
          <legend className="sr-only">Orientation</legend>
          <span aria-hidden="true">Orientation</span>
          <span className="flex flex-wrap gap-x-4">
            {(['landscape', 'portrait', ...(opens ? (['open'] as const) : [])] as const).map((orientation) => (
              <label key={orientation} className="flex items-center gap-1.5">
                <input
                  type="radio"
                  className="min-w-0 accent-moss"
                  name="orientation"
                  checked={sheet.orientation === orientation}
                  onChange={() => set({ orientation })}
                />
                {orientation === 'open' ? 'what prints larger' : orientation}
              </label>
            ))}
          </span>
        </fieldset>
      )}
      {sheet.size !== 'drawing' && opens && (
        <label className="grid grid-cols-[9.5rem_1fr] items-center gap-2">
          Smallest print
          <select
            className="field min-w-0"
            value={sheet.leastPrint ?? ''}
            onChange={(event) => set({ leastPrint: event.target.value === '' ? null : Number(event.target.value) })}
          >
            <option value="">as small as it comes</option>
            {wishes.map((pt) => (
              <option key={pt} value={pt}>
                at least {pt} pt
              </option>
            ))}
          </select>
        </label>
      )}
      <label className="grid grid-cols-[9.5rem_1fr_4rem] items-center gap-2">
        <span>Free edge</span>
        <input
          type="range"
          className="min-w-0 accent-moss"
          min={0}
          max={120}
          value={sheet.margin}
          onChange={(event) => set({ margin: Number(event.target.value) }, 'margin')}
        />
        <span className="text-right text-sm text-muted">{Math.round((sheet.margin * 25.4) / 96)} mm</span>
      </label>
    </section>
  );
}
