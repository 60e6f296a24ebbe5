const focusable =
  'a[href], button:not(:disabled), input:not(:disabled):not([type=hidden]), select:not(:disabled), textarea:not(:disabled), [tabindex]:not([tabindex="-1"])';

const isShown = (element: Element): boolean => element.getClientRects().length > 0;

/** A part of the page that holds what has the focus, and what stood beside that within it. */
interface Around {
  readonly part: Element;
  readonly after: Element | null;
  readonly before: Element | null;
}

const canHave = (element: Element): element is HTMLElement =>
  element instanceof HTMLElement && element.matches(focusable) && isShown(element);
const within = (element: Element): HTMLElement[] => [
  ...(canHave(element) ? [element] : []),
  ...[...element.querySelectorAll<HTMLElement>(focusable)].filter(isShown),
];

/** The nearest to where the focus was that can have it: the next one, else the one before, in the nearest part of the page that is still there. */
function nearest(around: readonly Around[]): HTMLElement | null {
  for (const { part, after, before } of around) {
    if (!part.isConnected) continue;
    const next = after?.isConnected ? within(after)[0] : undefined;
    const found = next ?? (before?.isConnected ? within(before).at(-1) : undefined) ?? within(part)[0];
    if (found) return found;
  }
  return null;
}

/** When it is looked, ms after a press: once whoever was pressed has had its own say, and when a server may have answered. */
const looks = [60, 300, 1000, 3000];

let keeping = false;

/**
 * Whoever works by keyboard is never left nowhere: where what had the focus is removed, hidden or disabled by its own press and nothing else takes it, it
 * goes to what stands nearest.
 */
export function keepFocus(): void {
  if (keeping) return;
  keeping = true;
  let last: Element | null = null;
  let around: Around[] = [];
  // Only what stands around it is noted, as the focus moves with every arrow key in a list.
  document.addEventListener('focusin', ({ target }) => {
    if (!(target instanceof Element)) return;
    last = target;
    around = [];
    for (let at: Element = target; at.parentElement; at = at.parentElement)
      around.push({ part: at.parentElement, after: at.nextElementSibling, before: at.previousElementSibling });
  });
  const mend = (): void => {
    if (!last || (document.activeElement && document.activeElement !== document.body)) return;
    const lost = !last.isConnected || last.matches(':disabled') || !isShown(last);
    if (lost) nearest(around)?.focus({ preventScroll: true });
  };
  const look = (): void => {
    for (const wait of looks) setTimeout(mend, wait);
  };
  document.addEventListener('click', look);
  document.addEventListener('keyup', look);
  document.addEventListener('change', look);
}
