import type { Material } from '@semita/core/contract';
import { useQueryClient } from '@tanstack/react-query';
import { FileVideo } from 'lucide-react';
import { useEffect } from 'react';
import { Button, buttonStyle } from '../../ui/button.tsx';
import { Notice } from '../../ui/notice.tsx';
import { ProgressBar } from '../../ui/progress-bar.tsx';
import { formatBytes, formatClock } from '../../words/format.ts';
import { findWords, t } from '../../words/words.ts';
import { bringInFilm, cancelUpload, clearUpload, pauseUpload, resumeUpload, useUpload } from './film-upload.ts';
import { materialsOptions } from './queries.ts';

interface Props {
  readonly materials: readonly Material[];
  readonly onMakeLesson: (materialId: string) => void;
}

/** Bringing in a film: choosing it, its progress, and what came of it. */
export function BringInPanel({ materials, onMakeLesson }: Props) {
  const state = useUpload();
  const queryClient = useQueryClient();
  useEffect(() => {
    if (state.phase === 'received') void queryClient.invalidateQueries(materialsOptions());
  }, [state.phase, queryClient]);
  return (
    <section aria-labelledby="bring-in" className="grid gap-3 rounded-card border border-line bg-card p-5">
      <h2 id="bring-in" className="text-18">
        {t('bringIn.title')}
      </h2>
      {state.phase === 'idle' && <FileChoice label={t('bringIn.choose')} />}
      {state.phase === 'refused' && (
        <>
          <Notice tone="danger" role="alert">
            {state.reason === 'empty'
              ? t('bringIn.empty', { name: state.file.name })
              : t('bringIn.tooLarge', { name: state.file.name, size: formatBytes(state.file.size) })}
          </Notice>
          <FileChoice label={t('bringIn.choose')} />
        </>
      )}
      {'sentBytes' in state && (
        <div className="grid gap-2">
          <p>{t('bringIn.sending', { name: state.file.name })}</p>
          <ProgressBar
            share={state.sentBytes / state.file.size}
            label={t('bringIn.sending', { name: state.file.name })}
          />
          <p className="font-mono text-14">
            {t('bringIn.progress', { done: formatBytes(state.sentBytes), all: formatBytes(state.file.size) })}
          </p>
          {state.phase === 'waiting' && <Notice tone="attention">{t('bringIn.waiting')}</Notice>}
          <div className="flex gap-2">
            {state.phase === 'paused' ? (
              <Button look="main" onClick={resumeUpload}>
                {t('bringIn.resume')}
              </Button>
            ) : (
              <Button onClick={() => void pauseUpload()}>{t('bringIn.pause')}</Button>
            )}
            <Button look="danger" onClick={() => void cancelUpload()}>
              {t('bringIn.cancel')}
            </Button>
          </div>
        </div>
      )}
      {state.phase === 'received' && (
        <Received material={materials.find((one) => one.id === state.materialId)} onMakeLesson={onMakeLesson} />
      )}
    </section>
  );
}

function FileChoice({ label }: { readonly label: string }) {
  return (
    <div className="flex flex-wrap items-center gap-4">
      <label
        className={`${buttonStyle({ look: 'plain' })} focus-within:outline-2 focus-within:outline-offset-2 focus-within:outline-main`}
      >
        <FileVideo aria-hidden className="size-4" strokeWidth={1.75} />
        {label}
        <input
          type="file"
          accept="video/mp4,video/webm,.mp4,.webm,.m4v"
          className="sr-only"
          onChange={(event) => {
            const file = event.target.files?.[0];
            event.target.value = '';
            if (file) void bringInFilm(file);
          }}
        />
      </label>
      <p className="max-w-prose text-14 text-quiet">{t('bringIn.help')}</p>
    </div>
  );
}

function Received({
  material,
  onMakeLesson,
}: {
  readonly material: Material | undefined;
  readonly onMakeLesson: Props['onMakeLesson'];
}) {
  if (!material || material.status === 'checking') return <p role="status">{t('bringIn.checking')}</p>;
  if (material.status === 'refused')
    return (
      <>
        <Notice tone="danger" role="alert" title={material.fileName}>
          <p>{findWords(`refusal.${material.refusal}`) ?? t('refusal.notMedia')}</p>
        </Notice>
        <FileChoice label={t('bringIn.choose')} />
      </>
    );
  const { title, lengthMs, width, height } = material;
  return (
    <>
      <p role="status">{t('bringIn.ready', { title, length: formatClock(lengthMs ?? 0), width, height })}</p>
      <div className="flex gap-2">
        <Button look="main" onClick={() => onMakeLesson(material.id)}>
          {t('bringIn.toLesson')}
        </Button>
        <Button onClick={clearUpload}>{t('bringIn.another')}</Button>
      </div>
    </>
  );
}
