import type { HandedFile } from '@semita/core/question';
import { Mic } from 'lucide-react';
import { lazy, Suspense, useState } from 'react';
import { callWithFile } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { t } from '../../words/words.ts';
import { HandedFileList } from '../question/handed-file.tsx';
import type { MarkTarget } from './mark-target.ts';
import './words.ts';

/** Loaded when a teacher speaks, which is seldom. */
const Recorder = lazy(async () => ({ default: (await import('../voice/recorder.tsx')).Recorder }));

/** Longer than anybody wants to listen. */
const longestMs = 180_000;

interface Props {
  readonly target: MarkTarget;
  readonly voice: HandedFile | null;
  readonly onChange: (voice: HandedFile | null) => void;
}

/** A comment that is spoken. */
export function VoiceComment({ target: { assignmentId, studentId }, voice, onChange }: Props) {
  const [isOpen, setIsOpen] = useState(false);
  if (voice) return <HandedFileList files={[voice]} onRemove={() => onChange(null)} />;
  if (!isOpen)
    return (
      <Button look="quiet" size="small" onClick={() => setIsOpen(true)}>
        <Mic aria-hidden className="size-4" strokeWidth={1.75} />
        {t('marking.speak')}
      </Button>
    );
  return (
    <Suspense fallback={<p className="text-quiet">{t('app.loading')}</p>}>
      <Recorder
        sources={['voice']}
        title={t('marking.voiceName')}
        asksWords={false}
        longestMs={longestMs}
        keep={async (file) => {
          onChange(await callWithFile('sendMarkVoice', { assignmentId, studentId, fileName: file.name }, file));
          setIsOpen(false);
        }}
      />
    </Suspense>
  );
}
