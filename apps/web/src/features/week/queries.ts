import { queryOptions } from '@tanstack/react-query';
import { call } from '../../api/client.ts';

/** Terms, and days without school. */
export const schoolDaysOptions = () =>
  queryOptions({ queryKey: ['school-days'], queryFn: () => call('readSchoolDays', {}), staleTime: 600_000 });
