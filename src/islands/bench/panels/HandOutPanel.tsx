import { Copy, Download, Printer } from 'lucide-react';
import { useState } from 'react';
import { z } from 'zod';
import { asPropositions, kindOf } from '../../../core/diagram';
import { ApiError } from '../../shared/api';
import { keepForStart } from '../../shared/incoming';
import { useKept } from '../../shared/useKept';
import { useBench, useParts } from '../context';
import { partsOf } from '../kinds';
import { saveFile } from './save-file';
import { SavingContext } from './SaveAs';
import { PosterTiles, SetOfSheets } from './SeveralSheets';

/** What goes to the clipboard; kept in this browser. */
const Copied = z.enum(['drawing', 'sheet']);

const resolutions = [96, 150, 192, 300, 600];

const printAsks = 'The print page is made of what is kept: choose “Keep it” above. Or save the PDF and print that.';

/** Files, print and the clipboard. Everything is made from what the server has, after all that waits was sent. */
export function HandOutPanel() {
  const { sync, store } = useParts();
  const kind = useBench((state) => state.diagram.kind);
  const More = partsOf(kind).HandOut;
  const parted = kindOf(kind).set !== null;
  const [dpi, setDpi] = useState(192);
  const [copied, setCopied] = useKept('copied', Copied, 'drawing');
  const [told, setTold] = useState<{ text: string; bad: boolean } | null>(null);
  const [going, setGoing] = useState<AbortController | null>(null);
  const busy = going !== null;

  async function work(doing: string, done: string, task: (signal: AbortSignal) => Promise<void>) {
    if (busy) return;
    const calledOff = new AbortController();
    setGoing(calledOff);
    setTold({ text: doing, bad: false });
    try {
      await sync.flush();
      await task(calledOff.signal);
      setTold({ text: done, bad: false });
    } catch (error) {
      if (!(error instanceof ApiError) && !(error instanceof DOMException)) throw error;
      setTold({
        text:
          error instanceof ApiError
            ? error.message
            : 'The browser did not let the picture onto the clipboard. Save it as PNG instead.',
        bad: true,
      });
    } finally {
      setGoing(null);
    }
  }
  const resolution = (format: string) => (format === 'png' ? `&dpi=${dpi}` : '');
  const save = (format: string, name: string, more = '') =>
    work(`Making the ${name} …`, `The ${name} is in your downloads.`, (signal) =>
      saveFile({ sync, store }, { format, more: resolution(format) + more }, signal),
    );
  const copy = () =>
    work('Copying …', 'The picture is on the clipboard.', async (signal) => {
      const picture = sync.file(`format=png${resolution('png')}&cut=${copied}`, signal).then((answer) => answer.blob());
      await navigator.clipboard.write([new ClipboardItem({ 'image/png': picture })]);
    });
  const print = (sheet = '') => {
    if (sync.guest) return setTold({ text: printAsks, bad: false });
    void work('Opening the print page …', 'The print page is open in another window.', async () => {
      if (!window.open(`/diagrams/${sync.id}/print${sheet && `?sheet=${sheet}`}`, '_blank'))
        store
          .getState()
          .notify([
            'The browser kept the print page from opening. Allow this page to open windows, or save the PDF and print that.',
          ]);
    });
  };
  const row = 'grid grid-cols-[1fr_auto] items-center gap-3 border-b border-hair py-2';
  return (
    <div className="flex min-h-0 flex-1 flex-col">
      {/* What is chosen stays where it is when sheets come and go below it. */}
      <div className="min-h-0 flex-1 overflow-auto px-4 pb-6 [overflow-anchor:none]">
        <h2 className="label mb-1 font-sans">As a file</h2>
        <div className={row}>
          <span>
            <strong>PDF</strong>{' '}
            <span className="block text-sm text-muted">At the sheet’s size; text can be selected</span>
          </span>
          <button className="button" aria-disabled={busy} onClick={() => void save('pdf', 'PDF')}>
            <Download size={15} aria-hidden="true" /> Save PDF
          </button>
        </div>
        <div className={row}>
          <span>
            <strong>PNG</strong>
            <label className="block text-sm text-muted">
              Resolution{' '}
              <select
                className="border border-edge bg-raised px-1"
                value={dpi}
                onChange={(event) => setDpi(Number(event.target.value))}
              >
                {resolutions.map((one) => (
                  <option key={one} value={one}>
                    {one} dpi
                  </option>
                ))}
              </select>
            </label>
          </span>
          <button className="button" aria-disabled={busy} onClick={() => void save('png', 'PNG')}>
            <Download size={15} aria-hidden="true" /> Save PNG
          </button>
        </div>
        <div className={row}>
          <span>
            <strong>SVG</strong>{' '}
            <span className="block text-sm text-muted">A drawing that stays sharp, with its fonts inside</span>
          </span>
          <button className="button" aria-disabled={busy} onClick={() => void save('svg', 'SVG')}>
            <Download size={15} aria-hidden="true" /> Save SVG
          </button>
        </div>
        <div className={row}>
          <span>
            <strong>The list</strong> <span className="block text-sm text-muted">CSV for a spreadsheet, or text</span>
          </span>
          <span className="flex gap-1">
            <button className="button" aria-disabled={busy} onClick={() => void save('csv', 'CSV')}>
              Save CSV
            </button>
            <button className="button" aria-disabled={busy} onClick={() => void save('txt', 'text')}>
              Save text
            </button>
          </span>
        </div>
        <p className="mt-1 text-sm text-muted">
          In the CSV a cell that a spreadsheet would run as a formula gets an apostrophe in front.
        </p>
        <div className={row}>
          <span>
            <strong>Another diagram of it</strong>
            <span className="block text-sm text-muted">What it says, as propositions for a concept map</span>
          </span>
          <button
            className="button"
            onClick={() => {
              const { diagram } = store.getState();
              keepForStart({ text: asPropositions(diagram), name: '', findings: [] });
              location.assign('/start');
            }}
          >
            Take it to Start
          </button>
        </div>
        <h2 className="label mt-5 mb-2 font-sans">On paper and elsewhere</h2>
        <div className="flex flex-wrap gap-2">
          <button className="button" aria-disabled={busy} onClick={() => print()}>
            <Printer size={15} aria-hidden="true" /> Print
          </button>
          <button className="button" aria-disabled={busy} onClick={() => void copy()}>
            <Copy size={15} aria-hidden="true" /> Copy as picture
          </button>
          <label className="flex items-center gap-2">
            <span className="sr-only">What is copied</span>
            <select
              className="field min-h-8 w-auto py-0"
              value={copied}
              onChange={(event) => setCopied(Copied.parse(event.target.value))}
            >
              <option value="drawing">the drawing alone</option>
              <option value="sheet">the whole sheet</option>
            </select>
          </label>
        </div>
        {parted && <SetOfSheets busy={busy} save={(more, name) => void save('pdf', name, more)} print={print} />}
        <PosterTiles busy={busy} save={(more, name) => void save('pdf', name, more)} />
        {More && (
          <SavingContext value={{ busy, save: (format, name) => void save(format, name) }}>
            <More />
          </SavingContext>
        )}
      </div>
      <div className={told ? 'shrink-0 border-t border-hair px-4 py-2' : ''}>
        <p
          role="status"
          className={told ? (told.bad ? 'border-l-4 border-brick pl-3 text-brick' : 'border-l-4 border-moss pl-3') : ''}
        >
          {told?.text}
        </p>
        {busy && (
          <p className="mt-2 flex items-center gap-3">
            <progress aria-label="Under way" className="h-2 flex-1 accent-moss" />
            <button className="button" onClick={() => going.abort()}>
              Stop
            </button>
          </p>
        )}
      </div>
    </div>
  );
}
