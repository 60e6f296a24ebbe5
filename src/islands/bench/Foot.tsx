import { useState } from 'react';
import { useStore } from 'zustand';
import { fixOf, kindOf } from '../../core/diagram';
import { type Finding, own } from '../../core/model';
import { pathTo } from '../../core/hierarchy';
import { useBench, useParts } from './context';
import { isSame } from './selection';
import { useZoom } from './stage/useZoom';

/** A diagram that is being made does not scold: not for the name that is about to be typed, nor for what the first few entries lack. */
function worthSaying(findings: readonly Finding[], selected: string | null, count: number): readonly Finding[] {
  return findings.filter(
    ({ code, entries, severity }) =>
      !(code === 'no-name' && entries.length === 1 && entries[0] === selected) &&
      (count >= 3 || severity === 'error' || code === 'not-placed'),
  );
}

function Findings() {
  const all = useBench((state) => state.findings);
  const selected = useBench((state) => state.selected);
  const count = useBench((state) => state.structure.ids.length);
  const findings = worthSaying(all, selected, count);
  const [open, setOpen] = useState(false);
  const { store } = useParts();
  const light = (entries: readonly string[]) => store.getState().set({ lit: new Set(entries) });
  const go = (one: Finding) => one.entries[0] && store.getState().select(one.entries[0]);
  if (findings.length === 0)
    return <span className="whitespace-nowrap text-muted max-sm:hidden">Nothing to look at</span>;
  return (
    <div className="relative">
      <button
        className="plain font-semibold whitespace-nowrap text-brass"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
      >
        <span aria-hidden="true">◆</span> {findings.length} to look at
      </button>
      {open && (
        <ul
          aria-label="Findings"
          className="absolute bottom-9 left-0 z-20 grid max-h-[50vh] w-[min(440px,90vw)] gap-1 overflow-auto border border-edge bg-paper p-2"
          onPointerLeave={() => light([])}
        >
          {findings.map((one, i) => (
            <li key={one.code + String(i)}>
              <button
                className="w-full border-l-4 border-brass px-2 py-1 text-left hover:bg-mosswash"
                onPointerEnter={() => light(one.entries)}
                onFocus={() => light(one.entries)}
                onBlur={() => light([])}
                onClick={() => go(one)}
              >
                {one.message}
              </button>
              <Fix finding={one} />
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}

/** What mends a finding, where something does. */
function Fix({ finding }: { finding: Finding }) {
  const { store } = useParts();
  const diagram = useBench((state) => state.diagram);
  const fix = fixOf(diagram, finding);
  if (!fix) return null;
  return (
    <button className="plain ml-3 text-moss" onClick={() => store.getState().perform(fix.gesture)}>
      {fix.words}
    </button>
  );
}

/** Where the browser keeps nothing, unsent work lives only as long as the window. */
function AtRisk() {
  const atRisk = useBench((state) => state.atRisk);
  const save = useBench((state) => state.save);
  if (!atRisk) return null;
  return (
    <span role="status" className={save.state === 'kept' ? 'text-muted' : 'font-semibold text-brick'}>
      {save.state === 'kept'
        ? 'This browser stores nothing here'
        : 'Keep this window open until all is kept: this browser stores nothing here'}
    </span>
  );
}

function Path() {
  const entries = useBench((state) => state.diagram.entries);
  const selection = useBench((state) => state.selection);
  // What is no entry says in the drawing what it is.
  const other = useBench((state) => {
    const last = state.selection.at(-1);
    if (!last || last.for === 'entry') return '';
    return state.drawn.scene.groups.find(({ stands }) => isSame(stands, last))?.label ?? '';
  });
  const selected = useBench((state) => state.selected);
  const { store } = useParts();
  if (selection.length > 1) return <span className="truncate font-semibold">{selection.length} selected</span>;
  if (other) return <span className="truncate font-semibold">{other}</span>;
  if (selected === null || !own(entries, selected))
    return <span className="truncate text-muted">Nothing selected</span>;
  const path = pathTo(entries, selected);
  const shown = path.slice(-4);
  return (
    <nav
      aria-label="From the top to the selection"
      className="flex min-w-0 items-center overflow-hidden whitespace-nowrap"
    >
      {path.length > shown.length && <span>… ›&nbsp;</span>}
      {shown.map((id, i) => (
        <span
          key={id}
          className={`flex min-w-0 items-center ${i === shown.length - 1 ? 'shrink-0 font-semibold' : ''}`}
        >
          <button
            className="min-h-6 max-w-[18rem] min-w-6 truncate text-left hover:underline"
            title={own(entries, id)!.name}
            onClick={() => store.getState().select(id)}
          >
            {own(entries, id)!.name || 'No name yet'}
          </button>
          {i < shown.length - 1 && <span className="shrink-0">&nbsp;›&nbsp;</span>}
        </span>
      ))}
    </nav>
  );
}

/** Findings, where the selection stands, the sheet, and the zoom. */
export function Foot() {
  const { view, store } = useParts();
  const zoom = useZoom();
  const sheet = useBench((state) => state.drawn.scene.sheet.name);
  const kind = useBench((state) => state.diagram.kind);
  const smallest = useBench((state) => state.drawn.scene.smallestText);
  const k = useStore(view, (state) => state.k);
  return (
    <footer
      aria-label={`${kindOf(kind).name}: state of the sheet`}
      className="flex h-9 shrink-0 items-center gap-4 border-t border-hair px-3 text-sm"
    >
      <Findings />
      <AtRisk />
      <Path />
      <span className="ml-auto hidden whitespace-nowrap text-muted lg:inline">
        {sheet}, 1 sheet
        {smallest === null ? '' : `, smallest text prints at ${(smallest * 0.75).toFixed(1)} pt`}
      </span>
      <span className="flex items-center whitespace-nowrap">
        <button className="plain" aria-label="Zoom out" onClick={() => zoom.by(1 / 1.25)}>
          −
        </button>
        <span className="w-14 text-center">{k < 10 ? `${Math.round(k * 100)} %` : `${Math.round(k)} ×`}</span>
        <button className="plain" aria-label="Zoom in" onClick={() => zoom.by(1.25)}>
          +
        </button>
        <button className="plain" onClick={() => zoom.fit()}>
          Fit
        </button>
        <button className="plain" aria-label="Keys" onClick={() => store.getState().set({ shortcutsShown: true })}>
          ?
        </button>
      </span>
    </footer>
  );
}
