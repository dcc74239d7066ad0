import type { AssignmentSummary } from '@semita/core/contract';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Page } from '../../ui/page.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { t } from '../../words/words.ts';
import { assignmentsOptions } from '../assignment/queries.ts';
import { type Dated, entriesOf } from './entries.ts';
import { WeekView } from './week-view.tsx';
import './words.ts';

/** What opens, is due and closes in all classes of a teacher; each of those it was given to by its own dates. */
export function Component() {
  const query = useQuery(assignmentsOptions());
  const [now] = useState(() => Date.now());
  return (
    <Page title={t('week.title')}>
      <QueryView query={query}>{(all) => <WeekView now={now} entries={entriesOf(all.flatMap(toDated))} />}</QueryView>
    </Page>
  );
}

/** Those who have the same dates stand together. */
function toDated({ id, title, timeZone, to, handedInCount, studentCount }: AssignmentSummary): Dated[] {
  const datesOf = ({ opensAt, dueAt, closesAt }: AssignmentSummary['to'][number]) => `${opensAt} ${dueAt} ${closesAt}`;
  return to
    .filter((one) => to.find((other) => datesOf(other) === datesOf(one)) === one)
    .map((one) => ({
      ...{ key: `${id} ${one.id}`, title, timeZone },
      ...{ opensAt: one.opensAt, dueAt: one.dueAt, closesAt: one.closesAt },
      beside: to
        .filter((other) => datesOf(other) === datesOf(one))
        .map(({ name }) => name)
        .join(', '),
      to: `/assignments/${id}`,
      isDone: studentCount > 0 && handedInCount === studentCount,
      state: studentCount > 0 ? t('week.handedIn', { count: handedInCount, all: studentCount }) : null,
    }));
}
