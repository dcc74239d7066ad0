import type { SchoolDayKind, SchoolDays } from '@semita/core/calendar';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { CalendarPlus } from 'lucide-react';
import { useState } from 'react';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { Select } from '../../ui/field.tsx';
import { FileButton } from '../../ui/file-button.tsx';
import { ErrorNotice, errorWords, Notice } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import { schoolDaysOptions } from '../week/queries.ts';
import './words.ts';

type Found = readonly (SchoolDays & { readonly isTaken: boolean })[];

/** Terms and days without school, taken out of a calendar file: looked at first, and changed. */
export function SchoolDaysPanel() {
  const queryClient = useQueryClient();
  const query = useQuery(schoolDaysOptions());
  const [found, setFound] = useState<{ days: Found; leftOut: number } | null>(null);
  const [isUnreadable, setIsUnreadable] = useState(false);
  const known = query.data ?? [];
  const change = useMutation({
    mutationFn: (days: readonly SchoolDays[]) => call('changeSchoolDays', { body: { days: [...days] } }),
    onSuccess: () => queryClient.invalidateQueries(schoolDaysOptions()),
    onError: (error) => toast.error(errorWords(error)),
  });
  /** With a way back to what was there. */
  const setDays = (days: readonly SchoolDays[], words: string) => {
    const before = known;
    change.mutate(days, {
      onSuccess: () => toast(words, { action: { label: t('app.undo'), onClick: () => change.mutate(before) } }),
    });
  };
  const read = async (file: File) => {
    setIsUnreadable(false);
    try {
      const { readCalendar } = await import('./read-calendar.ts');
      const { days, leftOut } = readCalendar(await file.text());
      setFound({ days: days.map((one) => ({ ...one, isTaken: true })), leftOut });
    } catch {
      setIsUnreadable(true);
    }
  };
  return (
    <section className="grid gap-3 rounded-card border border-line bg-card p-5">
      <h2 className="text-18">{t('school.days')}</h2>
      <p className="text-14 text-quiet">{t('school.daysHelp')}</p>
      {query.isError && <ErrorNotice error={query.error} />}
      {known.length > 0 && (
        <ul className="divide-y divide-line text-14">
          {known.map((one) => (
            <li key={`${one.title} ${one.firstDay}`} className="flex flex-wrap items-center gap-x-3 py-1">
              <span className="font-medium break-words">{one.title}</span>
              <span className="grow text-quiet">
                {t(`school.dayKind.${one.kind}`)}, {spanWords(one)}
              </span>
              <Button
                size="small"
                look="quiet"
                aria-label={t('app.verbOn', { verb: t('school.dayRemove'), title: one.title })}
                onClick={() =>
                  setDays(
                    known.filter((other) => other !== one),
                    t('school.dayRemoved', { title: one.title }),
                  )
                }
              >
                {t('school.dayRemove')}
              </Button>
            </li>
          ))}
        </ul>
      )}
      {isUnreadable && (
        <Notice tone="attention" role="alert">
          {t('school.daysUnreadable')}
        </Notice>
      )}
      <div>
        <FileButton accept=".ics,text/calendar" onFile={(file) => void read(file)}>
          <CalendarPlus aria-hidden className="size-4" strokeWidth={1.75} />
          {t('school.daysFile')}
        </FileButton>
      </div>
      {found && (
        <FoundDays
          {...found}
          onChange={(days) => setFound({ ...found, days })}
          onTake={() => {
            const taken = found.days.filter(({ isTaken }) => isTaken).map(({ isTaken: _, ...one }) => one);
            const isThere = (one: SchoolDays) =>
              taken.some((other) => other.title === one.title && other.firstDay === one.firstDay);
            setDays(
              [...known.filter((one) => !isThere(one)), ...taken],
              t('school.daysTaken', { count: taken.length }),
            );
            setFound(null);
          }}
          onClose={() => setFound(null)}
        />
      )}
    </section>
  );
}

interface FoundProps {
  readonly days: Found;
  readonly leftOut: number;
  readonly onChange: (days: Found) => void;
  readonly onTake: () => void;
  readonly onClose: () => void;
}

function FoundDays({ days, leftOut, onChange, onTake, onClose }: FoundProps) {
  const count = days.filter(({ isTaken }) => isTaken).length;
  return (
    <Dialog
      open
      keepsAtOnce
      place="wide"
      onOpenChange={(open) => !open && onClose()}
      title={t('school.daysFound', { count: days.length })}
      description={t('school.daysFoundHelp')}
    >
      <div className="grid gap-4">
        <ul className="divide-y divide-line">
          {days.map((one, index) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: two entries of a file may be alike
            <li key={index} className="flex flex-wrap items-center gap-3 py-1.5">
              <span className="min-w-40 grow font-medium break-words">{one.title}</span>
              <span className="text-14 text-quiet">{spanWords(one)}</span>
              <Select
                aria-label={t('school.dayIs', { title: one.title })}
                value={one.isTaken ? one.kind : 'leftOut'}
                onChange={({ target: { value } }) =>
                  onChange(
                    days.map((other) =>
                      other === one
                        ? {
                            ...one,
                            isTaken: value !== 'leftOut',
                            ...(value === 'leftOut' ? {} : { kind: value as SchoolDayKind }),
                          }
                        : other,
                    ),
                  )
                }
              >
                <option value="off">{t('school.dayKind.off')}</option>
                <option value="term">{t('school.dayKind.term')}</option>
                <option value="leftOut">{t('school.dayKind.leftOut')}</option>
              </Select>
            </li>
          ))}
        </ul>
        {leftOut > 0 && <p className="text-14 text-quiet">{t('school.daysLeftOut', { count: leftOut })}</p>}
        <div>
          <Button look="main" size="roomy" disabled={count === 0} onClick={onTake}>
            {t('school.daysTake', { count })}
          </Button>
        </div>
      </div>
    </Dialog>
  );
}

function spanWords({ firstDay, lastDay }: SchoolDays): string {
  const words = (day: string) =>
    new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric', timeZone: 'UTC' }).format(
      new Date(`${day}T12:00:00Z`),
    );
  return firstDay === lastDay ? words(firstDay) : `${words(firstDay)} – ${words(lastDay)}`;
}
