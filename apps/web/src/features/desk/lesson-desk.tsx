import type { Lesson, LessonChange, LessonPart } from '@semita/core/lesson';
import { useQuery } from '@tanstack/react-query';
import { ArrowRight } from 'lucide-react';
import { Link } from 'react-router';
import { Button } from '../../ui/button.tsx';
import { Field, Select } from '../../ui/field.tsx';
import { Notice } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import { editionOptions } from '../draft/queries.ts';
import { partFigures } from '../lesson-parts/part-figures.ts';
import { PartIcon } from '../lesson-parts/part-icon.tsx';
import { PartTitleField } from '../lesson-parts/part-title-field.tsx';
import { lessonsOptions } from '../materials/queries.ts';
import { PartSettings } from '../path/part-settings.tsx';
import '../board/words.ts';
import '../lesson-parts/words.ts';
import './words.ts';

interface Props {
  readonly part: LessonPart;
  readonly apply: (change: LessonChange) => boolean;
}

/** Another lesson inside this one: what it holds, and whether it follows what becomes of that lesson. */
export function LessonDesk({ part, apply }: Props) {
  const edition = useQuery(editionOptions(part.lessonId, part.editionNumber));
  return (
    <>
      <section aria-label={t('desk.script')} className="grid min-h-0 content-start gap-4 overflow-y-auto bg-card p-4">
        <div className="flex flex-wrap items-center gap-3">
          <p className="grow text-14 text-quiet">{t('innerLesson.help')}</p>
          <Link to={`/lessons/${part.lessonId}`} className="flex items-center gap-1.5 text-14 text-main underline">
            {t('innerLesson.open')}
            <ArrowRight aria-hidden className="size-4" strokeWidth={1.75} />
          </Link>
        </div>
        {edition.isError && <Notice tone="attention">{t('fault.lessonMissing')}</Notice>}
        {edition.data && <Contents lesson={edition.data.lesson} />}
      </section>
      <section
        aria-label={t('desk.details')}
        className="grid min-h-0 grid-cols-[minmax(0,1fr)] content-start gap-5 overflow-y-auto p-4"
      >
        <PartTitleField label={t('innerLesson.name')} part={part} apply={apply} />
        <EditionField part={part} apply={apply} />
        <PartSettings part={part} apply={apply} />
        <div>
          <Button size="small" look="danger" onClick={() => apply({ type: 'removePart', partId: part.id })}>
            {t('innerLesson.remove')}
          </Button>
        </div>
      </section>
    </>
  );
}

/** What students will meet of it, part by part. */
function Contents({ lesson }: { readonly lesson: Lesson }) {
  return (
    <ol className="grid gap-2">
      {lesson.parts.map((part) => (
        <li key={part.id} className="flex items-start gap-2 rounded-control border border-line p-2">
          <PartIcon kind={part.kind} className="mt-1" />
          <span className="grid">
            <span className="text-14 font-medium">{part.title}</span>
            <span className="text-13 text-quiet">{partFigures(part)}</span>
          </span>
        </li>
      ))}
    </ol>
  );
}

/** The newest edition, whichever that is, or one that stays. */
function EditionField({ part, apply }: Props) {
  const lessons = useQuery(lessonsOptions());
  const newest = lessons.data?.find(({ id }) => id === part.lessonId)?.editionNumber ?? part.editionNumber ?? 0;
  const numbers = Array.from({ length: newest }, (_, index) => newest - index);
  return (
    <Field
      label={t('innerLesson.edition')}
      help={t(part.editionNumber === null ? 'innerLesson.followsHelp' : 'innerLesson.pinnedHelp')}
    >
      {(ids) => (
        <Select
          {...ids}
          value={part.editionNumber ?? ''}
          onChange={(event) => {
            const editionNumber = event.target.value === '' ? null : Number(event.target.value);
            apply({ type: 'setEdition', partId: part.id, editionNumber });
          }}
        >
          <option value="">{t('innerLesson.follows', { number: newest })}</option>
          {numbers.map((number) => (
            <option key={number} value={number}>
              {t('innerLesson.pinned', { number })}
            </option>
          ))}
        </Select>
      )}
    </Field>
  );
}
