import type { Meeting } from '@semita/core/calendar';
import { Plus, X } from 'lucide-react';
import { useState } from 'react';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { Field, Select, TextInput } from '../../ui/field.tsx';
import { t } from '../../words/words.ts';
import { panelStyle } from './panel-style.ts';
import { type ClassView, useClassChange } from './queries.ts';
import './words.ts';

const weekdays = [1, 2, 3, 4, 5, 6, 7];

/** When a class meets each week: offered wherever a date is set for it. */
export function Meetings({ of: { id: classId, meetings } }: { readonly of: ClassView }) {
  const [weekday, setWeekday] = useState(1);
  const [time, setTime] = useState('08:00');
  const change = useClassChange((next: readonly Meeting[]) =>
    call('changeClass', { params: { classId }, body: { meetings: [...next] } }),
  );
  const wordsOf = (one: Meeting) => `${weekdayWords(one.weekday)} ${one.time}`;
  return (
    <section className={panelStyle}>
      <h2 className="text-18">{t('classes.meetsTitle')}</h2>
      <p className="text-14 text-quiet">{t('classes.meetsHelp')}</p>
      {meetings.length > 0 && (
        <ul className="flex flex-wrap gap-2">
          {meetings.map((one) => (
            <li
              key={wordsOf(one)}
              className="flex items-center gap-1 rounded-control border border-line py-0.5 pr-1 pl-3 text-14"
            >
              {wordsOf(one)}
              <button
                type="button"
                aria-label={t('classes.meetsNoMore', { when: wordsOf(one) })}
                className="grid size-7 place-items-center rounded-control hover:bg-main-tint"
                onClick={() => change.mutate(meetings.filter((other) => other !== one))}
              >
                <X aria-hidden className="size-4" strokeWidth={1.75} />
              </button>
            </li>
          ))}
        </ul>
      )}
      <form
        className="flex flex-wrap items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          const isThere = meetings.some((one) => one.weekday === weekday && one.time === time);
          if (isThere) return;
          change.mutate(
            [...meetings, { weekday, time }].toSorted((a, b) => a.weekday - b.weekday || a.time.localeCompare(b.time)),
          );
        }}
      >
        <Field label={t('classes.meetsDay')}>
          {(ids) => (
            <Select
              {...ids}
              className="h-9.5"
              value={weekday}
              onChange={(event) => setWeekday(Number(event.target.value))}
            >
              {weekdays.map((one) => (
                <option key={one} value={one}>
                  {weekdayWords(one)}
                </option>
              ))}
            </Select>
          )}
        </Field>
        <Field label={t('classes.meetsTime')}>
          {(ids) => (
            <TextInput
              {...ids}
              type="time"
              required
              className="w-36"
              value={time}
              onChange={(event) => setTime(event.target.value)}
            />
          )}
        </Field>
        <Button type="submit" disabled={change.isPending}>
          <Plus aria-hidden className="size-4" strokeWidth={1.75} />
          {t('classes.meetsAdd')}
        </Button>
      </form>
    </section>
  );
}

/** 5 January 2026 was a Monday. */
const weekdayWords = (weekday: number): string =>
  new Intl.DateTimeFormat('en-GB', { weekday: 'long', timeZone: 'UTC' }).format(Date.UTC(2026, 0, 4 + weekday));
