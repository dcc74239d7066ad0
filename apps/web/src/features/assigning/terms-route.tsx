import { toLocal } from '@semita/core/calendar';
import type { Sheet } from '@semita/core/contract';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { ErrorNotice } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import { AssignmentFrame } from '../assignment/assignment-frame.tsx';
import { sheetOptions } from '../assignment/queries.ts';
import { faultOf, type LocalWindow, toSentWindow } from './given-to.ts';
import { WindowFields } from './window-fields.tsx';
import './words.ts';

export function Component() {
  return <AssignmentFrame>{(sheet) => <TermsView key={sheet.assignment.id} sheet={sheet} />}</AssignmentFrame>;
}

function TermsView({ sheet: { assignment, terms } }: { readonly sheet: Sheet }) {
  const { to } = assignment;
  return (
    <div className="grid max-w-4xl content-start gap-8 p-5">
      {to.map((one) => (
        <Dates key={one.id} assignment={assignment} one={one} locale={terms.locale ?? 'en'} />
      ))}
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

interface DatesProps {
  readonly assignment: Sheet['assignment'];
  readonly one: Sheet['assignment']['to'][number];
  readonly locale: string;
}

/** Dates of one of those it was given to. */
function Dates({ assignment, one, locale }: DatesProps) {
  const queryClient = useQueryClient();
  const { id: assignmentId, timeZone, to } = assignment;
  const local = (ms: number | null) => (ms === null ? '' : toLocal(ms, timeZone));
  const [window, setWindow] = useState<LocalWindow>({
    ...{ opensAt: local(one.opensAt), dueAt: local(one.dueAt), closesAt: local(one.closesAt) },
  });
  const save = useMutation({
    mutationFn: () =>
      call('changeWindow', { params: { assignmentId }, body: { ...toSentWindow(window), addresseeId: one.id } }),
    onSuccess: async () => {
      await queryClient.invalidateQueries(sheetOptions(assignmentId));
      toast(t('terms.saved'));
    },
  });
  return (
    <form
      className="grid gap-4"
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate();
      }}
    >
      <h2 className="text-18">{to.length > 1 ? t('terms.forOne', { name: one.name }) : t('terms.window')}</h2>
      {save.isError && <ErrorNotice error={save.error} />}
      <WindowFields window={window} onChange={setWindow} timeZone={timeZone} locale={locale} />
      <div>
        <Button look="main" type="submit" disabled={save.isPending || faultOf(window) !== null}>
          {t('terms.save')}
        </Button>
      </div>
    </form>
  );
}
