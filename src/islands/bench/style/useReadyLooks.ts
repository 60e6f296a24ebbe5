import { useEffect } from 'react';
import { drawFirstSight, kindOf } from '../../../core/diagram';
import { looks } from '../../../core/style';
import { useParts } from '../context';

/** What is asked for in vain to be idle is done after this. In milliseconds. */
const wait = 2000;

/** Draws a large diagram in each look once while nobody waits for anything, so that the first one that is pointed at is shown as fast as the next. */
export function useReadyLooks(): void {
  const { store } = useParts();
  useEffect(() => {
    const later = globalThis.requestIdleCallback ?? ((work: () => void) => setTimeout(work, 100));
    let ended = false;
    const draw = (k: number): void => {
      const { diagram } = store.getState();
      const look = looks[k];
      if (ended || !look || !kindOf(diagram.kind).takesLong(diagram)) return;
      if (look.id !== diagram.look) drawFirstSight({ ...diagram, look: look.id });
      later(() => draw(k + 1), { timeout: wait });
    };
    later(() => draw(0), { timeout: wait });
    return () => void (ended = true);
  }, [store]);
}
