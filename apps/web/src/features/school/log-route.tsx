import type { LogQuery, SchoolLog } from '@semita/core/contract';
import { useInfiniteQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { Field, Select } from '../../ui/field.tsx';
import { EmptyPlace, ErrorNotice, Loading } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import { SchoolPage } from './school-page.tsx';
import './words.ts';

/** What belongs together, for whoever looks for something. */
const groups = {
  all: [],
  signIns: ['signedIn', 'signInFailed', 'signInDelayed', 'signedOut', 'passwordGiven', 'cardMade', 'cardRevoked'],
  people: ['schoolSetUp', 'invited', 'joinedSchool', 'rolesChanged', 'personChanged', 'switchedOff', 'switchedOn'],
  marks: ['marked', 'keyChanged'],
  records: ['exported', 'studentExported', 'erased', 'classRemoved', 'classBroughtBack'],
  refused: ['refused'],
} as const satisfies Record<string, NonNullable<LogQuery['kinds']>>;
type Group = keyof typeof groups;

/** What happened to accounts, rights, marks and records. Nobody can change it. */
export function Component() {
  const [group, setGroup] = useState<Group>('all');
  const query = useInfiniteQuery({
    queryKey: ['school', 'log', group],
    queryFn: ({ pageParam }) =>
      call('readLog', { body: { kinds: [...groups[group]], ...(pageParam ? { before: pageParam } : {}) } }),
    initialPageParam: null as NonNullable<LogQuery['before']> | null,
    getNextPageParam: ({ events, hasMore }: SchoolLog) => {
      const last = events.at(-1);
      return hasMore && last ? { at: last.at, id: last.id } : null;
    },
  });
  const events = query.data?.pages.flatMap((page) => page.events) ?? [];
  return (
    <SchoolPage title={t('school.log')}>
      <p className="max-w-2xl text-14 text-quiet">{t('school.logHelp')}</p>
      <div className="justify-self-start">
        <Field label={t('school.logOf')}>
          {(ids) => (
            <Select {...ids} value={group} onChange={(event) => setGroup(event.target.value as Group)}>
              {(Object.keys(groups) as Group[]).map((one) => (
                <option key={one} value={one}>
                  {t(`school.logGroup.${one}`)}
                </option>
              ))}
            </Select>
          )}
        </Field>
      </div>
      {query.isPending && <Loading />}
      {query.isError && <ErrorNotice error={query.error} />}
      {query.isSuccess && events.length === 0 && <EmptyPlace title={t('school.logEmpty')} />}
      {events.length > 0 && (
        <div className="overflow-x-auto rounded-card border border-line bg-card">
          <table className="w-full text-14">
            <thead className="text-left text-quiet">
              <tr className="border-b border-line">
                <th className="px-5 py-2 font-medium">{t('school.when')}</th>
                <th className="px-5 py-2 font-medium">{t('school.what')}</th>
                <th className="px-5 py-2 font-medium">{t('school.about')}</th>
                <th className="px-5 py-2 font-medium">{t('school.by')}</th>
              </tr>
            </thead>
            <tbody>
              {events.map(({ id, at, kind, detail, about, by }) => (
                <tr key={id} className="h-9 border-b border-line last:border-0">
                  <td className="px-5 font-mono text-13 whitespace-nowrap">{whenWords(at)}</td>
                  <td className="px-5">
                    {t(`school.logKind.${kind}`)}
                    {isSaid(detail) && <span className="text-quiet"> ({t(`school.logDetail.${detail}`)})</span>}
                  </td>
                  <td className="px-5">{about?.displayName}</td>
                  <td className="px-5">{by?.displayName}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      {query.hasNextPage && (
        <div>
          <Button disabled={query.isFetchingNextPage} onClick={() => void query.fetchNextPage()}>
            {t('school.logMore')}
          </Button>
        </div>
      )}
    </SchoolPage>
  );
}

/** Codes of the program that say something to people; ids of things do not. */
const said = [
  ...(['card', 'newAccount', 'knownDevice', 'newDevice', 'everywhere', 'passwordGiven', 'cardRevoked'] as const),
  ...(['switchedOff', 'admin', 'notAdmin', 'invitation', 'classCode', 'teacherCode', 'name', 'signInName'] as const),
] as const;
const isSaid = (detail: string | null): detail is (typeof said)[number] => said.some((one) => one === detail);

/** To the second, on the clock of whoever looks. */
const whenWords = (at: number): string =>
  new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'medium' }).format(at);
