import { Bar, BarChart, LabelList, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import { useMemo } from 'react';
import { figureOrgChart, type OrgChart } from '../../../../core/kinds/org-chart';
import { hierarchyOf, roman } from '../../../../core/hierarchy';
import { useBench, useParts } from '../../context';
import { FiguresFrame } from '../../panels/FiguresFrame';

const axis = { stroke: 'var(--edge)', tick: { fill: 'var(--muted)', fontSize: 13 }, tickLine: false } as const;
const mostRows = 200;

interface Headcount {
  readonly filled: number;
  readonly vacant: number;
}

/** Headcount per tier and spans of control; pointing at a row lights its entries. */
export function FiguresPanel() {
  const { store } = useParts();
  const diagram = useBench((state) => state.diagram as OrgChart);
  const structure = hierarchyOf(diagram.entries);
  const figures = useMemo(() => figureOrgChart(diagram, structure), [diagram, structure]);
  const light = (entries: readonly string[]) => store.getState().set({ lit: new Set(entries) });
  const tierIds = (tier: number) => structure.ids.slice(structure.tierStart[tier - 1], structure.tierStart[tier]);
  const reports = (id: string) => {
    const i = structure.index.get(id)!;
    return [id, ...structure.ids.slice(structure.first[i]!, structure.first[i]! + structure.count[i]!)];
  };
  const { spans } = figures;
  if (structure.ids.length === 0) return <p className="px-4 text-muted">There is nothing to count yet.</p>;
  return (
    <FiguresFrame onLeave={() => light([])}>
      <p className="mb-4 text-[16px]">
        <strong>{figures.people}</strong> people in <strong>{figures.tiers.length}</strong> tiers
        {figures.vacancies > 0 && (
          <>
            , <strong>{figures.vacancies}</strong> {figures.vacancies === 1 ? 'post' : 'posts'} vacant
          </>
        )}
        {spans.mean !== null && (
          <>
            . A manager has <strong>{spans.mean.toFixed(1)}</strong> direct reports on average, {spans.widest} at most
          </>
        )}
        .
      </p>
      <h2 className="label mb-1 font-sans">Headcount per tier</h2>
      <div aria-hidden="true" style={{ height: figures.tiers.length * 30 + 10 }}>
        <ResponsiveContainer width="100%" height="100%">
          <BarChart
            accessibilityLayer={false}
            layout="vertical"
            data={figures.tiers.map((tier) => ({ ...tier, label: roman(tier.tier) }))}
            margin={{ right: 34, left: 0 }}
          >
            <XAxis type="number" hide />
            <YAxis type="category" dataKey="label" width={36} {...axis} axisLine={false} />
            <Bar dataKey="filled" stackId="n" fill="var(--moss)" isAnimationActive={false}>
              <LabelList
                position="right"
                fill="var(--ink)"
                fontSize={13}
                valueAccessor={(one: { payload?: Headcount }) => (one.payload?.vacant === 0 ? one.payload.filled : '')}
              />
            </Bar>
            <Bar
              dataKey="vacant"
              stackId="n"
              fill="var(--brasswash)"
              stroke="var(--brass)"
              strokeDasharray="3 2"
              isAnimationActive={false}
            >
              <LabelList
                position="right"
                fill="var(--ink)"
                fontSize={13}
                valueAccessor={(one: { payload?: Headcount }) =>
                  one.payload && one.payload.vacant > 0 ? one.payload.filled + one.payload.vacant : ''
                }
              />
            </Bar>
          </BarChart>
        </ResponsiveContainer>
      </div>
      <table className="mb-5 w-full text-sm">
        <thead>
          <tr className="text-left text-muted">
            <th className="font-normal">Tier</th>
            <th className="pl-2 text-right font-normal">Filled</th>
            <th className="pl-2 text-right font-normal">Vacant</th>
            <th className="pl-2 text-right font-normal">Managers</th>
          </tr>
        </thead>
        <tbody>
          {figures.tiers.map((tier) => (
            <tr
              key={tier.tier}
              className="border-t border-hair hover:bg-mosswash"
              onPointerEnter={() => light(tierIds(tier.tier))}
            >
              <th scope="row" className="py-1 text-left font-semibold">
                {roman(tier.tier)} {tier.name ?? ''}
              </th>
              <td className="text-right">{tier.filled}</td>
              <td className="text-right">{tier.vacant}</td>
              <td className="text-right">{tier.managers}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {figures.managers.length > 0 && (
        <>
          <h2 className="label mb-1 font-sans">Spans of control: managers by number of direct reports</h2>
          <div aria-hidden="true" className="h-36">
            <ResponsiveContainer width="100%" height="100%">
              <BarChart accessibilityLayer={false} data={[...spans.counts]} margin={{ top: 16, left: 0, right: 0 }}>
                <XAxis dataKey="span" {...axis} />
                <YAxis hide />
                <Bar dataKey="managers" fill="var(--moss)" isAnimationActive={false}>
                  <LabelList
                    position="top"
                    fill="var(--ink)"
                    fontSize={13}
                    valueAccessor={(one: { value?: unknown }) =>
                      (Array.isArray(one.value) ? (one.value[1] as number) : (one.value as number)) || ''
                    }
                  />
                </Bar>
              </BarChart>
            </ResponsiveContainer>
          </div>
          <table className="mt-3 w-full text-sm">
            <thead>
              <tr className="text-left text-muted">
                <th className="font-normal">Manager</th>
                <th className="pl-2 text-right font-normal">Direct</th>
                <th className="pl-2 text-right font-normal">Vacant</th>
                <th className="pl-2 text-right font-normal">Below</th>
                <th
                  className="pl-2 text-right font-normal"
                  title="Possible relationships with and among the direct reports (Graicunas 1933)"
                >
                  Relationships
                </th>
              </tr>
            </thead>
            <tbody>
              {figures.managers.slice(0, mostRows).map((manager) => (
                <tr
                  key={manager.id}
                  className="border-t border-hair hover:bg-mosswash"
                  onPointerEnter={() => light(reports(manager.id))}
                >
                  <th scope="row" className="py-1 text-left font-semibold">
                    <button
                      className="text-left hover:underline"
                      onFocus={() => light(reports(manager.id))}
                      onClick={() => store.getState().select(manager.id)}
                    >
                      {manager.name || 'No name yet'}
                    </button>
                  </th>
                  <td className="text-right">{manager.span}</td>
                  <td className={`text-right ${manager.vacant > 0 ? 'text-brass' : ''}`}>{manager.vacant}</td>
                  <td className="text-right">{manager.below}</td>
                  <td className="text-right">
                    {manager.relationships < 1e6 ? manager.relationships.toLocaleString('en') : '> 1 million'}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          {figures.managers.length > mostRows && (
            <p className="mt-1 text-sm text-muted">
              … and {figures.managers.length - mostRows} more with narrower spans.
            </p>
          )}
        </>
      )}
    </FiguresFrame>
  );
}
