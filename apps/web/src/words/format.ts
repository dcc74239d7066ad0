import type { Hundredths } from '@semita/core/elements';
import { t } from './words.ts';

/** A place in a film or a length: 4:05, or 1:04:05; 4:05.3 where tenths count. */
export function formatClock(ms: number, { tenths = false } = {}): string {
  if (tenths) return `${formatClock(ms)}.${Math.floor(Math.max(0, ms) / 100) % 10}`;
  const seconds = Math.max(0, Math.floor(ms / 1000));
  const pad = (value: number) => String(value).padStart(2, '0');
  const [h, m, s] = [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60, seconds % 60];
  return h > 0 ? `${h}:${pad(m)}:${pad(s)}` : `${m}:${pad(s)}`;
}

export function formatMinutes(ms: number): string {
  return t('time.minutes', { count: Math.max(ms > 0 ? 1 : 0, Math.round(ms / 60_000)) });
}

/** So far from today, a date without its year could be taken for another one. */
const yearlessMs = 180 * 24 * 3_600_000;

/** Thu 3 Dec, 23:59 on the class's clock; the year where it is far away, the zone where it is not the viewer's. */
export function formatInstant(instantMs: number, timeZone: string, now = Date.now()): string {
  const parts = new Intl.DateTimeFormat('en-GB', {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    hour: '2-digit',
    minute: '2-digit',
    timeZone,
  }).formatToParts(instantMs);
  const part = (type: Intl.DateTimeFormatPartTypes) => parts.find((one) => one.type === type)?.value ?? '';
  const year = Math.abs(instantMs - now) > yearlessMs ? ` ${part('year')}` : '';
  const time = `${part('weekday')} ${part('day')} ${part('month')}${year}, ${part('hour')}:${part('minute')}`;
  const own = Intl.DateTimeFormat().resolvedOptions().timeZone;
  return isSameOffset(instantMs, timeZone, own) ? time : t('time.zone', { time, zone: timeZone });
}

/** Thu 3 Dec on a class's clock, where only days are meant. */
export function formatDate(instantMs: number, timeZone: string): string {
  const form = { weekday: 'short', day: 'numeric', month: 'short', timeZone } as const;
  return new Intl.DateTimeFormat('en-GB', form).format(instantMs).replace(',', '');
}

/** Thu 3 Dec, of a day as calendars write it: `2026-12-03`. */
export const formatCalendarDay = (day: string): string => formatDate(Date.parse(`${day}T12:00:00Z`), 'UTC');

/** Two names can mean one clock: Europe/Oslo and Europe/Stockholm. */
function isSameOffset(instantMs: number, a: string, b: string): boolean {
  const clock = (timeZone: string) =>
    new Intl.DateTimeFormat('en-GB', { dateStyle: 'short', timeStyle: 'short', timeZone }).format(instantMs);
  return clock(a) === clock(b);
}

/** 3 Dec 2026, on the viewer's own clock. */
export function formatDay(instantMs: number): string {
  return new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' }).format(instantMs);
}

/** "5 min ago", "yesterday", for the last time somebody was seen. */
export function formatAgo(instantMs: number, now: number): string {
  const relative = new Intl.RelativeTimeFormat('en', { numeric: 'auto', style: 'short' });
  const seconds = Math.round((instantMs - now) / 1000);
  if (seconds > -60) return relative.format(0, 'second');
  if (seconds > -3600) return relative.format(Math.round(seconds / 60), 'minute');
  if (seconds > -86_400) return relative.format(Math.round(seconds / 3600), 'hour');
  return relative.format(Math.round(seconds / 86_400), 'day');
}

/** Points without needless noughts: 2, 2.5, 2.25. */
export function formatPoints(points: Hundredths): string {
  return String(points / 100);
}

export function formatShare(share: number): string {
  return `${Math.round(share * 100)}%`;
}

export function formatBytes(bytes: number): string {
  if (bytes < 1024 ** 2) return `${Math.max(1, Math.round(bytes / 1024))} kB`;
  return bytes < 1024 ** 3 ? `${(bytes / 1024 ** 2).toFixed(1)} MB` : `${(bytes / 1024 ** 3).toFixed(2)} GB`;
}

/** A figure to two places, with a true minus. */
export function formatHundredths(value: number): string {
  return formatNumber(Math.round(value * 100) / 100).replace('-', '−');
}

/** A plain number as the page's language writes it. */
export function formatNumber(value: number): string {
  return new Intl.NumberFormat('en-GB', { maximumFractionDigits: 6 }).format(value);
}
