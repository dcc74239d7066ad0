import type { AnswerGroup } from '@semita/core/analysis';
import type { QuestionAnswers } from '@semita/core/contract';
import { isOpinion, isTeacherMarked, type Question, type Response } from '@semita/core/question';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { type ReactNode, useRef, useState } from 'react';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { CheckInput } from '../../ui/check-input.tsx';
import { Field, TextInput } from '../../ui/field.tsx';
import { ErrorNotice } from '../../ui/notice.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { formatPoints } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { sheetOptions } from '../assignment/queries.ts';
import { ClassThread } from '../question/class-thread.tsx';
import { kindWords } from '../question/kind-words.ts';
import { AnswerSummary } from './answer-summary.tsx';
import { AnswerView, AskedView } from './answer-view.tsx';
import { ChangeKey } from './change-key.tsx';
import { MarkForm } from './mark-form.tsx';
import { focusNextUnmarked, useNextKey } from './next-unmarked.ts';
import { PointsField } from './points-field.tsx';
import { answersOptions } from './queries.ts';
import { useGroups } from './use-groups.ts';
import './words.ts';

interface Props {
  readonly assignmentId: string;
  readonly questionId: string;
}

/** All answers to one question: those that are alike together, then one by one. */
export function QuestionAnswersView({ assignmentId, questionId }: Props) {
  const query = useQuery(answersOptions(assignmentId, questionId));
  return <QueryView query={query}>{(data) => <Answers assignmentId={assignmentId} data={data} />}</QueryView>;
}

type Given = QuestionAnswers['answers'][number];

function Answers({ assignmentId, data }: { readonly assignmentId: string; readonly data: QuestionAnswers }) {
  const { question, stopId } = data;
  const [hidesNames, setHidesNames] = useState(false);
  const [onlyWaiting, setOnlyWaiting] = useState(isTeacherMarked(question.kind));
  // What was just marked stays where it is until the teacher looks at another question, and it may be told live that it
  // is marked before the mark itself is answered: so whatever has waited here stays.
  const waited = useRef(new Set<string>());
  for (const { studentId, answer } of data.answers) if (answer.points === null) waited.current.add(studentId);
  const list = useRef<HTMLDivElement>(null);
  useNextKey(() => list.current && focusNextUnmarked(list.current));
  const shown = data.answers.filter(({ studentId }) => !onlyWaiting || waited.current.has(studentId));
  // Whose answer it is must not be told by its place either.
  const inOrder = hidesNames ? shown.toSorted((a, b) => a.studentId.localeCompare(b.studentId)) : shown;
  const texts = inOrder.map(({ answer }) => textOf(answer.response));
  const groups = useGroups(texts.every((text) => text !== null) && texts.length > 1 ? (texts as string[]) : null);
  const alike = (groups ?? []).filter(({ members }) => members.length > 1);
  const grouped = new Set(alike.flatMap(({ members }) => members));
  const singles = inOrder.filter((_, index) => !grouped.has(index));
  const nameOf = ({ displayName }: Given, index: number) =>
    hidesNames ? t('marking.answerOf', { number: index + 1 }) : displayName;
  const card = (given: Given, index: number) => (
    <AnswerCard
      key={given.studentId}
      {...{ assignmentId, stopId, question, given }}
      name={nameOf(given, index)}
      onMarked={(form) => {
        if (list.current) focusNextUnmarked(list.current, form);
      }}
    />
  );
  return (
    <div ref={list} className="mx-auto grid max-w-3xl gap-5">
      <header className="grid gap-2 border-b border-line pb-4">
        <p className="text-13 text-quiet">
          {kindWords(question)},{' '}
          {t('stop.pointsOnly', { count: question.points / 100, points: formatPoints(question.points) })}
        </p>
        <AskedView question={question} />
        <div className="flex flex-wrap gap-x-5 gap-y-1">
          <CheckInput checked={hidesNames} onChange={setHidesNames}>
            {t('marking.hideNames')}
          </CheckInput>
          <CheckInput checked={onlyWaiting} onChange={setOnlyWaiting}>
            {t('marking.onlyWaiting')}
          </CheckInput>
          {!isTeacherMarked(question.kind) && !isOpinion(question) && (
            <ChangeKey assignmentId={assignmentId} question={question} />
          )}
        </div>
      </header>
      <AnswerSummary question={question} answers={data.answers} />
      {inOrder.length === 0 && <p className="text-quiet">{t('marking.noneWaits')}</p>}
      {question.kind === 'discussion' && <ClassThread assignmentId={assignmentId} questionId={question.id} isTeacher />}
      {alike.map((group) => (
        <GroupCard
          key={group.text}
          {...{ assignmentId, stopId, question, group }}
          members={group.members.map((index) => inOrder[index] as Given)}
          nameOf={(given) => nameOf(given, inOrder.indexOf(given))}
          each={() => group.members.map((index) => card(inOrder[index] as Given, index))}
        />
      ))}
      {alike.length > 0 && singles.length > 0 && <h2 className="text-16">{t('marking.singles')}</h2>}
      {singles.length > 0 && <p className="text-13 text-quiet">{t('marking.keys')}</p>}
      {singles.map((given) => card(given, inOrder.indexOf(given)))}
    </div>
  );
}

/** The words of an answer that is short enough to be like another; null for other kinds. */
function textOf(response: Response): string | null {
  if (response.kind === 'extendedText' || response.kind === 'number') return response.text;
  return response.kind === 'gaps' ? Object.values(response.gaps).join(' / ') : null;
}

interface CardProps {
  readonly assignmentId: string;
  readonly stopId: string;
  readonly question: Question;
  readonly given: Given;
  readonly name: string;
  readonly onMarked: (form: HTMLFormElement) => void;
}

/** One answer. With the card in focus, a digit gives that many points. */
function AnswerCard({ assignmentId, stopId, question, given, name, onMarked }: CardProps) {
  const { answer, studentId } = given;
  const card = useRef<HTMLElement>(null);
  const onKeyDown = (event: React.KeyboardEvent) => {
    if (event.target !== card.current || event.ctrlKey || event.metaKey || event.altKey) return;
    if (/^\d$/.test(event.key) && Number(event.key) * 100 <= question.points) {
      const input = card.current?.querySelector<HTMLInputElement>('input[type="number"]');
      if (!input) return;
      setNativeValue(input, event.key);
      input.form?.requestSubmit();
    } else if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
      const cards = [...document.querySelectorAll<HTMLElement>('article[data-answer]')];
      const at = cards.indexOf(card.current as HTMLElement);
      cards[at + (event.key === 'ArrowDown' ? 1 : -1)]?.focus();
    } else return;
    event.preventDefault();
  };
  return (
    <article
      ref={card}
      data-answer={studentId}
      aria-label={name}
      // biome-ignore lint/a11y/noNoninteractiveTabindex: the card takes the keys that mark it
      tabIndex={0}
      onKeyDown={onKeyDown}
      className="grid grid-cols-[minmax(0,1fr)] gap-3 rounded-card border border-line bg-card p-4"
    >
      <p className="text-14 font-medium">{name}</p>
      <AnswerView question={question} answer={answer} />
      <MarkForm
        question={question}
        answer={answer}
        target={{ assignmentId, studentId, stopId, questionId: question.id }}
        onMarked={onMarked}
      />
    </article>
  );
}

/** As if it had been typed: the form hears of it. */
function setNativeValue(input: HTMLInputElement, value: string): void {
  Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set?.call(input, value);
  input.dispatchEvent(new Event('input', { bubbles: true }));
}

interface GroupProps {
  readonly assignmentId: string;
  readonly stopId: string;
  readonly question: Question;
  readonly group: AnswerGroup;
  readonly members: readonly Given[];
  readonly nameOf: (given: Given) => string;
  /** A card for each member. */
  readonly each: () => ReactNode;
}

/** Answers that are alike, with one mark for all of them. */
function GroupCard({ assignmentId, stopId, question, group, members, nameOf, each }: GroupProps) {
  const [showsEach, setShowsEach] = useState(false);
  const queryClient = useQueryClient();
  const [points, setPoints] = useState('');
  const [comment, setComment] = useState('');
  const mark = useMutation({
    mutationFn: () =>
      call('markMany', {
        params: { assignmentId },
        body: {
          studentIds: members.map(({ studentId }) => studentId),
          mark: { stopId, questionId: question.id, points: Math.round(Number(points) * 100), comment },
        },
      }),
    onSuccess: async () => {
      await queryClient.invalidateQueries({ queryKey: ['marking', assignmentId] });
      await queryClient.invalidateQueries(sheetOptions(assignmentId));
    },
  });
  const isMarked = members.every(({ answer }) => answer.points !== null);
  return (
    <section className="grid grid-cols-[minmax(0,1fr)] gap-3 rounded-card border border-main bg-card p-4">
      <p className="text-14">
        <span className="font-medium">{t('marking.group', { count: members.length })}:</span>{' '}
        <span className="text-quiet">{members.map(nameOf).join(', ')}</span>
      </p>
      <p className="rounded-control bg-paper px-3 py-2 whitespace-pre-wrap">{group.text}</p>
      <form
        className="grid items-end gap-3 sm:grid-cols-[8rem_1fr_auto]"
        onSubmit={(event) => {
          event.preventDefault();
          mark.mutate();
        }}
      >
        {mark.isError && <ErrorNotice error={mark.error} />}
        <PointsField possible={question.points} value={points} onChange={(event) => setPoints(event.target.value)} />
        <Field label={t('student.comment')}>
          {(ids) => (
            <TextInput
              {...ids}
              className="h-9 text-14"
              value={comment}
              onChange={(event) => setComment(event.target.value)}
            />
          )}
        </Field>
        <Button look="main" type="submit" disabled={mark.isPending}>
          {isMarked && !mark.isIdle ? t('student.saved') : t('marking.groupMark', { count: members.length })}
        </Button>
      </form>
      <div>
        <Button look="quiet" size="small" aria-expanded={showsEach} onClick={() => setShowsEach(!showsEach)}>
          {t('marking.showEach')}
        </Button>
      </div>
      {showsEach && each()}
    </section>
  );
}
