import type { MarkingQuestion, Sheet } from '@semita/core/contract';
import { plainWords } from '@semita/core/text';
import { useQuery } from '@tanstack/react-query';
import { useSearchParams } from 'react-router';
import { joinClasses } from '../../ui/join-classes.ts';
import { EmptyPlace } from '../../ui/notice.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { t } from '../../words/words.ts';
import { AssignmentFrame } from '../assignment/assignment-frame.tsx';
import { onlyClassOf } from '../assignment/only-class-of.ts';
import { useLiveSheet } from '../assignment/use-live-sheet.ts';
import { markingOptions } from './queries.ts';
import { QuestionAnswersView } from './question-answers.tsx';
import { StudentDrawer } from './student-drawer.tsx';
import '../assignment/words.ts';
import './words.ts';

export function Component() {
  return <AssignmentFrame>{(sheet) => <MarkingDesk sheet={sheet} />}</AssignmentFrame>;
}

/** All answers of an assignment to be marked, question by question or student by student. */
function MarkingDesk({ sheet }: { readonly sheet: Sheet }) {
  const assignmentId = sheet.assignment.id;
  useLiveSheet(assignmentId);
  const [search, setSearch] = useSearchParams();
  const query = useQuery(markingOptions(assignmentId));
  const isByStudent = search.get('by') === 'student';
  const set = (key: string, value: string | null) =>
    setSearch(
      (before) => {
        const next = new URLSearchParams(before);
        if (value === null) next.delete(key);
        else next.set(key, value);
        return next;
      },
      { replace: true },
    );
  return (
    <QueryView query={query}>
      {(questions) => {
        const answered = questions.filter((question) => question.answered > 0);
        if (answered.length === 0)
          return (
            <div className="p-8">
              <EmptyPlace title={t('marking.nothing')}>
                <p>{t('marking.nothingHelp')}</p>
              </EmptyPlace>
            </div>
          );
        const chosen =
          answered.find(({ questionId }) => questionId === search.get('question')) ??
          answered.find(({ waiting }) => waiting > 0) ??
          answered[0];
        return (
          <div className="grid min-h-0 grow grid-cols-[minmax(0,1fr)] lg:grid-cols-[19rem_minmax(0,1fr)]">
            <nav
              aria-label={t('marking.title')}
              className="grid content-start gap-3 border-r border-line p-4 lg:overflow-y-auto"
            >
              <div className="grid grid-cols-2 gap-1 rounded-control border border-line bg-card p-1">
                {([null, 'student'] as const).map((by) => (
                  <button
                    key={by ?? 'question'}
                    type="button"
                    aria-pressed={isByStudent === (by === 'student')}
                    onClick={() => set('by', by)}
                    className="min-h-8 rounded-control px-2 text-14 font-medium aria-pressed:bg-main-tint aria-pressed:text-main"
                  >
                    {t(by === 'student' ? 'marking.byStudent' : 'marking.byQuestion')}
                  </button>
                ))}
              </div>
              {isByStudent ? (
                <StudentList sheet={sheet} onChoose={(studentId) => set('student', studentId)} />
              ) : (
                <QuestionList
                  questions={answered}
                  chosenId={chosen?.questionId}
                  onChoose={(questionId) => set('question', questionId)}
                />
              )}
            </nav>
            <div className="min-w-0 p-5 lg:overflow-y-auto">
              {!isByStudent && chosen && (
                <QuestionAnswersView
                  key={chosen.questionId}
                  assignmentId={assignmentId}
                  questionId={chosen.questionId}
                />
              )}
              {isByStudent && <p className="text-quiet">{t('marking.chooseStudent')}</p>}
            </div>
            {search.get('student') && (
              <StudentDrawer
                key={search.get('student')}
                assignmentId={assignmentId}
                studentId={search.get('student') as string}
                timeZone={sheet.assignment.timeZone}
                locale={sheet.terms.locale ?? 'en'}
                classId={onlyClassOf(sheet.assignment)}
                stopId={null}
                onClose={() => set('student', null)}
                onNext={nextOf(sheet, search.get('student'), (id) => set('student', id))}
              />
            )}
          </div>
        );
      }}
    </QueryView>
  );
}

const isWaiting = ({ row }: Sheet['students'][number]) => row?.marks.some(({ state }) => state === 'waiting') ?? false;

function nextOf(sheet: Sheet, studentId: string | null, open: (id: string) => void): (() => void) | null {
  const next = sheet.students.find((student) => isWaiting(student) && student.studentId !== studentId);
  return next ? () => open(next.studentId) : null;
}

interface QuestionListProps {
  readonly questions: readonly MarkingQuestion[];
  readonly chosenId: string | undefined;
  readonly onChoose: (questionId: string) => void;
}

function QuestionList({ questions, chosenId, onChoose }: QuestionListProps) {
  const waitingFirst = questions.toSorted((a, b) => Number(b.waiting > 0) - Number(a.waiting > 0));
  return (
    <ul className="grid gap-1">
      {waitingFirst.map(({ questionId, stem, answered, waiting }) => (
        <li key={questionId}>
          <button
            type="button"
            aria-current={questionId === chosenId}
            onClick={() => onChoose(questionId)}
            className={joinClasses(
              'grid w-full gap-0.5 rounded-control border px-3 py-2 text-left text-14',
              questionId === chosenId ? 'border-main bg-main-tint' : 'border-transparent hover:bg-main-tint',
            )}
          >
            <span className="line-clamp-2">{plainWords(stem)}</span>
            <span className={waiting > 0 ? 'text-13 text-marigold-ink' : 'text-13 text-quiet'}>
              {waiting > 0 ? t('marking.waits', { count: waiting }) : t('marking.allMarked')}
              {`, ${t('marking.answered', { count: answered })}`}
            </span>
          </button>
        </li>
      ))}
    </ul>
  );
}

function StudentList({ sheet, onChoose }: { readonly sheet: Sheet; readonly onChoose: (studentId: string) => void }) {
  const students = sheet.students.toSorted((a, b) => Number(isWaiting(b)) - Number(isWaiting(a)));
  return (
    <ul className="grid gap-0.5">
      {students.map((student) => {
        const count = student.row?.marks.filter(({ state }) => state === 'waiting').length ?? 0;
        return (
          <li key={student.studentId}>
            <button
              type="button"
              onClick={() => onChoose(student.studentId)}
              className="flex min-h-9 w-full items-center justify-between gap-2 rounded-control px-3 text-left text-14 hover:bg-main-tint"
            >
              <span className="truncate">{student.displayName}</span>
              {count > 0 && <span className="shrink-0 text-13 text-marigold-ink">{t('marking.waits', { count })}</span>}
            </button>
          </li>
        );
      })}
    </ul>
  );
}
