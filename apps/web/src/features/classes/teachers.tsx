import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { Select } from '../../ui/field.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { t } from '../../words/words.ts';
import { sessionOptions } from '../session/queries.ts';
import { panelStyle } from './panel-style.ts';
import { type ClassView, colleaguesOptions, useClassChange } from './queries.ts';
import './words.ts';

/** Who runs a class. */
export function Teachers({ of: { id: classId, teachers } }: { readonly of: ClassView }) {
  const navigate = useNavigate();
  const session = useQuery(sessionOptions());
  const me = session.data?.me?.id;
  const colleagues = useQuery(colleaguesOptions());
  const [teacherId, setTeacherId] = useState('');
  const add = useClassChange(
    (id: string) => call('addTeacher', { params: { classId }, body: { teacherId: id } }),
    () => setTeacherId(''),
  );
  const remove = useClassChange(
    (id: string) => call('removeTeacher', { params: { classId, teacherId: id } }),
    (_, id) => id === me && void navigate('/classes'),
  );
  return (
    <section className={panelStyle}>
      <h2 className="text-18">{t('classes.teachersTitle')}</h2>
      <ul className="divide-y divide-line">
        {teachers.map(({ id, displayName: name }) => (
          <li key={id} className="flex min-h-10 items-center gap-3 text-14">
            <span className="grow">{name}</span>
            {teachers.length > 1 && (
              <Button
                size="small"
                look="quiet"
                disabled={remove.isPending}
                aria-label={id === me ? t('classes.leave') : t('classes.removeTeacherOf', { name })}
                onClick={() => remove.mutate(id)}
              >
                {t(id === me ? 'classes.leave' : 'classes.removeTeacher')}
              </Button>
            )}
          </li>
        ))}
      </ul>
      <QueryView query={colleagues}>
        {(all) => {
          const others = all.filter(({ id }) => !teachers.some((one) => one.id === id));
          if (others.length === 0) return <p className="text-14 text-quiet">{t('classes.noColleagues')}</p>;
          return (
            <div className="grid gap-2">
              <p className="text-14 text-quiet">{t('classes.teachersHelp')}</p>
              <div className="flex gap-2">
                <Select
                  aria-label={t('classes.chooseTeacher')}
                  className="min-w-0 grow"
                  value={teacherId}
                  onChange={(event) => setTeacherId(event.target.value)}
                >
                  <option value="">{t('classes.chooseTeacher')}</option>
                  {others.map(({ id, displayName }) => (
                    <option key={id} value={id}>
                      {displayName}
                    </option>
                  ))}
                </Select>
                <Button disabled={teacherId === '' || add.isPending} onClick={() => add.mutate(teacherId)}>
                  {t('classes.addTeacher')}
                </Button>
              </div>
            </div>
          );
        }}
      </QueryView>
    </section>
  );
}
