import { v4 } from 'uuid';

/** Ids of what stands inside questions: at random, so that they do not tell in which order it was written. */
export const newItemId = () => v4();
