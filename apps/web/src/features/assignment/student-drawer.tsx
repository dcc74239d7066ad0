import {
  type Answer,
  type ChoiceQuestion,
  type Question,
  type Stop,
  type StopState,
  stopMarkOf,
  stopsInOrder,
} from '@semita/core';
import type { AttemptDetail } from '@semita/core/contract';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Check } from 'lucide-react';
import { useForm } from 'react-hook-form';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { Field, TextArea, TextInput } from '../../ui/field.tsx';
import { ErrorNotice, errorWords, Notice } from '../../ui/notice.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { StateMark, stateWords } from '../../ui/state-mark.tsx';
import { formatClock, formatMinutes, formatPoints, formatShare } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { MetStrip } from './met-strip.tsx';
import { attemptOptions, sheetOptions } from './queries.ts';

interface Props {
  readonly assignmentId: string;
  readonly studentId: string;
  readonly onClose: () => void;
  /** The next student with something to mark. */
  readonly next: { readonly count: number; readonly open: () => void } | null;
}

/** One student's row, opened: what was met, what was answered, and marking. */
export function StudentDrawer({ assignmentId, studentId, onClose, next }: Props) {
  const query = useQuery(attemptOptions(assignmentId, studentId));
  const row = query.data?.student.row;
  return (
    <Dialog
      open
      place="side"
      onOpenChange={(open) => !open && onClose()}
      title={query.data?.student.displayName ?? t('app.loading')}
      description={
        row
          ? t('student.facts', {
              share: formatShare(row.metShare),
              time: formatMinutes(row.timeSpentMs),
              progress: formatShare(row.progress),
            })
          : undefined
      }
    >
      <QueryView query={query}>
        {(detail) => (
          <div className="grid gap-6">
            <div className="flex flex-wrap gap-2">
              <ExcuseButton assignmentId={assignmentId} detail={detail} />
              {next && (
                <Button size="small" onClick={next.open}>
                  {t('sheet.markNext')}
                </Button>
              )}
            </div>
            {detail.state === null ? (
              <p className="text-quiet">{t('student.notBegun', { name: detail.student.displayName })}</p>
            ) : (
              <Answers key={studentId} assignmentId={assignmentId} detail={detail} state={detail.state} />
            )}
          </div>
        )}
      </QueryView>
    </Dialog>
  );
}

function ExcuseButton({
  assignmentId,
  detail: { student },
}: {
  readonly assignmentId: string;
  readonly detail: AttemptDetail;
}) {
  const queryClient = useQueryClient();
  const excuse = useMutation({
    mutationFn: () =>
      call('excuse', { params: { assignmentId, studentId: student.studentId }, body: { excused: !student.excused } }),
    onSuccess: async () => {
      await queryClient.invalidateQueries(sheetOptions(assignmentId));
      await queryClient.invalidateQueries(attemptOptions(assignmentId, student.studentId));
    },
    onError: (error) => toast.error(errorWords(error)),
  });
  return (
    <Button size="small" disabled={excuse.isPending} onClick={() => excuse.mutate()}>
      {t(student.excused ? 'student.unexcuse' : 'student.excuse')}
    </Button>
  );
}

interface AnswersProps {
  readonly assignmentId: string;
  readonly detail: AttemptDetail;
  readonly state: NonNullable<AttemptDetail['state']>;
}

function Answers({ assignmentId, detail, state }: AnswersProps) {
  const { lesson, student } = detail;
  const cutMs = state.doubts.cutMs;
  return (
    <>
      <section aria-labelledby="strip" className="grid gap-2">
        <h3 id="strip" className="text-16">
          {t('student.strip')}
        </h3>
        {lesson.parts.map((part) => (
          <MetStrip key={part.id} clip={part} partState={state.parts[part.id]} />
        ))}
        {cutMs >= 5_000 && <Notice tone="attention">{t('sheet.doubt', { time: formatClock(cutMs) })}</Notice>}
      </section>
      <section aria-labelledby="answers" className="grid gap-3">
        <h3 id="answers" className="text-16">
          {t('student.answers')}
        </h3>
        {lesson.parts.flatMap((part) =>
          stopsInOrder(part.stops).map((stop) => (
            <StopAnswers
              key={stop.id}
              stop={stop}
              stopState={state.stops[stop.id]}
              assignmentId={assignmentId}
              studentId={student.studentId}
            />
          )),
        )}
      </section>
    </>
  );
}

interface StopProps {
  readonly stop: Stop;
  readonly stopState: StopState | undefined;
  readonly assignmentId: string;
  readonly studentId: string;
}

function StopAnswers({ stop, stopState, assignmentId, studentId }: StopProps) {
  const mark = stopMarkOf(stop, stopState);
  return (
    <article className="grid gap-4 rounded-card border border-line p-4">
      <p className="flex items-center gap-2 text-14 text-quiet">
        <StateMark mark={mark} />
        <span className="font-mono">{formatClock(stop.atMs)}</span>
        {stateWords(mark)}
      </p>
      {stop.kind === 'pause' ? (
        <p className="text-14">{t('student.note', { note: stop.note })}</p>
      ) : (
        stop.questions.map((question) => {
          const answer = stopState?.answers[question.id];
          const draft = stopState?.drafts[question.id];
          return (
            <div key={question.id} className="grid gap-2">
              <p className="font-medium whitespace-pre-wrap">{question.stem}</p>
              {!answer && <p className="text-14 text-quiet">{t('student.noAnswer')}</p>}
              {!answer && draft?.kind === 'extendedText' && draft.text !== '' && (
                <div className="rounded-control bg-paper px-3 py-2 text-14">
                  <p className="text-13 text-quiet">{t('student.draftSoFar')}</p>
                  <p className="whitespace-pre-wrap">{draft.text}</p>
                </div>
              )}
              {answer && question.kind === 'choice' && <Picked question={question} answer={answer} />}
              {answer?.response.kind === 'extendedText' && (
                <p className="rounded-control bg-paper px-3 py-2 whitespace-pre-wrap">{answer.response.text}</p>
              )}
              {answer && question.kind === 'extendedText' && question.modelAnswer && (
                <details className="text-14">
                  <summary className="cursor-pointer text-quiet">{t('student.modelAnswer')}</summary>
                  <p className="whitespace-pre-wrap">{question.modelAnswer}</p>
                </details>
              )}
              {answer && question.kind === 'extendedText' && (
                <MarkForm
                  question={question}
                  answer={answer}
                  target={{ assignmentId, studentId, stopId: stop.id, questionId: question.id }}
                />
              )}
            </div>
          );
        })
      )}
    </article>
  );
}

function Picked({ question, answer }: { readonly question: ChoiceQuestion; readonly answer: Answer }) {
  const picked = answer.response.kind === 'choice' ? answer.response.optionIds : [];
  return (
    <ul className="grid gap-1 text-14">
      {question.options.map((option) => {
        const words = [picked.includes(option.id) && t('student.pick'), option.right && t('student.right')].filter(
          Boolean,
        );
        return (
          <li key={option.id} className={picked.includes(option.id) ? 'font-medium' : 'text-quiet'}>
            {option.text}
            {words.length > 0 && (
              <span className={option.right ? 'text-spruce' : 'text-brick'}> ({words.join(', ')})</span>
            )}
          </li>
        );
      })}
    </ul>
  );
}

interface MarkFormProps {
  readonly question: Question;
  readonly answer: Answer;
  readonly target: {
    readonly assignmentId: string;
    readonly studentId: string;
    readonly stopId: string;
    readonly questionId: string;
  };
}

function MarkForm({ question, answer, target }: MarkFormProps) {
  const { assignmentId, studentId, stopId, questionId } = target;
  const queryClient = useQueryClient();
  const form = useForm({
    values: { points: answer.points === null ? '' : formatPoints(answer.points), comment: answer.comment ?? '' },
    // A colleague's mark, or our own coming back, must not sweep away what is being typed.
    resetOptions: { keepDirtyValues: true },
  });
  const mark = useMutation({
    mutationFn: (values: { points: string; comment: string }) =>
      call('mark', {
        params: { assignmentId, studentId },
        body: { stopId, questionId, points: Math.round(Number(values.points) * 100), comment: values.comment },
      }),
    onSuccess: async (detail, values) => {
      queryClient.setQueryData(attemptOptions(assignmentId, studentId).queryKey, detail);
      form.reset(values);
      await queryClient.invalidateQueries(sheetOptions(assignmentId));
    },
  });
  const isSaved = answer.points !== null && !form.formState.isDirty;
  return (
    <form
      className="grid gap-3 rounded-control border border-line bg-paper p-3"
      onSubmit={form.handleSubmit((values) => mark.mutate(values))}
    >
      {mark.isError && <ErrorNotice error={mark.error} />}
      <div className="grid gap-3 sm:grid-cols-[8rem_1fr]">
        <Field label={t('student.givePoints', { possible: formatPoints(question.points) })}>
          {(ids) => (
            <TextInput
              {...ids}
              type="number"
              min={0}
              max={question.points / 100}
              step={0.5}
              required
              className="h-9 font-mono"
              {...form.register('points')}
            />
          )}
        </Field>
        <Field label={t('student.comment')} help={t('student.commentHint')}>
          {(ids) => (
            <TextArea {...ids} rows={2} maxLength={5_000} className="min-h-9 text-14" {...form.register('comment')} />
          )}
        </Field>
      </div>
      <div className="flex items-center gap-3">
        <Button look="main" size="small" type="submit" disabled={mark.isPending || isSaved}>
          {t('student.save')}
        </Button>
        {isSaved && (
          <span role="status" className="flex items-center gap-1 text-14 text-spruce">
            <Check aria-hidden className="size-4" strokeWidth={1.75} />
            {t('student.saved')}
          </span>
        )}
      </div>
    </form>
  );
}
