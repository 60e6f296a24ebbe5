/** Numbers from 0 to 1 that look like chance and are the same each time (linear congruence, W. H. Press et al., "Numerical Recipes"). */
export function sequence(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
}
