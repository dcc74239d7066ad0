/** What a question has that QTI has no place for: kept beside the item for whoever reads it here again. */
export const restAttribute = 'data-semita';

/** Says of an item who wrote it (`tool-name`, QTI ASI 3.0). */
export const toolName = 'Semita';
