import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Camera, Circle, Mic, MonitorUp, Square } from 'lucide-react';
import { useEffect, useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { Field, inputStyle, TextArea } from '../../ui/field.tsx';
import { focusSoon } from '../../ui/focus-soon.ts';
import { errorWords, Notice } from '../../ui/notice.tsx';
import { formatClock } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { materialsOptions } from '../shelf/queries.ts';
import { bringInQuietly } from '../shelf/upload.ts';
import type { FinishedRecording } from './finish-recording.ts';
import { LevelMeter } from './level-meter.tsx';
import { listMicrophones, type OpenSource, type RecordingSource } from './open-source.ts';
import { TrimFields } from './trim-fields.tsx';
import { useRecorder } from './use-recorder.ts';

/** A recording that stands on the shelf. */
export interface KeptRecording {
  readonly materialId: string;
  readonly lengthMs: number;
  readonly words: string;
  /** How much was taken away at its beginning, in ms. */
  readonly trimmedMs: number;
}

interface Props {
  readonly sources: readonly RecordingSource[];
  /** What the file is called on the shelf. */
  readonly title: string;
  /** No words are asked for where the recording is a material of its own. */
  readonly asksWords?: boolean;
  readonly onBegin?: () => void;
  readonly onEnd?: () => void;
  readonly onKept: (recording: KeptRecording) => void;
}

const icons = { voice: Mic, camera: Camera, screen: MonitorUp };

/** Records, lets the teacher hear it and cut it, and puts it on the shelf. */
export function Recorder({ sources, title, asksWords = true, onBegin, onEnd, onKept }: Props) {
  const { state, open, start, stop, close } = useRecorder();
  const [source, setSource] = useState(sources[0] ?? 'voice');
  const [microphoneId, setMicrophoneId] = useState<string | null>(null);
  const openAs = (next: RecordingSource) => {
    setSource(next);
    void open(next, microphoneId);
    focusSoon(() => document.querySelector<HTMLElement>('[data-begin-recording]'));
  };
  const end = () => {
    onEnd?.();
    void stop();
  };
  if (state.phase === 'recorded')
    return (
      <Review recorded={state.recorded} {...{ title, source, asksWords, onKept }} onAgain={() => openAs(source)} />
    );
  if (state.phase === 'finishing') return <p role="status">{t('voice.finishing')}</p>;
  if ('source' in state)
    return (
      <div className="grid gap-3">
        {source !== 'voice' && <LivePicture stream={state.source.stream} />}
        <LevelMeter levelNow={state.source.levelNow} />
        {state.phase === 'open' ? (
          <>
            <MicrophoneChoice
              microphoneId={microphoneId}
              onChange={(id) => {
                setMicrophoneId(id);
                void open(source, id);
              }}
            />
            <p className="text-14 text-quiet">{t('voice.levelHelp')}</p>
            <div className="flex gap-2">
              <Button
                look="main"
                data-begin-recording
                onClick={() => {
                  start();
                  onBegin?.();
                }}
              >
                <Circle aria-hidden className="size-4 fill-current" strokeWidth={1.75} />
                {t('voice.begin')}
              </Button>
              <Button onClick={close}>{t('voice.cancel')}</Button>
            </div>
          </>
        ) : (
          <div className="flex items-center gap-3">
            <Button look="danger" onClick={end}>
              <Square aria-hidden className="size-4 fill-current" strokeWidth={1.75} />
              {t('voice.stop')}
            </Button>
            <RunningTime source={state.source} sinceMs={state.sinceMs} />
          </div>
        )}
      </div>
    );
  return (
    <div className="grid gap-3">
      {state.phase === 'closed' && state.refusal !== null && (
        <Notice tone="attention" role="alert">
          {t(`voice.${state.refusal}`)}
        </Notice>
      )}
      <div className="flex flex-wrap gap-2">
        {sources.map((one) => {
          const Icon = icons[one];
          return (
            <Button key={one} size="small" disabled={state.phase === 'opening'} onClick={() => openAs(one)}>
              <Icon aria-hidden className="size-4" strokeWidth={1.75} />
              {t(`voice.${one}`)}
            </Button>
          );
        })}
      </div>
    </div>
  );
}

function LivePicture({ stream }: { readonly stream: MediaStream }) {
  return (
    <video
      ref={(element) => {
        if (element && element.srcObject !== stream) element.srcObject = stream;
      }}
      autoPlay
      muted
      playsInline
      aria-label={t('voice.live')}
      className="aspect-video w-full rounded-control bg-film"
    />
  );
}

function MicrophoneChoice({
  microphoneId,
  onChange,
}: {
  readonly microphoneId: string | null;
  readonly onChange: (id: string) => void;
}) {
  const { data: microphones = [] } = useQuery({ queryKey: ['microphones'], queryFn: listMicrophones, staleTime: 0 });
  if (microphones.length < 2) return null;
  return (
    <Field label={t('voice.microphone')}>
      {(ids) => (
        <select
          {...ids}
          className={inputStyle}
          value={microphoneId ?? microphones[0]?.deviceId}
          onChange={(event) => onChange(event.target.value)}
        >
          {microphones.map((device) => (
            <option key={device.deviceId} value={device.deviceId}>
              {device.label}
            </option>
          ))}
        </select>
      )}
    </Field>
  );
}

/** Counts from the moment it begins; one for each source. */
function RunningTime({ source, sinceMs }: { readonly source: OpenSource; readonly sinceMs: number }) {
  const [nowMs, setNowMs] = useState(sinceMs);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new source is a new recording
  useEffect(() => {
    const timer = window.setInterval(() => setNowMs(performance.now()), 250);
    return () => clearInterval(timer);
  }, [source]);
  return (
    <p className="font-mono text-14">
      <span className="sr-only">{t('voice.running')} </span>
      {formatClock(nowMs - sinceMs)}
    </p>
  );
}

interface ReviewProps {
  readonly recorded: FinishedRecording;
  readonly title: string;
  readonly source: RecordingSource;
  readonly asksWords: boolean;
  readonly onAgain: () => void;
  readonly onKept: (recording: KeptRecording) => void;
}

function Review({ recorded, title, source, asksWords, onAgain, onKept }: ReviewProps) {
  const queryClient = useQueryClient();
  const [window, setWindow] = useState({ startMs: 0, endMs: recorded.lengthMs });
  const [words, setWords] = useState('');
  const keep = useMutation({
    mutationFn: async () => {
      const isTrimmed = window.startMs > 0 || window.endMs < recorded.lengthMs;
      const { finishRecording } = await import('./finish-recording.ts');
      const { blob, lengthMs } = isTrimmed ? await finishRecording(recorded.blob, window) : recorded;
      const file = new File([blob], `${title}.${blob.type.includes('mp4') ? 'mp4' : 'webm'}`, { type: blob.type });
      const materialId = await bringInQuietly(file);
      await queryClient.invalidateQueries(materialsOptions());
      return { materialId, lengthMs, words: words.trim(), trimmedMs: window.startMs };
    },
    onSuccess: onKept,
  });
  return (
    <div className="grid gap-3">
      <TrimFields blob={recorded.blob} lengthMs={recorded.lengthMs} isFilm={source !== 'voice'} onChange={setWindow} />
      {asksWords && (
        <Field label={t('voice.words')} help={t('voice.wordsHelp')}>
          {(ids) => (
            <TextArea {...ids} className="text-14" value={words} onChange={(event) => setWords(event.target.value)} />
          )}
        </Field>
      )}
      {keep.isError && (
        <Notice tone="danger" role="alert">
          {errorWords(keep.error)}
        </Notice>
      )}
      <div className="flex gap-2">
        <Button look="main" disabled={keep.isPending} onClick={() => keep.mutate()}>
          {t(keep.isPending ? 'voice.keeping' : 'voice.keep')}
        </Button>
        <Button disabled={keep.isPending} onClick={onAgain}>
          {t('voice.again')}
        </Button>
      </div>
    </div>
  );
}
