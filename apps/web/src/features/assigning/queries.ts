import { queryOptions } from '@tanstack/react-query';
import { call } from '../../api/client.ts';

/** To whom something can be given; asked anew with everything else of classes. */
export const rostersOptions = () =>
  queryOptions({ queryKey: ['classes', 'rosters'], queryFn: () => call('listRosters', {}) });
