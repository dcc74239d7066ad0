import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { X } from 'lucide-react';
import { useEffect } from 'react';
import { Link, useLocation } from 'react-router';
import { call } from '../../api/client.ts';
import { Button, buttonStyle } from '../../ui/button.tsx';
import { joinClasses } from '../../ui/join-classes.ts';
import { t } from '../../words/words.ts';
import { assignmentsOptions } from '../assignment/queries.ts';
import { classesOptions } from '../classes/queries.ts';
import { lessonsOptions, materialsOptions } from '../materials/queries.ts';
import { sessionOptions } from '../session/queries.ts';
import './words.ts';

type StepName = 'class' | 'students' | 'material' | 'stop' | 'assign' | 'answer';

interface Step {
  readonly name: StepName;
  readonly isDone: boolean;
  /** Where it is done, one press from here. */
  readonly to: string;
}

function useSteps(): readonly Step[] | null {
  const classes = useQuery(classesOptions()).data;
  const materials = useQuery(materialsOptions()).data;
  const lessons = useQuery(lessonsOptions()).data;
  const assignments = useQuery(assignmentsOptions()).data;
  if (!classes || !materials || !lessons || !assignments) return null;
  const withStop = lessons.find(({ stopCount }) => stopCount > 0);
  const [firstClass] = classes;
  const [given] = assignments;
  const lesson = withStop ?? lessons[0];
  const toLesson = lesson ? `/lessons/${lesson.id}` : '/shelf';
  return [
    { name: 'class', isDone: classes.length > 0, to: '/classes' },
    {
      name: 'students',
      isDone: classes.some(({ studentCount }) => studentCount > 0),
      to: firstClass ? `/classes/${firstClass.id}` : '/classes',
    },
    { name: 'material', isDone: materials.length > 0 || withStop !== undefined, to: '/shelf' },
    { name: 'stop', isDone: withStop !== undefined, to: toLesson },
    { name: 'assign', isDone: assignments.length > 0, to: toLesson },
    {
      name: 'answer',
      isDone: assignments.some(({ begunCount }) => begunCount > 0),
      to: given ? `/assignments/${given.id}` : toLesson,
    },
  ];
}

/** How far a new teacher has come, and the next step, on every page; until it is put away, or all is done. */
export function FirstSteps() {
  const queryClient = useQueryClient();
  const { pathname } = useLocation();
  const steps = useSteps();
  const putAway = useMutation({
    mutationFn: () => call('putAwayFirstSteps', {}),
    onSuccess: () => queryClient.invalidateQueries(sessionOptions()),
  });
  const next = steps?.find(({ isDone }) => !isDone);
  const { mutate, isIdle } = putAway;
  const isThrough = steps !== null && next === undefined;
  // Done with all of it: nobody asks again.
  useEffect(() => {
    if (isThrough && isIdle) mutate();
  }, [isThrough, isIdle, mutate]);
  if (!steps || !next) return null;
  const done = steps.filter(({ isDone }) => isDone).length;
  return (
    <aside
      aria-label={t('firstSteps.title')}
      className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-line bg-main-tint px-5 py-1.5 text-14 print:hidden"
    >
      <p className="font-medium">{t('firstSteps.title')}</p>
      <p className="flex items-center gap-2">
        <span aria-hidden className="flex gap-1">
          {steps.map(({ name, isDone }) => (
            <span
              key={name}
              className={joinClasses(
                'size-2.5 rounded-full border border-main',
                isDone && 'bg-main',
                name === next.name && 'ring-2 ring-main ring-offset-1 ring-offset-main-tint',
              )}
            />
          ))}
        </span>
        <span className="text-quiet">{t('firstSteps.done', { done, all: steps.length })}</span>
      </p>
      <p className="ml-auto">{t('firstSteps.next', { step: t(`firstSteps.${next.name}.title`) })}</p>
      {pathname !== next.to && (
        <Link to={next.to} className={buttonStyle({ look: 'main', size: 'small' })}>
          {t(`firstSteps.${next.name}.go`)}
        </Link>
      )}
      <Button size="small" look="quiet" disabled={putAway.isPending} onClick={() => putAway.mutate()}>
        <X aria-hidden className="size-4" strokeWidth={1.75} />
        {t('firstSteps.putAway')}
      </Button>
    </aside>
  );
}
