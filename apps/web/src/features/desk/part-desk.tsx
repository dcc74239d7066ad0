import type { BreakPoint } from '@semita/core/breaks';
import type { Fault } from '@semita/core/checks';
import type { Slide } from '@semita/core/deck';
import type { Lesson, LessonChange, MaterialPart } from '@semita/core/lesson';
import type { ReadingBlock } from '@semita/core/reading';
import { gapTimeMs, lineAt, type ScriptLine, scriptOf } from '@semita/core/script';
import { useQuery } from '@tanstack/react-query';
import { lazy, type ReactNode, Suspense, useEffect, useMemo, useRef, useState } from 'react';
import { pathOf } from '../../api/client.ts';
import { QueryView } from '../../ui/query-view.tsx';
import { t } from '../../words/words.ts';
import { SlideView } from '../deck/slide-view.tsx';
import { type FilmControls, FilmStage } from '../film/film-stage.tsx';
import { captionsOptions } from '../film/queries.ts';
import { type LineSurvey, useSurveys } from '../film-survey/line-survey.tsx';
import { type Content, contentOptions, contentScript } from '../reading/content.ts';
import { phrasesOf } from '../reading/phrases-of.ts';
import { ReadingText } from '../reading/reading-text.tsx';
import { scriptActions } from '../script/script-actions.ts';
import { ScriptView } from '../script/script-view.tsx';
import { useStopBegunElsewhere } from './use-stop-begun-elsewhere.ts';
import '../board/words.ts';
import './words.ts';

/** Loaded when captions are corrected, which is seldom. */
const CaptionsEditor = lazy(async () => ({
  default: (await import('../captions/captions-editor.tsx')).CaptionsEditor,
}));

interface Props {
  readonly lesson: Lesson;
  readonly part: MaterialPart;
  /** Length of the material, in ms. */
  readonly lengthMs: number;
  readonly faults: readonly Fault[];
  readonly openStopId: string | null;
  readonly setOpenStop: (stopId: string | null) => void;
  readonly apply: (change: LessonChange) => boolean;
  readonly breaks: readonly BreakPoint[] | null;
  readonly setBreaks: (breaks: readonly BreakPoint[] | null) => void;
  readonly film: React.RefObject<FilmControls | null>;
  /** While captions are corrected in the script's place: ends that. */
  readonly correcting: (() => void) | null;
  /** Under the stage. */
  readonly children: ReactNode;
}

/** Script and stage of one part, in step with each other. */
export function PartDesk(props: Props) {
  return props.part.kind === 'clip' ? <ClipDesk {...props} /> : <ContentDesk {...props} />;
}

interface ScriptProps extends Props {
  readonly lines: readonly ScriptLine[];
  readonly cursor: number;
  readonly setCursor: (line: number) => void;
  readonly surveys?: readonly LineSurvey[] | undefined;
  readonly slides?: readonly Slide[] | undefined;
}

/** The one script, whatever it is the script of. */
function PartScript(props: ScriptProps) {
  const { part, lines, faults, openStopId, breaks, cursor, surveys, slides } = props;
  const actions = scriptActions(props);
  useStopBegunElsewhere(part, lines, actions);
  return <ScriptView {...{ part, lines, faults, openStopId, breaks, cursor, surveys, slides, actions }} />;
}

function ClipDesk(props: Props) {
  const { part, lengthMs, film, correcting, children } = props;
  const captions = useQuery(captionsOptions(part.materialId));
  const lines = useMemo(() => scriptOf(captions.data ?? [], lengthMs), [captions.data, lengthMs]);
  const surveys = useSurveys(part.materialId, lines, captions.data?.length === 0);
  const [chosenLine, setChosenLine] = useState<number | null>(null);
  // Work begins at the first gap that students come by.
  const firstLine = lines.findIndex((_, index) => gapTimeMs(lines, index + 1) >= part.inMs);
  const cursor = chosenLine ?? Math.max(0, firstLine);
  const isPlaying = useRef(false);
  const setCursor = (line: number) => {
    setChosenLine(line);
    const startMs = lines[line]?.startMs;
    // While the film plays, the script follows it and not the other way round.
    if (startMs !== undefined && !isPlaying.current && line !== cursor) film.current?.seek(startMs);
  };
  return (
    <>
      <section aria-label={t('desk.script')} className="min-h-0 overflow-y-auto bg-card">
        {correcting && captions.data ? (
          <Suspense fallback={<p className="p-4 text-quiet">{t('app.loading')}</p>}>
            <CaptionsEditor
              materialId={part.materialId}
              cues={captions.data}
              onGoTo={(ms) => film.current?.seek(ms)}
              onClose={correcting}
            />
          </Suspense>
        ) : (
          // Without its captions a film has lines of another kind, between which stops would stand elsewhere.
          !captions.isPending && <PartScript {...props} {...{ lines, cursor, setCursor, surveys }} />
        )}
      </section>
      <Stage>
        {/* The film stays in sight while what stands under it is worked on. */}
        <div className="z-10 -mx-4 -mt-4 bg-paper px-4 pt-4 lg:sticky lg:-top-4">
          <FilmStage
            ref={film}
            src={pathOf('streamMedia', { materialId: part.materialId })}
            title={part.title}
            inMs={0}
            outMs={lengthMs}
            startMs={part.inMs}
            limitMs={lengthMs}
            lines={lines}
            narrations={part.narrations}
            maxRate={2}
            onPlaying={(playing) => {
              isPlaying.current = playing;
            }}
            onPlace={(atMs) => {
              if (isPlaying.current) setChosenLine(lineAt(lines, atMs));
            }}
          />
        </div>
        {children}
      </Stage>
    </>
  );
}

function ContentDesk(props: Props) {
  const content = useQuery(contentOptions(props.part.materialId));
  return <QueryView query={content}>{(data) => <ContentDeskView {...props} content={data} />}</QueryView>;
}

function ContentDeskView(props: Props & { readonly content: Content }) {
  const { part, content, children } = props;
  const lines = useMemo(() => contentScript(content), [content]);
  const [chosenLine, setCursor] = useState<number | null>(null);
  const firstLine = lines.findIndex((line) => line.startMs >= part.inMs);
  const cursor = Math.min(chosenLine ?? Math.max(0, firstLine), lines.length - 1);
  return (
    <>
      <section aria-label={t('desk.script')} className="min-h-0 overflow-y-auto bg-card">
        <PartScript
          {...props}
          {...{ lines, cursor, setCursor }}
          slides={part.kind === 'deck' ? content.slides : undefined}
        />
      </section>
      <Stage>
        {part.kind === 'deck' ? (
          <SlideOfCursor slide={content.slides[Math.max(0, cursor)]} />
        ) : (
          <PageOfCursor part={part} blocks={content.blocks} currentId={lines[cursor]?.id ?? null} />
        )}
        {children}
      </Stage>
    </>
  );
}

function SlideOfCursor({ slide }: { readonly slide: Slide | undefined }) {
  if (!slide) return null;
  return (
    <div className="grid gap-3">
      <div className="overflow-hidden rounded-card border border-line">
        <SlideView slide={slide} />
      </div>
      {slide.notes !== '' && (
        <section aria-labelledby="notes" className="grid gap-1">
          <h2 id="notes" className="text-14 font-medium">
            {t('desk.notes')}
          </h2>
          <p className="text-14 whitespace-pre-wrap text-quiet">{slide.notes}</p>
        </section>
      )}
    </div>
  );
}

interface PageProps {
  readonly part: MaterialPart;
  readonly blocks: readonly ReadingBlock[];
  readonly currentId: string | null;
}

/** The words that stops stand at: the same object for as long as they are the same words, while all else is edited. */
function usePhrases({ stops }: MaterialPart) {
  const marked = JSON.stringify(stops.flatMap(({ anchor }) => (anchor?.phrase ? [{ anchor }] : [])));
  return useMemo(() => phrasesOf(JSON.parse(marked)), [marked]);
}

/** The text as students see it, in step with the script. */
function PageOfCursor({ part, blocks, currentId }: PageProps) {
  const phrases = usePhrases(part);
  const page = useRef<HTMLElement>(null);
  useEffect(() => {
    const block = page.current?.querySelector<HTMLElement>(`[data-block="${currentId}"]`);
    if (block && page.current) page.current.scrollTop = block.offsetTop - page.current.clientHeight / 3;
  }, [currentId]);
  return (
    <section
      ref={page}
      aria-label={part.title}
      // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reached by keys
      tabIndex={0}
      className="relative max-h-[55dvh] overflow-y-auto rounded-card border border-line bg-card p-5 text-14"
    >
      <ReadingText blocks={blocks} currentId={currentId} phrases={phrases} insets={part.insets} />
    </section>
  );
}

function Stage({ children }: { readonly children: ReactNode }) {
  return (
    <section aria-label={t('desk.stage')} className="flex min-h-0 flex-col gap-5 overflow-y-auto p-4 *:shrink-0">
      {children}
    </section>
  );
}
