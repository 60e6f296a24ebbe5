import type { Diagram } from '../../core/diagram';

const key = 'dendrotax-trying';

/** Work of somebody who is not signed in, kept in this tab until it is kept for good. False where the browser has no room for it. */
export function keepTrying(diagram: Diagram): boolean {
  try {
    sessionStorage.setItem(key, JSON.stringify(diagram));
    return true;
  } catch {
    return false;
  }
}

export function tryingNow(): unknown {
  const stored = sessionStorage.getItem(key);
  return stored === null ? null : (JSON.parse(stored) as unknown);
}

export const endTrying = (): void => sessionStorage.removeItem(key);
