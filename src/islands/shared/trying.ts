import type { Diagram } from '../../core/diagram';
import { newId } from './ids';

const key = 'dendrotax-trying';
const idKey = 'dendrotax-trying-id';

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

/** The id that the work is kept under, the same until it is kept. */
export function tryingId(): string {
  const known = sessionStorage.getItem(idKey);
  if (known !== null) return known;
  const id = newId();
  sessionStorage.setItem(idKey, id);
  return id;
}

/** The title of what is being tried in this tab; null where nothing is, or it cannot be read. */
export function tryingTitle(): string | null {
  try {
    const { title } = tryingNow() as { title?: unknown };
    return typeof title === 'string' ? title || 'Untitled' : null;
  } catch {
    return null;
  }
}

/** Other work begins: it is kept apart from what was tried before. */
export function beginTrying(diagram: Diagram): boolean {
  sessionStorage.removeItem(idKey);
  return keepTrying(diagram);
}

export function endTrying(): void {
  sessionStorage.removeItem(key);
  sessionStorage.removeItem(idKey);
}
