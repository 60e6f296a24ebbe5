import { useMemo } from 'react';
import { Bar, LabelList } from 'recharts';
import { hierarchyOf, withBranches } from '../../../../core/hierarchy';
import { figureTopics, type ClassFigures, type TopicTree } from '../../../../core/kinds/topic-tree';
import { own } from '../../../../core/model';
import { useBench, useParts } from '../../context';
import { FiguresFrame } from '../../panels/FiguresFrame';
import { EntryRow } from '../../panels/EntryRow';
import { FigureTable } from '../../panels/FigureTable';
import { TierFigures } from '../../tree/TierFigures';

const mostRows = 200;

/** Counts a tier and a class, depth, and how even the divisions are; pointing at a row lights its entries. */
export function TopicFiguresPanel() {
  const { store } = useParts();
  const diagram = useBench((state) => state.diagram as TopicTree);
  const structure = hierarchyOf(diagram.entries);
  const figures = useMemo(() => figureTopics(diagram, structure), [diagram, structure]);
  const light = (entries: readonly string[]) => store.getState().set({ lit: new Set(entries) });
  const branch = (id: string) => withBranches(diagram, [id]);
  const { leastBalanced } = figures;
  if (figures.ideas === 0) return <p className="px-4 text-muted">There is nothing to count yet.</p>;
  return (
    <FiguresFrame onLeave={() => light([])}>
      <p className="mb-4 text-[16px]">
        <strong>{figures.ideas}</strong> ideas in <strong>{figures.depth}</strong>{' '}
        {figures.depth === 1 ? 'tier' : 'tiers'}; <strong>{figures.leaves}</strong> of them are divided no further.
      </p>
      <TierFigures
        title="Ideas per tier"
        structure={structure}
        tiers={figures.tiers}
        heads={['Ideas', 'Divided', 'Not divided']}
        cells={({ ideas, classes, leaves }) => [ideas, classes, leaves]}
        light={light}
      >
        <Bar dataKey="ideas" fill="var(--moss)" isAnimationActive={false}>
          <LabelList dataKey="ideas" position="right" fill="var(--ink)" fontSize={13} />
        </Bar>
      </TierFigures>
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
  return (
    <>
      <h2 className="label mb-1 font-sans">Each class</h2>
      <FigureTable
        about="Class"
        heads={[
          'Parts',
          'Below',
          'Leaves',
          'Depth',
          {
            words: 'Uneven',
            means: 'Leaves of its largest part against an even share: 1 where all parts have as many',
          },
        ]}
      >
        {classes.slice(0, mostRows).map((one) => (
          <EntryRow
            key={one.id}
            entry={one}
            indent={(one.tier - 1) * 8}
            light={() => light(branch(one.id))}
            cells={[
              one.parts,
              one.below,
              one.leaves,
              one.depth,
              one.imbalance === null ? '–' : one.imbalance.toFixed(1),
            ]}
          />
        ))}
      </FigureTable>
      {classes.length > mostRows && <p className="mt-1 text-sm text-muted">… and {classes.length - mostRows} more.</p>}
    </>
  );
}
