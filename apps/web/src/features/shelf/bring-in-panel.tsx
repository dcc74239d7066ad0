import type { Material } from '@semita/core/contract';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { FileUp, Mic } from 'lucide-react';
import { lazy, Suspense, useEffect, useState } from 'react';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { Field, TextInput } from '../../ui/field.tsx';
import { FileButton } from '../../ui/file-button.tsx';
import { errorWords, Notice } from '../../ui/notice.tsx';
import { ProgressBar } from '../../ui/progress-bar.tsx';
import { formatBytes, formatClock, formatDay, formatShare } from '../../words/format.ts';
import { formatLengths } from '../../words/position.ts';
import { findWords, t } from '../../words/words.ts';
import { materialsOptions } from '../materials/queries.ts';
import {
  bringIn,
  cancelUpload,
  clearUpload,
  pauseUpload,
  resumeUpload,
  showReceived,
  useUpload,
} from '../materials/upload.ts';
import { LeftOutNotice } from '../reading/left-out-notice.tsx';
import { CatalogueSearch } from './catalogue-search.tsx';
import './words.ts';
import '../materials/words.ts';

/** Loaded when somebody records, which is seldom. */
const ShelfRecorder = lazy(async () => ({ default: (await import('../voice/shelf-recorder.tsx')).ShelfRecorder }));

/** What the file dialog offers first; the server looks into the file itself. */
const acceptedFiles =
  'video/mp4,video/webm,.mp4,.webm,.m4v,.mp3,.m4a,.ogg,.oga,.wav,audio/*,.docx,.odt,.pdf,.html,.htm,.md,.markdown,.epub,.txt,.pptx,.odp,.png,.jpg,.jpeg,.webp,.gif,image/png,image/jpeg,image/webp,image/gif,application/pdf,text/html,text/markdown,text/plain,application/epub+zip';

interface Props {
  readonly materials: readonly Material[];
  readonly onMakeLesson: (materialId: string) => void;
}

/** Bringing in a material: choosing it, its progress, and what came of it. */
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
      {state.phase === 'idle' && (
        <>
          <FileChoice label={t('bringIn.choose')} />
          <AddressChoice />
          <CatalogueSearch />
          <RecordingChoice />
        </>
      )}
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
      <FileButton accept={acceptedFiles} onFile={(file) => void bringIn(file)}>
        <FileUp aria-hidden className="size-4" strokeWidth={1.75} />
        {label}
      </FileButton>
      <p className="max-w-prose text-14 text-quiet">{t('bringIn.help')}</p>
    </div>
  );
}

function AddressChoice() {
  const [address, setAddress] = useState('');
  const fetchIt = useMutation({
    mutationFn: () => call('fetchMaterial', { body: { address } }),
    onSuccess: ({ id }) => showReceived(id),
  });
  return (
    <form
      className="flex flex-wrap items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        fetchIt.mutate();
      }}
    >
      <div className="grow basis-64">
        <Field label={t('bringIn.address')} error={fetchIt.isError ? errorWords(fetchIt.error) : undefined}>
          {(ids) => (
            <TextInput
              {...ids}
              type="url"
              required
              className="h-9 text-14"
              maxLength={2_000}
              placeholder={t('bringIn.addressHint')}
              value={address}
              onChange={(event) => setAddress(event.target.value)}
            />
          )}
        </Field>
      </div>
      <Button type="submit" disabled={fetchIt.isPending}>
        {t('bringIn.fetch')}
      </Button>
    </form>
  );
}

/** A screen, a face or a voice that is recorded becomes a material like any other. */
function RecordingChoice() {
  const [isOpen, setIsOpen] = useState(false);
  return (
    <section aria-labelledby="record" className="grid gap-2">
      <h3 id="record" className="text-14 font-medium">
        {t('bringIn.record')}
      </h3>
      {isOpen ? (
        <div className="max-w-xl">
          <Suspense fallback={<p className="text-quiet">{t('app.loading')}</p>}>
            <ShelfRecorder
              sources={['screen', 'camera', 'voice']}
              title={t('bringIn.recordTitle', { date: formatDay(Date.now()) })}
              asksWords={false}
              onKept={({ materialId }) => showReceived(materialId)}
            />
          </Suspense>
        </div>
      ) : (
        <div>
          <Button onClick={() => setIsOpen(true)}>
            <Mic aria-hidden className="size-4" strokeWidth={1.75} />
            {t('bringIn.recordOpen')}
          </Button>
        </div>
      )}
    </section>
  );
}

function Received({
  material,
  onMakeLesson,
}: {
  readonly material: Material | undefined;
  readonly onMakeLesson: Props['onMakeLesson'];
}) {
  if (!material || material.status === 'checking') {
    const progress = material?.progress ?? null;
    if (progress === null) return <p role="status">{t('bringIn.checking')}</p>;
    const words = t('bringIn.checkingShare', { share: formatShare(progress) });
    return (
      <div className="grid gap-2">
        <p>{words}</p>
        <ProgressBar share={progress} label={words} />
      </div>
    );
  }
  if (material.status === 'refused')
    return (
      <>
        <Notice tone="danger" role="alert" title={material.fileName}>
          <p>{findWords(`refusal.${material.refusal}`) ?? t('refusal.notMedia')}</p>
        </Notice>
        <FileChoice label={t('bringIn.choose')} />
      </>
    );
  const { title, width, height } = material;
  const lengthMs = material.lengthMs ?? 0;
  const length = formatLengths({ readingMs: lengthMs });
  const wordsOfKind = {
    film: () => t('bringIn.ready', { title, length: formatClock(lengthMs), width, height }),
    sound: () => t('bringIn.readySound', { title, length: formatClock(lengthMs) }),
    document: () => t('bringIn.readyReading', { title, length }),
    deck: () => t('bringIn.readyDeck', { title, length }),
    picture: () => t('bringIn.readyPicture', { title, width, height }),
  };
  const words = wordsOfKind[material.kind ?? 'film']();
  return (
    <>
      <p role="status">{words}</p>
      <LeftOutNotice leftOut={material.leftOut} />
      <div className="flex gap-2">
        {material.kind !== 'picture' && (
          <Button look="main" onClick={() => onMakeLesson(material.id)}>
            {t('bringIn.toLesson')}
          </Button>
        )}
        <Button onClick={clearUpload}>{t('bringIn.another')}</Button>
      </div>
    </>
  );
}
