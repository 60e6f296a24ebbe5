import { useEffect, useState, useSyncExternalStore } from 'react';
import { Foot } from './Foot';
import { Head } from './Head';
import { useBench, useParts } from './context';
import { LostWork } from './LostWork';
import { Notices } from './Notices';
import { Unmatched } from './pictures/Unmatched';
import { RemoveDialog } from './RemoveDialog';
import { ShortcutsDialog } from './ShortcutsDialog';
import { SidePanel } from './SidePanel';
import { Stage } from './stage/Stage';
import { steps } from './store';
import { HouseOffer } from './style/HouseOffer';
import { useDroppedFiles } from './useDroppedFiles';

/** Keys that work anywhere on the bench. */
function useBenchKeys(): void {
  const { store, sync } = useParts();
  useEffect(() => {
    function key(event: KeyboardEvent) {
      const state = store.getState();
      const command = event.ctrlKey || event.metaKey;
      const typing =
        event.target instanceof HTMLElement &&
        event.target.closest(
          'input:not([type=radio]):not([type=checkbox]):not([type=range]):not([type=color]), textarea, select',
        ) !== null;
      if (command && !event.altKey && event.key.toLowerCase() === 'z') {
        event.preventDefault();
        if (event.shiftKey) state.redo();
        else state.undo();
      } else if (command && event.key.toLowerCase() === 'y') {
        event.preventDefault();
        state.redo();
      } else if (event.altKey && !command && /^Digit[1-6]$/.test(event.code)) {
        event.preventDefault();
        state.set({ step: steps[Number(event.code.at(-1)) - 1]! });
        // The panel, so that Tab goes on within it.
        requestAnimationFrame(() => document.querySelector<HTMLElement>('[data-panel]')?.focus());
      } else if (event.key === '?' && !typing) {
        event.preventDefault();
        state.set({ shortcutsShown: true });
      }
    }
    const back = () => sync.retry();
    window.addEventListener('keydown', key);
    const seen = () => document.visibilityState === 'visible' && sync.retry();
    window.addEventListener('online', back);
    document.addEventListener('visibilitychange', seen);
    return () => {
      window.removeEventListener('keydown', key);
      window.removeEventListener('online', back);
      document.removeEventListener('visibilitychange', seen);
    };
  }, [store, sync]);
}

/** Where there is no room for both, the panel and the drawing take turns. */
const tightly = '(max-width: 767px), (max-height: 519px)';
/** As on a phone held upright: the drawing has a strip below the panel while the panel is shown. */
const highly = '(min-height: 700px)';
function useMedia(query: string): boolean {
  return useSyncExternalStore(
    (changed) => {
      const media = matchMedia(query);
      media.addEventListener('change', changed);
      return () => media.removeEventListener('change', changed);
    },
    () => matchMedia(query).matches,
  );
}

const turns = [
  ['panel', 'Steps and list'],
  ['drawing', 'Drawing'],
] as const;

export function Body() {
  useBenchKeys();
  useDroppedFiles();
  const tight = useMedia(tightly);
  const high = useMedia(highly);
  const [turn, setTurn] = useState<(typeof turns)[number][0]>('panel');
  const step = useBench((state) => state.step);
  const isStrip = tight && high && turn === 'panel' && step === 'list';
  return (
    <div className="flex h-full flex-col overflow-clip">
      <Head />
      <LostWork />
      <HouseOffer />
      {tight && (
        <div role="group" aria-label="What is shown" className="flex shrink-0 border-b border-hair">
          {turns.map(([id, name]) => (
            <button
              key={id}
              aria-pressed={turn === id}
              className={`min-h-8 flex-1 ${turn === id ? 'bg-mosswash font-semibold' : 'text-muted'}`}
              onClick={() => setTurn(id)}
            >
              {name}
            </button>
          ))}
        </div>
      )}
      <main className={`flex min-h-0 flex-1 ${tight ? 'flex-col' : ''}`}>
        {(!tight || turn === 'panel') && <SidePanel alone={tight} />}
        {(!tight || turn === 'drawing' || isStrip) && (
          <div className={isStrip ? 'flex h-44 shrink-0 border-t border-edge' : 'contents'}>
            <Stage />
          </div>
        )}
      </main>
      <Foot />
      <Unmatched />
      <Notices />
      <RemoveDialog />
      <ShortcutsDialog />
    </div>
  );
}
