import { own, type Link } from '../../model';
import type { ConceptMap } from './model';

/** A proposition as it is read: "tides carry silt". */
export function sentenceOf({ entries }: Pick<ConceptMap, 'entries'>, { from, to, phrase }: Link): string {
  const name = (id: string) => own(entries, id)?.name.trim() || 'an idea without a name';
  return `${name(from)} ${phrase.trim() || '…'} ${name(to)}`;
}
