import { useQuery } from '@tanstack/react-query';
import { Button } from '../../ui/button.tsx';
import { Notice } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import { wroteBackOptions } from '../marking/queries.ts';
import './words.ts';

interface Props {
  readonly assignmentId: string;
  readonly nameOf: (studentId: string) => string;
  readonly onOpen: (studentId: string, stopId: string | null) => void;
}

/** Students who wrote back to what was said, and wait for an answer. */
export function WroteBack({ assignmentId, nameOf, onOpen }: Props) {
  const { data = [] } = useQuery(wroteBackOptions(assignmentId));
  if (data.length === 0) return null;
  return (
    <Notice title={t('sheet.wroteBack', { count: data.length })}>
      <ul className="grid gap-1">
        {data.map(({ studentId, questionId, stopId, text }) => (
          <li key={`${studentId} ${questionId}`} className="flex flex-wrap items-center gap-x-3">
            <span className="min-w-0 grow [overflow-wrap:anywhere]">
              <span className="font-medium">{nameOf(studentId)}:</span> {text}
            </span>
            <Button
              size="small"
              aria-label={t('app.verbOn', { verb: t('sheet.answerThem'), title: nameOf(studentId) })}
              onClick={() => onOpen(studentId, stopId)}
            >
              {t('sheet.answerThem')}
            </Button>
          </li>
        ))}
      </ul>
    </Notice>
  );
}
