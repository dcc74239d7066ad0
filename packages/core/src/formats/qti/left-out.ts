/** What of an item could not be taken over. Wording is in the web app's catalogue. */
export const qtiLeftOutCodes = [
  'notAnItem',
  'interaction',
  'nothingAsked',
  'composite',
  'mixedGaps',
  'processing',
  'allOrNothing',
  'adaptive',
  'template',
  'feedback',
  'pictures',
  'places',
  'notValid',
  'fileMissing',
  'fileUnsafe',
  'test',
] as const;
export type QtiLeftOutCode = (typeof qtiLeftOutCodes)[number];

export interface QtiLeftOut {
  readonly code: QtiLeftOutCode;
  readonly count: number;
}

/** Counts what is left out while something is read. */
export function createQtiReport() {
  const counts = new Map<QtiLeftOutCode, number>();
  return {
    add(code: QtiLeftOutCode, count = 1): void {
      if (count > 0) counts.set(code, (counts.get(code) ?? 0) + count);
    },
    list: (): QtiLeftOut[] => [...counts].map(([code, count]) => ({ code, count })),
  };
}

export type QtiReport = ReturnType<typeof createQtiReport>;
