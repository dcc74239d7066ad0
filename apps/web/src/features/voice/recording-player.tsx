import type { Recording } from '@semita/core/elements';
import { Pause, Play } from 'lucide-react';
import { useEffect, useId, useRef, useState } from 'react';
import { pathOf } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { joinClasses } from '../../ui/join-classes.ts';
import { formatClock } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { whenKnown } from '../film/when-known.ts';

interface Props {
  readonly recording: Recording;
  /** What it is, for the button. */
  readonly label: string;
  readonly playsAtOnce?: boolean;
  /** It was heard to its end, or its words were opened to be read instead. */
  readonly onHeard?: () => void;
}

/** A voice, or a face with a voice, that somebody recorded: one button, and its words for whoever reads instead. */
export function RecordingPlayer({ recording, label, playsAtOnce = false, onHeard }: Props) {
  const player = useRef<HTMLVideoElement>(null);
  const wordsId = useId();
  const [isPlaying, setIsPlaying] = useState(false);
  const [hasPicture, setHasPicture] = useState(false);
  const [showsWords, setShowsWords] = useState(false);
  const [hasFailed, setHasFailed] = useState(false);
  const [atMs, setAtMs] = useState(0);
  const [lengthMs, setLengthMs] = useState<number | null>(null);
  useEffect(() => {
    // Where the browser does not let a page begin to speak, the button is there.
    if (playsAtOnce) player.current?.play().catch(() => undefined);
  }, [playsAtOnce]);
  useEffect(() => {
    const element = player.current;
    if (!element) return;
    return whenKnown(element, () => {
      setHasPicture(element.videoWidth > 0);
      setLengthMs(element.duration * 1000);
    });
  }, []);
  const showState = () => setIsPlaying(player.current?.paused === false);
  const toggle = () => {
    const element = player.current;
    if (element?.paused) element.play().catch(() => undefined);
    else element?.pause();
  };
  const Icon = isPlaying ? Pause : Play;
  return (
    <div className="grid gap-2">
      {/* biome-ignore lint/a11y/useMediaCaption: its words stand below */}
      <video
        ref={player}
        src={pathOf('streamMedia', { materialId: recording.materialId })}
        preload="metadata"
        playsInline
        aria-label={label}
        className={joinClasses('w-full rounded-control bg-film', !hasPicture && 'hidden')}
        onPlay={showState}
        onPause={showState}
        onTimeUpdate={({ currentTarget }) => setAtMs(currentTarget.currentTime * 1000)}
        onEnded={onHeard}
        onError={() => {
          setHasFailed(true);
          // What cannot be heard must not keep anybody from going on.
          onHeard?.();
        }}
      />
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <Button onClick={toggle} aria-label={`${t(isPlaying ? 'voice.pause' : 'voice.listen')}: ${label}`}>
          <Icon aria-hidden className="size-4" strokeWidth={1.75} />
          {t(isPlaying ? 'voice.pause' : 'voice.listen')}
        </Button>
        {lengthMs !== null && (
          <span className="font-mono text-13 text-quiet">
            {formatClock(atMs)} / {formatClock(lengthMs)}
          </span>
        )}
        {recording.words !== '' && (
          <Button
            look="quiet"
            aria-expanded={showsWords}
            aria-controls={wordsId}
            onClick={() => {
              setShowsWords(!showsWords);
              onHeard?.();
            }}
          >
            {t('voice.read')}
          </Button>
        )}
      </div>
      {hasFailed && <p role="alert">{t('voice.cannotPlay')}</p>}
      <p id={wordsId} hidden={!showsWords} className="whitespace-pre-wrap">
        {recording.words}
      </p>
    </div>
  );
}
