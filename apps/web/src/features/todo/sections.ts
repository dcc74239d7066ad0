import { windowPhase } from '@semita/core/assignment';
import { localDay } from '@semita/core/calendar';
import type { TodoItem } from '@semita/core/contract';
import { t } from '../../words/words.ts';
import './words.ts';

export interface Section {
  readonly title: string;
  readonly items: readonly TodoItem[];
}

/** What has no day of its own: before the days, and behind them. */
type Place = 'back' | 'late' | 'day' | 'noDate' | 'soon' | 'extra' | 'over';
const order: readonly Place[] = ['back', 'late', 'day', 'noDate', 'soon', 'extra', 'over'];

/**
 * A student's list in the order in which it presses: what came back, what is late, then day by day, what has no date,
 * what opens soon, what they may choose to do, and what can no longer be done.
 */
export function sectionsOf(items: readonly TodoItem[], now: number): Section[] {
  const placed = items.map((item) => ({ item, place: placeOf(item, now), day: dayOf(item) }));
  return order.flatMap((place): Section[] => {
    const here = placed.filter((one) => one.place === place);
    if (here.length === 0) return [];
    if (place !== 'day') return [{ title: t(`todo.section.${place}`), items: here.map(({ item }) => item) }];
    const days = [...new Set(here.map(({ day }) => day))].toSorted();
    return days.map((day) => {
      const ofDay = here.filter((one) => one.day === day).map(({ item }) => item);
      return { title: dayTitle(day, localDay(now, ofDay[0]?.timeZone ?? 'UTC')), items: ofDay };
    });
  });
}

function placeOf(item: TodoItem, now: number): Place {
  if (item.givenBack.count > 0) return 'back';
  const phase = windowPhase(item, now);
  if (item.excused || phase === 'closed') return 'over';
  if (phase === 'notYetOpen' || (item.waitsFor && phase !== 'pastDue')) return 'soon';
  if (item.isExtra) return 'extra';
  if (phase === 'pastDue') return 'late';
  return item.dueAt === null ? 'noDate' : 'day';
}

/** On the clock of the class. */
const dayOf = ({ dueAt, timeZone }: TodoItem): string => (dueAt === null ? '' : localDay(dueAt, timeZone));

function dayTitle(day: string, today: string): string {
  const at = (date: string) => new Date(`${date}T12:00:00Z`);
  const days = Math.round((at(day).getTime() - at(today).getTime()) / 86_400_000);
  if (days === 0) return t('todo.section.today');
  if (days === 1) return t('todo.section.tomorrow');
  const words = new Intl.DateTimeFormat('en-GB', { weekday: 'long', day: 'numeric', month: 'long', timeZone: 'UTC' });
  return words.format(at(day));
}
