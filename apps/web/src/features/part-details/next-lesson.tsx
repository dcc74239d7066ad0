import type { LessonChange, MaterialPart } from '@semita/core/lesson';
import { useQuery } from '@tanstack/react-query';
import { Field, Select } from '../../ui/field.tsx';
import { t } from '../../words/words.ts';
import { lessonsOptions } from '../materials/queries.ts';
import '../materials/words.ts';
import './words.ts';

interface Props {
  readonly part: MaterialPart;
  readonly lessonId: string;
  readonly apply: (change: LessonChange) => boolean;
}

/** A reading can end with a link to the lesson that comes next. */
export function NextLesson({ part, lessonId, apply }: Props) {
  const lessons = useQuery(lessonsOptions());
  const others = (lessons.data ?? []).filter((one) => one.id !== lessonId);
  if (others.length === 0) return null;
  return (
    <Field label={t('inset.next')} help={t('inset.nextHelp')}>
      {(ids) => (
        <Select
          {...ids}
          className="w-full"
          value={part.nextLessonId ?? ''}
          onChange={(event) => apply({ type: 'setNextLesson', partId: part.id, lessonId: event.target.value || null })}
        >
          <option value="">{t('inset.nextNone')}</option>
          {others.map(({ id, title }) => (
            <option key={id} value={id}>
              {title || t('shelf.untitled')}
            </option>
          ))}
        </Select>
      )}
    </Field>
  );
}
