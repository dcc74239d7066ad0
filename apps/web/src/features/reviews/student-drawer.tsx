import type { ReviewOverview } from '@semita/core/contract';
import { plainWords } from '@semita/core/text';
import { useQuery } from '@tanstack/react-query';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { formatCalendarDay, formatPoints } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { previewOptions, useReviewsChange } from './queries.ts';
import './words.ts';

interface Props {
  readonly classId: string;
  readonly overview: ReviewOverview;
  readonly student: ReviewOverview['students'][number];
  readonly onClose: () => void;
}

/** What would be asked of one student next, and what was answered so far. */
export function StudentDrawer({ classId, overview: { day: today, targets, runs }, student, onClose }: Props) {
  const query = useQuery(previewOptions(classId, student.id));
  const leaveOut = useReviewsChange(
    classId,
    (source: string) => call('leaveOutOfReviews', { params: { classId }, body: { source, isLeftOut: true } }),
    () => toast(t('reviews.leftOut')),
  );
  const codeOf = (key: string) => {
    const target = targets.find((one) => one.key === key);
    return target ? target.code || target.words : key;
  };
  const name = student.displayName;
  return (
    <Dialog
      open
      onOpenChange={(isOpen) => !isOpen && onClose()}
      place="side"
      title={t('reviews.preview', { name })}
      description={
        query.data?.day
          ? query.data.day === today
            ? t('reviews.previewToday')
            : t('reviews.previewDay', { day: formatCalendarDay(query.data.day) })
          : undefined
      }
    >
      <QueryView query={query}>
        {({ day, questions, answers }) => (
          <div className="grid gap-6">
            {questions.length === 0 && (
              <p>{day === null ? t('reviews.previewNone', { name }) : t('reviews.previewEmpty')}</p>
            )}
            <ol className="grid gap-3">
              {questions.map(({ source, stem, targets: keys, from }) => (
                <li key={source} className="grid gap-1 rounded-card border border-line p-4">
                  <p className="break-words">{plainWords(stem)}</p>
                  <p className="text-13 text-quiet">
                    {[...keys.map(codeOf), from ?? t('reviews.fromBank')].join(' · ')}
                  </p>
                  {runs && (
                    <div>
                      <Button
                        size="small"
                        aria-label={t('reviews.verbOn', { verb: t('reviews.leaveOut'), words: plainWords(stem) })}
                        onClick={() => leaveOut.mutate(source)}
                      >
                        {t('reviews.leaveOut')}
                      </Button>
                    </div>
                  )}
                </li>
              ))}
            </ol>
            {answers.length > 0 && (
              <section className="grid gap-2">
                <h3 className="text-16">{t('reviews.before')}</h3>
                <ul className="grid divide-y divide-line text-14">
                  {answers.toReversed().map(({ words, key, day: on, earned, possible, afterDays }) => (
                    <li key={`${on} ${key} ${words}`} className="grid gap-0.5 py-2">
                      <span className="break-words">{plainWords(words)}</span>
                      <span className="text-13 text-quiet">
                        {formatCalendarDay(on)} · {codeOf(key)} ·{' '}
                        {t('stop.points', { earned: formatPoints(earned), possible: formatPoints(possible) })} ·{' '}
                        {t('reviews.afterDays', { count: afterDays })}
                      </span>
                    </li>
                  ))}
                </ul>
              </section>
            )}
          </div>
        )}
      </QueryView>
    </Dialog>
  );
}
