export function scriptBytes(outDir: string, entries: readonly string[]): number;
export const learnerRoute: readonly string[];
