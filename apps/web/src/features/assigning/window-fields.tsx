import { dateOrderOf, type Meeting, nextMeeting, toLocal } from '@semita/core/calendar';
import { useQuery } from '@tanstack/react-query';
import { DateTimeField } from '../../ui/date-time-field.tsx';
import { t } from '../../words/words.ts';
import { schoolDaysOptions } from '../week/queries.ts';
import { faultOf, type LocalWindow } from './given-to.ts';
import './words.ts';

interface Props {
  readonly window: LocalWindow;
  readonly onChange: (window: LocalWindow) => void;
  /** The clock of the class, and how it writes dates. */
  readonly timeZone: string;
  readonly locale: string;
  /** When the class meets, where that is known. */
  readonly meetings?: readonly Meeting[];
}

const noMeetings: readonly Meeting[] = [];

/** Opens, due, closes, on the clock of the class. */
export function WindowFields({ window, onChange, timeZone, locale, meetings = noMeetings }: Props) {
  const schoolDays = useQuery({ ...schoolDaysOptions(), enabled: meetings.length > 0 }).data ?? [];
  const next = nextMeeting(meetings, toLocal(Date.now(), timeZone), schoolDays);
  const atNext = next === null ? [] : [{ label: t('assign.nextMeeting'), text: next.replace('T', ' ') }];
  const fault = faultOf(window);
  const shared = { timeZone, order: dateOrderOf(locale) };
  const morning = '08:00';
  const isOtherClock = timeZone !== Intl.DateTimeFormat().resolvedOptions().timeZone;
  return (
    <div className="grid gap-2">
      <div className="grid gap-3 sm:grid-cols-3">
        <DateTimeField
          {...shared}
          label={t('assign.opens')}
          value={window.opensAt}
          usualTime={morning}
          offers={[
            ...atNext,
            { label: t('assign.tomorrowMorning'), text: `tomorrow ${morning}` },
            { label: t('assign.nextMonday'), text: `next Mon ${morning}` },
          ]}
          onChange={(opensAt) => onChange({ ...window, opensAt })}
        />
        <DateTimeField
          {...shared}
          label={t('assign.due')}
          value={window.dueAt}
          usualTime="23:59"
          offers={[
            ...atNext,
            { label: t('assign.friday'), text: 'Fri 23:59' },
            { label: t('assign.inAWeek'), text: 'in 1 week 23:59' },
            { label: t('assign.inTwoWeeks'), text: 'in 2 weeks 23:59' },
          ]}
          onChange={(dueAt) => onChange({ ...window, dueAt })}
        />
        <DateTimeField
          {...shared}
          label={t('assign.closes')}
          value={window.closesAt}
          usualTime="23:59"
          offers={[
            { label: t('assign.inTwoWeeks'), text: 'in 2 weeks 23:59' },
            { label: t('assign.inFourWeeks'), text: 'in 4 weeks 23:59' },
          ]}
          onChange={(closesAt) => onChange({ ...window, closesAt })}
        />
      </div>
      {fault && fault !== 'unreadable' && (
        <p role="alert" className="text-14 text-brick">
          {t(`assign.fault.${fault}`)}
        </p>
      )}
      {isOtherClock && (
        <p className="text-13 text-quiet">{t('assign.zone', { zone: timeZone.replaceAll('_', ' ') })}</p>
      )}
    </div>
  );
}
