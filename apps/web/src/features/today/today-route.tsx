import type { AssignmentSummary } from '@semita/core/contract';
import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense, useState } from 'react';
import { Link } from 'react-router';
import { Button, buttonStyle } from '../../ui/button.tsx';
import { EmptyPlace } from '../../ui/notice.tsx';
import { Page } from '../../ui/page.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { t } from '../../words/words.ts';
import { useExtendAll } from '../adjusting/use-extend-all.ts';
import { AssignmentList } from '../assignment/assignment-list.tsx';
import { assignmentsOptions } from '../assignment/queries.ts';
import { lessonsOptions } from '../materials/queries.ts';
import { DayView, Section } from './day-view.tsx';
import './words.ts';
import '../assignment/words.ts';
import '../adjusting/words.ts';
import '../materials/words.ts';

const GiveLesson = lazy(async () => ({ default: (await import('../assigning/give-lesson.tsx')).GiveLesson }));

export function Component() {
  const assignments = useQuery(assignmentsOptions());
  const lessons = useQuery(lessonsOptions());
  const [now] = useState(() => Date.now());
  const [isGiving, setIsGiving] = useState(false);
  return (
    <Page
      title={t('today.title')}
      actions={
        <>
          <Link to="/week" className={buttonStyle()}>
            {t('today.week')}
          </Link>
          <Button onClick={() => setIsGiving(true)}>{t('today.give')}</Button>
        </>
      }
    >
      {isGiving && (
        <Suspense>
          <GiveLesson onClose={() => setIsGiving(false)} />
        </Suspense>
      )}
      <QueryView query={assignments}>
        {(all) =>
          all.length === 0 ? (
            <EmptyPlace title={t('today.noAssignments')}>
              <p className="max-w-md text-quiet">{t('today.noAssignmentsHelp')}</p>
              <Link to="/shelf" className={buttonStyle()}>
                {t('today.toShelf')}
              </Link>
            </EmptyPlace>
          ) : (
            <>
              <DayView assignments={all} now={now} />
              <Section title={t('today.running')}>
                <AssignmentList assignments={all} actionOf={(one) => <PutOff one={one} now={now} />} />
              </Section>
            </>
          )
        }
      </QueryView>
      <QueryView query={lessons}>
        {(all) => {
          const drafts = all.filter((lesson) => lesson.editionNumber === null || lesson.changedSinceEdition);
          if (drafts.length === 0) return null;
          return (
            <Section title={t('today.drafts')}>
              <ul className="divide-y divide-line rounded-card border border-line bg-card">
                {drafts.map((lesson) => (
                  <li key={lesson.id} className="flex items-center gap-4 px-5 py-3">
                    <span className="grow">{lesson.title || t('shelf.untitled')}</span>
                    <Link
                      to={`/lessons/${lesson.id}`}
                      aria-label={t('app.verbOn', {
                        verb: t('today.goOn'),
                        title: lesson.title || t('shelf.untitled'),
                      })}
                      className={buttonStyle({ size: 'small' })}
                    >
                      {t('today.goOn')}
                    </Link>
                  </li>
                ))}
              </ul>
            </Section>
          );
        }}
      </QueryView>
    </Page>
  );
}

const day = 24 * 3_600_000;

/** What ends these days, or did just now, while some have not handed in: a week more in one press. */
function PutOff({ one, now }: { readonly one: AssignmentSummary; readonly now: number }) {
  const extend = useExtendAll(one.id, one.timeZone);
  const end = one.closesAt ?? one.dueAt;
  const isNear = end !== null && end > now - 7 * day && end < now + 3 * day;
  if (!isNear || one.handedInCount === one.studentCount) return null;
  return (
    <Button
      size="small"
      disabled={extend.isPending}
      aria-label={t('app.verbOn', { verb: t('adjusting.week'), title: one.title })}
      onClick={() => extend.mutate(7)}
    >
      {t('adjusting.week')}
    </Button>
  );
}
