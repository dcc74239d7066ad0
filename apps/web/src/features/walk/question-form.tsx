import { isBlank, type LearnerQuestion, type LearnerStop, longestTextLength, type Response } from '@semita/core';
import { useId, useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { TextArea } from '../../ui/field.tsx';
import { joinClasses } from '../../ui/join-classes.ts';
import { formatPoints } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { RecordingPlayer } from '../voice/recording-player.tsx';
import type { DraftSaver } from './draft-saver.ts';
import { QuestionPicture } from './question-picture.tsx';

type Checkpoint = Extract<LearnerStop, { kind: 'checkpoint' }>;

interface Props {
  readonly stop: Checkpoint;
  readonly drafts: Readonly<Record<string, Response>>;
  readonly saver: DraftSaver;
  readonly onAnswer: (responses: Record<string, Response>) => void;
}

export function kindWords(question: LearnerQuestion): string {
  if (question.kind === 'extendedText') return t('question.extendedText');
  return t(question.several ? 'question.choiceSeveral' : 'question.choiceOne');
}

/** The questions of a stop, answered together. What is picked or written is saved at once as a draft. */
export function QuestionForm({ stop, drafts, saver, onAnswer }: Props) {
  const [responses, setResponses] = useState<Record<string, Response>>({ ...drafts });
  const [blanks, setBlanks] = useState<readonly number[]>([]);
  const set = (question: LearnerQuestion, response: Response) => {
    setResponses((before) => ({ ...before, [question.id]: response }));
    setBlanks([]);
    saver.save(question.id, response);
  };
  const submit = () => {
    const isMissing = (question: LearnerQuestion) => {
      const response = responses[question.id];
      return !response || isBlank(response);
    };
    const missing = stop.questions.flatMap((question, index) => (isMissing(question) ? [index + 1] : []));
    setBlanks(missing);
    if (missing.length > 0) return;
    saver.drop();
    onAnswer(responses);
  };
  const count = stop.questions.length;
  return (
    <form
      className="grid gap-6"
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      {stop.questions.map((question, index) => (
        <QuestionField
          key={question.id}
          question={question}
          place={
            count === 1
              ? kindWords(question)
              : t('walk.questionOf', { number: index + 1, count, kind: kindWords(question) })
          }
          response={responses[question.id]}
          onChange={(response) => set(question, response)}
        />
      ))}
      {blanks.length > 0 && (
        <p role="alert" className="text-brick">
          {t('walk.stillBlank', { numbers: blanks.join(', ') })}
        </p>
      )}
      <Button look="main" size="roomy" type="submit">
        {count === 1 ? t('walk.answer') : t('walk.answerAll', { count })}
      </Button>
    </form>
  );
}

interface FieldProps {
  readonly question: LearnerQuestion;
  readonly place: string;
  readonly response: Response | undefined;
  readonly onChange: (response: Response) => void;
}

function QuestionField({ question, place, response, onChange }: FieldProps) {
  const id = useId();
  const head = (
    <>
      <span className="block text-13 text-quiet">
        {place}, {t('stop.pointsOnly', { count: question.points / 100, points: formatPoints(question.points) })}
      </span>
      <span className="block text-18 font-medium whitespace-pre-wrap">{question.stem}</span>
    </>
  );
  const aids = (
    <>
      {question.directions && (
        <RecordingPlayer recording={question.directions} label={t('walk.directionsFor', { place })} />
      )}
      {question.picture && <QuestionPicture picture={question.picture} />}
    </>
  );
  if (question.kind === 'extendedText') {
    const text = response?.kind === 'extendedText' ? response.text : '';
    return (
      <div className="grid gap-2">
        <label htmlFor={id}>{head}</label>
        {aids}
        <TextArea
          id={id}
          rows={4}
          maxLength={longestTextLength}
          className="min-h-28"
          placeholder={t('walk.writeHere')}
          value={text}
          onChange={(event) => onChange({ kind: 'extendedText', text: event.target.value })}
        />
      </div>
    );
  }
  const picked = response?.kind === 'choice' ? response.optionIds : [];
  const pick = (optionId: string) => {
    if (!question.several) return [optionId];
    return picked.includes(optionId) ? picked.filter((one) => one !== optionId) : [...picked, optionId];
  };
  return (
    <fieldset className="grid gap-2">
      <legend className="mb-2">{head}</legend>
      {aids}
      {question.options.map((option) => {
        const isPicked = picked.includes(option.id);
        return (
          <label
            key={option.id}
            className={joinClasses(
              'flex min-h-11 items-center gap-3 rounded-control border px-4 py-2',
              isPicked ? 'border-main bg-main-tint' : 'border-edge bg-card hover:bg-main-tint',
            )}
          >
            <input
              type={question.several ? 'checkbox' : 'radio'}
              name={id}
              className="size-5 shrink-0 accent-main"
              checked={isPicked}
              onChange={() => onChange({ kind: 'choice', optionIds: pick(option.id) })}
            />
            <span>{option.text}</span>
          </label>
        );
      })}
    </fieldset>
  );
}
