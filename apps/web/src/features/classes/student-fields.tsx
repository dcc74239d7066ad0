import { useState } from 'react';
import { call } from '../../api/client.ts';
import { inputStyle, Select } from '../../ui/field.tsx';
import { joinClasses } from '../../ui/join-classes.ts';
import { t } from '../../words/words.ts';
import { type ClassStudent, useClassChange } from './queries.ts';
import './words.ts';

interface GroupsProps {
  readonly classId: string;
  readonly student: ClassStudent;
}

/** The groups a student is in, by name; a group is there as soon as somebody is in it. */
export function Groups({ classId, student }: GroupsProps) {
  const [text, setText] = useState(student.groups.join(', '));
  const change = useClassChange((groups: string[]) =>
    call('changeStudent', {
      params: { classId, studentId: student.id },
      body: { groups, groupsBefore: [...student.groups] },
    }),
  );
  const save = () => {
    const groups = text
      .split(',')
      .map((name) => name.trim())
      .filter((name) => name !== '');
    if (groups.join() !== student.groups.join()) change.mutate(groups);
  };
  return (
    <input
      aria-label={t('classes.groupsOf', { name: student.displayName })}
      list="groups-of-class"
      className={joinClasses(inputStyle, 'h-8 min-w-40 py-0 text-14')}
      maxLength={400}
      value={text}
      onChange={(event) => setText(event.target.value)}
      onBlur={save}
      onKeyDown={(event) => event.key === 'Enter' && save()}
    />
  );
}

const factors = [1, 1.1, 1.25, 1.5, 1.75, 2, 3];

interface ExtraTimeProps {
  readonly classId: string;
  readonly student: ClassStudent;
}

/** How much longer a student has for what is timed. */
export function ExtraTime({ classId, student }: ExtraTimeProps) {
  const change = useClassChange((extraTime: number) =>
    call('changeStudent', { params: { classId, studentId: student.id }, body: { extraTime } }),
  );
  return (
    <Select
      className="h-8"
      aria-label={t('classes.extraTimeOf', { name: student.displayName })}
      value={student.extraTime}
      disabled={change.isPending}
      onChange={(event) => change.mutate(Number(event.target.value))}
    >
      {factors.map((factor) => (
        <option key={factor} value={factor}>
          {factor === 1 ? t('classes.noExtraTime') : t('classes.moreTime', { percent: Math.round((factor - 1) * 100) })}
        </option>
      ))}
    </Select>
  );
}
