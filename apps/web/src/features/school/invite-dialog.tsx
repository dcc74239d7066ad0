import { looksLikeEmail } from '@semita/core/roster';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { Field, TextInput } from '../../ui/field.tsx';
import { ErrorNotice } from '../../ui/notice.tsx';
import { formatDay } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { schoolOptions } from './queries.ts';
import './words.ts';

interface Values {
  displayName: string;
  email: string;
  isAdmin: boolean;
}

/** Makes a link for a teacher, and shows it this once. */
export function InviteDialog({ onClose }: { readonly onClose: () => void }) {
  const queryClient = useQueryClient();
  const form = useForm<Values>({ defaultValues: { displayName: '', email: '', isAdmin: false } });
  const invite = useMutation({
    mutationFn: (body: Values) => call('invite', { body }),
    onSuccess: () => queryClient.invalidateQueries(schoolOptions()),
  });
  const { errors } = form.formState;
  if (invite.data) {
    const { invitation, token } = invite.data;
    const link = `${window.location.origin}/invitation#${token}`;
    return (
      <Dialog
        open
        keepsAtOnce
        onOpenChange={(open) => !open && onClose()}
        title={t('school.linkTitle', { name: invitation.displayName })}
        description={t('school.linkHelp', { day: formatDay(invitation.expiresAt) })}
      >
        <div className="grid gap-4">
          <TextInput
            readOnly
            value={link}
            aria-label={t('school.linkTitle', { name: invitation.displayName })}
            className="font-mono text-14"
            onFocus={(event) => event.target.select()}
          />
          <div className="flex gap-3">
            <Button
              look="main"
              onClick={() => void navigator.clipboard.writeText(link).then(() => toast(t('school.copied')))}
            >
              {t('school.copy')}
            </Button>
            <Button onClick={onClose}>{t('school.done')}</Button>
          </div>
        </div>
      </Dialog>
    );
  }
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      title={t('school.invite')}
      description={t('school.inviteHelp')}
    >
      <form noValidate className="grid gap-4" onSubmit={form.handleSubmit((values) => invite.mutate(values))}>
        {invite.isError && <ErrorNotice error={invite.error} />}
        <Field label={t('school.name')} error={errors.displayName && t('school.nameMissing')}>
          {(ids) => (
            <TextInput
              {...ids}
              {...form.register('displayName', { validate: (text) => text.trim() !== '' })}
              maxLength={100}
            />
          )}
        </Field>
        <Field label={t('school.email')} error={errors.email && t('school.emailMissing')}>
          {(ids) => (
            <TextInput
              {...ids}
              {...form.register('email', { validate: looksLikeEmail })}
              type="email"
              maxLength={200}
            />
          )}
        </Field>
        <label className="flex items-center gap-2 text-14">
          <input type="checkbox" className="size-4 accent-main" {...form.register('isAdmin')} />
          {t('school.asAdmin')}
        </label>
        <Button look="main" size="roomy" type="submit" disabled={invite.isPending}>
          {t('school.inviteMake')}
        </Button>
      </form>
    </Dialog>
  );
}
