import { Suspense, useRef, useState, type PointerEvent } from 'react';
import { ArrangePanel } from './panels/ArrangePanel';
import { HandOutPanel } from './panels/HandOutPanel';
import { NotesPanel } from './panels/NotesPanel';
import { partsOf, type KindParts } from './kinds';
import { useBench, useParts } from './context';
import { steps, type StepId } from './store';
import { StylePanel } from './style/StylePanel';

const names: Record<StepId, string> = {
  list: 'List',
  arrange: 'Arrange',
  style: 'Style',
  figures: 'Figures',
  notes: 'Notes',
  'hand-out': 'Hand out',
};
const panels: Record<StepId, (parts: KindParts) => React.ReactNode> = {
  list: ({ List }) => <List />,
  arrange: () => <ArrangePanel />,
  style: () => <StylePanel />,
  figures: ({ Figures }) => <Figures />,
  notes: () => <NotesPanel />,
  'hand-out': () => <HandOutPanel />,
};
const widths = { least: 300, most: 720, usual: 384 };

/** The six steps in the order of the work; the width is the user's, unless it stands alone. */
export function SidePanel({ alone }: { alone: boolean }) {
  const { store } = useParts();
  const step = useBench((state) => state.step);
  const parts = partsOf(useBench((state) => state.diagram.kind));
  const [width, setWidth] = useState(widths.usual);
  const held = useRef<{ from: number; width: number } | null>(null);
  const resize = (next: number) => setWidth(Math.min(widths.most, Math.max(widths.least, next)));
  const dragged = {
    onPointerDown(event: PointerEvent) {
      event.currentTarget.setPointerCapture(event.pointerId);
      held.current = { from: event.clientX, width };
    },
    onPointerMove(event: PointerEvent) {
      if (held.current) resize(held.current.width + event.clientX - held.current.from);
    },
    onPointerUp: () => (held.current = null),
    onPointerCancel: () => (held.current = null),
  };
  const grip = 'cursor-col-resize touch-none hover:bg-mosswash';
  return (
    <div
      className={`relative flex min-h-0 flex-col border-hair ${alone ? 'min-w-0 flex-1 overflow-auto' : 'w-[var(--panel)] shrink-0 border-r'}`}
      style={{ '--panel': `${width}px` } as React.CSSProperties}
    >
      <nav aria-label="Steps" className="flex shrink-0 justify-between overflow-x-auto px-3 pt-2">
        {steps.map((id, i) => (
          <button
            key={id}
            aria-current={step === id ? 'step' : undefined}
            title={`${names[id]} (Alt+${i + 1})`}
            className={`flex shrink-0 flex-col items-center px-1 whitespace-nowrap ${step === id ? 'font-bold' : 'text-muted hover:text-ink'}`}
            onClick={() => store.getState().set({ step: id })}
          >
            {names[id]}
            <span
              aria-hidden="true"
              className={`mt-0.5 block h-2.5 w-2.5 rotate-45 border ${step === id ? 'border-moss bg-moss' : 'border-edge bg-paper'}`}
            />
          </button>
        ))}
      </nav>
      <div className="mx-3 -mt-[6px] border-t border-hair" aria-hidden="true" />
      <section
        data-panel
        tabIndex={-1}
        aria-label={names[step]}
        className={`mt-3 flex flex-1 flex-col outline-none focus-visible:outline-2 ${alone ? 'min-h-64' : 'min-h-0'}`}
      >
        <Suspense fallback={<p className="px-4 text-muted">Counting …</p>}>{panels[step](parts)}</Suspense>
      </section>
      {!alone && <div aria-hidden="true" className={`absolute inset-y-0 -right-1 z-10 w-2 ${grip}`} {...dragged} />}
      <div
        role="slider"
        tabIndex={0}
        aria-label="Width of the panel"
        aria-orientation="horizontal"
        aria-valuenow={width}
        aria-valuemin={widths.least}
        aria-valuemax={widths.most}
        className={`absolute top-1/2 -right-3 z-10 h-10 w-6 place-items-center ${grip} ${alone ? 'hidden' : 'grid'}`}
        {...dragged}
        onKeyDown={(event) => {
          if (event.key === 'ArrowRight') resize(width + 16);
          if (event.key === 'ArrowLeft') resize(width - 16);
        }}
      >
        <span aria-hidden="true" className="h-6 w-1 border-x border-edge bg-paper" />
      </div>
    </div>
  );
}
