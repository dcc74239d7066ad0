import type { NoticeList, NoticeSettings } from '@semita/core/contract';
import { mailWishes } from '@semita/core/notice';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { Field, Select, TextInput } from '../../ui/field.tsx';
import { ErrorNotice, Notice } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import { noticesOptions } from './queries.ts';
import './words.ts';

/** Whether notices come by mail as well, when, and where to. */
export function MailSettings({ settings }: { readonly settings: NoticeList['settings'] }) {
  const queryClient = useQueryClient();
  const [mail, setMail] = useState(settings.mail);
  const [address, setAddress] = useState(settings.address ?? '');
  const save = useMutation({
    mutationFn: (body: NoticeSettings) => call('changeNoticeSettings', { body }),
    onSuccess: () => queryClient.invalidateQueries(noticesOptions()),
  });
  return (
    <form
      className="grid gap-4 rounded-card border border-line bg-card p-5"
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate({ mail, address: address.trim() === '' ? null : address.trim() });
      }}
    >
      <h2 className="text-18">{t('notices.byMail')}</h2>
      {settings.address !== null && settings.mail !== 'none' && (
        <Notice tone={settings.isConfirmed ? 'info' : 'attention'}>
          {t(settings.isConfirmed ? 'notices.confirmed' : 'notices.unconfirmed', { address: settings.address })}
        </Notice>
      )}
      <div className="grid items-start gap-4 sm:grid-cols-[auto_1fr]">
        <Field label={t('notices.wish')}>
          {(ids) => (
            <Select
              {...ids}
              className="h-9.5"
              value={mail}
              onChange={(event) => setMail(event.target.value as NoticeSettings['mail'])}
            >
              {mailWishes.map((wish) => (
                <option key={wish} value={wish}>
                  {t(`notices.wishes.${wish}`)}
                </option>
              ))}
            </Select>
          )}
        </Field>
        {mail !== 'none' && (
          <Field label={t('notices.address')} help={t('notices.addressHelp')}>
            {(ids) => (
              <TextInput
                {...ids}
                type="email"
                required
                maxLength={200}
                value={address}
                onChange={(event) => setAddress(event.target.value)}
              />
            )}
          </Field>
        )}
      </div>
      {save.isError && <ErrorNotice error={save.error} />}
      <div className="flex items-center gap-3">
        <Button type="submit" disabled={save.isPending}>
          {t('notices.save')}
        </Button>
        {save.isSuccess && (
          <p role="status" className="text-14 text-quiet">
            {t('notices.saved')}
          </p>
        )}
      </div>
    </form>
  );
}
