import type { School } from '@semita/core/contract';
import { useQuery } from '@tanstack/react-query';
import { UserPlus } from 'lucide-react';
import { useState } from 'react';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { ClassMark } from '../../ui/class-mark.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { formatBytes, formatDay } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { InviteDialog } from './invite-dialog.tsx';
import { OneRosterPanel } from './one-roster/one-roster-panel.tsx';
import { schoolOptions } from './queries.ts';
import { SchoolDaysPanel } from './school-days-panel.tsx';
import { SchoolPage } from './school-page.tsx';
import { SchoolSettingsForm } from './school-settings-form.tsx';
import { TeacherCode } from './teacher-code.tsx';
import { useSchoolChange } from './use-school-change.ts';
import './words.ts';

/** A school, for whoever looks after it. */
export function Component() {
  const query = useQuery(schoolOptions());
  const [isInviting, setIsInviting] = useState(false);
  return (
    <QueryView isPage query={query}>
      {(school) => (
        <SchoolPage
          title={school.name}
          actions={
            <Button look="main" onClick={() => setIsInviting(true)}>
              <UserPlus aria-hidden className="size-4" strokeWidth={1.75} />
              {t('school.invite')}
            </Button>
          }
        >
          {isInviting && <InviteDialog onClose={() => setIsInviting(false)} />}
          <Staff school={school} />
          {school.invitations.length > 0 && <Invited school={school} />}
          {school.classes.length > 0 && <Classes school={school} />}
          <div className="grid items-start gap-6 md:grid-cols-2">
            <div className="grid gap-6">
              <TeacherCode code={school.teacherCode} />
              <OneRosterPanel />
              <SchoolDaysPanel />
              <Space space={school.space} />
            </div>
            <SchoolSettingsForm key={school.name + school.timeZone + school.locale} school={school} />
          </div>
        </SchoolPage>
      )}
    </QueryView>
  );
}

function Space({ space: { materials, answers } }: Pick<School, 'space'>) {
  return (
    <section className="grid gap-2 rounded-card border border-line bg-card p-5">
      <h2 className="text-18">{t('school.space')}</h2>
      <p className="text-14">
        {t('school.spaceOf', { materials: formatBytes(materials), answers: formatBytes(answers) })}
      </p>
    </section>
  );
}

function Staff({ school }: { readonly school: School }) {
  const change = useSchoolChange((body: { userId: string; isAdmin: boolean }) => call('changeRoles', { body }));
  return (
    <section className="grid gap-3">
      <div className="flex flex-wrap items-baseline gap-3">
        <h2 className="grow text-18">
          {t('school.people')} ({school.staff.length})
        </h2>
        <p className="text-14 text-quiet">{t('school.students', { count: school.studentCount })}</p>
      </div>
      <div className="overflow-x-auto rounded-card border border-line bg-card">
        <table className="w-full text-14">
          <thead className="text-left text-quiet">
            <tr className="border-b border-line">
              <th className="px-5 py-2 font-medium">{t('school.name')}</th>
              <th className="px-5 py-2 font-medium">{t('school.email')}</th>
              <th className="px-5 py-2 font-medium">{t('school.is')}</th>
              <th className="px-5 py-2 text-right font-medium">{t('school.classes')}</th>
              <td />
            </tr>
          </thead>
          <tbody>
            {school.staff.map(({ id, displayName, email, roles, classCount }) => {
              const isAdmin = roles.includes('admin');
              return (
                <tr key={id} className="h-11 border-b border-line last:border-0">
                  <td className="px-5 font-medium">{displayName}</td>
                  <td className="px-5">{email}</td>
                  <td className="px-5">
                    {roles.map((role) => t(role === 'admin' ? 'school.admin' : 'school.teacher')).join(', ')}
                  </td>
                  <td className="px-5 text-right font-mono">{classCount}</td>
                  <td className="px-3">
                    <Button
                      size="small"
                      look="quiet"
                      disabled={change.isPending}
                      aria-label={t(isAdmin ? 'school.noAdminOf' : 'school.makeAdminOf', { name: displayName })}
                      onClick={() => change.mutate({ userId: id, isAdmin: !isAdmin })}
                    >
                      {t(isAdmin ? 'school.noAdmin' : 'school.makeAdmin')}
                    </Button>
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
    </section>
  );
}

/** Those whose links can still be used. */
function Invited({ school }: { readonly school: School }) {
  const revoke = useSchoolChange(
    ({ id }: School['invitations'][number]) => call('revokeInvitation', { params: { invitationId: id } }),
    ({ displayName }) => toast(t('school.takenBack', { name: displayName })),
  );
  return (
    <section className="grid gap-3">
      <h2 className="text-18">{t('school.invited')}</h2>
      <ul className="divide-y divide-line rounded-card border border-line bg-card">
        {school.invitations.map((one) => (
          <li key={one.id} className="flex flex-wrap items-center gap-x-4 gap-y-1 px-5 py-2 text-14">
            <span className="font-medium">{one.displayName}</span>
            <span>{one.email}</span>
            <span className="grow text-quiet">{t('school.waitsUntil', { day: formatDay(one.expiresAt) })}</span>
            <Button
              size="small"
              look="quiet"
              aria-label={t('school.takeBackOf', { name: one.displayName })}
              onClick={() => revoke.mutate(one)}
            >
              {t('school.takeBack')}
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** A class that its teacher deleted, or that was put away long enough ago. */
function BringBack({ one: { id, name } }: { readonly one: School['classes'][number] }) {
  const bringBack = useSchoolChange(() => call('bringBackClass', { params: { classId: id } }));
  return (
    <Button
      size="small"
      aria-label={t('app.verbOn', { verb: t('school.bringBack'), title: name })}
      onClick={() => bringBack.mutate(undefined)}
    >
      {t('school.bringBack')}
    </Button>
  );
}

/** All classes of the school: who teaches them and how many are in them, and nothing of what children do. */
function Classes({ school }: { readonly school: School }) {
  return (
    <section className="grid gap-3">
      <h2 className="text-18">
        {t('school.classesTitle')} ({school.classes.length})
      </h2>
      <ul className="divide-y divide-line rounded-card border border-line bg-card">
        {school.classes.map((one) => (
          <li key={one.id} className="flex flex-wrap items-center gap-x-4 px-5 py-1.5 text-14">
            <ClassMark {...one} className="size-7" />
            <span className="font-medium">{one.name}</span>
            {one.isArchived && (
              <span className="text-quiet">{t(one.removedAt === null ? 'school.archived' : 'school.removed')}</span>
            )}
            <span className="grow text-quiet">{one.teacherNames.join(', ')}</span>
            <span className="text-quiet">{t('school.classStudents', { count: one.studentCount })}</span>
            {one.removedAt !== null && <BringBack one={one} />}
          </li>
        ))}
      </ul>
    </section>
  );
}
