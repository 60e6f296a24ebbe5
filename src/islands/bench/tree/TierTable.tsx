import { roman, tierCount } from '../../../core/hierarchy';
import { own, type TierSettings } from '../../../core/model';
import { Check } from '../Check';
import { useBench, useParts } from '../context';

const asNumber = (typed: string, most: number): number | null => {
  const value = Number(typed.replace(',', '.'));
  return typed.trim() === '' || !Number.isFinite(value) ? null : Math.max(0, Math.min(most, Math.round(value)));
};

/** Each tier with its name, the room above it and the least width of its boxes; and whether the names stand on the sheet. */
export function TierTable() {
  const { store } = useParts();
  const tiers = useBench((state) => state.diagram.tiers);
  const count = useBench((state) => tierCount(state.structure));
  const drawn = useBench((state) => state.diagram.arrangement.tierNames === 'drawn');
  const banded = useBench((state) => state.diagram.arrangement.tierBands === 'drawn');
  const manner = useBench((state) => state.drawn.scene.manner);
  const nameable = manner === 'bands' || manner === 'columns';
  const set = (tier: number, patch: Partial<TierSettings>) =>
    store
      .getState()
      .perform([{ kind: 'setTier', tier, patch }], { merge: `tier:${tier}:${Object.keys(patch).join()}` });
  if (count === 0) return null;
  return (
    <section aria-label="Tiers of the diagram" className="mt-5">
      <h2 className="label mb-2 font-sans">Tiers</h2>
      <table className="w-full text-sm">
        <thead>
          <tr className="text-left text-muted">
            <th className="w-8 font-normal">
              <span className="sr-only">Number</span>
            </th>
            <th className="font-normal">Name</th>
            <th className="w-20 pl-2 font-normal">Room before</th>
            <th className="w-20 pl-2 font-normal">Least width</th>
          </tr>
        </thead>
        <tbody>
          {Array.from({ length: Math.min(count, 40) }, (_, t) => t + 1).map((tier) => {
            const { name, gap, width } = own(tiers, String(tier)) ?? { name: null, gap: null, width: null };
            return (
              <tr key={tier} className="border-t border-hair">
                <th scope="row" className="font-serif font-semibold">
                  {roman(tier)}
                </th>
                <td>
                  <input
                    className="cell-input px-1 py-1"
                    aria-label={`Name of tier ${tier}`}
                    placeholder="no name"
                    maxLength={80}
                    value={name ?? ''}
                    onChange={(event) => set(tier, { name: event.target.value || null })}
                  />
                </td>
                <td className="pl-2">
                  {tier > 1 && (
                    <input
                      className="cell-input px-1 py-1"
                      inputMode="numeric"
                      aria-label={`Room before tier ${tier}, px`}
                      placeholder="by rule"
                      value={gap ?? ''}
                      onChange={(event) => set(tier, { gap: asNumber(event.target.value, 600) })}
                    />
                  )}
                </td>
                <td className="pl-2">
                  <input
                    className="cell-input px-1 py-1"
                    inputMode="numeric"
                    aria-label={`Least width of tier ${tier}, px`}
                    placeholder="by rule"
                    value={width ?? ''}
                    onChange={(event) => set(tier, { width: asNumber(event.target.value, 800) })}
                  />
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <Check
        checked={drawn}
        className="mt-2"
        onChange={() =>
          store.getState().perform([{ kind: 'setArrangement', patch: { tierNames: drawn ? 'hidden' : 'drawn' } }])
        }
      >
        Names of tiers on the sheet
      </Check>
      <Check
        checked={banded}
        className="mt-1"
        onChange={() =>
          store.getState().perform([{ kind: 'setArrangement', patch: { tierBands: banded ? 'hidden' : 'drawn' } }])
        }
      >
        A pale band behind each tier
      </Check>
      {(drawn || banded) && !nameable && (
        <p className="text-sm text-muted">They are drawn where every tier has a line or column of its own.</p>
      )}
    </section>
  );
}
