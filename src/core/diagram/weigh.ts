import type { KindId } from './diagram';
import { weights } from './weights';

/** What the signs of a reading are worth together, in bits over a list that tells nothing. Signs that were never weighed are worth nothing. */
export function bitsOf(kind: KindId, signs: Readonly<Record<string, number>>): number {
  const of: Readonly<Record<string, number>> = weights[kind];
  let bits = Object.hasOwn(of, 'any list') ? of['any list']! : 0;
  for (const [name, value] of Object.entries(signs)) if (Object.hasOwn(of, name)) bits += of[name]! * value;
  return bits;
}
