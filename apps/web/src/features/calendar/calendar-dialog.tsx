import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { Field, Select, TextInput } from '../../ui/field.tsx';
import { ErrorNotice, Notice } from '../../ui/notice.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { t } from '../../words/words.ts';
import './words.ts';

const alarms = { none: null, hour: 60, day: 1_440, days: 2_880 } as const;
type Alarm = keyof typeof alarms;

const calendarQuery = { queryKey: ['calendar'], queryFn: () => call('readCalendar', {}) };

/** A secret address from which a calendar program reads somebody's dates. */
export function CalendarDialog({ onClose }: { readonly onClose: () => void }) {
  const query = useQuery(calendarQuery);
  return (
    <Dialog
      open
      keepsAtOnce
      onOpenChange={(open) => !open && onClose()}
      title={t('calendar.title')}
      description={t('calendar.help')}
    >
      <QueryView query={query}>
        {({ isOpen, alarmMinutes }) => <Feed isOpen={isOpen} alarm={alarmOf(alarmMinutes)} />}
      </QueryView>
    </Dialog>
  );
}

const alarmOf = (minutes: number | null): Alarm =>
  (Object.keys(alarms) as Alarm[]).find((alarm) => alarms[alarm] === minutes) ?? 'none';

function Feed({ isOpen, alarm: kept }: { readonly isOpen: boolean; readonly alarm: Alarm }) {
  const queryClient = useQueryClient();
  const [alarm, setAlarm] = useState(kept);
  const open = useMutation({
    mutationFn: () => call('openCalendar', { body: { alarmMinutes: alarms[alarm] } }),
    onSuccess: () => queryClient.invalidateQueries(calendarQuery),
  });
  const close = useMutation({
    mutationFn: () => call('closeCalendar', {}),
    onSuccess: async () => {
      open.reset();
      toast(t('calendar.closed'));
      await queryClient.invalidateQueries(calendarQuery);
    },
  });
  const address = open.data && `${window.location.origin}/api/feeds/${open.data.token}/semita.ics`;
  const error = open.error ?? close.error;
  return (
    <div className="grid gap-4">
      {error && <ErrorNotice error={error} />}
      {address ? (
        <>
          <Field label={t('calendar.address')} help={t('calendar.addressHelp')}>
            {(ids) => (
              <TextInput
                {...ids}
                readOnly
                value={address}
                className="font-mono text-14"
                onFocus={(event) => event.target.select()}
              />
            )}
          </Field>
          <div>
            <Button
              look="main"
              onClick={() => void navigator.clipboard.writeText(address).then(() => toast(t('calendar.copied')))}
            >
              {t('calendar.copy')}
            </Button>
          </div>
        </>
      ) : (
        isOpen && <Notice>{t('calendar.isOpen')}</Notice>
      )}
      <Field label={t('calendar.remind')}>
        {(ids) => (
          <Select {...ids} className="w-48" value={alarm} onChange={(event) => setAlarm(event.target.value as Alarm)}>
            {(Object.keys(alarms) as Alarm[]).map((one) => (
              <option key={one} value={one}>
                {t(`calendar.alarm.${one}`)}
              </option>
            ))}
          </Select>
        )}
      </Field>
      <div className="flex flex-wrap gap-3">
        <Button look={isOpen ? 'plain' : 'main'} disabled={open.isPending} onClick={() => open.mutate()}>
          {t(isOpen ? 'calendar.openAgain' : 'calendar.open')}
        </Button>
        {isOpen && (
          <Button disabled={close.isPending} onClick={() => close.mutate()}>
            {t('calendar.close')}
          </Button>
        )}
      </div>
    </div>
  );
}
