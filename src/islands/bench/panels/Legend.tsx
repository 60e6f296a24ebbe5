import { kindOf } from '../../../core/diagram';
import { plainLegend, type LegendChoice } from '../../../core/model';
import { Check } from '../Check';
import { useBench, useParts } from '../context';

const ofTiers: [LegendChoice['tiers'], string][] = [
  ['open', 'those with names of their own'],
  ['shown', 'all'],
  ['hidden', 'none'],
];

/** What the legend at the foot of the sheet explains. */
export function Legend() {
  const { store } = useParts();
  const chosen = useBench((state) => state.diagram.legend) ?? plainLegend;
  const parts = useBench((state) => kindOf(state.diagram.kind).legend);
  const set = (patch: Partial<LegendChoice>) => store.getState().perform([{ kind: 'setLegend', patch }]);
  return (
    <section aria-label="Legend" className="mt-2 grid gap-2 border-t border-edge pt-3">
      <h2 className="label font-sans">Legend</h2>
      {parts.includes('tiers') && (
        <label className="flex items-center gap-2">
          Tiers
          <select
            className="field min-w-0 grow"
            value={chosen.tiers}
            onChange={(event) => set({ tiers: event.target.value as LegendChoice['tiers'] })}
          >
            {ofTiers.map(([value, words]) => (
              <option key={value} value={value}>
                {words}
              </option>
            ))}
          </select>
        </label>
      )}
      <Check checked={chosen.roles} onChange={(roles) => set({ roles })}>
        Roles that are drawn in a manner of their own
      </Check>
      {parts.includes('lines') && (
        <Check checked={chosen.lines} onChange={(lines) => set({ lines })}>
          Lines that mean something of their own
        </Check>
      )}
      <p className="text-sm text-muted">
        It stands at the foot of the sheet, with what is there to explain; names of tiers that stand beside them are not
        told twice.
      </p>
    </section>
  );
}
