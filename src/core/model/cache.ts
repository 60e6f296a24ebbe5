import { LRUCache } from 'lru-cache';

/** The caches of all that is computed for a drawing. What is kept never changes a result; it only saves making the same again. */

/**
 * A pure function that keeps its last results by what they depend on, as `key` writes it: an edit changes little of what a drawing is made from. The
 * oldest go when there are more than `most`.
 */
export function remember<A extends readonly unknown[], R>(
  most: number,
  key: (...given: A) => string,
  make: (...given: A) => R,
): (...given: A) => R {
  const kept = new LRUCache<string, { readonly made: R }>({ max: most });
  return (...given) => {
    const at = key(...given);
    const known = kept.get(at);
    if (known) return known.made;
    const made = make(...given);
    kept.set(at, { made });
    return made;
  };
}

/** Which of the two sets of caches is in use: that of the drawing that is worked on, or that of what is only tried. */
let inUse: 0 | 1 = 0;

/** Does work with caches apart, so that what is only tried or previewed leaves those of the drawing that is worked on alone; it may read these. */
export function apart<T>(work: () => T): T {
  const before = inUse;
  inUse = 1;
  try {
    return work();
  } finally {
    inUse = before;
  }
}

/** What is kept of the latest drawing for an object that never changes in place, as long as that object is there. */
export class KeptFor<K extends object, V> {
  private readonly maps = [new WeakMap<K, V>(), new WeakMap<K, V>()] as const;
  get(key: K): V | undefined {
    return this.maps[inUse].get(key) ?? (inUse === 1 ? this.maps[0].get(key) : undefined);
  }
  set(key: K, value: V): void {
    this.maps[inUse].set(key, value);
  }
}

/** One object for equal values across drawings, so that what is kept by them stays valid. */
export function interning<V extends object>(most: number): (value: V) => V {
  const known = new LRUCache<string, V>({ max: most });
  return (value) => {
    const key = JSON.stringify(value);
    const before = known.get(key);
    if (before) return before;
    known.set(key, value);
    return value;
  };
}
