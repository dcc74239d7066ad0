import type { Sheet } from '@semita/core/contract';
import type { SheetStudent } from '@semita/core/sheet';
import { RotateCcw, UserMinus, X } from 'lucide-react';
import { toast } from 'sonner';
import { Button } from '../../ui/button.tsx';
import { t } from '../../words/words.ts';
import { MoreTime } from '../adjusting/more-time.tsx';
import { useAdjust } from '../adjusting/use-adjust.ts';
import { PickedStudents } from '../picked/picked-students.tsx';
import '../adjusting/words.ts';
import '../picked/words.ts';
import './words.ts';

interface Props {
  readonly sheet: Sheet;
  readonly students: readonly SheetStudent[];
  readonly nameOf: (student: SheetStudent) => string;
  readonly onClear: () => void;
}

/** What can be done with the students that were chosen on the sheet. */
export function ChosenStudents({ sheet, students, nameOf, onClear }: Props) {
  const { id: assignmentId, timeZone, to, title } = sheet.assignment;
  const studentIds = students.map(({ studentId }) => studentId);
  const back = useAdjust(assignmentId);
  const excuse = useAdjust(assignmentId, (input) =>
    toast(t('sheet.excused', { count: input.studentIds.length }), {
      action: {
        label: t('app.undo'),
        onClick: () => back.mutate({ studentIds: input.studentIds, change: { kind: 'excusalEnded' } }),
      },
    }),
  );
  const another = useAdjust(assignmentId, (input) =>
    toast(t('sheet.attemptsGiven', { count: input.studentIds.length })),
  );
  const handedIn = students.filter(({ row, leftAt }) => row?.handedInAt != null && leftAt === undefined);
  const excusable = students.filter(({ excused, leftAt }) => !excused && leftAt === undefined);
  return (
    <section aria-label={t('sheet.chosen')} className="grid gap-2 rounded-card border border-main bg-card p-4">
      <div className="flex flex-wrap items-center gap-2">
        <p className="grow font-medium">{t('picked.students', { count: students.length })}</p>
        <MoreTime
          {...{ assignmentId, timeZone }}
          locale={sheet.terms.locale ?? 'en'}
          hasEnd={to.some(({ dueAt, closesAt }) => dueAt !== null || closesAt !== null)}
          offers={[{ kind: 'chosen', studentIds }]}
        />
        {excusable.length > 0 && (
          <Button
            size="small"
            disabled={excuse.isPending}
            onClick={() =>
              excuse.mutate({ studentIds: excusable.map((one) => one.studentId), change: { kind: 'excused' } })
            }
          >
            <UserMinus aria-hidden className="size-4" strokeWidth={1.75} />
            {t('sheet.excuse')}
          </Button>
        )}
        {handedIn.length > 0 && (
          <Button
            size="small"
            disabled={another.isPending}
            onClick={() =>
              another.mutate({ studentIds: handedIn.map((one) => one.studentId), change: { kind: 'anotherAttempt' } })
            }
          >
            <RotateCcw aria-hidden className="size-4" strokeWidth={1.75} />
            {t('adjusting.anotherAttempt')}
          </Button>
        )}
        <Button size="small" look="quiet" onClick={onClear}>
          <X aria-hidden className="size-4" strokeWidth={1.75} />
          {t('sheet.chooseNone')}
        </Button>
      </div>
      <PickedStudents
        students={students.map((student) => ({ id: student.studentId, displayName: nameOf(student) }))}
        reason={t('sheet.chosenReason', { title })}
        groupName=""
        assignmentId={assignmentId}
        runs={sheet.runs}
      />
    </section>
  );
}
