import { useQuery } from '@tanstack/react-query';
import { useParams } from 'react-router';
import { Page } from '../../ui/page.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { t } from '../../words/words.ts';
import { AssignmentList } from '../assignment/assignment-list.tsx';
import { ExtraTime, Groups, NumberLanguage } from './class-settings.tsx';
import { classOptions } from './queries.ts';
import './words.ts';

export function Component() {
  const { classId = '' } = useParams();
  const query = useQuery(classOptions(classId));
  return (
    <QueryView isPage query={query}>
      {({ name, assignments, students, locale }) => (
        <Page title={name} actions={<NumberLanguage classId={classId} locale={locale} />}>
          <section className="grid gap-3">
            <h2 className="text-18">{t('classes.assignmentsTitle')}</h2>
            {assignments.length > 0 ? (
              <AssignmentList assignments={assignments} isOfOneClass />
            ) : (
              <p className="text-quiet">{t('classes.noAssignments')}</p>
            )}
          </section>
          <section className="grid gap-3">
            <h2 className="text-18">
              {t('classes.studentsTitle')} ({students.length})
            </h2>
            <div className="overflow-hidden rounded-card border border-line bg-card">
              <table className="w-full text-14">
                <thead className="text-left text-quiet">
                  <tr className="border-b border-line">
                    <th className="px-5 py-2 font-medium">{t('classes.name')}</th>
                    <th className="px-5 py-2 font-medium">{t('classes.userName')}</th>
                    <th className="px-5 py-2 font-medium">{t('classes.extraTime')}</th>
                    <th className="px-5 py-2 font-medium">{t('classes.groups')}</th>
                  </tr>
                </thead>
                <tbody>
                  {students.map((student) => (
                    <tr key={student.id} className="h-9 border-b border-line last:border-0">
                      <td className="px-5">{student.displayName}</td>
                      <td className="px-5 font-mono">{student.userName}</td>
                      <td className="px-5">
                        <ExtraTime classId={classId} student={student} />
                      </td>
                      <td className="px-5 py-1">
                        <Groups key={student.groups.join()} classId={classId} student={student} />
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </div>
            <p className="text-14 text-quiet">{t('classes.groupsHelp')}</p>
            <datalist id="groups-of-class">
              {[...new Set(students.flatMap(({ groups }) => groups))].map((name) => (
                <option key={name} value={name} />
              ))}
            </datalist>
          </section>
        </Page>
      )}
    </QueryView>
  );
}
