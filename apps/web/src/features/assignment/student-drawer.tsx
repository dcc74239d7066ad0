import {
  type Answer,
  type ChoiceQuestion,
  type PartKind,
  type Stop,
  type StopState,
  stopMarkOf,
  stopsInOrder,
} from '@semita/core';
import type { AttemptDetail } from '@semita/core/contract';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { errorWords, Notice } from '../../ui/notice.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { StateMark, stateWords } from '../../ui/state-mark.tsx';
import { formatClock, formatMinutes, formatShare } from '../../words/format.ts';
import { formatPlace } from '../../words/place.ts';
import { t } from '../../words/words.ts';
import { MarkForm } from './mark-form.tsx';
import { MetStrip } from './met-strip.tsx';
import { focusNextUnmarked, useNextKey } from './next-unmarked.ts';
import { attemptOptions, sheetOptions } from './queries.ts';

interface Props {
  readonly assignmentId: string;
  readonly studentId: string;
  /** The stop to show first; else the first answer that waits for a mark. */
  readonly stopId: string | null;
  readonly onClose: () => void;
  /** Opens the next student with something to mark; null when there is none. */
  readonly onNext: (() => void) | null;
}

/** One student's row, opened: what was met, what was answered, and marking. */
export function StudentDrawer({ assignmentId, studentId, stopId, onClose, onNext }: Props) {
  const query = useQuery(attemptOptions(assignmentId, studentId));
  const body = useRef<HTMLDivElement>(null);
  const nextButton = useRef<HTMLButtonElement>(null);
  const goOn = (saved?: HTMLFormElement) => {
    if (body.current && focusNextUnmarked(body.current, saved)) return;
    if (saved) nextButton.current?.focus();
    else onNext?.();
  };
  useNextKey(() => goOn());
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
          <div ref={body} className="grid gap-6">
            <div className="flex flex-wrap gap-2">
              <ExcuseButton assignmentId={assignmentId} detail={detail} />
              {onNext && (
                <Button ref={nextButton} size="small" onClick={onNext}>
                  {t('sheet.markNext')}
                </Button>
              )}
            </div>
            {detail.state === null ? (
              <p className="text-quiet">{t('student.notBegun', { name: detail.student.displayName })}</p>
            ) : (
              <Answers
                key={studentId}
                assignmentId={assignmentId}
                detail={detail}
                state={detail.state}
                stopId={stopId}
                onMarked={goOn}
              />
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
  readonly stopId: string | null;
  readonly onMarked: (form: HTMLFormElement) => void;
}

function Answers({ assignmentId, detail, state, stopId, onMarked }: AnswersProps) {
  const list = useRef<HTMLElement>(null);
  const { lesson, student } = detail;
  const cutMs = state.doubts.cutMs;
  // Leads once to what the student was opened for; from then on the teacher leads.
  useEffect(() => {
    const article = stopId === null ? null : list.current?.querySelector<HTMLElement>(`[data-stop="${stopId}"]`);
    if (article) {
      article.scrollIntoView({ block: 'center' });
      (article.querySelector<HTMLElement>('form[data-unmarked] input') ?? article).focus({ preventScroll: true });
    } else if (list.current) focusNextUnmarked(list.current);
  }, [stopId]);
  return (
    <>
      <section aria-labelledby="strip" className="grid gap-2">
        <h3 id="strip" className="text-16">
          {t('student.strip')}
        </h3>
        {lesson.parts.map((part) => (
          <MetStrip key={part.id} part={part} partState={state.parts[part.id]} />
        ))}
        {cutMs >= 5_000 && <Notice tone="attention">{t('sheet.doubt', { time: formatClock(cutMs) })}</Notice>}
      </section>
      <section ref={list} aria-labelledby="answers" className="grid gap-3">
        <h3 id="answers" className="text-16">
          {t('student.answers')}
        </h3>
        {lesson.parts.map((part) => (
          <section key={part.id} aria-label={part.title} className="grid gap-3">
            {lesson.parts.length > 1 && <h4 className="border-b border-line pb-1 text-14 text-quiet">{part.title}</h4>}
            {stopsInOrder(part.stops).map((stop) => (
              <StopAnswers
                key={stop.id}
                partKind={part.kind}
                stop={stop}
                stopState={state.stops[stop.id]}
                assignmentId={assignmentId}
                studentId={student.studentId}
                onMarked={onMarked}
              />
            ))}
          </section>
        ))}
      </section>
    </>
  );
}

interface StopProps {
  readonly partKind: PartKind;
  readonly stop: Stop;
  readonly stopState: StopState | undefined;
  readonly assignmentId: string;
  readonly studentId: string;
  readonly onMarked: (form: HTMLFormElement) => void;
}

function StopAnswers({ partKind, stop, stopState, assignmentId, studentId, onMarked }: StopProps) {
  const mark = stopMarkOf(stop, stopState);
  return (
    <article data-stop={stop.id} tabIndex={-1} className="grid gap-4 rounded-card border border-line p-4">
      <p className="flex items-center gap-2 text-14 text-quiet">
        <StateMark mark={mark} />
        <span className="font-mono">{formatPlace(partKind, stop)}</span>
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
                  onMarked={onMarked}
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
