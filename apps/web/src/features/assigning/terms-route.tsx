import { toLocal } from '@semita/core/calendar';
import type { Sheet } from '@semita/core/contract';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { Field, TextArea } from '../../ui/field.tsx';
import { ErrorNotice, errorWords, Notice } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import { AssignmentFrame } from '../assignment/assignment-frame.tsx';
import { sheetOptions } from '../assignment/queries.ts';
import { showAnew, useEndNow } from '../assignment/use-end-now.ts';
import { ChangeTerms } from './change-terms.tsx';
import { GiveAgain } from './give-again.tsx';
import { faultOf, type LocalWindow, toSentWindow } from './given-to.ts';
import { GuestLink } from './guest-link.tsx';
import { Release } from './release.tsx';
import { termWords } from './term-words.ts';
import { WindowFields } from './window-fields.tsx';
import './words.ts';

export function Component() {
  return <AssignmentFrame>{(sheet) => <TermsView key={sheet.assignment.id} sheet={sheet} />}</AssignmentFrame>;
}

function TermsView({ sheet }: { readonly sheet: Sheet }) {
  const { assignment, terms, runs, note } = sheet;
  const { to } = assignment;
  const [isChanging, setIsChanging] = useState(false);
  return (
    <div className="grid max-w-4xl content-start gap-8 p-5">
      {to.map((one) => (
        <Dates
          key={`${one.id} ${one.opensAt} ${one.dueAt} ${one.closesAt}`}
          assignment={assignment}
          one={one}
          locale={terms.locale ?? 'en'}
        />
      ))}
      <section className="grid gap-2">
        <h2 className="text-18">{t('terms.title')}</h2>
        <ul className="list-disc pl-5">
          {termWords(terms).map((words) => (
            <li key={words}>{words}</li>
          ))}
        </ul>
        {runs && (
          <div>
            <Button onClick={() => setIsChanging(true)}>{t('terms.changeThem')}</Button>
          </div>
        )}
        {isChanging && <ChangeTerms sheet={sheet} onClose={() => setIsChanging(false)} />}
      </section>
      {runs && terms.shown && <Release sheet={sheet} />}
      {runs && <Note key={note} assignmentId={assignment.id} note={note} />}
      {runs && <GuestLink assignmentId={assignment.id} />}
      {runs && <GiveAgain sheet={sheet} />}
      {runs && <Ending assignment={assignment} />}
    </div>
  );
}

/** What is said to all who receive it; it can be changed at any time. */
function Note({ assignmentId, note: kept }: { readonly assignmentId: string; readonly note: string }) {
  const queryClient = useQueryClient();
  const [note, setNote] = useState(kept);
  const save = useMutation({
    mutationFn: () => call('changeNote', { params: { assignmentId }, body: { note } }),
    onSuccess: async () => {
      await queryClient.invalidateQueries(sheetOptions(assignmentId));
      toast(t('assign.noteSaved'));
    },
    onError: (error) => toast.error(errorWords(error)),
  });
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate();
      }}
    >
      <Field label={<span className="font-heading text-18">{t('assign.note')}</span>} help={t('assign.noteHelp')}>
        {(ids) => (
          <TextArea {...ids} maxLength={1_000} value={note} onChange={(event) => setNote(event.target.value)} />
        )}
      </Field>
      <div>
        <Button type="submit" disabled={save.isPending || note.trim() === kept}>
          {t('assign.saveNote')}
        </Button>
      </div>
    </form>
  );
}

/** Ending it now, and taking it back; both can be undone. */
function Ending({ assignment }: { readonly assignment: Sheet['assignment'] }) {
  const queryClient = useQueryClient();
  const { id: assignmentId, takenBackAt } = assignment;
  const { endNow, isEnding } = useEndNow(assignment);
  const takeBack = useMutation({
    mutationFn: (isTakenBack: boolean) => call('takeBack', { params: { assignmentId }, body: { isTakenBack } }),
    onSuccess: () => showAnew(queryClient, assignmentId),
    onError: (error) => toast.error(errorWords(error)),
  });
  const undo = (onClick: () => void) => ({ action: { label: t('app.undo'), onClick } });
  return (
    <section className="grid gap-3">
      <h2 className="text-18">{t('terms.ending')}</h2>
      {takenBackAt === null ? (
        <>
          <p className="text-14 text-quiet">{t('terms.endingHelp')}</p>
          <div className="flex flex-wrap gap-3">
            <Button disabled={isEnding} onClick={endNow}>
              {t('terms.endNow')}
            </Button>
            <Button
              look="danger"
              disabled={takeBack.isPending}
              onClick={() =>
                takeBack.mutate(true, {
                  onSuccess: () =>
                    toast(
                      t('terms.takenBack'),
                      undo(() => takeBack.mutate(false)),
                    ),
                })
              }
            >
              {t('terms.takeBack')}
            </Button>
          </div>
        </>
      ) : (
        <>
          <Notice tone="attention">{t('terms.isTakenBack')}</Notice>
          <div>
            <Button look="main" disabled={takeBack.isPending} onClick={() => takeBack.mutate(false)}>
              {t('terms.giveAgain')}
            </Button>
          </div>
        </>
      )}
    </section>
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
