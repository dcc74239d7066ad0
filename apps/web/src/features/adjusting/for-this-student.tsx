import type { OutputOf, routes } from '@semita/core/contract';
import { useMutation, useQuery } from '@tanstack/react-query';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { errorWords } from '../../ui/notice.tsx';
import { formatInstant } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { MoreTime } from './more-time.tsx';
import { adjustmentsOptions } from './queries.ts';
import { useAdjust } from './use-adjust.ts';
import './words.ts';

type Made = OutputOf<(typeof routes)['listAdjustments']>[number];

interface Props {
  readonly assignmentId: string;
  readonly student: {
    readonly studentId: string;
    readonly displayName: string;
    readonly excused: boolean;
    readonly dueAt: number | null;
  };
  readonly timeZone: string;
  readonly locale: string;
}

/** What can be made different for one student, and what was, with who and when. */
export function ForThisStudent({ assignmentId, student, timeZone, locale }: Props) {
  const { studentId, displayName: name, excused } = student;
  const made = useQuery(adjustmentsOptions(assignmentId, studentId));
  const adjust = useAdjust(assignmentId);
  const another = useAdjust(assignmentId, () => toast(t('adjusting.attemptGiven', { name })));
  const nudge = useMutation({
    mutationFn: () => call('nudge', { params: { assignmentId }, body: { studentIds: [studentId] } }),
    onSuccess: () => toast(t('adjusting.nudged', { name })),
    onError: (error) => toast.error(errorWords(error)),
  });
  // The latest word on dates counts.
  const dates = made.data?.find(({ kind }) => kind === 'extended' || kind === 'extensionEnded');
  return (
    <section className="grid gap-2">
      <div className="flex flex-wrap gap-2">
        <MoreTime
          {...{ assignmentId, timeZone, locale }}
          hasEnd={student.dueAt !== null}
          offers={[{ kind: 'one', studentId, name }]}
        />
        <Button
          size="small"
          disabled={another.isPending}
          onClick={() => another.mutate({ studentIds: [studentId], change: { kind: 'anotherAttempt' } })}
        >
          {t('adjusting.anotherAttempt')}
        </Button>
        <Button
          size="small"
          disabled={adjust.isPending}
          onClick={() =>
            adjust.mutate({ studentIds: [studentId], change: { kind: excused ? 'excusalEnded' : 'excused' } })
          }
        >
          {t(excused ? 'adjusting.unexcuse' : 'adjusting.excuse')}
        </Button>
        <Button size="small" disabled={nudge.isPending} onClick={() => nudge.mutate()}>
          {t('adjusting.nudge')}
        </Button>
        {dates?.kind === 'extended' && (
          <Button
            size="small"
            look="quiet"
            disabled={adjust.isPending}
            onClick={() => adjust.mutate({ studentIds: [studentId], change: { kind: 'extensionEnded' } })}
          >
            {t('adjusting.endOwn')}
          </Button>
        )}
      </div>
      {made.data && made.data.length > 0 && (
        <details>
          <summary className="cursor-pointer text-14">{t('adjusting.own', { name })}</summary>
          <ul className="mt-1 grid gap-1 border-l-2 border-line pl-3 text-14">
            {made.data.map((one) => (
              <li key={one.id}>
                <span className="font-medium">{wordsOf(one, timeZone)}</span>{' '}
                <span className="text-quiet">
                  {t('adjusting.by', { name: one.by, time: formatInstant(one.at, timeZone) })}
                </span>
                {one.reason && <span className="block text-quiet">{one.reason}</span>}
              </li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}

function wordsOf({ kind, dueAt }: Made, timeZone: string): string {
  if (kind !== 'extended') return t(`adjusting.kind.${kind}`);
  return dueAt === null
    ? t('adjusting.kind.extendedNoDue')
    : t('adjusting.kind.extended', { time: formatInstant(dueAt, timeZone) });
}
