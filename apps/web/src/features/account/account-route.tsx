import { queryOptions, useQuery } from '@tanstack/react-query';
import { useParams } from 'react-router';
import { call } from '../../api/client.ts';
import { QueryView } from '../../ui/query-view.tsx';
import { historyOptions } from '../assignment/queries.ts';
import { classOptions } from '../classes/queries.ts';
import { gradebookOptions } from '../gradebook/queries.ts';
import { studentMasteryOptions } from '../targets/queries.ts';
import { AccountView } from './account-view.tsx';
import { Standing } from './standing.tsx';
import './words.ts';

const studentLinesOptions = (classId: string, studentId: string) =>
  queryOptions({
    queryKey: ['classes', classId, 'lines', studentId],
    queryFn: () => call('readStudentLines', { params: { classId, studentId } }),
    // A mark may have been given a moment ago.
    staleTime: 0,
  });

export function Component() {
  const { classId = '', studentId = '' } = useParams();
  const lines = useQuery(studentLinesOptions(classId, studentId));
  const given = useQuery(historyOptions());
  const book = useQuery(gradebookOptions(classId));
  const mastery = useQuery(studentMasteryOptions(classId, studentId));
  const ofClass = useQuery(classOptions(classId));
  return (
    <QueryView isPage query={lines}>
      {(told) => (
        <QueryView isPage query={given}>
          {(all) => (
            <AccountView className={ofClass.data?.name ?? ''} told={told} given={all}>
              <Standing studentId={studentId} book={book.data} mastery={mastery.data} />
            </AccountView>
          )}
        </QueryView>
      )}
    </QueryView>
  );
}
