import { toLocal } from '@semita/core/calendar';
import type { Sheet } from '@semita/core/contract';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { ErrorNotice } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import { AssignmentFrame } from '../assignment/assignment-frame.tsx';
import { sheetOptions } from '../assignment/queries.ts';
import { toWindow, WindowFields, type WindowValues } from './window-fields.tsx';
import './words.ts';

export function Component() {
  return <AssignmentFrame>{(sheet) => <TermsView key={sheet.assignment.id} sheet={sheet} />}</AssignmentFrame>;
}

function TermsView({ sheet: { assignment, terms } }: { readonly sheet: Sheet }) {
  const queryClient = useQueryClient();
  const { id: assignmentId, timeZone } = assignment;
  const local = (ms: number | null) => (ms === null ? '' : toLocal(ms, timeZone));
  const form = useForm<WindowValues>({
    defaultValues: {
      opensAt: local(assignment.opensAt),
      dueAt: local(assignment.dueAt),
      closesAt: local(assignment.closesAt),
    },
  });
  const save = useMutation({
    mutationFn: (values: WindowValues) => call('changeWindow', { params: { assignmentId }, body: toWindow(values) }),
    onSuccess: async () => {
      await queryClient.invalidateQueries(sheetOptions(assignmentId));
      toast(t('terms.saved'));
    },
  });
  return (
    <div className="grid max-w-xl content-start gap-8 p-5">
      <form className="grid gap-4" onSubmit={form.handleSubmit((values) => save.mutate(values))}>
        <h2 className="text-18">{t('terms.window')}</h2>
        {save.isError && <ErrorNotice error={save.error} />}
        <WindowFields register={form.register} timeZone={timeZone} />
        <div>
          <Button look="main" type="submit" disabled={save.isPending}>
            {t('terms.save')}
          </Button>
        </div>
      </form>
      <section className="grid gap-2">
        <h2 className="text-18">{t('terms.title')}</h2>
        <p className="text-14 text-quiet">{t('terms.fixed')}</p>
        <ul className="list-disc pl-5">
          <li>{t(terms.skipping ? 'terms.skippingOn' : 'terms.skippingOff')}</li>
          <li>{t(terms.rewindAtStops ? 'terms.rewindOn' : 'terms.rewindOff')}</li>
          {terms.turningBack && <li>{t('terms.turningBack')}</li>}
          {terms.questionsWhenReached && <li>{t('terms.whenReached')}</li>}
          <li>{t('terms.rate', { rate: terms.maxRate })}</li>
        </ul>
      </section>
    </div>
  );
}
