import type { Recording } from '@semita/core/elements';
import { Mic, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { Field, TextArea } from '../../ui/field.tsx';
import { t } from '../../words/words.ts';
import type { RecordingSource } from './open-source.ts';
import { RecorderBox } from './recorder-box.tsx';
import { RecordingPlayer } from './recording-player.tsx';
import './words.ts';

interface Props {
  readonly label: string;
  readonly help?: string;
  /** What the file is called on the shelf. */
  readonly title: string;
  readonly sources?: readonly RecordingSource[];
  readonly recording: Recording | undefined;
  readonly onChange: (recording: Recording | null) => void;
}

/** A recording that belongs to something: recorded here, heard here, with its words. */
export function RecordingField({ label, help, title, sources = ['voice', 'camera'], recording, onChange }: Props) {
  const [isOpen, setIsOpen] = useState(false);
  if (recording)
    return (
      <section aria-label={label} className="grid gap-2">
        <p className="text-14 font-medium">{label}</p>
        <RecordingPlayer key={recording.materialId} recording={recording} label={label} />
        <Field label={t('voice.words')} help={t('voice.wordsHelp')}>
          {(ids) => (
            <TextArea
              {...ids}
              className="text-14"
              value={recording.words}
              onChange={(event) => onChange({ ...recording, words: event.target.value })}
            />
          )}
        </Field>
        <div>
          <Button size="small" look="danger" onClick={() => onChange(null)}>
            <Trash2 aria-hidden className="size-4" strokeWidth={1.75} />
            {t('voice.remove')}
          </Button>
        </div>
      </section>
    );
  if (!isOpen)
    return (
      <div>
        <Button size="small" look="quiet" onClick={() => setIsOpen(true)}>
          <Mic aria-hidden className="size-4" strokeWidth={1.75} />
          {label}
        </Button>
      </div>
    );
  return (
    <RecorderBox
      sources={sources}
      title={title}
      onClose={() => setIsOpen(false)}
      onKept={({ materialId, words }) => {
        setIsOpen(false);
        onChange({ materialId, words });
      }}
    >
      <p className="text-14 font-medium">{label}</p>
      {help && <p className="text-13 text-quiet">{help}</p>}
    </RecorderBox>
  );
}
