import { useMemo } from 'react';
import type { Gesture } from '../../../../core/diagram';
import { byOrder, own } from '../../../../core/model';
import type { FamilyManner, FamilyTree } from '../../../../core/kinds/family-tree';
import { useBench, useParts } from '../../context';
import { PreviewChoice } from '../../panels/PreviewChoice';
import { FoldingAndLimits } from '../../tree/FoldingAndLimits';
import { TierTable } from '../../tree/TierTable';

const views: readonly { readonly view: FamilyManner['view']; readonly name: string; readonly told: string }[] = [
  { view: 'whole', name: 'Whole family', told: 'Everybody, generation by generation' },
  { view: 'ancestors', name: 'Ancestors', told: 'Parents, grandparents and so on' },
  { view: 'descendants', name: 'Descendants', told: 'Children, grandchildren and so on, with their partners' },
  { view: 'both', name: 'Both', told: 'Ancestors and descendants' },
];
const directions = [
  { direction: 'down', name: 'Top-down', told: 'Each generation on a line of its own' },
  { direction: 'right', name: 'Left to right', told: 'Each generation a column' },
] as const;
const asTurned: readonly Gesture[] = directions.map(({ direction }) => [
  { kind: 'setArrangement', patch: { direction } },
]);

/** Who is shown, how the generations stand, and what the boxes tell. */
export function FamilyArrangement() {
  const { store } = useParts();
  const diagram = useBench((state) => state.diagram as FamilyTree);
  const selected = useBench((state) => state.selected);
  const { manner } = diagram.family;
  const { direction } = diagram.arrangement;
  const people = useMemo(() => Object.values(diagram.entries).sort(byOrder), [diagram.entries]);
  const around = manner.of ?? selected ?? people[0]?.id ?? null;
  const of = around === null ? '' : own(diagram.entries, around)?.name || 'the person chosen';
  const set = (patch: Partial<FamilyManner>) => store.getState().perform([{ kind: 'setFamily', patch }]);
  const gestures = useMemo(
    (): readonly Gesture[] =>
      views.map(({ view }) => [{ kind: 'setFamily', patch: { view, ...(view !== 'whole' && { of: around }) } }]),
    [around],
  );
  return (
    <>
      <label className="mb-3 grid grid-cols-[9.5rem_1fr] items-center gap-2">
        Around
        <select
          className="field min-w-0"
          value={manner.of ?? ''}
          onChange={(event) => set({ of: event.target.value || null })}
        >
          <option value="">nobody chosen</option>
          {people.map(({ id, name }) => (
            <option key={id} value={id}>
              {name || 'no name yet'}
            </option>
          ))}
        </select>
      </label>
      <PreviewChoice
        title="Who is shown"
        diagram={diagram}
        gestures={gestures}
        options={views.map((one, i) => ({
          ...one,
          told: one.view === 'whole' || of === '' ? one.told : `${one.told}, of ${of}`,
          gesture: gestures[i]!,
          chosen: one.view === manner.view,
        }))}
      />
      <PreviewChoice
        title="Arrangement"
        diagram={diagram}
        gestures={asTurned}
        options={directions.map((one, i) => ({
          ...one,
          gesture: asTurned[i]!,
          chosen: one.direction === direction,
        }))}
      />
      <section aria-label="In the boxes" className="grid gap-2">
        <h2 className="label font-sans">In the boxes</h2>
        <label className="grid grid-cols-[9.5rem_1fr] items-center gap-2">
          Dates
          <select
            className="field min-w-0"
            value={manner.dates}
            onChange={(event) => set({ dates: event.target.value as FamilyManner['dates'] })}
          >
            <option value="years">years</option>
            <option value="full">as they are written</option>
            <option value="none">none</option>
          </select>
        </label>
        <label className="grid grid-cols-[9.5rem_1fr] items-center gap-2">
          Numbers
          <select
            className="field min-w-0"
            value={manner.numbers}
            onChange={(event) =>
              set({
                numbers: event.target.value as FamilyManner['numbers'],
                ...(manner.of === null && { of: around }),
              })
            }
          >
            <option value="none">none</option>
            <option value="ancestors">of ancestors (1, 2, 3 …)</option>
            <option value="descendants">of descendants (1, 1.1, 1.2 …)</option>
          </select>
        </label>
      </section>
      <TierTable />
      <FoldingAndLimits leaves="" folds={false} />
    </>
  );
}
