/** Used again and again: offsets of places, and runs of places that stand at their least distance, each with its mean, its weight and its first place. */
let offset = new Float64Array(64);
let mean = new Float64Array(64);
let heavy = new Float64Array(64);
let begin = new Int32Array(64);

/**
 * Places on a line, in a given order and at least so far apart, that together are as near to where they want to be as can be: the least sum of weight times
 * squared distance, by pooling neighbours that want to pass each other (R. E. Barlow et al., "Statistical Inference under Order Restrictions", 1972).
 * `apart[i]`: between place i − 1 and i; `apart[0]` does not count. O(n).
 */
export function inOrder(wanted: ArrayLike<number>, weight: ArrayLike<number>, apart: ArrayLike<number>): Float64Array {
  const n = wanted.length;
  if (offset.length < n) {
    offset = new Float64Array(2 * n);
    mean = new Float64Array(2 * n);
    heavy = new Float64Array(2 * n);
    begin = new Int32Array(2 * n);
  }
  offset[0] = 0;
  for (let i = 1; i < n; i++) offset[i] = offset[i - 1]! + apart[i]!;
  let runs = 0;
  for (let i = 0; i < n; i++) {
    mean[runs] = wanted[i]! - offset[i]!;
    heavy[runs] = weight[i]!;
    begin[runs] = i;
    runs++;
    while (runs > 1 && mean[runs - 2]! > mean[runs - 1]!) {
      const both = heavy[runs - 2]! + heavy[runs - 1]!;
      mean[runs - 2] = (mean[runs - 2]! * heavy[runs - 2]! + mean[runs - 1]! * heavy[runs - 1]!) / both;
      heavy[runs - 2] = both;
      runs--;
    }
  }
  const place = new Float64Array(n);
  for (let r = 0; r < runs; r++) {
    const end = r + 1 < runs ? begin[r + 1]! : n;
    for (let i = begin[r]!; i < end; i++) place[i] = mean[r]! + offset[i]!;
  }
  return place;
}
