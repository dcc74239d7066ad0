/** What a block of a text is. */
export const blockKinds = ['heading', 'paragraph', 'list', 'table', 'quote', 'picture', 'code'] as const;
export type BlockKind = (typeof blockKinds)[number];
