import { type Lesson, stopsInOrder } from '@semita/core/lesson';
import { ArrowLeft, Printer } from 'lucide-react';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { Button } from '../../ui/button.tsx';
import { CheckInput } from '../../ui/check-input.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { formatPosition } from '../../words/position.ts';
import { t } from '../../words/words.ts';
import { useDraftOnOpening } from '../draft/queries.ts';
import { useWholeLesson } from '../draft/whole-lesson.ts';
import { needWords } from '../lesson-parts/tile-looks.ts';
import { targetWords } from '../path/way-words.ts';
import { PrintedQuestion } from './printed-question.tsx';
import './words.ts';

export function Component() {
  const { lessonId = '' } = useParams();
  const query = useDraftOnOpening(lessonId);
  return (
    <QueryView isPage query={query}>
      {({ lesson }) => <WholeWorksheet draft={lesson} lessonId={lessonId} />}
    </QueryView>
  );
}

function WholeWorksheet({ draft, lessonId }: { readonly draft: Lesson; readonly lessonId: string }) {
  const lesson = useWholeLesson(draft);
  return lesson && <Worksheet {...{ lesson, lessonId }} />;
}

/** A lesson on paper: for who has no screen today, and for the folder. */
function Worksheet({ lesson, lessonId }: { readonly lesson: Lesson; readonly lessonId: string }) {
  const [showsKey, setShowsKey] = useState(false);
  let number = 0;
  return (
    <div className="mx-auto grid w-full max-w-4xl content-start gap-6 px-6 py-8 print:max-w-none print:p-0">
      <div className="flex flex-wrap items-center gap-4 print:hidden">
        <Link to={`/lessons/${lessonId}`} className="flex items-center gap-1.5 text-14 text-main hover:underline">
          <ArrowLeft aria-hidden className="size-4" strokeWidth={1.75} />
          {t('walk.leaveRehearsal')}
        </Link>
        <div className="ml-auto">
          <CheckInput checked={showsKey} onChange={setShowsKey}>
            {t('print.withKey')}
          </CheckInput>
        </div>
        <Button look="main" onClick={() => window.print()}>
          <Printer aria-hidden className="size-4" strokeWidth={1.75} />
          {t('print.print')}
        </Button>
      </div>
      <article className="grid grid-cols-[minmax(0,1fr)] gap-6 rounded-card border border-line bg-sheet p-10 text-pen-ink print:border-0 print:p-0">
        <header className="flex flex-wrap items-end justify-between gap-6">
          <h1 className="text-28">{lesson.title}</h1>
          <p className="flex gap-6 text-14">
            <span>{t('print.name')} ______________________</span>
            <span>{t('print.date')} __________</span>
          </p>
        </header>
        {lesson.parts.map((part) => (
          <section key={part.id} className="grid grid-cols-[minmax(0,1fr)] gap-5">
            {lesson.parts.length > 1 && <h2 className="border-b border-line pb-1 text-18">{part.title}</h2>}
            {stopsInOrder(part.stops).map((stop) => (
              <section key={stop.id} className="grid grid-cols-[minmax(0,1fr)] gap-4">
                <p className="font-mono text-13 text-quiet">{formatPosition(part.kind, stop)}</p>
                {stop.kind === 'pause' && <p className="whitespace-pre-wrap">{stop.note}</p>}
                {stop.kind === 'fork' && (
                  <div className="grid gap-1">
                    <p>{stop.prompt}</p>
                    <ul className="list-disc pl-5">
                      {stop.choices.map((choice) => (
                        <li key={choice.id}>
                          {choice.words}: {targetWords(lesson, choice.to)}
                        </li>
                      ))}
                    </ul>
                  </div>
                )}
                {stop.kind === 'board' && (
                  <div className="grid gap-1">
                    <p>{stop.prompt}</p>
                    <p>{needWords(stop.need)}</p>
                    <ul className="list-disc pl-5">
                      {stop.tiles.map(({ id, title, to }) => (
                        <li key={id}>
                          {to.kind === 'address' ? `${title}: ${to.url}` : `${title}: ${targetWords(lesson, to)}`}
                        </li>
                      ))}
                    </ul>
                  </div>
                )}
                {stop.kind === 'checkpoint' && (
                  <ol className="grid gap-6">
                    {stop.questions.map((question) => (
                      <PrintedQuestion key={question.id} question={question} number={++number} showsKey={showsKey} />
                    ))}
                  </ol>
                )}
              </section>
            ))}
          </section>
        ))}
      </article>
    </div>
  );
}
