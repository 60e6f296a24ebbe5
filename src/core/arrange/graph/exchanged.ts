/** A cost is less only by more than this. */
const closest = 1e-9;

/**
 * Lets the members of each family change places, in place, as long as that makes a cost less: each is put in every place in turn and stays where it helps.
 * `cost` is asked anew after every change, at most `most` times; what is not less than the least so far, which it is told, need not be told exactly. Costs
 * are at least 0; where there is nothing to save nothing is tried.
 */
export function exchanged(families: readonly unknown[][], cost: (least: number) => number, most: number): void {
  let left = most;
  let least = left > 0 ? cost(Infinity) : 0;
  for (let moved = true; moved && least > 0 && left > 0;) {
    moved = false;
    for (const family of families)
      for (let i = 0; i < family.length && left > 0; i++)
        for (let j = 0; j < family.length && left > 0; j++) {
          // Neighbours that change places are tried from the left one alone.
          if (i === j || j === i - 1) continue;
          left--;
          const [one] = family.splice(i, 1);
          family.splice(j, 0, one);
          const now = cost(least);
          if (now < least - closest) {
            least = now;
            moved = true;
          } else {
            family.splice(j, 1);
            family.splice(i, 0, one);
          }
        }
  }
}
