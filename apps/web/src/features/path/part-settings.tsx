import type { LessonChange, Part } from '@semita/core/lesson';
import { lazy, Suspense } from 'react';
import { CheckInput } from '../../ui/check-input.tsx';
import { t } from '../../words/words.ts';
import { useEditedLesson } from '../question-editor/edited-lesson.ts';
import { RecordingField } from '../voice/recording-field.tsx';
import './words.ts';
import '../voice/words.ts';

const PartWay = lazy(async () => ({ default: (await import('./part-way.tsx')).PartWay }));

interface Props {
  readonly part: Part;
  readonly apply: (change: LessonChange) => boolean;
}

/** What every part can have: directions for those who cannot read yet, and whether it counts. */
export function PartSettings({ part, apply }: Props) {
  const lesson = useEditedLesson();
  return (
    <>
      <RecordingField
        label={t('voice.ofPart')}
        help={t('voice.directionsHelp')}
        title={t('voice.ofPartTitle', { title: part.title })}
        recording={part.directions}
        onChange={(directions) => apply({ type: 'setDirections', partId: part.id, directions })}
      />
      <CheckInput
        checked={part.practice ?? false}
        onChange={(practice) => apply({ type: 'setPractice', partId: part.id, practice })}
      >
        {t('desk.practice')}
      </CheckInput>
      {lesson && lesson.parts.length > 1 && (
        <Suspense>
          <PartWay {...{ part, lesson, apply }} />
        </Suspense>
      )}
    </>
  );
}
