import { own } from '../../../core/model';
import { moveAllUnder, withBranches } from '../../../core/hierarchy';
import type { DropPlan } from '../kinds/kind-parts';
import type { TreeBenchWords } from './words';
import { isUnder } from '../../../core/edit';
import type { Diagram } from '../../../core/diagram';

/** What dropping a branch on an entry would do, in words; `allowed` false where it would do nothing. */
export function movingWords(
  diagram: Diagram,
  moving: string,
  onto: string | null,
  told: TreeBenchWords,
): { words: string; allowed: boolean } {
  const entry = own(diagram.entries, moving);
  const below = withBranches(diagram, [moving]).length - 1;
  const name = entry?.name || 'This entry';
  const who = below === 0 ? name : `${name} and ${below} below`;
  if (onto === null) return { words: `${who}: ${told.dropHint}`, allowed: false };
  const target = own(diagram.entries, onto);
  if (!entry || !target) return { words: '', allowed: false };
  const to = target.name || 'an entry without a name';
  if (onto === moving) return { words: `${who}: ${told.dropHint}`, allowed: false };
  if (isUnder(diagram.entries, onto, moving))
    return { words: `${to} stands under ${name}; it cannot go there`, allowed: false };
  if (entry.parent === onto) return { words: `${name} ${told.isUnder} ${to} already`, allowed: false };
  return { words: `${who} ${told.willBeUnder} ${to}`, allowed: true };
}

/** What dropping several branches on an entry would do. */
export function moveMany(
  diagram: Diagram,
  tops: readonly string[],
  onto: string | null,
  told: TreeBenchWords,
): DropPlan {
  const who = `${tops.length} entries and what is below them`;
  const target = onto === null ? undefined : own(diagram.entries, onto);
  const gesture = target ? moveAllUnder(diagram, tops, target.id) : null;
  if (!target || !gesture) return { words: `${who}: ${told.dropHint}`, gesture: null, target: null };
  return {
    words: `${who} ${told.willBeUnder} ${target.name || 'an entry without a name'}`,
    gesture,
    target: { for: 'entry', id: target.id },
  };
}
