import type { Answer } from '@semita/core/attempt';
import { type RubricLevels, rubricPoints } from '@semita/core/marking';
import type { Drawing, HandedFile, Question, Response } from '@semita/core/question';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Check, Undo2 } from 'lucide-react';
import { lazy, Suspense, useRef, useState } from 'react';
import { useForm } from 'react-hook-form';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { Field, TextArea } from '../../ui/field.tsx';
import { useKeptWords } from '../../ui/kept-words.ts';
import { ErrorNotice } from '../../ui/notice.tsx';
import { formatPoints } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { attemptOptions, sheetOptions } from '../assignment/queries.ts';
import type { MarkTarget } from './mark-target.ts';
import { PhraseMenu } from './phrase-menu.tsx';
import { PointsField } from './points-field.tsx';
import { RubricField } from './rubric-field.tsx';
import { VoiceComment } from './voice-comment.tsx';
import './words.ts';

/** Loaded when somebody draws on an answer. */
const PenMarks = lazy(async () => ({ default: (await import('./pen-marks.tsx')).PenMarks }));

interface Props {
  readonly question: Question;
  readonly answer: Answer;
  readonly target: MarkTarget;
  /** Told once the mark is kept. */
  readonly onMarked: (form: HTMLFormElement) => void;
}

interface Values {
  readonly points: string;
  readonly comment: string;
}

/** What the form holds besides points and words; absent where it was not touched. */
interface Extras {
  readonly rubric?: RubricLevels;
  readonly voice?: HandedFile | null;
  readonly drawn?: Readonly<Record<string, Drawing>>;
}

/** Points and words for an answer, and what else a teacher says to it. */
export function MarkForm({ question, answer, target, onMarked }: Props) {
  const { assignmentId, studentId, stopId, questionId } = target;
  const queryClient = useQueryClient();
  const element = useRef<HTMLFormElement>(null);
  const settle = useKeptWords();
  const [extras, setExtras] = useState<Extras>({});
  const form = useForm<Values>({
    values: { points: answer.points === null ? '' : formatPoints(answer.points), comment: answer.comment ?? '' },
    // A colleague's mark, or our own coming back, must not sweep away what is being typed.
    resetOptions: { keepDirtyValues: true },
  });
  const mark = useMutation({
    mutationFn: ({ values, returns }: { values: Values; returns: boolean }) =>
      call('mark', {
        params: { assignmentId, studentId },
        body: {
          stopId,
          questionId,
          points: values.points === '' ? null : Math.round(Number(values.points) * 100),
          comment: values.comment,
          ...extras,
          ...(returns ? { returns } : {}),
        } as Parameters<typeof call<'mark'>>[1]['body'],
      }),
    onSuccess: async (detail, { values }) => {
      queryClient.setQueryData(attemptOptions(assignmentId, studentId).queryKey, detail);
      form.reset(values);
      setExtras({});
      settle(element.current);
      if (element.current) onMarked(element.current);
      await queryClient.invalidateQueries(sheetOptions(assignmentId));
      await queryClient.invalidateQueries({ queryKey: ['marking', assignmentId] });
      await queryClient.invalidateQueries({ queryKey: ['markHistory', assignmentId, studentId] });
    },
  });
  const isTouched = form.formState.isDirty || Object.keys(extras).length > 0;
  const isSaved = answer.points !== null && !isTouched;
  const setRubric = (rubric: RubricLevels) => {
    setExtras({ ...extras, rubric });
    const points = question.rubric ? rubricPoints(question.rubric, rubric) : 0;
    form.setValue('points', formatPoints(points), { shouldDirty: true });
  };
  const sayAlso = (phrase: string) => {
    const before = form.getValues('comment').trimEnd();
    form.setValue('comment', before === '' ? phrase : `${before} ${phrase}`, { shouldDirty: true });
    form.setFocus('comment');
  };
  return (
    <form
      ref={element}
      data-unmarked={answer.points === null || undefined}
      className="grid gap-3 rounded-control border border-line bg-paper p-3"
      onSubmit={form.handleSubmit((values) => mark.mutate({ values, returns: false }))}
    >
      {mark.isError && <ErrorNotice error={mark.error} />}
      {question.rubric && question.rubric.criteria.length > 0 && (
        <RubricField rubric={question.rubric} met={extras.rubric ?? answer.rubric ?? {}} onChange={setRubric} />
      )}
      <div className="grid items-start gap-3 sm:grid-cols-[8rem_1fr]">
        <PointsField possible={question.points} {...form.register('points')} />
        <Field label={t('student.comment')} help={t('student.commentHint')}>
          {(ids) => (
            <TextArea {...ids} rows={2} maxLength={5_000} className="min-h-9 text-14" {...form.register('comment')} />
          )}
        </Field>
      </div>
      <div className="flex flex-wrap items-center gap-2">
        <Button look="main" size="small" type="submit" disabled={mark.isPending || isSaved}>
          {t('student.save')}
        </Button>
        {isSaved && (
          <span role="status" className="flex items-center gap-1 text-14 text-spruce">
            <Check aria-hidden className="size-4" strokeWidth={1.75} />
            {t('student.saved')}
          </span>
        )}
        <span className="grow" />
        <PhraseMenu wordsNow={() => form.getValues('comment')} onChoose={sayAlso} />
        {answer.returned ? (
          <span className="text-14 text-quiet">{t('marking.isReturned')}</span>
        ) : (
          <Button
            look="quiet"
            size="small"
            disabled={mark.isPending}
            onClick={() => mark.mutate({ values: form.getValues(), returns: true })}
          >
            <Undo2 aria-hidden className="size-4" strokeWidth={1.75} />
            {t('marking.giveBack')}
          </Button>
        )}
      </div>
      <div className="flex flex-wrap items-start gap-2">
        <VoiceComment
          target={target}
          voice={extras.voice === undefined ? (answer.voice ?? null) : extras.voice}
          onChange={(voice) => setExtras({ ...extras, voice })}
        />
        {canBeDrawnOn(answer.response) && (
          <Suspense>
            <PenMarks
              question={question}
              response={answer.response}
              drawn={extras.drawn ?? answer.drawn ?? {}}
              onChange={(drawn) => setExtras({ ...extras, drawn })}
            />
          </Suspense>
        )}
      </div>
    </form>
  );
}

function canBeDrawnOn(response: Response): boolean {
  if (response.kind === 'files') return response.files.some(({ mimeType }) => mimeType.startsWith('image/'));
  return response.kind === 'drawing';
}
