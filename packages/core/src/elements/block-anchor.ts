/**
 * What a stop in a text or in slides holds on to, so that it stays with its block when a newer version of the
 * material is brought in. `atMs` is computed from it.
 */
export interface BlockAnchor {
  /** The block, or the slide, behind which the stop stands; null before the first. */
  readonly blockId: string | null;
  /** The number of that block, from 1; 0 before the first. */
  readonly number: number;
  /** Words inside the block at which the stop stands; none for the block's end. */
  readonly phrase?: string | undefined;
}
