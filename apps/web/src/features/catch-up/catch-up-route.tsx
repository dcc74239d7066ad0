import { type MissedStretch, missedStretches } from '@semita/core/analysis';
import type { AttemptDetail, StopFigures } from '@semita/core/contract';
import { hasMaterial, type Lesson, stopsInOrder } from '@semita/core/lesson';
import { useQuery } from '@tanstack/react-query';
import { ArrowLeft, Link2, Printer } from 'lucide-react';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { toast } from 'sonner';
import { Button } from '../../ui/button.tsx';
import { CheckInput } from '../../ui/check-input.tsx';
import { CodeSquare } from '../../ui/code-square.tsx';
import { EmptyPlace } from '../../ui/notice.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { formatClock } from '../../words/format.ts';
import { formatPosition } from '../../words/position.ts';
import { t } from '../../words/words.ts';
import { attemptOptions, stopFiguresOptions } from '../assignment/queries.ts';
import { PrintedQuestion } from '../print/printed-question.tsx';
import { placeLink } from '../walk/place-link.ts';
import { ClassFound } from './class-found.tsx';
import { SaidThere } from './said-there.tsx';
import './words.ts';

/** What one student has missed of what was given, to be sent as a link or printed. */
export function Component() {
  const { assignmentId = '', studentId = '' } = useParams();
  const attempt = useQuery(attemptOptions(assignmentId, studentId));
  const figures = useQuery(stopFiguresOptions(assignmentId));
  return (
    <QueryView isPage query={attempt}>
      {(detail) => (
        <QueryView isPage query={figures}>
          {(told) => <CatchUp {...{ assignmentId, detail, told }} />}
        </QueryView>
      )}
    </QueryView>
  );
}

interface Props {
  readonly assignmentId: string;
  readonly detail: AttemptDetail;
  readonly told: StopFigures;
}

/** Of the way a student is on: where they have been, and where they will come to whatever they choose. */
function missedOf({ lesson, state, aheadPartIds }: AttemptDetail): MissedStretch[] {
  const onWay = new Set([...(state?.route?.legs.map(({ partId }) => partId) ?? []), ...aheadPartIds]);
  // Where there is one way only, all of it is the student's.
  const isOn = (partId: string) => onWay.has(partId) || state?.parts[partId] !== undefined;
  return missedStretches(
    lesson.parts.filter(({ id, kind }) => isOn(id) && kind !== 'board'),
    (partId) => state?.parts[partId]?.coverage ?? [],
    (stopId) => (state?.stops[stopId]?.phase ?? 'open') !== 'open',
  );
}

function CatchUp({ assignmentId, detail, told }: Props) {
  const { lesson, state, student } = detail;
  const [withWords, setWithWords] = useState(true);
  const [withFound, setWithFound] = useState(false);
  const missed = missedOf(detail);
  const [first] = missed;
  const name = student.displayName;
  const link = first && `${location.origin}${placeLink(assignmentId, { partId: first.partId, atMs: first.fromMs })}`;
  const copy = async () => {
    try {
      await navigator.clipboard.writeText(link ?? '');
      toast(t('catchUp.copied'));
    } catch {
      toast.error(t('catchUp.copyFailed', { link }));
    }
  };
  // Numbered through, as on any sheet of paper.
  const open = new Set(missed.flatMap(({ stopIds }) => stopIds));
  const numbered = lesson.parts
    .flatMap(({ stops }) => stopsInOrder(stops))
    .flatMap((stop) => (stop.kind === 'checkpoint' && open.has(stop.id) ? stop.questions : []));
  const numberOf = new Map(numbered.map(({ id }, index) => [id, index + 1]));
  const figuresOf = new Map(told.figures.questions.map((one) => [one.questionId, one]));
  return (
    <div className="mx-auto grid w-full max-w-4xl content-start gap-6 px-6 py-8 print:max-w-none print:p-0">
      <div className="flex flex-wrap items-center gap-x-5 gap-y-3 print:hidden">
        <Link
          to={`/assignments/${assignmentId}`}
          className="flex items-center gap-1.5 text-14 text-main hover:underline"
        >
          <ArrowLeft aria-hidden className="size-4" strokeWidth={1.75} />
          {t('catchUp.back')}
        </Link>
        {first && (
          <>
            <span className="grow" />
            <CheckInput checked={withWords} onChange={setWithWords}>
              {t('catchUp.withWords')}
            </CheckInput>
            <CheckInput checked={withFound} onChange={setWithFound}>
              <span title={t('catchUp.foundTells')}>{t('catchUp.withFound')}</span>
            </CheckInput>
            <Button onClick={() => void copy()}>
              <Link2 aria-hidden className="size-4" strokeWidth={1.75} />
              {t('catchUp.copy')}
            </Button>
            <Button look="main" onClick={() => window.print()}>
              <Printer aria-hidden className="size-4" strokeWidth={1.75} />
              {t('catchUp.print')}
            </Button>
          </>
        )}
      </div>
      {first && link ? (
        <article className="grid grid-cols-[minmax(0,1fr)] gap-7 rounded-card border border-line bg-sheet p-10 text-pen-ink print:border-0 print:p-0">
          <header className="flex items-start justify-between gap-6">
            <div className="grid gap-1">
              <h1 className="text-28">{t('catchUp.title', { title: lesson.title })}</h1>
              <p className="text-18">{t('catchUp.for', { name })}</p>
              <p className="text-14 text-quiet">
                {state === null ? t('catchUp.all') : t('catchUp.some', { count: missed.length })}{' '}
                {t('catchUp.inLesson')}
              </p>
            </div>
            <figure className="grid w-32 shrink-0 gap-1">
              <CodeSquare text={link} label={t('catchUp.startsThere')} className="w-32" />
              <figcaption className="text-13 text-quiet">{t('catchUp.startsThere')}</figcaption>
            </figure>
          </header>
          {missed.map((stretch) => (
            <Stretch
              key={`${stretch.partId} ${stretch.fromMs} ${stretch.toMs}`}
              {...{ lesson, stretch, withWords, numberOf }}
              link={placeLink(assignmentId, { partId: stretch.partId, atMs: stretch.fromMs })}
            />
          ))}
          {withFound && numbered.length > 0 && (
            <section className="grid break-before-page gap-4">
              <h2 className="border-b border-line pb-1 text-18">{t('catchUp.found')}</h2>
              <ol className="grid gap-4">
                {numbered.map((question) => (
                  <ClassFound
                    key={question.id}
                    question={question}
                    number={numberOf.get(question.id) ?? 0}
                    figures={figuresOf.get(question.id)}
                  />
                ))}
              </ol>
            </section>
          )}
        </article>
      ) : (
        <EmptyPlace title={t('catchUp.nothing', { name })}>
          <p>{t('catchUp.nothingHelp')}</p>
        </EmptyPlace>
      )}
    </div>
  );
}

interface StretchProps {
  readonly lesson: Lesson;
  readonly stretch: MissedStretch;
  readonly withWords: boolean;
  readonly numberOf: ReadonlyMap<string, number>;
  readonly link: string;
}

function Stretch({ lesson, stretch: { partId, fromMs, toMs, stopIds }, withWords, numberOf, link }: StretchProps) {
  const part = lesson.parts.find(({ id }) => id === partId);
  if (!part) return null;
  const stops = stopsInOrder(part.stops).filter(({ id }) => stopIds.includes(id));
  const { title } = part;
  const isWhole = fromMs === part.inMs && toMs === part.outMs;
  const heading =
    part.kind === 'clip' && !isWhole
      ? fromMs === toMs
        ? t('catchUp.place', { title, at: formatClock(fromMs) })
        : t('catchUp.stretch', { title, from: formatClock(fromMs), to: formatClock(toMs) })
      : t('catchUp.whole', { title });
  return (
    <section className="grid grid-cols-[minmax(0,1fr)] gap-4">
      <div className="flex flex-wrap items-baseline justify-between gap-x-4 border-b border-line pb-1">
        <h2 className="text-18">{heading}</h2>
        <Link to={link} className="text-14 text-main hover:underline print:hidden" target="_blank">
          {t('catchUp.open')}
        </Link>
      </div>
      {withWords && hasMaterial(part) && toMs > fromMs && <SaidThere {...{ part, fromMs, toMs }} />}
      {stops.map((stop) => (
        <div key={stop.id} className="grid grid-cols-[minmax(0,1fr)] gap-3">
          {hasMaterial(part) && <p className="font-mono text-13 text-quiet">{formatPosition(part.kind, stop)}</p>}
          {stop.kind === 'pause' && <p className="whitespace-pre-wrap">{stop.note}</p>}
          {stop.kind === 'fork' && <p>{stop.prompt}</p>}
          {stop.kind === 'checkpoint' && (
            <ol className="grid gap-6">
              {stop.questions.map((question) => (
                <PrintedQuestion
                  key={question.id}
                  question={question}
                  number={numberOf.get(question.id) ?? 0}
                  showsKey={false}
                />
              ))}
            </ol>
          )}
        </div>
      ))}
    </section>
  );
}
