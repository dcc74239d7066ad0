import { questionsOf } from '@semita/core/analysis';
import type { StopFigures } from '@semita/core/contract';
import { useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { EmptyPlace } from '../../ui/notice.tsx';
import { formatHundredths } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { PickedStudents } from '../picked/picked-students.tsx';
import { QuestionDrawer } from './question-drawer.tsx';
import { QuestionTable } from './question-table.tsx';
import { type Numbered, proposalWords } from './told.ts';
import './words.ts';

interface Props {
  readonly assignmentId: string;
  readonly told: StopFigures;
  /** Whether the teacher runs the class, and does not only stand in. */
  readonly runs: boolean;
  /** How the class writes numbers. */
  readonly locale: string;
}

/** What the answers say: who may need the same next, and question by question how it went. */
export function StopsView({ assignmentId, told, runs, locale }: Props) {
  const { lesson, names, figures, classes } = told;
  const [search, setSearch] = useSearchParams();
  const numbered: Numbered = useMemo(
    () => new Map(questionsOf(lesson).map(({ question }, index) => [question.id, { number: index + 1, question }])),
    [lesson],
  );
  const open = (questionId: string | null) =>
    setSearch(questionId === null ? {} : { question: questionId }, { replace: true });
  const opened = figures.questions.find(({ questionId }) => questionId === search.get('question'));
  const question = opened && numbered.get(opened.questionId);
  if (figures.questions.every(({ answered }) => answered === 0))
    return (
      <div className="p-8">
        <EmptyPlace title={t('stops.nothing')}>
          <p>{t('stops.nothingHelp')}</p>
        </EmptyPlace>
      </div>
    );
  const proposals = figures.proposals.flatMap((proposal) => {
    const words = proposalWords(proposal, numbered);
    return words ? [{ ...words, studentIds: proposal.studentIds }] : [];
  });
  const { alpha, students, questions } = figures.reliability;
  return (
    <div className="grid min-h-0 grow content-start gap-6 p-5">
      <section aria-labelledby="stands-out" className="grid gap-3">
        <h2 id="stands-out" className="text-18">
          {t('stops.standsOut')}
        </h2>
        {proposals.length === 0 && <p className="text-quiet">{t('stops.nothingStandsOut')}</p>}
        <ul className="grid gap-3 md:grid-cols-2">
          {proposals.map(({ reason, groupName, studentIds }) => (
            <li
              key={reason}
              className="grid break-inside-avoid content-between gap-3 rounded-card border border-line bg-card p-4"
            >
              <p className="font-medium">{reason}</p>
              <PickedStudents
                students={studentIds.map((id) => ({ id, displayName: names[id] ?? '' }))}
                {...{ reason, groupName, runs }}
              />
            </li>
          ))}
        </ul>
      </section>
      <section aria-labelledby="questions" className="grid gap-3">
        <h2 id="questions" className="text-18">
          {t('stops.questions')}
        </h2>
        <QuestionTable figures={figures.questions} numbered={numbered} onOpen={open} />
        <p className="text-14 text-quiet">
          {t('stops.first')}{' '}
          {alpha !== null &&
            (alpha < 0
              ? t('stops.unreliable')
              : t('stops.reliability', { alpha: formatHundredths(alpha), students, questions }))}
        </p>
      </section>
      {opened && question && (
        <QuestionDrawer
          {...{ assignmentId, classes, runs, locale }}
          figures={opened}
          {...question}
          onClose={() => open(null)}
        />
      )}
    </div>
  );
}
