import { firstTryOf, isWrongPick, picksOf } from '@semita/core/analysis';
import type { QuestionAnswers } from '@semita/core/contract';
import { isOpinion, type Question } from '@semita/core/question';
import { plainWords } from '@semita/core/text';
import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense } from 'react';
import { formatShare } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { AnswerView } from '../marking/answer-view.tsx';
import { answersOptions } from '../marking/queries.ts';
import { RichText } from '../question/rich-text.tsx';
import { wordsOfPick } from '../stops/told.ts';
import type { QuestionSection, Section } from './sections.ts';
import './words.ts';

const CountChart = lazy(() => import('../../ui/charts/count-chart.tsx'));

interface Props {
  readonly assignmentId: string;
  readonly title: string;
  readonly className: string;
  readonly section: Section;
  /** How the class writes numbers. */
  readonly locale: string;
  readonly zoom?: number;
}

/** One page of what is looked at together, in the size of a page; on the wall all of it stands larger. */
export function SectionView({ assignmentId, title, className, section, locale, zoom = 1 }: Props) {
  switch (section.kind) {
    case 'opening':
      return (
        <div className="grid gap-3">
          <h2 className="text-28 [overflow-wrap:anywhere]">{title}</h2>
          <p className="text-18 text-quiet">{className}</p>
          <p className="text-22">{t('lookBack.handedIn', { count: section.handedIn, all: section.all })}</p>
          {section.share !== null && (
            <p className="text-22 font-semibold text-main">
              {t('lookBack.share', { share: formatShare(section.share) })}
            </p>
          )}
        </div>
      );
    case 'question':
      return <QuestionPage {...{ assignmentId, locale, zoom }} section={section} />;
    case 'targets':
      return (
        <div className="grid gap-3">
          <h2 className="text-22">{t('lookBack.targets')}</h2>
          <ul className="grid gap-2 text-18">
            {section.targets.map(({ target, share }) => (
              <li key={target.key}>
                {t('lookBack.target', {
                  target: target.code === '' ? target.words : `${target.code} ${target.words}`,
                  share: formatShare(share),
                })}
              </li>
            ))}
          </ul>
        </div>
      );
    case 'again':
      return (
        <div className="grid gap-3">
          <h2 className="text-22">{t('lookBack.again')}</h2>
          {section.words !== '' && <p className="text-18 whitespace-pre-wrap">{section.words}</p>}
          <ul className="grid gap-1.5 text-16">
            {section.weak.map(({ number, question, figures }) => (
              <li key={question.id}>
                {t('lookBack.weak', {
                  ...{ number, stem: plainWords(question.stem) },
                  share: formatShare(figures.meanShare ?? 0),
                })}
              </li>
            ))}
          </ul>
        </div>
      );
  }
}

function QuestionPage({
  assignmentId,
  section,
  locale,
  zoom,
}: {
  readonly assignmentId: string;
  readonly section: QuestionSection;
  readonly locale: string;
  readonly zoom: number;
}) {
  const { number, question, figures, shown } = section;
  const isMarked = !isOpinion(question);
  // Of opinions there are no figures: what was picked is counted from the answers.
  const { data } = useQuery({ ...answersOptions(assignmentId, question.id), enabled: !isMarked });
  const options = isMarked ? figures.options : countPicks(question, data?.answers ?? []);
  const bars = options.map(({ optionId, count }) => ({
    ...{ id: optionId, words: wordsOfPick(question, optionId), count },
    colour: !isMarked
      ? ('main' as const)
      : isWrongPick(question, optionId, locale)
        ? ('marigold' as const)
        : ('spruce' as const),
  }));
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-3">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h2 className="text-16 text-quiet">{t('lookBack.number', { number })}</h2>
        <p className="text-18 font-semibold text-main">
          {figures.meanShare === null
            ? figures.options.length > 0 && isMarked
              ? t('lookBack.tooFew')
              : t('lookBack.asked', { count: figures.answered })
            : t('lookBack.share', { share: formatShare(figures.meanShare) })}
        </p>
      </div>
      <RichText text={question.stem} className="text-18 font-medium" />
      {bars.length > 0 && (
        <>
          <Suspense fallback={<div style={{ height: bars.length * 34 + 36 }} />}>
            <CountChart
              bars={bars}
              of={figures.answered}
              wordsOf={(count) => t('lookBack.asked', { count })}
              zoom={zoom}
            />
          </Suspense>
          <table className="sr-only">
            <thead>
              <tr>
                <th scope="col">{t('lookBack.answer')}</th>
                <th scope="col">{t('lookBack.count')}</th>
              </tr>
            </thead>
            <tbody>
              {bars.map(({ id, words, count }) => (
                <tr key={id}>
                  <th scope="row">{words}</th>
                  <td>{count}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
      {shown.length > 0 && <ShownAnswers {...{ assignmentId, section }} />}
    </div>
  );
}

function countPicks(question: Question, answers: QuestionAnswers['answers']) {
  const counts = new Map<string, number>();
  for (const { answer } of answers)
    for (const pick of picksOf(question, firstTryOf(answer).response)) counts.set(pick, (counts.get(pick) ?? 0) + 1);
  return [...counts].map(([optionId, count]) => ({ optionId, count })).toSorted((a, b) => b.count - a.count);
}

function ShownAnswers({ assignmentId, section }: { readonly assignmentId: string; readonly section: QuestionSection }) {
  const { question, shown } = section;
  const { data } = useQuery(answersOptions(assignmentId, question.id));
  const given = new Map(data?.answers.map((one) => [one.studentId, one]));
  return (
    <ul className="grid gap-3 sm:grid-cols-2">
      {shown.flatMap(({ studentId, isNamed }) => {
        const one = given.get(studentId);
        if (!one) return [];
        return [
          <li key={studentId} className="grid content-start gap-2 rounded-card border border-line bg-card p-3">
            <AnswerView question={question} answer={{ ...one.answer, earlier: [] }} />
            <p className="text-13 text-quiet">{isNamed ? one.displayName : t('lookBack.somebody')}</p>
          </li>,
        ];
      })}
    </ul>
  );
}
