import { queryOptions } from '@tanstack/react-query';
import { call } from '../../api/client.ts';

/** Everything that was made different for one student. */
export const adjustmentsOptions = (assignmentId: string, studentId: string) =>
  queryOptions({
    queryKey: ['adjustments', assignmentId, studentId],
    queryFn: () => call('listAdjustments', { params: { assignmentId, studentId } }),
  });
