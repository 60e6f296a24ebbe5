import { useEffect } from 'react';
import { Foot } from './Foot';
import { Head } from './Head';
import { useParts } from './context';
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

export function Body() {
  useBenchKeys();
  useDroppedFiles();
  return (
    <div className="flex h-full flex-col overflow-hidden">
      <Head />
      <LostWork />
      <HouseOffer />
      <main className="flex min-h-0 flex-1 flex-col-reverse md:flex-row">
        <SidePanel />
        <Stage />
      </main>
      <Foot />
      <Unmatched />
      <Notices />
      <RemoveDialog />
      <ShortcutsDialog />
    </div>
  );
}
