import { defaultTerms, type Lesson } from '@semita/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useParams } from 'react-router';
import { v7 } from 'uuid';
import { QueryView } from '../../ui/query-view.tsx';
import { enStudent } from '../../words/en-student.ts';
import { addWords, t } from '../../words/words.ts';
import { draftOptions } from '../desk/queries.ts';
import { RequireRole } from '../session/require-role.tsx';
import { createRehearsalSession } from './rehearsal-session.ts';
import { WalkView } from './walk-view.tsx';

addWords(enStudent);

export function Component() {
  const { lessonId = '' } = useParams();
  const query = useQuery({ ...draftOptions(lessonId), gcTime: 0 });
  return (
    <RequireRole is="teacher">
      {() => (
        <QueryView isPage query={query}>
          {(draft) => <Rehearsal lessonId={lessonId} lesson={draft.lesson} />}
        </QueryView>
      )}
    </RequireRole>
  );
}

function Rehearsal({ lessonId, lesson }: { readonly lessonId: string; readonly lesson: Lesson }) {
  const [session] = useState(() => createRehearsalSession(lesson, defaultTerms, () => v7()));
  return <WalkView session={session} backTo={`/lessons/${lessonId}`} backLabel={t('walk.leaveRehearsal')} />;
}
