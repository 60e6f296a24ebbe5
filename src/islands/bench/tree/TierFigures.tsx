import type { ReactNode } from 'react';
import { BarChart, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import { idsOfTier, roman, type Listing } from '../../../core/hierarchy';
import { axis } from '../panels/chart-axis';
import { FigureTable, LitRow } from '../panels/FigureTable';

interface Tier {
  readonly tier: number;
  readonly name: string | null;
}

/** Figures a tier, as bars and as a table; pointing at a row lights the entries of its tier. */
export function TierFigures<T extends Tier>({
  title,
  structure,
  tiers,
  heads,
  cells,
  light,
  children,
}: {
  title: string;
  structure: Listing;
  tiers: readonly T[];
  heads: readonly string[];
  cells: (tier: T) => readonly number[];
  light: (entries: readonly string[]) => void;
  /** The bars, by names of figures of a tier. */
  children: ReactNode;
}) {
  return (
    <>
      <h2 className="label mb-1 font-sans">{title}</h2>
      <div aria-hidden="true" style={{ height: tiers.length * 30 + 10 }}>
        <ResponsiveContainer width="100%" height="100%">
          <BarChart
            accessibilityLayer={false}
            layout="vertical"
            data={tiers.map((tier) => ({ ...tier, label: roman(tier.tier) }))}
            margin={{ right: 34, left: 0 }}
          >
            <XAxis type="number" hide />
            <YAxis type="category" dataKey="label" width={36} {...axis(13)} axisLine={false} />
            {children}
          </BarChart>
        </ResponsiveContainer>
      </div>
      <FigureTable about="Tier" heads={heads} className="mb-5">
        {tiers.map((tier) => (
          <LitRow
            key={tier.tier}
            light={() => light(idsOfTier(structure, tier.tier))}
            about={`${roman(tier.tier)} ${tier.name ?? ''}`}
            cells={cells(tier)}
          />
        ))}
      </FigureTable>
    </>
  );
}
