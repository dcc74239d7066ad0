import type { OpenedPractice } from '@semita/core/contract';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { useParams, useSearchParams } from 'react-router';
import { askForMaterialsBy, call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { Loading, Notice } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import { ArrivalPage } from '../arriving/arrival-page.tsx';
import { LinkStatus } from '../walk/link-status.tsx';
import type { WalkSession } from '../walk/walk-session.ts';
import { WalkView } from '../walk/walk-view.tsx';
import { createPracticeSession } from './practice-session.ts';
import './words.ts';

/** Where a practice link leads: a lesson, walked by anyone, of which nothing is kept. */
export function Component() {
  const { practiceToken = '' } = useParams();
  const [search] = useSearchParams();
  const number = Number(search.get('walk') ?? 1);
  // Materials are only asked for behind the first page.
  useEffect(() => askForMaterialsBy(practiceToken), [practiceToken]);
  const opened = useQuery({
    queryKey: ['practice', practiceToken, number],
    queryFn: () => call('openPractice', { params: { practiceToken } }),
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 0,
    retry: false,
  });
  if (opened.isPending) return <Loading />;
  if (opened.isError)
    return (
      <ArrivalPage title={t('practice.gone')}>
        <Notice tone="attention" role="alert">
          {t('practice.goneHelp')}
        </Notice>
      </ArrivalPage>
    );
  return <Practice key={opened.data.walkId} {...{ practiceToken, number }} opened={opened.data} />;
}

interface Props {
  readonly practiceToken: string;
  /** Of how many walks on this page it is the next. */
  readonly number: number;
  readonly opened: OpenedPractice;
}

function Practice({ practiceToken, number, opened }: Props) {
  const [session, setSession] = useState<WalkSession | null>(null);
  const { schoolName, teacherName, view } = opened;
  if (session)
    return (
      <WalkView
        session={session}
        backTo={`/practice/${practiceToken}?walk=${number + 1}`}
        backLabel={t('practice.again')}
        nextLessons={[]}
        withdrawUntil={Number.POSITIVE_INFINITY}
        status={<Status session={session} />}
      />
    );
  return (
    <ArrivalPage title={view.lesson.title} intro={t('practice.from', { teacher: teacherName, school: schoolName })}>
      <Notice title={t('practice.keptTitle')}>{t('practice.kept')}</Notice>
      <Button look="main" size="roomy" onClick={() => setSession(createPracticeSession(practiceToken, opened))}>
        {t('practice.begin')}
      </Button>
    </ArrivalPage>
  );
}

/** That nothing is kept; and where the line is cut, that. */
function Status({ session }: { readonly session: WalkSession }) {
  const { link } = useSyncExternalStore(session.subscribe, session.getSnapshot);
  if (link === 'offline' || link === 'closed') return <LinkStatus link={link} />;
  return (
    <p className="rounded-control bg-marigold-tint px-2.5 py-1 text-14 text-marigold-ink">{t('practice.status')}</p>
  );
}
