import { Bar, BarChart, LabelList, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import { useMemo } from 'react';
import { figureOrgChart, type OrgChart } from '../../../../core/kinds/org-chart';
import { hierarchyOf } from '../../../../core/hierarchy';
import { useBench, useParts } from '../../context';
import { axis } from '../../panels/chart-axis';
import { FiguresFrame } from '../../panels/FiguresFrame';
import { EntryRow } from '../../panels/EntryRow';
import { FigureTable } from '../../panels/FigureTable';
import { TierFigures } from '../../tree/TierFigures';

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
      <TierFigures
        title="Headcount per tier"
        structure={structure}
        tiers={figures.tiers}
        heads={['Filled', 'Vacant', 'Managers']}
        cells={({ filled, vacant, managers }) => [filled, vacant, managers]}
        light={light}
      >
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
      </TierFigures>
      {figures.managers.length > 0 && (
        <>
          <h2 className="label mb-1 font-sans">Spans of control: managers by number of direct reports</h2>
          <div aria-hidden="true" className="h-36">
            <ResponsiveContainer width="100%" height="100%">
              <BarChart accessibilityLayer={false} data={[...spans.counts]} margin={{ top: 16, left: 0, right: 0 }}>
                <XAxis dataKey="span" {...axis(13)} />
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
          <FigureTable
            about="Manager"
            heads={[
              'Direct',
              'Vacant',
              'Below',
              {
                words: 'Relationships',
                means: 'Possible relationships with and among the direct reports (Graicunas 1933)',
              },
            ]}
            className="mt-3"
          >
            {figures.managers.slice(0, mostRows).map((manager) => (
              <EntryRow
                key={manager.id}
                entry={manager}
                light={() => light(reports(manager.id))}
                cells={[
                  manager.span,
                  manager.vacant > 0 ? { words: manager.vacant, className: 'text-brass' } : 0,
                  manager.below,
                  manager.relationships < 1e6 ? manager.relationships.toLocaleString('en') : '> 1 million',
                ]}
              />
            ))}
          </FigureTable>
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
