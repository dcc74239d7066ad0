import type { ReviewOverview } from '@semita/core/contract';
import { plainWords } from '@semita/core/text';
import { useQuery } from '@tanstack/react-query';
import { Link, useSearchParams } from 'react-router';
import { call } from '../../api/client.ts';
import { Button, buttonStyle } from '../../ui/button.tsx';
import { EmptyPlace, Notice } from '../../ui/notice.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { formatCalendarDay, formatShare } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { OnPaper, useClass } from '../classes/class-frame.tsx';
import { LevelMark, targetName } from '../mastery/level-mark.tsx';
import { reviewsOptions, useReviewsChange } from './queries.ts';
import { ReviewSettings } from './review-settings.tsx';
import { Stayed } from './stayed.tsx';
import { StudentDrawer } from './student-drawer.tsx';
import './words.ts';

/** What comes back to whom in a class, and how much stayed. */
export function Component() {
  const { id: classId } = useClass();
  return (
    <QueryView query={useQuery(reviewsOptions(classId))}>
      {(overview) => <Overview {...{ classId, overview }} />}
    </QueryView>
  );
}

interface Props {
  readonly classId: string;
  readonly overview: ReviewOverview;
}

function Overview({ classId, overview }: Props) {
  const [search, setSearch] = useSearchParams();
  const { targets, students, settings } = overview;
  if (targets.length === 0)
    return (
      <EmptyPlace title={t('reviews.noTargets')}>
        <p className="max-w-xl text-quiet">{t('reviews.noTargetsHelp')}</p>
        <Link to="/shelf/targets" className={buttonStyle({ size: 'small' })}>
          {t('reviews.toTargets')}
        </Link>
      </EmptyPlace>
    );
  const student = students.find(({ id }) => id === search.get('student'));
  const open = (id: string | null) => setSearch(id === null ? {} : { student: id });
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-6 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
      <OnPaper title={t('reviews.title')} />
      <div className="grid grid-cols-[minmax(0,1fr)] gap-6">
        {!settings.isOn && <Notice title={t('reviews.off')}>{t('reviews.offHelp')}</Notice>}
        <Who overview={overview} onOpen={open} />
        <WhatToAsk {...{ classId, overview }} />
      </div>
      <div className="grid gap-6">
        <ReviewSettings {...{ classId, overview }} />
        <Stayed stayed={overview.stayed} />
      </div>
      {student && <StudentDrawer {...{ classId, overview, student }} onClose={() => open(null)} />}
    </div>
  );
}

const head = 'border-b border-line py-2 pr-3 text-left text-13 font-medium text-quiet';
/** More would make a line of two. */
const maxCodes = 4;

function Who({ overview, onOpen }: Pick<Props, 'overview'> & { readonly onOpen: (studentId: string) => void }) {
  const { students, targets, day } = overview;
  const concerned = students.filter(({ back, today }) => back.length > 0 || today !== null);
  if (concerned.length === 0)
    return (
      <EmptyPlace title={t('reviews.nobody')}>
        <p className="max-w-xl text-quiet">{t('reviews.nobodyHelp')}</p>
      </EmptyPlace>
    );
  return (
    <section className="grid gap-2">
      <h2 className="text-18">
        {t('reviews.studentsTitle')} ({concerned.length})
      </h2>
      <div className="overflow-x-auto">
        <table className="w-full text-14">
          <thead>
            <tr>
              {(['student', 'today', 'comesBack', 'next'] as const).map((column) => (
                <th key={column} scope="col" className={head}>
                  {t(`reviews.${column}`)}
                </th>
              ))}
            </tr>
          </thead>
          <tbody className="divide-y divide-line">
            {concerned.map(({ id, displayName, back, today, nextDay }) => {
              const isDue = nextDay === day;
              return (
                <tr key={id} className="hover:bg-main-tint">
                  <th scope="row" className="py-2 pr-3 text-left align-top font-medium">
                    <button
                      type="button"
                      className="rounded-control text-left hover:underline"
                      onClick={() => onOpen(id)}
                    >
                      {displayName}
                    </button>
                  </th>
                  <td className="py-2 pr-3 align-top whitespace-nowrap">
                    {today ? (
                      t(`reviews.${today}`)
                    ) : isDue ? (
                      t('reviews.waits')
                    ) : (
                      <span className="text-quiet">{t('reviews.nothingToday')}</span>
                    )}
                  </td>
                  <td className="py-2 pr-3 align-top">
                    <ul className="flex flex-wrap gap-x-3 gap-y-1">
                      {back.slice(0, maxCodes).map(({ place, level }) => {
                        const target = targets[place];
                        return (
                          target && (
                            <li key={target.key} title={targetName(target)} className="flex items-center gap-1">
                              <LevelMark level={level ?? 'none'} />
                              <span className="max-w-40 truncate">{target.code || target.words}</span>
                            </li>
                          )
                        );
                      })}
                      {back.length > maxCodes && (
                        <li className="text-quiet">{t('reviews.moreTargets', { count: back.length - maxCodes })}</li>
                      )}
                    </ul>
                  </td>
                  <td className="py-2 align-top whitespace-nowrap">
                    {nextDay === null || isDue ? '' : formatCalendarDay(nextDay)}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
    </section>
  );
}

/** Of each target how many questions there are, and what is kept from coming back. */
function WhatToAsk({ classId, overview: { targets, students, leftOut, runs } }: Props) {
  const askAgain = useReviewsChange(classId, (source: string) =>
    call('leaveOutOfReviews', { params: { classId }, body: { source, isLeftOut: false } }),
  );
  const places = new Set(students.flatMap(({ back }) => back.map(({ place }) => place)));
  const wanted = targets.filter((_, place) => places.has(place));
  if (wanted.length + leftOut.length === 0) return null;
  return (
    <section className="grid gap-2">
      <h2 className="text-18">{t('reviews.questionsTitle')}</h2>
      <ul className="grid divide-y divide-line text-14">
        {wanted.map((target) => (
          <li key={target.key} className="flex flex-wrap items-baseline gap-x-3 py-2">
            <span className="grid min-w-0 grow basis-60">
              {targetName(target)}
              {target.stayed.share !== null && (
                <span className="text-13 text-quiet">
                  {t('reviews.stayedOf', { count: target.stayed.count, share: formatShare(target.stayed.share) })}
                </span>
              )}
            </span>
            {target.questionCount === 0 ? (
              <span className="grid text-right">
                <span className="font-medium text-brick">{t('reviews.noQuestion')}</span>
                <span className="text-13 text-quiet">{t('reviews.noQuestionHelp')}</span>
              </span>
            ) : (
              <span className="font-mono text-13">{t('reviews.questions', { count: target.questionCount })}</span>
            )}
          </li>
        ))}
      </ul>
      {leftOut.length > 0 && (
        <>
          <h3 className="mt-2 text-16">{t('reviews.leftOutTitle')}</h3>
          <ul className="grid divide-y divide-line text-14">
            {leftOut.map(({ source, words }) => (
              <li key={source} className="flex items-center gap-3 py-2">
                <span className="min-w-0 grow break-words">{plainWords(words)}</span>
                {runs && (
                  <Button
                    size="small"
                    aria-label={t('reviews.verbOn', { verb: t('reviews.askAgain'), words: plainWords(words) })}
                    onClick={() => askAgain.mutate(source)}
                  >
                    {t('reviews.askAgain')}
                  </Button>
                )}
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}
