import type { AttemptState, StopState } from '@semita/core/attempt';
import type { AttemptDetail } from '@semita/core/contract';
import { asWritten, toLearnerQuestion } from '@semita/core/learner';
import { type PartKind, type Stop, stopsInOrder } from '@semita/core/lesson';
import { isBlank, isTeacherMarked } from '@semita/core/question';
import { readSheetLine, stopMarkOf } from '@semita/core/sheet';
import { plainWords } from '@semita/core/text';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { type ComponentProps, useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { Button, buttonStyle } from '../../ui/button.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { errorWords, Notice } from '../../ui/notice.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { StateMark, stateWords } from '../../ui/state-mark.tsx';
import { formatInstant, formatMinutes, formatPoints, formatShare } from '../../words/format.ts';
import { formatPosition } from '../../words/position.ts';
import { t } from '../../words/words.ts';
import { ForThisStudent } from '../adjusting/for-this-student.tsx';
import { ThisGuest } from '../adjusting/this-guest.tsx';
import { attemptOptions, sheetOptions } from '../assignment/queries.ts';
import { needWords } from '../lesson-parts/tile-looks.ts';
import { GivenResponse } from '../question/given-response.tsx';
import { AnswerView, AskedView } from './answer-view.tsx';
import { doubtWords } from './doubt-words.ts';
import { HowItWent } from './how-it-went.tsx';
import { MarkForm } from './mark-form.tsx';
import { MetStrip } from './met-strip.tsx';
import { focusNextUnmarked, useNextKey } from './next-unmarked.ts';
import { historyOptions } from './queries.ts';
import { RouteTaken } from './route-taken.tsx';
import { TalkOfAnswer } from './talk-of-answer.tsx';
import './words.ts';

interface Props {
  readonly assignmentId: string;
  readonly studentId: string;
  /** The clock of the assignment, and how its class writes. */
  readonly timeZone: string;
  readonly locale: string;
  /** The class in which the student's whole work is shown; null where there are several. */
  readonly classId: string | null;
  /** The stop to show first; else the first answer that waits for a mark. */
  readonly stopId: string | null;
  readonly onClose: () => void;
  /** Opens the next student with something to mark; null when there is none. */
  readonly onNext: (() => void) | null;
}

/** One student's row, opened: what was met, what was answered, and marking. */
export function StudentDrawer(props: Props) {
  const { assignmentId, studentId, timeZone, locale, classId, stopId, onClose, onNext } = props;
  const query = useQuery(attemptOptions(assignmentId, studentId));
  const body = useRef<HTMLDivElement>(null);
  const nextButton = useRef<HTMLButtonElement>(null);
  const goOn = (saved?: HTMLFormElement) => {
    if (body.current && focusNextUnmarked(body.current, saved)) return;
    if (saved) nextButton.current?.focus();
    else onNext?.();
  };
  useNextKey(() => goOn());
  const row = query.data && readSheetLine(query.data.student).row;
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
              <ForThisStudent {...{ assignmentId, timeZone, locale }} student={detail.student} />
              {detail.student.isGuest && <ThisGuest {...{ assignmentId }} guest={detail.student} onGone={onClose} />}
              {classId !== null && !detail.student.isGuest && (
                <Link
                  to={`/classes/${classId}/students/${encodeURIComponent(studentId)}`}
                  className={buttonStyle({ size: 'small', look: 'quiet' })}
                >
                  {t('student.allWork')}
                </Link>
              )}
              <Link
                to={`/assignments/${assignmentId}/students/${encodeURIComponent(studentId)}/catch-up`}
                className={buttonStyle({ size: 'small', look: 'quiet' })}
              >
                {t('student.catchUp')}
              </Link>
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
                timeZone={timeZone}
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

interface AnswersProps {
  readonly assignmentId: string;
  readonly timeZone: string;
  readonly detail: AttemptDetail;
  readonly state: NonNullable<AttemptDetail['state']>;
  readonly stopId: string | null;
  readonly onMarked: (form: HTMLFormElement) => void;
}

function Answers({ assignmentId, timeZone, detail, state, stopId, onMarked }: AnswersProps) {
  const list = useRef<HTMLElement>(null);
  const { lesson, student } = detail;
  const doubts = doubtWords({ ...state.discrepancies, waitingSteps: 0 });
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
        {doubts.length > 0 && (
          <Notice tone="attention">
            {doubts.map((words) => (
              <p key={words}>{words}</p>
            ))}
          </Notice>
        )}
        {state.afterClosing && (
          <AfterClosing assignmentId={assignmentId} studentId={student.studentId} afterClosing={state.afterClosing} />
        )}
      </section>
      <HowItWent {...{ lesson, state, timeZone }} />
      <RouteTaken {...{ lesson, state }} />
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
      <History assignmentId={assignmentId} detail={detail} />
    </>
  );
}

interface AfterClosingProps {
  readonly assignmentId: string;
  readonly studentId: string;
  readonly afterClosing: NonNullable<AttemptState['afterClosing']>;
}

/** Work that was done in time and came in too late: it is there, and the teacher says whether it counts. */
function AfterClosing({ assignmentId, studentId, afterClosing }: AfterClosingProps) {
  const queryClient = useQueryClient();
  const admit = useMutation({
    mutationFn: () => call('admitLate', { params: { assignmentId, studentId } }),
    onSuccess: async (detail) => {
      queryClient.setQueryData(attemptOptions(assignmentId, studentId).queryKey, detail);
      await queryClient.invalidateQueries(sheetOptions(assignmentId));
    },
    onError: (error) => toast.error(errorWords(error)),
  });
  const { answers, fromAt, untilAt, arrivedAt } = afterClosing;
  const timeOf = useClassTime(assignmentId);
  const [from, until, arrived] = [fromAt, untilAt, arrivedAt].map(timeOf);
  const done = from === until ? from : t('student.span', { from, until });
  return (
    <Notice tone="attention" title={t('student.afterClosingTitle')}>
      <p>
        {t('student.afterClosing', { count: answers })} {t('student.afterClosingTimes', { done, arrived })}
      </p>
      <div>
        <Button size="small" look="main" disabled={admit.isPending} onClick={() => admit.mutate()}>
          {t('student.admit')}
        </Button>
      </div>
    </Notice>
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
  const timeOf = useClassTime(assignmentId);
  return (
    <article data-stop={stop.id} tabIndex={-1} className="grid gap-4 rounded-card border border-line p-4">
      <p className="flex items-center gap-2 text-14 text-quiet">
        <StateMark mark={mark} />
        <span className="font-mono">{formatPosition(partKind, stop)}</span>
        {stateWords(mark)}
        {stopState?.arrivedAt !== undefined && stopState.settledAt !== null && (
          <span className="text-marigold-ink">
            {t('student.arrivedLate', { given: timeOf(stopState.settledAt), arrived: timeOf(stopState.arrivedAt) })}
          </span>
        )}
      </p>
      {stop.kind === 'pause' && <p className="text-14">{t('student.note', { note: stop.note })}</p>}
      {stop.kind === 'fork' && (
        <p className="text-14">
          {stop.prompt}{' '}
          <strong>{stop.choices.find(({ id }) => id === stopState?.choiceId)?.words ?? t('student.notChosen')}</strong>
        </p>
      )}
      {stop.kind === 'board' && (
        <p className="text-14">
          {needWords(stop.need)}{' '}
          <strong>
            {stop.tiles
              .filter(({ id }) => stopState?.tiles?.[id] === 'done')
              .map(({ title }) => title)
              .join(', ') || t('student.noTile')}
          </strong>
        </p>
      )}
      {stop.kind === 'checkpoint' &&
        stop.questions.map((question) => {
          const answer = stopState?.answers[question.id];
          const draft = stopState?.drafts[question.id];
          return (
            <div key={question.id} className="grid gap-2">
              <AskedView question={question} />
              {!answer && <p className="text-14 text-quiet">{t('student.noAnswer')}</p>}
              {!answer && draft && !isBlank(draft) && (
                <div className="rounded-control border border-line border-dashed p-3 text-14">
                  <p className="text-13 text-quiet">{t('student.draftSoFar')}</p>
                  <GivenResponse
                    question={toLearnerQuestion(question, asWritten)}
                    response={draft}
                    answerKey={null}
                    verdicts={{}}
                  />
                </div>
              )}
              {answer && <AnswerView question={question} answer={answer} />}
              {answer && (
                <MarkBox
                  isOpen={isTeacherMarked(question.kind)}
                  question={question}
                  answer={answer}
                  target={{ assignmentId, studentId, stopId: stop.id, questionId: question.id }}
                  onMarked={onMarked}
                />
              )}
              {answer && (
                <TalkOfAnswer
                  {...{ assignmentId, studentId }}
                  questionId={question.id}
                  isSaid={answer.comment !== null || answer.voice !== undefined || answer.drawn !== undefined}
                  stem={plainWords(question.stem)}
                />
              )}
            </div>
          );
        })}
    </article>
  );
}

/** Says moments on the clock of the class, as the sheet above does. */
function useClassTime(assignmentId: string): (instantMs: number) => string {
  const { data } = useQuery(sheetOptions(assignmentId));
  const timeZone = data?.assignment.timeZone ?? Intl.DateTimeFormat().resolvedOptions().timeZone;
  return (instantMs) => formatInstant(instantMs, timeZone);
}

/** What a teacher marks stands open; what the program marked can be changed. */
function MarkBox({ isOpen, ...form }: ComponentProps<typeof MarkForm> & { readonly isOpen: boolean }) {
  const [isChanging, setIsChanging] = useState(false);
  if (isOpen) return <MarkForm {...form} />;
  return (
    <details onToggle={(event) => setIsChanging(event.currentTarget.open)}>
      <summary className="cursor-pointer text-14 text-quiet">{t('marking.changeMark')}</summary>
      {isChanging && <MarkForm {...form} />}
    </details>
  );
}

/** Who changed which mark, and when. */
function History({ assignmentId, detail }: { readonly assignmentId: string; readonly detail: AttemptDetail }) {
  const [isOpen, setIsOpen] = useState(false);
  const { lesson, student } = detail;
  const { data: changes = [] } = useQuery({ ...historyOptions(assignmentId, student.studentId), enabled: isOpen });
  const stemOf = (questionId: string) =>
    lesson.parts
      .flatMap((part) => part.stops)
      .flatMap((stop) => (stop.kind === 'checkpoint' ? stop.questions : []))
      .find(({ id }) => id === questionId)?.stem ?? '';
  return (
    <details className="text-14" onToggle={(event) => setIsOpen(event.currentTarget.open)}>
      <summary className="cursor-pointer text-quiet">{t('marking.history')}</summary>
      <ul className="grid gap-1.5 pt-2">
        {changes.map((change, index) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: what happened has no other name
          <li key={index}>
            <span className="text-quiet">
              {new Date(change.at).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' })}, {change.by}:
            </span>{' '}
            {change.points !== null && t('marking.gavePoints', { points: formatPoints(change.points) })}
            {change.comment !== null && t('marking.said', { words: change.comment || '–' })}
            {change.returned && t('marking.gaveBack')}
            <span className="block truncate text-quiet">{stemOf(change.questionId)}</span>
          </li>
        ))}
      </ul>
      {isOpen && changes.length === 0 && <p className="pt-2 text-quiet">{t('marking.noHistory')}</p>}
    </details>
  );
}
