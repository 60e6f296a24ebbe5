import { useEffect } from 'react';
import { Foot } from './Foot';
import { Head } from './Head';
import { useParts } from './context';
import { Notices } from './Notices';
import { RemoveDialog } from './RemoveDialog';
import { ShortcutsDialog } from './ShortcutsDialog';
import { SidePanel } from './SidePanel';
import { Stage } from './stage/Stage';
import { steps } from './store';

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
      } else if (event.key === '?' && !typing) {
        event.preventDefault();
        state.set({ shortcutsShown: true });
      }
    }
    const back = () => sync.retry();
    window.addEventListener('keydown', key);
    window.addEventListener('online', back);
    return () => {
      window.removeEventListener('keydown', key);
      window.removeEventListener('online', back);
    };
  }, [store, sync]);
}

export function Body() {
  useBenchKeys();
  return (
    <div className="flex h-dvh flex-col overflow-hidden">
      <Head />
      <main className="flex min-h-0 flex-1 flex-col-reverse md:flex-row">
        <SidePanel />
        <Stage />
      </main>
      <Foot />
      <Notices />
      <RemoveDialog />
      <ShortcutsDialog />
    </div>
  );
}
