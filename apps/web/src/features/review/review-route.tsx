import type { OpenedReview, SentEvent } from '@semita/core/contract';
import type { LearnerView } from '@semita/core/learner';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Link, useParams } from 'react-router';
import { v7 } from 'uuid';
import { call } from '../../api/client.ts';
import { buttonStyle } from '../../ui/button.tsx';
import { EmptyPlace } from '../../ui/notice.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { t } from '../../words/words.ts';
import { reviewKey } from '../outbox/doors.ts';
import { type Outbox, openOutbox } from '../outbox/outbox.ts';
import { createRehearsalFiles } from '../question/answer-files.ts';
import { waitingReviewsOptions } from '../review-list/queries.ts';
import { RequireRole } from '../session/require-role.tsx';
import { createWalkSession } from '../walk/walk-session.ts';
import { WalkView } from '../walk/walk-view.tsx';
import '../review-list/words.ts';

/** Today's questions about what a student had not met, walked like a lesson. */
export function Component() {
  return <RequireRole is="student">{(me) => <OwnReview userId={me.id} />}</RequireRole>;
}

function OwnReview({ userId }: { readonly userId: string }) {
  const { classId = '' } = useParams();
  const [outbox] = useState(() => openOutbox(userId));
  const query = useQuery({
    queryKey: ['reviews', 'open', userId, classId],
    queryFn: async () => {
      const { review } = await call('openReview', { params: { classId } });
      return { review, leftOver: review ? await outbox.list(reviewKey(review.roundId)) : [] };
    },
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 0,
  });
  return (
    <QueryView isPage query={query}>
      {({ review, leftOver }) =>
        review ? (
          <OpenReview key={review.roundId} {...{ review, leftOver, outbox }} />
        ) : (
          <main className="mx-auto grid w-full max-w-3xl p-6">
            <EmptyPlace title={t('review.nothing')}>
              <p>{t('review.nothingHelp')}</p>
              <Link to="/to-do" className={buttonStyle({ look: 'main' })}>
                {t('review.leave')}
              </Link>
            </EmptyPlace>
          </main>
        )
      }
    </QueryView>
  );
}

interface Props {
  readonly review: OpenedReview;
  readonly leftOver: readonly SentEvent[];
  readonly outbox: Outbox;
}

/** The server calls it as the class is called. */
const titled = (view: LearnerView): LearnerView => {
  const title = t('review.title');
  return { ...view, lesson: { ...view.lesson, title, parts: view.lesson.parts.map((part) => ({ ...part, title })) } };
};

function OpenReview({ review, leftOver, outbox }: Props) {
  const queryClient = useQueryClient();
  const { roundId, terms, view, now, className } = review;
  const [session] = useState(() => {
    let latest = titled(view);
    return createWalkSession({
      ...{ attemptId: reviewKey(roundId), assignmentId: null, terms, view: latest, serverNow: now, leftOver, outbox },
      files: createRehearsalFiles(v7),
      send: async (events, options) => {
        const answer = await call('takeInReview', { params: { roundId }, body: { events } }, options);
        if (!answer.view) return answer;
        latest = titled(answer.view);
        return { ...answer, view: latest };
      },
      // No teacher does anything here; what another device did comes with the next answer.
      refresh: async () => latest,
      newId: () => v7(),
    });
  });
  // Whoever comes here has begun already: the first question stands open at once.
  useEffect(() => {
    const { state, lesson } = session.getSnapshot();
    const [first] = lesson.parts[0]?.stops ?? [];
    if (first && Object.keys(state.stops).length === 0) session.record({ type: 'reachedStop', stopId: first.id });
  }, [session]);
  // The list behind it says what is left.
  useEffect(
    () => () => void queryClient.invalidateQueries({ queryKey: waitingReviewsOptions().queryKey }),
    [queryClient],
  );
  return (
    <WalkView
      session={session}
      backTo="/to-do"
      backLabel={t('review.leave')}
      dueLine={`${className} · ${t('review.countsNothing')}`}
      nextLessons={[]}
      withdrawUntil={null}
    />
  );
}
