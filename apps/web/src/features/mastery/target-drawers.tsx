import type { ClassMastery, StudentMastery } from '@semita/core/contract';
import { plainWords } from '@semita/core/text';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { Dialog } from '../../ui/dialog.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { formatInstant, formatPoints } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { PickedStudents } from '../picked/picked-students.tsx';
import { studentMasteryOptions } from '../targets/queries.ts';
import { LevelMark, levelOf, masteryWords, type ShownTarget, shownLevels, targetName } from './level-mark.tsx';
import './words.ts';

interface Props {
  readonly mastery: ClassMastery;
  readonly target: ShownTarget;
  /** Of the target, among all. */
  readonly place: number;
  readonly onClose: () => void;
}

/** One target: who has met it, who has not, and what can be done with them next. */
export function TargetDrawer({ mastery, target, place, onClose }: Props) {
  const name = targetName(target);
  return (
    <Dialog
      open
      onOpenChange={(isOpen) => !isOpen && onClose()}
      place="side"
      title={name}
      description={t('mastery.questions', { count: target.questionCount })}
    >
      <div className="grid gap-6">
        {shownLevels.map((level) => {
          const students = mastery.students.filter((student) => levelOf(student.mastery[place]) === level);
          if (students.length === 0) return null;
          const title = t(`mastery.levelTitle.${level}`);
          return (
            <section key={level} className="grid gap-2">
              <h3 className="flex items-center gap-2 text-16">
                <LevelMark level={level} />
                {title} ({students.length})
              </h3>
              <PickedStudents
                students={students}
                reason={t('mastery.reason', { level: title, target: name })}
                groupName={t('mastery.group', { target: target.code || target.words.slice(0, 40) })}
                runs={mastery.runs}
              />
            </section>
          );
        })}
      </div>
    </Dialog>
  );
}

interface EvidenceProps {
  readonly classId: string;
  readonly target: ShownTarget;
  readonly student: ClassMastery['students'][number];
  readonly onClose: () => void;
}

const head = 'border-b border-line py-1.5 pr-3 text-left text-13 font-medium text-quiet';

/** The answers from which one student's target is told. */
export function EvidenceDrawer({ classId, target, student, onClose }: EvidenceProps) {
  const query = useQuery(studentMasteryOptions(classId, student.id));
  const placeIn = (one: Pick<StudentMastery, 'targets'>) => one.targets.findIndex(({ key }) => key === target.key);
  return (
    <Dialog
      open
      onOpenChange={(isOpen) => !isOpen && onClose()}
      place="side"
      title={t('mastery.of', { name: student.displayName, target: targetName(target) })}
      description={query.data && masteryWords(query.data.mastery[placeIn(query.data)])}
    >
      <QueryView query={query}>{(own) => <Evidence own={own} place={placeIn(own)} studentId={student.id} />}</QueryView>
    </Dialog>
  );
}

interface ToldProps {
  readonly own: StudentMastery;
  readonly place: number;
  readonly studentId: string;
}

function Evidence({ own: { mastery, titles, stems, timeZone }, place, studentId }: ToldProps) {
  const evidence = mastery[place]?.evidence ?? [];
  if (evidence.length === 0) return <p>{t('mastery.noEvidence')}</p>;
  return (
    <table className="w-full text-14">
      <caption className="pb-2 text-left text-quiet">{t('mastery.evidence')}</caption>
      <thead>
        <tr>
          {(['stem', 'points', 'when'] as const).map((column) => (
            <th key={column} scope="col" className={head}>
              {t(`mastery.${column}`)}
            </th>
          ))}
        </tr>
      </thead>
      <tbody className="divide-y divide-line">
        {evidence.map(({ assignmentId, questionId, earned, possible, at }) => (
          <tr key={`${assignmentId} ${questionId}`}>
            <th scope="row" className="py-2 pr-3 text-left font-normal">
              {assignmentId === null ? (
                <span className="font-medium">{plainWords(stems[questionId] ?? '')}</span>
              ) : (
                <Link
                  to={`/assignments/${assignmentId}?student=${encodeURIComponent(studentId)}`}
                  className="font-medium hover:underline"
                >
                  {plainWords(stems[questionId] ?? '')}
                </Link>
              )}
              <span className="block text-13 text-quiet">
                {assignmentId === null ? t('mastery.cameBack') : titles[assignmentId]}
              </span>
            </th>
            <td className="py-2 pr-3 align-top font-mono text-13 whitespace-nowrap">
              {t('stop.points', { earned: formatPoints(earned), possible: formatPoints(possible) })}
            </td>
            <td className="py-2 align-top whitespace-nowrap">{formatInstant(at, timeZone)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
