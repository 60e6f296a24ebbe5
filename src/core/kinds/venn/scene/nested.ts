import { own } from '../../../model';
import { bitCount } from '../structure';
import { keyOfMask, type Venn, type VennSet } from '../model';

/**
 * Of curves to scale, the sets that lie wholly inside another: for each the region in which its name stands, so that it is inside the curve that
 * encloses it too. That is the region with the fewest other sets; one that has a title of its own, or another such name, is not taken. By mask, the
 * place of the set in the order of the sets.
 */
export function namesInside(diagram: Venn, sets: readonly VennSet[], counts: readonly number[]): Map<number, number> {
  const found = new Map<number, number>();
  const regions = counts.flatMap((count, mask) => (mask > 0 && count > 0 ? [mask] : []));
  sets.forEach((set, i) => {
    const inside = regions.filter((mask) => (mask >> i) & 1);
    const isNested = sets.some((_, j) => {
      if (j === i || inside.length === 0) return false;
      return inside.every((mask) => (mask >> j) & 1) && regions.some((mask) => (mask >> j) & 1 && !((mask >> i) & 1));
    });
    if (!isNested || set.name === '') return;
    const free = inside
      .filter((mask) => !found.has(mask) && !own(diagram.venn.regions, keyOfMask(sets, mask))?.title)
      .sort((a, b) => bitCount(a) - bitCount(b) || counts[b]! - counts[a]!);
    if (free.length > 0) found.set(free[0]!, i);
  });
  return found;
}
