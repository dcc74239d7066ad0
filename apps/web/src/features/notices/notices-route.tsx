import type { NoticeList } from '@semita/core/contract';
import type { NoticeKind } from '@semita/core/notice';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import {
  AlarmClock,
  Bell,
  CheckCheck,
  CornerUpLeft,
  Hand,
  Hourglass,
  type LucideIcon,
  MessageSquare,
} from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { joinClasses } from '../../ui/join-classes.ts';
import { EmptyPlace } from '../../ui/notice.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { formatAgo, formatInstant } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { MailSettings } from './mail-settings.tsx';
import { noticesOptions } from './queries.ts';
import './words.ts';

type Item = NoticeList['items'][number];

/** What a student was told, the latest first, and whether it comes by mail as well. */
export function Component() {
  const query = useQuery(noticesOptions());
  const queryClient = useQueryClient();
  const read = useMutation({
    mutationFn: (ids?: string[]) => call('readNotices', { body: ids ? { ids } : {} }),
    onSuccess: () => queryClient.invalidateQueries(noticesOptions()),
  });
  return (
    <>
      <h1 className="text-28">{t('notices.title')}</h1>
      <QueryView query={query}>
        {({ items, unread, settings }) => (
          <>
            {items.length === 0 ? (
              <EmptyPlace title={t('notices.empty')}>
                <p>{t('notices.emptyHelp')}</p>
              </EmptyPlace>
            ) : (
              <div className="grid gap-3">
                {unread > 0 && (
                  <div>
                    <Button size="small" disabled={read.isPending} onClick={() => read.mutate(undefined)}>
                      {t('notices.allRead')}
                    </Button>
                  </div>
                )}
                <ul className="divide-y divide-line overflow-hidden rounded-card border border-line bg-card">
                  {items.map((item) => (
                    <Line key={item.id} item={item} onOpen={() => !item.isRead && read.mutate([item.id])} />
                  ))}
                </ul>
              </div>
            )}
            <MailSettings settings={settings} />
          </>
        )}
      </QueryView>
    </>
  );
}

const icons: Readonly<Record<NoticeKind, LucideIcon>> = {
  new: Bell,
  dueTomorrow: AlarmClock,
  overdue: AlarmClock,
  receipt: CheckCheck,
  marked: MessageSquare,
  returned: CornerUpLeft,
  released: MessageSquare,
  extended: Hourglass,
  nudged: Hand,
  wroteBack: MessageSquare,
};

/** What is read in the list of feedback is there; all else is the lesson itself. */
const placeOf = ({ kind, assignmentId }: Item): string =>
  kind === 'marked' || kind === 'wroteBack' ? '/feedback' : `/walk/${assignmentId}`;

function Line({ item, onOpen }: { readonly item: Item; readonly onOpen: () => void }) {
  const [now] = useState(() => Date.now());
  const Icon = icons[item.kind];
  return (
    <li className="relative grid grid-cols-[auto_1fr_auto] items-start gap-x-3 px-4 py-3 hover:bg-main-tint">
      <Icon aria-hidden className="mt-0.5 size-5 text-quiet" strokeWidth={1.75} />
      <div className="grid min-w-0 gap-0.5">
        <Link
          to={placeOf(item)}
          onClick={onOpen}
          className={joinClasses('break-words after:absolute after:inset-0', item.isRead ? '' : 'font-semibold')}
        >
          {item.title}
        </Link>
        <p className="text-14 text-quiet">{wordsOf(item)}</p>
      </div>
      <p className="text-13 whitespace-nowrap text-quiet">
        {!item.isRead && (
          <span className="mr-2 rounded-full bg-marigold-tint px-2 text-marigold-ink">{t('notices.isNew')}</span>
        )}
        {formatAgo(item.at, now)}
      </p>
    </li>
  );
}

function wordsOf({ kind, about }: Item): string {
  const time = about === null ? '' : formatInstant(about, Intl.DateTimeFormat().resolvedOptions().timeZone);
  if (kind === 'new') return time ? t('notices.kind.newDue', { time }) : t('notices.kind.new');
  if (kind === 'extended') return time ? t('notices.kind.extendedDue', { time }) : t('notices.kind.extended');
  return t(`notices.kind.${kind}`, { time });
}
