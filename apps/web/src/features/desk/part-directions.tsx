import type { LessonChange, Part } from '@semita/core';
import { t } from '../../words/words.ts';
import { RecordingField } from '../voice/recording-field.tsx';

interface Props {
  readonly part: Part;
  readonly apply: (change: LessonChange) => boolean;
}

/** Spoken or filmed directions for a part, for those who cannot read yet. */
export function PartDirections({ part, apply }: Props) {
  return (
    <RecordingField
      label={t('voice.ofPart')}
      help={t('voice.directionsHelp')}
      title={t('voice.ofPartTitle', { title: part.title })}
      recording={part.directions}
      onChange={(directions) => apply({ type: 'setDirections', partId: part.id, directions })}
    />
  );
}
