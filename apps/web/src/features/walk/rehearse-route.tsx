import { beginAttempt, defaultTerms, type Terms } from '@semita/core/attempt';
import { groupsOf, type Lesson } from '@semita/core/lesson';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useParams } from 'react-router';
import { v7 } from 'uuid';
import { QueryView } from '../../ui/query-view.tsx';
import { t } from '../../words/words.ts';
import { useDraftOnOpening } from '../draft/queries.ts';
import { useWholeLesson } from '../draft/whole-lesson.ts';
import { lessonsOptions } from '../materials/queries.ts';
import { RequireRole } from '../session/require-role.tsx';
import { RehearsalOptions } from './rehearsal-options.tsx';
import { createRehearsalSession } from './rehearsal-session.ts';
import { WalkView } from './walk-view.tsx';

export function Component() {
  const { lessonId = '' } = useParams();
  const query = useDraftOnOpening(lessonId);
  return (
    <RequireRole is="teacher">
      {() => (
        <QueryView isPage query={query}>
          {(draft) => <WholeRehearsal lessonId={lessonId} draft={draft.lesson} />}
        </QueryView>
      )}
    </RequireRole>
  );
}

function WholeRehearsal({ lessonId, draft }: { readonly lessonId: string; readonly draft: Lesson }) {
  const lesson = useWholeLesson(draft);
  return lesson && <Rehearsal {...{ lessonId, lesson }} />;
}

function Rehearsal({ lessonId, lesson }: { readonly lessonId: string; readonly lesson: Lesson }) {
  const [{ session, number, group }, setWalk] = useState(() => begin(lesson, null, 1));
  const skipping = session.context.terms.skipping;
  const lessons = useQuery(lessonsOptions());
  const nextLessons = (lessons.data ?? []).map(({ id, title }) => ({ lessonId: id, title, assignmentId: null }));
  const backTo = `/lessons/${lessonId}`;
  return (
    <WalkView
      key={number}
      status={
        <RehearsalOptions
          groups={groupsOf(lesson)}
          {...{ group, skipping }}
          onBegin={(next) => setWalk(begin(lesson, next, number + 1, skipping))}
          onSkipping={(next) => {
            const { state } = session.getSnapshot();
            setWalk({ group, number, session: createRehearsalSession(lesson, termsOf(next), v7, state) });
          }}
        />
      }
      withdrawUntil={Number.POSITIVE_INFINITY}
      {...{ session, backTo, nextLessons }}
      backLabel={t('walk.leaveRehearsal')}
    />
  );
}

const termsOf = (skipping: boolean): Terms => ({ ...defaultTerms, skipping });

/** A walk from the beginning, as a student in a group or in none. */
function begin(lesson: Lesson, group: string | null, number: number, skipping = false) {
  const terms = termsOf(skipping);
  const begun = {
    ...beginAttempt({ begunAt: Date.now(), secret: v7() }),
    groups: group === null ? [] : [group],
  };
  return { group, number, session: createRehearsalSession(lesson, terms, v7, begun) };
}
