import { lazy, Suspense, useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { EmptyPlace } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import { AssignmentList } from '../assignment/assignment-list.tsx';
import { useClass } from './class-frame.tsx';
import './words.ts';

const GiveLesson = lazy(async () => ({ default: (await import('../assigning/give-lesson.tsx')).GiveLesson }));

/** What a class was given. */
export function Component() {
  const { id: classId, runs, isArchived, assignments: all } = useClass();
  const [isGiving, setIsGiving] = useState(false);
  const give = (look: 'main' | 'plain') => (
    <>
      <Button look={look} onClick={() => setIsGiving(true)}>
        {t('classes.give')}
      </Button>
      {isGiving && (
        <Suspense>
          <GiveLesson classId={classId} onClose={() => setIsGiving(false)} />
        </Suspense>
      )}
    </>
  );
  const mayGive = runs && !isArchived;
  const assignments = all.filter(({ takenBackAt }) => takenBackAt === null);
  const takenBack = all.filter(({ takenBackAt }) => takenBackAt !== null);
  if (all.length > 0)
    return (
      <>
        {mayGive && <div>{give('plain')}</div>}
        {assignments.length > 0 && <AssignmentList assignments={assignments} isOfOneClass />}
        {takenBack.length > 0 && (
          <section className="grid gap-3">
            <h2 className="text-18">{t('classes.takenBack')}</h2>
            <AssignmentList assignments={takenBack} isOfOneClass />
          </section>
        )}
      </>
    );
  return (
    <EmptyPlace title={t('classes.noAssignments')}>
      <p className="text-quiet">{t('classes.noAssignmentsHelp')}</p>
      {mayGive && give('main')}
    </EmptyPlace>
  );
}
