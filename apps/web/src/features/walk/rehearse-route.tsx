import { defaultTerms, type Lesson } from '@semita/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useParams } from 'react-router';
import { v7 } from 'uuid';
import { QueryView } from '../../ui/query-view.tsx';
import { enStudent } from '../../words/en-student.ts';
import { addWords, t } from '../../words/words.ts';
import { useDraftOnOpening } from '../desk/queries.ts';
import { useWholeLesson } from '../desk/whole-lesson.ts';
import { RequireRole } from '../session/require-role.tsx';
import { lessonsOptions } from '../shelf/queries.ts';
import { createRehearsalSession } from './rehearsal-session.ts';
import { WalkView } from './walk-view.tsx';

addWords(enStudent);

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
  const [session] = useState(() => createRehearsalSession(lesson, defaultTerms, () => v7()));
  const lessons = useQuery(lessonsOptions());
  const nextLessons = (lessons.data ?? []).map(({ id, title }) => ({ lessonId: id, title, assignmentId: null }));
  const backTo = `/lessons/${lessonId}`;
  return (
    <WalkView
      withdrawUntil={Number.POSITIVE_INFINITY}
      {...{ session, backTo, nextLessons }}
      backLabel={t('walk.leaveRehearsal')}
    />
  );
}
