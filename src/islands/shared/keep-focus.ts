const focusable =
  'a[href], button:not(:disabled), input:not(:disabled):not([type=hidden]), select:not(:disabled), textarea:not(:disabled), [tabindex]:not([tabindex="-1"])';

const isShown = (element: Element): boolean => element.getClientRects().length > 0;

/** The nearest to where the focus was that can have it: the next one, else the one before, in the nearest part of the page that is still there. */
function nearest(parts: readonly { readonly element: Element; readonly at: number }[]): HTMLElement | null {
  for (const { element, at } of parts) {
    if (!element.isConnected) continue;
    const all = [...element.querySelectorAll<HTMLElement>(focusable)].filter(isShown);
    const next = all[Math.min(at, all.length - 1)];
    if (next) return next;
    if (element instanceof HTMLElement && element.matches(focusable) && isShown(element)) return element;
  }
  return null;
}

let keeping = false;

/**
 * Whoever works by keyboard is never left nowhere: where what had the focus is removed, hidden or disabled by its own press and nothing else takes it, it
 * goes to what stands nearest.
 */
export function keepFocus(): void {
  if (keeping) return;
  keeping = true;
  let last: Element | null = null;
  /** The parts of the page around what has the focus, from within, and which of what can have it there it is. */
  let parts: { readonly element: Element; readonly at: number }[] = [];
  document.addEventListener('focusin', ({ target }) => {
    if (!(target instanceof Element)) return;
    last = target;
    parts = [];
    for (let element = target.parentElement; element; element = element.parentElement) {
      const at = [...element.querySelectorAll(focusable)].indexOf(target);
      parts.push({ element, at: Math.max(0, at) });
      // Further out are hundreds; the nearest part that has others is enough to begin with.
      if (parts.length > 14) break;
    }
  });
  const look = (): void => {
    // After whoever was pressed has had its own say.
    setTimeout(() => {
      if (!last || (document.activeElement && document.activeElement !== document.body)) return;
      const lost = !last.isConnected || last.matches(':disabled') || !isShown(last);
      if (lost) nearest(parts)?.focus({ preventScroll: true });
    }, 60);
  };
  document.addEventListener('click', look);
  document.addEventListener('keyup', look);
  document.addEventListener('change', look);
}
