import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { t } from '../../words/words.ts';
import { type ClassView, useClassChange } from './queries.ts';
import './words.ts';

interface Answer {
  readonly studentIds: readonly string[];
  readonly letIn: boolean;
}

/** Students who have the code and ask to be let in. */
export function WaitingList({ of: { id: classId, waiting } }: { readonly of: ClassView }) {
  const answer = useClassChange(async ({ studentIds, letIn }: Answer) => {
    for (const studentId of studentIds)
      await call('answerRequest', { params: { classId, studentId }, body: { letIn } });
  });
  if (waiting.length === 0) return null;
  return (
    <section className="grid gap-2 rounded-card border border-line border-l-4 border-l-marigold bg-card p-4">
      <div className="flex items-center gap-3">
        <h2 className="grow text-18">{t('classes.waitingTitle', { count: waiting.length })}</h2>
        {waiting.length > 1 && (
          <Button
            size="small"
            look="main"
            disabled={answer.isPending}
            onClick={() => answer.mutate({ studentIds: waiting.map(({ id }) => id), letIn: true })}
          >
            {t('classes.letAllIn')}
          </Button>
        )}
      </div>
      <ul className="divide-y divide-line">
        {waiting.map(({ id, displayName: name, userName }) => (
          <li key={id} className="flex flex-wrap items-center gap-3 py-1.5 text-14">
            <span className="font-medium">{name}</span>
            <span className="grow font-mono text-quiet">{userName}</span>
            <Button
              size="small"
              disabled={answer.isPending}
              aria-label={t('classes.letInOf', { name })}
              onClick={() => answer.mutate({ studentIds: [id], letIn: true })}
            >
              {t('classes.letIn')}
            </Button>
            <Button
              size="small"
              look="quiet"
              disabled={answer.isPending}
              aria-label={t('classes.turnAwayOf', { name })}
              onClick={() => answer.mutate({ studentIds: [id], letIn: false })}
            >
              {t('classes.turnAway')}
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
