import { queryOptions } from '@tanstack/react-query';
import { call } from '../../api/client.ts';

/** What waits for a student today. */
export const waitingReviewsOptions = () =>
  queryOptions({ queryKey: ['reviews', 'waiting'], queryFn: () => call('listReviews', {}) });
