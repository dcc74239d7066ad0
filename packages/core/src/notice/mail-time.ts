import { Temporal } from 'temporal-polyfill';

/** When no mail goes out, as times of day `20:00` on a school's clock; over midnight where it ends before it begins. */
export interface QuietHours {
  readonly from: string;
  readonly until: string;
}

/** How somebody gets notices by mail. */
export const mailWishes = ['none', 'each', 'daily'] as const;
export type MailWish = (typeof mailWishes)[number];

/** When digests go out, on the school's clock. */
const digestAt = '16:00';

/** Whether a moment lies in quiet hours. None where both are the same. */
export function isQuiet(now: number, { from, until }: QuietHours, timeZone: string): boolean {
  const time = timeOf(now, timeZone);
  return from <= until ? time >= from && time < until : time >= from || time < until;
}

/**
 * Whether what waits for somebody goes out now.
 * @param lastMailAt when they last got a mail, epoch ms; null for never
 */
export function mayMail(
  wish: MailWish,
  {
    now,
    lastMailAt,
    quiet,
    timeZone,
  }: {
    readonly now: number;
    readonly lastMailAt: number | null;
    readonly quiet: QuietHours;
    readonly timeZone: string;
  },
): boolean {
  if (wish === 'none') return false;
  if (wish === 'each') return !isQuiet(now, quiet, timeZone);
  const dayOf = (ms: number) => zoned(ms, timeZone).toPlainDate().toString();
  return timeOf(now, timeZone) >= digestAt && (lastMailAt === null || dayOf(lastMailAt) !== dayOf(now));
}

const zoned = (ms: number, timeZone: string) => Temporal.Instant.fromEpochMilliseconds(ms).toZonedDateTimeISO(timeZone);
const timeOf = (ms: number, timeZone: string): string =>
  zoned(ms, timeZone).toPlainTime().toString({ smallestUnit: 'minute' });
