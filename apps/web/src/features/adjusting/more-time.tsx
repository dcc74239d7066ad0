import { dateOrderOf } from '@semita/core/calendar';
import { CalendarPlus } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useState } from 'react';
import { toast } from 'sonner';
import { Button } from '../../ui/button.tsx';
import { DateTimeField, unreadableDate } from '../../ui/date-time-field.tsx';
import { t } from '../../words/words.ts';
import { useAdjust } from './use-adjust.ts';
import { useExtendAll } from './use-extend-all.ts';
import './words.ts';

/** For whom more time is meant. */
export type MoreTimeFor =
  | { readonly kind: 'one'; readonly studentId: string; readonly name: string }
  | { readonly kind: 'open' | 'chosen'; readonly studentIds: readonly string[] }
  | { readonly kind: 'all' };

interface Props {
  readonly assignmentId: string;
  readonly timeZone: string;
  readonly locale: string;
  /** Whether there is a date to put off. */
  readonly hasEnd: boolean;
  /** The first is offered first. */
  readonly offers: readonly MoreTimeFor[];
}

const wordsFor = (one: MoreTimeFor): string => {
  if (one.kind === 'all') return t('adjusting.forAll');
  if (one.kind === 'one') return t('adjusting.forOne', { name: one.name });
  const words = one.kind === 'chosen' ? 'adjusting.forChosen' : 'adjusting.forOpen';
  return t(words, { count: one.studentIds.length });
};

/** One press opens it, the next one gives it; what was given can be taken back. */
export function MoreTime({ assignmentId, timeZone, locale, hasEnd, offers }: Props) {
  const [isOpen, setIsOpen] = useState(false);
  const close = () => setIsOpen(false);
  return (
    <Popover.Root open={isOpen} onOpenChange={setIsOpen}>
      <Popover.Trigger asChild>
        <Button size="small">
          <CalendarPlus aria-hidden className="size-4" strokeWidth={1.75} />
          {t('adjusting.moreTime')}
        </Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={4}
          collisionPadding={8}
          aria-label={t('adjusting.moreTime')}
          className="z-[55] grid w-80 gap-4 rounded-card border border-line bg-card p-4 text-14 text-ink shadow-float"
        >
          {hasEnd || offers.some(({ kind }) => kind !== 'all') ? (
            offers.map((one) =>
              one.kind === 'all' ? (
                hasEnd && <ForAll key="all" assignmentId={assignmentId} timeZone={timeZone} onDone={close} />
              ) : (
                <ForSome key={one.kind} {...{ assignmentId, timeZone, locale, hasEnd, one }} onDone={close} />
              ),
            )
          ) : (
            <p>{t('adjusting.noEnd')}</p>
          )}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

interface ForSomeProps extends Omit<Props, 'offers'> {
  readonly one: Exclude<MoreTimeFor, { kind: 'all' }>;
  readonly onDone: () => void;
}

function ForSome({ assignmentId, timeZone, locale, hasEnd, one, onDone }: ForSomeProps) {
  const studentIds = one.kind === 'one' ? [one.studentId] : [...one.studentIds];
  const [until, setUntil] = useState('');
  const undo = useAdjust(assignmentId);
  const adjust = useAdjust(assignmentId, (input) => {
    onDone();
    toast(t('adjusting.given', { count: input.studentIds.length }), {
      action: {
        label: t('adjusting.undo'),
        onClick: () => undo.mutate({ studentIds: input.studentIds, change: { kind: 'datesTakenBack' } }),
      },
    });
  });
  const words = wordsFor(one);
  const give = (days: number) => adjust.mutate({ studentIds, change: { kind: 'extendedBy', days } });
  return (
    <section aria-label={words} className="grid gap-2">
      <p className="font-medium">{words}</p>
      {hasEnd && (
        <div className="flex gap-2">
          {([1, 7] as const).map((days) => (
            <Button
              key={days}
              disabled={adjust.isPending}
              aria-label={`${t(days === 1 ? 'adjusting.day' : 'adjusting.week')}: ${words}`}
              onClick={() => give(days)}
            >
              {t(days === 1 ? 'adjusting.day' : 'adjusting.week')}
            </Button>
          ))}
        </div>
      )}
      {one.kind === 'one' && (
        <div className="flex items-end gap-2">
          <div className="grow">
            <DateTimeField
              label={t('adjusting.until')}
              value={until}
              onChange={setUntil}
              timeZone={timeZone}
              order={dateOrderOf(locale)}
              usualTime="23:59"
            />
          </div>
          <Button
            disabled={until === '' || until === unreadableDate || adjust.isPending}
            onClick={() =>
              adjust.mutate({
                studentIds,
                change: { kind: 'extended', window: { opensAt: null, dueAt: until, closesAt: null } },
              })
            }
          >
            {t('adjusting.set')}
          </Button>
        </div>
      )}
    </section>
  );
}

interface ForAllProps {
  readonly assignmentId: string;
  readonly timeZone: string;
  readonly onDone: () => void;
}

function ForAll({ assignmentId, timeZone, onDone }: ForAllProps) {
  const extend = useExtendAll(assignmentId, timeZone);
  return (
    <section aria-label={t('adjusting.forAll')} className="grid gap-2">
      <p className="font-medium">{t('adjusting.forAll')}</p>
      <div className="flex gap-2">
        {([1, 7] as const).map((days) => (
          <Button
            key={days}
            disabled={extend.isPending}
            aria-label={`${t(days === 1 ? 'adjusting.day' : 'adjusting.week')}: ${t('adjusting.forAll')}`}
            onClick={() => extend.mutate(days, { onSuccess: onDone })}
          >
            {t(days === 1 ? 'adjusting.day' : 'adjusting.week')}
          </Button>
        ))}
      </div>
    </section>
  );
}
