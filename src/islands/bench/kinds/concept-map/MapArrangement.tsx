import { useMemo } from 'react';
import type { Gesture } from '../../../../core/diagram';
import type { ConceptMap, MapManner } from '../../../../core/kinds/concept-map';
import { byOrder, own } from '../../../../core/model';
import { useBench, useParts } from '../../context';
import { PreviewChoice } from '../../panels/PreviewChoice';
import { FoldingAndLimits } from '../../tree/FoldingAndLimits';
import { Nudges } from '../../tree/Nudges';
import { TierTable } from '../../tree/TierTable';

interface Way {
  readonly way: MapManner['way'];
  readonly direction: 'down' | 'right';
  readonly name: string;
  readonly told: string;
}
const ways: readonly Way[] = [
  {
    way: 'ranked',
    direction: 'down',
    name: 'Ranked',
    told: 'The focus on top, every idea below those that lead to it',
  },
  {
    way: 'ranked',
    direction: 'right',
    name: 'Ranked, left to right',
    told: 'The focus at the left, each rank a column',
  },
  { way: 'rings', direction: 'down', name: 'Rings', told: 'The focus in the middle, each rank on a circle' },
  { way: 'even', direction: 'down', name: 'Even', told: 'Links of much the same length, without a clear beginning' },
];
const gestures: readonly Gesture[] = ways.map(({ way, direction }) => [
  { kind: 'setMap', patch: { way } },
  { kind: 'setArrangement', patch: { direction } },
]);

/** What the map answers, with which idea it begins, and how the ideas stand. */
export function MapArrangement() {
  const { store } = useParts();
  const diagram = useBench((state) => state.diagram as ConceptMap);
  const { manner } = diagram.map;
  const { direction } = diagram.arrangement;
  const ideas = useMemo(() => Object.values(diagram.entries).sort(byOrder), [diagram.entries]);
  const set = (patch: Partial<MapManner>, merge?: string) =>
    store.getState().perform([{ kind: 'setMap', patch }], merge ? { merge } : {});
  const options = useMemo(
    () =>
      ways.map((one, i) => ({
        ...one,
        gesture: gestures[i]!,
        chosen: one.way === manner.way && (one.way !== 'ranked' || one.direction === direction),
      })),
    [manner.way, direction],
  );
  return (
    <>
      <section aria-label="What the map is about" className="mb-4 grid gap-2">
        <label className="grid gap-1">
          Focus question
          <input
            className="field min-w-0"
            placeholder="What is the map to answer?"
            maxLength={300}
            value={manner.question}
            onChange={(event) => set({ question: event.target.value }, 'question')}
          />
        </label>
        <label className="grid gap-1">
          Begins with
          <select
            className="field min-w-0"
            value={manner.focus !== null && own(diagram.entries, manner.focus) ? manner.focus : ''}
            onChange={(event) => set({ focus: event.target.value || null })}
          >
            <option value="">the idea most others follow from</option>
            {ideas.map(({ id, name }) => (
              <option key={id} value={id}>
                {name || 'no name yet'}
              </option>
            ))}
          </select>
        </label>
        <label className="grid gap-1">
          Heads of arrows
          <select
            className="field min-w-0"
            value={manner.arrows}
            onChange={(event) => set({ arrows: event.target.value as MapManner['arrows'] })}
          >
            <option value="needed">where a link is not read downwards</option>
            <option value="always">on every link</option>
            <option value="never">on no link</option>
          </select>
        </label>
      </section>
      <PreviewChoice title="Arrangement" diagram={diagram} gestures={gestures} options={options} />
      <TierTable />
      <Nudges />
      <FoldingAndLimits leaves="" folds={false} />
    </>
  );
}
