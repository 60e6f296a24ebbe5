import { useMemo } from 'react';
import { Bar, BarChart, LabelList, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import { hierarchyOf, roman, withBranches } from '../../../../core/hierarchy';
import { figureTopics, type ClassFigures, type TopicTree } from '../../../../core/kinds/topic-tree';
import { own } from '../../../../core/model';
import { useBench, useParts } from '../../context';
import { FiguresFrame } from '../../panels/FiguresFrame';

const axis = { stroke: 'var(--edge)', tick: { fill: 'var(--muted)', fontSize: 13 }, tickLine: false } as const;
const mostRows = 200;

/** Counts a tier and a class, depth, and how even the divisions are; pointing at a row lights its entries. */
export function TopicFiguresPanel() {
  const { store } = useParts();
  const diagram = useBench((state) => state.diagram as TopicTree);
  const structure = hierarchyOf(diagram.entries);
  const figures = useMemo(() => figureTopics(diagram, structure), [diagram, structure]);
  const light = (entries: readonly string[]) => store.getState().set({ lit: new Set(entries) });
  const tierIds = (tier: number) => structure.ids.slice(structure.tierStart[tier - 1], structure.tierStart[tier]);
  const branch = (id: string) => withBranches(diagram, [id]);
  const { leastBalanced } = figures;
  if (figures.ideas === 0) return <p className="px-4 text-muted">There is nothing to count yet.</p>;
  return (
    <FiguresFrame onLeave={() => light([])}>
      <p className="mb-4 text-[16px]">
        <strong>{figures.ideas}</strong> ideas in <strong>{figures.depth}</strong>{' '}
        {figures.depth === 1 ? 'tier' : 'tiers'}; <strong>{figures.leaves}</strong> of them are divided no further.
      </p>
      <h2 className="label mb-1 font-sans">Ideas per tier</h2>
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
            <Bar dataKey="ideas" fill="var(--moss)" isAnimationActive={false}>
              <LabelList dataKey="ideas" position="right" fill="var(--ink)" fontSize={13} />
            </Bar>
          </BarChart>
        </ResponsiveContainer>
      </div>
      <table className="mb-5 w-full text-sm">
        <thead>
          <tr className="text-left text-muted">
            <th className="font-normal">Tier</th>
            <th className="pl-2 text-right font-normal">Ideas</th>
            <th className="pl-2 text-right font-normal">Divided</th>
            <th className="pl-2 text-right font-normal">Not divided</th>
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
              <td className="text-right">{tier.ideas}</td>
              <td className="text-right">{tier.classes}</td>
              <td className="text-right">{tier.leaves}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {leastBalanced && (
        <p className="mb-4">
          The least balanced division is{' '}
          <button className="font-semibold hover:underline" onClick={() => store.getState().select(leastBalanced.id)}>
            {leastBalanced.name || 'No name yet'}
          </button>
          : of its {leastBalanced.parts} parts, {own(diagram.entries, leastBalanced.largest)?.name || 'one'} holds{' '}
          {leastBalanced.imbalance!.toFixed(1)} times an even share.
        </p>
      )}
      {figures.classes.length > 0 && <Classes classes={figures.classes} light={light} branch={branch} />}
    </FiguresFrame>
  );
}

function Classes({
  classes,
  light,
  branch,
}: {
  classes: readonly ClassFigures[];
  light: (ids: readonly string[]) => void;
  branch: (id: string) => readonly string[];
}) {
  const { store } = useParts();
  return (
    <>
      <h2 className="label mb-1 font-sans">Each class</h2>
      <table className="w-full text-sm">
        <thead>
          <tr className="text-left text-muted">
            <th className="font-normal">Class</th>
            <th className="pl-2 text-right font-normal">Parts</th>
            <th className="pl-2 text-right font-normal">Below</th>
            <th className="pl-2 text-right font-normal">Leaves</th>
            <th className="pl-2 text-right font-normal">Depth</th>
            <th
              className="pl-2 text-right font-normal"
              title="Leaves of its largest part against an even share: 1 where all parts have as many"
            >
              Uneven
            </th>
          </tr>
        </thead>
        <tbody>
          {classes.slice(0, mostRows).map((one) => (
            <tr
              key={one.id}
              className="border-t border-hair hover:bg-mosswash"
              onPointerEnter={() => light(branch(one.id))}
            >
              <th scope="row" className="py-1 text-left font-semibold">
                <button
                  className="text-left hover:underline"
                  style={{ paddingLeft: (one.tier - 1) * 8 }}
                  onFocus={() => light(branch(one.id))}
                  onClick={() => store.getState().select(one.id)}
                >
                  {one.name || 'No name yet'}
                </button>
              </th>
              <td className="text-right">{one.parts}</td>
              <td className="text-right">{one.below}</td>
              <td className="text-right">{one.leaves}</td>
              <td className="text-right">{one.depth}</td>
              <td className="text-right">{one.imbalance === null ? '–' : one.imbalance.toFixed(1)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {classes.length > mostRows && <p className="mt-1 text-sm text-muted">… and {classes.length - mostRows} more.</p>}
    </>
  );
}
