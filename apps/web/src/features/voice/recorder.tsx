import { useMutation, useQuery } from '@tanstack/react-query';
import { Camera, Circle, Mic, MonitorUp, Square } from 'lucide-react';
import { useEffect, useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { Field, Select, TextArea } from '../../ui/field.tsx';
import { focusOn, useFocusTarget } from '../../ui/focus-target.ts';
import { errorWords, Notice } from '../../ui/notice.tsx';
import { formatClock } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import type { FinishedRecording } from './finish-recording.ts';
import { LevelMeter } from './level-meter.tsx';
import { listMicrophones, type OpenSource, type RecordingSource } from './open-source.ts';
import { TrimFields } from './trim-fields.tsx';
import { useRecorder } from './use-recorder.ts';
import './words.ts';
import './recorder-words.ts';

export interface RecordedFacts {
  readonly lengthMs: number;
  readonly words: string;
  /** How much was taken away at its beginning, in ms. */
  readonly trimmedMs: number;
}

interface Props {
  readonly sources: readonly RecordingSource[];
  /** What the file is called. */
  readonly title: string;
  /** No words are asked for where the recording is a material, or an answer, of its own. */
  readonly asksWords?: boolean;
  /** Recording ends by itself after so long. */
  readonly longestMs?: number;
  readonly onBegin?: () => void;
  readonly onEnd?: () => void;
  /** Puts the recording where it belongs. */
  readonly keep: (file: File, facts: RecordedFacts) => Promise<void>;
}

const icons = { voice: Mic, camera: Camera, screen: MonitorUp };

/** Records, lets whoever spoke hear it and cut it, and keeps it. */
export function Recorder({ sources, title, asksWords = true, longestMs, onBegin, onEnd, keep }: Props) {
  const { state, open, start, stop, close } = useRecorder();
  const begin = useFocusTarget<HTMLButtonElement>('record');
  const [source, setSource] = useState(sources[0] ?? 'voice');
  const [microphoneId, setMicrophoneId] = useState<string | null>(null);
  const openAs = (next: RecordingSource) => {
    setSource(next);
    void open(next, microphoneId);
    focusOn('record');
  };
  const end = () => {
    onEnd?.();
    void stop();
  };
  if (state.phase === 'recorded')
    return <Review recorded={state.recorded} {...{ title, source, asksWords, keep }} onAgain={() => openAs(source)} />;
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
                ref={begin}
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
            <RunningTime source={state.source} sinceMs={state.sinceMs} longestMs={longestMs} onLongest={end} />
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
        <Select
          {...ids}
          className="w-full"
          value={microphoneId ?? microphones[0]?.deviceId}
          onChange={(event) => onChange(event.target.value)}
        >
          {microphones.map((device) => (
            <option key={device.deviceId} value={device.deviceId}>
              {device.label}
            </option>
          ))}
        </Select>
      )}
    </Field>
  );
}

interface RunningProps {
  readonly source: OpenSource;
  readonly sinceMs: number;
  readonly longestMs: number | undefined;
  readonly onLongest: () => void;
}

/** Counts from the moment it begins, and ends what has gone on long enough; one for each source. */
function RunningTime({ source, sinceMs, longestMs, onLongest }: RunningProps) {
  const [nowMs, setNowMs] = useState(sinceMs);
  const isOver = longestMs !== undefined && nowMs - sinceMs >= longestMs;
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new source is a new recording
  useEffect(() => {
    const timer = window.setInterval(() => setNowMs(performance.now()), 250);
    return () => clearInterval(timer);
  }, [source]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: ends once, when it is over
  useEffect(() => {
    if (isOver) onLongest();
  }, [isOver]);
  return (
    <p className="font-mono text-14">
      <span className="sr-only">{t('voice.running')} </span>
      {formatClock(nowMs - sinceMs)}
      {longestMs !== undefined && ` / ${formatClock(longestMs)}`}
    </p>
  );
}

interface ReviewProps {
  readonly recorded: FinishedRecording;
  readonly title: string;
  readonly source: RecordingSource;
  readonly asksWords: boolean;
  readonly onAgain: () => void;
  readonly keep: Props['keep'];
}

function Review({ recorded, title, source, asksWords, onAgain, keep }: ReviewProps) {
  const [window, setWindow] = useState({ startMs: 0, endMs: recorded.lengthMs });
  const [words, setWords] = useState('');
  const keeping = useMutation({
    mutationFn: async () => {
      const isTrimmed = window.startMs > 0 || window.endMs < recorded.lengthMs;
      const { finishRecording } = await import('./finish-recording.ts');
      const { blob, lengthMs } = isTrimmed ? await finishRecording(recorded.blob, window) : recorded;
      const file = new File([blob], `${title}.${blob.type.includes('mp4') ? 'mp4' : 'webm'}`, { type: blob.type });
      await keep(file, { lengthMs, words: words.trim(), trimmedMs: window.startMs });
    },
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
      {keeping.isError && (
        <Notice tone="danger" role="alert">
          {errorWords(keeping.error)}
        </Notice>
      )}
      <div className="flex gap-2">
        <Button look="main" disabled={keeping.isPending} onClick={() => keeping.mutate()}>
          {t(keeping.isPending ? 'voice.keeping' : 'voice.keep')}
        </Button>
        <Button disabled={keeping.isPending} onClick={onAgain}>
          {t('voice.again')}
        </Button>
      </div>
    </div>
  );
}
