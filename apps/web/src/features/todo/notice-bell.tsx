import { useQuery } from '@tanstack/react-query';
import { Bell } from 'lucide-react';
import { Link } from 'react-router';
import { t } from '../../words/words.ts';
import { noticesOptions } from '../notices/queries.ts';
import './words.ts';

/** How much a student has not read yet, and the way to it. */
export function NoticeBell() {
  const unread = useQuery(noticesOptions()).data?.unread ?? 0;
  return (
    <Link
      to="/notices"
      aria-label={unread > 0 ? t('todo.notices', { count: unread }) : t('todo.noNotices')}
      className="relative grid size-9 place-items-center rounded-control hover:bg-main-tint"
    >
      <Bell aria-hidden className="size-5" strokeWidth={1.75} />
      {unread > 0 && (
        <span
          aria-hidden
          className="absolute -top-0.5 -right-0.5 min-w-5 rounded-full bg-marigold-tint px-1 text-center font-mono text-13 text-marigold-ink"
        >
          {unread > 99 ? '99' : unread}
        </span>
      )}
    </Link>
  );
}
