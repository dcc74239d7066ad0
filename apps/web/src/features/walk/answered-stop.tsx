import type { ShownWhen, StopState } from '@semita/core/attempt';
import type { LearnerQuestion, LearnerStop, QuestionResult } from '@semita/core/learner';
import { isBlank, type Response } from '@semita/core/question';
import { stopMarkOf } from '@semita/core/sheet';
import { lazy, Suspense, useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { StateMark, stateWords } from '../../ui/state-mark.tsx';
import { t } from '../../words/words.ts';
import { GivenResponse } from '../question/given-response.tsx';
import { kindWords } from '../question/kind-words.ts';
import { drawsOnPicture, QuestionBlock } from '../question/question-block.tsx';
import { QuestionPicture } from '../question/question-picture.tsx';
import { RichText } from '../question/rich-text.tsx';
import { TeacherSays } from '../question/teacher-says.tsx';
import { RecordingPlayer } from '../voice/recording-player.tsx';
import { useDraftSaver } from './draft-saver.ts';
import { ForkChoices } from './fork-choices.tsx';
import './words.ts';
import '../materials/words.ts';

const ClassThread = lazy(async () => ({ default: (await import('../question/class-thread.tsx')).ClassThread }));

type ToQuestion = (stopId: string, questionId: string, response: Response) => void;

/** Works on an answer again that a teacher gave back. */
export interface OnRevise {
  readonly draft: ToQuestion;
  readonly give: ToQuestion;
}

interface Props {
  readonly stop: LearnerStop;
  readonly place: string;
  readonly stopState: StopState;
  readonly results: Readonly<Record<string, QuestionResult>>;
  /** When points are shown, where they are not yet. */
  readonly later: ShownWhen | null;
  readonly onRevise: OnRevise;
  /** What was given to another question of the lesson. */
  readonly givenTo: (questionId: string) => Response | undefined;
  /** Where the class can be met; null in a rehearsal. */
  readonly assignmentId: string | null;
  /** Chooses another way at a fork, where the terms let a student. */
  readonly onChoose?: ((choiceId: string) => void) | undefined;
  /** Where a stop that was passed over can be opened again. */
  readonly onReopen?: (() => void) | undefined;
}

/** A stop the learner has been at: what was asked, what was given, what came of it. */
export function AnsweredStop(props: Props) {
  const { stop, place, stopState, results, later, onRevise, givenTo, assignmentId, onReopen, onChoose } = props;
  const mark = stopMarkOf(stop, stopState);
  return (
    <li className="grid gap-3 rounded-card border border-line bg-card p-4">
      <p className="flex items-center gap-2 text-14 text-quiet">
        <StateMark mark={mark} />
        <span>
          {place}: {later && mark.state === 'waiting' ? t('walk.answered') : stateWords(mark)}
        </span>
      </p>
      {stop.kind === 'fork' && <ChosenWay {...{ fork: stop, stopState, onChoose }} />}
      {stop.kind === 'pause' && (
        <>
          {stop.note !== '' && <p className="whitespace-pre-wrap">{stop.note}</p>}
          {stop.voice && <RecordingPlayer recording={stop.voice} label={t('walk.voice')} />}
        </>
      )}
      {stop.kind === 'checkpoint' &&
        stop.questions.map((question) => (
          <AnsweredQuestion
            key={question.id}
            stopId={stop.id}
            result={results[question.id]}
            {...{ question, stopState, later, onRevise, givenTo, assignmentId }}
          />
        ))}
      {onReopen && (
        <div>
          <Button onClick={onReopen}>{t('walk.open')}</Button>
        </div>
      )}
    </li>
  );
}

interface QuestionProps {
  readonly stopId: string;
  readonly assignmentId: string | null;
  readonly later: ShownWhen | null;
  readonly givenTo: Props['givenTo'];
  readonly onRevise: OnRevise;
  readonly question: LearnerQuestion;
  readonly stopState: StopState;
  readonly result: QuestionResult | undefined;
}

function AnsweredQuestion(props: QuestionProps) {
  const { question, stopId, stopState, result, later, onRevise, givenTo, assignmentId } = props;
  const answer = stopState.answers[question.id];
  const before = question.comparedWith ? givenTo(question.comparedWith) : undefined;
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-2">
      <RichText text={question.stem} className="font-medium" />
      {question.picture && !drawsOnPicture(question) && <QuestionPicture picture={question.picture} />}
      {answer ? (
        <GivenResponse
          question={question}
          response={answer.response}
          answerKey={result?.answerKey ?? null}
          verdicts={result?.verdicts ?? {}}
          isFull={result?.isFull ?? false}
          keyAreas={result?.keyAreas ?? []}
          feedback={result?.feedback ?? []}
          drawn={result?.drawn ?? {}}
        />
      ) : (
        stopState.phase === 'answered' && <p className="text-14 text-quiet">{t('walk.leftBlank')}</p>
      )}
      {before && (
        <div className="grid gap-1 text-14 text-quiet">
          {t('walk.before')}
          <GivenResponse question={question} response={before} answerKey={null} verdicts={{}} />
        </div>
      )}
      {result?.said && (
        <RichText
          text={result.said}
          className="rounded-control border-l-4 border-slate bg-slate-tint px-3 py-2 text-14"
        />
      )}
      {answer && !result && <p className="text-14 text-quiet">{t('walk.waitsForServer')}</p>}
      {result && result.points === null && (
        <p className="text-14 text-quiet">
          {t(later ? `walk.later.${later}` : assignmentId === null ? 'walk.nobodyReads' : 'walk.waitsForTeacher')}
        </p>
      )}
      {result && <TeacherSays result={result} />}
      {question.kind === 'discussion' && result && assignmentId && (
        <Suspense>
          <ClassThread assignmentId={assignmentId} questionId={question.id} />
        </Suspense>
      )}
      {result?.returned && answer && (
        <WorkAgain
          question={question}
          begunFrom={stopState.drafts[question.id] ?? answer.response}
          onDraft={(response) => onRevise.draft(stopId, question.id, response)}
          onGive={(response) => onRevise.give(stopId, question.id, response)}
        />
      )}
    </div>
  );
}

interface AgainProps {
  readonly question: LearnerQuestion;
  readonly begunFrom: Response;
  readonly onDraft: (response: Response) => void;
  readonly onGive: (response: Response) => void;
}

/** An answer that came back: begun anew from what was given, and given again. */
function WorkAgain({ question, begunFrom, onDraft, onGive }: AgainProps) {
  const saver = useDraftSaver((_, draft) => onDraft(draft));
  const [isOpen, setIsOpen] = useState(false);
  const [response, setResponse] = useState<Response>(begunFrom);
  if (!isOpen)
    return (
      <div className="grid gap-2 rounded-control border-l-4 border-marigold bg-marigold-tint px-3 py-2">
        <p>{t('walk.returned')}</p>
        <div>
          <Button look="main" onClick={() => setIsOpen(true)}>
            {t('walk.workAgain')}
          </Button>
        </div>
      </div>
    );
  return (
    <form
      className="grid gap-3 rounded-control border border-main p-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (isBlank(response)) return;
        saver.drop();
        onGive(response);
      }}
    >
      <QuestionBlock
        question={question}
        place={kindWords(question)}
        response={response}
        hint={undefined}
        onChange={(next) => {
          setResponse(next);
          saver.save(question.id, next);
        }}
        onHint={() => undefined}
      />
      <Button look="main" size="roomy" type="submit" disabled={isBlank(response)}>
        {t('walk.giveAgain')}
      </Button>
    </form>
  );
}

interface ChosenProps extends Pick<Props, 'stopState' | 'onChoose'> {
  readonly fork: Extract<LearnerStop, { kind: 'fork' }>;
}

/** The way that was chosen, and where it may be chosen anew. */
function ChosenWay({ fork, stopState, onChoose }: ChosenProps) {
  const [isOpen, setIsOpen] = useState(false);
  const chosen = fork.choices.find(({ id }) => id === stopState.choiceId);
  if (isOpen && onChoose) return <ForkChoices fork={fork} chosenId={chosen?.id} onChoose={onChoose} />;
  return (
    <>
      <p>{chosen ? t('walk.chose', { words: chosen.words }) : t('walk.notChosen')}</p>
      {onChoose && (
        <div>
          <Button onClick={() => setIsOpen(true)}>{t('walk.chooseAgain')}</Button>
        </div>
      )}
    </>
  );
}
