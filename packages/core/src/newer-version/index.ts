// A newer version of a document or a deck, and what stood in the older one.
export { bringChange, leadAgain } from './bring-in-again.ts';
export { matchBlocks } from './match-blocks.ts';
export { replaceMaterial } from './replace-material.ts';
export { swapMaterial } from './swap-material.ts';
