import { useMutation } from '@tanstack/react-query';
import { BellRing, ClipboardCopy, Send, Users } from 'lucide-react';
import { lazy, Suspense, useState } from 'react';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { errorWords } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import { type PickedStudent, PutIntoGroup } from './put-into-group.tsx';
import './words.ts';

const GiveLesson = lazy(async () => ({ default: (await import('../assigning/give-lesson.tsx')).GiveLesson }));

interface Props {
  readonly students: readonly PickedStudent[];
  /** Why they are together, as a sentence. */
  readonly reason: string;
  /** What a group of them may be called. */
  readonly groupName: string;
  /** Of which they can be reminded; absent where there is nothing to remind of. */
  readonly assignmentId?: string | undefined;
  /** Off for who only stands in: groups, and what is given, are the teacher's. */
  readonly runs?: boolean;
}

const icon = { 'aria-hidden': true, className: 'size-4', strokeWidth: 1.75 } as const;
/** Names that are told before the rest is counted. */
const namesTold = 8;

/** Students who have something in common, and what can be done with them next. Nothing is done by itself. */
export function PickedStudents({ students, reason, groupName, assignmentId, runs = true }: Props) {
  const [doing, setDoing] = useState<'group' | 'give' | null>(null);
  const [uncopied, setUncopied] = useState<string | null>(null);
  const nudge = useMutation({
    mutationFn: () =>
      call('nudge', {
        params: { assignmentId: assignmentId ?? '' },
        body: { studentIds: students.map(({ id }) => id) },
      }),
    onSuccess: () => toast(t('picked.nudged', { count: students.length })),
    onError: (error) => toast.error(errorWords(error)),
  });
  const close = () => setDoing(null);
  const all = students.map(({ displayName }) => displayName).join(', ');
  const copy = async () => {
    const list = t('picked.talkList', { names: all, reason });
    try {
      await navigator.clipboard.writeText(list);
      toast(t('picked.copied'));
    } catch {
      setUncopied(list);
    }
  };
  const [tellsAll, setTellsAll] = useState(false);
  const more = tellsAll ? 0 : Math.max(0, students.length - namesTold);
  const told = students.slice(0, students.length - more).map(({ displayName }) => displayName);
  return (
    <div className="grid gap-2">
      <p className="text-14 text-quiet">
        {told.join(', ')}
        {more > 0 && (
          <>
            {', '}
            <button type="button" className="underline print:hidden" onClick={() => setTellsAll(true)}>
              {t('picked.and', { count: more })}
            </button>
            <span className="hidden print:inline">
              {students
                .slice(-more)
                .map(({ displayName }) => displayName)
                .join(', ')}
            </span>
          </>
        )}
      </p>
      <div className="flex flex-wrap gap-2 print:hidden">
        {runs && (
          <>
            <Button size="small" onClick={() => setDoing('group')}>
              <Users {...icon} />
              {t('picked.group')}
            </Button>
            <Button size="small" onClick={() => setDoing('give')}>
              <Send {...icon} />
              {t('picked.give')}
            </Button>
          </>
        )}
        {assignmentId !== undefined && (
          <Button size="small" disabled={nudge.isPending} onClick={() => nudge.mutate()}>
            <BellRing {...icon} />
            {t('picked.nudge')}
          </Button>
        )}
        <Button size="small" look="quiet" onClick={() => void copy()}>
          <ClipboardCopy {...icon} />
          {t('picked.talk')}
        </Button>
      </div>
      {uncopied !== null && (
        <p className="text-14">
          {t('picked.notCopied')} <span className="select-all rounded-control bg-paper px-2 py-1">{uncopied}</span>
        </p>
      )}
      {doing === 'group' && (
        <PutIntoGroup students={students} suggestedName={groupName} onClose={close}>
          <p className="text-14">{reason}</p>
        </PutIntoGroup>
      )}
      {doing === 'give' && (
        <Suspense>
          <GiveLesson studentIds={students.map(({ id }) => id)} onClose={close} />
        </Suspense>
      )}
    </div>
  );
}
