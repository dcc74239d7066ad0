import { fewestStarters, type WatchingFinding } from '@semita/core/analysis';
import type { WatchingLines } from '@semita/core/contract';
import type { MaterialPart } from '@semita/core/lesson';
import { lineAt } from '@semita/core/script';
import { useQuery } from '@tanstack/react-query';
import { Eye } from 'lucide-react';
import { lazy, Suspense, useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { Loading } from '../../ui/notice.tsx';
import { formatClock } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { PartIcon } from '../lesson-parts/part-icon.tsx';
import { PickedStudents } from '../picked/picked-students.tsx';
import { contentOptions, contentScript } from '../reading/content.ts';
import { BlocksTable } from './blocks-table.tsx';
import { CurveWithPlace } from './curve-with-place.tsx';
import { PutStop } from './put-stop.tsx';
import { useWatchedPart, type WatchedPart } from './use-watched-part.ts';
import './words.ts';

const Moment = lazy(async () => ({ default: (await import('./moment.tsx')).Moment }));

interface Props {
  readonly assignmentId: string;
  readonly lessonId: string;
  /** Whether the teacher runs the class, and does not only stand in. */
  readonly runs: boolean;
  readonly part: MaterialPart;
  readonly names: ReadonlyMap<string, string>;
  readonly lines: WatchingLines['lines'][string];
}

/** How one part was gone through. */
export function PartWatching(props: Props) {
  const { part, lines } = props;
  const watched = useWatchedPart(lines, { fromMs: part.inMs, toMs: part.outMs });
  return (
    <section aria-labelledby={`part-${part.id}`} className="grid grid-cols-[minmax(0,1fr)] gap-4">
      <div className="flex flex-wrap items-center gap-x-3">
        <PartIcon kind={part.kind} />
        <h2 id={`part-${part.id}`} className="text-18">
          {part.title}
        </h2>
        {watched && watched.retention.starters > 0 && (
          <p className="text-14 text-quiet">{t('watching.begun', { count: watched.retention.starters })}</p>
        )}
      </div>
      {lines.length === 0 || watched?.retention.starters === 0 ? (
        <p className="text-quiet">{t('watching.notBegun')}</p>
      ) : watched ? (
        <Watched {...props} watched={watched} />
      ) : (
        <Loading />
      )}
    </section>
  );
}

function Watched({ assignmentId, lessonId, runs, part, names, watched }: Props & { readonly watched: WatchedPart }) {
  const { retention, findings } = watched;
  const { starters, met } = retention;
  const wordsAt = usePlaces(part);
  const findingWords = (finding: WatchingFinding) =>
    t(`watching.${finding.kind}`, {
      ...{ count: finding.studentIds.length, all: starters, place: placeWords(finding, wordsAt) },
    });
  const [most] = findings.toSorted((a, b) => b.studentIds.length - a.studentIds.length);
  const [atMs, setAtMs] = useState(most?.fromMs ?? part.inMs);
  const title = most ? findingWords(most) : t('watching.plainTitle', { count: met.at(-1) ?? 0, all: starters });
  return (
    <>
      <div className="grid grid-cols-[minmax(0,1fr)] gap-5 lg:grid-cols-[minmax(0,1fr)_20rem]">
        <figure className="grid break-inside-avoid grid-cols-[minmax(0,1fr)] content-start gap-2 rounded-card border border-line bg-card p-4">
          <figcaption className="font-medium">{title}</figcaption>
          {part.kind === 'clip' ? (
            <CurveWithPlace part={part} retention={retention} atMs={atMs} onMove={setAtMs} />
          ) : (
            <BlocksTable part={part} watched={watched} onChoose={setAtMs} />
          )}
        </figure>
        <div className="grid content-start justify-items-start gap-3 print:hidden">
          <Suspense fallback={<Loading />}>
            <Moment part={part} atMs={atMs} />
          </Suspense>
          {runs && <PutStop {...{ lessonId, part, atMs }} />}
        </div>
      </div>
      {findings.length === 0 ? (
        <p className="text-14 text-quiet">
          {t(starters < fewestStarters ? 'watching.tooFew' : 'watching.nothingStandsOut')}
        </p>
      ) : (
        <ul className="grid gap-3 md:grid-cols-2">
          {findings.map((finding) => {
            const reason = findingWords(finding);
            return (
              <li
                key={`${finding.kind} ${finding.fromMs}`}
                className="grid break-inside-avoid content-between gap-3 rounded-card border border-line bg-card p-4"
              >
                <p className="font-medium">{reason}</p>
                <div className="flex flex-wrap gap-2 print:hidden">
                  <Button size="small" onClick={() => setAtMs(finding.fromMs)}>
                    <Eye aria-hidden className="size-4" strokeWidth={1.75} />
                    {t('watching.show')}
                  </Button>
                  {runs && <PutStop {...{ lessonId, part }} atMs={finding.toMs} />}
                </div>
                <PickedStudents
                  students={finding.studentIds.map((id) => ({ id, displayName: names.get(id) ?? '' }))}
                  reason={reason}
                  groupName={t(groupNames[finding.kind], { place: placeWords(finding, wordsAt) })}
                  assignmentId={finding.kind === 'left' ? assignmentId : undefined}
                  runs={runs}
                />
              </li>
            );
          })}
        </ul>
      )}
    </>
  );
}

const groupNames = {
  wentBack: 'watching.groupBack',
  left: 'watching.groupLeft',
  paused: 'watching.groupPaused',
} as const;

/** A place in words; where something ends there, that what comes before it ends. */
type WordsAt = (ms: number, isEnd: boolean) => string;

/** A stretch; or one place, where it is no longer than a few seconds or lies within one block. */
function placeWords({ kind, fromMs, toMs }: WatchingFinding, wordsAt: WordsAt): string {
  const [from, to] = [wordsAt(fromMs, false), wordsAt(toMs, true)];
  if (kind === 'wentBack') return from === to ? from : `${from}–${to}`;
  return kind === 'left' ? to : from;
}

/** How a place of a part is told: by the clock of its film, or by the number of a block or a slide. */
function usePlaces(part: MaterialPart): WordsAt {
  const isClip = part.kind === 'clip';
  const content = useQuery({ ...contentOptions(part.materialId), enabled: !isClip });
  const lines = content.data ? contentScript(content.data) : [];
  if (isClip) return (ms) => formatClock(ms);
  return (ms, isEnd) =>
    t(part.kind === 'deck' ? 'watching.slideNumber' : 'watching.blockNumber', {
      number: Math.max(0, lineAt(lines, isEnd ? ms - 1 : ms)) + 1,
    });
}
