import type { Answer, Question } from '@semita/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Check } from 'lucide-react';
import { useRef } from 'react';
import { useForm } from 'react-hook-form';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { Field, TextArea, TextInput } from '../../ui/field.tsx';
import { ErrorNotice } from '../../ui/notice.tsx';
import { formatPoints } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { attemptOptions, sheetOptions } from './queries.ts';

interface Props {
  readonly question: Question;
  readonly answer: Answer;
  readonly target: {
    readonly assignmentId: string;
    readonly studentId: string;
    readonly stopId: string;
    readonly questionId: string;
  };
  /** Told once the mark is kept. */
  readonly onMarked: (form: HTMLFormElement) => void;
}

/** Points and words for a written answer. */
export function MarkForm({ question, answer, target, onMarked }: Props) {
  const { assignmentId, studentId, stopId, questionId } = target;
  const queryClient = useQueryClient();
  const element = useRef<HTMLFormElement>(null);
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
      if (element.current) onMarked(element.current);
      await queryClient.invalidateQueries(sheetOptions(assignmentId));
    },
  });
  const isSaved = answer.points !== null && !form.formState.isDirty;
  return (
    <form
      ref={element}
      data-unmarked={answer.points === null || undefined}
      className="grid gap-3 rounded-control border border-line bg-paper p-3"
      onSubmit={form.handleSubmit((values) => mark.mutate(values))}
    >
      {mark.isError && <ErrorNotice error={mark.error} />}
      <div className="grid items-start gap-3 sm:grid-cols-[8rem_1fr]">
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
