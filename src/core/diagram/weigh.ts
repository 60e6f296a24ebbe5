import { own } from '../model';
import type { KindId } from './diagram';
import { weights } from './weights';

/** What the signs of a reading are worth together, in bits over a list that tells nothing. Signs that were never weighed are worth nothing. */
export function bitsOf(kind: KindId, signs: Readonly<Record<string, number>>): number {
  const of: Readonly<Record<string, number>> = weights[kind];
  let bits = own(of, 'any list') ?? 0;
  for (const [name, value] of Object.entries(signs)) bits += (own(of, name) ?? 0) * value;
  return bits;
}
