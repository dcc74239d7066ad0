import type { MarkMove } from '@semita/core/contract';
import type { Question } from '@semita/core/question';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { KeyRound } from 'lucide-react';
import { lazy, Suspense, useState } from 'react';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { ErrorNotice } from '../../ui/notice.tsx';
import { formatPoints } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { sheetOptions } from '../assignment/queries.ts';
import './words.ts';

const KeyEditor = lazy(async () => ({ default: (await import('../question-editor/key-editor.tsx')).KeyEditor }));

interface Props {
  readonly assignmentId: string;
  readonly question: Question;
}

/** Puts a key right after answers came in: first it is seen whose marks move, then it is done. */
export function ChangeKey({ assignmentId, question }: Props) {
  const [isOpen, setIsOpen] = useState(false);
  return (
    <>
      <Button size="small" look="quiet" onClick={() => setIsOpen(true)}>
        <KeyRound aria-hidden className="size-4" strokeWidth={1.75} />
        {t('marking.changeKey')}
      </Button>
      {isOpen && <KeyDialog {...{ assignmentId, question }} onClose={() => setIsOpen(false)} />}
    </>
  );
}

function KeyDialog({ assignmentId, question, onClose }: Props & { readonly onClose: () => void }) {
  const queryClient = useQueryClient();
  const [changed, setChanged] = useState(question);
  const change = useMutation({
    mutationFn: (confirms: boolean) =>
      call('changeKey', {
        params: { assignmentId, questionId: question.id },
        body: { question: changed, confirms },
      }),
    onSuccess: async (_, confirms) => {
      if (!confirms) return;
      onClose();
      await queryClient.invalidateQueries({ queryKey: ['marking', assignmentId] });
      await queryClient.invalidateQueries(sheetOptions(assignmentId));
    },
  });
  const moves = change.data ?? null;
  return (
    <Dialog open place="wide" onOpenChange={(open) => !open && onClose()} title={t('marking.changeKey')}>
      <div className="grid gap-4">
        <p className="text-14 text-quiet">{t('marking.changeKeyHelp')}</p>
        <Suspense fallback={<p className="text-quiet">{t('app.loading')}</p>}>
          <KeyEditor
            question={changed}
            onChange={(next) => {
              setChanged(next);
              change.reset();
            }}
          />
        </Suspense>
        {change.isError && <ErrorNotice error={change.error} />}
        {moves && <Moves moves={moves} />}
        <div className="flex gap-2">
          <Button look={moves ? 'plain' : 'main'} disabled={change.isPending} onClick={() => change.mutate(false)}>
            {t('marking.seeMoves')}
          </Button>
          {moves && (
            <Button look="main" disabled={change.isPending} onClick={() => change.mutate(true)}>
              {t('marking.confirmKey')}
            </Button>
          )}
        </div>
      </div>
    </Dialog>
  );
}

function Moves({ moves }: { readonly moves: readonly MarkMove[] }) {
  const moving = moves.filter(({ before, after }) => before !== after);
  const byHand = moves.filter((move) => move.byHand);
  return (
    <section aria-label={t('marking.moves')} className="grid gap-2 rounded-control border border-line bg-paper p-3">
      <p className="font-medium">{t('marking.movesCount', { count: moving.length })}</p>
      <ul className="grid max-h-60 gap-1 overflow-y-auto text-14">
        {moving.map(({ studentId, displayName, before, after }) => (
          <li key={studentId} className="flex justify-between gap-4">
            <span>{displayName}</span>
            <span className={after > before ? 'font-mono text-spruce' : 'font-mono text-brick'}>
              {formatPoints(before)} → {formatPoints(after)}
            </span>
          </li>
        ))}
      </ul>
      {byHand.length > 0 && (
        <p className="text-14 text-quiet">
          {t('marking.movesByHand', { names: byHand.map(({ displayName }) => displayName).join(', ') })}
        </p>
      )}
    </section>
  );
}
