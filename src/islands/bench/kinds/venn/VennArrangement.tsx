import type { Gesture } from '../../../../core/diagram';
import { mostToScale, type VennManner, type Venn, scaleWords, type VennScene } from '../../../../core/kinds/venn';
import { useBench, useParts } from '../../context';
import { PreviewChoice } from '../../panels/PreviewChoice';
import { SeeThroughSets } from './SeeThroughSets';

const contents: { content: VennManner['content']; name: string; told: string }[] = [
  { content: 'names', name: 'Names as lists', told: 'Set inside their regions' },
  {
    content: 'scattered',
    name: 'Names scattered',
    told: 'Spread over their regions, with pictures where there are any',
  },
  { content: 'counts', name: 'Counts', told: 'How many are in each region' },
  { content: 'blank', name: 'Blank', told: 'To be filled in by hand' },
];
const shapes: { shape: VennManner['shape']; name: string; told: string }[] = [
  { shape: 'equal', name: 'All alike', told: 'Every region in sight, whatever is in it' },
  { shape: 'scaled-circles', name: 'Circles to scale', told: 'Areas show the counts as nearly as circles can' },
  { shape: 'scaled-ellipses', name: 'Ellipses to scale', told: 'Areas show the counts, mostly exactly' },
];
const asGestures = (patches: readonly Partial<VennManner>[]): readonly Gesture[] =>
  patches.map((patch) => [{ kind: 'setManner', patch }]);
const contentGestures = asGestures(contents.map(({ content }) => ({ content })));
const shapeGestures = asGestures(shapes.map(({ shape }) => ({ shape })));

/** What stands in the regions, as small previews of this diagram, and how curves and frame are drawn. */
export function VennArrangement() {
  const { store } = useParts();
  const diagram = useBench((state) => state.diagram);
  if (diagram.kind !== 'venn') return null;
  const { manner } = diagram.venn;
  const set = (patch: Partial<VennManner>, merge?: string) =>
    store.getState().perform([{ kind: 'setManner', patch }], merge ? { merge } : {});
  return (
    <>
      <PreviewChoice
        title="In the regions"
        diagram={diagram}
        gestures={contentGestures}
        options={contents.map((one, i) => ({
          ...one,
          gesture: contentGestures[i]!,
          chosen: one.content === manner.content,
        }))}
      />
      <Shapes diagram={diagram} />
      <section aria-label="Curves and frame" className="mt-5 grid gap-2">
        <h2 className="label font-sans">Curves and frame</h2>
        <label className="grid grid-cols-[9.5rem_1fr] items-center gap-2">
          Outline
          <select
            className="field min-w-0"
            value={manner.outline}
            onChange={(event) => set({ outline: event.target.value as VennManner['outline'] })}
          >
            <option value="none">None</option>
            <option value="thin">Thin</option>
            <option value="strong">Strong</option>
          </select>
        </label>
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="accent-moss"
            checked={manner.frame}
            onChange={(event) => set({ frame: event.target.checked })}
          />
          Frame around all, with what is in none
        </label>
        <label className="grid grid-cols-[9.5rem_1fr] items-center gap-2">
          The whole is called
          <input
            className="field min-w-0"
            value={manner.universe}
            maxLength={200}
            disabled={!manner.frame}
            onChange={(event) => set({ universe: event.target.value }, 'universe')}
          />
        </label>
        {manner.content === 'blank' && (
          <label className="flex items-center gap-2">
            <input
              type="checkbox"
              className="accent-moss"
              checked={manner.wordBank}
              onChange={(event) => set({ wordBank: event.target.checked })}
            />
            Word bank: the names to sort, below the drawing
          </label>
        )}
      </section>
      <SeeThroughSets diagram={diagram} />
    </>
  );
}

function Shapes({ diagram }: { diagram: Venn }) {
  const scaled = useBench((state) => (state.drawn.scene as VennScene).scaled);
  const { shape } = diagram.venn.manner;
  const sets = Object.keys(diagram.venn.sets).length;
  const barred = sets > mostToScale ? `Areas can follow the counts for up to ${mostToScale} sets.` : null;
  return (
    <>
      <PreviewChoice
        title="Curves"
        diagram={diagram}
        gestures={shapeGestures}
        options={shapes.map((one, i) => ({
          ...one,
          gesture: shapeGestures[i]!,
          chosen: one.shape === shape,
          barred: one.shape === 'equal' ? null : barred,
        }))}
      />
      {scaled && <p className="-mt-3 mb-5 text-sm text-muted">{scaleWords(scaled)}</p>}
    </>
  );
}
