import { Download, Printer } from 'lucide-react';
import { useEffect, useState } from 'react';
import { usualSetPrint } from '../../../core/diagram';
import { tilePapers, tilingOf, type SetSheet, type SheetSet, type TilePaper } from '../../../core/scene';
import { setAway } from '../../../workers/draw-away';
import { Picture } from '../../drawing/Picture';
import { useBench } from '../context';

const prints = [7, 8, 9, 10, 11, 12, 14];
const pauseMs = 400;

/** How the buttons of the panel save and print. */
interface Doing {
  readonly busy: boolean;
  readonly save: (query: string, name: string) => void;
  readonly print: (sheet: string) => void;
}

/** The diagram over several sheets, each as a small picture; made in a worker while the panel is open, and again after an edit. */
export function SetOfSheets({ busy, save, print }: Doing) {
  const diagram = useBench((state) => state.diagram);
  const [least, setLeast] = useState(diagram.sheet.leastPrint ?? usualSetPrint);
  const [made, setMade] = useState<{
    readonly set: SheetSet;
    readonly of: typeof diagram;
    readonly least: number;
  } | null>(null);
  const [large, setLarge] = useState<SetSheet | null>(null);
  useEffect(() => {
    let current = true;
    const timer = setTimeout(() => {
      void setAway(diagram, least).then((set) => current && set && setMade({ set, of: diagram, least }));
    }, pauseMs);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [diagram, least]);
  const fresh = made !== null && made.of === diagram && made.least === least;
  const { sheets = [], print: smallest = null, leftOut = 0 } = made?.set ?? {};
  return (
    <section aria-label="Set of sheets" className="mt-5">
      <h2 className="label mb-2 font-sans">Over several sheets</h2>
      <label className="flex items-center gap-2">
        Print at least at
        <select
          className="border border-edge bg-raised px-1"
          value={least}
          onChange={(event) => setLeast(Number(event.target.value))}
        >
          {prints.map((pt) => (
            <option key={pt} value={pt}>
              {pt} pt
            </option>
          ))}
        </select>
      </label>
      <p role="status" className="mt-1 text-sm text-muted">
        {fresh
          ? `${sheets.length === 1 ? 'One sheet is enough' : `${sheets.length} sheets`}; ${smallest === null ? 'nothing is on it yet' : `the smallest text prints at ${smallest.toFixed(1)} pt`}.`
          : 'Setting it out …'}
        {fresh &&
          leftOut > 0 &&
          ` ${leftOut} ${leftOut === 1 ? 'link leads' : 'links lead'} from sheet to sheet and ${leftOut === 1 ? 'is' : 'are'} not drawn.`}
      </p>
      {!fresh && <progress aria-label="Setting out the sheets" className="h-2 w-full accent-moss" />}
      <ol className="mt-2 grid grid-cols-2 gap-2" aria-label="Sheets of the set">
        {sheets.map((sheet, k) => (
          <li key={k}>
            <button
              className="block w-full border border-edge bg-white text-left hover:border-moss"
              title={sheet.name}
              onClick={() => setLarge(sheet)}
            >
              <Picture scene={sheet.scene} label="" />
              <span className="block border-t border-hair bg-paper px-1 text-sm text-ink">
                <span className="line-clamp-2 wrap-anywhere">
                  {k + 1} {sheet.name}
                </span>
              </span>
            </button>
          </li>
        ))}
      </ol>
      <div className="mt-2 flex flex-wrap gap-2">
        <button
          className="button"
          aria-disabled={busy || !fresh}
          onClick={() => fresh && save(`&set=${least}`, 'PDF of the set')}
        >
          <Download size={15} aria-hidden="true" /> Save set as PDF
        </button>
        <button className="button" aria-disabled={busy || !fresh} onClick={() => fresh && print(`set&least=${least}`)}>
          <Printer size={15} aria-hidden="true" /> Print set
        </button>
      </div>
      {large && <LargeSheet sheet={large} onClose={() => setLarge(null)} />}
    </section>
  );
}

function LargeSheet({ sheet, onClose }: { sheet: SetSheet; onClose: () => void }) {
  return (
    <dialog
      ref={(dialog) => {
        if (dialog && !dialog.open) dialog.showModal();
      }}
      aria-label={`Sheet: ${sheet.name}`}
      className="m-auto w-[min(92vw,1100px)] border border-edge bg-paper p-3"
      onClose={onClose}
      onClick={(event) => event.target === event.currentTarget && onClose()}
    >
      <div className="mb-2 flex items-center justify-between gap-3">
        <strong className="truncate">{sheet.name}</strong>
        <button className="button" onClick={onClose}>
          Close
        </button>
      </div>
      <div className="max-h-[78vh] overflow-auto bg-white">
        <Picture scene={sheet.scene} label={sheet.scene.description} />
      </div>
    </dialog>
  );
}

/** Larger than any tile, so that it has to be parted: than A4 or Letter. */
const isLarge = ({ width, height }: { readonly width: number; readonly height: number }): boolean =>
  Math.min(width, height) > 820 || Math.max(width, height) > 1130;

/** A large sheet over tiles of a paper that an office printer takes. */
export function PosterTiles({ busy, save }: Pick<Doing, 'busy' | 'save'>) {
  const sheet = useBench((state) => state.drawn.scene.sheet);
  const [paper, setPaper] = useState<TilePaper>('A4');
  const { rows, columns } = tilingOf(sheet, paper);
  if (!isLarge(sheet)) return null;
  return (
    <section aria-label="Poster in tiles" className="mt-5">
      <h2 className="label mb-2 font-sans">As a poster in tiles</h2>
      <label className="flex items-center gap-2">
        Tiles of
        <select
          className="border border-edge bg-raised px-1"
          value={paper}
          onChange={(event) => setPaper(event.target.value as TilePaper)}
        >
          {tilePapers.map((name) => (
            <option key={name} value={name}>
              {name === 'letter' ? 'Letter' : name}
            </option>
          ))}
        </select>
      </label>
      <p className="my-1 text-sm text-muted">
        {sheet.name} in {rows} × {columns} tiles that overlap by 10 mm, with marks where to cut.
      </p>
      <button className="button" aria-disabled={busy} onClick={() => save(`&tiles=${paper}`, 'PDF in tiles')}>
        <Download size={15} aria-hidden="true" /> Save tiles as PDF
      </button>
    </section>
  );
}
