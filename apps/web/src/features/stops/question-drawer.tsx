import { firstTryOf, isWrongPick, picksOf, type QuestionFigures } from '@semita/core/analysis';
import type { QuestionAnswers, StopFigures } from '@semita/core/contract';
import { isOpinion, type Question, type Response } from '@semita/core/question';
import { plainWords } from '@semita/core/text';
import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense, useState } from 'react';
import { Link } from 'react-router';
import { buttonStyle } from '../../ui/button.tsx';
import { CheckInput } from '../../ui/check-input.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { joinClasses } from '../../ui/join-classes.ts';
import { QueryView } from '../../ui/query-view.tsx';
import { formatClock, formatHundredths, formatShare } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { AnswerSummary } from '../marking/answer-summary.tsx';
import { AskedView } from '../marking/answer-view.tsx';
import { answersOptions } from '../marking/queries.ts';
import { PickedStudents } from '../picked/picked-students.tsx';
import { AnswerWall } from './answer-wall.tsx';
import { PairMatrix } from './pair-matrix.tsx';
import { PictureHeat } from './picture-heat.tsx';
import { findingWords, wordsOfPick } from './told.ts';
import { WordPicture } from './word-picture.tsx';
import '../picked/words.ts';
import './words.ts';

const CountChart = lazy(() => import('../../ui/charts/count-chart.tsx'));

interface Props {
  readonly assignmentId: string;
  readonly number: number;
  readonly question: Question;
  readonly figures: QuestionFigures;
  readonly classes: StopFigures['classes'];
  readonly runs: boolean;
  /** How the class writes numbers. */
  readonly locale: string;
  readonly onClose: () => void;
}

/** One question: what was answered, by whom, and what that says. */
export function QuestionDrawer({ assignmentId, number, question, figures, classes, runs, locale, onClose }: Props) {
  const query = useQuery(answersOptions(assignmentId, question.id));
  const { findings } = figures;
  const oneByOne = `/assignments/${assignmentId}/marking?question=${encodeURIComponent(question.id)}`;
  return (
    <Dialog
      open
      keepsAtOnce
      place="side"
      onOpenChange={(open) => !open && onClose()}
      title={t('stops.number', { number })}
      description={plainWords(question.stem)}
    >
      <div className="grid gap-6">
        {question.modelAnswer && <AskedView question={question} />}
        {findings.length > 0 && (
          <ul className="grid gap-1 rounded-card bg-marigold-tint px-4 py-3 text-14 text-marigold-ink">
            {findings.map((finding) => (
              <li key={`${finding.kind} ${'pick' in finding ? finding.pick : ''}`}>
                {findingWords(question, finding)}{' '}
                {finding.kind === 'lookAtKey' && (
                  <Link to={oneByOne} className="underline">
                    {t('stops.correctKey')}
                  </Link>
                )}
              </li>
            ))}
          </ul>
        )}
        <QueryView query={query}>
          {({ answers }) => <Distribution {...{ question, figures, answers, runs, locale }} />}
        </QueryView>
        <Figures figures={figures} />
        {classes.length > 0 && <ByClass classes={classes} questionId={question.id} />}
        <div>
          <Link to={oneByOne} className={buttonStyle({})}>
            {t('stops.mark')}
          </Link>
        </div>
      </div>
    </Dialog>
  );
}

interface DistributionProps extends Pick<Props, 'runs' | 'locale'> {
  readonly question: Question;
  readonly figures: QuestionFigures;
  readonly answers: QuestionAnswers['answers'];
}

function Distribution({ question, figures, answers, runs, locale }: DistributionProps) {
  const [chosen, setChosen] = useState<string | null>(null);
  const [isLast, setIsLast] = useState(false);
  const hasTries = answers.some(({ answer }) => (answer.earlier ?? []).length > 0);
  const responseOf = ({ answer }: QuestionAnswers['answers'][number]) =>
    isLast ? answer.response : firstTryOf(answer).response;
  const given = answers.map((one) => ({
    id: one.studentId,
    displayName: one.displayName,
    picks: picksOf(question, responseOf(one)),
  }));
  const picks = picksIn(question, given);
  const responses = answers.map(responseOf);
  if (picks.length === 0) return <OwnAnswers {...{ question, answers, responses }} />;
  const optionOf = new Map(figures.options.map((option) => [option.optionId, option]));
  const rows = picks.map((pick) => ({
    pick,
    words: wordsOfPick(question, pick),
    isWrong: isWrongPick(question, pick, locale),
    students: given.filter((one) => one.picks.includes(pick)),
  }));
  const isMarked = !isOpinion(question);
  const hasExtremes = !isLast && isMarked && figures.options.some(({ upperShare }) => upperShare !== null);
  const opened = rows.find(({ pick }) => pick === chosen);
  const gaveWords = opened
    ? t(isLast ? 'stops.gaveLast' : 'stops.gave', { count: opened.students.length, words: opened.words })
    : '';
  return (
    <section className="grid gap-4">
      {hasTries && (
        <CheckInput checked={isLast} onChange={setIsLast}>
          {t('stops.lastTry')}
        </CheckInput>
      )}
      <Suspense fallback={<div style={{ height: rows.length * 34 + 36 }} />}>
        <CountChart
          bars={rows.map(({ words, students, isWrong }) => ({
            ...{ words, count: students.length },
            colour: !isMarked ? 'main' : isWrong ? 'marigold' : 'spruce',
          }))}
          of={answers.length}
          wordsOf={(count) => t('picked.students', { count })}
          onPick={(index) => setChosen(rows[index]?.pick ?? null)}
        />
      </Suspense>
      <table className="w-full text-14">
        <thead>
          <tr className="text-left text-13 text-quiet">
            <th scope="col" className="pb-1 font-medium">
              {t('stops.answer')}
            </th>
            <th scope="col" className="px-2 pb-1 text-right font-medium">
              {t('stops.took')}
            </th>
            {hasExtremes && (
              <>
                <th scope="col" className="px-2 pb-1 text-right font-medium">
                  {t('stops.best')}
                </th>
                <th scope="col" className="pb-1 pl-2 text-right font-medium">
                  {t('stops.last')}
                </th>
              </>
            )}
          </tr>
        </thead>
        <tbody className="divide-y divide-line border-y border-line">
          {rows.map(({ pick, words, students, isWrong }) => {
            const { upperShare = null, lowerShare = null } = optionOf.get(pick) ?? {};
            return (
              <tr key={pick} className={pick === chosen ? 'bg-main-tint' : undefined}>
                <th scope="row" className="py-1 text-left font-normal">
                  <button
                    type="button"
                    aria-pressed={pick === chosen}
                    aria-label={t('stops.choose', { words })}
                    disabled={students.length === 0}
                    onClick={() => setChosen(pick === chosen ? null : pick)}
                    className="min-h-8 text-left underline-offset-2 enabled:hover:underline"
                  >
                    {words}
                    {isMarked && !isWrong && <span className="text-spruce"> ({t('stops.right')})</span>}
                  </button>
                </th>
                <td className="px-2 text-right font-mono text-13">{students.length}</td>
                {hasExtremes && (
                  <>
                    <td className="px-2 text-right font-mono text-13">{shareOrNone(upperShare)}</td>
                    <td className="pl-2 text-right font-mono text-13">{shareOrNone(lowerShare)}</td>
                  </>
                )}
              </tr>
            );
          })}
        </tbody>
      </table>
      {opened && (
        <div className="grid gap-2 rounded-card border border-main bg-card p-4">
          <p className="font-medium">{gaveWords}</p>
          <PickedStudents
            students={opened.students}
            reason={gaveWords}
            groupName={t('proposal.groupMistake', { words: opened.words }).slice(0, 80)}
            runs={runs}
          />
        </div>
      )}
      <PairMatrix question={question} picks={given.map((one) => one.picks)} />
      {question.kind === 'hotspot' && <PictureHeat {...{ question, responses }} />}
      {(question.asksConfidence || question.comparedWith) && <AnswerSummary question={question} answers={answers} />}
    </section>
  );
}

interface OwnAnswersProps extends Pick<DistributionProps, 'question' | 'answers'> {
  readonly responses: readonly Response[];
}

/** What everybody answers in their own way, seen together. */
function OwnAnswers({ question, answers, responses }: OwnAnswersProps) {
  switch (question.kind) {
    case 'extendedText':
    case 'discussion':
    case 'textEntry':
      return <WordPicture texts={responses.map(textOf)} />;
    case 'selectPoint':
      return <PictureHeat {...{ question, responses }} />;
    case 'drawing':
    case 'upload':
    case 'record':
      return <AnswerWall {...{ question, answers }} />;
    default:
      return <p className="text-14 text-quiet">{t('stops.ownWords')}</p>;
  }
}

function textOf(response: Response): string {
  if (response.kind === 'extendedText') return response.text;
  return response.kind === 'gaps' ? Object.values(response.gaps).join(' ') : '';
}

const shareOrNone = (share: number | null) => (share === null ? '–' : formatShare(share));

/** Everything that could be picked of a question with few things to pick; of others, what was, the most frequent first. */
function picksIn(question: Question, given: readonly { readonly picks: readonly string[] }[]): readonly string[] {
  const counts = new Map<string, number>();
  for (const { picks } of given) for (const pick of picks) counts.set(pick, (counts.get(pick) ?? 0) + 1);
  switch (question.kind) {
    case 'choice':
    case 'poll':
      return question.options.map(({ id }) => id);
    case 'hotspot':
      return question.areas.map(({ id }) => id);
    case 'inlineChoice':
      return question.gaps.flatMap(({ id, options }) => options.map((option) => `${id} ${option.id}`));
    case 'slider':
      return [...counts.keys()].toSorted((a, b) => Number(a) - Number(b));
    default:
      return [...counts]
        .toSorted((a, b) => b[1] - a[1])
        .slice(0, mostPicks)
        .map(([pick]) => pick);
  }
}

/** Beyond these, what was picked by one or two only. */
const mostPicks = 12;

function Figures({ figures }: { readonly figures: QuestionFigures }) {
  const { count, answered, meanShare, discrimination, upperLower, medianStopMs, sure } = figures;
  const number = (value: number | null) => (value === null ? t('stops.tooFew') : formatHundredths(value));
  const rows: readonly (readonly [string, string])[] = [
    [
      t('stops.answers'),
      count === answered ? String(answered) : `${answered} (${t('stops.waiting', { count: answered - count })})`,
    ],
    [t('stops.earned'), meanShare === null ? t('stops.tooFew') : formatShare(meanShare)],
    [t('stops.tells'), number(discrimination)],
    [t('stops.upperLower'), number(upperLower)],
    [t('stops.median'), medianStopMs === null ? t('stops.tooFew') : formatClock(medianStopMs)],
    ...(sure === null ? [] : [[t('stops.sure'), t('stops.sureWords', sure)] as const]),
  ];
  return (
    <section className="grid gap-1">
      <h3 className="text-16">{t('stops.figures')}</h3>
      <dl className="grid grid-cols-[1fr_auto] gap-x-4 gap-y-1 text-14">
        {rows.map(([label, value]) => (
          <div key={label} className="contents">
            <dt className="text-quiet">{label}</dt>
            <dd className="text-right">{value}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}

interface ByClassProps {
  readonly classes: StopFigures['classes'];
  readonly questionId: string;
}

function ByClass({ classes, questionId }: ByClassProps) {
  return (
    <section className="grid gap-2">
      <h3 className="text-16">{t('stops.compare')}</h3>
      <ul className="grid gap-1.5 text-14">
        {classes.map(({ id, name, begun, shares }) => {
          const share = shares[questionId]?.meanShare ?? null;
          return (
            <li key={id} className="grid grid-cols-[minmax(0,14rem)_1fr_4rem] items-center gap-3">
              <span className="truncate">{t('stops.ofClass', { name, count: begun })}</span>
              <span aria-hidden className="h-2 rounded-full bg-line">
                <span className="block h-full rounded-full bg-spruce" style={{ width: formatShare(share ?? 0) }} />
              </span>
              <span className={joinClasses('text-right', share === null ? 'text-13 text-quiet' : 'font-mono text-13')}>
                {share === null ? '–' : formatShare(share)}
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
