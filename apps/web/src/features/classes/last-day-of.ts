import { formatDay } from '../../words/format.ts';

/** Until when a deleted class can be brought back; the server keeps it for thirty days. */
export const lastDayOf = (removedAt: number): string => formatDay(removedAt + 30 * 24 * 3_600_000);
