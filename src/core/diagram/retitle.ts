import type { CommonCommand } from '../edit';
import { kindOf, type Diagram } from './diagram';
import { isMadeUp } from './make';

/** A new title; the sheet's goes with it unless it was parted from it. One that was made up stood on no sheet, and the first that is given does. */
export function retitle(diagram: Diagram, title: string): CommonCommand[] {
  const kind = kindOf(diagram.kind);
  const onSheet = diagram.titleBlock.title;
  const together = onSheet === diagram.title || (onSheet === '' && isMadeUp(kind, diagram.title));
  return [{ kind: 'setTitle', title }, ...(together ? [{ kind: 'setTitleBlock' as const, patch: { title } }] : [])];
}
