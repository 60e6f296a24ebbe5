declare module 'damerau-levenshtein' {
  /** Steps (insert, drop, change, swap of neighbours) from one text to another. */
  export default function distance(a: string, b: string): { readonly steps: number };
}
