import { UserPlus } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { EmptyPlace } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import { AddStudentsDialog } from './add-students/add-students-dialog.tsx';
import { useClass } from './class-frame.tsx';
import { GroupDialog, RandomGroupsDialog } from './group-dialogs.tsx';
import { JoinPanel } from './join-panel.tsx';
import { type ClassStudent, useClassChange } from './queries.ts';
import { type SignInPaper, SignInSheet } from './sign-in-sheet.tsx';
import { ExtraTime, Groups } from './student-fields.tsx';
import { StudentMenu } from './student-menu.tsx';
import { WaitingList } from './waiting-list.tsx';
import './words.ts';

/** Who is in a class, and all that is done with them. */
export function Component() {
  const one = useClass();
  const { id: classId, students, runs } = one;
  const [isAdding, setIsAdding] = useState(false);
  const [paper, setPaper] = useState<SignInPaper | null>(null);
  if (paper) return <SignInSheet paper={paper} className={one.name} onDone={() => setPaper(null)} />;
  const add = (
    <Button look="main" onClick={() => setIsAdding(true)}>
      <UserPlus aria-hidden className="size-4" strokeWidth={1.75} />
      {t('classes.add')}
    </Button>
  );
  return (
    <>
      {isAdding && <AddStudentsDialog of={one} onClose={() => setIsAdding(false)} onPaper={setPaper} />}
      {runs && <WaitingList of={one} />}
      {students.length === 0 ? (
        <EmptyPlace title={t('classes.noStudents')}>
          <p className="max-w-md text-quiet">{t('classes.noStudentsHelp')}</p>
          {runs && add}
        </EmptyPlace>
      ) : (
        <Students classId={classId} students={students} runs={runs} add={add} onPaper={setPaper} />
      )}
      {runs && students.length === 0 && <JoinPanel of={one} />}
    </>
  );
}

interface StudentsProps {
  readonly classId: string;
  readonly students: readonly ClassStudent[];
  readonly runs: boolean;
  readonly add: React.ReactNode;
  readonly onPaper: (paper: SignInPaper) => void;
}

function Students({ classId, students, runs, add, onPaper }: StudentsProps) {
  const [selected, setSelected] = useState<ReadonlySet<string>>(new Set());
  const [opened, setOpened] = useState<'group' | 'random' | null>(null);
  const chosen = students.filter(({ id }) => selected.has(id));
  const some = chosen.length > 0 ? chosen : students;
  const studentIds = chosen.map(({ id }) => id);
  const cards = useClassChange(
    (ids: readonly string[]) => call('makeCards', { params: { classId }, body: { studentIds: [...ids] } }),
    (people) => onPaper({ kind: 'cards', people }),
  );
  const passwords = useClassChange(
    (ids: readonly string[]) => call('givePasswords', { params: { classId }, body: { studentIds: [...ids] } }),
    (people) => onPaper({ kind: 'passwords', people }),
  );
  const toggle = (id: string) => {
    const next = new Set(selected);
    if (!next.delete(id)) next.add(id);
    setSelected(next);
  };
  const isAll = chosen.length === students.length;
  return (
    <section className="grid gap-3">
      {runs && (
        <div className="flex min-h-9 flex-wrap items-center gap-2">
          {chosen.length > 0 ? (
            <>
              <p className="mr-2 text-14 font-medium" role="status">
                {t('classes.selected', { count: chosen.length })}
              </p>
              <Button disabled={cards.isPending} onClick={() => cards.mutate(studentIds)}>
                {t('classes.makeCards')}
              </Button>
              <Button disabled={passwords.isPending} onClick={() => passwords.mutate(studentIds)}>
                {t('classes.makePasswords')}
              </Button>
              <Button onClick={() => setOpened('group')}>{t('classes.intoGroup')}</Button>
            </>
          ) : (
            <>
              {add}
              <Button disabled={cards.isPending} onClick={() => cards.mutate(students.map(({ id }) => id))}>
                {t('classes.makeCards')}
              </Button>
              <Button onClick={() => setOpened('group')}>{t('classes.intoGroup')}</Button>
            </>
          )}
          <Button onClick={() => setOpened('random')}>{t('classes.random')}</Button>
        </div>
      )}
      {opened === 'group' && (
        <GroupDialog classId={classId} students={chosen} all={students} onClose={() => setOpened(null)} />
      )}
      {opened === 'random' && <RandomGroupsDialog classId={classId} students={some} onClose={() => setOpened(null)} />}
      <div className="overflow-x-auto rounded-card border border-line bg-card">
        <table className="w-full text-14">
          <thead className="text-left text-quiet">
            <tr className="border-b border-line">
              {runs && (
                <th className="w-px py-2 pl-5">
                  <input
                    type="checkbox"
                    className="block size-4 accent-main"
                    aria-label={t('classes.selectAll')}
                    checked={isAll}
                    onChange={() => setSelected(isAll ? new Set() : new Set(students.map(({ id }) => id)))}
                  />
                </th>
              )}
              <th className="px-4 py-2 font-medium">{t('classes.name')}</th>
              <th className="px-4 py-2 font-medium">{t('classes.userName')}</th>
              <th className="px-4 py-2 font-medium">{t('classes.card')}</th>
              <th className="px-4 py-2 font-medium">{t('classes.extraTime')}</th>
              <th className="px-4 py-2 font-medium">{t('classes.groups')}</th>
              {runs && <td />}
            </tr>
          </thead>
          <tbody>
            {students.map((student) => (
              <tr key={student.id} className="h-10 border-b border-line last:border-0">
                {runs && (
                  <td className="pl-5">
                    <input
                      type="checkbox"
                      className="block size-4 accent-main"
                      aria-label={t('classes.select', { name: student.displayName })}
                      checked={selected.has(student.id)}
                      onChange={() => toggle(student.id)}
                    />
                  </td>
                )}
                <td className="px-4 font-medium">
                  <Link
                    to={`/classes/${classId}/students/${encodeURIComponent(student.id)}`}
                    className="hover:underline"
                  >
                    {student.displayName}
                  </Link>
                </td>
                <td className="px-4 font-mono">{student.userName}</td>
                <td className="px-4 text-quiet">{student.hasCard && t('classes.hasCard')}</td>
                {runs ? (
                  <>
                    <td className="px-4">
                      <ExtraTime classId={classId} student={student} />
                    </td>
                    <td className="px-4 py-1">
                      <Groups key={student.groups.join()} classId={classId} student={student} />
                    </td>
                    <td className="pr-2">
                      <StudentMenu classId={classId} student={student} onPaper={onPaper} />
                    </td>
                  </>
                ) : (
                  <>
                    <td className="px-4">
                      {student.extraTime === 1
                        ? t('classes.noExtraTime')
                        : t('classes.moreTime', { percent: Math.round((student.extraTime - 1) * 100) })}
                    </td>
                    <td className="px-4">{student.groups.join(', ')}</td>
                  </>
                )}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {runs && <p className="text-14 text-quiet">{t('classes.groupsHelp')}</p>}
      <datalist id="groups-of-class">
        {[...new Set(students.flatMap(({ groups }) => groups))].map((name) => (
          <option key={name} value={name} />
        ))}
      </datalist>
    </section>
  );
}
