import { useMemo } from 'react';
import { type Command, drawApart } from '../../../core/diagram';
import type { Arrangement } from '../../../core/model';
import { leastPrintedPt, printPt } from '../../../core/check';
import { Picture } from '../../drawing/Picture';
import { useBench, useParts } from '../context';
import { useTrial } from '../useTrial';
import { FoldingAndLimits } from './FoldingAndLimits';
import { Nudges } from './Nudges';
import { TierTable } from './TierTable';
import type { TreeBenchWords } from './words';

/** Larger diagrams show the names of the ways without a picture of each. */
const mostForPreviews = 2000;

/** The ways that tiers can stand, each as a small preview of this diagram with the size at which it prints; then folding, limits and spacing. */
export function TierArrangement({ words }: { words: TreeBenchWords }) {
  return (
    <>
      <Ways words={words} />
      <TierTable />
      <Nudges />
      <FoldingAndLimits leaves={words.leaves} />
    </>
  );
}

function Ways({ words: { ways } }: { words: TreeBenchWords }) {
  const { store } = useParts();
  const trial = useTrial();
  const diagram = useBench((state) => state.diagram);
  const manner = useBench((state) => state.drawn.scene.manner);
  const { direction, tiers } = diagram.arrangement;
  const previews = useMemo(
    () =>
      Object.keys(diagram.entries).length > mostForPreviews
        ? null
        : ways.map(({ patch }) => drawApart({ ...diagram, arrangement: { ...diagram.arrangement, ...patch } }).scene),
    [diagram, ways],
  );
  const perform = (patch: Partial<Arrangement>) => store.getState().perform([{ kind: 'setArrangement', patch }]);
  const open = tiers === 'open';
  return (
    <section aria-label="Arrangement">
      <h2 className="label mb-2 font-sans">Arrangement</h2>
      <label className="mb-2 flex items-center gap-2">
        <input
          type="checkbox"
          className="accent-moss"
          checked={open}
          onChange={() => perform(open ? { tiers: manner ?? 'bands' } : { tiers: 'open' })}
        />
        Take the way that prints comfortably, tier bands first
      </label>
      <ul className="grid gap-2">
        {ways.map(({ name, told, patch }, i) => {
          const shown =
            patch.tiers === manner && (patch.direction === direction || manner === 'columns' || manner === 'indented');
          const command: Command[] = [{ kind: 'setArrangement', patch }];
          return (
            <li key={name}>
              <button
                aria-pressed={shown}
                className={`flex w-full items-center gap-3 border bg-raised p-2 text-left hover:border-moss ${shown ? 'border-moss outline-1 outline-moss' : 'border-edge'}`}
                {...trial(shown ? null : command)}
                onClick={() => perform(patch)}
              >
                {previews && (
                  <span className="block h-20 w-32 shrink-0 bg-white p-1">
                    <Picture scene={previews[i]!} small label="" />
                  </span>
                )}
                <span>
                  <span className="block font-semibold">{name}</span>
                  <span className="block text-sm text-muted">{told}</span>
                  {previews && <Print pt={printPt(previews[i]!)} least={diagram.sheet.leastPrint ?? leastPrintedPt} />}
                </span>
              </button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** The size at which the smallest text prints: "11 pt", "6 pt, too small". */
function Print({ pt, least }: { pt: number | null; least: number }) {
  if (pt === null) return null;
  const small = pt < least - 0.05;
  return (
    <span className={`block text-sm ${small ? 'font-semibold text-brick' : 'text-muted'}`}>
      {pt.toFixed(pt < 10 ? 1 : 0)} pt{small && ', too small'}
    </span>
  );
}
