import type { CommonCommand } from '../edit';
import type { Diagram } from './diagram';

/** A new title; the sheet's goes with it unless it was parted from it. */
export function retitle(diagram: Diagram, title: string): CommonCommand[] {
  const together = diagram.titleBlock.title === diagram.title;
  return [{ kind: 'setTitle', title }, ...(together ? [{ kind: 'setTitleBlock' as const, patch: { title } }] : [])];
}
