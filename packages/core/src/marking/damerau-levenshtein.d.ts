declare module 'damerau-levenshtein' {
  /** Edit distance with swaps; `steps` is the distance. */
  export default function distance(a: string, b: string): { readonly steps: number };
}
