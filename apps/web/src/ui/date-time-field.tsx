import { type DateOrder, localDay, readDate, toInstant, toLocal } from '@semita/core/calendar';
import { CalendarDays } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useId, useState } from 'react';
import { DayPicker, getDefaultClassNames } from 'react-day-picker';
import 'react-day-picker/style.css';
import { t } from '../words/words.ts';
import { Button } from './button.tsx';
import { inputStyle } from './field.tsx';
import { joinClasses } from './join-classes.ts';

interface Props {
  readonly label: string;
  /** A local date and time, `2026-12-03T23:59`, on the clock that counts; empty for none, `unreadableDate` for what is none. */
  readonly value: string;
  readonly onChange: (value: string) => void;
  /** The clock that counts, and the order in which dates are typed there. */
  readonly timeZone: string;
  readonly order: DateOrder;
  /** Where only a day is said, `23:59`; null where only days are meant: then values are `2026-12-03`. */
  readonly usualTime: string | null;
  /** What is often meant: a word for it, and a text that could be typed. */
  readonly offers?: readonly { readonly label: string; readonly text: string }[];
  readonly isDisabled?: boolean;
}

/** What is told of a text that can be no date: nothing may be sent with the date of before in its place. */
export const unreadableDate = '?';

/** Thu 3 Dec 2026, 23:59, or without a time: it can be read by everybody, and typed the same way. */
export function writeLocal(local: string): string {
  const [date = '', time = ''] = local.split('T');
  const [year = 0, month = 1, number = 1] = date.split('-').map(Number);
  const shown = new Intl.DateTimeFormat('en-GB', {
    ...{ weekday: 'short', day: 'numeric', month: 'short', year: 'numeric', timeZone: 'UTC' },
  }).formatToParts(Date.UTC(year, month - 1, number));
  const part = (type: Intl.DateTimeFormatPartTypes) => shown.find((one) => one.type === type)?.value ?? '';
  const day = `${part('weekday')} ${part('day')} ${part('month').slice(0, 3)} ${part('year')}`;
  return time === '' ? day : `${day}, ${time.slice(0, 5)}`;
}

/** A date and a time, typed as one speaks or picked from a calendar. What it was read as stands there at once. */
export function DateTimeField(props: Props) {
  const { label, value, onChange, timeZone, order, usualTime, offers = [], isDisabled = false } = props;
  const id = useId();
  const [text, setText] = useState(() => (value === '' || value === unreadableDate ? '' : writeLocal(value)));
  const [told, setTold] = useState(value);
  const [isOpen, setIsOpen] = useState(false);
  const today = localDay(Date.now(), timeZone);
  // Set from outside, as by an offer for all: shown as such.
  if (told !== value) {
    setTold(value);
    if (value !== unreadableDate) setText(value === '' ? '' : writeLocal(value));
  }
  const read = (typed: string): string | null => {
    if (typed.trim() === '') return '';
    const found = readDate(typed, { today, order });
    if (!found || (usualTime === null && found.time !== null)) return null;
    return usualTime === null ? found.date : `${found.date}T${found.time ?? usualTime}`;
  };
  const tell = (next: string) => {
    setTold(next);
    if (next !== value) onChange(next);
  };
  const type = (typed: string) => {
    setText(typed);
    tell(read(typed) ?? unreadableDate);
  };
  const choose = (next: string) => {
    tell(next);
    setText(next === '' ? '' : writeLocal(next));
  };
  const understood = read(text);
  const known = value === unreadableDate ? '' : value;
  const [date = '', time = usualTime] = known.split('T');
  const hint =
    understood === null
      ? t(usualTime === null ? 'date.dayNotRead' : 'date.notRead')
      : usualTime === null
        ? ''
        : skippedHour(known, timeZone);
  return (
    <div className="grid gap-1">
      <label htmlFor={id} className="text-14 font-medium">
        {label}
      </label>
      <div className="flex gap-1">
        <input
          id={id}
          className={joinClasses(inputStyle, 'h-9 min-w-0 text-14')}
          maxLength={60}
          autoComplete="off"
          placeholder={usualTime === null ? '' : t('date.none')}
          value={text}
          disabled={isDisabled}
          aria-invalid={understood === null || undefined}
          aria-describedby={hint ? `${id}-hint` : undefined}
          onChange={(event) => type(event.target.value)}
          onBlur={() => understood && setText(writeLocal(understood))}
        />
        <Popover.Root open={isOpen} onOpenChange={setIsOpen}>
          <Popover.Trigger asChild>
            <Button aria-label={t('date.calendarFor', { label })} className="w-9 px-0" disabled={isDisabled}>
              <CalendarDays aria-hidden className="size-4" strokeWidth={1.75} />
            </Button>
          </Popover.Trigger>
          <Popover.Portal>
            <Popover.Content
              align="end"
              sideOffset={4}
              aria-label={label}
              collisionPadding={8}
              className="z-[60] rounded-card border border-line bg-card p-3 text-14 text-ink shadow-float"
            >
              <Calendar
                date={date}
                today={today}
                onDay={(day) => {
                  choose(usualTime === null ? day : `${day}T${known === '' ? usualTime : time}`);
                  setIsOpen(false);
                }}
              />
              {offers.length > 0 && (
                <div className="mt-2 flex max-w-64 flex-wrap gap-1 border-t border-line pt-2">
                  {offers.map((offer) => (
                    <Button
                      key={offer.text}
                      size="small"
                      onClick={() => {
                        choose(read(offer.text) ?? '');
                        setIsOpen(false);
                      }}
                    >
                      {offer.label}
                    </Button>
                  ))}
                </div>
              )}
            </Popover.Content>
          </Popover.Portal>
        </Popover.Root>
      </div>
      {hint && (
        <p
          id={`${id}-hint`}
          role={understood === null ? 'alert' : 'status'}
          className={joinClasses('text-13', understood === null ? 'text-brick' : 'text-slate')}
        >
          {hint}
        </p>
      )}
    </div>
  );
}

/** Where a clock is put forward, some times of a day do not come. */
function skippedHour(value: string, timeZone: string): string {
  if (value === '') return '';
  const real = toLocal(toInstant(value, timeZone), timeZone);
  return real === value.slice(0, 16) ? '' : t('date.skipped', { time: value.slice(11, 16), real: real.slice(11, 16) });
}

interface CalendarProps {
  readonly date: string;
  readonly today: string;
  readonly onDay: (date: string) => void;
}

/** Only civil days go in and out: neither the browser's zone nor its clock can move one. */
function Calendar({ date, today, onDay }: CalendarProps) {
  const names = getDefaultClassNames();
  return (
    <DayPicker
      mode="single"
      required
      autoFocus
      weekStartsOn={1}
      today={toDate(today)}
      selected={date === '' ? undefined : toDate(date)}
      defaultMonth={toDate(date || today)}
      onSelect={(day: Date) => onDay(fromDate(day))}
      classNames={{ root: `${names.root} calendar` }}
    />
  );
}

function toDate(date: string): Date {
  const [year = 0, month = 1, day = 1] = date.split('-').map(Number);
  return new Date(year, month - 1, day);
}

const fromDate = (day: Date): string =>
  [day.getFullYear(), day.getMonth() + 1, day.getDate()].map((part) => String(part).padStart(2, '0')).join('-');
