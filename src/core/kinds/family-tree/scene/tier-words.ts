import { capital, own } from '../../../model';
import type { FamilyTree } from '../model';
import type { RelatedListing } from '../structure';
import { tierName } from '../words';

/** "Parents of Ada Quill" around a chosen person, else "Generation 3". */
export function nameOfTier(diagram: FamilyTree, { index, tier }: RelatedListing, t: number): string {
  const { of, view } = diagram.family.manner;
  const at = of === null || view === 'whole' ? undefined : index.get(of);
  if (at === undefined || tier[at] === 0) return tierName(t);
  const away = t - tier[at]!;
  const name = own(diagram.entries, of!)!.name || 'the person chosen';
  if (away === 0) return name;
  const steps = Math.abs(away);
  const word = away < 0 ? 'parents' : 'children';
  const led = steps === 1 ? word : steps === 2 ? `grand${word}` : `${'great-'.repeat(steps - 2)}grand${word}`;
  return `${capital(led)} of ${name}`;
}
