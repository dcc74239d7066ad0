import { classLocales } from '@semita/core/contract';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { inputStyle, Select } from '../../ui/field.tsx';
import { joinClasses } from '../../ui/join-classes.ts';
import { errorWords } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import { classOptions } from './queries.ts';
import './words.ts';

function useClassChange<Input>(classId: string, change: (input: Input) => Promise<unknown>) {
  const queryClient = useQueryClient();
  return useMutation({
    mutationFn: change,
    onSuccess: () => queryClient.invalidateQueries(classOptions(classId)),
    onError: (error) => toast.error(errorWords(error)),
  });
}

type Locale = (typeof classLocales)[number];

/** In which language a class writes numbers: 3.2 or 3,2. Counts for what is assigned from now on. */
export function NumberLanguage({ classId, locale }: { readonly classId: string; readonly locale: string }) {
  const change = useClassChange(classId, (next: Locale) =>
    call('changeClass', { params: { classId }, body: { locale: next } }),
  );
  const names = new Intl.DisplayNames(['en'], { type: 'language' });
  return (
    <label className="flex items-center gap-2 text-14">
      <span className="text-quiet">{t('classes.numbers')}</span>
      <Select
        className="h-8"
        value={locale}
        disabled={change.isPending}
        onChange={(event) => change.mutate(event.target.value as Locale)}
      >
        {classLocales.map((one) => (
          <option key={one} value={one}>
            {names.of(one)} ({new Intl.NumberFormat(one).format(1234.5)})
          </option>
        ))}
      </Select>
    </label>
  );
}

interface GroupsProps {
  readonly classId: string;
  readonly student: { readonly id: string; readonly displayName: string; readonly groups: readonly string[] };
}

/** The groups a student is in, by name; a group is there as soon as somebody is in it. */
export function Groups({ classId, student }: GroupsProps) {
  const [text, setText] = useState(student.groups.join(', '));
  const change = useClassChange(classId, (groups: string[]) =>
    call('changeStudent', { params: { classId, studentId: student.id }, body: { groups } }),
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
  readonly student: { readonly id: string; readonly displayName: string; readonly extraTime: number };
}

/** How much longer a student has for what is timed. */
export function ExtraTime({ classId, student }: ExtraTimeProps) {
  const change = useClassChange(classId, (extraTime: number) =>
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
